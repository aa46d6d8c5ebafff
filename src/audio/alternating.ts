import { type Fifths, type Interval, modulo, soundOf } from "@/core/pitch";
import type { HomeMode } from "@/core/scale";
import { pulsesOf } from "./metronome";
import { modeScore, type Score } from "./score";

/** One degree of a mode and what takes its place. */
export interface Swapping {
  readonly home: Fifths;
  readonly from: Interval;
  readonly to: Interval;
}

/**
 * A score with one note of its mode swapped for its neighbour wherever it sounds, in the line, the chords and the bass.
 *
 * @example swapped(modeScore(D Dorian), { home: D, from: 6, to: ♭6 }) // every B is a B♭
 */
export function swapped(score: Score, { home, from, to }: Swapping): Score {
  const sound = soundOf(home + from);
  const by = Math.round((to - from) / 7);
  return {
    ...score,
    notes: score.notes.map((note) =>
      note.part !== "click" && note.part !== "drone" && modulo(note.midi, 12) === sound
        ? { ...note, midi: note.midi + by }
        : note,
    ),
  };
}

/** One score after another: the first, then the second, round and round, with a mark where each begins. */
export function alternating(one: Score, other: Score): Score {
  const later = <T extends { readonly at: number }>(each: T): T => ({ ...each, at: each.at + one.beats });
  return {
    notes: [...one.notes, ...other.notes.map(later)],
    chords: [...(one.chords ?? []), ...(other.chords ?? []).map(later)],
    beats: one.beats + other.beats,
    loops: true,
    marks: [0, one.beats],
    pulses: [...pulsesOf(one), ...pulsesOf(other).map(later)],
    ...(one.isFree && other.isFree ? { isFree: true } : {}),
  };
}

/**
 * The characteristic note and its ordinary neighbour, alternating: the mode up and down with the one, then with the other, over the
 * held home note, round and round.
 */
export function swapScore(homeMode: HomeMode, from: Interval, to: Interval): Score {
  const plain = modeScore(homeMode, true);
  return alternating(plain, swapped(plain, { home: homeMode.home, from, to }));
}
