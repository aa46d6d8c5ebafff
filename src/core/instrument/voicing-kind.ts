import type { Chord } from "../chord";
import { soundOf } from "../pitch";
import { holds, holdsAll, pitchClassSet, type PitchClassSet } from "../scale";
import type { Fingering } from "./fingering";

/** How a voicing is built, as players name it; undefined for any other. */
export const VOICING_KINDS = ["open", "barre", "shell", "drop-2", "drop-3"] as const;
export type VoicingKind = (typeof VOICING_KINDS)[number];

const OCTAVE = 12;

/**
 * What a voicing is called by the way it is built: root, third and seventh alone are a shell; the four tones of a seventh chord in close position with the second
 * or third voice from the top dropped an octave are drop 2 and drop 3; otherwise open or barred.
 *
 * @param sounds MIDI numbers from the lowest string
 */
export function voicingKind(
  chord: Chord,
  frets: Fingering,
  sounds: readonly number[],
  { capo, barres }: { readonly capo: number; readonly barres: number },
): VoicingKind | undefined {
  if (sounds.length === 3 || sounds.length === 4) {
    const rising = sounds.toSorted((a, b) => a - b);
    const above = pitchClassSet(rising.map((sound) => sound - soundOf(chord.root)));
    if (rising.length === 3 && isShell(above)) return "shell";
    const dropped = hasRootAndNinth(above) ? undefined : droppedVoice(rising);
    if (dropped !== undefined && (rising[0] ?? 0) % OCTAVE === soundOf(chord.bass ?? chord.root))
      return dropped;
  }
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > capo);
  const hasOpen = frets.some((fret) => fret === capo);
  if (hasOpen && (pressed.length === 0 || Math.max(...pressed) <= capo + 4)) return "open";
  return barres > 0 ? "barre" : undefined;
}

/** Root, third and seventh, or the sixth for a seventh. */
const isShell = (above: PitchClassSet): boolean =>
  [3, 4].some((third) => [9, 10, 11].some((seventh) => above === pitchClassSet([0, third, seventh])));

/** A ninth beside the root: there is no close position of a seventh chord that a voice could be dropped from. */
const hasRootAndNinth = (above: PitchClassSet): boolean =>
  holds(above, 0) && (holds(above, 1) || holds(above, 2) || holdsAll(above, pitchClassSet([3, 4])));

/** The lowest of four different tones put up an octave: second from the top it was dropped from there, third from the top likewise. */
function droppedVoice(rising: readonly number[]): "drop-2" | "drop-3" | undefined {
  const [low, second, third, top] = rising;
  if (
    rising.length !== 4 ||
    low === undefined ||
    second === undefined ||
    third === undefined ||
    top === undefined
  )
    return undefined;
  if (new Set(rising.map((sound) => sound % OCTAVE)).size !== 4 || top - second >= OCTAVE) return undefined;
  const up = low + OCTAVE;
  if (up > third && up < top) return "drop-2";
  return up > second && up < third ? "drop-3" : undefined;
}
