import { atom } from "nanostores";
import { type Score, soundEngine, type SoundState } from "@/sound";
import { $selection } from "./selection";
import { $settings } from "./settings";

/** What the engine is doing. */
export const $sound = atom<SoundState>({ at: "silent" });

/** MIDI numbers of the line's notes that sound at this moment. */
export const $sounding = atom<readonly number[]>([]);

/** Which of several things that follow one another is heard now, from 0. */
export const $mark = atom<number | undefined>(undefined);

/** What was started last, by the name that its button goes by; undefined when silent. */
export const $playing = atom<string | undefined>(undefined);

const engine = soundEngine({
  onState: (state) => {
    $sound.set(state);
    if (state.at === "silent" || state.at === "unavailable") $playing.set(undefined);
  },
  onSounding: (midis) => $sounding.set(midis),
  onMark: (mark) => $mark.set(mark),
});

$settings.listen(({ tempo, volume }) => {
  engine.setTempo(tempo);
  engine.setVolume(volume);
});

/** Starts a score under a name; started again under the same name while it sounds, it stops. Only at the user's act. */
export function toggle(name: string, score: Score): void {
  if ($playing.get() === name) {
    engine.stop();
    return;
  }
  engine.setVolume($settings.get().volume);
  void engine.play(score, $settings.get().tempo);
  $playing.set(name);
}

export const stop = (): void => engine.stop();

/** The name under which what the stage shows is played. */
export const MAIN = "main";

/** Plays what the stage shows; where anything sounds already, stops it. */
export function playOrStop(): void {
  if ($playing.get() !== undefined) stop();
  else toggle(MAIN, $selection.get().play.score);
}

/** Loudness of what sounds now, in decibels. */
export const level = (): number => engine.level();
