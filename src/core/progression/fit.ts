import { type Fifths, soundOf } from "../pitch";
import { type Chart, type Chord, chordNotes, chordSounds } from "../chord";
import {
  CATALOGUE,
  characteristicOn,
  type HomeMode,
  holds,
  holdsAll,
  type Mode,
  notesOf,
  soundsOn,
} from "../scale";

/** How a chord sits in a mode. All lists are names, in the order of the mode or of the chord. */
export interface Fit {
  readonly homeMode: HomeMode;
  /** Chord tones that the mode does not have. */
  readonly outside: readonly Fifths[];
  /** Notes of the mode a half step above a chord tone that are not chord tones themselves. */
  readonly avoidNotes: readonly Fifths[];
  /** Characteristic notes of the mode that the chord holds. */
  readonly characteristic: readonly Fifths[];
  /** Notes of the mode that are neither chord tones nor avoid notes. */
  readonly otherNotes: readonly Fifths[];
}

/**
 * How a chord sits in a mode on a home.
 *
 * @example fitOf(A13, { home: E, mode: dorian }) // outside none, avoid notes D, characteristic C♯, no other notes
 */
export function fitOf(chord: Chord, homeMode: HomeMode): Fit {
  const sounds = chordSounds(chord);
  const modeSounds = soundsOn(homeMode);
  const notes = notesOf(homeMode);
  const beside = notes.filter((note) => !holds(sounds, soundOf(note)));
  const avoidNotes = beside.filter((note) => holds(sounds, soundOf(note) - 1));
  return {
    homeMode,
    outside: chordNotes(chord).filter((note) => !holds(modeSounds, soundOf(note))),
    avoidNotes,
    characteristic: characteristicOn(homeMode).filter((note) => holds(sounds, soundOf(note))),
    otherNotes: beside.filter((note) => !avoidNotes.includes(note)),
  };
}

/** Whether a mode has every tone of a chord. */
export const isWithin = (chord: Chord, homeMode: HomeMode): boolean =>
  holdsAll(soundsOn(homeMode), chordSounds(chord));

/**
 * The modes of a catalogue, on the chord's own root, that hold all its tones; the most used families first.
 *
 * @example modesForChord(A13, USUAL_MODES).map((fit) => fit.homeMode.mode.id) // ["mixolydian", "lydian-dominant"]
 */
export function modesForChord(chord: Chord, scales: readonly Mode[] = CATALOGUE): readonly Fit[] {
  return scales
    .map((mode) => ({ home: chord.root, mode }))
    .filter((homeMode) => isWithin(chord, homeMode))
    .map((homeMode) => fitOf(chord, homeMode));
}

/**
 * The place of the chord that a chord of a chart comes from, as it is first played: over bar lines and repeats, past its own repetitions;
 * at the start the last one, since a chart goes round. Undefined where the chart has no other chord.
 *
 * @example chordBefore(chart "|: Em9 | % | A13 :|", 1) // 2: what is repeated came from A13
 */
export function chordBefore(
  { chords, order }: Pick<Chart, "chords" | "order">,
  at: number,
): number | undefined {
  const symbol = chords[at]?.symbol;
  const isOther = (place: number) => chords[place]?.chord !== undefined && chords[place].symbol !== symbol;
  const first = order.indexOf(at);
  return order.slice(0, Math.max(0, first)).findLast(isOther) ?? order.findLast(isOther);
}

/**
 * The target notes of a chord: its tones that are new after the chord before, the third first, then the characteristic note of the mode
 * that it stands in, then the others, the root last.
 *
 * @example targetNotes(chart "| Dm7 | G7 | Cmaj7 |", 1) // B, G
 */
export function targetNotes(
  chart: Pick<Chart, "chords" | "order">,
  at: number,
  homeMode?: HomeMode,
): readonly Fifths[] {
  const chord = chart.chords[at]?.chord;
  const before = chart.chords[chordBefore(chart, at) ?? -1]?.chord;
  if (!chord || !before) return [];
  const characteristic = homeMode ? characteristicOn(homeMode).map(soundOf) : [];
  const rank = (note: Fifths) => {
    const tone = note - chord.root;
    if (tone === 4 || tone === -3) return 0;
    if (characteristic.includes(soundOf(note))) return 1;
    return tone === -2 || tone === 5 || tone === -9 ? 2 : tone === 0 ? 4 : 3;
  };
  return chordNotes(chord)
    .filter((note) => !holds(chordSounds(before), soundOf(note)))
    .sort((a, b) => rank(a) - rank(b));
}
