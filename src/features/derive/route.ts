import { computed } from "nanostores";
import { type HomeMode, maybeMode, type Mode } from "@/core/scale";
import { $place, goTo, placeOf, setHomeMode, setQuery } from "@/session";
import { derive } from "./manifest";

export const DERIVE = derive.id;

/** What Derive shows beside its panel. */
export type Show = (typeof derive.parts)[number];

/** Parallel or relative: every mode on one home (parallel), or one set of notes from every home (relative). */
export type Alignment = "parallel" | "relative";

/** Modes compared with the one selected, at most. */
export const MAX_BESIDE = 3;

/** What of the address is Derive's. */
export interface DerivePlace {
  readonly show: Show;
  readonly alignment: Alignment;
  /** Modes that Compare has beside the one selected; undefined where the user has chosen none. */
  readonly beside: readonly Mode[] | undefined;
}

/** The modes of a comma-separated list of ids, each once; unknown ids are ignored. */
function readBeside(text: string | undefined, selected: Mode): readonly Mode[] | undefined {
  if (text === undefined) return undefined;
  const modes = text.split(",").flatMap((id) => maybeMode(id) ?? []);
  return [...new Set(modes)].filter((mode) => mode !== selected).slice(0, MAX_BESIDE);
}

export const $derive = computed($place, (place): DerivePlace => {
  const { part, query } = placeOf(DERIVE, place);
  return {
    show: derive.parts.find((each) => each === part) ?? "modes",
    // Version 1 wrote "line=notes".
    alignment: query.align === "relative" || query.line === "relative" ? "relative" : "parallel",
    beside: readBeside(query.with, place.mode),
  };
});

export const showPart = (show: Show): void => goTo(DERIVE, { part: show });
export const alignBy = (alignment: Alignment): void =>
  setQuery(DERIVE, { align: alignment === "relative" ? alignment : undefined, line: undefined });
export const putBeside = (modes: readonly Mode[]): void =>
  setQuery(DERIVE, { with: modes.map(({ id }) => id).join(",") });

/** Takes one of the compared modes in place of the one selected, which stands beside it from then on. */
export function swapBeside(next: HomeMode, others: readonly Mode[]): void {
  setHomeMode(next);
  putBeside(others);
}
