import type { Attempt } from "./attempt";
import { type Card, cardId } from "./card";
import { type Level, LEVELS } from "./exam";
import { cardsOf } from "./set-exam";
import { dueCards, type Schedule } from "./schedule";

/** A level is passed when so many of its last answers were right. */
const PASSED = { of: 12, right: 10 } as const;

/** New cards in one session at most. */
const MAX_NEW = 6;

/** Milliseconds that a question takes where nothing is known yet, with hearing it and reading the answer. */
const USUAL_TAKES = 20_000;

/** Milliseconds beside the answer itself. */
const AROUND = 9000;

/** Each level by the cards that are its own. */
const levelsByCard: ReadonlyMap<string, readonly Level[]> = (() => {
  const found = new Map<string, Level[]>();
  for (const level of LEVELS)
    for (const card of cardsOf(level.exam))
      found.set(cardId(card), [...(found.get(cardId(card)) ?? []), level]);
  return found;
})();

/**
 * The levels that are passed: what is passed stays passed, whatever is answered later.
 *
 * @param attempts in the order of their times
 */
export function passedLevels(attempts: readonly Attempt[]): ReadonlySet<Level> {
  const passed = new Set<Level>();
  const last = new Map<Level, boolean[]>();
  for (const { card, isRight } of attempts)
    for (const level of levelsByCard.get(cardId(card)) ?? []) {
      if (passed.has(level)) continue;
      const answers = [...(last.get(level) ?? []), isRight].slice(-PASSED.of);
      last.set(level, answers);
      if (answers.length === PASSED.of && answers.filter(Boolean).length >= PASSED.right) passed.add(level);
    }
  return passed;
}

/** How often something may be heard. */
const hearings = ({ times }: Level["exam"]): number => (times === 0 ? Infinity : times);

/** Whether one level asks all that another does: who names the mode has heard its third. */
function holdsLevel({ exam: harder }: Level, { exam: easier }: Level): boolean {
  const asked: readonly string[] = harder.questions.includes("mode")
    ? [...harder.questions, "third"]
    : harder.questions;
  return (
    easier.questions.every((question) => asked.includes(question)) &&
    easier.modes.every((mode) => harder.modes.includes(mode)) &&
    easier.textures.every((texture) => harder.textures.includes(texture)) &&
    easier.octaves <= harder.octaves &&
    hearings(easier) >= hearings(harder)
  );
}

/** The level that comes next: the first that isn't passed, nor held in one that is; after all of them the last. */
export const levelReached = (passed: ReadonlySet<Level>): Level =>
  LEVELS.find((level) => !passed.has(level) && ![...passed].some((other) => holdsLevel(other, level))) ??
  (LEVELS.at(-1) as Level);

/**
 * How many questions fit into some minutes, by how long the last answers took.
 *
 * @example questionsIn(10, []) // 30
 */
export function questionsIn(minutes: number, attempts: readonly Attempt[]): number {
  const took = attempts.slice(-40).map((each) => Math.min(each.took, 60_000));
  const each = took.length < 8 ? USUAL_TAKES : AROUND + took.reduce((sum, one) => sum + one, 0) / took.length;
  return Math.max(4, Math.round((minutes * 60_000) / each));
}

/**
 * The cards of a day's session: those that are due, the longest overdue first, and new ones of the level, never more than `MAX_NEW`;
 * where both are few the level's own once more.
 */
export function cardsForToday(schedule: Schedule, level: Level, now: number, count: number): readonly Card[] {
  const due = dueCards(schedule, now).map(({ card }) => card);
  const own = cardsOf(level.exam);
  const fresh = own.filter((card) => !schedule.has(cardId(card))).slice(0, MAX_NEW);
  const room = Math.max(0, count - due.length);
  const first = [...due.slice(0, count), ...fresh.slice(0, room)];
  const rest: Card[] = [];
  // The level is heard over and over until it sits.
  while (first.length + rest.length < count && own.length > 0)
    rest.push(...own.slice(0, count - first.length - rest.length));
  return [...first, ...rest];
}
