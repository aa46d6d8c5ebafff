import { type Pitch } from "../pitch";
import { type HomeMode } from "../scale";
import { fivePositions } from "./five-positions";
import { frame, pentatonicFrame } from "./frame";
import { COMFORTABLE_STRETCH, type Fingered, fingerRun, stretchOf } from "./hand";
import { namesOf, type Place, soundAt } from "./neck";
import type { Position, PositionName, PositionNote, System } from "./position";
import { octavePairs, oneString, openPosition, threePerString } from "./runs";
import { type UnfingeredPosition } from "./position";
import { fingersByLetter, fingersByString, type Pitched } from "./taught-fingers";
import type { Tuning } from "./tuning";

const LAYING: Readonly<
  Record<System, (tuning: Tuning, homeMode: HomeMode) => readonly UnfingeredPosition[]>
> = {
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
  const pitchOf = (place: Place): Pitch =>
    named(soundAt(tuning, place)) ?? { name: homeMode.home, octave: 0 };
  const note = (taken: Fingered): PositionNote => {
    const pitch = pitchOf(taken);
    const interval = pitch.name - homeMode.home;
    return { ...taken, pitch, interval, isFrame: framed?.has(interval) ?? true };
  };
  return LAYING[system](tuning, homeMode).flatMap((laid): Position[] => {
    const pitched = laid.places.map((place) => ({ ...place, pitch: pitchOf(place) }));
    const fingered = fingering(tuning, laid, pitched, system);
    if (!fingered) return [];
    const notes = fingered.map(note);
    const frets = notes.map(({ fret }) => fret);
    const stretchMm = stretchOf(tuning, fingered);
    // Letters decide the fingers of a fiddle, and its neck is short.
    const isEased = stretchMm > limit && tuning.hand === FRET_A_FINGER;
    const eased = isEased ? fingerRun(tuning, singly(laid.places), { limit }) : undefined;
    return [
      {
        name: nameOf(laid, notes),
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

/** A finger to each fret, as on a guitar; on instruments in fifths a finger to each letter. */
const FRET_A_FINGER = 4;

const singly = (places: readonly Place[]): readonly (readonly Place[])[] => places.map((place) => [place]);

/**
 * By letters on instruments in fifths; string by string where that is how the neck is divided; otherwise under one hand where the
 * layout stays there and four fingers do, or with the hand moving.
 */
function fingering(
  tuning: Tuning,
  { places, hand, stays }: UnfingeredPosition,
  pitched: readonly Pitched[],
  system: System,
): readonly Fingered[] | undefined {
  const byLetter =
    tuning.hand === FRET_A_FINGER
      ? undefined
      : (fingersByLetter(tuning, pitched, stays) ?? fingersByLetter(tuning, pitched, false));
  if (byLetter) return byLetter;
  if (system === "three-per-string" || system === "octave-pairs") return fingersByString(tuning, places);
  const index = Math.max(hand, tuning.capo + 1);
  return (
    (stays ? fingerRun(tuning, singly(places), { hand: index }) : undefined) ??
    fingerRun(tuning, singly(places), { near: index })
  );
}

function nameOf({ name, division }: UnfingeredPosition, notes: readonly PositionNote[]): PositionName {
  const interval = notes[0]?.interval ?? 0;
  if (division) return { code: "pairs", interval, division };
  return name ?? { code: "from", interval };
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
