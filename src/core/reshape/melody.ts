import { degreeNumber, type Interval, midiOf, type Pitch } from "../pitch";
import type { Mode } from "../scale";
import { allNotes, type BarRange, EPSILON, type Tune, type TuneNote } from "../tune";
import type { MissingRule } from "./melody-rules";
import { type MelodyRules, type ModeChange, movePitch } from "./move";

/** How a melody is put into another mode. */
export interface MelodyChange extends ModeChange, Partial<MelodyRules> {
  /** Only these bars, by their places; all where it is left out. */
  readonly bars?: BarRange | undefined;
  /** Pitches set by hand, by the place of their note in `allNotes` of the tune before: they stand as they are. */
  readonly byHand?: ReadonlyMap<number, Pitch> | undefined;
}

/** What happened to a note. */
export interface NoteChange {
  /** Its place in `allNotes` of the tune before. */
  readonly place: number;
  readonly before: Pitch;
  /** Undefined where it fell out, or the one before it is held over it. */
  readonly after: Pitch | undefined;
  /** It sounds at another place than before. */
  readonly isMoved: boolean;
  /** It wasn’t a note of the mode before. */
  readonly isChromatic: boolean;
  /** The new mode lacks its degree. */
  readonly isMissing: boolean;
  readonly isByHand: boolean;
}

/** A melody in its new mode, and what happened to each of its notes. */
export interface MovedMelody {
  readonly tune: Tune;
  readonly changes: readonly NoteChange[];
}

/**
 * A tune in another mode, note for note: contour and rhythm stay. Voices beneath the melody go with it; chords are left as they are.
 *
 * @example moveMelody(tune, { from: D Dorian, to: D Phrygian, missing: "nearest" }).changes.filter(({ isMoved }) => isMoved)
 */
export function moveMelody(tune: Tune, change: MelodyChange): MovedMelody {
  const { bars, byHand } = change;
  const isIn = ({ bar }: TuneNote) => !bars || (bar >= bars.from && bar <= bars.to);
  const changes = allNotes(tune).map((note, place): NoteChange => {
    const before = note.pitch;
    const set = byHand?.get(place);
    const moved = isIn(note)
      ? movePitch(before, change, change)
      : { pitch: before, isChromatic: false, isMissing: false };
    const after = set ?? moved.pitch;
    return {
      place,
      before,
      after,
      isMoved: after === undefined || midiOf(after) !== midiOf(before),
      isChromatic: moved.isChromatic,
      isMissing: moved.isMissing,
      isByHand: set !== undefined,
    };
  });
  const melody = changes.slice(0, tune.notes.length);
  const under = changes.slice(tune.notes.length);
  const keys = movedKeys(tune, change);
  return {
    tune: {
      ...tune,
      notes: withPitches(tune.notes, melody, change.missing),
      ...(tune.beneath ? { beneath: withPitches(tune.beneath, under, change.missing) } : {}),
      ...(keys.length > 0 ? { keys } : {}),
    },
    changes,
  };
}

/** Notes with their new pitches; where one falls out, the one before it in its voice may be held over it. */
function withPitches(
  notes: readonly TuneNote[],
  changes: readonly NoteChange[],
  missing: MissingRule | undefined,
): readonly TuneNote[] {
  const kept: TuneNote[] = [];
  for (const [at, note] of notes.entries()) {
    const pitch = changes[at]?.after;
    if (pitch) {
      kept.push({ ...note, pitch });
      continue;
    }
    if (missing !== "hold") continue;
    const last = kept.findLastIndex(
      ({ voice, onset, duration }) =>
        voice === note.voice && Math.abs(onset + duration - note.onset) < EPSILON,
    );
    const before = kept[last];
    if (before) kept[last] = { ...before, duration: note.onset + note.duration - before.onset };
  }
  return kept;
}

/** Keys as they are declared afterwards: the new mode from where it begins, what stood there before from where it ends. */
function movedKeys({ keys = [], bars: all }: Tune, { from, to, bars }: MelodyChange) {
  const first = bars?.from ?? 0;
  const after = (bars?.to ?? all.length - 1) + 1;
  const goesOn = keys.findLast(({ bar }) => bar <= after) ?? { ...from, bar: after };
  return [
    ...keys.filter(({ bar }) => bar < first),
    ...(first > 0 && keys.length === 0 ? [{ ...from, bar: 0 }] : []),
    { ...to, bar: first },
    ...(after < all.length ? [{ ...goesOn, bar: after }] : []),
    ...keys.filter(({ bar }) => bar > after),
  ];
}

/**
 * Numbers of the degrees that a melody never has in its mode. Only one that has them all tells every mode apart.
 *
 * @param heard the intervals from home that it has
 * @example missingDegrees([0, -3, 1, -1], mode("aeolian")) // [2, 6, 7]
 */
export function missingDegrees(heard: Iterable<Interval>, mode: Mode): readonly number[] {
  const all = new Set(heard);
  return mode.intervals.filter((interval) => !all.has(interval)).map(degreeNumber);
}
