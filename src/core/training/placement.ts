import type { Asked, Level } from "./exam";
import { drawn, type ToAsk } from "./draw";
import { LADDER, likely, type PlacementAnswer, posterior } from "./placed";
import { oneOf, type Random } from "./random";
import type { Fifths } from "../pitch";

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
