/** What each view is for, how one begins in it, and what to try first. */
export const DERIVE_HELP =
  "Choose a home and a parent scale, then a mode. The panel says what makes it that mode, and the stage shows where to play it. Play lets you hear it over its home note.";

export const IDENTIFY_HELP =
  "Open a file, paste ABC, type notes, play them in or record them. The panel says which mode the tune is in and why. Press a reason to see the notes it comes from.";

export const MATCH_HELP =
  "Type chords, with a bar line between the bars. Under them you see which mode fits where. Press a chord to see its target note, what decides the mode, and where it lies on the stage.";

export const RESHAPE_HELP =
  "Choose a tune and the mode it is to be in. Parallel keeps its home, relative keeps its notes. Press a note to set it by hand, or Write to change the tune itself. Keep several versions and swap between them while they play.";

export const EAR_HELP =
  "Press Start and listen as often as you like. Find the third first, then the degree that differs, then answer. Nothing is shown until you have answered. What you mix up comes back sooner; what you know comes back later.";

export const LOG_HELP =
  "Everything you answer in Ear and practise with a routine is written down here by itself. Press a day to see it, correct it or add words. Put a routine together with R wherever you are, and start it under Routine.";
