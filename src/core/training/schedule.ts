import { type Card as Remembered, createEmptyCard, fsrs, type Grade, Rating } from "ts-fsrs";
import type { Attempt } from "./attempt";
import { type Card, cardId } from "./card";

/** A card with when it comes back. */
export interface Due {
  readonly card: Card;
  /** Milliseconds since 1970. */
  readonly due: number;
  /** Days after which nine of ten are still known. */
  readonly stability: number;
  readonly answered: number;
}

/** What is remembered of each card so far, by its id. */
export type Schedule = ReadonlyMap<string, Due & { readonly remembered: Remembered }>;

/** Without a random part, so that the same answers always give the same days. */
const scheduler = fsrs({ enable_fuzz: false, request_retention: 0.9 });

/** An answer given later than this was worked out rather than heard, in milliseconds. */
const SLOW = 15_000;

/** Hearing it more often than this is help. */
const HEARD_OFTEN = 2;

/** How well something was known: what is wrong comes again, what took long or was heard often was hard. */
const gradeOf = ({ isRight, took, heard }: Attempt): Grade =>
  !isRight ? Rating.Again : took > SLOW || heard > HEARD_OFTEN ? Rating.Hard : Rating.Good;

/**
 * When each card comes back, by the free spaced repetition scheduler (FSRS): worked out from all answers in the order of their times. More
 * answers can be added to what is there. A clock that was put back makes an answer count at the time of the one before it.
 *
 * @param before what came out of earlier answers, none of them later than these
 */
export function scheduled(attempts: readonly Attempt[], before: Schedule = new Map()): Schedule {
  const schedule = new Map(before);
  for (const attempt of attempts) {
    const id = cardId(attempt.card);
    const known = schedule.get(id);
    const last = known?.remembered.last_review?.getTime() ?? -Infinity;
    const now = new Date(Math.max(attempt.at, last));
    const { card: remembered } = scheduler.next(
      known?.remembered ?? createEmptyCard(now),
      now,
      gradeOf(attempt),
    );
    schedule.set(id, {
      card: attempt.card,
      due: remembered.due.getTime(),
      stability: remembered.stability,
      answered: (known?.answered ?? 0) + 1,
      remembered,
    });
  }
  return schedule;
}

/** Cards that are due, the longest overdue first. */
export const dueCards = (schedule: Schedule, now: number): readonly Due[] =>
  [...schedule.values()].filter(({ due }) => due <= now).toSorted((a, b) => a.due - b.due);

/**
 * How many cards come back on each of the days to come; what is overdue counts for the first.
 *
 * @param dayOf the day of a time, counted from any day on
 */
export function forecast(
  schedule: Schedule,
  now: number,
  days: number,
  dayOf: (at: number) => number,
): readonly number[] {
  const today = dayOf(now);
  const counts = Array.from({ length: days }, () => 0);
  for (const { due } of schedule.values()) {
    const day = Math.max(0, dayOf(due) - today);
    if (day < days) counts[day] = (counts[day] ?? 0) + 1;
  }
  return counts;
}
