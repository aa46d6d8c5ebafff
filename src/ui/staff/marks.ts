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

/** The drawn element of each note, by the note's place in the tune: found by where both stand in the text. */
export function drawnNotes(engraved: Engraved, notes: readonly TuneNote[]): ReadonlyMap<number, SVGElement> {
  const found = new Map<number, SVGElement>();
  const elements = engraved.lines
    .flatMap((line) => line.staff?.slice(0, 1) ?? [])
    .flatMap((staff) => staff.voices?.[0] ?? [])
    .filter(({ el_type: type }) => type === "note");
  let at = 0;
  for (const { startChar = 0, endChar = 0, abselem } of elements) {
    const drawn = abselem?.elemset?.[0];
    while (at < notes.length && (notes[at]?.from ?? 0) < startChar) at += 1;
    for (let same = at; drawn && same < notes.length && (notes[same]?.from ?? 0) < endChar; same += 1)
      found.set(same, drawn);
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
