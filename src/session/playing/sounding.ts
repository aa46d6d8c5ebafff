import { atom, computed } from "nanostores";
import type { Score, SoundState, Swapping } from "@/audio";
import type { Sound } from "@/core/instrument";
import type { Settings } from "@/storage";
import { $settings } from "../settings/settings";

/** What the engine is doing. */
export const $sound = atom<SoundState>({ at: "silent" });

/** MIDI numbers of the line's notes that sound at this moment. */
export const $sounding = atom<readonly number[]>([]);

/** Which note of the line was struck last, from 0, while a line is played. */
export const $lineNote = atom<number | undefined>(undefined);

/** Which of several things that follow one another is heard now, from 0. */
export const $mark = atom<number | undefined>(undefined);

/** The name under which what the stage shows is played. */
export const MAIN = "main";

/** What was started last, by the name that its button goes by; undefined when silent. */
export const $playing = atom<string | undefined>(undefined);

/** The places of a chart whose chords the marks stand for, where not all of it is played. */
export const $heardPlaces = atom<readonly number[]>([]);

/** The round that is heard, from 0. */
export const $round = atom<number | undefined>(undefined);

/** Whether the characteristic note gives way to its neighbour from the next round on. */
export const $isSwapped = atom(false);

/** The name under which a mode or tune is played with its characteristic note and with its neighbour, alternating. */
export const SWAP = "swap";

/** Rounds of what is played in which the neighbour takes the characteristic note's place. */
export const $swappedRounds = atom<ReadonlySet<number>>(new Set());

/** Whether the neighbour of the characteristic note is heard in its place at this moment. */
export const $isSwapHeard = computed(
  [$playing, $mark, $round, $swappedRounds],
  (playing, mark, round, rounds) =>
    playing === SWAP ? mark === 1 : playing === MAIN && round !== undefined && rounds.has(round),
);

/** Instruments whose recordings could not be had. */
export const $missingSounds = atom<readonly Sound[]>([]);

/** Octaves by which what is heard was moved to lie on the instrument: below 0 downwards. */
export const $movedOctaves = atom(0);

/** The tempo of a round: the one that is set, or as far as it has climbed. */
export function tempoOf({ tempo, climb }: Pick<Settings, "tempo" | "climb">, round: number): number {
  if (!climb.isOn) return tempo;
  return Math.max(tempo, Math.min(climb.to, tempo + climb.by * Math.floor(round / climb.every)));
}

/** Beats a minute now. */
export const $tempo = computed([$settings, $round], (settings, round) => tempoOf(settings, round ?? 0));

/** A score with the note of its mode that may be swapped in it. */
export interface Heard {
  readonly score: Score;
  readonly swapping?: Swapping | undefined;
}

/** Tells everyone what the engine does: where nothing sounds any more, nothing is being played. */
export function tellSound(state: SoundState): void {
  $sound.set(state);
  if (state.at === "starting" || state.at === "playing") return;
  $playing.set(undefined);
  $lineNote.set(undefined);
  $isSwapped.set(false);
}
