import { computed } from "nanostores";
import { characteristicOn } from "@/core/scale";
import { wholeScore } from "@/audio";
import { $placeMode, $settings, playBars, type Selection, selects } from "@/session";
import { selectionOf } from "@/shell/selected";
import { homeModeText } from "@/words";
import { RESHAPE } from "./route";
import { $homeMode, $shown } from "./reshaped";

/** The name under which a tune and its versions are played. */
export const VERSIONS = "reshape-versions";

const $score = computed($shown, (tune) => tune && wholeScore(tune));

/** Plays what is shown; what is shown while it plays is heard from the next bar on. */
export const playVersions = (): void =>
  playBars(VERSIONS, () => $score.get() ?? { notes: [], beats: 0, loops: false });

selects(
  RESHAPE,
  computed(
    [$shown, $homeMode, $score, $placeMode, $settings],
    (tune, homeMode, score, placeMode, settings): Selection => {
      if (!tune || !homeMode || !score)
        return { ...selectionOf(placeMode, undefined, settings, settings.drone), subject: "", said: [] };
      return {
        homeMode,
        lit: characteristicOn(homeMode, settings),
        unknown: [],
        chordTones: [],
        targetNotes: [],
        play: { code: "tune", score, start: playVersions },
        subject: tune.title === "" ? homeModeText(homeMode) : `${tune.title}, ${homeModeText(homeMode)}`,
        said: [`${homeModeText(homeMode)}.`],
      };
    },
  ),
);
