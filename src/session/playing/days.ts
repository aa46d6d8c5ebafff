import { formatISO, startOfDay } from "date-fns";

/** The name of a day here, whatever the clock is: "2026-11-28". */
export const dayName = (at: number | Date): string => formatISO(at, { representation: "date" });

/** A day's number, one more each day here: the hours of a day that the clock is changed on don't matter. */
export const dayNumber = (at: number | Date): number => {
  const day = startOfDay(at);
  return Math.round(Date.UTC(day.getFullYear(), day.getMonth(), day.getDate()) / 86_400_000);
};
