import type { TuneNote } from "@/core/tune";

/** What the engraver hands over of its drawing, as far as it is used here. */
export interface Engraved {
  readonly lines: readonly {
    readonly staff?: readonly {
      readonly voices?: readonly (readonly EngravedElement[])[];
    }[];
  }[];
}

interface EngravedElement {
  readonly el_type: string;
  readonly startChar?: number;
  readonly endChar?: number;
  readonly abselem?: { readonly elemset?: readonly (SVGElement | undefined)[] };
}

/**
 * The drawn element of each note, by the note's place in the tune, melody first: found by where both stand in the text, on whatever
 * staff.
 */
export function drawnNotes(engraved: Engraved, notes: readonly TuneNote[]): ReadonlyMap<number, SVGElement> {
  const byStart = notes
    .map(({ from }, at) => ({ from, at }))
    .filter(({ at }) => (notes[at]?.to ?? 0) > 0)
    .sort((a, b) => a.from - b.from);
  const elements = engraved.lines
    .flatMap((line) => line.staff ?? [])
    .flatMap((staff) => staff.voices ?? [])
    .flat()
    .filter(({ el_type: type }) => type === "note")
    .sort((a, b) => (a.startChar ?? 0) - (b.startChar ?? 0));
  const found = new Map<number, SVGElement>();
  let next = 0;
  for (const { startChar = 0, endChar = 0, abselem } of elements) {
    const drawn = abselem?.elemset?.[0];
    while ((byStart[next]?.from ?? Infinity) < startChar) next += 1;
    for (let same = next; drawn && (byStart[same]?.from ?? Infinity) < endChar; same += 1)
      found.set(byStart[same]?.at ?? 0, drawn);
  }
  return found;
}

/** Where a note's head is drawn, in whatever units. */
export interface PlacedNote {
  /** Place in the tune's notes. */
  readonly at: number;
  readonly x: number;
  readonly y: number;
}

/** Lines of music lie apart: what is above or below counts more than what is beside. */
const LINE_WEIGHT = 2.5;

/** The note drawn nearest to a point, the lines of music told apart; undefined where nothing is drawn. */
export function nearestNote(notes: readonly PlacedNote[], x: number, y: number): number | undefined {
  const away = (note: PlacedNote) => Math.hypot(note.x - x, (note.y - y) * LINE_WEIGHT);
  return notes.reduce<PlacedNote | undefined>(
    (best, next) => (best === undefined || away(next) < away(best) ? next : best),
    undefined,
  )?.at;
}
