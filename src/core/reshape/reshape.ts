import type { HomeMode } from "../scale";
import type { Tune, TuneChord } from "../tune";
import { arrange, type PartFault } from "./arrange";
import type { Arrangement } from "./arrangement";
import { carryChord } from "./chords";
import type { GuitarGrip } from "./guitar";
import { type Harmony, harmonise } from "./harmony";
import type { HarmonyChoice } from "./harmony-choice";
import { type MelodyChange, type MovedMelody, moveMelody } from "./melody";
import { type Range, type Ranged, withinRange } from "./range";

/** How a tune is put into another mode, melody, chords and range. */
export interface Recipe extends MelodyChange {
  /** Chords go along, are found anew, or are left out. */
  readonly chords: "carried" | "rebuilt" | "none";
  readonly harmony: HarmonyChoice;
  /** Which of the harmonies that were found, from 0, the best. */
  readonly which: number;
  /** Who plays the chords, written out under the melody. */
  readonly parts?: Arrangement | undefined;
  /** The melody stays within it. */
  readonly range?: Range | undefined;
}

/** A tune in another mode, and what happened on the way. */
export interface Reshaped extends Pick<MovedMelody, "changes"> {
  readonly tune: Tune;
  readonly to: HomeMode;
  /** What was done to keep it in its range; undefined where none was asked for. */
  readonly ranged?: Omit<Ranged, "notes"> | undefined;
  /** Chords as they were that didn't go along: their root has no place in the new mode. */
  readonly kept: readonly TuneChord[];
  /** Chords as they were that went along by their root alone: they have notes outside the mode that they come from. */
  readonly borrowed: readonly TuneChord[];
  /** The harmonies that were found, the best first; none where they weren't looked for. */
  readonly harmonies: readonly Harmony[];
  /** Where the parts under the melody break a rule of voice leading. */
  readonly faults: readonly PartFault[];
  /** How a guitarist holds the chords under the melody; none where no guitar is asked for. */
  readonly grips: readonly GuitarGrip[];
}

/**
 * A tune by a recipe: its melody in the new mode, within a range, over its chords.
 *
 * @example reshape(tune, recipe).tune.chords // those that were found or carried
 */
export function reshape(tune: Tune, recipe: Recipe): Reshaped {
  const { tune: moved, changes } = moveMelody(tune, recipe);
  const ranged = recipe.range && withinRange(moved.notes, recipe.range);
  const melody: Tune = ranged ? { ...moved, notes: ranged.notes } : moved;
  const harmonies = recipe.chords === "rebuilt" ? harmonise(melody, recipe.to, recipe.harmony) : [];
  const found = harmonies[Math.min(recipe.which, harmonies.length - 1)];
  const inBars = ({ bar }: { readonly bar: number }) =>
    !recipe.bars || (bar >= recipe.bars.from && bar <= recipe.bars.to);
  const before = tune.chords ?? [];
  const carried = (recipe.chords === "carried" ? before.filter(inBars) : []).map((was) => ({
    was,
    ...carryChord(was.chord, recipe),
  }));
  const chords =
    recipe.chords === "none"
      ? []
      : [
          ...before.filter((each) => !inBars(each)),
          ...carried.map(({ was, chord }) => ({ ...was, chord })),
          ...(found?.steps.filter(inBars) ?? []),
        ];
  const { octaves = 0, folded = [], outside = [] } = ranged ?? {};
  const chorded = { ...melody, chords: chords.toSorted((a, b) => a.onset - b.onset) };
  // What is written in several voices has its parts already.
  const {
    tune: whole,
    faults,
    grips = [],
  } = arrange(chorded, tune.beneath ? "none" : (recipe.parts ?? "none"), recipe.to);
  return {
    tune: whole,
    faults,
    grips,
    to: recipe.to,
    changes,
    kept: carried.filter(({ isKept }) => isKept).map(({ was }) => was),
    borrowed: carried.filter(({ isBorrowed }) => isBorrowed).map(({ was }) => was),
    harmonies,
    ...(ranged ? { ranged: { octaves, folded, outside } } : {}),
  };
}
