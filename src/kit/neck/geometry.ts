import { fretAt, openSounds, type Place, type Tuning } from "@/core/instrument";

/** What part of a neck is drawn, and for which hand. */
export interface NeckView {
  readonly tuning: Tuning;
  /** The frets that are drawn; 0 has the open strings beside the nut. */
  readonly fromFret: number;
  readonly toFret: number;
  /** For the left hand the nut stands at the right. */
  readonly isLeft: boolean;
  /** Width of the drawing in its own units: the narrower, the larger everything on it. */
  readonly width: number;
}

/** Measures of the neck's drawing, in its own units. */
export const NECK = { width: 1256, nut: 68, margin: 16, top: 14, markerWidth: 31, tallest: 21 };

/** Six strings and fewer stand this far apart; more share the same height. */
const STRING_GAP = 25;
const MAX_SPREAD = 5 * STRING_GAP;

/** A view that fits its tuning: at least four frets, none past the last, the capo's hand among them. */
export function viewOf(
  tuning: Tuning,
  fromFret: number,
  toFret: number,
  isLeft: boolean,
  width = NECK.width,
): NeckView {
  const high = Math.min(tuning.frets, Math.max(toFret, tuning.capo + 4));
  const low = Math.max(0, Math.min(fromFret, high - 4));
  return { tuning, fromFret: low, toFret: high, isLeft, width };
}

const gapOf = ({ strings }: Tuning): number =>
  strings.length < 2 ? STRING_GAP : Math.min(STRING_GAP, MAX_SPREAD / (strings.length - 1));

/** Height of a marker: a little less than the way from string to string. */
export const markerHeight = ({ tuning }: NeckView): number => Math.min(NECK.tallest, gapOf(tuning) - 3);

const sided = (x: number, { isLeft, width }: NeckView): number => (isLeft ? width - x : x);

/** Where a fret lies between the ends of the drawing before the hand is minded. True spacing. */
function along(fret: number, { fromFret, toFret, width }: NeckView): number {
  const start = fretAt(Math.max(0, fromFret - 1));
  // Without the open strings beside it the first fret begins at the edge.
  const left = fromFret === 0 ? NECK.nut : NECK.margin;
  return left + ((fretAt(fret) - start) / (fretAt(toFret) - start)) * (width - NECK.margin - left);
}

/** The x of a fret wire; 0 is the nut. */
export const wireAt = (fret: number, view: NeckView): number => sided(along(fret, view), view);

/** Frets whose wires are drawn. */
export const wiresOf = ({ fromFret, toFret }: NeckView): readonly number[] =>
  Array.from({ length: toFret - Math.max(0, fromFret - 1) }, (_, at) => Math.max(1, fromFret) + at);

/** The x at the middle of a marker: halfway between its fret and the one before; open strings beside the nut. */
export function markerAt(fret: number, view: NeckView): number {
  return sided(fret === 0 ? NECK.nut - 22 : (along(fret - 1, view) + along(fret, view)) / 2, view);
}

/** The y of a string; string 1, the highest, is at the top. */
export const stringAt = (string: number, { tuning }: NeckView): number =>
  NECK.top + (string - 1) * gapOf(tuning);

/** Height of the drawing with the fret numbers below. */
export const neckHeight = (view: NeckView): number => stringAt(view.tuning.strings.length, view) + 30;

/** Frets whose numbers are set in bold: where necks are usually marked. */
export const isMarked = (fret: number): boolean => [0, 3, 5, 7, 9].includes(fret % 12);

/** Whether a place is drawn. */
export const isDrawn = ({ fret }: Place, { fromFret, toFret }: NeckView): boolean =>
  fret >= fromFret && fret <= toFret;

/** The place on the neck whose marker lies nearest to a point of the drawing; undefined beyond the strings. */
export function placeNear(view: NeckView, x: number, y: number): Place | undefined {
  const strings = view.tuning.strings.length;
  const string = Math.round((y - NECK.top) / gapOf(view.tuning)) + 1;
  if (string < 1 || string > strings) return undefined;
  const away = (fret: number) => Math.abs(markerAt(fret, view) - x);
  const frets = Array.from({ length: view.toFret - view.fromFret + 1 }, (_, at) => view.fromFret + at);
  return { string, fret: frets.reduce((best, next) => (away(next) < away(best) ? next : best)) };
}

/** The MIDI number of a place: open strings sound over the capo, and so does what lies behind it. */
export function soundAt(tuning: Tuning, { string, fret }: Place): number {
  const open = openSounds(tuning)[tuning.strings.length - string] ?? 0;
  return open + Math.max(0, fret - tuning.capo);
}
