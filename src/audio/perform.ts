import type * as ToneModule from "tone";
import type { PartInstruments } from "./instruments";
import type { Score, ScoreNote } from "./score";

/**
 * What is played round after round. Both are asked for at the last beat of the round before, so that a change is heard from
 * the next round on and never in the middle of one.
 */
export interface Playing {
  /** What the nth round plays, from 0; undefined ends. */
  readonly round: (n: number) => Score | undefined;
  /** Beats a minute in the nth round. */
  readonly tempo: (n: number) => number;
  /** Played once before the first round: a count-in. */
  readonly before?: Score | undefined;
}

/** What can be followed while it sounds; times are those of the audio clock. */
export interface Following {
  readonly onNote?: (note: ScoreNote, time: number) => void;
  readonly onNoteEnd?: (note: ScoreNote, time: number) => void;
  readonly onMark?: (mark: number, time: number) => void;
  readonly onRound?: (n: number, time: number) => void;
  readonly onEnd?: (time: number) => void;
}

/** Ticks before the first note: a change of tempo just before the start can swallow what is scheduled on tick 0. */
export const LEAD_TICKS = 4;

/** How much of its length each part holds a note. */
const HOLD: Readonly<Record<ScoreNote["part"], number>> = {
  line: 0.95,
  drone: 0.98,
  chord: 0.9,
  bass: 0.85,
  click: 1,
};

/** Beats that sound on after the last round before all is silent. */
const AFTERWARDS = 0.5;

/**
 * Puts a performance on a transport that stands at 0, live or offline. Every note is counted from the transport's ticks,
 * and what lies between two ticks is added in seconds, so that nothing is rounded and nothing adds up. All notes are struck
 * `delay` seconds later than they stand.
 */
export function perform(
  tone: typeof ToneModule,
  transport: ReturnType<typeof ToneModule.getTransport>,
  parts: PartInstruments,
  playing: Playing,
  following: Following = {},
  delay = 0,
): void {
  const { PPQ } = transport;
  const secondsPerTick = (time: number) => 60 / (transport.bpm.getValueAtTime(time) * PPQ);
  const at = (ticks: number, act: (time: number) => void) => {
    const whole = Math.floor(ticks + 1e-6);
    transport.scheduleOnce((time) => act(time + (ticks - whole) * secondsPerTick(time)), `${whole}i`);
  };
  const put = (score: Score, from: number) => {
    for (const note of score.notes) {
      at(from + note.at * PPQ, (time) => {
        const seconds = note.length * PPQ * secondsPerTick(time) * HOLD[note.part];
        const hertz = tone.Frequency(note.midi, "midi").toFrequency();
        parts[note.part].strike(hertz, seconds, time + delay);
        following.onNote?.(note, time);
        following.onNoteEnd?.(note, time + seconds);
      });
    }
    for (const [mark, beats] of (score.marks ?? []).entries())
      at(from + beats * PPQ, (time) => following.onMark?.(mark, time));
  };
  const begin = (n: number, from: number) => {
    const score = playing.round(n);
    if (!score || score.beats <= 0) {
      at(from + AFTERWARDS * PPQ, (time) => following.onEnd?.(time));
      return;
    }
    at(from, (time) => {
      const tempo = playing.tempo(n);
      if (tempo !== transport.bpm.getValueAtTime(time)) transport.bpm.setValueAtTime(tempo, time);
      following.onRound?.(n, time);
    });
    put(score, from);
    const end = from + score.beats * PPQ;
    at(Math.max(from, end - PPQ), () => begin(n + 1, end));
  };
  transport.bpm.value = playing.tempo(0);
  if (playing.before) put(playing.before, LEAD_TICKS);
  begin(0, LEAD_TICKS + (playing.before?.beats ?? 0) * PPQ);
}
