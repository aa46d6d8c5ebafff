import { computed } from "nanostores";
import { maybeFifths, printName } from "@/core/pitch";
import { type HomeMode, maybeMode } from "@/core/scale";
import { dueCards, newThing } from "@/core/training";
import type { Played, RoutineItem, Sitting } from "@/storage";
import { TODAY_TITLE, goOnText, homeModeText } from "@/words";
import { START } from "../place/address";
import { $features } from "../place/feature";
import { addressOf } from "../place/place";
import { newId } from "../records/records";
import { $settings } from "../settings/settings";
import { $hasPractice } from "./practice-state";
import { practise, tempoFor } from "./practising";
import { $schedule } from "./schedule";
import { $sittings } from "./sittings";

/** What there is to go on with, in a line, and the routine that it starts. */
export interface GoOn {
  readonly text: string;
  readonly start: () => void;
}

/** Minutes of each thing. */
const MINUTES = 5;

const homeModeOf = ({ home, mode }: Pick<Played, "home" | "mode">): HomeMode | undefined => {
  const [note, found] = [home === undefined ? undefined : maybeFifths(home), mode && maybeMode(mode)];
  return note === undefined || !found ? undefined : { home: note, mode: found };
};

/** The address of a mode in the first view. */
const linkTo = (view: string | undefined, homeMode: HomeMode): string =>
  addressOf({ ...homeMode, view: view ?? "", views: {} });

function itemOf(
  homeMode: HomeMode,
  part: Pick<RoutineItem, "title" | "kind" | "link"> & Partial<RoutineItem>,
): RoutineItem {
  const { tempo, click, countIn } = $settings.get();
  return {
    id: newId(),
    mode: homeMode.mode.id,
    home: printName(homeMode.home),
    minutes: MINUTES,
    tempo: Math.round(tempo),
    climbs: false,
    rounds: 0,
    then: "item",
    click,
    countIn,
    ...part,
  };
}

/** The piece that was practised last and that can be opened again. */
function lastPiece(sittings: readonly Sitting[]): Played | undefined {
  const canOpen = (piece: Played) =>
    piece.link !== undefined || (piece.kind === "mode" && homeModeOf(piece) !== undefined);
  const all = sittings.flatMap(({ played }) => played.filter(canOpen));
  return all.reduce<Played | undefined>(
    (last, each) => (last && last.at >= each.at ? last : each),
    undefined,
  );
}

/**
 * What one can go on with: the thing that was practised last at its tempo, the questions that are due, and something new. Undefined where
 * nothing was practised yet, and while a routine is under way.
 */
export const $goOn = computed(
  [$sittings, $schedule, $hasPractice, $features],
  (sittings, schedule, hasPractice, features): GoOn | undefined => {
    const last = hasPractice ? undefined : lastPiece(sittings);
    if (!last) return undefined;
    const [first] = features;
    const ear = features.find(({ practised }) => practised !== undefined);
    const from = homeModeOf(last) ?? START;
    const due = ear ? dueCards(schedule, Date.now()).length : 0;
    const modes = new Set(sittings.flatMap(({ played }) => played.flatMap(({ mode }) => mode ?? [])));
    const next = newThing(modes, from);
    const again = itemOf(from, {
      title: last.title,
      kind: last.kind,
      link: last.link ?? linkTo(first?.id, from),
      ...(last.item === undefined ? {} : { id: last.item }),
      ...(last.tempo === undefined ? {} : { tempo: Math.round(last.tempoAsked ?? last.tempo) }),
    });
    const items = [
      again,
      ...(ear && due > 0
        ? [itemOf(from, { title: TODAY_TITLE, kind: "ear", link: linkTo(ear.id, from) })]
        : []),
      itemOf(next, { title: homeModeText(next), kind: "mode", link: linkTo(first?.id, next) }),
    ];
    const tempo = last.tempo === undefined ? undefined : tempoFor(again);
    return {
      text: goOnText(last.title, tempo, due, homeModeText(next)),
      start: () => practise({ title: "", items, order: "in-order" }),
    };
  },
);
