import { computed } from "nanostores";
import type { Identification } from "@/core/identify";
import type { Fifths } from "@/core/pitch";
import { characteristicOn, characteristicSwap, intervalAt } from "@/core/scale";
import type { Tune } from "@/core/tune";
import { type Score, tuneScore } from "@/audio";
import { $placeMode, $settings, type Playable, type Selection, selects } from "@/session";
import { selectionOf } from "@/shell/selected";
import { headlineText, orText } from "@/words";
import { IDENTIFY } from "./route";
import { $answer, $answerState } from "./tune-answer";

/** The notes of the answer that are never heard and would decide. */
export const undecidedNotes = ({ undecided, homeMode: { home, mode } }: Identification): readonly Fifths[] =>
  (undecided?.degrees ?? []).flatMap((number) => {
    const interval = intervalAt(mode.intervals, number);
    return interval === undefined ? [] : [home + interval];
  });

/** A tune to be played, with its repeats: made when Play asks for it, since a tune can be very long. */
function playedTune(tune: Tune): Playable {
  let made: Score | undefined;
  return {
    code: "tune",
    isSilent: false,
    meter: tune.meter,
    get score() {
      return (made ??= tuneScore(tune, true));
    },
  };
}

selects(
  IDENTIFY,
  computed([$answer, $placeMode, $settings, $answerState], (answer, homeMode, settings, state): Selection => {
    if (!answer)
      return {
        ...selectionOf(homeMode, undefined, settings, settings.drone),
        subject: "",
        said: [],
        answer: state,
      };
    const { found, shown } = answer;
    const unknown = undecidedNotes(found);
    return {
      homeMode: found.homeMode,
      characteristic: characteristicOn(found.homeMode).filter((note) => !unknown.includes(note)),
      unknown,
      chordTones: [],
      targetNotes: [],
      swap: characteristicSwap(found.homeMode.mode, settings),
      play: playedTune(shown.tune),
      answer: state,
      subject: shown.tune.title === "" ? undefined : shown.tune.title,
      said: [`${[headlineText(found), orText(found) ?? ""].join(" ").trim()}.`],
    };
  }),
);
