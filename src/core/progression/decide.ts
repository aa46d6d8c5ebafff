import { type Fifths, type Interval, soundOf } from "../pitch";
import { type ChartChord, chordNotes } from "../chord";
import { type HomeMode, holds, notesOf, soundsOn } from "../scale";
import { oneModeReadings, type Segment } from "./readings";
import type { ReadingChoice } from "./states";

/** A chord that holds a note in which two modes differ, and what the note is in that chord. */
export interface Holder {
  readonly at: number;
  readonly note: Fifths;
  readonly role: Interval;
}

/** What decides between two modes over a chart. */
export interface Decision {
  readonly between: readonly [HomeMode, HomeMode];
  /** `notes`: a chord holds a note that only one has. `home`: same notes, so only the home tells. `open`: nothing does. */
  readonly by: "notes" | "home" | "open";
  /** Chords that speak for the first, and for the second. */
  readonly first: readonly Holder[];
  readonly second: readonly Holder[];
  /** The notes in which the two differ: those of the first, those of the second. */
  readonly differ: readonly [readonly Fifths[], readonly Fifths[]];
}

/** Notes of one mode that the other does not sound. */
export function notesOnlyIn(one: HomeMode, other: HomeMode): readonly Fifths[] {
  return notesOf(one).filter((note) => !holds(soundsOn(other), soundOf(note)));
}

function holders(notes: readonly Fifths[], chords: readonly ChartChord[], first: number): readonly Holder[] {
  return chords.flatMap(({ chord }, n) =>
    chord
      ? chordNotes(chord)
          .filter((tone) => notes.some((note) => soundOf(note) === soundOf(tone)))
          .map((note) => ({ at: n + first, note, role: note - chord.root }))
      : [],
  );
}

/**
 * What decides between two modes over chords: the notes in which they differ and the chords that hold them.
 *
 * @param from the place of the first of the chords in its chart
 * @example whatDecides([E Dorian, E Aeolian], chart "| Em9 | A13 |") // C♯, the third of A13
 */
export function whatDecides(
  between: readonly [HomeMode, HomeMode],
  chords: readonly ChartChord[],
  from = 0,
): Decision {
  const [one, other] = between;
  const differ = [notesOnlyIn(one, other), notesOnlyIn(other, one)] as const;
  const first = holders(differ[0], chords, from);
  const second = holders(differ[1], chords, from);
  const same = differ[0].length === 0 && differ[1].length === 0;
  return {
    between,
    by: same ? "home" : first.length + second.length > 0 ? "notes" : "open",
    first,
    second,
    differ,
  };
}

/** Rivals on the segment's own home, and on other homes, that are worth telling it from. */
const RIVALS = { sameHome: 1, otherHome: 1 };

/**
 * What decides between a segment's mode and its nearest rivals over the same chords: first those on the same home, then on
 * another.
 */
export function decisions(
  { from, to, homeMode }: Segment,
  chords: readonly ChartChord[],
  choice: ReadingChoice = {},
): readonly Decision[] {
  const stretch = chords.slice(from, to + 1).map((each) => ({ ...each, lock: undefined }));
  const chart = { chords: stretch, bars: [] };
  const isHere = (other: HomeMode) => soundOf(other.home) === soundOf(homeMode.home);
  const rivals = (asked: ReadingChoice) =>
    oneModeReadings(chart, { ...choice, ...asked }).flatMap(({ segments: [only] }) => only?.homeMode ?? []);
  const here = rivals({ home: homeMode.home, most: RIVALS.sameHome + 1 });
  const elsewhere = choice.home === undefined ? rivals({ most: 12 }).filter((other) => !isHere(other)) : [];
  return [
    ...here.filter(({ mode }) => mode !== homeMode.mode).slice(0, RIVALS.sameHome),
    ...elsewhere.slice(0, RIVALS.otherHome),
  ].map((rival) => whatDecides([homeMode, rival], stretch, from));
}
