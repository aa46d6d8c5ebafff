import { type Fifths, soundOf } from "../pitch";
import type { Chart } from "../chord";
import { compareRanks, type HomeMode, holds, holdsAll, mode, notesOf, soundsOn, thirdOf } from "../scale";
import { fitOf } from "./fit";
import { type ChartReading, segmentAt } from "./readings";

/** A pentatonic that serves a stretch of a chart, and what to add to it for the whole mode. */
export interface PlainWay {
  readonly pentatonic: HomeMode;
  /** The chords that it serves. */
  readonly from: number;
  readonly to: number;
  /** Notes of the mode at the chord asked about that it has not, those of the chord first. */
  readonly add: readonly Fifths[];
}

/**
 * The plain way through: the pentatonic all of whose notes are in the mode of every chord of a stretch, the longest stretch
 * round a chord that there is; of several on the stretch's own home with its third, then the one with fewest rubs.
 *
 * @example plainWay(fewest turns of "| Em9 | A13 | Cmaj7 |", chart, 1) // E minor pentatonic throughout, add C♯ and F♯
 */
export function plainWay(
  reading: ChartReading,
  chart: Pick<Chart, "chords">,
  at: number,
): PlainWay | undefined {
  const here = segmentAt(reading, at)?.homeMode;
  const chord = chart.chords[at]?.chord;
  if (!here) return undefined;
  const served = (pentatonic: HomeMode) => stretch(reading, soundsOn(pentatonic), at);
  const own = thirdOf(here.mode) === 4 ? "major-pentatonic" : "minor-pentatonic";
  const ways = notesOf(here).flatMap((home) =>
    (["minor-pentatonic", "major-pentatonic"] as const).flatMap((id) => {
      const pentatonic = { home, mode: mode(id) };
      const found = served(pentatonic);
      if (!found) return [];
      const bars = chart.chords
        .slice(found.from, found.to + 1)
        .reduce((sum, { length, times }) => sum + length * times, 0);
      const rubs = chart.chords
        .slice(found.from, found.to + 1)
        .reduce((sum, each) => sum + (each.chord ? fitOf(each.chord, pentatonic).rubs.length : 0), 0);
      const isOwn = home === here.home && id === own;
      return [{ pentatonic, ...found, rank: [-Math.round(bars * 100), isOwn ? 0 : 1, rubs] }];
    }),
  );
  const [best] = ways.sort((a, b) => compareRanks(a.rank, b.rank));
  if (!best) return undefined;
  const { pentatonic, from, to } = best;
  const missing = notesOf(here).filter((note) => !holds(soundsOn(pentatonic), soundOf(note)));
  const tones = chord?.tones.map((tone) => soundOf(chord.root + tone)) ?? [];
  const place = (note: Fifths) =>
    tones.includes(soundOf(note)) ? tones.indexOf(soundOf(note)) : tones.length;
  return { pentatonic, from, to, add: missing.toSorted((a, b) => place(a) - place(b)) };
}

/** The segments round a chord in whose modes all of some sounds are, as a stretch of chords. */
function stretch(
  { segments }: ChartReading,
  sounds: number,
  at: number,
): { readonly from: number; readonly to: number } | undefined {
  const middle = segments.findIndex(({ from, to }) => at >= from && at <= to);
  const serves = (n: number) => {
    const segment = segments[n];
    return segment !== undefined && holdsAll(soundsOn(segment.homeMode), sounds);
  };
  if (!serves(middle)) return undefined;
  let [first, last] = [middle, middle];
  while (serves(first - 1)) first -= 1;
  while (serves(last + 1)) last += 1;
  const [one, other] = [segments[first], segments[last]];
  return one && other ? { from: one.from, to: other.to } : undefined;
}
