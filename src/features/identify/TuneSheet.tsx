import { useEffect, useState } from "react";
import type { Identification } from "@/core/identify";
import type { Tune } from "@/core/tune";
import { INK, INNER, MARGIN } from "@/kit/sheet";
import { ModesSheet } from "@/shell/print";
import { barRangeText, headlineText, TUNE_SHEET } from "@/words";

interface TuneSheetProps {
  readonly tune: Tune;
  /** The ABC that it is engraved from. */
  readonly text: string;
  readonly title: string;
  readonly found: Identification;
  readonly open: boolean;
  readonly onClose: () => void;
}

/** A line of engraved music, as the library draws it. */
interface Engraved {
  readonly markup: string;
  readonly height: number;
}

/** The lines of a tune, engraved one drawing each, so that they can be laid on pages. */
function useEngraved(text: string, isWanted: boolean): readonly Engraved[] | undefined {
  const [engraved, setEngraved] = useState<{ readonly of: string; readonly lines: readonly Engraved[] }>();
  useEffect(() => {
    if (!isWanted) return undefined;
    let isCurrent = true;
    void import("abcjs").then(({ default: abcjs }) => {
      const room = document.createElement("div");
      // Measured where it is laid out, and seen by nobody.
      room.style.cssText = "position:absolute;visibility:hidden;width:900px";
      document.body.append(room);
      abcjs.renderAbc(room, text.replaceAll(/^[TQ]:.*$/gm, "%"), {
        oneSvgPerLine: true,
        staffwidth: INNER - 10,
        paddingleft: 0,
        paddingright: 0,
        paddingtop: 0,
        paddingbottom: 6,
        wrap: { minSpacing: 1.4, maxSpacing: 2.8, preferredMeasuresPerLine: 4 },
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
  }, [text, isWanted]);
  return engraved?.of === text ? engraved.lines : undefined;
}

/** A tune as it is printed: its music, then each mode with the bars where it holds. */
export function TuneSheet({ tune, text, title, found, open, onClose }: TuneSheetProps) {
  const lines = useEngraved(text, open);
  const whole = { bars: { from: 0, to: tune.bars.length - 1 }, homeMode: found.homeMode };
  const passages = found.passages.length > 1 && !found.isByHand ? found.passages : [whole];
  return (
    <ModesSheet
      title={TUNE_SHEET}
      fileName="tune"
      name={title || tune.title || TUNE_SHEET}
      answer={headlineText(found)}
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
      modes={passages.map(({ bars, homeMode }) => ({ homeMode, where: barRangeText(tune, bars) }))}
      open={open}
      onClose={onClose}
    />
  );
}
