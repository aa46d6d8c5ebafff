import { type Chord, diatonicChords } from "../chord";
import type { HomeMode } from "../scale";
import { bestVamp } from "./vamps";

/** The chord that leads home without leaving the mode, by its place among the chords of the mode: ♭VII in Mixolydian, II in Lydian. */
const LEADS_HOME: Readonly<Record<string, number>> = {
  ionian: 4,
  dorian: 3,
  phrygian: 1,
  lydian: 1,
  mixolydian: 6,
  aeolian: 6,
  locrian: 1,
};

/**
 * Two chords that come to rest on a home and keep its mode: V7–I in major, IV–i in Dorian, ♭II–i in Phrygian. Outside the seven the two of
 * the best vamp; undefined where a mode has none.
 *
 * @example modalCadence(A Aeolian) // [G, Am]
 */
export function modalCadence(homeMode: HomeMode): readonly [Chord, Chord] | undefined {
  const place = LEADS_HOME[homeMode.mode.id];
  if (place === undefined) {
    const [home, other] = bestVamp(homeMode)?.chords ?? [];
    return home && other && [other, home];
  }
  const chords = diatonicChords(homeMode);
  const [before, home] = [chords[place]?.chords, chords[0]?.chords];
  const lead = homeMode.mode.id === "ionian" ? before?.seventh : before?.triad;
  return lead && home?.triad && [lead, home.triad];
}
