import { type Level, LEVELS } from "./exam";

/** Questions of a placement. */
export const PLACEMENT_QUESTIONS = 12;

/** The levels in the order of their difficulty; the scales outside the major scale are a matter of their own. */
export const LADDER: readonly Level[] = LEVELS.filter(({ id }) => id !== "minors" && id !== "dominants");

/** The share of right answers at a level that somebody has reached, and how much better than guessing they are one level above. */
const [KNOWN, ABOVE] = [0.92, 0.25];

/** Modes among which a level asks; a third is major or minor. */
const choicesOf = ({ exam: { questions, modes } }: Level): number =>
  questions.includes("third") ? 2 : modes.length;

/** How likely somebody who has reached one level is to answer a question of another. */
export function likely(reached: number, asked: number): number {
  if (asked <= reached) return KNOWN;
  const guess = 1 / choicesOf(LADDER[asked] ?? (LADDER[0] as Level));
  return asked === reached + 1 ? guess + ABOVE * (1 - guess) : guess;
}

/** A question of a placement that was answered. */
export interface PlacementAnswer {
  readonly level: string;
  readonly isRight: boolean;
}

/** How likely each level is the one that was reached, after some answers: Bayes' rule, every level as likely at first. */
export function posterior(answers: readonly PlacementAnswer[]): readonly number[] {
  const weights = LADDER.map((_, reached) =>
    answers.reduce((product, { level, isRight }) => {
      const asked = LADDER.findIndex(({ id }) => id === level);
      const right = likely(reached, asked);
      return product * (isRight ? right : 1 - right);
    }, 1),
  );
  const sum = weights.reduce((all, each) => all + each, 0);
  return weights.map((each) => each / sum);
}

/**
 * The level that a placement has found.
 *
 * @example levelPlaced([]).id // the middle of the ladder, since nothing is known
 */
export function levelPlaced(answers: readonly PlacementAnswer[]): Level {
  const chances = posterior(answers);
  let sum = 0;
  const middle = chances.findIndex((chance) => (sum += chance) >= 0.5);
  return LADDER[middle] ?? (LADDER[0] as Level);
}
