import { type Fifths, soundOf } from "../pitch";
import type { Chart } from "../chord";
import { type HomeMode, holds, holdsAll, mode, notesOf, soundsOn, thirdOf } from "../scale";
import { heardAs } from "./home";
import { type ChartAnalysis, type Segment, segmentAt } from "./analyses";

/** A pentatonic that serves a range of a chart, and what to add to it for the whole mode. */
export interface SimpleScale {
  readonly scale: HomeMode;
  /** The chords that it serves. */
  readonly from: number;
  readonly to: number;
  /** The mode at the chord asked about, and its notes outside the scale, those of the chord first. */
  readonly within: HomeMode;
  readonly add: readonly Fifths[];
  /** A blues: its minor third is played against the major one of the chords. */
  readonly isBlues: boolean;
}

/**
 * The simple scale through a chart: the pentatonic of the home at a chord, for as long as home stays and every mode holds it. In a blues,
 * where home and fourth are dominant sevenths, the minor pentatonic. Undefined where the mode does not hold its pentatonic.
 *
 * @example simpleScale(fewest changes of "| Em9 | A13 | Cmaj7 |", chart, 1) // E minor pentatonic throughout, add C♯ and F♯
 */
export function simpleScale(
  analysis: ChartAnalysis,
  chart: Pick<Chart, "chords">,
  at: number,
): SimpleScale | undefined {
  const homeMode = segmentAt(analysis, at)?.homeMode;
  if (!homeMode) return undefined;
  const home = soundOf(homeMode.home);
  const blues = analysis.segments.filter((segment) => isBluesIn(segment, chart, home));
  const isBlues = blues.some(({ from, to }) => at >= from && at <= to);
  const id = thirdOf(homeMode.mode) === 4 && !isBlues ? "major-pentatonic" : "minor-pentatonic";
  const scale = { home: homeMode.home, mode: mode(id) };
  const serves = (segment: Segment | undefined) =>
    segment !== undefined &&
    soundOf(segment.homeMode.home) === home &&
    (isBlues ? blues.includes(segment) : holdsAll(soundsOn(segment.homeMode), soundsOn(scale)));
  const found = range(analysis, at, serves);
  if (!found) return undefined;
  const missing = notesOf(homeMode).filter((note) => !holds(soundsOn(scale), soundOf(note)));
  const chord = chart.chords[at]?.chord;
  const tones = chord?.tones.map((tone) => soundOf(chord.root + tone)) ?? [];
  const place = (note: Fifths) =>
    tones.includes(soundOf(note)) ? tones.indexOf(soundOf(note)) : tones.length;
  return { scale, ...found, within: homeMode, add: missing.toSorted((a, b) => place(a) - place(b)), isBlues };
}

/** Whether a range on a home has dominant sevenths both there and a fourth above. */
function isBluesIn(
  { from, to, homeMode }: Segment,
  { chords }: Pick<Chart, "chords">,
  home: number,
): boolean {
  if (soundOf(homeMode.home) !== home || homeMode.mode.id !== "mixolydian") return false;
  const dominants = new Set(
    chords.slice(from, to + 1).flatMap(({ chord }) => {
      const heard = chord && heardAs(chord);
      return heard?.kind === "7" ? [(heard.root - home + 12) % 12] : [];
    }),
  );
  return dominants.has(0) && dominants.has(5);
}

/** The segments round a chord that are served, as a range of chords. */
function range(
  { segments }: ChartAnalysis,
  at: number,
  serves: (segment: Segment | undefined) => boolean,
): { readonly from: number; readonly to: number } | undefined {
  const middle = segments.findIndex(({ from, to }) => at >= from && at <= to);
  if (!serves(segments[middle])) return undefined;
  let [first, last] = [middle, middle];
  while (serves(segments[first - 1])) first -= 1;
  while (serves(segments[last + 1])) last += 1;
  const [one, other] = [segments[first], segments[last]];
  return one && other ? { from: one.from, to: other.to } : undefined;
}
