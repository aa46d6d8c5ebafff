import { maybePitch, midiOf, type Pitch } from "../pitch";
import type { Problem, Reading } from "../problem";
import type { Tuning } from "./tuning";

/** What can be: strings, their pitches as MIDI numbers, frets, millimetres. */
export const TUNING_LIMITS = {
  strings: [1, 12],
  midi: [12, 108],
  frets: [5, 36],
  scaleLength: [200, 1200],
} as const;

/** What is asked of a tuning made by hand, besides its pitches. */
export interface TuningMeasures {
  readonly frets: number;
  readonly scaleLength: number;
  readonly capo: number;
}

/**
 * Reads the pitches of open strings, from the lowest-lying string to string 1: "D2 A2 D3 G3 A3 D4", also with commas. What
 * is no pitch, or one that no string has, is told where it stands; an octave that is left out is told too.
 *
 * @example readStrings("E2,A2,D3").value.length // 3
 */
export function readStrings(text: string): Reading<readonly Pitch[]> {
  const strings: Pitch[] = [];
  const problems: Problem[] = [];
  for (const { 0: found, index: offset } of text.matchAll(/[^\s,]+/gu)) {
    const pitch = maybePitch(found);
    const tell = (code: Problem["code"], expected: string) =>
      problems.push({ code, offset, length: found.length, found, expected });
    const [low, high] = TUNING_LIMITS.midi;
    if (!pitch) tell("string-unread", "E2");
    else if (midiOf(pitch) < low || midiOf(pitch) > high) tell("string-out-of-range", "C0 C8");
    else strings.push(pitch);
  }
  const [fewest, most] = TUNING_LIMITS.strings;
  const count = strings.length + problems.length;
  if (count < fewest || count > most)
    problems.push({
      code: "string-count",
      offset: 0,
      length: text.length,
      found: String(count),
      expected: `${fewest} ${most}`,
    });
  return { value: problems.length > 0 ? [] : strings, problems };
}

/** Which of a tuning's measures cannot be. */
export type BadMeasure = keyof TuningMeasures;

/** The measures that cannot be: frets 5 to 36, scale length 200 to 1200 mm, a capo that leaves a hand's width of frets. */
export function badMeasures({ frets, scaleLength, capo }: TuningMeasures): readonly BadMeasure[] {
  const isWithin = (value: number, [low, high]: readonly [number, number]) => value >= low && value <= high;
  return [
    ...(Number.isInteger(frets) && isWithin(frets, TUNING_LIMITS.frets) ? [] : (["frets"] as const)),
    ...(isWithin(scaleLength, TUNING_LIMITS.scaleLength) ? [] : (["scaleLength"] as const)),
    ...(Number.isInteger(capo) && capo >= 0 && capo <= frets - 4 ? [] : (["capo"] as const)),
  ];
}

/** Strings mostly a fifth or more apart on a short neck are fingered a step to a finger; others a fret to a finger. */
function handFor(strings: readonly Pitch[], scaleLength: number): 4 | 7 {
  const midis = strings.map(midiOf);
  const gaps = midis.slice(1).map((midi, at) => midi - (midis[at] ?? midi));
  return scaleLength < 450 && gaps.length > 0 && gaps.filter((gap) => gap >= 7).length * 2 > gaps.length
    ? 7
    : 4;
}

/**
 * A tuning made by hand.
 *
 * @example ownTuning(pitches, { frets: 20, scaleLength: 352, capo: 0 }).hand // 7 for strings in fifths
 */
export function ownTuning(
  strings: readonly Pitch[],
  { frets, scaleLength, capo }: TuningMeasures,
  from?: Pick<Tuning, "isFretted" | "doubles">,
): Tuning {
  const doubles = from?.doubles.length === strings.length ? from.doubles : [];
  return {
    id: "own",
    name: "",
    strings,
    frets,
    scaleLength,
    capo,
    doubles,
    hand: handFor(strings, scaleLength),
    isFretted: from?.isFretted ?? true,
  };
}
