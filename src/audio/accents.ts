import { type BeatGrouping, type BeatStrength, strengths, USUAL_GROUPING } from "./beat-groups";
import { pulsesOf } from "./metronome";
import type { Score } from "./score";

/** How hard notes of a line are struck by where they stand: as a player leans into the bar, lightly, so that no note is told apart by it. */
const LEANS: Readonly<Record<BeatStrength | "between", number>> = {
  first: 0.9,
  group: 0.86,
  beat: 0.8,
  between: 0.74,
};

/** Beats by which a note may miss a beat and still stand on it. */
const NEAR = 1e-3;

/**
 * A score whose line is accented by the meter; what says how hard it is struck stays as it is.
 *
 * @example accented(modeScore(dDorian, false)).notes[0]?.loud // 0.9
 */
export function accented(score: Score, grouping: BeatGrouping = USUAL_GROUPING): Score {
  const pulses = pulsesOf(score);
  const strong = strengths(pulses, grouping);
  const byTime = new Map(pulses.map(({ at }, nth) => [Math.round(at / NEAR), strong[nth] ?? "beat"]));
  return {
    ...score,
    notes: score.notes.map((note) =>
      note.part === "line" && note.loud === undefined
        ? { ...note, loud: LEANS[byTime.get(Math.round(note.at / NEAR)) ?? "between"] }
        : note,
    ),
  };
}
