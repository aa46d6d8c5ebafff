import { COMFORTABLE_STRETCH } from "@/core/instrument";
import { capital, countText } from "./names";

/** What the instrument's sheet says. */

export const INSTRUMENT_SAYS = "The stage shows everything on it. It is saved in this browser.";

export const DRAWN_SAYS = "Any part of the neck; the right hand’s or the left hand’s.";

export const TUNING_NEEDS_NAME = "It needs a name; a word will do.";

export const OWN_TUNING_SAYS = "Pitches from the string that lies lowest to string 1, each with its octave.";

/** What the comfortable stretch is; `first` is what the first four frets of this neck ask for, in millimetres. */
export const stretchSaysText = (first: number): string =>
  `Past it a fingering is cautioned against and another one offered. A finger to each of the first four frets opens the hand ${first} mm on this neck. On a full-size guitar no position of the seven modes asks for more than 106 mm from the fifth fret up, so ${COMFORTABLE_STRETCH} mm is taken unless you set another. Warm up first, stop when it hurts, rest five minutes in every half hour; see a doctor or a hand therapist for pain that stays.`;

/** Notes that a neck has no place for: "Two notes lie beyond the frets that are drawn." */
export const beyondFretsText = (count: number): string =>
  `${capital(countText(count, "note"))} ${count === 1 ? "lies" : "lie"} beyond the frets that are drawn.`;
