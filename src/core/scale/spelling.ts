import { accidentalsOf, type Fifths, modulo } from "../pitch";
import type { HomeMode } from "./count";
import { notesOf } from "./count";
import type { Mode } from "./catalogue";

/** How many sharps and flats a mode needs on its home, doubles counted twice. */
export function accidentalCost(homeMode: HomeMode): number {
  return notesOf(homeMode).reduce((sum, note) => sum + Math.abs(accidentalsOf(note)), 0);
}

/**
 * The spelling of a sounding home (0 is C) that gives the mode the fewest accidentals; on a tie the sharp one.
 *
 * @example bestHome(6, mode("ionian")) // 6, F♯ (G♭ has six accidentals too)
 */
export function bestHome(sound: number, mode: Mode): Fifths {
  const sharp = modulo(sound * 7, 12);
  return [sharp, sharp - 12, sharp + 12].reduce((best, home) =>
    accidentalCost({ home, mode }) < accidentalCost({ home: best, mode }) ? home : best,
  );
}

/** The same sound under another name with fewer accidentals, offered past seven of them; else undefined. */
export function enharmonicHome({ home, mode }: HomeMode): Fifths | undefined {
  if (accidentalCost({ home, mode }) <= 7) return undefined;
  const other = bestHome(modulo(home * 7, 12), mode);
  return other === home ? undefined : other;
}
