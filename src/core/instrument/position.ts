import type { Pitch, Interval } from "../pitch";
import type { Fingered } from "./hand";
import type { Place } from "./neck";

/** The ways to divide a neck. */
export const SYSTEMS = [
  "five-positions",
  "three-per-string",
  "pentatonic-frame",
  "octave-pairs",
  "one-string",
  "open",
] as const;
export type System = (typeof SYSTEMS)[number];

/** A note of a position: where, what, and with which finger. */
export interface PositionNote extends Fingered {
  readonly pitch: Pitch;
  readonly interval: Interval;
  /** In a pentatonic frame: one of the five notes; elsewhere true. */
  readonly isFrame: boolean;
}

/** The same notes fingered otherwise, for a hand that is not to open so far. */
interface OtherFingering {
  readonly notes: readonly PositionNote[];
  readonly stretchMm: number;
}

/** What a position goes by: the open-chord shape round its home, the degree it begins on, how octave pairs share the notes, its number on a fiddle, its string, or the open strings. */
export type PositionName =
  | { readonly code: "shape"; readonly shape: "C" | "A" | "G" | "E" | "D" }
  | { readonly code: "from"; readonly interval: Interval }
  | {
      readonly code: "pairs";
      readonly interval: Interval;
      readonly division: readonly [onLow: number, onHigh: number];
    }
  | { readonly code: "position"; readonly number: number }
  | { readonly code: "string"; readonly string: number }
  | { readonly code: "open" };

/** Notes under one hand, or along one way of dividing the neck: each pitch once, in playing order, lowest first. */
export interface Position {
  readonly name: PositionName;
  /** The index finger's fret, by which positions are found again when the mode changes. */
  readonly hand: number;
  readonly fromFret: number;
  readonly toFret: number;
  /** Millimetres between the outer fingers where the hand is open widest. */
  readonly stretchMm: number;
  readonly notes: readonly PositionNote[];
  /** Where the stretch is beyond the limit: the same notes with the hand moved instead. */
  readonly easier?: OtherFingering;
}

/** Where the notes of a position lie, before fingers are put to them. */
export interface UnfingeredPosition {
  readonly places: readonly Place[];
  /** The index finger's fret at the start. */
  readonly hand: number;
  /** The hand does not move. */
  readonly stays: boolean;
  readonly name?: PositionName;
  /** Octave pairs: notes on the lower and on the upper string of each. */
  readonly division?: readonly [onLow: number, onHigh: number];
}
