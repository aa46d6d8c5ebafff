import { type Asked, type Level, LEVELS } from "./exam";
import { drawn, type ToAsk } from "./draw";
import { oneOf, type Random } from "./random";
import type { Fifths } from "../pitch";

/** Questions of a placement. */
export const PLACEMENT_QUESTIONS = 12;

/** The levels in the order of their difficulty; the scales outside the major scale are a matter of their own. */
const LADDER: readonly Level[] = LEVELS.filter(({ id }) => id !== "minors" && id !== "dominants");

/** The share of right answers at a level that somebody has reached, and how much better than guessing they are one level above. */
const [KNOWN, ABOVE] = [0.92, 0.25];

/** Modes among which a level asks; a third is major or minor. */
const choicesOf = ({ exam: { questions, modes } }: Level): number =>
  questions.includes("third") ? 2 : modes.length;

/** How likely somebody who has reached one level is to answer a question of another. */
function likely(reached: number, asked: number): number {
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
function posterior(answers: readonly PlacementAnswer[]): readonly number[] {
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

/** The level to ask about next: the one whose answer is expected to leave the least doubt. */
function levelToAsk(answers: readonly PlacementAnswer[]): Level {
  const chances = posterior(answers);
  const doubtAfter = (level: Level, asked: number): number => {
    const right = chances.reduce((sum, chance, reached) => sum + chance * likely(reached, asked), 0);
    return [true, false].reduce(
      (sum, isRight) =>
        sum + (isRight ? right : 1 - right) * doubt(posterior([...answers, { level: level.id, isRight }])),
      0,
    );
  };
  const doubts = LADDER.map(doubtAfter);
  return LADDER[doubts.indexOf(Math.min(...doubts))] ?? (LADDER[0] as Level);
}

/** How much is undecided, in bits (Shannon's entropy). */
const doubt = (chances: readonly number[]): number =>
  chances.reduce((sum, chance) => (chance > 0 ? sum - chance * Math.log2(chance) : sum), 0);

/**
 * The next question of a placement, by the answers so far. What is right is drawn without regard to them.
 *
 * @param home the home that it stands on
 */
export function placementQuestion(
  answers: readonly PlacementAnswer[],
  home: Fifths,
  random: Random,
): Asked & { readonly level: string } {
  const level = levelToAsk(answers);
  const { questions, textures, modes, octaves, times } = level.exam;
  const toAsk: ToAsk = {
    question: oneOf(random, questions as readonly [(typeof questions)[number], ...typeof questions]),
    texture: oneOf(random, textures as readonly [(typeof textures)[number], ...typeof textures]),
    choices: modes,
  };
  const card = drawn(random, toAsk) ?? { question: "third", mode: "ionian", texture: "drone" };
  return {
    card,
    home,
    seed: Math.floor(random() * 2 ** 31),
    choices: modes,
    octaves,
    times,
    level: level.id,
  };
}
