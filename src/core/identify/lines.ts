import { midiOf, soundOf } from "../pitch";
import type { TuneNote } from "../tune";

/** Places of notes before or after each, in the same voice. */
type Neighbours = readonly (number | undefined)[];

/** The places of the notes before and after each in its voice. Notes of a voice are in order. */
export function neighboursInVoice(notes: readonly TuneNote[]): {
  readonly before: Neighbours;
  readonly after: Neighbours;
} {
  const last = new Map<number, number>();
  const [before, after]: [(number | undefined)[], (number | undefined)[]] = [[], []];
  for (const [at, { voice = 0 }] of notes.entries()) {
    const previous = last.get(voice);
    before[at] = previous;
    if (previous !== undefined) after[previous] = at;
    last.set(voice, at);
  }
  return { before, after };
}

/** Half steps from one note up to another, by their places; undefined where there is none. */
export function stepBetween(
  notes: readonly TuneNote[],
  from: number,
  to: number | undefined,
): number | undefined {
  const [one, other] = [notes[from], to === undefined ? undefined : notes[to]];
  return one && other && midiOf(other.pitch) - midiOf(one.pitch);
}

/** The leading tone, on the line of fifths from home. */
export const LEADING_TONE = 5;

/** A note leads, leans or is raised where it does so this often. */
export const MOSTLY = 0.7;

/** An augmented second up to a note shows that it is the scale's own. */
const AUGMENTED = 3;

/**
 * The sounds that are heard for no more than to lead: mostly the note after is a half step higher in the same voice, and none is reached
 * by an augmented second from below, as the raised seventh of harmonic minor is where the scale itself is played.
 */
export function leadingSounds(notes: readonly TuneNote[]): readonly boolean[] {
  const { before, after } = neighboursInVoice(notes);
  const heard = new Array<number>(12).fill(0);
  const leads = new Array<number>(12).fill(0);
  const isOwn = new Array<boolean>(12).fill(false);
  for (const [at, { pitch }] of notes.entries()) {
    const sound = soundOf(pitch.name);
    heard[sound] = (heard[sound] ?? 0) + 1;
    if (stepBetween(notes, at, after[at]) === 1) leads[sound] = (leads[sound] ?? 0) + 1;
    if (stepBetween(notes, at, before[at]) === -AUGMENTED) isOwn[sound] = true;
  }
  return heard.map(
    (count, sound) => count > 0 && isOwn[sound] !== true && (leads[sound] ?? 0) >= MOSTLY * count,
  );
}

/** Sounds in the middle of three that follow one another by half steps the same way, in one voice: C C♯ D, or back. */
export function chromaticSteps(notes: readonly TuneNote[]): readonly boolean[] {
  const { before, after } = neighboursInVoice(notes);
  const found = new Array<boolean>(12).fill(false);
  for (const [at, { pitch }] of notes.entries()) {
    const [from, to] = [stepBetween(notes, at, before[at]), stepBetween(notes, at, after[at])];
    if (from !== undefined && to !== undefined && Math.abs(from) === 1 && from === -to)
      found[soundOf(pitch.name)] = true;
  }
  return found;
}
