import { modulo, soundOf } from "../pitch";
import { type Chord, chordSounds } from "../chord";
import { type HomeMode, holds, mode, type Mode, type PitchClassSet, transpose } from "../scale";
import { isWithin } from "./fit";
import type { Heard, ChordContext } from "./home";

/** Scales that repeat within the octave and that players take over one chord: they are no home of a whole chart. */
export const CHORD_SCALES: readonly Mode[] = ["diminished", "dominant-diminished", "whole-tone"].map(mode);

/** Where a chord stands: what it comes from and goes to, and the mode of the chart around it. */
export interface ChordPlace {
  readonly turning: ChordContext;
  readonly around: HomeMode | undefined;
}

/**
 * The scale that a teacher would write over a chord in its place, by id, where that is more than the mode of the chart counted from the
 * chord's root; undefined where it is not. The first that holds the chord is meant.
 *
 * Conventions of jazz teaching: an altered dominant takes the altered scale, a dominant to a minor chord the fifth mode of its harmonic
 * minor, one that falls by a half step or stands on ♭II, ♭VI or ♭VII Lydian dominant, a suspended one Mixolydian, the
 * second degree of another home Dorian, a diminished seventh the diminished scale from its whole step, a half-diminished chord Locrian, a minor chord with a major seventh melodic minor.
 *
 * @param root the sounding root, or the bass that the chord is heard over
 * @example chordScales(G7, 7, { before Dm7♭5, next Cm … }) // ["phrygian-dominant"]
 */
export function chordScales(chord: Chord, root: number, place: ChordPlace): readonly string[] {
  const sounds = transpose(chordSounds(chord), -root);
  const has = (sound: number) => holds(sounds, sound);
  if (has(4) && has(10)) return dominantScales(sounds, root, place);
  if (has(10) && has(5) && !has(3)) return has(1) ? ["phrygian", "dorian-flat2"] : ["mixolydian"];
  if (has(4)) {
    if (has(11) && has(8) && !has(7)) return ["lydian-augmented"];
    return has(6) ? ["lydian"] : [];
  }
  if (!has(3)) return [];
  if (has(6) && !has(7)) return has(9) && !has(10) ? ["diminished"] : has(10) && !has(2) ? ["locrian"] : [];
  if (has(11)) return ["melodic-minor", "harmonic-minor"];
  if (has(10) && !(place.around && isWithin(chord, place.around)) && isTwoOf(root, place.turning))
    return ["dorian"];
  const isTonic = place.around !== undefined && soundOf(place.around.home) === root;
  return has(9) && !has(10) && isTonic ? ["dorian", "melodic-minor"] : [];
}

function dominantScales(
  sounds: PitchClassSet,
  root: number,
  { turning: { next }, around }: ChordPlace,
): readonly string[] {
  const has = (sound: number) => holds(sounds, sound);
  const fall = next === undefined ? -1 : modulo(root - next.root, 12);
  const toMinor = fall === 7 && next !== undefined && isMinor(next);
  if (has(1) || has(3)) {
    if (has(9)) return ["dominant-diminished"];
    if (has(1) && has(3)) return ["altered", "phrygian-flat4", "dominant-diminished"];
    if (has(3)) return ["altered", "dominant-diminished", "phrygian-flat4"];
    return has(6) ? ["altered", "dominant-diminished"] : ["phrygian-dominant", "altered"];
  }
  if (has(8)) {
    if (has(7)) return toMinor || !has(2) ? ["phrygian-dominant", "mixolydian-flat6"] : ["mixolydian-flat6"];
    return toMinor && !has(2) ? ["altered", "whole-tone"] : ["whole-tone"];
  }
  if (has(6)) return ["lydian-dominant", "whole-tone"];
  if (toMinor && !has(2) && !has(9)) return ["phrygian-dominant"];
  if (fall === 1) return ["lydian-dominant"];
  return isBackdoor(root, next, around) ? ["lydian-dominant"] : ["mixolydian"];
}

/** A minor chord before the dominant a fourth above it: the second degree of a home elsewhere. */
const isTwoOf = (root: number, { next }: ChordContext) =>
  next?.kind === "7" && modulo(next.root - root, 12) === 5;

/** ♭VII7 that goes up a whole step to the home chord of a major mode, as after a minor fourth degree. */
function isBackdoor(root: number, next: Heard | undefined, around: HomeMode | undefined): boolean {
  const isUp = next?.kind === "M" && modulo(next.root - root, 12) === 2;
  return isUp && soundOf(around?.home ?? 0) === next.root && around?.mode.id !== "mixolydian";
}

const isMinor = ({ kind }: Heard) => kind === "m" || kind === "d";
