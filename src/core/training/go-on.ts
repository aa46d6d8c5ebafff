import { soundOf } from "../pitch";
import { bestHome, type HomeMode, type Mode, oneNoteAway, SEVEN } from "../scale";

/** How a thing was practised last: the tempo that was asked for and the one that was reached, in beats a minute, and how it felt. */
export interface LastPlayed {
  readonly tempoAsked?: number | undefined;
  readonly tempo?: number | undefined;
  readonly felt?: string | undefined;
}

/** The slowest tempo that can be set. */
const SLOWEST = 30;

/**
 * The tempo that a thing begins with: where it ended the last time, a step slower after a hard one. Where another tempo was asked for since
 * then, that one.
 *
 * @param asked what the routine asks for now
 * @param step beats a minute of a step back
 * @example nextTempo(80, { tempoAsked: 80, tempo: 112, felt: "hard" }, 4) // 108
 */
export function nextTempo(asked: number, last: LastPlayed | undefined, step: number): number {
  if (last?.tempo === undefined || (last.tempoAsked !== undefined && last.tempoAsked !== asked)) return asked;
  return last.felt === "hard" ? Math.max(SLOWEST, last.tempo - step) : last.tempo;
}

/**
 * Something new beside what was practised: on the same home the nearest of the seven modes that was not practised yet, one note away if there is
 * one; where all were, the same mode a fourth higher.
 *
 * @param practised ids of modes
 * @example newThing(new Set(["dorian"]), dDorian).mode.id // "mixolydian"
 */
export function newThing(practised: ReadonlySet<string>, { home, mode }: HomeMode): HomeMode {
  const neighbours = (["brighter", "darker"] as const).flatMap((way) =>
    oneNoteAway(mode, way).map(({ mode: next }) => next),
  );
  const isNew = ({ id }: Mode) => !practised.has(id) && id !== mode.id;
  const next = [...neighbours.filter((each) => SEVEN.includes(each)), ...SEVEN].find(isNew);
  return next ? { home, mode: next } : { home: bestHome(soundOf(home - 1), mode), mode };
}
