import { type Chord, chordNames, chordNotes } from "../chord";
import { modulo, soundOf, spellSound } from "../pitch";
import type { Fingering } from "./fingering";
import { soundAt } from "./neck";
import type { Tuning } from "./tuning";

/** The sounds of a fingering as MIDI numbers, from the string that lies lowest. */
export function soundsOfFingering(tuning: Tuning, frets: Fingering): readonly number[] {
  return frets.flatMap((fret, at) =>
    fret === null ? [] : [soundAt(tuning, { string: frets.length - at, fret })],
  );
}

/**
 * The chord that a fingering holds, by its best name without regard to which note is lowest; undefined for fewer than two
 * different notes.
 *
 * @param towards where on the line of fifths its notes are looked for: the bass it goes over
 * @example shapeOfFingering(GUITAR, [null, 3, 2, 0, 0, 0], 0) // C E G B: Cmaj7
 */
export function shapeOfFingering(tuning: Tuning, frets: Fingering, towards: number): Chord | undefined {
  const sounds = [...new Set(soundsOfFingering(tuning, frets).map((midi) => modulo(midi, 12)))];
  if (sounds.length < 2) return undefined;
  const names = sounds.map((sound) => spellSound(sound, towards));
  return chordNames(names, undefined)[0];
}

/**
 * A fingering moved along the neck by half steps, up or down an octave where it would leave it; every note of it moves, open
 * strings too. Undefined where it has no room.
 *
 * @example movedFingering(GUITAR, [null, 3, 2, 0, 0, 0], 2) // [null, 5, 4, 2, 2, 2]
 */
export function movedFingering(
  { capo, frets: last }: Pick<Tuning, "capo" | "frets">,
  frets: Fingering,
  halfSteps: number,
): Fingering | undefined {
  const pressed = frets.filter((fret) => fret !== null);
  const [low, high] = [Math.min(...pressed), Math.max(...pressed)];
  const up = modulo(halfSteps, 12);
  const by = [up, up - 12, up + 12]
    .filter((each) => low + each >= capo && high + each <= last)
    .toSorted((a, b) => Math.abs(a) - Math.abs(b))[0];
  return by === undefined ? undefined : frets.map((fret) => (fret === null ? null : fret + by));
}

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
