import { degreeNumber, type Fifths } from "../pitch";
import type { TuneNote } from "../tune";

/** A degree that is played between its two forms, a quarter tone from each. */
export interface NeutralDegree {
  readonly number: number;
  /** The forms that it lies between, the lower first. */
  readonly between: readonly [Fifths, Fifths];
  /** Places of its notes. */
  readonly notes: readonly number[];
}

/** A degree is neutral where it is played so for as much of its time. */
const MOSTLY = 0.5;

/** One sharp more, on the line of fifths. */
const SHARP = 7;

/**
 * The degrees above a home that a tune plays between two forms, as notes with a quarter tone. What twelve half steps to the octave cannot say is not
 * told by a mode.
 */
export function neutralDegrees(notes: readonly TuneNote[], home: Fifths): readonly NeutralDegree[] {
  const byNumber = new Map<number, { time: number; neutral: number; low: Fifths; notes: number[] }>();
  for (const [at, { pitch, duration, quarter }] of notes.entries()) {
    const number = degreeNumber(pitch.name - home);
    const known = byNumber.get(number) ?? { time: 0, neutral: 0, low: pitch.name, notes: [] };
    byNumber.set(number, known);
    known.time += duration;
    if (!quarter) continue;
    known.neutral += duration;
    known.low = quarter === 1 ? pitch.name : pitch.name - SHARP;
    known.notes.push(at);
  }
  return [...byNumber]
    .filter(([, { time, neutral }]) => neutral >= MOSTLY * time)
    .map(([number, { low, notes: own }]) => ({ number, between: [low, low + SHARP] as const, notes: own }))
    .sort((a, b) => a.number - b.number);
}
