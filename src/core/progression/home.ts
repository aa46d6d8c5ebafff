import { modulo, soundOf } from "../pitch";
import type { ChartChord } from "../chord";

/** What speaks for a home in a chart. */
export type ChartEvidence =
  | { readonly code: "first-chord"; readonly at: number }
  | { readonly code: "last-chord"; readonly at: number }
  | { readonly code: "cadence"; readonly at: number }
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
const WEIGHT = { first: 1, last: 0.5, cadence: 1.2 };

/** A dominant seventh is seldom a place to rest. */
const DOMINANT_DISCOUNT = 0.4;

const isDominant = (tones: readonly number[]) => tones.includes(4) && tones.includes(-2);

/** The evidence for each of the twelve homes. */
export function chartHomes(chords: readonly ChartChord[]): readonly ChartHome[] {
  const whole = chords.reduce((sum, each) => sum + each.length, 0);
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
      (sum, { chord, length }) => sum + (chord && isHere(chord.root) ? length / whole : 0),
      0,
    );
    if (share > 0) evidence.push({ code: "length", share });
    const restless = places.some(({ chord }) => isHere(chord.root) && isDominant(chord.tones));
    return { sound, weight: weight + share - (restless ? DOMINANT_DISCOUNT : 0), evidence };
  });
}
