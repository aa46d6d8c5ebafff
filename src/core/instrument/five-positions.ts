import { compareRanks, type HomeMode, size, type PitchClassSet, pitchClassSet, transpose } from "../scale";
import { soundOf } from "../pitch";
import { boxes } from "./boxes";
import { letterPositions } from "./letter-positions";
import { regionAt, handAt, soundsBetween } from "./layout";
import type { Place } from "./neck";
import type { UnfingeredPosition } from "./position";
import { runStrings, type Tuning } from "./tuning";

const OCTAVE = 12;
const POSITIONS = 5;

/** The hands of each neck by the notes that they were chosen for: twelve bits, so no more than there are sets of notes. */
const CHOSEN = new WeakMap<Tuning, Map<PitchClassSet, ReadonlySet<number>>>();

/**
 * Five positions to the octave, and so on up the neck: on strings tuned like a guitar's the boxes round the open-chord shapes, on
 * a fiddle or a mandolin its numbered positions. On others, of all ways to choose five frets for the index finger, the one that
 * leaves no note of the neck out, then the one that strains the hand least, then the most even one.
 */
export function fivePositions(tuning: Tuning, homeMode: HomeMode): readonly UnfingeredPosition[] {
  const taught = tuning.hand === 7 ? letterPositions(tuning, homeMode) : boxes(tuning, homeMode);
  if (taught) return taught;
  const set = transpose(homeMode.mode.sounds, soundOf(homeMode.home));
  const known = CHOSEN.get(tuning) ?? new Map<PitchClassSet, ReadonlySet<number>>();
  const chosen = known.get(set) ?? chosenHands(tuning, homeMode);
  CHOSEN.set(tuning, known.set(set, chosen));
  const hands = Array.from({ length: tuning.frets - tuning.capo + 1 }, (_, at) => tuning.capo + at).filter(
    (hand) =>
      chosen.has((hand - tuning.capo) % OCTAVE) &&
      (hand === tuning.capo || hand + tuning.hand - 1 <= tuning.frets),
  );
  return hands.flatMap((hand) => {
    const laid = handAt(regionAt(tuning, hand), homeMode);
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
  const bits = new Map<string, number>();
  const bit = ({ string, fret }: Place) => {
    const key = `${string}/${fret % OCTAVE}`;
    const found = bits.get(key) ?? bits.size;
    bits.set(key, found);
    return found;
  };
  const covered = hands.map((laid) => wordsOf((laid?.places ?? []).map(bit)));
  const words = Math.ceil(bits.size / WORD);
  const whole = strings.length * size(pitchClassSet(soundsBetween(homeMode, 0, OCTAVE - 1)));
  const costs = hands.map((laid) => Math.round((laid?.cost ?? FORBIDDEN) * 10));
  let best: { rank: readonly number[]; chosen: readonly number[] } | undefined;
  for (const { chosen, unevenness } of CHOICES) {
    let missing = whole;
    for (let word = 0; word < words; word += 1) {
      let cover = 0;
      for (const above of chosen) cover |= covered[above]?.[word] ?? 0;
      missing -= size(cover);
    }
    if (best && missing > (best.rank[0] ?? 0)) continue;
    let strain = 0;
    for (const above of chosen) strain += costs[above] ?? 0;
    const rank = [missing, strain, unevenness];
    if (!best || compareRanks(rank, best.rank) < 0) best = { rank, chosen };
  }
  return new Set(best?.chosen);
}

/** The cost of a hand that cannot be laid out. */
const FORBIDDEN = 1000;

/** Bits to a word: as many as stay whole numbers above 0. */
const WORD = 30;

/** A set of whole numbers as bits, so many to a word. */
function wordsOf(members: readonly number[]): readonly number[] {
  const words: number[] = [];
  for (const member of members) {
    const word = Math.floor(member / WORD);
    words[word] = (words[word] ?? 0) | (1 << (member % WORD));
  }
  return words;
}

/** Every way to take so many of 0 … n-1, rising. */
function choices(n: number, take: number, from = 0): readonly (readonly number[])[] {
  if (take === 0) return [[]];
  return Array.from({ length: Math.max(0, n - from) }, (_, at) => from + at).flatMap((first) =>
    choices(n, take - 1, first + 1).map((rest) => [first, ...rest]),
  );
}

/** Every choice of five frets of the octave, with the sum of its steps' squares: the less, the more even. */
const CHOICES = choices(OCTAVE, POSITIONS).map((chosen) => {
  const steps = chosen.map((above, at) => (chosen[at + 1] ?? (chosen[0] ?? 0) + OCTAVE) - above);
  return { chosen, unevenness: steps.reduce((sum, step) => sum + step * step, 0) };
});
