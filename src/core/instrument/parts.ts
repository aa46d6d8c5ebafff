import type { Chord } from "../chord";
import { type Fifths, type Interval, midiOf, modulo, type Pitch, pitchAt, soundOf } from "../pitch";

/** One part of an ensemble: what it is called by, its clef, the lowest and highest note that it plays here, as MIDI numbers. */
export interface EnsemblePart {
  readonly id: "right-hand" | "left-hand" | "violin-1" | "violin-2" | "viola" | "cello";
  readonly clef: "treble" | "alto" | "bass";
  readonly low: number;
  readonly high: number;
  /** How many notes it plays at once. */
  readonly voices: number;
  /** As a bass under a given voice it may have another tone than the root; the first and the last chord stand on their root. */
  readonly mayInvert?: boolean;
  /** Its program in General MIDI, counted from 0. */
  readonly program: number;
}

/**
 * Ensembles, the highest part first, the bass alone in the last. Ranges are those that ensembles are written in, below the
 * highest positions; open strings G3, C3 and C2 are the lowest notes of violin, viola and cello.
 */
export const ENSEMBLES = {
  keyboard: [
    { id: "right-hand", clef: "treble", low: 57, high: 79, voices: 3, program: 0 },
    { id: "left-hand", clef: "bass", low: 36, high: 55, voices: 1, program: 0, mayInvert: true },
  ],
  strings: [
    { id: "violin-1", clef: "treble", low: 62, high: 88, voices: 1, program: 40 },
    { id: "violin-2", clef: "treble", low: 55, high: 81, voices: 1, program: 40 },
    { id: "viola", clef: "alto", low: 48, high: 74, voices: 1, program: 41 },
    { id: "cello", clef: "bass", low: 36, high: 62, voices: 1, program: 42 },
  ],
} as const satisfies Readonly<Record<string, readonly EnsemblePart[]>>;
export type Ensemble = keyof typeof ENSEMBLES;

/** Which tones are kept first where there are more than voices: those that say the chord, then the alterations that make it what it is. */
const KEPT: readonly Interval[] = [4, -3, -2, 5, -9, -6, 8, -5, 9, 6, -4, 3, -1, 2, 1, 0];

const kept = (tone: Interval): number => {
  const at = KEPT.indexOf(tone);
  return at < 0 ? KEPT.length : at;
};

/** Half steps that neighbouring upper voices stand apart at most. */
const SPACING = 12;

/** What a way of laying out costs beside the half steps that its voices move. */
const COST = {
  parallel: 90,
  low: 0.15,
  leap: 0.5,
  seventh: 20,
  leading: 16,
  crossing: 40,
  thinner: 12,
  third: 14,
  fifth: 40,
};

/**
 * Chords laid out for an ensemble: for each chord the pitches from the highest voice to the bass, each inside the range of
 * the part that plays it, voices never crossing and moving as little as they can over the whole; sevenths fall, parallel
 * fifths and octaves are avoided. Where there are more tones than voices those stay that say the chord; where there are fewer some are
 * doubled. What could not be read is silent.
 *
 * @example laidOut([Dm7, G7], "strings") // eight pitches, in four parts
 */
export const laidOut = (
  chords: readonly (Chord | undefined)[],
  ensemble: Ensemble,
): readonly (readonly Pitch[] | undefined)[] => laidOutFor(chords, ENSEMBLES[ensemble]);

/**
 * The same for parts of one's own, the highest first.
 *
 * @param above a voice that is given, at each chord: none of the parts goes above it or moves in parallel with it where that can be helped
 * @param telling notes that aren't left out where a chord has them: the characteristic notes of a mode
 */
export function laidOutFor(
  chords: readonly (Chord | undefined)[],
  parts: readonly EnsemblePart[],
  above: readonly (Pitch | undefined)[] = [],
  telling: ReadonlySet<Fifths> = NONE,
): readonly (readonly Pitch[] | undefined)[] {
  const sounding = chords.filter((chord) => chord !== undefined);
  const choices = sounding.map((chord, at) => {
    const isInside = at > 0 && at < sounding.length - 1;
    return [
      ...waysToLay(chord, parts, telling, 0),
      ...(isInside && above.length > 0 && parts.at(-1)?.mayInvert === true
        ? inversions(chord, parts, telling)
        : []),
    ];
  });
  const given = above.filter((_, at) => chords[at] !== undefined).map((pitch) => pitch && midiOf(pitch));
  const taken = smoothest(choices, sounding, given);
  let next = 0;
  return chords.map((chord) => {
    if (!chord) return undefined;
    const way = taken[next];
    next += 1;
    return way;
  });
}

/** A way to lay a chord out, from the highest voice to the bass, and what it costs wherever it stands. */
interface Way {
  readonly pitches: readonly Pitch[];
  /** The same as MIDI numbers. */
  readonly midis: readonly number[];
  readonly cost: number;
}

/**
 * The upper voices' tones. What the bass has is there already; over another bass the root comes first, then what is kept first. Where
 * there are too few, root and fifth are doubled before others, and what the bass has last.
 */
function upperTones(
  { root, tones, bass }: Chord,
  voices: number,
  telling: ReadonlySet<Fifths>,
): readonly Fifths[] {
  const isInBass = (tone: Interval) => soundOf(root + tone) === soundOf(bass ?? root);
  const rank = (tone: Interval) => (tone === 0 ? -2 : telling.has(root + tone) ? -1 : kept(tone));
  const chosen = tones
    .filter((tone) => !isInBass(tone))
    .sort((a, b) => rank(a) - rank(b))
    .slice(0, voices);
  const doubles = [...new Set([0, 1, ...tones])]
    .filter((tone) => tones.includes(tone))
    .sort((a, b) => Number(isInBass(a) && bass !== undefined) - Number(isInBass(b) && bass !== undefined));
  for (const tone of doubles) if (chosen.length < voices) chosen.push(tone);
  while (chosen.length < voices) chosen.push(0);
  return chosen.map((tone) => root + tone);
}

/** The same with the plain fifth left out and another tone doubled in its place: less full, and free where the full chord is not. */
function thinnerTones(
  chord: Chord,
  full: readonly Fifths[],
  telling: ReadonlySet<Fifths>,
): readonly Fifths[][] {
  const { root, tones } = chord;
  const fifth = full.findIndex((tone) => tone === root + 1);
  if (fifth < 0 || telling.has(root + 1)) return [];
  const third = tones.find((tone) => [4, -3].includes(tone));
  return [root, ...(third === undefined ? [] : [root + third])].map((tone) => full.with(fifth, tone));
}

/** The ways over the third and over the fifth, that cost more; a chord with a bass of its own has none. */
const inversions = (
  chord: Chord,
  parts: readonly EnsemblePart[],
  telling: ReadonlySet<Fifths>,
): readonly Way[] =>
  chord.bass === undefined
    ? ([4, -3, 1] as const)
        .filter((tone) => chord.tones.includes(tone))
        .flatMap((tone) =>
          waysToLay(
            { ...chord, bass: chord.root + tone },
            parts,
            telling,
            tone === 1 ? COST.fifth : COST.third,
          ),
        )
    : [];

/**
 * Every way to lay a chord out in the ranges.
 *
 * @param inverted what each costs more as an inversion, in which a triad may be whole above its bass; 0 for a chord as it is written
 */
function waysToLay(
  chord: Chord,
  parts: readonly EnsemblePart[],
  telling: ReadonlySet<Fifths>,
  inverted: number,
): readonly Way[] {
  const voices = parts
    .slice(0, -1)
    .flatMap(({ voices: count, low, high }) => Array.from({ length: count }, () => ({ low, high })));
  const bassPart = parts.at(-1) ?? { low: 36, high: 55 };
  const basses = pitchesIn(chord.bass ?? chord.root, bassPart.low, bassPart.high);
  const full = upperTones(chord, voices.length, telling);
  const laid = (tones: readonly Fifths[], cost: number) =>
    permutations(tones)
      .flatMap((order) => stacked(order, voices))
      .flatMap((upper): Way[] =>
        basses
          .filter((bass) => midiOf(bass) < midiOf(upper.at(-1) ?? bass))
          .map((bass) => [...upper, bass])
          .map((pitches) => ({ pitches, midis: pitches.map(midiOf), cost })),
      );
  const whole = chord.tones.map((tone) => chord.root + tone);
  return [
    ...laid(full, inverted),
    ...(inverted > 0 && whole.length === voices.length ? laid(whole, inverted) : []),
    ...thinnerTones(chord, full, telling).flatMap((tones) => laid(tones, inverted + COST.thinner)),
  ];
}

function pitchesIn(name: Fifths, low: number, high: number): readonly Pitch[] {
  const first = low + modulo(soundOf(name) - low, 12);
  const all: Pitch[] = [];
  for (let midi = first; midi <= high; midi += 12) all.push(pitchAt(midi, name));
  return all;
}

function permutations<T>(items: readonly T[]): readonly (readonly T[])[] {
  if (items.length <= 1) return [items];
  return items.flatMap((item, at) => permutations(items.toSpliced(at, 1)).map((rest) => [item, ...rest]));
}

/** Voices from the highest down, each below the one before and within its range, no further apart than the spacing. */
function stacked(
  names: readonly Fifths[],
  voices: readonly { readonly low: number; readonly high: number }[],
): readonly (readonly Pitch[])[] {
  let ways: (readonly Pitch[])[] = [[]];
  for (const [at, name] of names.entries()) {
    const { low, high } = voices[at] ?? { low: 0, high: 0 };
    ways = ways.flatMap((way) => {
      const above = way.at(-1);
      const top = above ? midiOf(above) - 1 : high;
      return pitchesIn(name, above ? Math.max(low, midiOf(above) - SPACING) : low, Math.min(high, top)).map(
        (pitch) => [...way, pitch],
      );
    });
  }
  return ways;
}

/** The ways with the least movement over all chords: the cheapest path through them. */
function smoothest(
  choices: readonly (readonly Way[])[],
  chords: readonly Chord[],
  above: readonly (number | undefined)[],
): readonly (readonly Pitch[] | undefined)[] {
  const paths: { cost: number; from: number }[][] = [];
  for (const [at, ways] of choices.entries()) {
    const before = choices[at - 1];
    const last = paths[at - 1];
    paths.push(
      ways.map((way) => {
        let best = { cost: before && before.length > 0 ? Infinity : 0, from: -1 };
        for (const [from, other] of (before ?? []).entries()) {
          const sofar = last?.[from]?.cost ?? Infinity;
          if (sofar >= best.cost) continue;
          const cost = sofar + movement(other, way, [chords[at - 1], chords[at]], [above[at - 1], above[at]]);
          if (cost < best.cost) best = { cost, from };
        }
        return { ...best, cost: best.cost + way.cost + placement(way) + crossing(above[at], way) };
      }),
    );
  }
  const taken: (readonly Pitch[] | undefined)[] = [];
  let state = -1;
  for (let at = choices.length - 1; at >= 0; at -= 1) {
    const options = paths[at] ?? [];
    if (state < 0)
      state = options.reduce((best, { cost }, n) => (cost < (options[best]?.cost ?? Infinity) ? n : best), 0);
    taken.push(choices[at]?.[state]?.pitches);
    state = options[state]?.from ?? -1;
  }
  return taken.reverse();
}

/** Close to the middle of the hand or the staff is best: half steps of the top voice from C5. */
const placement = ({ midis: [top = 72] }: Way): number => Math.abs(top - 72) * COST.low;

/** Half steps that a seventh may go: it stays or falls by step. */
const SEVENTH_GOES: readonly number[] = [0, -1, -2];

/** Half steps that a leading tone may go: it rises or stays, and below the top it may fall to the fifth. */
const LEADING_GOES: readonly number[] = [1, 0, -1];
const INNER_LEADING_GOES: readonly number[] = [...LEADING_GOES, -3, -4];

/**
 * Which tone that pulls isn't led where it pulls: the minor or the diminished seventh of a chord, or the leading tone, that is the third
 * of a major chord whose root falls a fifth to the next. Undefined where all is well.
 *
 * @param moved half steps from its place in one chord to the next
 * @param isTop nothing sounds above it
 */
export function unresolved(
  { name }: Pitch,
  moved: number,
  { root, tones }: Chord,
  next: Chord,
  isTop: boolean,
): "seventh" | "leading-tone" | undefined {
  const tone = name - root;
  if ((tone === -2 || tone === -9) && tones.includes(tone))
    return SEVENTH_GOES.includes(moved) ? undefined : "seventh";
  if (tone !== 4 || next.root !== root - 1 || !tones.includes(4) || !tones.includes(1)) return undefined;
  return (isTop ? LEADING_GOES : INNER_LEADING_GOES).includes(moved) ? undefined : "leading-tone";
}

/**
 * Whether two voices move in parallel fifths or octaves, or neither.
 *
 * @param from MIDI numbers of the higher and the lower voice before, and after
 * @example parallel([67, 60], [69, 62]) // "fifths"
 */
export function parallel(
  [wasHigh, wasLow]: readonly [number, number],
  [high, low]: readonly [number, number],
): "fifths" | "octaves" | undefined {
  if (high === wasHigh || high - wasHigh !== low - wasLow) return undefined;
  const apart = modulo(high - low, 12);
  return apart === 7 ? "fifths" : apart === 0 ? "octaves" : undefined;
}

/** What it costs to go from one way to the next, under a voice that is given at both where there is one. */
function movement(
  from: Way,
  to: Way,
  [chord, next]: readonly [Chord | undefined, Chord | undefined],
  [was, is]: readonly [number | undefined, number | undefined],
): number {
  const hasAbove = was !== undefined && is !== undefined;
  let cost = 0;
  for (const [high, midi] of to.midis.entries()) {
    const before = from.midis[high] ?? midi;
    const move = midi - before;
    cost += Math.abs(move) + (Math.abs(move) > 7 ? COST.leap * Math.abs(move) : 0);
    if (hasAbove && parallel([was, before], [is, midi])) cost += COST.parallel;
    for (let low = high + 1; low < to.midis.length; low += 1)
      if (parallel([before, from.midis[low] ?? 0], [midi, to.midis[low] ?? 0])) cost += COST.parallel;
    const pitch = from.pitches[high];
    const pull = chord && next && pitch && unresolved(pitch, move, chord, next, high === 0 && !hasAbove);
    if (pull) cost += pull === "seventh" ? COST.seventh : COST.leading;
  }
  return cost;
}

/** What it costs to go above the voice that is given. */
const crossing = (above: number | undefined, { midis: [top = 0] }: Way): number =>
  above !== undefined && top > above ? COST.crossing : 0;

const NONE: ReadonlySet<Fifths> = new Set();
