import { bestVamp } from "@/core/progression";
import { heardOf, playingOrder } from "@/core/instrument";
import { midiOf, type Pitch } from "@/core/pitch";
import {
  clickScore,
  droneScore,
  lineScore,
  modeScore,
  pedalScore,
  type Score,
  vampScore,
  voicingScore,
  withoutDrone,
} from "@/audio";
import { $front, $selection } from "../place/selection";
import { $settings } from "../settings/settings";
import { $division, $line, $position, $tuning, fingeredNotes } from "../stage/stage";
import { $voicing } from "../stage/voicings";
import type { Heard } from "./sounding";

/** What the stage shows, as it is played; undefined where it shows the whole of the mode, or nothing that has room. */
function shownScore(): Score | undefined {
  const { homeMode } = $selection.get();
  const { rhythm, order, easier } = $settings.get();
  const inLine = (pitches: readonly Pitch[]) => lineScore(pitches.map(midiOf), rhythm, homeMode.home);
  switch ($division.get()) {
    case "whole":
      return undefined;
    case "position": {
      const position = $position.get();
      if (!position) return undefined;
      const notes = fingeredNotes(position, easier);
      return inLine(playingOrder(notes, order).flatMap((at) => notes[at]?.pitch ?? []));
    }
    case "line": {
      const line = $line.get();
      return line && inLine(line.map(({ pitch }) => pitch));
    }
    case "voicing": {
      const voicing = $voicing.get();
      const tuning = $tuning.get();
      return voicing && tuning && voicingScore(heardOf(tuning, voicing));
    }
  }
}

/** What Play plays now: what the view has chosen, which of a mode is what the stage shows, or the texture that is set. */
export function mainScore(): Score {
  const { homeMode, play } = $selection.get();
  const { texture, drone } = $settings.get();
  const shown = () => {
    const score = shownScore() ?? modeScore(homeMode, true);
    return drone ? score : withoutDrone(score);
  };
  switch (texture) {
    case "chosen":
      return play.code === "mode" ? shown() : play.score;
    case "shown":
      return shown();
    case "mode":
      return modeScore(homeMode, drone);
    case "drone":
      return droneScore(homeMode.home);
    case "click":
      return clickScore(play.score);
    case "pedal":
    case "vamp": {
      const vamp = bestVamp(homeMode);
      if (!vamp) return droneScore(homeMode.home);
      return texture === "vamp" ? vampScore(vamp) : pedalScore(homeMode.home, vamp);
    }
  }
}

/**
 * What Play plays, asked for again and again: it follows every change in the view where it was begun, and stays as it is
 * when another view comes to the front.
 */
export function followedScore(): () => Heard {
  const view = $front.get();
  let last = mainHeard();
  return () => {
    if ($front.get() === view) last = mainHeard();
    return last;
  };
}

/** What Play plays, with the note that may be swapped in it: the one of the view where it is played. */
export function mainHeard(): Heard {
  const { homeMode, swap } = $selection.get();
  return { score: mainScore(), swapping: swap && { home: homeMode.home, ...swap } };
}
