import { compareRanks, type HomeMode, members, transpose, soundSet } from "../scale";
import { soundOf } from "../pitch";
import { type Ground, layOut, type Layout } from "./layout";
import type { Place } from "./neck";
import type { Laid } from "./runs";
import { runStrings, type Tuning } from "./tuning";

/** The sounds of a mode from one MIDI number to another, both counted, rising. */
export function soundsBetween({ home, mode }: HomeMode, low: number, high: number): readonly number[] {
  const set = transpose(mode.sounds, soundOf(home));
  return Array.from({ length: Math.max(0, high - low + 1) }, (_, at) => low + at).filter(
    (midi) => (set >> (midi % 12)) & 1,
  );
}

/** A hand at a fret: from the first note on the lowest string that it covers to the last one on the highest. */
export function handAt(ground: Ground, homeMode: HomeMode): Layout | undefined {
  const { strings, lowest, highest, hand, reach } = ground;
  const [first, last] = [strings[0], strings.at(-1)];
  if (!first || !last) return undefined;
  const low = first.open + Math.max(hand, lowest) - lowest;
  const high = last.open + Math.min(hand + reach - 1, highest) - lowest;
  const sounds = soundsBetween(homeMode, low, high);
  return sounds.length === 0 ? undefined : layOut(ground, sounds);
}

/** The neck of a tuning with the hand at a fret. */
export function groundOf(tuning: Tuning, hand: number): Ground {
  return {
    strings: runStrings(tuning),
    lowest: tuning.capo,
    highest: tuning.frets,
    hand,
    reach: tuning.hand,
  };
}

const OCTAVE = 12;
const POSITIONS = 5;

/**
 * Five positions to the octave, and so on up the neck. Of all ways to choose five frets for the index finger, the one that
 * leaves no note of the neck out, then the one that strains the hand least, then the most even one.
 */
export function fivePositions(tuning: Tuning, homeMode: HomeMode): readonly Laid[] {
  const chosen = chosenHands(tuning, homeMode);
  const hands = Array.from({ length: tuning.frets - tuning.capo + 1 }, (_, at) => tuning.capo + at).filter(
    (hand) =>
      chosen.has((hand - tuning.capo) % OCTAVE) &&
      (hand === tuning.capo || hand + tuning.hand - 1 <= tuning.frets),
  );
  return hands.flatMap((hand) => {
    const laid = handAt(groundOf(tuning, hand), homeMode);
    return laid ? [{ places: laid.places, hand, stays: true }] : [];
  });
}

/** Frets above the capo, within the octave, at which the five hands stand. */
function chosenHands(tuning: Tuning, homeMode: HomeMode): ReadonlySet<number> {
  // A neck without ends, so that every fret has others below and above it.
  const strings = runStrings(tuning);
  const hands = Array.from({ length: OCTAVE }, (_, above) =>
    handAt({ strings, lowest: 0, highest: 3 * OCTAVE, hand: OCTAVE + above, reach: tuning.hand }, homeMode),
  );
  const bits = new Map<string, bigint>();
  const bit = ({ string, fret }: Place) => {
    const key = `${string}/${fret % OCTAVE}`;
    const found = bits.get(key) ?? 1n << BigInt(bits.size);
    bits.set(key, found);
    return found;
  };
  const covered = hands.map((laid) => (laid?.places ?? []).reduce((all, place) => all | bit(place), 0n));
  const whole = strings.length * members(soundSet(soundsBetween(homeMode, 0, OCTAVE - 1))).length;
  let best: { rank: readonly number[]; chosen: readonly number[] } | undefined;
  for (const chosen of CHOICES) {
    const cover = count(chosen.reduce((all, above) => all | (covered[above] ?? 0n), 0n));
    const strain = chosen.reduce((sum, above) => sum + (hands[above]?.cost ?? FORBIDDEN), 0);
    const steps = chosen.map((above, at) => (chosen[at + 1] ?? (chosen[0] ?? 0) + OCTAVE) - above);
    const unevenness = steps.reduce((sum, step) => sum + step * step, 0);
    const rank = [whole - cover, Math.round(strain * 10), unevenness];
    if (!best || compareRanks(rank, best.rank) < 0) best = { rank, chosen };
  }
  return new Set(best?.chosen);
}

/** The cost of a hand that cannot be laid out. */
const FORBIDDEN = 1000;

function count(set: bigint): number {
  let found = 0;
  for (let rest = set; rest > 0n; rest &= rest - 1n) found += 1;
  return found;
}

/** Every way to take so many of 0 … n-1, rising. */
function choices(n: number, take: number, from = 0): readonly (readonly number[])[] {
  if (take === 0) return [[]];
  return Array.from({ length: Math.max(0, n - from) }, (_, at) => from + at).flatMap((first) =>
    choices(n, take - 1, first + 1).map((rest) => [first, ...rest]),
  );
}

const CHOICES = choices(OCTAVE, POSITIONS);
