import { computed } from "nanostores";
import { $place, goTo, placeOf, setQuery } from "@/session";
import { identify } from "./manifest";

export const IDENTIFY = identify.id;

/** One tune, or the table of a collection. */
export type IdentifyPart = (typeof identify.parts)[number];

export const $identifyPart = computed(
  $place,
  (place): IdentifyPart => identify.parts.find((each) => each === placeOf(IDENTIFY, place).part) ?? "tune",
);

/** Goes to the tune or to the collection, unless it is in front. */
export function showPart(part: IdentifyPart): void {
  if (part !== $identifyPart.get()) goTo(IDENTIFY, { part });
}

/** How a tune is looked at or taken in. */
const WAYS = ["staff", "type", "play", "record"] as const;
export type Way = (typeof WAYS)[number];

export const $way = computed(
  $place,
  (place): Way => WAYS.find((each) => each === placeOf(IDENTIFY, place).query.way) ?? "staff",
);

export const setWay = (way: Way): void => setQuery(IDENTIFY, { way: way === "staff" ? undefined : way });
