import { type Fifths, halfSteps, soundOf } from "@/core/pitch";
import { characteristicOf, type HomeMode, thirdOf } from "@/core/scale";
import type { HeardQuestion, Register } from "@/core/training";
import { atOrAbove, DRONE_FROM, LINE_FROM, type Score, type ScoreChord, type ScoreNote } from "./score";

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

/** Beats between two modes that are held side by side. */
const APART = 2;

/**
 * Modes side by side, each as one listens for it: home and its third, home and its characteristic notes, then all of it, over the held
 * home; a mark at each.
 *
 * @example tellingScore([{ home: 2, mode: dorian }, { home: 2, mode: aeolian }]).marks // [0, 10]
 */
export function tellingScore(modes: readonly HomeMode[]): Score {
  const notes: ScoreNote[] = [];
  const marks: number[] = [];
  let at = 0;
  for (const { home, mode } of modes) {
    const begins = at;
    marks.push(begins);
    const low = atOrAbove(LINE_FROM, soundOf(home));
    const sing = (step: number, length: number) => {
      notes.push({ part: "line", midi: low + step, at, length });
      at += length;
    };
    const third = thirdOf(mode);
    for (const degree of [...(third === undefined ? [] : [third]), ...characteristicOf(mode)]) {
      sing(0, 1);
      sing(halfSteps(degree), 1);
    }
    for (const interval of mode.intervals) sing(halfSteps(interval), 0.5);
    sing(12, 1);
    notes.push({
      part: "drone",
      midi: atOrAbove(DRONE_FROM, soundOf(home)),
      at: begins,
      length: at - begins,
    });
    at += APART;
  }
  return { notes, beats: at, loops: false, marks, isFree: true };
}
