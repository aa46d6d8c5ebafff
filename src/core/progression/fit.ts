import { type Fifths, soundOf } from "../pitch";
import { type Chart, type Chord, chordNotes, chordSounds } from "../chord";
import {
  CATALOGUE,
  colourOn,
  type HomeMode,
  holds,
  type Mode,
  notesOf,
  soundSet,
  soundsOn,
  type Telling,
} from "../scale";

/** How a chord sits in a mode. All lists are names, in the order of the mode or of the chord. */
export interface Fit {
  readonly homeMode: HomeMode;
  /** Chord tones that the mode does not have. */
  readonly outside: readonly Fifths[];
  /** Notes of the mode a half step above a chord tone that are not chord tones themselves. */
  readonly rubs: readonly Fifths[];
  /** Colour notes of the mode that the chord holds. */
  readonly colour: readonly Fifths[];
  /** Notes of the mode that are neither chord tones nor rubs. */
  readonly free: readonly Fifths[];
}

/**
 * How a chord sits in a mode on a home.
 *
 * @example fitOf(A13, { home: E, mode: dorian }) // outside none, rubs D, colour C♯, free none
 */
export function fitOf(chord: Chord, homeMode: HomeMode, telling?: Telling): Fit {
  const sounds = chordSounds(chord);
  const modeSounds = soundsOn(homeMode);
  const notes = notesOf(homeMode);
  const beside = notes.filter((note) => !holds(sounds, soundOf(note)));
  const rubs = beside.filter((note) => holds(sounds, soundOf(note) - 1));
  return {
    homeMode,
    outside: chordNotes(chord).filter((note) => !holds(modeSounds, soundOf(note))),
    rubs,
    colour: colourOn(homeMode, telling).filter((note) => holds(sounds, soundOf(note))),
    free: beside.filter((note) => !rubs.includes(note)),
  };
}

/**
 * The modes of a catalogue, on the chord's own root, that hold all its tones; the most used families first.
 *
 * @example modesForChord(A13, USUAL_MODES).map((fit) => fit.homeMode.mode.id) // ["mixolydian", "lydian-dominant"]
 */
export function modesForChord(chord: Chord, scales: readonly Mode[] = CATALOGUE): readonly Fit[] {
  return scales
    .map((mode) => fitOf(chord, { home: chord.root, mode }))
    .filter((fit) => fit.outside.length === 0);
}

/**
 * The places of a chart whose chords are heard just before or after a chord, as it is played, other chords than itself.
 *
 * @example neighboursOf(chart "|: Em9 | A13 :|", 1) // [0]: A13 comes from Em9 and goes back to it
 */
export function neighboursOf(
  { chords, order }: Pick<Chart, "chords" | "order">,
  at: number,
): readonly number[] {
  const own = chords[at]?.symbol;
  const beside = order.flatMap((place, n) => (place === at ? [order[n - 1], order[n + 1]] : []));
  return [...new Set(beside)].filter(
    (place): place is number =>
      place !== undefined && chords[place]?.chord !== undefined && chords[place].symbol !== own,
  );
}

/**
 * The signal notes of a chord: tones that neither neighbour in the chart has, thirds and sevenths first, the root last.
 *
 * @example signalNotes(chart "| Em9 | A13 | Em9 |", 1) // C♯, A
 */
export function signalNotes(chart: Pick<Chart, "chords" | "order">, at: number): readonly Fifths[] {
  const chord = chart.chords[at]?.chord;
  if (!chord) return [];
  const beside = soundSet(
    neighboursOf(chart, at).flatMap((place) => {
      const other = chart.chords[place]?.chord;
      return other ? chordNotes(other).map(soundOf) : [];
    }),
  );
  const rank = (note: Fifths) => {
    const tone = note - chord.root;
    return [4, -3].includes(tone) ? 0 : [-2, 5, -9].includes(tone) ? 1 : tone === 0 ? 3 : 2;
  };
  return chordNotes(chord)
    .filter((note) => !holds(beside, soundOf(note)))
    .sort((a, b) => rank(a) - rank(b));
}
