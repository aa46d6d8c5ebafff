import { modulo, soundOf } from "../pitch";
import { type Grade, gradePlayed, notesToPlay } from "./grade";
import type { Question } from "./question";

/** What was sung or played before a microphone, graded: how far all of it lay off, which is taken off before it is graded. */
export interface SungGrade extends Grade {
  /** Cents above the notes that are meant, below 0 when all of it is low. */
  readonly cents: number;
}

/**
 * As far as all of it may lie off together, in half steps: somebody who sings everything nearly a half step low hears the right line. Of a single
 * note it can't be told from another note.
 */
export const MAX_OFF = 0.9;
const MAX_OFF_ALONE = 0.5;

/** How far heights lie off the half steps together, from -0.5 to 0.5: the mean direction on the circle of a half step. */
export function offOf(heights: readonly number[]): number {
  const [x, y] = heights.reduce<[number, number]>(
    ([cos, sin], height) => [cos + Math.cos(2 * Math.PI * height), sin + Math.sin(2 * Math.PI * height)],
    [0, 0],
  );
  return Math.atan2(y, x) / (2 * Math.PI);
}

/**
 * Grades what was sung, in whatever octave. What is the same throughout is no mistake: it may lie off by as much as a half step, up or down,
 * whichever fits what was asked. Undefined until as many notes were sung as are asked for.
 *
 * @param heights half steps as MIDI counts them, not rounded
 * @example gradeSung(echoInD, [61.45, 63.45, 64.45]) // { isRight: true, given: "0 2 3", cents: -55 }
 */
export function gradeSung(question: Question, heights: readonly number[]): SungGrade | undefined {
  const sung = heights.slice(0, notesToPlay(question));
  const off = offOf(sung);
  const most = sung.length > 1 ? MAX_OFF : MAX_OFF_ALONE;
  const graded = [off, off - 1, off + 1]
    .filter((each) => Math.abs(each) <= most)
    .flatMap((each) => {
      const grade = gradePlayed(
        question,
        heights.map((height) => height - each),
      );
      return grade
        ? [{ ...grade, cents: Math.round(each * 100) || 0, hits: hits(question, grade.given) }]
        : [];
    })
    .toSorted((a, b) => b.hits - a.hits || Math.abs(a.cents) - Math.abs(b.cents));
  const [best] = graded;
  return best && { isRight: best.isRight, given: best.given, cents: best.cents };
}

/** How many notes of an answer are the right ones in their places. */
function hits({ right }: Question, given: string): number {
  const notes = given.split(" ");
  return Math.max(...right.map((each) => each.split(" ").filter((step, at) => notes[at] === step).length), 0);
}

/** The half steps above home that heights stand for, from 0 up to 11, with how many cents each lies beside it once all of it is tuned. */
export function sungSteps(
  { homeMode }: Pick<Question, "homeMode">,
  heights: readonly number[],
  cents: number,
): readonly { readonly step: number; readonly cents: number }[] {
  const home = soundOf(homeMode.home);
  return heights.map((height) => {
    const tuned = height - cents / 100;
    return {
      step: modulo(Math.round(tuned) - home, 12),
      cents: Math.round((tuned - Math.round(tuned)) * 100),
    };
  });
}
