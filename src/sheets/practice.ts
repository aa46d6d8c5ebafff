import {
  type LineFigure,
  type LineNote,
  lineOn,
  type Position,
  positions,
  type System,
  type Tuning,
} from "@/core/instrument";
import { type HomeMode } from "@/core/scale";
import { INNER } from "@/kit/sheet";

/** What is chosen for a practice sheet. */
export interface PracticeAsked {
  readonly modes: readonly HomeMode[];
  readonly system: System;
  /** Only the positions whose hand stands here; all of the first octave where there are none. */
  readonly hands: readonly number[];
  readonly figures: readonly LineFigure[];
  readonly octaves: 1 | 2;
}

/** A part of a practice sheet that is never cut: as high as it says, in units of the page. */
export type Block =
  | {
      readonly kind: "mode";
      readonly homeMode: HomeMode;
      readonly height: number;
      readonly isHeading: true;
    }
  | {
      readonly isHeading?: never;
      readonly kind: "positions";
      readonly homeMode: HomeMode;
      readonly pair: readonly Position[];
      readonly height: number;
    }
  | {
      readonly isHeading?: never;
      readonly kind: "line";
      readonly homeMode: HomeMode;
      readonly figure: LineFigure;
      /** The line's notes from one place on: a row holds so many. */
      readonly notes: readonly LineNote[];
      /** Which of the line's notes the first of them is, from 0. */
      readonly from: number;
      readonly isFirst: boolean;
      readonly height: number;
    }
  | {
      readonly isHeading?: never;
      readonly kind: "none";
      readonly homeMode: HomeMode;
      readonly what: "positions" | LineFigure;
      readonly height: number;
    };

/** Notes of a line to a row of the page. */
export const NOTES_A_ROW = 24;
export const TAB_GAP = 11;
/** Room for stems and beams under the fingers. */
const RHYTHM_ROOM = 18;

const HEADING = 64;
const NONE = 34;
const CAPTION = 30;

/** Two positions stand side by side. */
export const POSITION_WIDTH = (INNER - 24) / 2;
/** Units of a neck's drawing across a position: its markers are as large as on the mode sheet. */
export const POSITION_VIEW = 560;

/** Height of a position with its caption. */
const positionHeight = ({ strings }: Tuning): number =>
  CAPTION + (14 + (strings.length - 1) * 25 + 44) * (POSITION_WIDTH / POSITION_VIEW) + 14;

const lineHeight = ({ strings }: Tuning, isFirst: boolean): number =>
  (isFirst ? 26 : 0) + 20 + (strings.length - 1) * TAB_GAP + 34 + RHYTHM_ROOM;

/** Positions of the first octave of the neck: further up the same ones come again. */
const firstOctave = (all: readonly Position[]): readonly Position[] => {
  const lowest = all[0]?.hand ?? 0;
  return all.filter(({ hand }) => hand < lowest + 12);
};

/** The parts of a sheet in order: for each mode its name, the positions in pairs, the lines in rows. */
export function blocksOf(asked: PracticeAsked, tuning: Tuning): readonly Block[] {
  return asked.modes.flatMap((homeMode): readonly Block[] => {
    const all = positions(tuning, homeMode, asked.system);
    const chosen = all.filter(({ hand }) => asked.hands.includes(hand));
    const shown = chosen.length > 0 ? chosen : firstOctave(all);
    const pairs = Array.from({ length: Math.ceil(shown.length / 2) }, (_, at) =>
      shown.slice(2 * at, 2 * at + 2),
    );
    return [
      { kind: "mode", homeMode, height: HEADING, isHeading: true },
      ...(pairs.length === 0 ? [{ kind: "none", homeMode, what: "positions", height: NONE } as const] : []),
      ...pairs.map(
        (pair) => ({ kind: "positions", homeMode, pair, height: positionHeight(tuning) }) as const,
      ),
      ...asked.figures.flatMap((figure) => lineBlocks(homeMode, figure, asked, tuning)),
    ];
  });
}

function lineBlocks(
  homeMode: HomeMode,
  figure: LineFigure,
  { octaves, hands }: PracticeAsked,
  tuning: Tuning,
): readonly Block[] {
  const line = lineOn(tuning, homeMode, { figure, octaves, near: hands[0] ?? tuning.capo + 1 });
  if (!line) return [{ kind: "none", homeMode, what: figure, height: NONE }];
  return Array.from({ length: Math.ceil(line.length / NOTES_A_ROW) }, (_, at) => ({
    kind: "line",
    homeMode,
    figure,
    notes: line.slice(at * NOTES_A_ROW, (at + 1) * NOTES_A_ROW),
    from: at * NOTES_A_ROW,
    isFirst: at === 0,
    height: lineHeight(tuning, at === 0),
  }));
}
