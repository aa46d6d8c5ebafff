import { useStore } from "@nanostores/react";
import { useEffect, useState } from "react";
import type { Identification } from "@/core/identify";
import { GUITAR } from "@/core/instrument";
import type { Tune } from "@/core/tune";
import { $settings, $tuning } from "@/session";
import { useConventions } from "@/session/useConventions";
import {
  INK,
  INNER,
  Label,
  MARGIN,
  ModeBlock,
  modeBlockHeight,
  pagesOf,
  SheetFrame,
  type SheetMode,
} from "@/kit/sheet";
import { PrintSheet, sheetMode } from "@/shell/print";
import { barRangeText, headlineText, pageText, TUNE_SHEET } from "@/words";

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
  readonly width: number;
  readonly height: number;
}

const TITLE = 78;

type Block =
  | { readonly kind: "title"; readonly height: number }
  | { readonly kind: "music"; readonly music: Engraved; readonly height: number }
  | { readonly kind: "mode"; readonly mode: SheetMode; readonly height: number };

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
        return { markup: svg.outerHTML, width, height };
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

/** A tune as it is printed: its music, then each mode with the bars where it holds, its strip and a position on the neck. */
export function TuneSheet({ tune, text, title, found, open, onClose }: TuneSheetProps) {
  const lines = useEngraved(text, open);
  const tuning = useStore($tuning) ?? GUITAR;
  const { leftHanded } = useStore($settings);
  const comparedBy = useConventions();
  const name = title || tune.title || TUNE_SHEET;
  const parts =
    found.passages.length > 1 && !found.isByHand
      ? found.passages.map(({ bars, homeMode }) => ({ bars, homeMode }))
      : [{ bars: { from: 0, to: tune.bars.length - 1 }, homeMode: found.homeMode }];
  const blocks = (): readonly Block[] => [
    { kind: "title", height: TITLE },
    ...(lines ?? []).map((music): Block => ({ kind: "music", music, height: music.height })),
    ...parts.map(({ bars, homeMode }): Block => {
      const mode = sheetMode(homeMode, barRangeText(tune, bars), tuning);
      return { kind: "mode", mode, height: modeBlockHeight(tuning, mode.position) };
    }),
  ];
  return (
    <PrintSheet
      title={TUNE_SHEET}
      fileName="tune"
      open={open}
      onClose={onClose}
      pages={(height) =>
        pagesOf(blocks(), height).map((page, at, all) => (
          <SheetFrame key={at} height={height} label={pageText(name, at + 1, all.length)}>
            {page.map(({ block, y }) => {
              if (block.kind === "mode")
                return (
                  <ModeBlock
                    key={y}
                    {...block.mode}
                    y={y}
                    tuning={tuning}
                    isLeft={leftHanded}
                    comparedBy={comparedBy}
                  />
                );
              if (block.kind === "music")
                return (
                  <g
                    key={y}
                    transform={`translate(${MARGIN} ${y})`}
                    fill={INK}
                    // What the engraving library draws from the tune's notes.
                    dangerouslySetInnerHTML={{ __html: block.music.markup }}
                  />
                );
              return (
                <g key="title">
                  <Label x={MARGIN} y={y + 24} size={28} weight={720}>
                    {name}
                  </Label>
                  <Label x={MARGIN} y={y + 48} size={15}>
                    {headlineText(found)}
                  </Label>
                  <rect x={MARGIN} y={y + 58} width={INNER} height={2} fill={INK} />
                </g>
              );
            })}
          </SheetFrame>
        ))
      }
    />
  );
}
