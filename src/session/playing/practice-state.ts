import { atom, computed } from "nanostores";
import type { RoutineItem } from "@/storage";

/** A routine that is being practised. Times are milliseconds since 1970. */
export interface Practising {
  readonly sitting: string;
  readonly items: readonly RoutineItem[];
  readonly at: number;
  /** The piece of the log that the item in front is written down under. */
  readonly piece: string;
  /** Stretches of playing so far, of all items, the last one open while it isn't paused. */
  readonly stretches: readonly {
    readonly from: number;
    readonly to?: number | undefined;
    readonly item: number;
  }[];
  /** Rounds of the item in front that were played since the last change of item or key. */
  readonly rounds: number;
  /** How the item in front goes: rounds played to their end, and the tempos that it was begun with, is set to and has reached. */
  readonly clean: number;
  readonly tempo: { readonly begun: number; readonly set: number; readonly reached: number };
  /** Its time is up since then, and it isn't left for the next by itself. */
  readonly upAt?: number | undefined;
  readonly stays: boolean;
}

export const $practising = atom<Practising | undefined>();

/** The routine that was left when a tab was closed in the middle of it; undefined where none was. */
export const $leftOff = atom<Practising | undefined>();

/** Whether a routine is practised, or was left and can be gone on with: there is a bar for it then. */
export const $hasPractice = computed(
  [$practising, $leftOff],
  (practising, leftOff) => practising !== undefined || leftOff !== undefined,
);
