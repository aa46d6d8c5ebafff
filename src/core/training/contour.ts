import { oneOf, type Random } from "./random";

/** A note of a phrase before it is in any mode: its place in the scale from home, 0, with its beat and length. */
export interface ContourNote {
  readonly place: number;
  readonly at: number;
  readonly length: number;
}

/** Beats of a phrase made on the spot: two halves of two bars. */
export const PHRASE_BEATS = 16;

/** How two beats are divided. */
const RHYTHMS = [[2], [1, 1], [1, 0.5, 0.5], [0.5, 0.5, 1], [1.5, 0.5], [0.5, 0.5, 0.5, 0.5]] as const;

/** Pairs of beats; in the fourth the phrase breathes, and in the last it rests on home. */
const [PAIRS, BREATH] = [PHRASE_BEATS / 2, 3];

/** Scale steps below home and above its octave that a phrase goes to. */
const [BELOW, ABOVE] = [-2, 1];

/** How a line goes on: mostly by step, now and then by a third or fourth, seldom on the same note. */
const MOVES = [-1, -1, -1, -1, 1, 1, 1, 1, -2, 2, -2, 2, -3, 3, 0] as const;

/** Lines that are tried until one touches all that it must. */
const TRIES = 400;

/**
 * The shape of a phrase of four bars, drawn without regard to any mode: its rhythm, and the places of the scale that it goes through. It
 * begins on home or its fifth, breathes in the middle, touches the places that it must in some octave, and ends on home, held.
 *
 * @param count notes of the scale
 * @param touching places, from 0 to `count` - 1, that must be heard
 * @example contour(7, [2, 5], seeded(1)).at(-1) // { place: 0 or 7, at: 14, length: 2 }
 */
export function contour(count: number, touching: readonly number[], random: Random): readonly ContourNote[] {
  for (let tries = 0; tries < TRIES; tries += 1) {
    const line = drawnLine(count, random);
    const heard = new Set(line.map(({ place }) => inOctave(place, count)));
    if (touching.every((place) => heard.has(place))) return line;
  }
  return upAndDown(count);
}

const inOctave = (place: number, count: number): number => ((place % count) + count) % count;

function drawnLine(count: number, random: Random): readonly ContourNote[] {
  const begun = onsets(random);
  const fifth = Math.min(4, count - 1);
  let place = oneOf(random, [0, 0, fifth, fifth, count]);
  return begun.map(({ at, length }, nth) => {
    const left = begun.length - 1 - nth;
    if (nth > 0) place = left === 0 ? nearestHome(place, count) : moved(place, left, count, random);
    return { place, at, length };
  });
}

/** When notes begin, and how long they last. */
function onsets(random: Random): readonly Omit<ContourNote, "place">[] {
  const notes: Omit<ContourNote, "place">[] = [];
  for (let pair = 0; pair < PAIRS; pair += 1) {
    const isRest = pair === BREATH || pair === PAIRS - 1;
    let at = pair * 2;
    for (const length of isRest ? [2] : oneOf<readonly number[]>(random, RHYTHMS)) {
      notes.push({ at, length: pair === BREATH ? 1.5 : length });
      at += length;
    }
  }
  return notes;
}

const nearestHome = (place: number, count: number): number => (place > count / 2 ? count : 0);

/** The next place: one of the moves that stays in range and from which home can still be reached by steps. */
function moved(place: number, left: number, count: number, random: Random): number {
  const inReach = MOVES.map((move) => place + move).filter(
    (to) => to >= BELOW && to <= count + ABOVE && Math.abs(to - nearestHome(to, count)) <= left + 1,
  );
  const [first = place, ...others] = inReach;
  return oneOf(random, [first, ...others]);
}

/** Every place, up and down again, where no line that was drawn had all of them. */
function upAndDown(count: number): readonly ContourNote[] {
  const places = [...Array(count + 1).keys(), ...[...Array(count).keys()].reverse()];
  const length = Math.min(0.5, (PHRASE_BEATS - 2) / (places.length - 1));
  return places.map((place, nth) =>
    nth === places.length - 1
      ? { place, at: PHRASE_BEATS - 2, length: 2 }
      : { place, at: nth * length, length },
  );
}
