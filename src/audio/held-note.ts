import type { Settings } from "@/storage";
import { pulsesOf } from "./metronome";
import { type Score, type ScoreNote, USUAL } from "./score";

/** What is held under a line and how low it lies. */
export interface DroneWay {
  /** Home alone, home and its fifth, home and its octave. */
  readonly notes: Settings["droneNotes"];
  readonly register: Settings["droneRegister"];
  /** What plays it dies away, so that it is struck again at each barline. */
  readonly diesAway: boolean;
}

const ABOVE: Readonly<Record<DroneWay["notes"], readonly number[]>> = {
  root: [0],
  fifth: [0, 7],
  octaves: [0, 12],
};
const RAISED: Readonly<Record<DroneWay["register"], number>> = { low: -12, middle: 0, high: 12 };

/** The lowest key that is held: C1, a string of a bass with five. */
const LOWEST = 24;

/** Two notes at once are struck more softly each. */
const WITH_ANOTHER = 0.75;

/** A note's barlines, its own beginning first. */
function strokesOf(note: ScoreNote, score: Score): readonly ScoreNote[] {
  const end = note.at + note.length;
  const inside = pulsesOf(score).filter(({ at, isFirst }) => isFirst && at > note.at && at < end);
  const starts = [note.at, ...inside.map(({ at }) => at)];
  return starts.map((at, nth) => ({ ...note, at, length: (starts[nth + 1] ?? end) - at }));
}

/**
 * A score with its held notes as they are chosen.
 *
 * @example heldAs(droneScore(2), { notes: "fifth", register: "middle", diesAway: false }).notes.map(({ midi }) => midi) // [50, 57]
 */
export function heldAs(score: Score, { notes, register, diesAway }: DroneWay): Score {
  const sustained = (note: ScoreNote): readonly ScoreNote[] => {
    const moved = note.midi + RAISED[register];
    const low = moved >= LOWEST ? moved : note.midi;
    const above = ABOVE[notes];
    const loud = (note.loud ?? USUAL) * (above.length > 1 ? WITH_ANOTHER : 1);
    const all = above.map((up): ScoreNote => ({ ...note, midi: low + up, loud }));
    return diesAway ? all.flatMap((each) => strokesOf(each, score)) : all;
  };
  return {
    ...score,
    notes: score.notes.flatMap((note) => (note.part === "drone" ? sustained(note) : [note])),
  };
}
