/** The terms of the field, each explained in a line or two, in the order in which they come up. */
export const TERMS: readonly (readonly [term: string, explanation: string])[] = [
  ["Home", "The note a mode rests on, its tonic. You hear every other note against it."],
  [
    "Mode",
    "A scale heard from one home. D Dorian and C major share their notes; the home makes the difference.",
  ],
  ["Parent scale", "The scale a mode takes its notes from. The parent of D Dorian is C major."],
  [
    "Degree",
    "A note counted from home and compared with major: ♭3 is the minor third, ♯4 the raised fourth.",
  ],
  ["Parallel", "Modes on the same home, such as D Dorian and D Aeolian. Some of the notes differ."],
  ["Relative", "Modes with the same notes, such as D Dorian and A Aeolian. The home differs."],
  ["Characteristic note", "The note that a mode is known by: 6 in Dorian, ♯4 in Lydian, ♭2 in Phrygian."],
  [
    "Reference scale",
    "The plain scale a mode is described from: major if its third is major, natural minor if it’s minor.",
  ],
  ["Brighter, darker", "Raising a note makes a mode brighter, lowering one makes it darker. Dorian is 0."],
  ["Home chord", "The chord on the home note that has only notes of the mode. It stands for the mode."],
  ["Best vamp, Vamp", "Two chords played back and forth that keep one mode sounding."],
  ["Drone, Pedal", "The home note, sounding on under everything else. Under chords it is called a pedal."],
  ["Avoid note", "A scale note a half step above a chord tone. It sounds tense if you stay on it."],
  ["Target note", "A chord tone that the chord before doesn’t have. Land on it and the change is heard."],
  ["Guide tones", "The third and seventh of a chord, and how they move into the next one."],
  ["Other notes", "Notes of the mode that are neither chord tones nor avoid notes."],
  ["Passing note", "A short note from outside the mode, on its way to a note of the mode."],
  ["Undecided, Undecided degree", "A degree that a tune never plays, so that more than one mode is left."],
  [
    "Double tonic",
    "A tune that goes back and forth between two chords a whole step apart, as many fiddle tunes do.",
  ],
  ["Final", "The note a tune ends on."],
  ["Ambitus", "Where a tune lies. Authentic: above its home. Plagal: with home in its middle."],
  ["Reciting note", "The note besides home that a tune stays on most."],
  ["Inflected", "A degree that is played in two forms, such as 7 raised on the way up."],
  ["Analysis, Analyses", "Which home and mode a chart is heard in, chord by chord or as a whole."],
  ["Chord pairs", "Two chords whose notes together make the mode."],
  ["Slash chord", "A chord over another bass: C/A is C over A."],
  ["Position", "The frets the hand covers without moving along the neck."],
  ["Inflection", "A voicing with one note moved to another note of the mode."],
  ["Voicing", "One way to place the notes of a chord on the instrument."],
  [
    "Solfège",
    "Syllables to sing: do re mi fa sol la ti, and others, such as me and fi, for altered degrees.",
  ],
  ["Shelf", "Everything you saved."],
  ["Stand", "What is selected, over the whole screen, for a music stand."],
];

/** What the marks on a note mean, by their kind. */
export const MARKS = [
  ["characteristic", "Amber with a notch: a characteristic note of the mode."],
  ["home", "A bar at the foot: home."],
  ["tone", "An outline inside: a tone of the selected chord."],
  ["target", "A second outline outside: the target note, new in this chord."],
  ["avoid", "Hatched: an avoid note, or a note outside the mode."],
  ["unknown", "Striped: a degree that is undecided."],
] as const;

/** What the shades mean. */
export const SHADES_TEXT = "The shade is the brightness of the mode, from Lydian (+3) to Locrian (−3).";

/** The kinds of marks. */
export type MarkKind = (typeof MARKS)[number][0];

/** The same in a word each, for the legend that stands on the screen. */
export const SHORT_MARKS: readonly (readonly [MarkKind, string])[] = [
  ["characteristic", "characteristic note"],
  ["home", "home"],
  ["tone", "chord tone"],
  ["target", "target note"],
  ["avoid", "avoid note, or outside"],
  ["unknown", "undecided"],
];

export const SHORT_SHADES = "shade: bright (+3) to dark (−3)";

const BY_TERM: ReadonlyMap<string, string> = new Map(
  TERMS.flatMap(([term, explanation]) =>
    term.split(", ").flatMap((one) => {
      const name = one.toLowerCase();
      return [[name, explanation] as const, [`${name}s`, explanation] as const];
    }),
  ),
);

/**
 * What the help says of a term, in the singular or the plural.
 *
 * @example explanationOf("Avoid notes") // "A scale note a half step above a chord tone. …"
 */
export const explanationOf = (term: string): string | undefined => BY_TERM.get(term.toLowerCase());

export const KEYS_SAY =
  "They work while no field or control has the focus. Settings can switch single keys off.";
