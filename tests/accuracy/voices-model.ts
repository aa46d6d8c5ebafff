import { type Fifths, pitchAt, midiOf } from "../../src/core/pitch";
import { mode as modeById } from "../../src/core/scale";
import { numberBars, type Tune, type TuneNote } from "../../src/core/tune";
import { type Label, type ModeName, seeded } from "./model";

/**
 * Pieces in four voices made by rule, as singers of the 16th century were taught: triads over a bass, passing notes between them, each
 * phrase ending in a cadence, leading tones and thirds raised there, a third to a quarter of the pieces ending away from home.
 * The model knows nothing of how pieces are told.
 */
export interface MadePiece extends Label {
  readonly tune: Tune;
  /** Where the bass ends: on home, or elsewhere. */
  readonly ending: "home" | "elsewhere";
}

const MODES: readonly ModeName[] = ["ionian", "dorian", "phrygian", "mixolydian", "aeolian"];

/** Degrees on which phrases of each mode come to rest, the commoner ones more than once; the last are where a piece may end but home. */
const CADENCES: Readonly<Record<string, readonly number[]>> = {
  ionian: [1, 1, 1, 5, 5, 6, 2],
  dorian: [1, 1, 1, 5, 5, 3, 7],
  phrygian: [1, 1, 4, 4, 6, 7, 3],
  mixolydian: [1, 1, 1, 4, 5, 5, 2],
  aeolian: [1, 1, 1, 4, 3, 5, 7],
};
const ELSEWHERE: Readonly<Record<string, readonly number[]>> = {
  ionian: [5],
  dorian: [5],
  phrygian: [4, 4, 6],
  mixolydian: [5, 4],
  aeolian: [4, 5],
};

type Random = () => number;
const pick = <T>(random: Random, all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;

/** A chord of the plan: the degree of its root, which of its degrees are raised, and how long it sounds in quarters. */
interface Planned {
  readonly root: number;
  readonly raised: readonly number[];
  readonly length: number;
  readonly endsPhrase: boolean;
}

const degree = (number: number) => ((((number - 1) % 7) + 7) % 7) + 1;

/** Half steps between a degree of a mode and the next above. */
function stepAbove(mode: ModeName, number: number): number {
  const { intervals } = modeById(mode);
  const at = (each: number) => (intervals[degree(each) - 1] ?? 0) * 7;
  return (((at(number + 1) - at(number)) % 12) + 12) % 12;
}

/** Half steps of the third on a degree. */
const thirdOn = (mode: ModeName, number: number) => stepAbove(mode, number) + stepAbove(mode, number + 1);

/** The two chords of a cadence to a degree. */
function cadence(random: Random, mode: ModeName, to: number, isLast: boolean): readonly Planned[] {
  const isPhrygian = stepAbove(mode, to) === 1;
  const isLow = stepAbove(mode, to + 6) === 1;
  const fifthBelow = degree(to + 4);
  // A fifth over the chord that leads must be whole, and its third a half step under the degree.
  const canFall = !isPhrygian && thirdOn(mode, fifthBelow) + thirdOn(mode, fifthBelow + 2) === 7;
  const from =
    canFall && random() < 0.65 ? fifthBelow : isPhrygian && random() < 0.25 ? degree(to + 1) : degree(to + 3);
  const leads = from === fifthBelow && !isLow ? [degree(to + 6)] : [];
  const isMinor = thirdOn(mode, to) === 3;
  const bright = isMinor && (isLast || random() < 0.4) && random() < 0.75 ? [degree(to + 2)] : [];
  return [
    { root: from, raised: leads, length: 2, endsPhrase: false },
    { root: to, raised: bright, length: isLast ? 8 : 4, endsPhrase: true },
  ];
}

function plan(random: Random, mode: ModeName, end: number): readonly Planned[] {
  const phrases = 4 + Math.floor(random() * 5);
  return Array.from({ length: phrases }, (_, at) => {
    const isLast = at === phrases - 1;
    const to = isLast ? end : pick(random, CADENCES[mode] ?? [1]);
    const count = 4 + Math.floor(random() * 6);
    let root = at === 0 ? pick(random, [1, 1, 1, 5]) : pick(random, [1, 5, 4, 3, 6]);
    const chords = Array.from({ length: count }, (): Planned => {
      const here = root;
      root = degree(root + pick(random, [3, 4, 3, 4, 1, 6, 5, 2]));
      // Home draws the bass back to itself.
      if (random() < 0.22) root = 1;
      return { root: here, raised: [], length: random() < 0.3 ? 4 : 2, endsPhrase: false };
    });
    return [...chords, ...cadence(random, mode, to, isLast)];
  }).flat();
}

/** Lowest and highest of each voice, bass first. */
const RANGES = [
  [41, 57],
  [48, 64],
  [53, 69],
  [60, 77],
] as const;

function voiced(random: Random, label: Label, chords: readonly Planned[]): readonly TuneNote[][] {
  const { intervals } = modeById(label.mode);
  const nameOf = (number: number, raised: readonly number[]): Fifths =>
    label.home + (intervals[degree(number) - 1] ?? 0) + (raised.includes(degree(number)) ? 7 : 0);
  const nearest = (name: Fifths, near: number, [low, high]: readonly [number, number]) => {
    const sound = (((name * 7) % 12) + 12) % 12;
    const all = Array.from({ length: 10 }, (_, octave) => octave * 12 + sound).filter(
      (midi) => midi >= low && midi <= high,
    );
    return all.reduce(
      (best, midi) => (Math.abs(midi - near) < Math.abs(best - near) ? midi : best),
      all[0] ?? 60,
    );
  };
  const voices: TuneNote[][] = RANGES.map(() => []);
  const places: number[] = RANGES.map(([low, high]) => Math.round((low + high) / 2));
  let time = 0;
  for (const [at, { root, raised, length }] of chords.entries()) {
    const next = chords[at + 1];
    for (const [voice, range] of RANGES.entries()) {
      const tones = voice === 0 ? [root] : [root, root + 2, root + 4];
      const third = voice === 1 ? root + 2 : undefined;
      const tone = third ?? (voice === 0 ? root : pick(random, tones));
      const midi = nearest(nameOf(tone, raised), places[voice] ?? 60, range);
      places[voice] = midi;
      const passes = next && voice > 0 && length >= 2 && raised.length === 0 && random() < 0.35;
      const held = passes ? length / 2 : length;
      const push = (each: number, name: Fifths, onset: number, duration: number) =>
        voices[voice]?.push({
          pitch: pitchAt(each, name),
          onset,
          duration,
          bar: Math.floor(onset / 4 + 1e-9),
          from: 0,
          to: 0,
        });
      push(midi, nameOf(tone, raised), time, held);
      if (passes) {
        const by = random() < 0.5 ? 1 : 6;
        const name = nameOf(tone + by, []);
        push(nearest(name, midi, [range[0] - 2, range[1] + 2]), name, time + held, length - held);
      }
    }
    time += length;
  }
  return voices;
}

/** Made by a seed: the same seed makes the same piece. */
export function makePiece(seed: number): MadePiece {
  const random = seeded(seed * 104_729 + 7);
  const mode = MODES[seed % MODES.length] as ModeName;
  const home = modeById(mode).intervals.includes(-2)
    ? pick(random, [-1, 0, 1, 2, 3, 4])
    : pick(random, [-3, -2, -1, 0, 1, 2]);
  const ending = random() < 0.77 ? "home" : "elsewhere";
  const chords = plan(random, mode, ending === "home" ? 1 : pick(random, ELSEWHERE[mode] ?? [5]));
  const voices = voiced(random, { home, mode }, chords);
  const length = chords.reduce((sum, each) => sum + each.length, 0);
  const bars = Math.ceil(length / 4);
  const [melody = [], ...rest] = [...voices].reverse();
  const beneath = rest.flatMap((notes, at) => notes.map((note) => ({ ...note, voice: at + 1 })));
  return {
    home,
    mode,
    ending,
    tune: {
      title: "",
      notes: melody,
      beneath: beneath.sort((a, b) => a.onset - b.onset || midiOf(b.pitch) - midiOf(a.pitch)),
      bars: numberBars(
        Array.from({ length: bars }, (_, at) => ({
          start: at * 4,
          length: Math.min(4, length - at * 4),
          whole: 4,
          endsSection: at === bars - 1,
        })),
      ),
      meter: { beats: 4, unit: 4 },
    },
  };
}
