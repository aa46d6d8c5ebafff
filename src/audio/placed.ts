import { modulo } from "@/core/pitch";
import { DRONE_LOWEST, type Score } from "./score";

/**
 * A score where an instrument plays it: a line without an octave of its own begins on the lowest home from a key up; any other is moved by
 * octaves where it would leave the instrument's keys. The held note goes with it.
 *
 * @param low the key from which homes of free lines are sought
 * @param range the lowest and the highest key of the instrument
 */
export function placed(score: Score, low: number, range: readonly [number, number]): Score {
  const line = score.notes.flatMap(({ part, midi }) => (part === "line" ? [midi] : []));
  if (line.length === 0) return score;
  const least = line.reduce((low, midi) => Math.min(low, midi), Infinity);
  const most = line.reduce((high, midi) => Math.max(high, midi), -Infinity);
  const by = score.isFree ? low + modulo(least - low, 12) - least : octavesInto(least, most, range);
  if (by === 0) return score;
  return {
    ...score,
    notes: score.notes.map((note) => {
      if (note.part === "line") return { ...note, midi: note.midi + by };
      return note.part === "drone" ? { ...note, midi: Math.max(DRONE_LOWEST - 7, note.midi + by) } : note;
    }),
  };
}

/** Half steps, in octaves, by which notes move to lie in a range, as far as they can. */
function octavesInto(least: number, most: number, [low, high]: readonly [number, number]): number {
  let by = 0;
  while (least + by < low) by += 12;
  while (most + by > high && least + by - 12 >= low) by -= 12;
  return by;
}
