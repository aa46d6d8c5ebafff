import { printName } from "@/core/pitch";
import type { PracticeKind, RoutineItem } from "@/storage";
import { chordText, homeModeText, stageTitle } from "@/words";
import { $features, taker } from "../place/feature";
import { linkHere } from "../place/link";
import { $place, addressOf, currentPlace } from "../place/place";
import { newId } from "../records/records";
import { $selection, type Playable } from "../place/selection";
import { $settings } from "../settings/settings";
import { $chord, $division } from "../stage/stage";
import { shownVoicing } from "../stage/voicings";

/** Minutes of a thing that was just added. */
const USUAL_MINUTES = 5;

const PLAYED_KINDS: Readonly<Partial<Record<Playable["code"], PracticeKind>>> = {
  tune: "tune",
  chords: "chart",
};

/** What is in front, as a thing to practise: with its view, instrument, position and tempo, and what Play plays. */
async function itemHere(): Promise<RoutineItem | undefined> {
  const { homeMode, subject, play } = $selection.get();
  const { tempo, climb, click, countIn, texture, loop } = $settings.get();
  const division = $division.get();
  const onStage = division === "voicing" || division === "line" ? division : "mode";
  const [first, ...others] = $features.get();
  const front = [first, ...others].find((each) => each?.id === $place.get().view);
  const practised = await front?.practised?.();
  const kind = practised?.kind ?? PLAYED_KINDS[play.code] ?? onStage;
  const link =
    front?.showsPlaceMode && !practised && first
      ? addressOf({ ...currentPlace(), view: first.id })
      : (await linkHere(practised))?.slice(window.location.origin.length);
  if (link === undefined) return undefined;
  const voicing = kind === "voicing" ? shownVoicing() : undefined;
  return {
    id: newId(),
    title: (
      practised?.title ??
      (voicing ? stageTitle(chordText($chord.get()), division) : undefined) ??
      subject ??
      stageTitle(homeModeText(homeMode), division)
    ).slice(0, 240),
    kind,
    mode: homeMode.mode.id,
    home: printName(homeMode.home),
    link,
    minutes: USUAL_MINUTES,
    tempo: Math.round(tempo),
    climbs: climb.isOn,
    rounds: 0,
    then: "item",
    click,
    countIn,
    texture,
    loop,
    ...(voicing ? { voicing } : {}),
  };
}

/** Adds what is in front to the routine; false where it is too long for it, or the routine is full. */
export async function addToRoutine(): Promise<boolean> {
  const item = await itemHere();
  return item !== undefined && (taker("routineItem")?.(item) ?? false);
}
