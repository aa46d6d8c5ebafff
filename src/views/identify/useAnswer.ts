import { useEffect, useMemo, useState } from "react";
import { soundOf } from "@/core/pitch";
import { identify, type Identification } from "@/core/identify";
import { colourOn, colourSwap, type HomeMode } from "@/core/scale";
import { phraseEnds } from "@/core/tune";
import { tuneScore } from "@/sound";
import { $place, $selection, setPlace } from "@/state";
import { useSchools } from "@/ui/useSchools";
import type { ReadTune, ReadTunes } from "./useTunes";

/** The answer for the tune in hand: what was found, and what the staff marks. */
export interface Answer {
  readonly shown: ReadTune;
  readonly found: Identification;
  /** Places in the tune's notes: colour notes, and the ends of phrases. */
  readonly colour: readonly number[];
  readonly ends: readonly number[];
}

/** Which tune of a file is shown and which candidate is reasoned about; both belong to one text. */
interface Chosen {
  readonly key: string;
  readonly which: number;
  readonly about?: HomeMode;
}

/** The tune and candidate in hand, chosen anew for every text; the stage and the address follow. */
export function useAnswer(read: ReadTunes | undefined) {
  const schools = useSchools();
  const [chosen, setChosen] = useState<Chosen>({ key: "", which: 0 });
  const key = read?.key ?? "";
  const { which, about } = chosen.key === key ? chosen : { which: 0, about: undefined };
  const shown = read?.tunes[which];

  const answer = useMemo((): Answer | undefined => {
    const found = shown && identify(shown.tune, { about });
    if (!found) return undefined;
    const lit = new Set(colourOn(found.homeMode, schools).map(soundOf));
    return {
      shown,
      found,
      colour: shown.tune.notes.flatMap(({ pitch }, at) => (lit.has(soundOf(pitch.name)) ? [at] : [])),
      ends: phraseEnds(shown.tune),
    };
  }, [shown, about, schools]);

  useEffect(() => {
    if (!answer) return;
    const { found, shown: inHand } = answer;
    const { home, mode } = found.homeMode;
    const unknown = found.open.map(({ interval }) => home + interval);
    $selection.set({
      homeMode: found.homeMode,
      lit: colourOn(found.homeMode, schools).filter((note) => !unknown.includes(note)),
      unknown,
      targets: [],
      swap: colourSwap(found.homeMode.mode, schools),
      play: { code: "tune", score: tuneScore(inHand.tune) },
    });
    const place = $place.get();
    if (place.home !== home || place.mode !== mode) setPlace({ home, mode });
  }, [answer]);

  return {
    answer,
    which,
    chooseTune: (next: number) => setChosen({ key, which: next }),
    chooseMode: (next: HomeMode) => setChosen({ key, which, about: next }),
  };
}
