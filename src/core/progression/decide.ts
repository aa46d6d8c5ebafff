import { type Fifths, type Interval, soundOf } from "../pitch";
import { type ChartChord, chordNotes } from "../chord";
import { type HomeMode, holds, notesOf, transpose } from "../scale";
import { type OneModeReading, oneModeReadings, type ReadingChoice } from "./one-mode";

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

const soundsAt = ({ home, mode }: HomeMode) => transpose(mode.sounds, soundOf(home));

/** Notes of one mode that the other does not sound. */
function only(one: HomeMode, other: HomeMode): readonly Fifths[] {
  return notesOf(one).filter((note) => !holds(soundsAt(other), soundOf(note)));
}

function holders(notes: readonly Fifths[], chords: readonly ChartChord[]): readonly Holder[] {
  return chords.flatMap(({ chord }, at) =>
    chord
      ? chordNotes(chord)
          .filter((tone) => notes.some((note) => soundOf(note) === soundOf(tone)))
          .map((note) => ({ at, note, role: note - chord.root }))
      : [],
  );
}

/**
 * What decides between two modes over a chart: the notes in which they differ and the chords that hold them.
 *
 * @example whatDecides([E Dorian, E Aeolian], chart "| Em9 | A13 |") // C♯, the third of A13
 */
export function whatDecides(between: readonly [HomeMode, HomeMode], chords: readonly ChartChord[]): Decision {
  const [one, other] = between;
  const differ = [only(one, other), only(other, one)] as const;
  const first = holders(differ[0], chords);
  const second = holders(differ[1], chords);
  const same = differ[0].length === 0 && differ[1].length === 0;
  return {
    between,
    by: same ? "home" : first.length + second.length > 0 ? "notes" : "open",
    first,
    second,
    differ,
  };
}

/** Rivals on the leader's own home, and on other homes, that are worth telling it from. */
const RIVALS = { sameHome: 1, otherHome: 1 };

/** What decides between a reading and its nearest rivals: first those on the same home, then on another. */
export function decisions(
  leader: HomeMode,
  chords: readonly ChartChord[],
  choice: ReadingChoice = {},
): readonly Decision[] {
  const isLeader = ({ homeMode }: OneModeReading) =>
    homeMode.mode === leader.mode && soundOf(homeMode.home) === soundOf(leader.home);
  const here = oneModeReadings(chords, { ...choice, home: leader.home, most: RIVALS.sameHome + 1 });
  const elsewhere =
    choice.home === undefined
      ? oneModeReadings(chords, { ...choice, most: 12 }).filter(
          ({ homeMode }) => soundOf(homeMode.home) !== soundOf(leader.home),
        )
      : [];
  return [
    ...here.filter((each) => !isLeader(each)).slice(0, RIVALS.sameHome),
    ...elsewhere.slice(0, RIVALS.otherHome),
  ].map(({ homeMode }) => whatDecides([leader, homeMode], chords));
}
