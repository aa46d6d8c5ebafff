import { isBlackKey } from "@/core/instrument";
import { modulo } from "@/core/pitch";

/** Measures of the keyboard's drawing, in its own units. */
export const KEYS = { width: 1256, height: 168, black: 0.62 };

/** Octaves that are drawn at least, so that a key never grows wider than a hand. */
const FEWEST_OCTAVES = 3;

/** Keys that are drawn: whole octaves from a C to a B, so that the notes lie in the middle. */
export function keyRange(midis: readonly number[]): readonly [number, number] {
  const [least, most] = midis.length === 0 ? [60, 71] : [Math.min(...midis), Math.max(...midis)];
  let low = least - modulo(least, 12);
  let high = most - modulo(most, 12) + 11;
  for (let below = true; high - low + 1 < FEWEST_OCTAVES * 12; below = !below) {
    if (below) low -= 12;
    else high += 12;
  }
  return [low, high];
}

/** White keys below a key within its octave. */
const whitesBelow = (midi: number): number =>
  Array.from({ length: modulo(midi, 12) }, (_, at) => at).filter((at) => !isBlackKey(at)).length;

/** Where a key lies: its left edge and its width. Black keys stand across the line between two white ones. */
export function keyAt(
  midi: number,
  [low, high]: readonly [number, number],
): { readonly x: number; readonly width: number } {
  const white = KEYS.width / (((high - low + 1) / 12) * 7);
  const left = (((midi - modulo(midi, 12) - low) / 12) * 7 + whitesBelow(midi)) * white;
  const black = white * 0.6;
  return isBlackKey(midi) ? { x: left - black / 2, width: black } : { x: left, width: white };
}

/** The key at a point of the drawing: a black one where it lies over a white one. Undefined beyond the keys. */
export function keyNear(range: readonly [number, number], x: number, y: number): number | undefined {
  const [low, high] = range;
  const keys = Array.from({ length: high - low + 1 }, (_, at) => low + at);
  const isAt = (midi: number) => {
    const { x: left, width } = keyAt(midi, range);
    return x >= left && x < left + width && y >= 0 && y < KEYS.height * (isBlackKey(midi) ? KEYS.black : 1);
  };
  return keys.find((midi) => isBlackKey(midi) && isAt(midi)) ?? keys.find(isAt);
}
