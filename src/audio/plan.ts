import type { Score, ScoreNote } from "./score";

/**
 * What is played round after round. A round and its tempo are asked for when its first notes are due to be handed to the audio clock, so
 * that a change is heard from the next round on and never in the middle of one.
 */
export interface Playing {
  /** What the nth round plays, from 0; undefined ends. */
  readonly round: (n: number) => Score | undefined;
  /** Beats a minute in the nth round. */
  readonly tempo: (n: number) => number;
  /** Played once before the first round: a count-in. */
  readonly before?: Score | undefined;
}

/** Something that happens at a time of the audio clock, in seconds. */
export type Timed =
  | { readonly kind: "note"; readonly note: ScoreNote; readonly time: number; readonly seconds: number }
  | { readonly kind: "mark"; readonly mark: number; readonly time: number }
  | { readonly kind: "round"; readonly round: number; readonly time: number }
  | { readonly kind: "end"; readonly time: number };

/** A performance laid out on the audio clock, piece by piece. */
export interface Plan {
  /** What happens before a time and was not handed out yet, in order. */
  readonly until: (time: number) => readonly Timed[];
  /**
   * Goes on at another tempo from a time on. What was handed out for later is taken back and will be handed out anew: true where that is
   * so, and what was already given to the audio clock has to be called off.
   */
  readonly setTempo: (tempo: number, from: number) => boolean;
}

/** What is still to come, by the beat it stands on, counted from the first beat of all. */
type Coming =
  | { readonly kind: "note"; readonly beat: number; readonly note: ScoreNote }
  | { readonly kind: "mark"; readonly beat: number; readonly mark: number }
  | { readonly kind: "round"; readonly beat: number; readonly round: number }
  | { readonly kind: "end"; readonly beat: number };

/** From a beat on, which stands at a time, beats are so many seconds long. */
interface Stretch {
  readonly beat: number;
  readonly time: number;
  readonly each: number;
}

/** How much of its length each part holds a note. */
const HOLD: Readonly<Record<ScoreNote["part"], number>> = {
  line: 0.95,
  drone: 1,
  chord: 0.97,
  bass: 0.92,
  click: 1,
};

/** Beats that sound on after the last round before all is silent. */
const AFTERWARDS = 0.5;

/** Times closer than this are the same. */
const SAME = 1e-6;

/**
 * Lays a performance out from a time on. Every note is counted from the beat at which the tempo last changed, so that nothing is rounded
 * and nothing adds up.
 *
 * @example plan({ round: () => score, tempo: () => 60 }, 0).until(1) // what begins in the first second
 */
export function plan(playing: Playing, start: number): Plan {
  const first: Stretch = { beat: 0, time: start, each: 60 / playing.tempo(0) };
  const stretches: Stretch[] = [first];
  let coming: Coming[] = [];
  let handedOut: { readonly item: Coming; readonly time: number }[] = [];
  /** The beat at which the next round begins, and which one that is; undefined once the last has begun. */
  let next: { readonly beat: number; readonly round: number } | undefined = { beat: 0, round: 0 };

  const last = (): Stretch => stretches.at(-1) as Stretch;
  const timeOf = (beat: number): number => last().time + (beat - last().beat) * last().each;
  const put = (score: Score, from: number) => {
    const items: Coming[] = [
      ...score.notes.map((note): Coming => ({ kind: "note", beat: from + note.at, note })),
      ...(score.marks ?? []).map((at, mark): Coming => ({ kind: "mark", beat: from + at, mark })),
    ];
    for (const item of items.sort((a, b) => a.beat - b.beat)) coming.push(item);
  };
  const begin = ({ beat, round }: { readonly beat: number; readonly round: number }) => {
    const score = playing.round(round);
    if (!score || score.beats <= 0) {
      coming.push({ kind: "end", beat: beat + AFTERWARDS });
      next = undefined;
      return;
    }
    coming.push({ kind: "round", beat, round });
    put(score, beat);
    next = { beat: beat + score.beats, round: round + 1 };
  };
  const handOut = (item: Coming): Timed => {
    const time = timeOf(item.beat);
    handedOut.push({ item, time });
    switch (item.kind) {
      case "note": {
        const { note } = item;
        return {
          kind: "note",
          note,
          time: time + (note.late ?? 0),
          seconds: note.length * last().each * HOLD[note.part],
        };
      }
      case "mark":
        return { kind: "mark", mark: item.mark, time };
      case "round": {
        const each = 60 / playing.tempo(item.round);
        if (each !== last().each) stretches.push({ beat: item.beat, time, each });
        return { kind: "round", round: item.round, time };
      }
      case "end":
        return { kind: "end", time };
    }
  };

  if (playing.before) {
    put(playing.before, 0);
    next = { beat: playing.before.beats, round: 0 };
  }
  return {
    until: (time) => {
      const found: Timed[] = [];
      for (;;) {
        const [soonest] = coming;
        // The next round comes before what stands on its first beat.
        if (next && (!soonest || next.beat <= soonest.beat + SAME) && timeOf(next.beat) < time) begin(next);
        else if (soonest && timeOf(soonest.beat) < time) {
          coming.shift();
          found.push(handOut(soonest));
        } else break;
      }
      const horizon = time - LONGEST_AHEAD;
      handedOut = handedOut.filter((each) => each.time > horizon);
      return found;
    },
    setTempo: (tempo, from) => {
      const each = 60 / tempo;
      const now = stretches.findLast(({ time }) => time <= from + SAME) ?? first;
      if (Math.abs(now.each - each) < SAME) return false;
      const beat = now.beat + Math.max(0, from - now.time) / now.each;
      const back = handedOut.filter(({ time }) => time > from);
      handedOut = handedOut.filter(({ time }) => time <= from);
      coming = [...back.map(({ item }) => item), ...coming];
      stretches.splice(0, stretches.length, { beat, time: Math.max(from, now.time), each });
      return true;
    },
  };
}

/** Seconds for which what was handed out is remembered, so that it can be taken back. */
const LONGEST_AHEAD = 10;
