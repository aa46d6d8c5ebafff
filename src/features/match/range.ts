import type { Chart } from "@/core/chord";
import type { Segment } from "@/core/progression";

/** The selected chord, and the range from it to another one that is marked; both ends are in it. */
export interface ChordRange {
  readonly at: number;
  readonly from: number;
  readonly to: number;
}

/** A range that something can be set for. */
export interface Over {
  readonly id: "chord" | "range" | "segment" | "all";
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

const isMarked = ({ from, to }: ChordRange) => from < to;

/**
 * The places that a loop plays: the range that is marked, otherwise the bar of the selected chord.
 *
 * @example placesToLoop(chart "| Em9 A13 | D6 |", { at: 0, from: 0, to: 0 }) // [0, 1]
 */
export function placesToLoop({ chords }: Pick<Chart, "chords">, range: ChordRange): readonly number[] {
  const bar = chords[range.at]?.bar;
  const isIn = (place: number) =>
    isMarked(range) ? place >= range.from && place <= range.to : chords[place]?.bar === bar;
  return chords.flatMap((_, place) => (isIn(place) ? [place] : []));
}

/** The ranges that home and mode can be set for, the likeliest first. */
export function rangesToSet(range: ChordRange, segment: Segment, last: number): readonly Over[] {
  const { at, from, to } = range;
  return [
    ...(isMarked(range) ? [{ id: "range", text: "over the selection", from, to } as const] : []),
    { id: "segment", text: "as far as it goes", from: segment.from, to: segment.to },
    { id: "chord", text: "over this chord", from: at, to: at },
    { id: "all", text: "over all", from: 0, to: last },
  ];
}

/** The place whose symbol a cursor in the text stands in or after; undefined before the first. */
export function placeAtCursor({ chords }: Pick<Chart, "chords">, offset: number): number | undefined {
  const found = chords.findLastIndex((place) => place.offset <= offset);
  return found < 0 ? undefined : found;
}
