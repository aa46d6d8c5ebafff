import { printName } from "../pitch";
import { isNamed } from "../scale";
import { type ChartChord, type Lock, readChart } from "./chart";
import { chartTokens } from "./chart-tokens";

/**
 * What sets home and mode by hand, as it is typed in a chart: "{E Dorian}", "{E}", "{dorian}".
 *
 * @example printLock({ home: 4 }) // "{E}"
 */
function printLock({ home, mode }: Lock): string {
  const name = mode && (isNamed(mode) ? mode.name : mode.id);
  return `{${[home === undefined ? undefined : printName(home), name].filter((part) => part !== undefined).join(" ")}}`;
}

const isSame = (one: Lock | undefined, other: Lock | undefined) =>
  one?.home === other?.home && one?.mode === other?.mode;

/**
 * A chart's text with home or mode set by hand for the chords `from` up to and with `to`, or with what was set there taken
 * away; what is set for other stretches stays, and nothing else that was typed is changed.
 *
 * @example withLock("| Em9 | A13 | D |", 0, 1, { home: E, mode: dorian }) // "| {E Dorian} Em9 | A13 | {} D |"
 */
export function withLock(text: string, from: number, to: number, lock: Lock | undefined): string {
  const { chords } = readChart(text).value;
  const wanted = new Map<number, Lock | undefined>();
  for (const [at, place] of chords.entries()) {
    const isIn = at >= from && at <= to;
    // Chords that come of one sign, as those of a repeated bar do, stand in one place of the text.
    if (!wanted.has(place.offset) || isIn) wanted.set(place.offset, lockOf(place, isIn, lock));
  }
  let written = "";
  let at = 0;
  let before: Lock | undefined;
  for (const token of chartTokens(text)) {
    written += text.slice(at, token.offset);
    at = token.offset + token.text.length;
    if (token.kind === "lock") {
      // The space after a lock goes with it.
      if (text[at] === " ") at += 1;
      continue;
    }
    if (wanted.has(token.offset)) {
      const next = wanted.get(token.offset);
      if (!isSame(before, next)) written += `${next ? printLock(next) : "{}"} `;
      before = next;
    }
    written += token.text;
  }
  return written + text.slice(at);
}

const lockOf = (place: ChartChord, isIn: boolean, lock: Lock | undefined) => (isIn ? lock : place.lock);
