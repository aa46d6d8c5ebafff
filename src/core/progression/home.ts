import { modulo, soundOf } from "../pitch";
import type { ChartChord } from "../chord";

/** What speaks for a home in a chart. */
export type ChartEvidence =
  | { readonly code: "first-chord"; readonly at: number }
  | { readonly code: "last-chord"; readonly at: number }
  | { readonly code: "cadence"; readonly at: number }
  | { readonly code: "return"; readonly times: number }
  | { readonly code: "pedal"; readonly share: number }
  | { readonly code: "length"; readonly share: number };

/** A sounding home (0 is C) with its evidence and the weight of it all. */
export interface ChartHome {
  readonly sound: number;
  readonly weight: number;
  readonly evidence: readonly ChartEvidence[];
}

/**
 * How much each kind of evidence counts, in shares of the whole chart's length: a chart begins at home more often than
 * it ends there (it goes round again), and a dominant resolving by a fifth outweighs either.
 */
const WEIGHT = { first: 1, last: 0.5, cadence: 1.2, return: 0.1, pedal: 1 };

/** Coming back more often than this says no more. */
const MOST_RETURNS = 4;

/** A dominant seventh is seldom a place to rest. */
const DOMINANT_DISCOUNT = 0.4;

const isDominant = (tones: readonly number[]) => tones.includes(4) && tones.includes(-2);

/** The evidence for each of the twelve homes. */
export function chartHomes(chords: readonly ChartChord[]): readonly ChartHome[] {
  const barsOf = ({ length, times }: ChartChord) => length * times;
  const whole = chords.reduce((sum, each) => sum + barsOf(each), 0);
  const pedals = pedalShares(chords, whole);
  const places = chords.flatMap(({ chord }, at) => (chord ? [{ chord, at }] : []));
  return Array.from({ length: 12 }, (_, sound) => {
    const isHere = (root: number) => soundOf(root) === sound;
    const evidence: ChartEvidence[] = [];
    let weight = 0;
    const [first, last] = [places[0], places.at(-1)];
    if (first && isHere(first.chord.root)) {
      evidence.push({ code: "first-chord", at: first.at });
      weight += WEIGHT.first;
    }
    if (last && isHere(last.chord.root)) {
      evidence.push({ code: "last-chord", at: last.at });
      weight += WEIGHT.last;
    }
    for (const [n, { chord, at }] of places.entries()) {
      const before = places[n - 1]?.chord;
      if (!isHere(chord.root) || !before || isDominant(chord.tones)) continue;
      const falls = modulo(soundOf(before.root) - sound, 12) === 7;
      if (falls && before.tones.includes(4) && !evidence.some(({ code }) => code === "cadence")) {
        evidence.push({ code: "cadence", at });
        weight += isDominant(before.tones) ? WEIGHT.cadence : WEIGHT.cadence / 2;
      }
    }
    const share = chords.reduce(
      (sum, each) => sum + (each.chord && isHere(each.chord.root) ? barsOf(each) / whole : 0),
      0,
    );
    if (share > 0) evidence.push({ code: "length", share });
    const returns = places.filter(
      ({ chord }, n) => isHere(chord.root) && n > 0 && !isHere(places[n - 1]?.chord.root ?? chord.root),
    ).length;
    if (returns > 1) {
      evidence.push({ code: "return", times: returns });
      weight += Math.min(returns, MOST_RETURNS) * WEIGHT.return;
    }
    const pedal = pedals[sound] ?? 0;
    if (pedal > 0) {
      evidence.push({ code: "pedal", share: pedal });
      weight += pedal * WEIGHT.pedal;
    }
    const restless = places.some(({ chord }) => isHere(chord.root) && isDominant(chord.tones));
    return { sound, weight: weight + share - (restless ? DOMINANT_DISCOUNT : 0), evidence };
  });
}

/** The share of the chart over each bass that stays while the root above it changes. */
function pedalShares(chords: readonly ChartChord[], whole: number): readonly number[] {
  return Array.from({ length: 12 }, (_, sound) => {
    const over = chords.filter(({ chord }) => chord && soundOf(chord.bass ?? chord.root) === sound);
    const roots = new Set(over.map(({ chord }) => soundOf(chord?.root ?? 0)));
    const bars = over.reduce((sum, { length, times }) => sum + length * times, 0);
    return roots.size > 1 ? bars / whole : 0;
  });
}
