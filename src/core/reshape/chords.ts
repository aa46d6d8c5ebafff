import type { Chord } from "../chord";
import type { Fifths } from "../pitch";
import type { TuneChord } from "../tune";
import { type ModeChange, movedInterval } from "./move";

/** A chord that went along with its melody; `isKept` where its root has no place in the new mode, so that it stays as it was. */
export interface CarriedChord {
  readonly chord: Chord;
  readonly isKept: boolean;
}

/**
 * A chord in another mode: its root and each of its tones take the form that their degrees have there. A tone whose degree the new mode
 * lacks is left out.
 *
 * @example carryChord(G, { from: D Dorian, to: D Aeolian }).chord // Gm: its B has become B♭
 */
export function carryChord(chord: Chord, { from, to }: ModeChange): CarriedChord {
  const moved = (note: Fifths): Fifths | undefined => {
    const { interval } = movedInterval(note - from.home, from.mode, to.mode);
    return interval === undefined ? undefined : to.home + interval;
  };
  const root = moved(chord.root);
  if (root === undefined) return { chord, isKept: true };
  const tones = (all: readonly Fifths[]) =>
    all.flatMap((tone) => {
      const note = moved(chord.root + tone);
      return note === undefined ? [] : [note - root];
    });
  const bass = chord.bass === undefined ? undefined : moved(chord.bass);
  return {
    chord: {
      root,
      tones: tones(chord.tones),
      optional: tones(chord.optional),
      ...(bass === undefined ? {} : { bass }),
    },
    isKept: false,
  };
}

/** The chords over a tune, carried along. */
export const carryChords = (chords: readonly TuneChord[], change: ModeChange): readonly TuneChord[] =>
  chords.map((each) => ({ ...each, chord: carryChord(each.chord, change).chord }));
