import { computed } from "nanostores";
import { chordNotes } from "@/core/chord";
import { gripVoicing } from "@/core/reshape";
import { characteristicOn } from "@/core/scale";
import { allNotes, EPSILON, type TuneChord } from "@/core/tune";
import { wholeScore } from "@/audio";
import { $mark, $placeMode, $playing, $settings, playBars, type Selection, selects } from "@/session";
import { selectionOf } from "@/shell/selected";
import { homeModeText } from "@/words";
import { RESHAPE } from "./route";
import { $at, $chosen, $homeMode, $answerState, $shown, $tune, $worked } from "./reshaped";
import { $rowMode, hearRows } from "./rows";

/** The name under which a tune and its versions are played. */
export const VERSIONS = "reshape-versions";

const $score = computed($shown, (tune) => tune && wholeScore(tune));

/** Plays what is shown; what is shown while it plays is heard from the next bar on. */
const playVersions = (): void =>
  playBars(VERSIONS, () => $score.get() ?? { notes: [], beats: 0, loops: false });

/** The time that is looked at: of the bar that plays, or of the selected note. */
const $time = computed([$tune, $chosen, $playing, $mark], (tune, chosen, playing, mark) => {
  if (playing === VERSIONS && mark !== undefined) return tune?.bars[mark]?.start;
  return tune && chosen !== undefined ? allNotes(tune)[chosen]?.onset : undefined;
});

/** The chord that sounds at that time, and how it is held where one guitar plays it under the melody. */
const $chordThen = computed([$shown, $worked, $at, $time], (tune, worked, at, time) => {
  const sounds = ({ onset, duration }: Pick<TuneChord, "onset" | "duration">) =>
    time !== undefined && onset <= time + EPSILON && onset + duration > time + EPSILON;
  const chord = tune?.chords?.find(sounds)?.chord;
  const grip = at < 0 ? undefined : worked?.grips.find(sounds);
  return { chord, fingered: grip && gripVoicing(grip) };
});

selects(
  RESHAPE,
  computed(
    [$shown, $homeMode, $score, $placeMode, $settings, $chordThen, $rowMode, $answerState],
    (tune, homeMode, score, placeMode, settings, { chord, fingered }, rowMode, answer): Selection => {
      if (!tune || !homeMode || !score)
        return {
          ...selectionOf(placeMode, undefined, settings, settings.drone),
          subject: "",
          said: [],
          answer,
        };
      // While the rows are shown the stage is about the one in front, and plays them all.
      if (rowMode)
        return {
          ...selectionOf(rowMode, undefined, settings, settings.drone),
          answer,
          play: { code: "tune", score, meter: tune.meter, start: () => hearRows("all") },
        };
      return {
        homeMode,
        characteristic: characteristicOn(homeMode),
        unknown: [],
        chordTones: chord ? chordNotes(chord) : [],
        chord,
        fingered,
        targetNotes: [],
        answer,
        play: { code: "tune", score, meter: tune.meter, start: playVersions },
        subject: tune.title === "" ? homeModeText(homeMode) : `${tune.title}, ${homeModeText(homeMode)}`,
        said: [`${homeModeText(homeMode)}.`],
      };
    },
  ),
);
