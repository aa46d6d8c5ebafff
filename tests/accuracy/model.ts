import { printName } from "../../src/core/pitch";

/**
 * Tunes made by a model, with what they are in. The model writes as a player might: a plan of chords for every section, from
 * the home chord and the chords that show the mode; a melody that stands on tones of those chords on the beats and moves by
 * step between them; an ending that rests on home, rests on another tone of its chord, or runs on into the repeat. It knows
 * nothing of how tunes are told: no share, no weight and no line of code is common to it and to `src/core/identify`.
 */

/** What a tune was made as. */
export interface Label {
  /** On the line of fifths. */
  readonly home: number;
  readonly mode: ModeName;
}

/** A tune as typed notes, with what it is in. */
export interface MadeTune extends Label {
  readonly notes: string;
  /** Of what kind it is: each is measured on its own. */
  readonly kind: "plain" | "one degree missing" | "passing chromatic notes" | "changes mode";
  readonly ending: Ending;
  /** Where the second half is in another mode. */
  readonly then?: Label & { readonly fromBar: number };
}

export const MODE_NAMES = [
  "ionian",
  "dorian",
  "phrygian",
  "lydian",
  "mixolydian",
  "aeolian",
  "locrian",
] as const;
export type ModeName = (typeof MODE_NAMES)[number];
export type Ending = "home" | "chord tone" | "runs on";

/** The degrees of each mode on the line of fifths from home. */
const DEGREES: Readonly<Record<ModeName, readonly number[]>> = {
  ionian: [0, 2, 4, -1, 1, 3, 5],
  dorian: [0, 2, -3, -1, 1, 3, -2],
  phrygian: [0, -5, -3, -1, 1, -4, -2],
  lydian: [0, 2, 4, 6, 1, 3, 5],
  mixolydian: [0, 2, 4, -1, 1, 3, -2],
  aeolian: [0, 2, -3, -1, 1, -4, -2],
  locrian: [0, -5, -3, -1, -6, -4, -2],
};

/** Chords beside the home chord, by the degree that they stand on, the commoner ones more than once. */
const PARTNERS: Readonly<Record<ModeName, readonly number[]>> = {
  ionian: [5, 5, 5, 4, 4, 2, 6],
  dorian: [7, 7, 7, 4, 4, 3, 5],
  phrygian: [2, 2, 2, 7, 7, 3, 4],
  lydian: [2, 2, 2, 5, 5, 7, 6],
  mixolydian: [7, 7, 7, 4, 4, 5, 2],
  aeolian: [7, 7, 6, 6, 4, 5, 3],
  locrian: [2, 2, 5, 5, 7, 3, 6],
};

/** Bars by meter: lengths in quarters, each list one bar. */
export const RHYTHMS: readonly { readonly beat: number; readonly bars: readonly (readonly number[])[] }[] = [
  {
    beat: 1,
    bars: [
      [1, 1, 1, 1],
      [0.5, 0.5, 0.5, 0.5, 0.5, 0.5, 0.5, 0.5],
      [1, 0.5, 0.5, 1, 0.5, 0.5],
      [1.5, 0.5, 1, 1],
      [0.5, 0.5, 1, 0.5, 0.5, 1],
      [2, 1, 1],
    ],
  },
  {
    beat: 1,
    bars: [
      [1, 1, 1],
      [2, 1],
      [1, 0.5, 0.5, 1],
      [1.5, 0.5, 1],
      [0.5, 0.5, 0.5, 0.5, 1],
    ],
  },
  {
    beat: 1.5,
    bars: [
      [0.5, 0.5, 0.5, 0.5, 0.5, 0.5],
      [1, 0.5, 1, 0.5],
      [1, 0.5, 0.5, 0.5, 0.5],
      [1.5, 0.5, 0.5, 0.5],
    ],
  },
  {
    beat: 1,
    bars: [
      [0.5, 0.5, 0.5, 0.5],
      [1, 1],
      [0.5, 0.25, 0.25, 0.5, 0.5],
      [0.75, 0.25, 0.5, 0.5],
    ],
  },
  {
    beat: 1.5,
    bars: [
      [1, 0.5, 1, 0.5, 1, 0.5],
      [0.5, 0.5, 0.5, 1, 0.5, 1.5],
      [0.5, 0.5, 0.5, 0.5, 0.5, 0.5, 0.5, 0.5, 0.5],
    ],
  },
];

/** How far on the line of fifths each mode's home lies above its parent's tonic. */
const ABOVE_PARENT: Readonly<Record<ModeName, number>> = {
  ionian: 0,
  dorian: 2,
  phrygian: 4,
  lydian: -1,
  mixolydian: 1,
  aeolian: 3,
  locrian: 5,
};

/** The twelve homes of a mode as players write them: parents from D♭ to F♯. */
export const homeOf = (mode: ModeName, at: number) => (at % 12) - 5 + ABOVE_PARENT[mode];

/** Numbers from 0 to 1 in an order that a seed fixes (mulberry32, T. Ettinger, public domain). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

type Random = () => number;
export const pick = <T>(random: Random, all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;

/** A note before it is named: scale steps from home, quarters, and a half step added for a passing note. */
export interface Step {
  readonly step: number;
  readonly length: number;
  readonly raised: boolean;
}

/** How a section is to be made. */
export interface Plan {
  readonly mode: ModeName;
  readonly rhythm: (typeof RHYTHMS)[number];
  readonly random: Random;
  /** The degree that never sounds, from 1. */
  readonly missing: number | undefined;
  readonly chromatic: boolean;
  readonly low: number;
  /** The chords of its bars by the degrees that they stand on, where they are given. */
  readonly chords?: readonly number[] | undefined;
}

const degreeOf = (step: number) => ((step % 7) + 7) % 7;

/** A section of bars: a chord for each, the melody over them, the ending that was asked for. */
export function section(plan: Plan, count: number, ending: Ending): readonly (readonly Step[])[] {
  const { random, mode, rhythm } = plan;
  const chords = Array.from({ length: count }, (_, bar) => {
    if (plan.chords) return plan.chords[bar % plan.chords.length] ?? 1;
    if (bar === 0) return random() < 0.85 ? 1 : pick(random, PARTNERS[mode]);
    if (bar === count - 1) return ending === "runs on" && random() < 0.75 ? pick(random, PARTNERS[mode]) : 1;
    if (bar % 4 === 3) return random() < 0.35 ? 1 : pick(random, PARTNERS[mode]);
    return random() < 0.45 ? 1 : pick(random, PARTNERS[mode]);
  });
  const motif = pick(random, rhythm.bars);
  let place = pick(random, [0, 2, 4, 7]);
  return chords.map((chord, bar) => {
    const isLast = bar === count - 1;
    const lengths = isLast ? lastBar(plan, ending) : random() < 0.5 ? motif : pick(random, rhythm.bars);
    let time = 0;
    const steps = lengths.map((length, at): Step => {
      const onBeat = Math.abs(time / rhythm.beat - Math.round(time / rhythm.beat)) < 1e-6;
      time += length;
      const rests = isLast && at === lengths.length - 1;
      if (rests && ending === "home") place = nearest(place, [0]);
      else if (rests && ending === "chord tone") place = nearest(place, [2, 4]);
      else if (onBeat) place = leap(random, place, [chord - 1, chord + 1, chord + 3]);
      else place += random() < 0.8 ? pick(random, [-1, 1]) : pick(random, [-2, 2, 0]);
      place = inReach(place, plan.low);
      if (plan.missing !== undefined && degreeOf(place) === plan.missing - 1) place += 1;
      const raised = plan.chromatic && !onBeat && random() < 0.12 && degreeOf(place) !== 6;
      return { step: place, length, raised };
    });
    return steps;
  });
}

/** The last bar: notes that come to rest on a long one, or short ones that run on. */
function lastBar({ rhythm, random }: Plan, ending: Ending): readonly number[] {
  const whole = rhythm.bars[0]?.reduce((a, b) => a + b, 0) ?? 4;
  if (ending === "runs on") return Array.from({ length: whole * 2 }, () => 0.5);
  const rest = random() < 0.5 && whole > 2 * rhythm.beat ? 2 * rhythm.beat : rhythm.beat;
  return [...Array.from({ length: Math.round((whole - rest) * 2) }, () => 0.5), rest];
}

const candidatesNear = (place: number, degrees: readonly number[]) =>
  [-7, 0, 7, 14]
    .flatMap((octave) => degrees.map((degree) => degreeOf(degree) + octave))
    .sort((a, b) => Math.abs(a - place) - Math.abs(b - place));

const nearest = (place: number, degrees: readonly number[]): number =>
  candidatesNear(place, degrees)[0] ?? place;

/** A chord tone near the place: mostly the nearest. */
const leap = (random: Random, place: number, degrees: readonly number[]): number =>
  candidatesNear(place, degrees)[random() < 0.55 ? 0 : random() < 0.7 ? 1 : 2] ?? place;

/** Turned back where it leaves the instrument's reach: an octave and a fifth from `low`. */
function inReach(place: number, low: number): number {
  if (place < low) return place + 7;
  return place > low + 11 ? place - 7 : place;
}

function written(home: number, mode: ModeName, { step, length, raised }: Step): string {
  const interval = DEGREES[mode][degreeOf(step)] ?? 0;
  // A passing note is the half step below the next degree up: its own degree raised.
  const name = home + interval + (raised ? 7 : 0);
  const text = printName(name);
  return `${text}${octaveOf(home, step)}:${length}`;
}

/** Home stands in the octave of middle C; octaves change at C. */
function octaveOf(home: number, step: number): number {
  const letters = "CDEFGAB";
  const from = letters.indexOf(printName(home).charAt(0));
  return 4 + Math.floor((from + step) / 7);
}

/** Bars as typed notes, without the sign that ends them. */
export const typedBars = (made: readonly (readonly Step[])[], { home, mode }: Label): string =>
  made.map((bar) => bar.map((step) => written(home, mode, step)).join(" ")).join(" | ");

const bars = (made: readonly (readonly Step[])[], label: Label) => `${typedBars(made, label)} ||`;

/** Made by a seed: the same seed makes the same tune. */
export function makeTune(seed: number): MadeTune {
  const random = seeded(seed * 7919 + 13);
  const mode = MODE_NAMES[seed % 7] as ModeName;
  const home = homeOf(mode, Math.floor(seed / 7));
  const kinds = ["plain", "plain", "one degree missing", "passing chromatic notes", "changes mode"] as const;
  const kind = kinds[Math.floor(seed / 84) % 5] ?? "plain";
  const rhythm = pick(random, RHYTHMS);
  const missing = kind === "one degree missing" ? pick(random, [2, 4, 6, 7]) : undefined;
  const plan: Plan = {
    mode,
    rhythm,
    random,
    missing,
    chromatic: kind === "passing chromatic notes",
    low: pick(random, [-3, -2, 0]),
  };
  const ending: Ending = random() < 0.8 ? "home" : random() < 0.6 ? "runs on" : "chord tone";
  const length = pick(random, [4, 8, 8, 8]);
  const count = pick(random, [1, 2, 2, 3]);
  if (kind === "changes mode") {
    const other = pick(random, neighboursOf(mode));
    const then = random() < 0.75 ? { home, mode: other } : relativeOf({ home, mode }, random);
    const first = section(plan, 8, "home");
    const second = section({ ...plan, mode: then.mode, missing: undefined }, 8, "home");
    return {
      home,
      mode,
      kind,
      ending: "home",
      then: { ...then, fromBar: 9 },
      notes: `${bars(first, { home, mode })} ${bars(second, then)}`,
    };
  }
  const sections = Array.from({ length: count }, (_, at) =>
    section(plan, length, at === count - 1 || random() < 0.7 ? ending : "home"),
  );
  return { home, mode, kind, ending, notes: sections.map((each) => bars(each, { home, mode })).join(" ") };
}

/** Modes on the same home that differ by two notes or fewer, so that there is something to hear and something to miss. */
export function neighboursOf(mode: ModeName): readonly ModeName[] {
  const order: readonly ModeName[] = [
    "lydian",
    "ionian",
    "mixolydian",
    "dorian",
    "aeolian",
    "phrygian",
    "locrian",
  ];
  const at = order.indexOf(mode);
  return order.filter((_, other) => other !== at && Math.abs(other - at) <= 2);
}

/** The same notes on another home. */
export function relativeOf({ home, mode }: Label, random: Random): Label {
  const degree = 1 + Math.floor(random() * 6);
  const from = MODE_NAMES.indexOf(mode);
  const to = MODE_NAMES[(from + degree) % 7] as ModeName;
  return { home: home + (DEGREES[mode][degree] ?? 0), mode: to };
}
