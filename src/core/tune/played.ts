import { barsFor, placedIn } from "./laid-out";
import type { Played } from "./quantise";
import { spelledInContext } from "./respell";
import type { Meter } from "./meter";
import type { Tune } from "./tune";

/** A note by the clock: seconds from the first. */
export interface Timed {
  readonly midi: number;
  readonly onset: number;
  readonly duration: number;
}

/** A note may be written as these many quarters when players mostly play notes of one length. */
const USUAL = [0.5, 1, 2];
const FOUR: Meter = { beats: 4, unit: 4 };
const MAX_BARS = 10_000;

/**
 * Seconds in a quarter, from when notes were played: the middle distance between them is a quarter, half of one or two,
 * whichever comes nearest to the tempo that is set.
 *
 * @param tempo quarters a minute
 * @example quarterOf([0, 0.31, 0.6, 0.91], 96) // 0.6: notes 0.3 s apart are eighths at about 100
 */
export function quarterOf(onsets: readonly number[], tempo: number): number {
  const set = 60 / tempo;
  const apart = onsets
    .slice(1)
    .map((onset, at) => onset - (onsets[at] ?? 0))
    .filter((gap) => gap > SHORTEST_GAP && gap <= LONGEST_GAP * set)
    .sort((a, b) => a - b);
  const middle = apart[Math.floor(apart.length / 2)];
  if (middle === undefined) return set;
  const choices = USUAL.map((quarters) => middle / quarters);
  const away = (quarter: number) => Math.abs(Math.log(quarter / set));
  return choices.reduce((best, next) => (away(next) < away(best) ? next : best));
}

/** Closer than this, notes were struck together. */
const SHORTEST_GAP = 0.04;

/** Quarters at the tempo that is set; further apart, the player stopped to think. */
const LONGEST_GAP = 8;

/**
 * Notes on the beat, each so many sixteenths after the one before: what players keep is the distance from note to note, while
 * their tempo wanders. A note lasts to the next one where hardly anything lies between.
 */
function stepped(notes: readonly Timed[], quarter: number): readonly Played[] {
  const sixteenths = (seconds: number) => Math.round((seconds / quarter) * 4) / 4;
  /** A long note that nothing follows ends where the player lets go, give or take. */
  const wholeEighths = (seconds: number) => Math.round((seconds / quarter) * 2) / 2;
  let at = 0;
  const onsets = notes.map(({ onset }, place) => {
    const before = notes[place - 1];
    const apart = onset - (before?.onset ?? onset);
    const gap = Math.min(apart, (before?.duration ?? 0) + MAX_SILENCE * quarter);
    if (gap > SHORTEST_GAP) at += Math.max(0.25, sixteenths(gap));
    return at;
  });
  return notes.map(({ midi, onset, duration }, place) => {
    const struck = onsets[place] ?? 0;
    let following = place + 1;
    while (onsets[following] === struck) following += 1;
    const [next, nextAt] = [notes[following], onsets[following] ?? Infinity];
    const isHeld = next !== undefined && next.onset - onset - duration < quarter / 4 + duration * LET_GO;
    const length =
      duration / quarter < 1
        ? Math.max(0.25, sixteenths(duration * (1 + LET_GO / 2)))
        : wholeEighths(duration);
    return {
      midi,
      onset: struck,
      duration: isHeld ? nextAt - struck : Math.min(length, Math.max(0.25, nextAt - struck)),
    };
  });
}

/** Quarters of rest at most: who waits longer is thinking, not counting. */
const MAX_SILENCE = 4;

/** The hand comes off before the end of a note by up to this share of it. */
const LET_GO = 0.3;

/**
 * What was played or sung by the clock as a tune: on the beat, spelled by what sounds around each note, four quarters to the
 * bar from the first note on.
 */
export function playedTune(notes: readonly Timed[], tempo: number, title = ""): Tune {
  const sorted = [...notes].sort((a, b) => a.onset - b.onset);
  const quarter = quarterOf(
    sorted.map(({ onset }) => onset),
    tempo,
  );
  const written = stepped(sorted, quarter);
  const end = written.reduce((last, { onset, duration }) => Math.max(last, onset + duration), 0);
  const bars = barsFor(end, [{ at: 0, meter: FOUR }], MAX_BARS);
  const pitches = spelledInContext(written);
  const placed = written.flatMap((note, at) => {
    const pitch = pitches[at];
    return pitch ? [{ ...note, pitch }] : [];
  });
  return { title, notes: placedIn(bars, placed), bars, meter: FOUR };
}
