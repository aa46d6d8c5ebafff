import type { Chord } from "../chord";
import { type Fifths, soundOf } from "../pitch";
import { holds, soundsOn } from "../scale";
import { type ModeChange, movedInterval } from "./move";

/** A chord that went along with its melody. */
export interface CarriedChord {
  readonly chord: Chord;
  /** Its root has no place in the new mode: it stays as it was. */
  readonly isKept: boolean;
  /** It has notes outside the mode that it comes from: it keeps its kind. */
  readonly isBorrowed: boolean;
}

/**
 * A chord in another mode: its root and each of its tones take the form that their degrees have there. A tone whose degree the new mode
 * lacks is left out. A chord with notes outside the mode is borrowed, or leads somewhere as a dominant does: only its root moves, so that
 * it stays the kind of chord that it is.
 *
 * @example carryChord(G, { from: D Dorian, to: D Aeolian }).chord // Gm: its B has become B♭
 * @example carryChord(E7, { from: A Dorian, to: A Lydian }).chord // E7: the dominant of A in both
 */
export function carryChord(chord: Chord, { from, to }: ModeChange): CarriedChord {
  const moved = (note: Fifths): Fifths | undefined => {
    const interval = movedInterval(note - from.home, from.mode, to.mode);
    return interval === undefined ? undefined : to.home + interval;
  };
  const root = moved(chord.root);
  if (root === undefined) return { chord, isKept: true, isBorrowed: false };
  const bass = chord.bass === undefined ? undefined : moved(chord.bass);
  const modeSounds = soundsOn(from);
  if (!chord.tones.every((tone) => holds(modeSounds, soundOf(chord.root + tone)))) {
    const isInverted = chord.bass !== undefined && chord.tones.includes(chord.bass - chord.root);
    const under = isInverted ? root + (chord.bass - chord.root) : bass;
    return {
      chord: { ...chord, root, ...(under === undefined ? {} : { bass: under }) },
      isKept: false,
      isBorrowed: true,
    };
  }
  const tones = (all: readonly Fifths[]) =>
    all.flatMap((tone) => {
      const note = moved(chord.root + tone);
      return note === undefined ? [] : [note - root];
    });
  return {
    chord: {
      root,
      tones: tones(chord.tones),
      optional: tones(chord.optional),
      ...(bass === undefined ? {} : { bass }),
    },
    isKept: false,
    isBorrowed: false,
  };
}
