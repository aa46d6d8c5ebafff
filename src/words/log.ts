import { REST } from "@/core/training";
import type { Felt, PracticeKind } from "@/storage";
import { capital, countText, inTitle, numberText } from "./names";

export const KIND_TEXT: Readonly<Record<PracticeKind | "ear", string>> = {
  mode: "modes",
  line: "lines",
  voicing: "voicings",
  chart: "charts",
  tune: "tunes",
  free: "other",
  ear: "ear training",
};

export const FELT_TEXT: Readonly<Record<Felt, string>> = { easy: "Easy", right: "Fine", hard: "Hard" };

export const itemOfText = (nth: number, of: number): string => `Item ${nth + 1} of ${of}`;

/** Which round is played, where an item goes on after some: ", round 3 of 8". */
export const roundsText = (played: number, { rounds }: { readonly rounds: number }): string =>
  rounds === 0 ? "" : `, round ${Math.min(played + 1, rounds)} of ${rounds}`;

export const afterRoundsText = (rounds: number): string =>
  rounds === 0 ? "by the clock" : `after ${countText(rounds, "round")}`;

/** A routine whose tab was closed in the middle of it. */
export const leftOffText = (title: string): string => `You stopped a routine at “${inTitle(title)}”.`;

/** Minutes and seconds of a clock: "4:07". */
export function clockText(milliseconds: number): string {
  const seconds = Math.ceil(milliseconds / 1000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}

export const TIME_IS_UP = "Time is up";

/** Time is up, and after a bar the next item comes, or the end. */
export const goesOnText = (next: string | undefined): string =>
  next === undefined ? "ends after this bar" : "the next one comes after this bar";

/** What the tempo of an item did the last time. */
export const lastTimeText = (
  begun: number | undefined,
  reached: number,
  rounds: number | undefined,
): string =>
  [
    begun === undefined || begun === reached
      ? `last time ${reached} bpm`
      : `last time ${begun} to ${reached} bpm`,
    ...(rounds === undefined || rounds === 0 ? [] : [countText(rounds, "whole round")]),
  ].join(", ");

/** What Go on starts: the thing practised last, questions that are due, something new. */
export const goOnText = (last: string, tempo: number | undefined, due: number, next: string): string =>
  [
    `Again: ${tempo === undefined ? last : `${last} (${tempo} bpm)`}.`,
    ...(due === 0 ? [] : [`${capital(countText(due, "question"))} due.`]),
    `New: ${next}.`,
  ].join(" ");

export const GO_ON_TITLE = "Go on";

export const REST_NOW = `You have played ${REST.after} minutes. Rest your hands for ${numberText(REST.minutes)}; stop if anything hurts.`;

/** "1 h 20 min", "6 min". */
export function durationText(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  if (minutes < 60) return minutes === 0 && seconds > 0 ? "under 1 min" : `${minutes} min`;
  return `${Math.floor(minutes / 60)} h${minutes % 60 === 0 ? "" : ` ${minutes % 60} min`}`;
}

export const ROUTINE_EMPTY =
  "There is nothing in this routine yet. Go to a mode, a position, a voicing, a chart, a tune, an exam or a drill and press R there.";

export const ROUTINE_SAYS =
  "Warm up first, and start slowly. Each item opens as it was when you added it, with its instrument, position and tempo.";

/** What came of a log file. */
export function broughtText(pieces: number, unread: number, ear: number): string {
  const rows = (count: number) => countText(count, "row");
  return [
    pieces === 0 ? "Nothing in this file is new." : `Imported ${countText(pieces, "item")}.`,
    ...(ear === 0 ? [] : [`${capital(rows(ear))} of ear training left out: a backup has the answers.`]),
    ...(unread === 0 ? [] : [`${capital(rows(unread))} can’t be read.`]),
  ].join(" ");
}

export const LOG_TOO_LARGE = "This file is too large for a log.";

export const NO_DAYS =
  "Nothing has been written down yet. Train your ear or start a routine, and it will be here.";

export const TOO_FEW_ANSWERS =
  "There are too few answers yet to say what you mix up: it takes ten questions about a mode.";

export const NO_HABITS = "Nothing is mixed up often enough to be called a habit.";

export const daysInARowText = (days: number): string =>
  days === 0 ? "" : `${capital(countText(days, "day"))} in a row.`;

export const answersText = (right: number, of: number): string => `${right} of ${of} right`;

export const DELETED_SITTING = "Deleted.";

export const TEMPO_SAYS = "What a routine is practised at is drawn here, from day to day.";

export const tempoFromToText = (title: string, from: number, to: number, times: number): string =>
  `${title}: from ${from} to ${to} bpm in ${countText(times, "session")}.`;

/** What the music stand says of a routine: the time that is left, and what comes next. */
export const practisedText = (left: number, next: string | undefined): string =>
  `${left <= 0 ? TIME_IS_UP : clockText(left)} · ${next === undefined ? "the last item" : `next: ${next}`}`;
