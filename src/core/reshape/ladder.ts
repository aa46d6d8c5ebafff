import { type Fifths, soundOf } from "../pitch";
import { familyOf, type HomeMode, parallels, parentOf, relatives } from "../scale";
import type { Tune } from "../tune";
import { moveMelody } from "./melody";

/** A row of the ladder: the tune in one mode, and what became of it since the row before. */
export interface Rung {
  readonly homeMode: HomeMode;
  readonly tune: Tune;
  /** Notes that changed since the row before: what they were and what they are; none in the first row. */
  readonly changed: readonly { readonly from: Fifths; readonly to: Fifths }[];
}

/** The ways through the modes of a family: one home from bright to dark, or the same notes from home to home. */
export const LADDERS = ["parallel", "fifths", "steps"] as const;
export type LadderWay = (typeof LADDERS)[number];

function modesIn(from: HomeMode, way: LadderWay): readonly HomeMode[] {
  const family = familyOf(from.mode);
  if (way === "parallel") return parallels(family, from.home);
  const { tonic } = parentOf(from);
  const all = relatives(family, tonic);
  return way === "steps" ? all : all.toSorted((a, b) => a.home - b.home);
}

/**
 * A tune through all modes of its family.
 *
 * @example ladder(tune, { home: D, mode: dorian }, "parallel").map(({ homeMode }) => homeMode.mode.id) // lydian … locrian
 */
export function ladder(tune: Tune, from: HomeMode, way: LadderWay): readonly Rung[] {
  let before: Tune | undefined;
  return modesIn(from, way).map((to): Rung => {
    const moved = moveMelody(tune, { from, to, missing: "nearest" }).tune;
    const changed = new Map<string, { from: Fifths; to: Fifths }>();
    for (const [at, { pitch }] of moved.notes.entries()) {
      const was = before?.notes[at]?.pitch.name;
      if (way === "parallel" && was !== undefined && soundOf(was) !== soundOf(pitch.name))
        changed.set(`${was} ${pitch.name}`, { from: was, to: pitch.name });
    }
    before = moved;
    return { homeMode: to, tune: moved, changed: [...changed.values()] };
  });
}
