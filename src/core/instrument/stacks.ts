import { type Chord, chordNotes } from "../chord";
import { modulo, soundOf } from "../pitch";
import type { Fingering } from "./fingering";
import { soundAt } from "./neck";
import type { Tuning } from "./tuning";

/** A stack of notes on neighbouring strings. */
export interface StringStack {
  readonly chord: Chord;
  /** From the string that lies lowest; null where one is not played. */
  readonly frets: Fingering;
}

/**
 * Chords taken on so many neighbouring strings, one note each from the lowest up, from the nut to the end of the neck: what
 * comping in fourths needs.
 *
 * @param lowest the string that the lowest note is taken on
 * @example stacksOn(GUITAR, [D G C], 5)[0]?.frets // [null, 5, 5, 5, null, null]
 */
export function stacksOn(
  tuning: Tuning,
  chords: readonly Chord[],
  lowest: number,
  hand = 4,
): readonly StringStack[] {
  const count = tuning.strings.length;
  const stacks = chords.flatMap((chord) => {
    const notes = chordNotes(chord);
    const all: StringStack[] = [];
    for (let fret = tuning.capo; fret <= tuning.frets; fret += 1) {
      const taken = takenFrom(tuning, notes, lowest, fret, hand);
      if (taken) all.push({ chord, frets: Array.from({ length: count }, (_, at) => taken[at] ?? null) });
    }
    return all;
  });
  const low = ({ frets }: StringStack) => Math.min(...frets.filter((fret) => fret !== null));
  return stacks.toSorted((a, b) => low(a) - low(b));
}

/** Frets by place from the lowest-lying string, the first note at a fret and each next one near it; none where one is not there. */
function takenFrom(
  tuning: Tuning,
  notes: readonly number[],
  lowest: number,
  fret: number,
  hand: number,
): readonly (number | undefined)[] | undefined {
  const count = tuning.strings.length;
  const frets: (number | undefined)[] = [];
  if (lowest < notes.length) return undefined;
  for (const [n, note] of notes.entries()) {
    const string = lowest - n;
    const near = n === 0 ? [fret] : Array.from({ length: 2 * hand + 1 }, (_, at) => fret - hand + at);
    const found = near
      .filter((each) => each >= tuning.capo && each <= tuning.frets)
      .filter((each) => modulo(soundAt(tuning, { string, fret: each }), 12) === soundOf(note))
      .toSorted((a, b) => Math.abs(a - fret) - Math.abs(b - fret))[0];
    if (found === undefined) return undefined;
    frets[count - string] = found;
  }
  const pressed = frets.filter((each) => each !== undefined);
  return Math.max(...pressed) - Math.min(...pressed) <= hand ? frets : undefined;
}
