import type { Rhythm } from "@/audio";
import type { Fifths } from "@/core/pitch";
import type { Swap } from "@/core/scale";
import type { Division, Texture } from "@/storage";
import { countText, noteText } from "./names";

/** What Play plays, how, and on what. */

/** The kinds of things that Play plays. */
type PlayableCode = "mode" | "tune" | "chords" | "selected" | "question";

export const RHYTHM_TEXT: Readonly<Record<Rhythm, string>> = {
  quarters: "quarters",
  eighths: "eighths",
  triplets: "triplets",
  sixteenths: "sixteenths",
};

export const TEXTURE_TEXT: Readonly<Record<Exclude<Texture, "chosen" | "shown">, string>> = {
  mode: "the bare mode",
  drone: "a drone",
  pedal: "chords over a pedal",
  vamp: "the vamp",
  click: "the metronome",
};

/** What of the mode the stage shows, as it is played. */
export const SHOWN_TEXT: Readonly<Record<Division, string>> = {
  position: "the position",
  whole: "the mode",
  line: "the line",
  voicing: "the voicing",
};

/** What a view has chosen to be played. */
export const CHOSEN_TEXT: Readonly<Record<PlayableCode, string>> = {
  mode: "the mode",
  tune: "the tune",
  chords: "the bars",
  selected: "the selected chord",
  question: "the question",
};

/** The button that plays it. */
export const PLAY_TEXT: Readonly<Record<PlayableCode, string>> = {
  mode: "Play",
  tune: "Play the tune",
  chords: "Play the bars",
  selected: "Play",
  question: "Play",
};

/** The characteristic note and its neighbour, for the button that swaps them; while they alternate, which of the two is heard. */
export const swapText = (home: Fifths, { from, to }: Swapped, heard?: "own" | "neighbour"): string =>
  heard === undefined
    ? `Swap ${noteText(home + from)} / ${noteText(home + to)}`
    : `${noteText(home + (heard === "own" ? from : to))} is heard`;

/** The swap of what is playing: what is heard now, or comes with the next repeat. */
export function swapLiveText(
  home: Fifths,
  { from, to }: Swapped,
  isSwapped: boolean,
  isHeard: boolean,
): string {
  const [own, neighbour] = [noteText(home + from), noteText(home + to)];
  if (isSwapped === isHeard) return isHeard ? `${neighbour} is heard for ${own}` : `${neighbour} for ${own}`;
  return `${isSwapped ? neighbour : own} comes with the next repeat`;
}

type Swapped = Pick<Swap, "from" | "to">;

export const heldBackText =
  "The browser is holding the sound back. Press Play once more. Another program may be using the speakers.";

export const noSoundText = (reason: string): string =>
  `This browser can’t play sound: ${reason}. Everything else works.`;

/** The note that "bpm" counts, by its length in quarters: as a sign, and as one says it. */
export const BEAT_TEXT = (quarters: number): { readonly sign: string; readonly name: string } =>
  BEATS[quarters] ?? { sign: "♩", name: "beats" };

const BEATS: Readonly<Record<number, { readonly sign: string; readonly name: string }>> = {
  0.5: { sign: "♪", name: "eighths" },
  1.5: { sign: "♩.", name: "dotted quarters" },
  2: { sign: "half", name: "half notes" },
};

/** What came of adding what is in front to the routine. */
export const ADDED_TO_ROUTINE = "Added to the routine.";
export const ROUTINE_FULL = "The routine is full, or this is too long for it.";

/** Singing or playing along with what Play plays. */
export const SING_TITLE = "Sing along";

/** Where an instrument hasn't the octave that is written: "played an octave lower". */
export const movedOctavesText = (octaves: number): string =>
  `played ${Math.abs(octaves) === 1 ? "an octave" : countText(Math.abs(octaves), "octave")} ${octaves > 0 ? "higher" : "lower"}`;
