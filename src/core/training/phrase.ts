import { halfSteps, type Interval } from "../pitch";
import { type Mode, characteristicOf, thirdOf } from "../scale";
import { oneOf, type Random } from "./random";

/** A note of what is heard: half steps above home, with its beat and length. */
export interface HeardNote {
  readonly step: number;
  readonly at: number;
  readonly length: number;
}

/** Beats of a phrase made on the spot: two halves of two bars. */
export const PHRASE_BEATS = 16;

/** How two beats are divided; the first note of them is given. */
const RHYTHMS = [[2], [1, 1], [1, 0.5, 0.5], [0.5, 0.5, 1], [1.5, 0.5]] as const;

/** Scale steps below home and above its octave that a phrase goes to. */
const [BELOW, ABOVE] = [-2, 1];

/**
 * A phrase of four bars in a mode: it begins on home or its fifth, rests in the middle, has the third and every characteristic note on a
 * strong beat, goes by steps between them, and ends on home, held.
 *
 * @throws RangeError where more notes than five must be heard.
 * @param characteristic the notes that must be heard; those that are shown for the mode where nothing is said
 * @example phraseIn(mode("dorian"), seeded(1)).at(-1) // { step: 0 or 12, at: 14, length: 2 }
 */
export function phraseIn(
  mode: Mode,
  random: Random,
  characteristic: readonly Interval[] = characteristicOf(mode),
): readonly HeardNote[] {
  const scale = mode.intervals.map(halfSteps).toSorted((a, b) => a - b);
  const count = scale.length;
  const degree = (interval: Interval) => scale.indexOf(halfSteps(interval));
  const third = thirdOf(mode);
  const telling = [...new Set([...(third === undefined ? [] : [third]), ...characteristic].map(degree))];
  const middle = scale.indexOf(7) >= 0 ? scale.indexOf(7) : Math.floor(count / 2);
  const free = () => Math.floor(random() * count);
  // What the strong beats have, two beats apart: the fourth rests, the last is home.
  const second = [...telling.slice(2), ...telling.slice(1, 2)].slice(0, 3);
  while (second.length < 3) second.splice(Math.floor(random() * (second.length + 1)), 0, free());
  const [one = free(), two = free()] = telling;
  const anchors = [oneOf(random, [0, 0, middle]), one, two, middle, ...second, 0];
  if (telling.some((each) => !anchors.includes(each)))
    throw new RangeError("more notes than a phrase has room for");

  const pitch = (place: number) =>
    (scale[((place % count) + count) % count] ?? 0) + 12 * Math.floor(place / count);
  const notes: HeardNote[] = [];
  let place = anchors[0] ?? 0;
  for (const [pair, to] of anchors.entries()) {
    place = nearest(to, place, count);
    const at = pair * 2;
    if (pair === anchors.length - 1) {
      notes.push({ step: pitch(place), at, length: 2 });
      break;
    }
    // The first half ends here, and there is a breath.
    if (pair === 3) {
      notes.push({ step: pitch(place), at, length: 1.5 });
      continue;
    }
    const next = nearest(anchors[pair + 1] ?? 0, place, count);
    let beat = at;
    const rhythm = oneOf<readonly number[]>(random, RHYTHMS);
    for (const [nth, length] of rhythm.entries()) {
      if (nth > 0) place = step(place, next, rhythm.length - nth, random, count);
      notes.push({ step: pitch(place), at: beat, length });
      beat += length;
    }
  }
  return notes;
}

/** The place of a degree that lies nearest to another place, within the range of a phrase. */
function nearest(degree: number, from: number, count: number): number {
  const all = [degree - count, degree, degree + count].filter(
    (place) => place >= BELOW && place <= count + ABOVE,
  );
  return all.reduce((best, next) => (Math.abs(next - from) < Math.abs(best - from) ? next : best), degree);
}

/** One step on the way to a place that is to be reached in so many; where there is time, the way may bend. */
function step(from: number, to: number, left: number, random: Random, count: number): number {
  const far = to - from;
  const isInTime = Math.abs(far) < left;
  const way = isInTime || far === 0 ? (random() < 0.5 ? 1 : -1) : Math.sign(far);
  const next = from + way;
  return next < BELOW || next > count + ABOVE ? from - way : next;
}
