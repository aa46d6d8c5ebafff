import type { Chord } from "@/core/chord";
import { type Fifths, soundOf } from "@/core/pitch";
import type { Vamp } from "@/core/progression";
import { atOrAbove, BASS_FROM, BEATS_A_BAR, type Score, type ScoreChord, type ScoreNote } from "./score";

/** Chords a bar each. */
const inBars = (chords: readonly (Chord | undefined)[], isOverBass = false): readonly ScoreChord[] =>
  chords.flatMap((chord, at) =>
    chord ? [{ chord, at: at * BEATS_A_BAR, length: BEATS_A_BAR, pulse: 1, parts: 2, isOverBass }] : [],
  );

/** Chords of a vamp one after another, a bar each, round and round. */
export const vampScore = ({ chords }: { readonly chords: readonly Chord[] }): Score => ({
  notes: [],
  chords: inBars(chords),
  beats: chords.length * BEATS_A_BAR,
  loops: true,
});

/** Chords over a bass that stays on home and is struck on every beat. */
export function pedalScore(home: Fifths, { chords }: Pick<Vamp, "chords">): Score {
  const beats = chords.length * BEATS_A_BAR;
  const midi = atOrAbove(BASS_FROM, soundOf(home));
  const pulse = Array.from({ length: beats }, (_, at): ScoreNote => ({ part: "bass", midi, at, length: 1 }));
  return { notes: pulse, chords: inBars(chords, true), beats, loops: true };
}

/** Chords over a held bass, a bar each and once through, with a mark at each; where there is none the bass is heard alone. */
export function overBassScore(bass: Fifths, chords: readonly (Chord | undefined)[]): Score {
  const beats = chords.length * BEATS_A_BAR;
  return {
    notes: [{ part: "drone", midi: atOrAbove(BASS_FROM, soundOf(bass)), at: 0, length: beats }],
    chords: inBars(chords, true),
    beats,
    loops: false,
    marks: chords.map((_, at) => at * BEATS_A_BAR),
  };
}
