import { useEffect, useMemo, useState } from "react";
import type { Tune } from "@/core/tune";
import type { AbcTune } from "@/formats";
import { printedText, type StaffPart } from "@/session/stage/staff-part";
import { INK, INNER, MARGIN } from "@/kit/sheet";
import { toEngrave } from "@/kit/staff";
import { ModesSheet, type ModesSheetProps } from "@/shell/print";
import { barRangeText, wording } from "@/words";

/** Tablature under the staff: which of the engraver's instruments, and its open strings as ABC, the lowest first. */
export interface Tablature {
  readonly instrument: "guitar" | "mandolin" | "fiddle";
  readonly tuning: readonly string[];
}

interface MusicSheetProps extends Pick<
  ModesSheetProps,
  "title" | "name" | "answer" | "modes" | "open" | "onClose" | "fileName"
> {
  /** The tune as it stands on the staff; all of it is printed where that isn't a book. */
  readonly shown: StaffPart;
  /** How it is written; as it is read where nothing is said. */
  readonly write?: ((tune: Tune) => AbcTune) | undefined;
  readonly tablature?: Tablature | undefined;
}

/** A line of engraved music, as the library draws it. */
interface Engraved {
  readonly markup: string;
  readonly height: number;
}

/** The lines of a tune, engraved one drawing each, so that they can be laid on pages. */
function useEngraved(
  text: string,
  isWanted: boolean,
  tablature: Tablature | undefined,
): readonly Engraved[] | undefined {
  const [engraved, setEngraved] = useState<{ readonly of: string; readonly lines: readonly Engraved[] }>();
  useEffect(() => {
    if (!isWanted) return undefined;
    let isCurrent = true;
    void import("abcjs").then(({ default: abcjs }) => {
      const room = document.createElement("div");
      // Measured where it is laid out, and seen by nobody.
      room.style.cssText = "position:absolute;visibility:hidden;width:900px";
      document.body.append(room);
      abcjs.renderAbc(room, toEngrave(text, wording().noteNames), {
        oneSvgPerLine: true,
        staffwidth: INNER - 10,
        paddingleft: 0,
        paddingright: 0,
        paddingtop: 0,
        paddingbottom: 6,
        // Lines that the engraver breaks lose their tablature: there they stand as they are written.
        ...(tablature
          ? { tablature: [{ instrument: tablature.instrument, tuning: [...tablature.tuning] }] }
          : { wrap: { minSpacing: 1.4, maxSpacing: 2.8, preferredMeasuresPerLine: 4 } }),
      });
      const lines = [...room.querySelectorAll("svg")].map((svg): Engraved => {
        const { width, height } = svg.getBoundingClientRect();
        svg.setAttribute("width", String(width));
        svg.setAttribute("height", String(height));
        return { markup: svg.outerHTML, height };
      });
      room.remove();
      if (isCurrent) setEngraved({ of: text, lines });
    });
    return () => {
      isCurrent = false;
    };
  }, [text, isWanted, tablature]);
  return engraved?.of === text ? engraved.lines : undefined;
}

/** Music as it is printed: its staves, chord symbols over them and tablature under them, then each of its modes. */
export function MusicSheet({ shown, write, tablature, answer, ...sheet }: MusicSheetProps) {
  const { open } = sheet;
  const { text, bars } = useMemo(
    () => (open ? printedText(shown, write) : { text: "", bars: undefined }),
    [open, shown, write],
  );
  const lines = useEngraved(text, open, tablature);
  return (
    <ModesSheet
      {...sheet}
      answer={bars ? `${answer}, ${barRangeText(shown.tune, bars)}` : answer}
      parts={() =>
        (lines ?? []).map(({ markup, height }) => ({
          height,
          draw: (y) => (
            <g
              transform={`translate(${MARGIN} ${y})`}
              fill={INK}
              // What the engraving library draws from the tune's notes.
              dangerouslySetInnerHTML={{ __html: markup }}
            />
          ),
        }))
      }
    />
  );
}
