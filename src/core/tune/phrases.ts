import { longestBar } from "./bars";
import { firstPlace } from "./parts";
import { feltBeat } from "./meter";
import { EPSILON, type PhraseMark, type Tune } from "./tune";

/** Marks of several voices as one list: each onset once, the fermata before the breath. */
export function joinedMarks(marks: readonly PhraseMark[]): readonly PhraseMark[] {
  const byOnset = new Map<number, PhraseMark>();
  for (const mark of marks)
    if (mark.sign === "fermata" || !byOnset.has(mark.onset)) byOnset.set(mark.onset, mark);
  return [...byOnset.values()].sort((a, b) => a.onset - b.onset);
}

/** Indices of the notes that end a section: the last before a repeat, a double bar or the end. */
export function sectionEnds(tune: Tune): readonly number[] {
  return tune.notes.flatMap((note, at) => {
    const next = tune.notes[at + 1];
    if (!next) return [at];
    const ends = tune.bars.slice(note.bar, next.bar).some((bar) => bar.endsSection);
    return ends ? [at] : [];
  });
}

/** Marks say where phrases end where there are as many as this; one alone is a pause. */
const FEWEST_MARKS = 2;

/**
 * Indices of the notes that end a phrase. Where fermatas, breath marks or the text say so, those and the section ends. Otherwise
 * every section end, and within a section the last note of each fourth bar, or of each second where that note is longer than
 * a beat or a rest follows it. A pickup belongs to the phrase that it leads into. (Phrases of two and four bars as in dances
 * and songs; long notes and rests as boundaries after E. Cambouropoulos, "The local boundary detection model", 2001.)
 */
export function phraseEnds(tune: Tune): readonly number[] {
  const { phraseMarks = [] } = tune;
  if (phraseMarks.length >= FEWEST_MARKS) {
    const marked = phraseMarks.flatMap(({ onset }) => {
      const next = firstPlace(tune.notes, (note) => note.onset > onset + EPSILON);
      return next > 0 ? [next - 1] : [];
    });
    return [...new Set([...marked, ...sectionEnds(tune)])].sort((a, b) => a - b);
  }
  const ends = new Set(sectionEnds(tune));
  const pickup = tune.bars[0]?.lead ? tune.bars[0].length : 0;
  const beat = feltBeat(tune.meter);
  let inSection = 0;
  let next = 0;
  for (const [at, bar] of tune.bars.entries()) {
    if (bar.lead === 0) inSection += 1;
    if (bar.endsSection) inSection = 0;
    else if (inSection > 0 && inSection % 2 === 0) {
      const limit = bar.start + bar.length - pickup - EPSILON;
      while ((tune.notes[next]?.onset ?? Infinity) < limit) next += 1;
      const note = tune.notes[next - 1];
      const following = tune.notes[next];
      if (!note || !following || note.bar !== at) continue;
      const isLong = note.duration > beat + EPSILON || following.onset > note.onset + note.duration + EPSILON;
      if (inSection % 4 === 0 || isLong) ends.add(next - 1);
    }
  }
  return [...ends].sort((a, b) => a - b);
}

/** A last note rests where it is so much longer than the middle one, and longer than this share of all notes: of hardly any, where it is a little longer. */
const RESTS = [
  { over: 1.9, longer: 0.8 },
  { over: 1.2, longer: 0.9 },
] as const;

/** Phrases have so many bars, as a rule. */
export const PHRASE_BARS = 4;

/**
 * Whether a tune stops in the middle of a phrase, as recordings do: in a bar that is not filled or that ends no phrase of four bars, on a note
 * that is no longer than others.
 */
export function stopsShort({ notes, bars, meter }: Tune): boolean {
  const [last, lastBar] = [notes.at(-1), bars.at(-1)];
  if (!last || !lastBar || bars.length <= PHRASE_BARS) return false;
  const lengths = notes.map(({ duration }) => duration).sort((a, b) => a - b);
  const usual = lengths[Math.floor(lengths.length / 2)] ?? 1;
  const shorter = firstPlace(lengths, (length) => length >= last.duration - EPSILON) / lengths.length;
  const rests =
    last.duration >= feltBeat(meter) - EPSILON &&
    RESTS.some(({ over, longer }) => last.duration >= over * usual - EPSILON && shorter >= longer);
  if (rests) return false;
  const pickup = bars[0]?.lead ? bars[0].length : 0;
  const whole = longestBar(bars.slice(0, -1));
  const isFilled = lastBar.length >= whole - pickup - EPSILON;
  const from = bars.findLastIndex(({ endsSection }, at) => endsSection && at < bars.length - 1) + 1;
  const counted = bars.slice(from).filter(({ lead }) => lead === 0).length;
  return !isFilled || counted % PHRASE_BARS !== 0;
}
