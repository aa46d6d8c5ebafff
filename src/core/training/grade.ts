import { maybeFifthsIn, modulo, type NoteNaming, printName, soundOf } from "../pitch";
import type { Question } from "./question";

/** What was answered: whether it is right, and the answer as it is written down. */
export interface Grade {
  readonly isRight: boolean;
  readonly given: string;
}

/** Why an answer can't be told: it is no note name, or nothing. */
export interface Unread {
  readonly unread: string;
}

/**
 * Grades an answer: one of the choices, or where it is written the notes in order, home first. Spelling counts: A♯ is no B♭.
 *
 * @param naming how notes are named in what is written
 * @example grade(dorianInD, "D E F G A B C") // { isRight: true, given: "D E F G A B C" }
 */
export function grade(question: Question, answer: string, naming: NoteNaming = "english"): Grade | Unread {
  if (question.choices.length > 0) return { isRight: question.right.includes(answer), given: answer };
  const words = answer.split(/[\s,;–-]+/u).filter((word) => word !== "");
  if (words.length === 0) return { unread: "" };
  const names: string[] = [];
  for (const word of words) {
    const name = maybeFifthsIn(word, naming);
    if (name === undefined) return { unread: word };
    names.push(printName(name));
  }
  // Home may be said again at the octave.
  if (
    names.length > 1 &&
    names.length === question.homeMode.mode.intervals.length + 1 &&
    names.at(-1) === names[0]
  )
    names.pop();
  const given = names.join(" ");
  return { isRight: question.right.includes(given), given };
}

/** How many notes answer a question that is answered by playing. */
export const notesToPlay = ({ right: [right = ""] }: Question): number => right.split(" ").length;

/**
 * Grades what was played back, in whatever octave: the notes in order, by MIDI number. Undefined until as many were played as are asked for.
 *
 * @example gradePlayed(echoInD, [62, 64, 65, 71, 69]) // { isRight: true, given: "0 2 3 9 7" }
 */
export function gradePlayed(question: Question, midis: readonly number[]): Grade | undefined {
  const count = notesToPlay(question);
  if (midis.length < count) return undefined;
  const home = soundOf(question.homeMode.home);
  const given = midis
    .slice(0, count)
    .map((midi) => modulo(Math.round(midi) - home, 12))
    .join(" ");
  return { isRight: question.right.includes(given), given };
}
