import { modulo } from "../pitch";
import { openSounds, type Tuning } from "./tuning";

/** Frets of the part of a neck in which notes are looked for: a hand and one fret more. */
const SPAN = 4;

/** Where notes are to be found: between which frets, and every pitch there that sounds so, as MIDI numbers from the lowest. */
export interface NotesToFind {
  readonly fromFret: number;
  readonly toFret: number;
  readonly midis: readonly number[];
}

/**
 * A note wherever it lies between two frets. From the fret on that is given the part is five frets wide, and wider where the note isn't in it.
 *
 * @param sound the sounding pitch class, 0 to 11
 * @param from the lowest fret, within the neck above the capo
 * @example notesToFind(guitar, 11, 5) // frets 5 to 9: B2 (47), B3 (59) and B4 (71)
 */
export function notesToFind(tuning: Tuning, sound: number, from: number): NotesToFind {
  const fromFret = Math.max(tuning.capo, Math.min(from, tuning.frets - SPAN));
  for (let toFret = Math.min(tuning.frets, fromFret + SPAN); ; toFret += 1) {
    const midis = new Set<number>();
    for (const open of openSounds(tuning))
      for (let fret = fromFret; fret <= toFret; fret += 1) {
        const midi = open + fret - tuning.capo;
        if (modulo(midi, 12) === sound) midis.add(midi);
      }
    if (midis.size > 0 || toFret >= tuning.frets)
      return { fromFret, toFret, midis: [...midis].toSorted((a, b) => a - b) };
  }
}
