/** What the instrument's sheet says. */

export const INSTRUMENT_SAYS = "The stage shows everything on it. It is saved in this browser.";

export const DRAWN_SAYS = "Any part of the neck; the right hand’s or the left hand’s.";

export const TUNING_NEEDS_NAME = "It needs a name; a word will do.";

export const OWN_TUNING_SAYS = "Pitches from the string that lies lowest to string 1, each with its octave.";
