import { type Fifths, printName } from "@/core/pitch";
import { type HomeMode, mode as modeById, type Mode, nearestHome, nearestMode } from "@/core/scale";
import type { AddressNotice } from "@/words";
import type { Feature } from "./feature";

/** Where a view was left: which of its parts, and what else of it stands in the address. */
export interface ViewPlace {
  readonly part: string;
  readonly query: Readonly<Record<string, string>>;
}

/** What the address bar carries. */
export interface Address {
  /** Id of the feature in front. */
  readonly view: string;
  readonly home: Fifths;
  readonly mode: Mode;
  /** Where the hand is on the neck: the fret of the index finger, and which of the positions there. */
  readonly hand?: { readonly fret: number; readonly nth: number } | undefined;
  /** Where each view was left, by its id. */
  readonly views: Readonly<Record<string, ViewPlace>>;
}

/** What of a feature an address needs. */
export type Addressed = Pick<Feature, "id" | "parts">;

/** Where the application opens when the address says nothing. */
export const START = { home: 2, mode: modeById("dorian") } as const;

/** Where a sheet of a mode is: the mode sheet, or the practice sheet. */
export const sheetAddress = (kind: "sheet" | "practice", { home, mode }: HomeMode): string =>
  `/${kind}?home=${encodeURIComponent(printName(home))}&mode=${mode.id}`;

/** Names in the address that belong to no view. */
const OWN = new Set(["home", "mode", "show", "hand", "chords", "demo"]);

/** Longer words in an address are passed over. */
const MAX_WORD = 400;

/** Where a view is, or begins. */
export const viewPlace = ({ views }: Pick<Address, "views">, { id, parts }: Addressed): ViewPlace =>
  views[id] ?? { part: parts[0], query: {} };

/**
 * Reads an address: where it names something unknown, the nearest sensible thing, with a notice for each. Of the views only the one in
 * front is told of.
 *
 * @example readAddress(new URL("http://x/derive?home=B&mode=lydian"), features).address.home // 5
 */
export function readAddress(
  url: URL,
  features: readonly Addressed[],
): {
  readonly address: Address;
  readonly notices: readonly AddressNotice[];
} {
  const notices: AddressNotice[] = [];
  const asked = (name: string) => url.searchParams.get(name);
  const named = url.pathname.split("/").find((part) => part !== "") ?? "";
  const front = features.find(({ id }) => id === named) ?? features[0];
  let { home, mode }: HomeMode = START;
  const homeText = asked("home");
  if (homeText !== null) {
    const found = nearestHome(homeText);
    home = found.found;
    if (!found.exact)
      notices.push({ code: "home-unknown", asked: homeText.slice(0, 40), found: printName(home) });
  }
  const modeText = asked("mode");
  if (modeText !== null) {
    const found = nearestMode(modeText);
    mode = found.found;
    if (!found.exact) notices.push({ code: "mode-unknown", asked: modeText.slice(0, 40), found: mode.id });
  }
  const query = Object.fromEntries(
    [...url.searchParams].filter(([name, word]) => !OWN.has(name) && word.length <= MAX_WORD),
  );
  const part = front?.parts.find((each) => each === asked("show")) ?? front?.parts[0] ?? "";
  const views = front ? { [front.id]: { part, query } } : {};
  const [, fret, nth] = /^(\d{1,2})(?:\.(\d))?$/u.exec(asked("hand") ?? "") ?? [];
  const hand = fret === undefined ? undefined : { fret: Number(fret), nth: Number(nth ?? 0) };
  return { address: { view: front?.id ?? named, home, mode, hand, views }, notices };
}

/** Writes an address as path and query: what `readAddress` reads back. */
export function writeAddress(
  { view, home, mode, hand, views }: Address,
  features: readonly Addressed[],
): string {
  const query = new URLSearchParams({ home: printName(home), mode: mode.id });
  if (hand) query.set("hand", hand.nth === 0 ? String(hand.fret) : `${hand.fret}.${hand.nth}`);
  const front = features.find(({ id }) => id === view);
  if (front) {
    const place = viewPlace({ views }, front);
    if (place.part !== front.parts[0]) query.set("show", place.part);
    for (const [name, word] of Object.entries(place.query)) query.set(name, word);
  }
  return `/${view}?${query.toString()}`;
}
