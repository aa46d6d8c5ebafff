import { atom, computed } from "nanostores";
import type { HomeMode } from "@/core/scale";
import { ladderScore } from "@/audio";
import { $mark, $playing, toggle } from "@/session";

/** The name under which the rows of the ladder are played. */
export const LADDER = "ladder";

const $rows = atom<readonly HomeMode[]>([]);

/** Plays through several modes, one after another; started again, it stops. */
export function playLadder(rows: readonly HomeMode[]): void {
  $rows.set(rows);
  toggle(LADDER, ladderScore(rows));
}

/** The mode that is heard while several are played through. */
export const $heardRow = computed([$playing, $mark, $rows], (playing, mark, rows) =>
  playing === LADDER && mark !== undefined ? rows[mark] : undefined,
);
