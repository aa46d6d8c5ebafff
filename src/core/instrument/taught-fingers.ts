import { type Pitch, staffPlace } from "../pitch";
import type { Fingered } from "./hand";
import type { Place } from "./neck";
import type { Tuning } from "./tuning";

/** A place with the pitch that is taken there. */
export interface Pitched extends Place {
  readonly pitch: Pitch;
}

const LITTLE = 4;

/** Letters of an octave. */
export const LETTERS = 7;

/** The open string that a place is on, over the capo. */
function openLetters({ strings }: Tuning, { string }: Place): number {
  const open = strings[strings.length - string];
  return open ? staffPlace(open) : 0;
}

/** How many letters a note lies above its open string: the finger that takes it in first position. */
const lettersAbove = (tuning: Tuning, note: Pitched): number =>
  Math.max(1, staffPlace(note.pitch) - openLetters(tuning, note));

/**
 * Fingers on an instrument tuned in fifths: by letters, whatever the accidental. In first position the letter above the open string is
 * finger 1, the next ones 2, 3 and 4; in any other position the same from the letter that the first finger stands on.
 *
 * @param notes rising, as they are played
 * @param stays the hand stays where it is; otherwise it moves with each string, and along one after every four letters
 * @example fingersByLetter(FIDDLE, [A3, B3 and C♯4 on string 4], true) // 1 2 3; C natural is a 3 as well
 */
export function fingersByLetter(
  tuning: Tuning,
  notes: readonly Pitched[],
  stays: boolean,
): readonly Fingered[] | undefined {
  const above = notes.map((note) => (note.fret === tuning.capo ? 0 : lettersAbove(tuning, note)));
  const pressed = above.filter((letters) => letters > 0);
  const whole = Math.min(...pressed);
  if (stays && Math.max(...pressed) - whole >= LITTLE) return undefined;
  let first = whole;
  let string: number | undefined;
  let hand = 0;
  return notes.map((note, at): Fingered => {
    const letters = above[at] ?? 0;
    if (letters === 0) return { ...placeOf(note), finger: 0, hand: hand || note.fret + 1, isShift: false };
    const isNewString = note.string !== string;
    const moves = !stays && (isNewString || letters - first >= LITTLE);
    string = note.string;
    if (moves) first = letters;
    const finger = letters - first + 1;
    const before = hand;
    if (moves || hand === 0) hand = stays ? handFor(tuning, notes, above, first) : note.fret;
    return { ...placeOf(note), finger, hand, isShift: !stays && before !== 0 && hand !== before };
  });
}

const placeOf = ({ string, fret }: Place): Place => ({ string, fret });

/** The lowest fret that the first finger takes. */
function handFor(tuning: Tuning, notes: readonly Pitched[], above: readonly number[], first: number): number {
  const frets = notes.flatMap(({ fret }, at) => (above[at] === first ? [fret] : []));
  return frets.length === 0 ? tuning.capo + 1 : Math.min(...frets);
}

/** Fingers next to each other that touch, a half step apart, on a string. */
export interface Touching {
  readonly string: number;
  readonly fingers: readonly [number, number];
}

/**
 * Which neighbouring fingers touch on which strings, from the lowest string up: what a fiddler remembers of a scale.
 *
 * @example touchingFingers(first position of D major on a fiddle) // 3 and 4 on string 4 …: F♯ G on string 3 are fingers 2 and 3
 */
export function touchingFingers(
  notes: readonly Pick<Fingered, "string" | "fret" | "finger">[],
): readonly Touching[] {
  return notes.flatMap((note, at): readonly Touching[] => {
    const next = notes[at + 1];
    const isTouching =
      next !== undefined &&
      next.string === note.string &&
      next.fret - note.fret === 1 &&
      note.finger > 0 &&
      next.finger === note.finger + 1;
    return isTouching ? [{ string: note.string, fingers: [note.finger, next.finger] }] : [];
  });
}

/**
 * Fingers for the notes of one string as they are taught, a finger a note: 1-3-4 and 1-2-4 over four frets, 1-2-4 stretched over five,
 * 1-2-3 over three; four notes begin with a slide of the first finger, and three follow.
 */
function fingersOnString(
  frets: readonly number[],
  capo: number,
): readonly { finger: number; hand: number }[] {
  const [first = 0] = frets;
  if (first === capo) {
    // Over an open string the fingers stand by the frets, one to each.
    const rest = frets.slice(1).map((fret) => ({ finger: Math.min(LITTLE, fret - capo), hand: capo + 1 }));
    const isCrossed = rest.some(({ finger }, at) => finger <= (rest[at - 1]?.finger ?? 0));
    const again = isCrossed ? fingersOnString(frets.slice(1), -1) : rest;
    return [{ finger: 0, hand: capo + 1 }, ...again];
  }
  if (frets.length > 3) return [{ finger: 1, hand: first }, ...fingersOnString(frets.slice(1), capo)];
  const [, middle = first, last = middle] = frets;
  const hand = first;
  const lastFinger = last - first <= 2 ? last - first + 1 : LITTLE;
  const middleFinger = middle - first >= 2 && last - middle === 1 ? 3 : 2;
  const fingers =
    frets.length === 1
      ? [1]
      : frets.length === 2
        ? [1, Math.min(LITTLE, middle - first + 1)]
        : [1, Math.min(middleFinger, lastFinger - 1), lastFinger];
  return fingers.map((finger) => ({ finger, hand }));
}

/**
 * Fingers for a run that is laid out string by string: the hand shifts between strings, and along one only to slide.
 *
 * @param notes rising, as they are played
 * @example fingersByString(GUITAR, [5 7 8 on string 6, 5 7 9 on string 5]) // 1 3 4, 1 2 4
 */
export function fingersByString({ capo }: Tuning, notes: readonly Place[]): readonly Fingered[] {
  const found: Fingered[] = [];
  let at = 0;
  while (at < notes.length) {
    const from = at;
    while (at < notes.length && notes[at]?.string === notes[from]?.string) at += 1;
    const run = notes.slice(from, at);
    const fingers = fingersOnString(
      run.map(({ fret }) => fret),
      capo,
    );
    for (const [n, place] of run.entries()) {
      const { finger = 1, hand = place.fret } = fingers[n] ?? {};
      const before = found.at(-1);
      found.push({ ...placeOf(place), finger, hand, isShift: before !== undefined && before.hand !== hand });
    }
  }
  return found;
}
