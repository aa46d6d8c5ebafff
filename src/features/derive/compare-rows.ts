import { brightestFirst, type HomeMode, type Mode, oneNoteAway } from "@/core/scale";

/** The modes that stand beside the selected one: those chosen, or its neighbours one note brighter and darker. */
export function modesBeside(mode: Mode, chosen: readonly Mode[] | undefined): readonly Mode[] {
  if (chosen) return chosen.filter((each) => each !== mode);
  return (["brighter", "darker"] as const).flatMap((way) => oneNoteAway(mode, way)[0]?.mode ?? []);
}

/** The modes that are held together, from bright to dark. */
export const compareRows = (
  { home, mode }: HomeMode,
  chosen: readonly Mode[] | undefined,
): readonly HomeMode[] =>
  brightestFirst([mode, ...modesBeside(mode, chosen)]).map((each) => ({ home, mode: each }));
