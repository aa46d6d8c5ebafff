import { type Fifths, printName } from "@/core/pitch";
import {
  type HomeMode,
  maybeMode,
  mode as modeById,
  type Mode,
  nearestHome,
  nearestMode,
} from "@/core/scale";
import type { AddressNotice } from "@/words";

/** The views in the order of the work. */
export const VIEWS = ["derive", "match", "identify"] as const;
export type View = (typeof VIEWS)[number];

/** How the ladder is lined up: every mode on one home (parallel), or one set of notes from every home (relative). */
export type LineUp = "homes" | "notes";

/** What Derive shows beside its panel. */
export const SHOWS = ["modes", "make", "compare", "chords", "ask"] as const;
export type Show = (typeof SHOWS)[number];

/** What Match shows beside its panel: a chart, chords for a mode, a shape over a bass. */
export const MATCH_SHOWS = ["chart", "write", "over-bass"] as const;
export type MatchShow = (typeof MATCH_SHOWS)[number];

/** Modes held against the one in hand, at most. */
export const MOST_BESIDE = 3;

/** What the address bar carries. */
export interface Address {
  readonly view: View;
  readonly home: Fifths;
  readonly mode: Mode;
  readonly lineUp: LineUp;
  readonly show: Show;
  readonly matchShow: MatchShow;
  /** Modes that Compare holds against the one in hand; undefined where the user has chosen none. */
  readonly beside?: readonly Mode[] | undefined;
  /** The progression, where Match is in front and it is short enough for a link. */
  readonly chords?: string | undefined;
}

/** Where the application opens when the address says nothing. */
export const START: Address = {
  view: "derive",
  home: 2,
  mode: modeById("dorian"),
  lineUp: "homes",
  show: "modes",
  matchShow: "chart",
};

/** Where the practice sheet of a mode is. */
export const practiceAddress = ({ home, mode }: HomeMode): string =>
  `/practice?home=${encodeURIComponent(printName(home))}&mode=${mode.id}`;

/** Longer progressions are kept in the browser but not in the address. */
const MOST_CHORDS_IN_ADDRESS = 1500;

/** The one of some words that a text is, or the first. */
const oneOf = <T extends string>(all: readonly [T, ...T[]], text: string | null): T =>
  all.find((each) => each === text) ?? all[0];

export const isView = (text: string): text is View => (VIEWS as readonly string[]).includes(text);

/**
 * Reads an address: the nearest sensible thing where it names what there is not, with a notice for each.
 *
 * @example readAddress(new URL("http://x/derive?home=B&mode=lydian")).address.home // 5
 */
export function readAddress(url: URL): {
  readonly address: Address;
  readonly notices: readonly AddressNotice[];
} {
  const notices: AddressNotice[] = [];
  const asked = (name: string) => url.searchParams.get(name);
  const view = url.pathname.split("/").find((part) => part !== "") ?? "";
  let { home, mode } = START;
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
  const chords = asked("chords");
  if (chords !== null && chords.length > MOST_CHORDS_IN_ADDRESS) {
    notices.push({ code: "chords-cut", asked: String(chords.length), found: String(MOST_CHORDS_IN_ADDRESS) });
  }
  return {
    address: {
      view: isView(view) ? view : START.view,
      home,
      mode,
      lineUp: asked("line") === "notes" ? "notes" : "homes",
      show: oneOf(SHOWS, asked("show")),
      matchShow: oneOf(MATCH_SHOWS, asked("show")),
      beside: readBeside(asked("with"), mode),
      chords: chords?.slice(0, MOST_CHORDS_IN_ADDRESS),
    },
    notices,
  };
}

/** The modes of a comma-separated list of ids, each once, without the one in hand; ids that there are not are passed over. */
function readBeside(text: string | null, inHand: Mode): readonly Mode[] | undefined {
  if (text === null) return undefined;
  const modes = text.split(",").flatMap((id) => maybeMode(id) ?? []);
  return [...new Set(modes)].filter((mode) => mode !== inHand).slice(0, MOST_BESIDE);
}

/** Writes an address as path and query: what `readAddress` reads back. */
export function writeAddress({ view, home, mode, lineUp, show, matchShow, beside, chords }: Address): string {
  const query = new URLSearchParams({ home: printName(home), mode: mode.id });
  if (lineUp === "notes") query.set("line", lineUp);
  if (view === "derive" && show !== "modes") query.set("show", show);
  if (view === "match" && matchShow !== "chart") query.set("show", matchShow);
  if (view === "derive" && show === "compare" && beside)
    query.set("with", beside.map(({ id }) => id).join(","));
  if (view === "match" && chords && chords.length <= MOST_CHORDS_IN_ADDRESS) query.set("chords", chords);
  return `/${view}?${query.toString()}`;
}
