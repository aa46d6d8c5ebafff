import { halfSteps } from "../pitch";
import type { Mode } from "../scale";
import { contour, type ContourNote } from "./contour";
import { oneOf, type Random } from "./random";

/** A note of what is heard: half steps above home, with its beat and length. */
export interface HeardNote {
  readonly step: number;
  readonly at: number;
  readonly length: number;
}

/** The half steps of a mode above home, rising. */
const scaleOf = ({ intervals }: Mode): readonly number[] =>
  intervals.map(halfSteps).toSorted((a, b) => a - b);

/**
 * The places of the scale in which some modes differ: what has to be heard to tell each of them from all others. All places where they
 * have more or fewer notes than each other.
 *
 * @example differingPlaces([dorian, aeolian]) // [5], the sixth note
 */
function differingPlaces(modes: readonly Mode[]): readonly number[] {
  const scales = modes.map(scaleOf);
  const [first = []] = scales;
  const places = [...first.keys()];
  if (scales.some(({ length }) => length !== first.length)) return places;
  return places.filter((place) => scales.some((scale) => scale[place] !== first[place]));
}

/**
 * A phrase of four bars in a mode that tells it from others. Its shape is drawn from the random numbers and the number of notes alone: the
 * same numbers make the same shape and rhythm in every mode, so that nothing but the sound of the notes tells them apart.
 *
 * @param among the modes that may be meant: every note in which they differ is heard
 * @example phraseIn(dorian, [dorian, aeolian], seeded(1)).at(-1) // { step: 0 or 12, at: 14, length: 2 }
 */
export function phraseIn(mode: Mode, among: readonly Mode[], random: Random): readonly HeardNote[] {
  const scale = scaleOf(mode);
  return contour(scale.length, placesFor(scale, among), random).map((note) => inScale(note, scale));
}

/** In a scale of fewer or more notes than others all of its own are heard. */
const placesFor = (scale: readonly number[], among: readonly Mode[]): readonly number[] =>
  among.every(({ intervals }) => intervals.length === scale.length)
    ? differingPlaces(among)
    : [...scale.keys()];

function inScale({ place, at, length }: ContourNote, scale: readonly number[]): HeardNote {
  const count = scale.length;
  const nth = ((place % count) + count) % count;
  return { step: (scale[nth] ?? 0) + 12 * Math.floor(place / count), at, length };
}

/** Notes of a line that is played back, and how it goes on from note to note: never on the same one. */
const [ECHO_NOTES, ECHO_MOVES] = [5, [-2, -1, -1, 1, 1, 2] as const];

/** Beats of a line that is played back. */
export const ECHO_BEATS = 8;

/**
 * Five notes to be played back: home, then four more by steps and small leaps within the octave. The shape is drawn without regard to the
 * mode, and no note comes twice in a row.
 */
export function echoLine(mode: Mode, random: Random): readonly HeardNote[] {
  const scale = scaleOf(mode);
  const places = [0];
  while (places.length < ECHO_NOTES) {
    const from = places.at(-1) ?? 0;
    const reached = ECHO_MOVES.map((move) => from + move).filter((to) => to >= 0 && to < scale.length);
    const [first = from, ...others] = reached;
    places.push(oneOf(random, [first, ...others]));
  }
  return places.map((place, at) => ({
    step: scale[place] ?? 0,
    at,
    length: at === ECHO_NOTES - 1 ? ECHO_BEATS - at : 1,
  }));
}
