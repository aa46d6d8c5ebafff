import { atom, computed } from "nanostores";
import {
  betweenMarks,
  countIn,
  type Playing,
  type Score,
  soundEngine,
  type SoundState,
  swapped,
  type Swapping,
  withClick,
} from "@/audio";
import type { Sound } from "@/core/instrument";
import type { Settings } from "@/storage";
import { $partSounds, arranged, octavesApart } from "./arranged";
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
const swappedRounds = new Set<number>();

/** Whether the neighbour of the characteristic note is heard in its place at this moment. */
export const $isSwapHeard = computed([$playing, $mark, $round], (playing, mark, round) =>
  playing === SWAP ? mark === 1 : playing === MAIN && round !== undefined && swappedRounds.has(round),
);

/** Instruments whose recordings could not be had. */
export const $missingSounds = atom<readonly Sound[]>([]);

const engine = soundEngine({
  onState: (state) => {
    $sound.set(state);
    if (state.at !== "starting" && state.at !== "playing") {
      $playing.set(undefined);
      $lineNote.set(undefined);
      $isSwapped.set(false);
    }
  },
  onSounding: (midis, nth) => {
    $sounding.set(midis);
    // Between two notes of a line the hand is still on its way from the last one.
    if (nth !== undefined) $lineNote.set(nth);
  },
  onMark: (mark) => $mark.set(mark),
  onRound: (round) => $round.set(round),
  onMissing: (sounds) => $missingSounds.set(sounds),
});

$partSounds.subscribe((sounds) => engine.setSounds(sounds));

/** Octaves by which what is heard was moved to lie on the instrument: below 0 downwards. */
export const $movedOctaves = atom(0);

/** The tempo of a round: the one that is set, or as far as it has climbed. */
export function tempoOf({ tempo, climb }: Pick<Settings, "tempo" | "climb">, round: number): number {
  if (!climb.isOn) return tempo;
  return Math.max(tempo, Math.min(climb.to, tempo + climb.by * Math.floor(round / climb.every)));
}

/** Beats a minute now. */
export const $tempo = computed([$settings, $round], (settings, round) => tempoOf(settings, round ?? 0));

$tempo.listen((tempo) => engine.setTempo(tempo));
$settings.listen(({ volume, parts }, before) => {
  if (volume !== before?.volume) engine.setVolume(volume);
  if (parts !== before?.parts) engine.setPartVolumes(parts);
});

/** A score with the note of its mode that may be swapped in it. */
export interface Heard {
  readonly score: Score;
  readonly swapping?: Swapping | undefined;
}

/** A performance of what a function gives for each round: with the metronome, count-in and swap that are set then. */
export function playingOf(heard: () => Heard, onSwapped?: (round: number) => void): Playing {
  return {
    tempo: (round) => tempoOf($settings.get(), round),
    before: $settings.get().countIn > 0 ? countIn($settings.get().countIn, heard().score) : undefined,
    round: (round) => {
      const { score: now, swapping } = heard();
      const { loop, click, clickParts } = $settings.get();
      if (round > 0 && !now.loops && !loop && !$isSwapped.get()) return undefined;
      const isSwapped = $isSwapped.get() && swapping !== undefined;
      if (isSwapped) onSwapped?.(round);
      const arrangedScore = arranged(now);
      $movedOctaves.set(now.isFree ? 0 : octavesApart(now, arrangedScore));
      const played = isSwapped ? swapped(arrangedScore, swapping) : arrangedScore;
      return click && !isClickAlone(now) ? withClick(played, clickParts) : played;
    },
  };
}

/** Whether a score is the metronome by itself. */
const isClickAlone = ({ notes, chords = [] }: Score): boolean =>
  chords.length === 0 && notes.every(({ part }) => part === "click");

/** Starts what a function gives for each round under a name. */
export const begin = (name: string, heard: () => Heard): void =>
  perform(
    name,
    playingOf(heard, (round) => swappedRounds.add(round)),
  );

function perform(name: string, playing: Playing): void {
  const { volume, parts } = $settings.get();
  engine.setVolume(volume);
  engine.setPartVolumes(parts);
  $isSwapped.set(false);
  swappedRounds.clear();
  void engine.play(playing);
  $playing.set(name);
}

/** Starts a score under a name; started again under the same name while it sounds, it stops. Only at the user's act. */
export function toggle(name: string, score: Score): void {
  if ($playing.get() === name) engine.stop();
  else begin(name, () => ({ score }));
}

/**
 * Starts a score that is played from one of its marks to the next, so that another with the same marks can take its place from the next
 * one on without losing the beat. After the last it begins again where a loop is set.
 *
 * @param heard the score as it is then; a mark stands at the start of each bar
 */
export function playBars(name: string, heard: () => Score): void {
  if ($playing.get() === name) {
    engine.stop();
    return;
  }
  const count = () => Math.max(1, heard().marks?.length ?? 0);
  perform(name, {
    tempo: (round) => tempoOf($settings.get(), Math.floor(round / count())),
    before: $settings.get().countIn > 0 ? countIn($settings.get().countIn, heard()) : undefined,
    round: (round) => {
      const { loop, click, clickParts } = $settings.get();
      if (round >= count() && !loop) return undefined;
      // The whole of it is arranged, so that it stays in one register.
      const bar = betweenMarks(arranged(heard()), round % count());
      return click ? withClick(bar, clickParts) : bar;
    },
  });
}

/** The name under which a single note is heard. */
export const NOTE = "note";

/** Lets one note be heard, in place of what sounded before. Only at the user's act. */
export function hearNote(midi: number): void {
  const note: Score = { notes: [{ part: "line", midi, at: 0, length: 1 }], beats: 1, loops: false };
  perform(NOTE, { tempo: () => NOTE_TEMPO, round: (round) => (round === 0 ? note : undefined) });
}

/** A single note sounds for a second, whatever the tempo. */
const NOTE_TEMPO = 60;

export const stop = (): void => engine.stop();

/** Loudness of what sounds now, in decibels. */
export const level = (): number => engine.level();
