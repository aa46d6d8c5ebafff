import { modulo } from "../pitch";

/** Whether a key is a black one. */
export const isBlackKey = (midi: number): boolean => [1, 3, 6, 8, 10].includes(modulo(midi, 12));

/** Half steps that two fingers of a relaxed right hand span at most, from the lower to the higher one. */
const RELAXED: Readonly<Record<string, number>> = {
  "12": 5,
  "13": 7,
  "14": 9,
  "15": 10,
  "23": 3,
  "24": 5,
  "25": 7,
  "34": 2,
  "35": 4,
  "45": 2,
};

const BLACK_THUMB = 2;
const BLACK_LITTLE = 0.6;
const WEAK_FINGER = 0.2;
const CROSSING = 1.4;
const NEVER = 40;

/**
 * Fingers of the right hand for a run of keys, 1 the thumb to 5: the easiest by the span of the fingers, with the thumb
 * going under a longer finger, and no thumb on a black key where it can be helped. The rules are a short form of those of
 * Parncutt, Sloboda, Clarke, Raekallio and Desain, "An ergonomic model of keyboard fingering" (1997).
 *
 * @example keyFingers([60, 62, 64, 65, 67, 69, 71, 72]) // 1 2 3 1 2 3 4 5
 */
export function keyFingers(midis: readonly number[]): readonly number[] {
  let costs: readonly number[] = [];
  const froms: (readonly number[])[] = [];
  for (const [at, midi] of midis.entries()) {
    const previous = midis[at - 1];
    const row = [1, 2, 3, 4, 5].map((finger) => {
      if (previous === undefined) return { cost: onKey(finger, midi), from: 0 };
      const ways = costs.map((cost, from) => cost + between(from + 1, finger, previous, midi));
      const least = Math.min(...ways);
      return { cost: least + onKey(finger, midi), from: ways.indexOf(least) };
    });
    costs = row.map(({ cost }) => cost);
    froms.push(row.map(({ from }) => from));
  }
  const found: number[] = [];
  for (let at = midis.length - 1, finger = costs.indexOf(Math.min(...costs)); at >= 0; at -= 1) {
    found.push(finger + 1);
    finger = froms[at]?.[finger] ?? 0;
  }
  return found.reverse();
}

function onKey(finger: number, midi: number): number {
  const weak = finger >= 4 ? WEAK_FINGER : 0;
  if (!isBlackKey(midi)) return weak;
  return finger === 1 ? BLACK_THUMB : finger === 5 ? BLACK_LITTLE : weak;
}

/** What it costs to go from one finger and key to another. */
function between(from: number, to: number, fromKey: number, toKey: number): number {
  if (fromKey === toKey) return from === to ? 0 : 3;
  // Going down is going up read backwards.
  const [low, high, lowKey, highKey] =
    fromKey < toKey ? [from, to, fromKey, toKey] : [to, from, toKey, fromKey];
  const up = highKey - lowKey;
  if (high > low) {
    const most = RELAXED[`${low}${high}`] ?? 0;
    return up > most ? (up - most) * 2 : Math.max(0, high - low - up) * 2;
  }
  const isUnder = high === 1 && low >= 2 && low <= 4 && up <= 3;
  if (isUnder) return CROSSING + (UNDER[low] ?? 0) + underKeys(isBlackKey(lowKey), isBlackKey(highKey));
  return high === low ? 4 + up : NEVER;
}

/** The thumb goes under the third finger most easily. */
const UNDER: Readonly<Record<number, number>> = { 2: 0.6, 3: 0, 4: 0.3 };

/** It goes from a black key to a white one most easily, and hardly the other way. */
const underKeys = (fromBlack: boolean, toBlack: boolean): number => (toBlack ? 2 : fromBlack ? -0.5 : 0);
