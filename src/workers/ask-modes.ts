import { askLess, askModes } from "@/core/chord";
import { brightness, characteristicOf, everyNoteAway, type HomeMode, maybeMode } from "@/core/scale";
import type { AskedOf, ModeJobs, ModesAnswer, AnsweringMode } from "./messages";

function answering({ home, mode }: HomeMode): AnsweringMode {
  return {
    home,
    id: mode.id,
    name: mode.name,
    brightness: brightness(mode.intervals),
    characteristic: characteristicOf(mode),
    brighter: everyNoteAway(mode, "brighter").map((each) => each.mode.id),
    darker: everyNoteAway(mode, "darker").map((each) => each.mode.id),
  };
}

/**
 * Holds a question against all modes and computes each that answers it: name, brightness, characteristic notes, neighbours.
 *
 * @example ask({ among: 7, holds: [], … }).found.length // 462
 */
export function ask(question: AskedOf): ModesAnswer {
  const near = question.near === undefined ? undefined : maybeMode(question.near);
  const { found, asked, needed, nearest } = askModes({ ...question, near });
  return {
    found: found.map(answering),
    asked,
    needed,
    less: askLess({ ...question, near }),
    nearest: nearest.map(({ homeMode: { home, mode }, missing }) => ({ home, id: mode.id, missing })),
  };
}

export const modeJobs: ModeJobs = { ask };
