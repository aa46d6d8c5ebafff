import { atom, computed, onMount } from "nanostores";
import type { Fifths } from "@/core/pitch";
import { type HomeMode, type Mode, oneNoteAway } from "@/core/scale";
import type { AddressNotice } from "@/words";
import { type Address, readAddress, START, type ViewPlace, viewPlace, writeAddress } from "./address";
import type { OpenDocument } from "../document/document";
import { $documents } from "../document/documents";
import { $features } from "./feature";
import { $front, $selection, BEFORE, plainSelection, selects } from "./selection";
import { $hand } from "../stage/stage";

/** Where the user is: view, home, mode. Kept in step with the address bar. */
export const $place = atom<Address>({ ...START, view: "derive", views: {} });

function put(place: Address): void {
  $place.set(place);
  $front.set(place.view);
}

/** The home and mode of the address; the same object for as long as they are the same. */
export const $placeMode = computed($place, ({ home, mode }): HomeMode => {
  if (lastMode?.home !== home || lastMode.mode !== mode) lastMode = { home, mode };
  return lastMode;
});
let lastMode: HomeMode | undefined;

selects(BEFORE, computed($placeMode, plainSelection));

/** What in the last address was not to be had. */
export const $addressNotices = atom<readonly AddressNotice[]>([]);

/** What a step in the browser's history knows besides its address: which documents were open. */
interface Step {
  readonly open?: Readonly<Record<string, string>>;
}

onMount($place, () => {
  if (typeof window === "undefined") return undefined;
  const open = () => {
    stopFollowing();
    const { address, notices } = readAddress(new URL(window.location.href), $features.get());
    put({ ...address, views: { ...$place.get().views, ...address.views } });
    $hand.set(address.hand);
    $addressNotices.set(notices);
  };
  const goBack = ({ state }: PopStateEvent) => {
    open();
    void openAgain(state as Step | null);
  };
  const leave = () => {
    if (following !== undefined) follow();
  };
  // An address that has yet to follow is older than the place.
  if (following === undefined) open();
  // The mode of what is selected stands in the address, and so does where the hand is.
  const stops = [$selection.listen(followSoon), $hand.listen(followSoon), $features.listen(open)];
  const heard = new Set<string>();
  const stopHearing = $documents.subscribe((all) => {
    for (const { kind, $id } of all) {
      if (!heard.has(kind)) stops.push($id.listen(followSoon));
      heard.add(kind);
    }
  });
  window.addEventListener("popstate", goBack);
  window.addEventListener("pagehide", leave);
  return () => {
    stopHearing();
    for (const stop of stops) stop();
    window.removeEventListener("popstate", goBack);
    window.removeEventListener("pagehide", leave);
  };
});

/** Opens the documents that were open at a step of the history. */
async function openAgain(step: Step | null): Promise<void> {
  for (const document of $documents.get()) {
    const id = step?.open?.[document.kind];
    if (id !== undefined && id !== document.$id.get()) await document.bringBack(id);
  }
}

const step = (): Step => ({
  open: Object.fromEntries($documents.get().map(({ kind, $id }) => [kind, $id.get()])),
});

/** The place with the home and mode of what is selected and where the hand is: what other views go on from. */
export function currentPlace(): Address {
  const { home, mode } = $selection.get().homeMode;
  return { ...$place.get(), home, mode, hand: $hand.get() };
}

/** The address of a place, as links have it. */
export const addressOf = (place: Address): string => writeAddress(place, $features.get());

/**
 * The address bar is slow to change: a browser fetches the page's icon anew each time. It follows once for all changes that come one upon
 * another, when they are on the screen; a page that is left sets it at once.
 */
let following: ReturnType<typeof setTimeout> | undefined;

/** Milliseconds without a change after which it follows. */
const FOLLOWS = 250;

function stopFollowing(): void {
  clearTimeout(following);
  following = undefined;
}

function follow(): void {
  stopFollowing();
  const [address, state] = [addressOf(currentPlace()), step()];
  // Browsers count how often a page does this.
  const isThere =
    address === window.location.pathname + window.location.search &&
    JSON.stringify(state) === JSON.stringify(window.history.state);
  if (!isThere || window.location.hash !== "") window.history.replaceState(state, "", address);
}

function followSoon(): void {
  clearTimeout(following);
  following = setTimeout(follow, FOLLOWS);
}

/** Steps to another home or mode, in place. */
export function setPlace(part: { readonly home?: Fifths; readonly mode?: Mode }): void {
  put({ ...$place.get(), ...part });
  followSoon();
}

/** Changes what else of a view stands in the address, in place; undefined takes a word out of it. */
export function setQuery(view: string, words: Readonly<Record<string, string | undefined>>): void {
  const query: Record<string, string> = {};
  const before = placeOf(view);
  if (Object.entries(words).every(([name, word]) => before.query[name] === word)) return;
  for (const [name, word] of Object.entries({ ...before.query, ...words }))
    if (word !== undefined) query[name] = word;
  put({ ...$place.get(), views: { ...$place.get().views, [view]: { ...before, query } } });
  followSoon();
}

/** Goes to another view, or to a part of one: a step that the browser's back button undoes. */
export function goTo(
  view: string,
  { part, query, ...homeMode }: Partial<ViewPlace> & { readonly home?: Fifths; readonly mode?: Mode } = {},
): void {
  const from = currentPlace();
  const place = placeOf(view);
  $addressNotices.set([]);
  follow();
  put({
    ...from,
    ...homeMode,
    view,
    views: { ...from.views, [view]: { part: part ?? place.part, query: query ?? place.query } },
  });
  window.history.pushState(step(), "", addressOf({ ...$place.get(), hand: $hand.get() }));
}

/** Goes to an address of this application: a step that the browser's back button undoes. */
export function goToAddress(url: URL): void {
  follow();
  const { address } = readAddress(url, $features.get());
  put({ ...address, views: { ...$place.get().views, ...address.views } });
  $hand.set(address.hand);
  $addressNotices.set([]);
  window.history.pushState(step(), "", addressOf(address));
}

/** Opens a thing in its view: a step of its own, so that the browser's back button brings what was open before. */
export function openIn<T>(view: string, document: OpenDocument<T>, value: T, part?: string): void {
  // What stands in the address was of the thing before.
  goTo(view, { query: {}, ...(part === undefined ? {} : { part }) });
  document.open(value);
}

/** Opens a document of the view in front again: a step of its own. False where it can't be read. */
export function bringBack<T>(document: OpenDocument<T>, id: string): Promise<boolean> {
  goTo($place.get().view, { query: {} });
  return document.bringBack(id);
}

/** Where a view is, or begins. */
export function placeOf(view: string, place: Address = $place.get()): ViewPlace {
  const feature = $features.get().find(({ id }) => id === view);
  return feature ? viewPlace(place, feature) : (place.views[view] ?? { part: "", query: {} });
}

export const setHomeMode = ({ home, mode }: HomeMode): void => setPlace({ home, mode });

/** One note brighter or darker on the same home, where a named mode lies there; whether it went. */
export function moveBy(way: "brighter" | "darker"): boolean {
  const { mode } = $place.get();
  const next = oneNoteAway(mode, way)[0];
  if (next) setPlace({ mode: next.mode });
  return next !== undefined;
}
