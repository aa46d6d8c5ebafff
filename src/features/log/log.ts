import { addDays, addMonths, addWeeks, format, startOfMonth, startOfWeek } from "date-fns";
import { computed } from "nanostores";
import { type Attempt, daysInARow, secondsBy } from "@/core/training";
import { $placeMode, $settings, $sittings, attemptsOf, dayName, dayNumber, selects } from "@/session";
import { selectionOf } from "@/shell/selected";
import type { Played, Sitting } from "@/storage";
import { log } from "./manifest";

export const LOG = log.id;

/** A piece of the log: what was practised, or the answers of a sitting taken together. */
export interface Piece extends Omit<Played, "kind"> {
  readonly kind: Played["kind"] | "ear";
  readonly sitting: string;
}

/** Seconds that answers took, with the time to hear and read them; a pause is none of them. */
function earSeconds(attempts: readonly Attempt[]): number {
  let sum = 0;
  for (const [nth, { at, took }] of attempts.entries()) {
    const before = attempts[nth - 1]?.at;
    const since = before === undefined ? took : at - before;
    sum += Math.min(Math.max(since, 0), 120_000) / 1000;
  }
  return Math.round(sum);
}

/** What a sitting comes to, a piece to each thing. */
export function piecesOf(sitting: Sitting): readonly Piece[] {
  const attempts = attemptsOf(sitting);
  const first = attempts[0];
  const played = sitting.played.map((piece): Piece => ({ ...piece, sitting: sitting.id }));
  if (!first) return played;
  const heard: Piece = {
    id: `${sitting.id}-ear`,
    sitting: sitting.id,
    at: first.at - first.took,
    title: sitting.title,
    kind: "ear",
    seconds: earSeconds(attempts),
  };
  return [heard, ...played];
}

/** Every piece, the earliest first. */
export const $pieces = computed($sittings, (all): readonly Piece[] =>
  all.flatMap(piecesOf).toSorted((a, b) => a.at - b.at),
);

/** Sittings by the name of the day on which they were begun, the latest first. */
export const $byDay = computed($sittings, (all): ReadonlyMap<string, readonly Sitting[]> => {
  const days = new Map<string, Sitting[]>();
  for (const sitting of all) {
    const name = dayName(new Date(sitting.startedAt));
    days.set(name, [...(days.get(name) ?? []), sitting]);
  }
  return days;
});

/** Seconds of each day that something was done on. */
export const $secondsOfDays = computed(
  $pieces,
  (pieces) => new Map(secondsBy(pieces, ({ at }) => dayName(at)).map(({ name, seconds }) => [name, seconds])),
);

/** Days in a row up to today. */
export const inARow = (pieces: readonly Piece[], now: number): number =>
  daysInARow(new Set(pieces.map(({ at }) => dayNumber(at))), dayNumber(now));

/** The weeks of a month, Monday first, with the days around it that fill them. */
export function weeksOf(month: Date): readonly (readonly Date[])[] {
  const first = startOfWeek(startOfMonth(month), { weekStartsOn: 1 });
  const last = addMonths(startOfMonth(month), 1);
  const weeks: Date[][] = [];
  for (let week = first; week < last; week = addWeeks(week, 1))
    weeks.push(Array.from({ length: 7 }, (_, day) => addDays(week, day)));
  return weeks;
}

/** A stretch of time with its name, for a row of bars. */
export interface Span {
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

/** Weeks up to a time, the earliest first; over more than a year, months. */
export function spans(first: number, now: number): readonly Span[] {
  const isLong = now - first > 40 * 7 * 86_400_000;
  const found: Span[] = [];
  let from = isLong ? startOfMonth(first) : startOfWeek(first, { weekStartsOn: 1 });
  while (from.getTime() <= now) {
    const to = isLong ? addMonths(from, 1) : addWeeks(from, 1);
    found.push({
      name: format(from, isLong ? "MMM yy" : "d MMM"),
      from: from.getTime(),
      to: to.getTime(),
    });
    from = to;
  }
  return found.slice(-60);
}

/** Seconds in each of several stretches. */
export function secondsIn(pieces: readonly Piece[], all: readonly Span[]): readonly number[] {
  const sums = all.map(() => 0);
  for (const { at, seconds } of pieces) {
    const place = all.findIndex(({ from, to }) => at >= from && at < to);
    if (place >= 0) sums[place] = (sums[place] ?? 0) + seconds;
  }
  return sums;
}

/** The stage goes on with the mode of the address. */
selects(
  LOG,
  computed([$placeMode, $settings], (homeMode, settings) =>
    selectionOf(homeMode, undefined, settings, settings.drone),
  ),
);
