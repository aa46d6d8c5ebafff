import { type Fifths, soundOf } from "@/core/pitch";
import type { HeardQuestion, Register } from "@/core/training";
import { atOrAbove, DRONE_FROM, LINE_FROM, type Score, type ScoreChord } from "./score";

/** Beats of each chord of a vamp. */
const EACH = 4;

/** Half steps by which a register lies from the middle one. */
const RAISED: Readonly<Record<Register, number>> = { low: -12, middle: 0, high: 12 };

/**
 * A question as it is played on a home: its line, over a held home note or over its vamp.
 *
 * @example earScore(2, heard).notes[0] // D4, the line's first note
 */
export function earScore(
  home: Fifths,
  { line, beats, hasDrone, vamp }: HeardQuestion,
  register: Register = "middle",
): Score {
  const low = atOrAbove(LINE_FROM, soundOf(home)) + RAISED[register];
  const chords: ScoreChord[] = vamp
    ? Array.from({ length: Math.ceil(beats / EACH) }, (_, at) => ({
        chord: vamp.chords[at % 2] ?? vamp.chords[0],
        at: at * EACH,
        length: Math.min(EACH, beats - at * EACH),
        pulse: 1,
        parts: 2,
      }))
    : [];
  return {
    notes: [
      ...line.map(({ step, at, length }) => ({ part: "line" as const, midi: low + step, at, length })),
      ...(hasDrone
        ? [{ part: "drone" as const, midi: atOrAbove(DRONE_FROM, soundOf(home)), at: 0, length: beats }]
        : []),
    ],
    ...(chords.length > 0 ? { chords } : {}),
    beats,
    loops: false,
    // Where a register is asked for it is the one that is heard.
    ...(register === "middle" ? { isFree: true } : {}),
  };
}
