import { modulo } from "@/core/pitch";
import { type BeatGrouping, strengths, USUAL_GROUPING } from "./beat-groups";
import { BEATS_A_BAR, type Pulse, type Score, type ScoreNote, USUAL } from "./score";

/** Keys of the metronome among those of percussion: two wood blocks, and claves for what lies between the beats. */
const CLICK = {
  first: { midi: 76, loud: 1 },
  group: { midi: 76, loud: 0.7 },
  beat: { midi: 77, loud: USUAL },
  between: { midi: 75, loud: 0.55 },
} as const;
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
  at,
  length: CLICK_LENGTH,
  ...CLICK[kind],
});

/** Bars in which the metronome is silent, at the end of every so many: two of four. */
interface SilentBars {
  readonly silent: number;
  readonly of: number;
}

export interface MetronomeWay {
  /** Into how many parts each beat is divided. */
  readonly parts?: number;
  readonly grouping?: BeatGrouping;
  readonly silentBars?: SilentBars | undefined;
  /** Bars that were played before: silent bars are counted through. */
  readonly barsBefore?: number;
}

/** How many bars a score has by its barlines, one at least. */
export const barCount = (score: Pick<Score, "pulses" | "beats">): number =>
  Math.max(1, pulsesOf(score).filter(({ isFirst }) => isFirst).length);

/** The metronome of a score. */
function clicks(
  score: Pick<Score, "pulses" | "beats">,
  { parts = 1, grouping = USUAL_GROUPING, silentBars, barsBefore = 0 }: MetronomeWay,
): readonly ScoreNote[] {
  const pulses = pulsesOf(score);
  const strong = strengths(pulses, grouping);
  let bar = barsBefore - 1;
  return pulses.flatMap(({ at, each, isFirst }, nth) => {
    if (isFirst) bar += 1;
    if (silentBars && modulo(bar, silentBars.of) >= silentBars.of - silentBars.silent) return [];
    return Array.from({ length: parts }, (_, part) =>
      click(at + (part * each) / parts, part > 0 ? "between" : (strong[nth] ?? "beat")),
    );
  });
}

/**
 * A score with the metronome.
 *
 * @example withClick(score, { parts: 2, silentBars: { silent: 1, of: 4 } }) // eighths, every fourth bar without them
 */
export const withClick = (score: Score, way: MetronomeWay = {}): Score => ({
  ...score,
  notes: [...score.notes, ...clicks(score, way)],
});

/** The metronome alone, in the meter of a score. */
export const clickScore = (score: Score): Score => ({
  notes: clicks(score, {}),
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
