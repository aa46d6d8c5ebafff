import { atom, computed } from "nanostores";
import type { HomeMode, Mode } from "@/core/scale";
import {
  $placeMode,
  begun,
  changed,
  type History,
  redone,
  setHomeMode,
  setPlace,
  type ToUndo,
  undone,
} from "@/session";

/** The scales that were made, each a step that can be undone. */
const $made = atom<History<HomeMode> | undefined>();

/** Makes another scale on the home in front. */
export function makeScale(mode: Mode): void {
  const now = $placeMode.get();
  const made = $made.get() ?? begun(now);
  // What was chosen elsewhere since is a step as well.
  const before = made.now === now ? made : changed(made, now);
  setPlace({ mode });
  $made.set(changed(before, $placeMode.get()));
}

function show(made: History<HomeMode>): void {
  setHomeMode(made.now);
  $made.set({ ...made, now: $placeMode.get() });
}

const step = (way: typeof undone<HomeMode>) => () => {
  const made = $made.get();
  if (made) show(way(made));
};

export const scaleSteps: ToUndo = {
  $steps: computed($made, (made) => ({ undo: made?.past.length ?? 0, redo: made?.future.length ?? 0 })),
  undo: step(undone),
  redo: step(redone),
};
