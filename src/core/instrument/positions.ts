import { type Interval, type Pitch } from "../pitch";
import { type HomeMode } from "../scale";
import { fivePositions } from "./five-positions";
import { frame, pentatonicFrame } from "./frame";
import { COMFORTABLE_STRETCH, type Fingered, fingerRun, stretchOf } from "./hand";
import { namesOf, type Place, soundAt } from "./neck";
import { octavePairs, oneString, openPosition, threePerString, type Laid } from "./runs";
import type { Tuning } from "./tuning";

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
export interface OtherFingering {
  readonly notes: readonly PositionNote[];
  readonly stretchMm: number;
}

/** What a position goes by: the open-chord shape round its home, the degree it begins on, its string, or the open strings. */
export type PositionName =
  | { readonly code: "shape"; readonly shape: "C" | "A" | "G" | "E" | "D" }
  | { readonly code: "from"; readonly interval: Interval }
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

const LAYING: Readonly<Record<System, (tuning: Tuning, homeMode: HomeMode) => readonly Laid[]>> = {
  "five-positions": fivePositions,
  "three-per-string": threePerString,
  "pentatonic-frame": pentatonicFrame,
  "octave-pairs": octavePairs,
  "one-string": oneString,
  open: openPosition,
};

/**
 * The positions of a mode on a neck, in one of the ways to divide it, from the nut up; none where the tuning has no room for
 * them. `limit` is the stretch in millimetres beyond which an easier fingering is added.
 *
 * @example positions(GUITAR, D Dorian, "five-positions").map(({ hand }) => hand) // 0, 2, 5, 7, 10 …
 */
export function positions(
  tuning: Tuning,
  homeMode: HomeMode,
  system: System,
  limit: number = COMFORTABLE_STRETCH,
): readonly Position[] {
  const named = namesOf(homeMode);
  const framed = system === "pentatonic-frame" ? new Set(frame(homeMode.mode)) : undefined;
  const note = (taken: Fingered): PositionNote => {
    const pitch = named(soundAt(tuning, taken)) ?? { name: homeMode.home, octave: 0 };
    const interval = pitch.name - homeMode.home;
    return { ...taken, pitch, interval, isFrame: framed?.has(interval) ?? true };
  };
  return LAYING[system](tuning, homeMode).flatMap((laid): Position[] => {
    const fingered = fingering(tuning, laid);
    if (!fingered) return [];
    const notes = fingered.map(note);
    const frets = notes.map(({ fret }) => fret);
    const stretchMm = stretchOf(tuning, fingered);
    const eased = stretchMm > limit ? fingerRun(tuning, singly(laid.places), { limit }) : undefined;
    return [
      {
        name: nameOf(tuning, laid, notes),
        hand: laid.hand,
        fromFret: Math.min(...frets),
        toFret: Math.max(...frets),
        stretchMm,
        notes,
        ...(eased && { easier: { notes: eased.map(note), stretchMm: stretchOf(tuning, eased) } }),
      },
    ];
  });
}

const singly = (places: readonly Place[]): readonly (readonly Place[])[] => places.map((place) => [place]);

/** Under one hand where the layout stays there and four fingers do; otherwise with the hand moving. */
function fingering(tuning: Tuning, { places, hand, stays }: Laid): readonly Fingered[] | undefined {
  const index = Math.max(hand, tuning.capo + 1);
  return (
    (stays ? fingerRun(tuning, singly(places), { hand: index }) : undefined) ??
    fingerRun(tuning, singly(places), { near: index })
  );
}

/** Half steps between the strings of a guitar as it is usually tuned, lowest first. */
const USUAL_GUITAR = "5 5 5 4 5";

/**
 * The name of a position. On a guitar in its usual tuning, five positions go by the open chord whose shape lies round the
 * lowest home: on string 6 under the first fingers E, under the last ones G; on string 5 A and C; on string 4 D.
 */
function nameOf(tuning: Tuning, { name, hand, stays }: Laid, notes: readonly PositionNote[]): PositionName {
  if (name) return name;
  const steps = tuning.strings.map((_, at) =>
    soundAt(tuning, { string: tuning.strings.length - at, fret: 0 }),
  );
  const isUsual =
    steps
      .slice(1)
      .map((sound, at) => sound - (steps[at] ?? 0))
      .join(" ") === USUAL_GUITAR;
  const home = notes.find(({ interval }) => interval === 0);
  if (isUsual && stays && home && home.string >= 4) {
    const isUnderFirst = home.fret - hand <= 1;
    const shape =
      home.string === 4 ? "D" : home.string === 5 ? (isUnderFirst ? "A" : "C") : isUnderFirst ? "E" : "G";
    return { code: "shape", shape };
  }
  return { code: "from", interval: notes[0]?.interval ?? 0 };
}

/** In which order a position is played: up and down, or from the lowest home up, down past it, and back. */
export const ORDERS = ["up-and-down", "from-home"] as const;
export type Order = (typeof ORDERS)[number];

/**
 * The notes of a position as they are played, by their place in it.
 *
 * @example playingOrder([5th, home, 2nd], "from-home") // 1 2 1 0 1: home, up, down past it, and back
 */
export function playingOrder(
  notes: readonly Pick<PositionNote, "interval">[],
  order: Order,
): readonly number[] {
  const up = notes.map((_, at) => at);
  const home = notes.findIndex(({ interval }) => interval === 0);
  if (order === "up-and-down" || home < 0) return [...up, ...up.slice(0, -1).reverse()];
  const above = up.slice(home);
  const below = up.slice(0, home);
  return [...above, ...above.slice(0, -1).reverse(), ...[...below].reverse(), ...below.slice(1), home].filter(
    (at, place, all) => at !== all[place - 1],
  );
}
