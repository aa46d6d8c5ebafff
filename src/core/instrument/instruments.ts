import { maybePitch, midiOf, type Pitch } from "../pitch";
import type { Sound } from "./sounds";
import type { Tuning } from "./tuning";

/** How an instrument's music is written. Guitar and bass sound an octave lower than they are written. */
export interface Written {
  readonly clef: "treble" | "bass";
  readonly octavesUp: 0 | 1;
}

/** An instrument that can be chosen, with its common tunings, the usual one first; the keyboard has none. */
export interface Instrument extends Written {
  readonly id: InstrumentId;
  /** "Guitar, 7 strings". */
  readonly name: string;
  readonly tunings: readonly Tuning[];
  /** What it sounds like; "guitar" is the guitar that the player has chosen. */
  readonly sound: Sound | "guitar";
  /** The lowest and the highest key that it has, over all its tunings. */
  readonly range: readonly [number, number];
}

/** All that there is to say of an instrument. One more is one row more, and nothing else. */
interface Row extends Written {
  readonly name: string;
  readonly sound: Sound | "guitar";
  readonly frets: number;
  /** Nut to bridge, in millimetres. */
  readonly scaleLength: number;
  /** Where a finger stands for a step of the scale, as on a fiddle. */
  readonly hand?: 7;
  readonly fretless?: true;
  readonly doubles?: readonly number[];
  /** Each as its open strings, in the order of `Tuning.strings`; with a name where its id doesn't read as one. */
  readonly tunings: Readonly<Record<string, string | readonly [strings: string, name: string]>>;
  /** The keys of an instrument without strings. */
  readonly keys?: readonly [number, number];
}

const treble8 = { clef: "treble", octavesUp: 1 } as const;
const bass8 = { clef: "bass", octavesUp: 1 } as const;
const treble = { clef: "treble", octavesUp: 0 } as const;

/** Scale lengths are those of common makes, in whole millimetres: 25½ inches for the guitar, 34 for the bass. */
const ROWS = {
  guitar: {
    name: "Guitar",
    sound: "guitar",
    ...treble8,
    frets: 22,
    scaleLength: 648,
    tunings: {
      standard: "E2 A2 D3 G3 B3 E4",
      "drop-d": "D2 A2 D3 G3 B3 E4",
      dadgad: ["D2 A2 D3 G3 A3 D4", "DADGAD"],
      "open-d": "D2 A2 D3 F#3 A3 D4",
      "open-g": "D2 G2 D3 G3 B3 D4",
      "open-c": "C2 G2 C3 G3 C4 E4",
      "half-step-down": "Eb2 Ab2 Db3 Gb3 Bb3 Eb4",
      "whole-step-down": "D2 G2 C3 F3 A3 D4",
      fourths: "E2 A2 D3 G3 C4 F4",
    },
  },
  "guitar-7": {
    name: "Guitar, 7 strings",
    sound: "guitar",
    ...treble8,
    frets: 24,
    scaleLength: 648,
    tunings: { standard: "B1 E2 A2 D3 G3 B3 E4", "drop-a": "A1 E2 A2 D3 G3 B3 E4" },
  },
  "guitar-8": {
    name: "Guitar, 8 strings",
    sound: "guitar",
    ...treble8,
    frets: 24,
    scaleLength: 686,
    tunings: { standard: "F#1 B1 E2 A2 D3 G3 B3 E4", "drop-e": "E1 B1 E2 A2 D3 G3 B3 E4" },
  },
  "guitar-12": {
    name: "Guitar, 12 strings",
    sound: "guitar",
    ...treble8,
    frets: 20,
    scaleLength: 648,
    doubles: [12, 12, 12, 12, 0, 0],
    tunings: { standard: "E2 A2 D3 G3 B3 E4", "whole-step-down": "D2 G2 C3 F3 A3 D4" },
  },
  bass: {
    name: "Bass",
    sound: "bass",
    ...bass8,
    frets: 21,
    scaleLength: 864,
    tunings: { standard: "E1 A1 D2 G2", "drop-d": "D1 A1 D2 G2", "half-step-down": "Eb1 Ab1 Db2 Gb2" },
  },
  "bass-5": {
    name: "Bass, 5 strings",
    sound: "bass",
    ...bass8,
    frets: 24,
    scaleLength: 864,
    tunings: { standard: "B0 E1 A1 D2 G2" },
  },
  "bass-6": {
    name: "Bass, 6 strings",
    sound: "bass",
    ...bass8,
    frets: 24,
    scaleLength: 864,
    tunings: { standard: "B0 E1 A1 D2 G2 C3" },
  },
  ukulele: {
    name: "Ukulele",
    sound: "ukulele",
    ...treble,
    frets: 18,
    scaleLength: 380,
    tunings: { standard: "G4 C4 E4 A4", "low-g": ["G3 C4 E4 A4", "low G"], "in-d": ["A4 D4 F#4 B4", "in D"] },
  },
  mandolin: {
    name: "Mandolin",
    sound: "mandolin",
    ...treble,
    frets: 20,
    scaleLength: 352,
    hand: 7,
    doubles: [0, 0, 0, 0],
    tunings: { standard: "G3 D4 A4 E5", "open-g": "G3 D4 G4 D5" },
  },
  fiddle: {
    name: "Fiddle",
    sound: "fiddle",
    ...treble,
    frets: 19,
    scaleLength: 328,
    hand: 7,
    fretless: true,
    tunings: {
      standard: "G3 D4 A4 E5",
      "cross-a": ["A3 E4 A4 E5", "crossed, A E A E"],
      "high-d": ["A3 D4 A4 E5", "A D A E"],
    },
  },
  "tenor-banjo": {
    name: "Tenor banjo",
    sound: "banjo",
    ...treble8,
    frets: 19,
    scaleLength: 580,
    tunings: { standard: "C3 G3 D4 A4", "octave-mandolin": "G2 D3 A3 E4" },
  },
  "tenor-guitar": {
    name: "Tenor guitar",
    sound: "guitar",
    ...treble8,
    frets: 19,
    scaleLength: 584,
    tunings: { standard: "C3 G3 D4 A4", dgbe: ["D3 G3 B3 E4", "D G B E"], "octave-mandolin": "G2 D3 A3 E4" },
  },
  "baritone-ukulele": {
    name: "Baritone ukulele",
    sound: "ukulele",
    ...treble8,
    frets: 18,
    scaleLength: 510,
    tunings: { standard: "D3 G3 B3 E4", "high-d": "D4 G3 B3 E4", "in-c": "C3 G3 B3 E4" },
  },
  keyboard: {
    name: "Keyboard",
    sound: "piano",
    ...treble,
    frets: 0,
    scaleLength: 0,
    tunings: {},
    keys: [21, 108],
  },
} as const satisfies Readonly<Record<string, Row>>;

/** An instrument's name in settings, links and requests. */
export type InstrumentId = keyof typeof ROWS;
export const INSTRUMENT_IDS = Object.keys(ROWS) as readonly InstrumentId[];

/** The pitches of a tuning written with spaces; what is no pitch is left out. */
const pitches = (text: string): readonly Pitch[] =>
  text.split(" ").flatMap((written) => maybePitch(written) ?? []);

/** The name of a tuning that its id says: "drop-d" is "drop D". */
const tuningName = (id: string): string =>
  id === "standard"
    ? "standard tuning"
    : id.replaceAll("-", " ").replace(/ ([a-g])$/u, (_, letter: string) => ` ${letter.toUpperCase()}`);

/** The keys from the lowest open string to the last fret of the highest. */
function rangeOf(tunings: readonly Tuning[]): readonly [number, number] {
  const opens = tunings.flatMap(({ strings }) => strings.map(midiOf));
  return [Math.min(...opens), Math.max(...opens) + (tunings[0]?.frets ?? 0)];
}

function instrument(id: InstrumentId): Instrument {
  const {
    name,
    clef,
    octavesUp,
    sound,
    frets,
    scaleLength,
    hand,
    fretless,
    doubles = [],
    ...row
  }: Row = ROWS[id];
  const tunings = Object.entries(row.tunings).map(([tuning, entry]): Tuning => {
    const [strings, named] = typeof entry === "string" ? [entry, tuningName(tuning)] : entry;
    return Object.freeze({
      id: `${id}/${tuning}`,
      name: named,
      strings: Object.freeze(pitches(strings)),
      doubles,
      frets,
      scaleLength,
      capo: 0,
      hand: hand ?? 4,
      isFretted: fretless !== true,
    });
  });
  return Object.freeze({ id, name, clef, octavesUp, sound, tunings, range: row.keys ?? rangeOf(tunings) });
}

/** Every instrument, the guitar first. */
export const INSTRUMENTS: readonly Instrument[] = Object.freeze(INSTRUMENT_IDS.map(instrument));

const BY_ID: ReadonlyMap<string, Instrument> = new Map(INSTRUMENTS.map((each) => [each.id, each]));

/** The instrument of an id that is one. @example instrumentOf("bass-5").name // "Bass, 5 strings" */
export const instrumentOf = (id: InstrumentId): Instrument => BY_ID.get(id) ?? instrument(id);

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
