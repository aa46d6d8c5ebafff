import { printName } from "@/core/pitch";
import { type RoutineItem, type RoutineValue, routineValue } from "@/storage";
import { homeModeText, stageTitle } from "@/words";
import { documentOf } from "./documents";
import { $features } from "./feature";
import { linkHere } from "./link";
import { $place, addressOf, here } from "./place";
import { newId } from "./records";
import { $selection } from "./selection";
import { $settings } from "./settings";
import { $division } from "./stage";

/** The routine that is put together: links carry it, and every step can be undone. */
export const routineDocument = documentOf<RoutineValue>(
  {
    kind: "routine",
    isListed: true,
    stored: { version: 1, schema: routineValue, migrations: [] },
    blank: { title: "", items: [], order: "in-order" },
    isBlank: ({ title, items }) => title === "" && items.length === 0,
    titleOf: ({ title, items }) => title || (items[0]?.title ?? "").slice(0, 60),
  },
  "log/routine",
);

/** Things that a routine has at most. */
const MOST_ITEMS = 60;

/** Minutes of a thing that was just added. */
const USUAL_MINUTES = 5;

/** What is in front, as a thing to practise: with its view, instrument, position and tempo. */
function itemHere(): RoutineItem {
  const { homeMode, subject, play } = $selection.get();
  const { tempo, climb, click, countIn } = $settings.get();
  const division = $division.get();
  const kind =
    play.code === "tune"
      ? "tune"
      : play.code === "chords"
        ? "chart"
        : division === "voicing" || division === "line"
          ? division
          : "mode";
  const [first, ...others] = $features.get();
  const front = [first, ...others].find((each) => each?.id === $place.get().view);
  const link =
    front?.showsPlaceMode && first
      ? addressOf({ ...here(), view: first.id })
      : linkHere().slice(window.location.origin.length);
  return {
    id: newId(),
    title: (subject ?? stageTitle(homeModeText(homeMode), division)).slice(0, 240),
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
  };
}

/** Adds what is in front to the routine; false where it is too long for it, or the routine is full. */
export function addToRoutine(): boolean {
  const { items } = routineDocument.$value.get();
  const item = itemHere();
  const next = { ...routineDocument.$value.get(), items: [...items, item] };
  if (items.length >= MOST_ITEMS || !routineValue.safeParse(next).success) return false;
  routineDocument.change({ items: next.items });
  return true;
}
