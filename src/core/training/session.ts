import { type Card, isByEar } from "./card";
import { answersTo, askable, type ToAsk } from "./draw";
import type { Level } from "./exam";
import type { MixedPair } from "./pairs";
import { dueCards, type Schedule } from "./schedule";
import { askedBy } from "./set-exam";

/** Questions about one pair of modes in a session, and the share of it that goes to pairs. */
const [FOR_A_PAIR, PAIR_SHARE] = [4, 3];

/**
 * What a day's session asks: modes that are mixed up as a pair, both heard and then either; what is due, among the modes that are due
 * together; and for the rest what the level asks. It says what may be right, never what is: that is drawn.
 */
export function planOfDay(
  schedule: Schedule,
  level: Level,
  pairs: readonly MixedPair[],
  now: number,
  count: number,
): readonly ToAsk[] {
  const [pair] = pairs;
  const apart: readonly ToAsk[] = pair
    ? Array.from({ length: Math.min(FOR_A_PAIR, Math.ceil(count / PAIR_SHARE)) }, () => ({
        question: "pair",
        texture: "drone",
        choices: pair.modes,
      }))
    : [];
  const due = dueTogether(
    dueCards(schedule, now).map(({ card }) => card),
    level,
  ).slice(0, Math.max(0, count - apart.length));
  const levelSets = askedBy(level.exam);
  const rest = Array.from(
    { length: Math.max(0, count - apart.length - due.length) },
    (_, nth) => levelSets[nth % levelSets.length],
  );
  return [...apart, ...due, ...rest.flatMap((each) => each ?? [])];
}

/**
 * Cards that are due, as questions among the modes that are due in the same way. Where those have but one answer, the modes of the level
 * are among the choices too; what is written, played or found has no choices, and is asked about the due modes alone.
 */
function dueTogether(cards: readonly Card[], level: Level): readonly ToAsk[] {
  const together = new Map<string, [Card, ...Card[]]>();
  for (const card of cards) {
    const key = `${card.question} ${card.texture ?? ""}`;
    const group = together.get(key);
    if (group) group.push(card);
    else together.set(key, [card]);
  }
  return [...together.values()].flatMap((group) => {
    const [{ question, texture }] = group;
    const choices = [...new Set(group.map(({ mode }) => mode))];
    const alone: ToAsk = { question, texture, choices };
    const hasChoices = isByEar(question) || question === "chords-mode" || question === "mode-chords";
    const toAsk =
      hasChoices && answersTo(alone) < 2
        ? { ...alone, choices: [...new Set([...choices, ...level.exam.modes])] }
        : alone;
    return askable(toAsk).length > 0 ? group.map(() => toAsk) : [];
  });
}
