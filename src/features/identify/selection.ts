import { atom, computed } from "nanostores";
import type { Identification } from "@/core/identify";
import type { Fifths } from "@/core/pitch";
import { colourOn, colourSwap, intervalAt } from "@/core/scale";
import { tuneScore } from "@/audio";
import { $placeMode, $settings, type Selection, selects } from "@/session";
import { heldSelection } from "@/shell/held";
import { IDENTIFY } from "./route";
import type { ReadTune } from "./useTunes";

/** The answer for the tune in front: what was found, and what the staff marks. */
export interface Answer {
  readonly shown: ReadTune;
  readonly found: Identification;
  /** Places of the notes that are engraved: characteristic notes, and the ends of phrases. */
  readonly colour: readonly number[];
  readonly ends: readonly number[];
}

/** The notes of the answer that are never heard and would decide. */
export const undecidedNotes = ({ undecided, homeMode: { home, mode } }: Identification): readonly Fifths[] =>
  (undecided?.degrees ?? []).flatMap((number) => {
    const interval = intervalAt(mode.intervals, number);
    return interval === undefined ? [] : [home + interval];
  });

/** The answer that is in front. */
export const $answer = atom<Answer | undefined>();

selects(
  IDENTIFY,
  computed([$answer, $placeMode, $settings], (answer, homeMode, settings): Selection => {
    if (!answer) return heldSelection(homeMode, undefined, settings, settings.drone);
    const { found, shown } = answer;
    const unknown = undecidedNotes(found);
    return {
      homeMode: found.homeMode,
      lit: colourOn(found.homeMode, settings).filter((note) => !unknown.includes(note)),
      unknown,
      targets: [],
      swap: colourSwap(found.homeMode.mode, settings),
      play: { code: "tune", score: tuneScore(shown.tune, true) },
    };
  }),
);
