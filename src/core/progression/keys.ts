import { type Fifths, modulo, soundOf } from "../pitch";
import { bestHome, type HomeMode, isMinorMode, mode } from "../scale";
import { leadsTo } from "./cadence";
import { heardAs } from "./home";
import { isUsualIn, type KeyArea } from "./key-areas";
import type { KindOfChord } from "./home-rows";
import { type ReadableChart, type Sounding, soundingChords } from "./sounding";

/** A key as a musician marks it over a chart: from one chord to another by their places. */
export interface Key {
  readonly from: number;
  readonly to: number;
  readonly home: Fifths;
  readonly isMinor: boolean;
  /** Chords that lead to another chord of the key as to a home, without leaving the key: V/V, V/ii. */
  readonly tonicized: readonly { readonly at: number; readonly home: Fifths }[];
  /** The last chord of the key before, where it belongs to this one as well. */
  readonly pivot?: number | undefined;
}

/** A segment of the analyses that the keys agree with. */
type Homes = readonly { readonly from: number; readonly to: number; readonly homeMode: HomeMode }[];

/**
 * The keys of a chart. Where it stays in one, that is the home of the analyses, of one mode or of the fewest changes where these have more; a loop
 * in a chart of several keys has the home of one mode over its chords alone.
 *
 * @param oneMode the home of some chords of the chart taken alone, by their places
 * @param fewest the analysis with the fewest changes
 */
export function keysOf(
  chart: ReadableChart,
  areas: readonly KeyArea[],
  fewest: Homes,
  oneMode: Homes,
): readonly Key[] {
  const sounding = soundingChords(chart);
  const homes = new Set(fewest.map(({ homeMode }) => soundOf(homeMode.home)));
  const isOne = areas.length <= 1;
  const marked = isOne
    ? joinedHomes(homes.size > 1 ? fewest : oneMode, sounding)
    : areas.map((area) => named(area, fewest));
  return marked.map((key, nth) => ({
    ...key,
    tonicized: tonicized(sounding, key),
    ...(nth > 0 ? { pivot: pivotOf(sounding, key, marked[nth - 1]) } : {}),
  }));
}

type Marked = Pick<Key, "from" | "to" | "home" | "isMinor">;

/** Segments on one home after another as one key: minor where its home chord is, and where that isn't heard with a third, where its mode is. */
function joinedHomes(homes: Homes, sounding: readonly Sounding[]): readonly Marked[] {
  const found: { from: number; to: number; home: Fifths; isMinor: boolean }[] = [];
  for (const { from, to, homeMode } of homes) {
    const last = found.at(-1);
    if (last && soundOf(last.home) === soundOf(homeMode.home)) last.to = to;
    else found.push({ from, to, home: homeMode.home, isMinor: isMinorMode(homeMode.mode) });
  }
  return found.map((key) => ({ ...key, isMinor: isMinorAtHome(key, sounding) ?? key.isMinor }));
}

/** Whether the chords on the home of a key are minor for longer than they are major; undefined where none has a third. */
function isMinorAtHome(key: Marked, sounding: readonly Sounding[]): boolean | undefined {
  let minor = 0;
  for (const { chord, bars } of sounding.filter(isIn(key)))
    if (soundOf(chord.root) === soundOf(key.home))
      minor += chord.tones.includes(4) ? -bars : chord.tones.includes(-3) ? bars : 0;
  return minor === 0 ? undefined : minor > 0;
}

/** A key area with its home as the analysis spells it. */
function named({ from, to, home, isMinor }: KeyArea, fewest: Homes): Marked {
  const spelled = fewest.find(
    (each) => each.to >= from && each.from <= to && soundOf(each.homeMode.home) === home,
  );
  return {
    from,
    to,
    isMinor,
    home: spelled?.homeMode.home ?? bestHome(home, mode(isMinor ? "aeolian" : "ionian")),
  };
}

const isIn =
  ({ from, to }: Pick<Key, "from" | "to">) =>
  ({ at }: Sounding) =>
    at >= from && at <= to;

/** Chords of a key that aren't its own and lead to another of its chords. */
function tonicized(sounding: readonly Sounding[], key: Marked): Key["tonicized"] {
  const inKey = sounding.filter(isIn(key));
  const home = soundOf(key.home);
  return inKey.flatMap(({ at, chord }, nth) => {
    const [heard, next] = [heardAs(chord), inKey[nth + 1]?.chord];
    const goal = next && heardAs(next);
    if (!next || !goal || goal.root === home || goal.root === heard.root || !leadsTo(goal.root, heard))
      return [];
    const above = modulo(heard.root - home, 12);
    const isOwn = isUsualIn(key.isMinor, above, heard.kind) && (heard.kind !== "7" || above === 7);
    const kinds: readonly KindOfChord[] = ["M", "m"];
    return isOwn || !kinds.includes(goal.kind) ? [] : [{ at, home: next.root }];
  });
}

/** The chord before a change of key, where both keys have it. */
function pivotOf(sounding: readonly Sounding[], key: Marked, before: Marked | undefined): number | undefined {
  const last = before && sounding.findLast(isIn(before));
  if (!before || !last) return undefined;
  const { root, kind } = heardAs(last.chord);
  const belongs = (to: Marked) => isUsualIn(to.isMinor, modulo(root - soundOf(to.home), 12), kind);
  return belongs(key) && belongs(before) ? last.at : undefined;
}

/**
 * The key that a chord stands in as a home with its mode: that of the analysis where both have the same home, else plain major or minor.
 *
 * @example keyModeAt(keys, 3, D Dorian) // D Dorian where the key there is D minor
 */
export function keyModeAt(
  keys: readonly Key[],
  at: number,
  analysed: HomeMode | undefined,
): HomeMode | undefined {
  const key = keys.find(({ from, to }) => at >= from && at <= to);
  if (!key) return undefined;
  return analysed && soundOf(analysed.home) === soundOf(key.home)
    ? analysed
    : { home: key.home, mode: mode(key.isMinor ? "aeolian" : "ionian") };
}
