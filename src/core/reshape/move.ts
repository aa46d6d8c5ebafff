import {
  degreeNumber,
  type Fifths,
  halfSteps,
  type Interval,
  midiOf,
  modulo,
  type Pitch,
  pitchAt,
  staffPlace,
} from "../pitch";
import type { HomeMode, Mode } from "../scale";
import type { MissingRule } from "./missing-rule";

/** From which mode on which home, to which. */
export interface ModeChange {
  readonly from: HomeMode;
  readonly to: HomeMode;
}

/** A degree in its new form. */
export interface MovedInterval {
  /** Above the new home; undefined where the new mode lacks the degree. */
  readonly interval: Interval | undefined;
  /** As the degree stood in the mode before, without what altered it; undefined where that mode lacks its letter. */
  readonly base: Interval | undefined;
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

/**
 * A degree of one mode as another has it. A note outside the mode keeps its distance from the degree whose letter it has; one on a
 * letter that the mode hasn't stays as it is.
 *
 * @example movedInterval(degreeOf("6"), dorian, phrygian).interval // ♭6
 */
export function movedInterval(interval: Interval, from: Mode, to: Mode): MovedInterval {
  const degree = degreeNumber(interval);
  const isChromatic = !from.intervals.includes(interval);
  const base = nearestForm(formsOf(from, degree), interval);
  if (base === undefined) return { interval, base, isChromatic };
  const target = nearestForm(formsOf(to, degree), base);
  return { interval: target === undefined ? undefined : target + interval - base, base, isChromatic };
}

const atStaffPlace = (place: number, name: Fifths): Pitch => ({
  name,
  octave: Math.round((place - modulo(name * 4, 7)) / 7),
});

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
 * One note of a melody in another mode: as many staff places from the new home as before from the old, in the form that the degree has
 * in the new mode. *Parallel* where both homes are the same, *relative* where both modes have the same notes.
 *
 * @param missing what becomes of a degree that the new mode lacks; a note that is dropped or held over has no pitch
 * @example movePitch(B4, { from: D Dorian, to: D Aeolian }).pitch // B♭4
 */
export function movePitch(pitch: Pitch, change: ModeChange, missing: MissingRule = "nearest"): MovedPitch {
  const { from, to } = change;
  const [before, after] = homesOf(change);
  const { interval, base, isChromatic } = movedInterval(pitch.name - from.home, from.mode, to.mode);
  const step = staffPlace(pitch) - staffPlace(before);
  if (interval !== undefined)
    return {
      pitch: atStaffPlace(staffPlace(after) + step, to.home + interval),
      isChromatic,
      isMissing: false,
    };
  if (missing !== "nearest" || base === undefined) return { pitch: undefined, isChromatic, isMissing: true };
  const wished = midiOf(atStaffPlace(staffPlace(after) + step, to.home + base));
  return { pitch: nearestNote(wished, to), isChromatic, isMissing: true };
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
  const own = new Set(mode.intervals.map((interval) => home + interval));
  return [...own].find((note) => to.intervals.every((interval) => own.has(note + interval)));
}
