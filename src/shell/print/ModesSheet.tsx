import { useStore } from "@nanostores/react";
import type { ReactNode } from "react";
import { positions } from "@/core/instrument";
import type { HomeMode } from "@/core/scale";
import { $hand, $settings, $sheetNeck, positionAt } from "@/session";
import {
  INK,
  INNER,
  Label,
  MARGIN,
  ModeBlock,
  modeBlockHeight,
  pagesOf,
  type SheetBlock,
  SheetFrame,
} from "@/kit/sheet";
import { pageText, playedOnText } from "@/words";
import { PrintSheet } from "./PrintSheet";

/** A part of a sheet that is never cut, and how it is drawn at its height on a page. */
export interface SheetPart extends SheetBlock {
  readonly draw: (y: number) => ReactNode;
}

export interface ModesSheetProps {
  /** What kind of sheet it is: "Lead sheet". */
  readonly title: string;
  readonly fileName: string;
  /** What it is of, and the answer about it in a line. */
  readonly name: string;
  readonly answer: string;
  /** The chart or the music, asked for while the sheet is open. */
  readonly parts: () => readonly SheetPart[];
  /** The modes below it, each with where it holds. */
  readonly modes: readonly { readonly homeMode: HomeMode; readonly where: string }[];
  readonly open: boolean;
  readonly onClose: () => void;
}

const HEAD_HEIGHT = 78;

/** A chart or a tune as it is printed: its title and answer, what it is, then each mode with its strip and a position on the neck. */
export function ModesSheet({ title, fileName, name, answer, parts, modes, open, onClose }: ModesSheetProps) {
  const { instrument, tuning } = useStore($sheetNeck);
  const hand = useStore($hand);
  const { system, stretch, leftHanded } = useStore($settings);
  const head: SheetPart = {
    height: HEAD_HEIGHT,
    draw: (y) => (
      <g>
        <Label x={MARGIN} y={y + 24} size={28} weight={720}>
          {name}
        </Label>
        <Label x={MARGIN} y={y + 48} size={15}>
          {answer}
        </Label>
        <rect x={MARGIN} y={y + 58} width={INNER} height={2} fill={INK} />
      </g>
    ),
  };
  const modePart = ({ homeMode, where }: ModesSheetProps["modes"][number]): SheetPart => {
    // The position that the hand is nearest to, as the neck is divided now.
    const position = positionAt(positions(tuning, homeMode, system, stretch), hand);
    return {
      height: modeBlockHeight(tuning, position),
      draw: (y) => <ModeBlock {...{ homeMode, where, position, y, tuning }} isLeft={leftHanded} />,
    };
  };
  return (
    <PrintSheet
      title={title}
      fileName={fileName}
      open={open}
      onClose={onClose}
      pages={(height) =>
        pagesOf([head, ...parts(), ...modes.map(modePart)], height).map((page, at, all) => (
          <SheetFrame
            key={at}
            height={height}
            label={pageText(name, at + 1, all.length)}
            foot={`${name} · ${playedOnText(instrument, tuning)}`}
            page={at + 1}
            pages={all.length}
          >
            {page.map(({ block, y }) => (
              <g key={y}>{block.draw(y)}</g>
            ))}
          </SheetFrame>
        ))
      }
    />
  );
}
