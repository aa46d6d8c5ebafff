import { type HomeMode, transpose } from "../scale";
import { soundOf } from "../pitch";
import type { Place } from "./neck";
import { runStrings, type RunString, type Tuning } from "./tuning";

/** The part of a neck that a run is laid out on, and the fret at which the index finger stands. */
export interface NeckRegion {
  readonly strings: readonly RunString[];
  /** The lowest and highest fret that there is. Open sounds are those over the lowest. */
  readonly lowest: number;
  readonly highest: number;
  readonly hand: number;
  /** Frets that the fingers cover without a stretch. */
  readonly reach: number;
  /** Frets that alone may be taken, where not the whole neck. */
  readonly within?: readonly [from: number, to: number];
}

/** Where the sounds of a run lie, in order, and how far the hand is stretched for them. */
export interface Layout {
  readonly places: readonly Place[];
  readonly cost: number;
}

/** A fret above the reach is a little dearer than one below the index finger: the hand goes back more easily than out. */
const ABOVE = 1.1;
const FAR = 4;
/** At the nut an open string is taken before a pressed one that sounds the same. */
const OPEN = -0.05;

/** What it costs to take a fret. */
function strain(fret: number, { lowest, hand, reach }: NeckRegion): number {
  const above = fret - hand;
  if (fret === lowest && above === 0) return OPEN;
  if (above >= 0 && above < reach) return 0;
  if (above === -1) return 1;
  if (above === reach) return ABOVE;
  return FAR + (above < 0 ? -above : above - reach);
}

/**
 * Puts rising sounds on strings, each once and never going back to a lower string, with the least strain on a hand that
 * stays where it is. Shortest path over the sounds. Undefined where a sound lies on no string. `bound` ties sounds to places.
 *
 * @example layOut(ground at fret 5, [59, 60]) // B3 and C4 on string 3 of a guitar, frets 4 and 5
 */
export function layOut(
  ground: NeckRegion,
  sounds: readonly number[],
  bound: ReadonlyMap<number, Place> = new Map(),
): Layout | undefined {
  const { strings } = ground;
  const [low, high] = ground.within ?? [ground.lowest, ground.highest];
  const fretOf = (midi: number, { open }: RunString) => ground.lowest + midi - open;
  const costs: number[][] = [];
  const froms: number[][] = [];
  for (const [at, midi] of sounds.entries()) {
    const before = costs[at - 1];
    let cheapest = before ? Infinity : 0;
    let from = -1;
    const row: number[] = [];
    const rowFrom: number[] = [];
    for (const [each, string] of strings.entries()) {
      const reached = before?.[each] ?? Infinity;
      if (before && reached < cheapest) {
        cheapest = reached;
        from = each;
      }
      const fret = fretOf(midi, string);
      const tied = bound.get(midi);
      const isThere = fret >= low && fret <= high && (!tied || tied.string === string.string);
      row.push(isThere ? cheapest + strain(fret, ground) : Infinity);
      rowFrom.push(from);
    }
    costs.push(row);
    froms.push(rowFrom);
  }
  const last = costs.at(-1) ?? [];
  const cost = Math.min(...last);
  if (!Number.isFinite(cost)) return undefined;
  const places: Place[] = [];
  for (let at = sounds.length - 1, each = last.indexOf(cost); at >= 0; at -= 1) {
    const string = strings[each];
    if (string) places.push({ string: string.string, fret: fretOf(sounds[at] ?? 0, string) });
    each = froms[at]?.[each] ?? 0;
  }
  return { places: places.reverse(), cost };
}
/** The sounds of a mode from one MIDI number to another, both counted, rising. */
export function soundsBetween({ home, mode }: HomeMode, low: number, high: number): readonly number[] {
  const set = transpose(mode.sounds, soundOf(home));
  return Array.from({ length: Math.max(0, high - low + 1) }, (_, at) => low + at).filter(
    (midi) => (set >> (midi % 12)) & 1,
  );
}
/** A hand at a fret: from the first note on the lowest string that it covers to the last one on the highest. */
export function handAt(ground: NeckRegion, homeMode: HomeMode): Layout | undefined {
  const { strings, lowest, highest, hand, reach } = ground;
  const [first, last] = [strings[0], strings.at(-1)];
  if (!first || !last) return undefined;
  const low = first.open + Math.max(hand, lowest) - lowest;
  const high = last.open + Math.min(hand + reach - 1, highest) - lowest;
  const sounds = soundsBetween(homeMode, low, high);
  return sounds.length === 0 ? undefined : layOut(ground, sounds);
}
/** The neck of a tuning with the hand at a fret. */
export function regionAt(tuning: Tuning, hand: number): NeckRegion {
  return {
    strings: runStrings(tuning),
    lowest: tuning.capo,
    highest: tuning.frets,
    hand,
    reach: tuning.hand,
  };
}
