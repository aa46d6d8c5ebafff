import { computed } from "nanostores";
import { $place, placeOf } from "@/session";

export const MATCH = "match";

/** What Match shows beside its panel: a chart, chords for a mode, a shape over a bass. */
export const MATCH_SHOWS = ["chart", "write", "over-bass"] as const;
export type MatchShow = (typeof MATCH_SHOWS)[number];

export const $matchShow = computed(
  $place,
  (place): MatchShow => MATCH_SHOWS.find((each) => each === placeOf(MATCH, place).part) ?? "chart",
);
