import { computed } from "nanostores";
import { $place, placeOf } from "@/session";
import { match } from "./manifest";

export const MATCH = match.id;

/** What Match shows beside its panel: a chart, chords for a mode, a shape over a bass. */
export type MatchShow = (typeof match.parts)[number];

export const $matchShow = computed(
  $place,
  (place): MatchShow => match.parts.find((each) => each === placeOf(MATCH, place).part) ?? "chart",
);
