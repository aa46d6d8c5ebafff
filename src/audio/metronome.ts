import { modulo } from "@/core/pitch";
import { BEATS_A_BAR, type Pulse, type Score, type ScoreNote, USUAL } from "./score";

/** Keys of the metronome among those of percussion: two wood blocks, and claves for what lies between the beats. */
const CLICK = { first: 76, beat: 77, between: 75 } as const;
const CLICK_LENGTH = 0.1;

const plainPulses = (beats: number): readonly Pulse[] =>
  Array.from({ length: Math.floor(beats + 1e-6) }, (_, at) => ({
    at,
    each: 1,
    isFirst: at % BEATS_A_BAR === 0,
  }));

/** Where the metronome strikes in a score. */
export const pulsesOf = ({ pulses, beats }: Pick<Score, "pulses" | "beats">): readonly Pulse[] =>
  pulses ?? plainPulses(beats);

const click = (at: number, kind: keyof typeof CLICK): ScoreNote => ({
  part: "click",
  midi: CLICK[kind],
  at,
  length: CLICK_LENGTH,
  loud: kind === "first" ? 1 : kind === "beat" ? USUAL : 0.55,
});

/** The metronome of a score, each beat parted into so many. */
const clicks = (score: Pick<Score, "pulses" | "beats">, parts = 1): readonly ScoreNote[] =>
  pulsesOf(score).flatMap(({ at, each, isFirst }) =>
    Array.from({ length: parts }, (_, part) =>
      click(at + (part * each) / parts, part > 0 ? "between" : isFirst ? "first" : "beat"),
    ),
  );

/** A score with the metronome, each beat parted into so many. */
export const withClick = (score: Score, parts = 1): Score => ({
  ...score,
  notes: [...score.notes, ...clicks(score, parts)],
});

/** The metronome alone, in the meter of a score. */
export const clickScore = (score: Score, parts = 1): Score => ({
  notes: clicks(score, parts),
  beats: score.beats,
  loops: true,
  ...(score.pulses ? { pulses: score.pulses } : {}),
  ...(score.meter ? { meter: score.meter } : {}),
});

/** So many beats of the metronome before a score begins, counted so that its first barline falls right, pickups and all. */
export function countIn(beats: number, before?: Score): Score {
  const pulses = before ? pulsesOf(before) : [];
  const [pickup = 0, second = pulses.length] = pulses.flatMap(({ isFirst }, at) => (isFirst ? [at] : []));
  const perBar = second - pickup || BEATS_A_BAR;
  const each = pulses[0]?.each ?? 1;
  return {
    notes: Array.from({ length: beats }, (_, at) =>
      click(at * each, modulo(beats - at + pickup, perBar) === 0 ? "first" : "beat"),
    ),
    beats: beats * each,
    loops: false,
  };
}
