import {
  accidentalsOf,
  degreeNumber,
  type Fifths,
  halfSteps,
  type Interval,
  midiOf,
  modulo,
  nearestOctave,
  type Pitch,
  pitchAt,
  soundOf,
} from "../pitch";
import { type HomeMode, holds, type Mode } from "../scale";
import type { ChromaticRule, MissingRule } from "./melody-rules";

/** From which mode on which home, to which. */
export interface ModeChange {
  readonly from: HomeMode;
  readonly to: HomeMode;
}

/** What becomes of notes that have no place in the new mode. */
export interface MelodyRules {
  readonly missing: MissingRule;
  readonly chromatic: ChromaticRule;
}

/** A degree in its new form. */
interface MovedInterval {
  /** Above the new home; undefined where the new mode lacks the degree. */
  readonly interval: Interval | undefined;
  /** As the degree stood in the mode before, without what altered it; undefined where that mode lacks its letter. */
  readonly base: Interval | undefined;
  /** As the degree stands in the new mode; undefined where that lacks it. */
  readonly target: Interval | undefined;
  /** It wasn't a note of the mode before. */
  readonly isChromatic: boolean;
}

/** The one of some intervals whose accidental is nearest to another's, the lower on a tie. */
const nearestForm = (forms: readonly Interval[], to: Interval): Interval | undefined =>
  forms.reduce<Interval | undefined>(
    (best, each) => (best === undefined || Math.abs(each - to) < Math.abs(best - to) ? each : best),
    undefined,
  );

const formsOf = ({ intervals }: Mode, degree: number): readonly Interval[] =>
  intervals.filter((interval) => degreeNumber(interval) === degree);

/** The form of a degree in another mode, by its letter. */
const byLetter = (base: Interval, to: Mode): Interval | undefined =>
  nearestForm(formsOf(to, degreeNumber(base)), base);

/** The note of another scale that has the same number in it: the third of five becomes the third of five. */
const byNumber = (base: Interval, from: Mode, to: Mode): Interval | undefined =>
  to.intervals[from.intervals.indexOf(base)];

/** A note outside a mode with its own sound above home, by the name that the mode has for it. */
const withItsSound = (interval: Interval, to: Mode): Interval =>
  to.intervals.find((each) => soundOf(each) === soundOf(interval)) ?? interval;

/** A note outside the mode, once the degree that it alters has its new form. */
function movedChromatic(
  interval: Interval,
  base: Interval,
  target: Interval,
  to: Mode,
  rule: ChromaticRule,
): Interval {
  if (rule === "mode") return target;
  const atDistance = target + interval - base;
  const isAnother = holds(to.sounds, soundOf(atDistance)) || holds(to.sounds, soundOf(interval));
  return rule === "sound" || isAnother ? withItsSound(interval, to) : atDistance;
}

/**
 * A degree of one mode as another has it.
 *
 * @param targetOf the new form of a degree of the mode before
 */
function moved(
  interval: Interval,
  from: Mode,
  to: Mode,
  targetOf: (base: Interval) => Interval | undefined,
  chromatic: ChromaticRule,
): MovedInterval {
  const isChromatic = !from.intervals.includes(interval);
  const base = nearestForm(formsOf(from, degreeNumber(interval)), interval);
  if (base === undefined) return { interval: withItsSound(interval, to), base, target: base, isChromatic };
  const target = targetOf(base);
  return {
    interval:
      target === undefined || !isChromatic ? target : movedChromatic(interval, base, target, to, chromatic),
    base,
    target,
    isChromatic,
  };
}

/**
 * A degree of one mode as another has it, by its letter. A note outside the mode keeps its distance from the degree whose letter it has,
 * or its sound (see `CHROMATIC_RULES`); one on a letter that the mode hasn't keeps its sound.
 *
 * @example movedInterval(degreeOf("6"), dorian, phrygian) // ♭6
 * @example movedInterval(degreeOf("7"), aeolian, ionian) // 7: the raised 7 of minor is major's own
 */
export const movedInterval = (interval: Interval, from: Mode, to: Mode): Interval | undefined =>
  moved(interval, from, to, (base) => byLetter(base, to), "distance").interval;

/** Octave in which homes are taken to be: any would do. */
const MIDDLE = 4;

/**
 * Home before and after: the new one the nearer of the two octaves. A tritone goes up where it is written as a fourth, down where it
 * is a fifth, so that the way back is the same.
 */
function homesOf({ from, to }: ModeChange): readonly [Pitch, Pitch] {
  const before: Pitch = { name: from.home, octave: MIDDLE };
  const up = modulo(halfSteps(to.home) - halfSteps(from.home), 12);
  const isDown = up > 6 || (up === 6 && to.home < from.home);
  return [before, pitchAt(midiOf(before) + (isDown ? up - 12 : up), to.home)];
}

/** A note after a change of mode. */
export interface MovedPitch {
  /** Undefined where it falls out. */
  readonly pitch: Pitch | undefined;
  readonly isChromatic: boolean;
  /** The new mode lacks its degree: it went to the nearest note, or falls out. */
  readonly isMissing: boolean;
}

/**
 * One note of a melody in another mode: as far along the scale from the new home as before from the old, in the form that the degree has
 * in the new mode. Between scales of as many notes the nth becomes the nth. *Parallel* where both homes are the same, *relative* where
 * both modes have the same notes.
 *
 * @param rules what becomes of a degree that the new mode lacks (a note that is dropped or held over has no pitch), and of a note
 * outside the mode
 * @example movePitch(B4, { from: D Dorian, to: D Aeolian }).pitch // B♭4
 * @example movePitch(E4, { from: C major pentatonic, to: C minor pentatonic }).pitch // F4: the third of five
 */
export function movePitch(
  pitch: Pitch,
  change: ModeChange,
  { missing = "nearest", chromatic = "distance" }: Partial<MelodyRules> = {},
): MovedPitch {
  const { from, to } = change;
  const [before, after] = homesOf(change);
  const isByNumber = from.mode.intervals.length === to.mode.intervals.length;
  const own = pitch.name - from.home;
  const { interval, base, target, isChromatic } = moved(
    own,
    from.mode,
    to.mode,
    (degree) => (isByNumber ? byNumber(degree, from.mode, to.mode) : byLetter(degree, to.mode)),
    chromatic,
  );
  // Half steps above the home before, without what alters the degree.
  const degreeAbove =
    midiOf(pitch) - midiOf(before) - (base === undefined ? 0 : accidentalsOf(own) - accidentalsOf(base));
  if (interval === undefined)
    return {
      pitch: missing === "nearest" ? nearestNote(midiOf(after) + degreeAbove, to) : undefined,
      isChromatic,
      isMissing: true,
    };
  const moves = base === undefined || target === undefined ? 0 : halfSteps(target) - halfSteps(base);
  const degree = pitchAt(midiOf(after) + degreeAbove + moves, to.home + (target ?? interval));
  return { pitch: nearestOctave(to.home + interval, degree), isChromatic, isMissing: false };
}

/** The note of a mode that is nearest to a sound, the lower on a tie. */
function nearestNote(midi: number, { home, mode }: HomeMode): Pitch {
  const all = mode.intervals.map((interval) => {
    const below = modulo(halfSteps(home + interval) - midi, 12) - 12;
    return pitchAt(midi + (below < -6 ? below + 12 : below), home + interval);
  });
  const far = (pitch: Pitch) => Math.abs(midiOf(pitch) - midi);
  return all.reduce((best, each) =>
    far(each) < far(best) || (far(each) === far(best) && midiOf(each) < midiOf(best)) ? each : best,
  );
}

/**
 * The home on which a mode has the notes of another: where a relative change leads. Undefined where it is no mode of the same parent.
 *
 * @example relativeHome({ home: fifthsOf("D"), mode: dorian }, phrygian) // E
 */
export function relativeHome({ home, mode }: HomeMode, to: Mode): Fifths | undefined {
  if (mode.intervals.length !== to.intervals.length) return undefined;
  const names = new Set(mode.intervals.map((interval) => home + interval));
  return [...names].find((note) => to.intervals.every((interval) => names.has(note + interval)));
}
