import { maybeFifthsIn, type NoteNaming, printName } from "../pitch";
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
