import { maybeMode, mode as modeById, thirdOf } from "../scale";
import type { Card, QuestionKind, Texture } from "./card";
import { asksAbout, differsBy } from "./asks";
import { oneOf, type Random } from "./random";

/** A question before its answer is drawn: what is asked, how it is heard, and among which modes. */
export interface ToAsk {
  readonly question: QuestionKind;
  readonly texture: Texture | undefined;
  /** Ids of the modes that may be meant. */
  readonly choices: readonly string[];
}

/** What has to be drawn evenly, so that no answer comes more often than another. */
function answerOf(question: QuestionKind, id: string): string {
  if (question === "third") return thirdOf(modeById(id)) === 4 ? "3" : "b3";
  return question === "differs" ? differsBy(modeById(id)) : id;
}

/** The modes that a question can be asked about. */
export const askable = ({ question, choices }: Pick<ToAsk, "question" | "choices">): readonly string[] =>
  choices.filter((id) => {
    const mode = maybeMode(id);
    return mode !== undefined && asksAbout(question, mode, choices);
  });

/** How many different answers a question may have: with one alone it would be given away. */
export const answersTo = (toAsk: ToAsk): number =>
  new Set(askable(toAsk).map((id) => answerOf(toAsk.question, id))).size;

/**
 * Draws what is right: every possible answer as likely as any other, whatever came before. Where several modes have the same answer, each
 * of them is as likely. Undefined where none of the modes can be asked about.
 *
 * @example drawn(random, { question: "third", texture: "drone", choices: ["ionian", "dorian", "aeolian"] })?.mode // "ionian" in half of all
 */
export function drawn(random: Random, toAsk: ToAsk): Card | undefined {
  const { question, texture } = toAsk;
  const byAnswer = new Map<string, [string, ...string[]]>();
  for (const id of askable(toAsk)) {
    const answer = answerOf(question, id);
    const known = byAnswer.get(answer);
    if (known) known.push(id);
    else byAnswer.set(answer, [id]);
  }
  const [first, ...others] = byAnswer.values();
  if (!first) return undefined;
  return { question, mode: oneOf(random, oneOf(random, [first, ...others])), texture };
}
