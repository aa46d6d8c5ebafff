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
