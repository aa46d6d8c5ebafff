import { type ReactNode } from "react";
import type { Place } from "@/core/instrument";
import {
  isDrawn,
  isMarked,
  NECK,
  neckHeight,
  type NeckView,
  markerAt,
  markerHeight,
  stringAt,
  wireAt,
  wiresOf,
} from "@/kit/neck";

/** The sheet is an upright page of A4's proportions. */
export const WIDTH = 840;
export const HEIGHT = 1188;

export const MARGIN = 56;
export const INNER = WIDTH - 2 * MARGIN;
/** From the foot of a page to the line that stands there. */
const FOOT = 26;
export const INK = "#14232b";
export const SOFT = "#4c5d64";
export const LINE = "#c6cfcc";
export const LIT = "#f2a900";
export const PAPER = "#ffffff";
export const OUTSIDE = "#b4472e";

/** Paper of the shades from bright to dark, by their names, as on the screen: a saved drawing has no style sheet. */
export const SHADE_PAPERS: Readonly<Record<string, string>> = {
  "3": "#fff5d6",
  "2": "#f1ecd9",
  "1": "#d9dcd1",
  "0": "#b4c0be",
  "-1": "#83969c",
  "-2": "#4c626d",
  "-3": "#22343f",
};

interface LabelProps {
  readonly x: number;
  readonly y: number;
  readonly size?: number;
  readonly weight?: number;
  readonly fill?: string;
  readonly anchor?: "start" | "middle" | "end";
  readonly children: string;
}

/** A line of text on the sheet. */
export function Label({ x, y, size = 14, weight = 400, fill = INK, anchor = "start", children }: LabelProps) {
  return (
    <text x={x} y={y} fontSize={size} fontWeight={weight} fill={fill} textAnchor={anchor}>
      {children}
    </text>
  );
}

/** A marker with a name: home on its sill, characteristic notes amber and notched, as on the screen. */
export function Marker(props: {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly isHome: boolean;
  readonly isCharacteristic: boolean;
  /** Black on white: a characteristic note is told by its notch alone. */
  readonly isPlain?: boolean | undefined;
  readonly children: ReactNode;
}) {
  const { x, y, width, height, isHome, isCharacteristic, isPlain = false, children } = props;
  const notch = Math.min(10, height / 2.4);
  return (
    <g>
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        fill={isCharacteristic && !isPlain ? LIT : PAPER}
        stroke={INK}
      />
      {isHome && <rect x={x} y={y + height - height / 9} width={width} height={height / 9} fill={INK} />}
      {isCharacteristic && <path d={`M${x + width} ${y}v${notch}l${-notch} ${-notch}z`} fill={INK} />}
      {children}
    </g>
  );
}

interface SheetFrameProps {
  readonly label: string;
  readonly height?: number;
  /** At the foot of every page: what it is for, and which page of how many. */
  readonly foot: string;
  readonly page?: number;
  readonly pages?: number;
  readonly children: ReactNode;
}

/** The page itself, with its fonts, white to its edges, and its foot. */
export function SheetFrame({ label, height = HEIGHT, foot, page = 1, pages = 1, children }: SheetFrameProps) {
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      viewBox={`0 0 ${WIDTH} ${height}`}
      fontFamily="Signs, 'Archivo Variable', Archivo, 'Noto Music', sans-serif"
      role="img"
      aria-label={label}
    >
      <rect width={WIDTH} height={height} fill={PAPER} />
      {children}
      <Label x={MARGIN} y={height - FOOT} size={12} fill={SOFT}>
        {foot}
      </Label>
      <Label x={MARGIN + INNER} y={height - FOOT} size={12} fill={SOFT} anchor="end">
        {`${page} / ${pages}`}
      </Label>
    </svg>
  );
}

/** A note on the neck of a sheet. */
interface DrawnNote extends Place {
  readonly label: string;
  readonly isHome: boolean;
  readonly isCharacteristic: boolean;
}

interface NeckDrawingProps {
  readonly view: NeckView;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly notes: readonly DrawnNote[];
  readonly isPlain?: boolean;
}

/** Height that the drawing of a neck takes at a width. */
export const neckDrawingHeight = (view: NeckView, width: number): number =>
  (neckHeight(view) + 12) * (width / view.width);

/** Larger than on the screen, since the drawing is scaled down to the page. */
const MARKER = 42;

/** A neck at its place on the sheet, as wide as is asked. */
export function NeckDrawing({ view, x, y, width, notes, isPlain }: NeckDrawingProps) {
  const { tuning, fromFret, toFret } = view;
  const foot = stringAt(tuning.strings.length, view);
  const [nut, end] = [wireAt(Math.max(0, fromFret - 1), view), wireAt(toFret, view)];
  const height = markerHeight(view) + 1.5;
  return (
    <g transform={`translate(${x} ${y}) scale(${width / view.width})`}>
      {tuning.strings.map((_, at) => (
        <rect
          key={at}
          x={Math.min(nut, end)}
          y={stringAt(at + 1, view) - 0.5}
          width={Math.abs(end - nut)}
          height={1 + at * 0.3}
          fill={SOFT}
        />
      ))}
      {fromFret === 0 && (
        <rect x={nut - 2.5} y={NECK.top - 8} width={5} height={foot - NECK.top + 16} fill={INK} />
      )}
      {tuning.capo > fromFret && (
        <rect
          x={markerAt(tuning.capo, view) - 3}
          y={NECK.top - 8}
          width={6}
          height={foot - NECK.top + 16}
          fill={INK}
        />
      )}
      {wiresOf(view).map((fret) => (
        <g key={fret}>
          <rect
            x={wireAt(fret, view) - 0.7}
            y={tuning.isFretted ? NECK.top - 8 : foot + 4}
            width={1.4}
            height={tuning.isFretted ? foot - NECK.top + 16 : 8}
            fill={LINE}
          />
          <Label
            x={markerAt(fret, view)}
            y={foot + 42}
            size={20}
            anchor="middle"
            fill={SOFT}
            weight={isMarked(fret) ? 700 : 400}
          >
            {String(fret)}
          </Label>
        </g>
      ))}
      {notes
        .filter((note) => isDrawn(note, view))
        .map(({ string, fret, label, isHome, isCharacteristic }) => {
          const middle = stringAt(string, view);
          const at = markerAt(fret, view);
          return (
            <Marker
              key={`${string} ${fret}`}
              x={at - MARKER / 2}
              y={middle - height / 2}
              width={MARKER}
              height={height}
              isHome={isHome}
              isCharacteristic={isCharacteristic}
              isPlain={isPlain}
            >
              <Label x={at} y={middle + 7} size={20} weight={600} anchor="middle">
                {label}
              </Label>
            </Marker>
          );
        })}
    </g>
  );
}
