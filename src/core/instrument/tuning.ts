import { maybePitch, midiOf, type Pitch } from "../pitch";

/**
 * A stringed instrument as tuned. Strings stand as they lie, from the one that players number last to string 1; pitches
 * are those of the open strings without a capo. Shared and frozen.
 */
export interface Tuning {
  /** "guitar/standard"; "own" and a name for one made by hand. */
  readonly id: string;
  readonly strings: readonly Pitch[];
  /** Half steps from each string to the second one of its pair; none where strings are single. */
  readonly doubles: readonly number[];
  readonly frets: number;
  /** Nut to bridge, in millimetres. */
  readonly scaleLength: number;
  /** The fret that the capo lies behind; 0 without one. Frets are counted from the nut all the same. */
  readonly capo: number;
  /** Frets that four fingers cover without a stretch: 4 with a fret to a finger, 7 with a step of the scale to a finger. */
  readonly hand: 4 | 7;
  /** A fiddle has no frets: its "frets" are half steps above the open string. */
  readonly isFretted: boolean;
}

/** How an instrument's music is written. Guitar and bass sound an octave lower than they are written. */
export interface Written {
  readonly clef: "treble" | "bass";
  readonly octavesUp: 0 | 1;
}

/** An instrument that can be chosen, with its common tunings, the usual one first; the keyboard has none. */
export interface Instrument extends Written {
  readonly id: string;
  readonly tunings: readonly Tuning[];
}

interface Row extends Written {
  readonly id: string;
  readonly frets: number;
  readonly scaleLength: number;
  readonly hand?: 7;
  readonly fretless?: true;
  readonly doubles?: readonly number[];
  readonly tunings: Readonly<Record<string, string>>;
}

const treble8 = { clef: "treble", octavesUp: 1 } as const;
const bass8 = { clef: "bass", octavesUp: 1 } as const;
const treble = { clef: "treble", octavesUp: 0 } as const;

/** Scale lengths are those of common makes, in whole millimetres: 25½ inches for the guitar, 34 for the bass. */
const ROWS: readonly Row[] = [
  {
    id: "guitar",
    ...treble8,
    frets: 22,
    scaleLength: 648,
    tunings: {
      standard: "E2 A2 D3 G3 B3 E4",
      "drop-d": "D2 A2 D3 G3 B3 E4",
      dadgad: "D2 A2 D3 G3 A3 D4",
      "open-d": "D2 A2 D3 F#3 A3 D4",
      "open-g": "D2 G2 D3 G3 B3 D4",
      "open-c": "C2 G2 C3 G3 C4 E4",
      "half-step-down": "Eb2 Ab2 Db3 Gb3 Bb3 Eb4",
      "whole-step-down": "D2 G2 C3 F3 A3 D4",
      fourths: "E2 A2 D3 G3 C4 F4",
    },
  },
  {
    id: "guitar-7",
    ...treble8,
    frets: 24,
    scaleLength: 648,
    tunings: { standard: "B1 E2 A2 D3 G3 B3 E4", "drop-a": "A1 E2 A2 D3 G3 B3 E4" },
  },
  {
    id: "guitar-8",
    ...treble8,
    frets: 24,
    scaleLength: 686,
    tunings: { standard: "F#1 B1 E2 A2 D3 G3 B3 E4", "drop-e": "E1 B1 E2 A2 D3 G3 B3 E4" },
  },
  {
    id: "guitar-12",
    ...treble8,
    frets: 20,
    scaleLength: 648,
    doubles: [12, 12, 12, 12, 0, 0],
    tunings: { standard: "E2 A2 D3 G3 B3 E4", "whole-step-down": "D2 G2 C3 F3 A3 D4" },
  },
  {
    id: "bass",
    ...bass8,
    frets: 21,
    scaleLength: 864,
    tunings: { standard: "E1 A1 D2 G2", "drop-d": "D1 A1 D2 G2", "half-step-down": "Eb1 Ab1 Db2 Gb2" },
  },
  { id: "bass-5", ...bass8, frets: 24, scaleLength: 864, tunings: { standard: "B0 E1 A1 D2 G2" } },
  { id: "bass-6", ...bass8, frets: 24, scaleLength: 864, tunings: { standard: "B0 E1 A1 D2 G2 C3" } },
  {
    id: "ukulele",
    ...treble,
    frets: 18,
    scaleLength: 380,
    tunings: { standard: "G4 C4 E4 A4", "low-g": "G3 C4 E4 A4", "in-d": "A4 D4 F#4 B4" },
  },
  {
    id: "mandolin",
    ...treble,
    frets: 20,
    scaleLength: 352,
    hand: 7,
    doubles: [0, 0, 0, 0],
    tunings: { standard: "G3 D4 A4 E5", "open-g": "G3 D4 G4 D5" },
  },
  {
    id: "fiddle",
    ...treble,
    frets: 19,
    scaleLength: 328,
    hand: 7,
    fretless: true,
    tunings: { standard: "G3 D4 A4 E5", "cross-a": "A3 E4 A4 E5", "high-d": "A3 D4 A4 E5" },
  },
  {
    id: "tenor-banjo",
    ...treble8,
    frets: 19,
    scaleLength: 580,
    tunings: { standard: "C3 G3 D4 A4", "octave-mandolin": "G2 D3 A3 E4" },
  },
  { id: "keyboard", ...treble, frets: 0, scaleLength: 0, tunings: {} },
];

/** The pitches of a tuning written with spaces; what is no pitch is left out. */
const pitches = (text: string): readonly Pitch[] =>
  text.split(" ").flatMap((written) => maybePitch(written) ?? []);

/** Every instrument, the guitar first. */
export const INSTRUMENTS: readonly Instrument[] = Object.freeze(
  ROWS.map(({ id, clef, octavesUp, frets, scaleLength, hand, fretless, doubles = [], tunings }) =>
    Object.freeze({
      id,
      clef,
      octavesUp,
      tunings: Object.entries(tunings).map(([name, text]): Tuning =>
        Object.freeze({
          id: `${id}/${name}`,
          strings: Object.freeze(pitches(text)),
          doubles,
          frets,
          scaleLength,
          capo: 0,
          hand: hand ?? 4,
          isFretted: fretless !== true,
        }),
      ),
    }),
  ),
);

const BY_ID = new Map(INSTRUMENTS.map((instrument) => [instrument.id, instrument]));

/** The instrument of an id, or undefined. */
export const maybeInstrument = (id: string): Instrument | undefined => BY_ID.get(id);

/** The usual tuning of an instrument, as "guitar/standard" or "guitar" names it, or undefined. */
export function maybeTuning(id: string): Tuning | undefined {
  const [instrument = "", name] = id.split("/");
  const tunings = maybeInstrument(instrument)?.tunings ?? [];
  return name === undefined ? tunings[0] : tunings.find((tuning) => tuning.id === id);
}

/**
 * The tuning of an id that must be there.
 *
 * @example tuningOf("bass").strings.length // 4
 * @throws RangeError where there is none.
 */
export function tuningOf(id: string): Tuning {
  const found = maybeTuning(id);
  if (!found) throw new RangeError(`There is no tuning “${id}”.`);
  return found;
}

/** Six strings, E A D G B E. */
export const GUITAR: Tuning = tuningOf("guitar");

/** MIDI numbers of the strings as they sound unfretted, over the capo, in the order of the strings. */
export const openSounds = ({ strings, capo }: Tuning): readonly number[] =>
  strings.map((pitch) => midiOf(pitch) + capo);

/** A string that a run can climb to: its number (1 is the last to be strummed) and its open sound over the capo. */
export interface RunString {
  readonly string: number;
  readonly open: number;
}

/**
 * The strings that a run climbs, lowest first: from the lowest sounding one towards string 1, each higher than the one
 * before. A string that goes back up, as the fourth of a ukulele, takes no part.
 *
 * @example runStrings(tuningOf("ukulele")).map(({ string }) => string) // [3, 2, 1]
 */
export function runStrings(tuning: Tuning): readonly RunString[] {
  const opens = openSounds(tuning);
  const lowest = opens.indexOf(Math.min(...opens));
  const climbed: RunString[] = [];
  for (const [at, open] of opens.entries()) {
    const last = climbed.at(-1);
    if (at >= lowest && (!last || open > last.open))
      climbed.push({ string: tuning.strings.length - at, open });
  }
  return climbed;
}
