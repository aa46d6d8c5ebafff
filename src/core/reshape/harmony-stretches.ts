import { type Fifths, midiOf, soundOf } from "../pitch";
import { type PitchClassSet, pitchClassSet } from "../scale";
import { EPSILON, feltBeat, firstPlace, type Tune, type TuneBar, type TuneNote } from "../tune";
import type { HarmonyRhythm } from "./harmony-choice";

/** A stretch of the tune with one chord. */
export interface Span {
  readonly start: number;
  readonly end: number;
  readonly bar: number;
  /** Times of its strong beats. */
  readonly beats: readonly number[];
}

/** The first beat of a bar, and its middle where its felt beats fall into so many: four for strong beats, two for halves. */
const beatsOf = ({ start, length }: TuneBar, beat: number, into: 2 | 4): readonly number[] =>
  Math.round(length / beat) % into === 0 ? [start, start + length / 2] : [start];

/** The stretches that have a chord each; a pickup has none. */
export function spansOf(
  { bars, meter }: Pick<Tune, "bars" | "meter">,
  rhythm: HarmonyRhythm,
): readonly Span[] {
  const beat = feltBeat(meter);
  const whole = bars.flatMap((bar, at): Span[] =>
    bar.lead > 0
      ? []
      : [
          {
            start: bar.start,
            end: bar.start + bar.length,
            bar: at,
            // Two felt beats, as in 6/8, have one strong one; each half has a chord of its own where that is asked for.
            beats: beatsOf(bar, beat, rhythm === "half-bar" ? 2 : 4),
          },
        ],
  );
  if (rhythm === "half-bar") return whole.flatMap(halved);
  if (rhythm === "bar" || rhythm === "phrase") return whole;
  const pairs: Span[] = [];
  for (const span of whole) {
    const last = pairs.at(-1);
    // A pair ends with its section.
    const isOpen = last?.bar === span.bar - 1 && bars[last.bar]?.endsSection !== true;
    if (last && isOpen && Math.abs(last.end - span.start) < EPSILON)
      pairs[pairs.length - 1] = {
        ...last,
        end: span.end,
        beats: [...last.beats, ...span.beats],
        bar: last.bar,
      };
    else pairs.push(span);
  }
  return pairs;
}

/** A stretch parted at each of its strong beats. */
export const halved = (span: Span): readonly Span[] =>
  span.beats.map((start, at) => ({
    ...span,
    start,
    end: span.beats[at + 1] ?? span.end,
    beats: [start],
  }));

/** A stretch parted at a time within it. */
export const partedAt = (span: Span, time: number): readonly Span[] => [
  { ...span, end: time, beats: span.beats.filter((beat) => beat < time - EPSILON) },
  { ...span, start: time, beats: [time] },
];

/** What of a melody sounds in a stretch: what must be in the chord, and how long each note sounds. */
export interface Heard {
  readonly span: Span;
  readonly strong: readonly Fifths[];
  readonly outside: readonly Fifths[];
  readonly required: PitchClassSet;
  /** Passing notes on strong beats: the chord needn't have them. */
  readonly passing: PitchClassSet;
  /** Share of the stretch for which each pitch class sounds. */
  readonly shares: readonly number[];
}

/** Half steps of a step in a scale. */
const STEP = 2;

/** Whether a note only leads from its neighbour to another, or to the same again: no longer than half a beat, a step from both. */
function isPassing(note: TuneNote, notes: readonly TuneNote[], halfBeat: number): boolean {
  if (note.duration > halfBeat + EPSILON) return false;
  const before = notes[firstPlace(notes, ({ onset }) => onset >= note.onset) - 1];
  const next = notes[firstPlace(notes, ({ onset }) => onset > note.onset)];
  const byStep = (other: TuneNote | undefined) =>
    other !== undefined && Math.abs(midiOf(other.pitch) - midiOf(note.pitch)) <= STEP;
  return byStep(before) && byStep(next);
}

/**
 * What sounds in a stretch.
 *
 * @param sounds those of the mode
 * @param longest the longest note of the melody, in quarters
 * @param halfBeat half of the beat that is felt, in quarters: passing notes are no longer
 * @param begins whether a bar begins at a time: what sounds there doesn’t pass
 */
export function heardIn(
  span: Span,
  notes: readonly TuneNote[],
  sounds: PitchClassSet,
  longest: number,
  halfBeat: number,
  begins: (beat: number) => boolean,
): Heard {
  const from = firstPlace(notes, ({ onset }) => onset > span.start - longest - EPSILON);
  const to = firstPlace(notes, ({ onset }) => onset > span.end - EPSILON);
  const sounding = notes
    .slice(from, to)
    .filter(({ onset, duration }) => onset + duration > span.start + EPSILON);
  const names = new Set<Fifths>();
  const passing = new Set<Fifths>();
  for (const beat of span.beats)
    for (const note of sounding) {
      const { pitch, onset, duration } = note;
      if (onset > beat + EPSILON || onset + duration < beat + EPSILON * 2) continue;
      const isFree = beat > span.start + EPSILON && !begins(beat) && isPassing(note, notes, halfBeat);
      (isFree ? passing : names).add(pitch.name);
    }
  const isIn = (name: Fifths) => ((sounds >> soundOf(name)) & 1) === 1;
  const strong = [...names].filter(isIn);
  const shares = new Array<number>(12).fill(0);
  for (const { pitch, onset, duration } of sounding) {
    const time = Math.min(onset + duration, span.end) - Math.max(onset, span.start);
    const sound = soundOf(pitch.name);
    shares[sound] = (shares[sound] ?? 0) + time / (span.end - span.start);
  }
  return {
    span,
    strong,
    outside: [...names].filter((name) => !isIn(name)),
    required: pitchClassSet(strong.map(soundOf)),
    passing: pitchClassSet([...passing].map(soundOf)),
    shares,
  };
}
