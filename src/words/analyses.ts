import { type Fifths, soundOf } from "@/core/pitch";
import type { Chart, ChartChord } from "@/core/chord";
import {
  type ChartAnalysis,
  type Decision,
  modalCadence,
  outsideOf,
  type AnalysisKind,
  type Change,
  type Key,
} from "@/core/progression";
import type { HomeMode } from "@/core/scale";
import { capital, chordText, countText, homeModeText, inTitle, modeText, listText, noteText } from "./names";
import { barsText, listedNotes, roleText, symbolText } from "./match";

const unique = (notes: readonly Fifths[]) => [
  ...new Map(notes.map((note) => [soundOf(note), note])).values(),
];

/** What the three analyses are called. */
export const ANALYSIS_TEXT: Readonly<Record<AnalysisKind, string>> = {
  "fewest-changes": "Fewest changes",
  "one-mode": "One mode",
  "chord-by-chord": "Chord by chord",
};

/** "Fewest changes", "Fewest changes and one mode". */
export const kindsText = (kinds: readonly AnalysisKind[]): string =>
  capital(listText(kinds.map((kind) => ANALYSIS_TEXT[kind].toLowerCase())));

/** What the line of keys is called, with one of them and with several. */
export const KEY_TITLE = "Key";
export const KEYS_TITLE = "Keys";

/** "C major", "F♯ minor". */
export const majorMinorText = ({ home, isMinor }: Pick<Key, "home" | "isMinor">): string =>
  `${noteText(home)} ${isMinor ? "minor" : "major"}`;

/** Keys that are named in a line. */
const MAX_KEYS = 5;

/** The keys of a chart in order: "C major, G major from bar 9, C major from bar 13". */
export function keysText(keys: readonly Key[], chords: readonly ChartChord[]): string {
  if (keys.length === 1 && keys[0]) return `${majorMinorText(keys[0])} throughout`;
  const keyTexts = keys.slice(0, MAX_KEYS).map((key, nth) => {
    const bar = chords[key.from]?.bar;
    return nth === 0 || bar === undefined ? majorMinorText(key) : `${majorMinorText(key)} from bar ${bar}`;
  });
  return [...keyTexts, ...(keys.length > MAX_KEYS ? ["and so on"] : [])].join(", ");
}

const symbolAt = (chords: readonly ChartChord[], at: number) => symbolText(chords[at]?.symbol ?? "");

/** What of a key isn't plain: the chord that it shares with the one before, and chords that lead to another of its chords. */
export function keyWithChordsText({ tonicized, pivot }: Key, chords: readonly ChartChord[]): string {
  const leads = new Map(tonicized.map(({ at, home }) => [symbolAt(chords, at), noteText(home)]));
  return [
    ...(pivot === undefined ? [] : [`${symbolAt(chords, pivot)} belongs to both keys`]),
    ...[...leads].map(([symbol, goal]) => `${symbol} leads to ${goal}`),
  ].join(", ");
}

/** The key that a chord stands in, for the panel: "C major. A7 leads to D and doesn’t leave it." */
export function keyAtText(
  keys: readonly Key[],
  chords: readonly ChartChord[],
  at: number,
): string | undefined {
  const nth = keys.findIndex(({ from, to }) => at >= from && at <= to);
  const key = keys[nth];
  if (!key) return undefined;
  const lead = key.tonicized.find((each) => each.at === at);
  const next = keys[nth + 1];
  return [
    majorMinorText(key),
    ...(lead ? [`${symbolAt(chords, at)} leads to ${noteText(lead.home)} and doesn’t leave the key`] : []),
    ...(next?.pivot === at ? [`belongs to ${majorMinorText(next)} as well, which comes next`] : []),
  ].join("; ");
}

/** Segments that are named in the answer to a whole chart. */
const MAX_SEGMENTS = 3;

/**
 * The answer to a chart as a whole: "E Dorian throughout.", "E Dorian, then E Aeolian from bar 5."
 *
 * @param open where the best two can't be told apart: both are named
 * @example chartAnswerText(analysis, chart) // "E Dorian, then E Aeolian from bar 5."
 */
export function chartAnswerText(
  { segments }: ChartAnalysis,
  { chords }: Pick<Chart, "chords">,
  open?: Decision,
): string {
  const [first, ...later] = segments;
  if (!first) return "";
  const name = homeModeText(first.homeMode);
  if (later.length === 0) {
    const [one, other] = open?.between ?? [];
    const isOpen =
      open && open.by !== "notes" && one?.home === first.homeMode.home && one.mode === first.homeMode.mode;
    if (!isOpen || !other) return `${name} throughout.`;
    const both = `${name} or ${homeModeText(other)}`;
    return open.by === "open" ? `${both}: no chord decides.` : `${both}: the home is open.`;
  }
  const then = later
    .slice(0, MAX_SEGMENTS - 1)
    .map(({ homeMode, from }) => `then ${homeModeText(homeMode)} from bar ${chords[from]?.bar ?? 0}`);
  const rest = later.length - then.length;
  return `${[name, ...then].join(", ")}${rest === 0 ? "" : `, and ${countText(rest, "more change")}`}.`;
}

/** "nothing outside", "C is outside in one chord". */
function outsideSummary(analysis: ChartAnalysis): string {
  const outside = outsideOf(analysis);
  if (outside.length === 0) return "nothing outside";
  const chords = new Set(outside.map(({ at }) => at)).size;
  const notes = unique(outside.map(({ note }) => note));
  const said = notes.length > 4 ? countText(notes.length, "note") : listedNotes(notes);
  return `${said} ${notes.length === 1 ? "is" : "are"} outside in ${countText(chords, "chord")}`;
}

/** "E Dorian throughout; C is outside in one chord.", "one change; nothing outside". */
export function analysisText(analysis: ChartAnalysis): string {
  const { segments, kind } = analysis;
  const [first] = segments;
  const isOne = segments.length === 1 && first !== undefined;
  const how = isOne
    ? `${homeModeText(first.homeMode)} throughout`
    : kind === "chord-by-chord"
      ? "every chord its own home"
      : countText(segments.length - 1, "change");
  return `${how}; ${outsideSummary(analysis)}`;
}

/** The modes of an analysis in order: "E Dorian, E Aeolian". */
export const modesText = ({ segments }: ChartAnalysis): string => {
  const names = segments.map(({ homeMode }) => homeModeText(homeMode));
  return names.length > 5 ? `${names.slice(0, 4).join(", ")} and ${names.length - 4} more` : names.join(", ");
};

/** The note that changes at a change: "C♯ → C"; only how many where there are more than two; undefined where the home alone does. */
export function changeText({ leaves, takes }: Change): string | undefined {
  if (leaves.length + takes.length === 0) return undefined;
  if (Math.max(leaves.length, takes.length) > 2) return `${Math.max(leaves.length, takes.length)} notes`;
  return `${leaves.map(noteText).join(" ")} → ${takes.map(noteText).join(" ")}`;
}

/** "G to Am": a cadence that keeps the mode. */
const cadenceText = (homeMode: HomeMode): string =>
  modalCadence(homeMode)?.map(chordText).join(" to ") ?? noteText(homeMode.home);

/** "A Aeolian or C Ionian: both fit equally well. They have the same notes, so where they come to rest decides: G to Am, or G7 to C." */
export function openText(decision: Decision, chart: readonly ChartChord[]): string {
  const [one, other] = decision.between;
  const both = `${homeModeText(one)} or ${homeModeText(other)}: both fit equally well`;
  if (decision.by === "home")
    return soundOf(one.home) === soundOf(other.home)
      ? both
      : `${both}. They have the same notes, so where it comes to rest decides: ${cadenceText(one)}, or ${cadenceText(other)}.`;
  if (decision.by === "cadence")
    return `${both}. The line down from ${noteText(one.home)} to ${noteText(other.home)} may rest on either: the chord that it ends on decides.`;
  if (decision.by === "open")
    return `${both}. No chord has ${listText([...decision.differ[0], ...decision.differ[1]].map(noteText), "or")}, the notes that would decide.`;
  return `${both}. ${capital(decisionText(decision, chart))}`;
}

/** Chords whose tone is told; the bars of more are only counted up. */
const MAX_ROLES = 2;

/** "C♯, the third of A13 in bars 2 and 4, makes it Dorian; C in bar 5 would make it Aeolian." */
export function decisionText(
  { between, by, first, second, differ }: Decision,
  chart: readonly ChartChord[],
): string {
  const [one, other] = between;
  // On one home the modes alone tell them apart.
  const isOneHome = soundOf(one.home) === soundOf(other.home);
  const nameOf = (homeMode: HomeMode) =>
    isOneHome ? inTitle(modeText(homeMode.mode)) : homeModeText(homeMode);
  if (by === "home" || by === "cadence") {
    return `${homeModeText(other)} has the same notes; only the home tells them apart`;
  }
  const namesText = (notes: readonly Fifths[]) => listedNotes(notes);
  if (by === "open") {
    return `Nothing here decides against ${homeModeText(other)}: ${namesText(differ[0])} would make it ${nameOf(one)}, ${namesText(differ[1])} ${nameOf(other)}`;
  }
  const holders = first.length > 0 ? first : second;
  // By the name that the mode has for it, however a chord spells it.
  const heldBy = (held: typeof holders, names: readonly Fifths[]) =>
    names.filter((name) => held.some(({ note }) => soundOf(note) === soundOf(name)));
  const notes = heldBy(holders, differ[first.length > 0 ? 0 : 1]);
  const verb = (all: readonly Fifths[], one: string) => (all.length > 1 ? one.slice(0, -1) : one);
  const barsOf = (held: typeof holders) => barsText(held.map(({ at }) => chart[at]?.bar ?? 0));
  const symbolOf = ({ at }: (typeof holders)[number]) => chart[at]?.symbol ?? "";
  const roles = [...new Set(holders.map(symbolOf))].map((symbol) => {
    const sameSymbol = holders.filter((holder) => symbolOf(holder) === symbol);
    return `the ${roleText(sameSymbol[0]?.role ?? 0)} of ${symbolText(symbol)} in ${barsOf(sameSymbol)}`;
  });
  const where =
    notes.length === 1 && roles.length <= MAX_ROLES ? `, ${listText(roles)},` : ` in ${barsOf(holders)}`;
  if (first.length === 0) {
    return `${capital(namesText(notes))}${where} ${verb(notes, "leans")} towards ${homeModeText(other)}`;
  }
  const others = heldBy(second, differ[1]);
  const against =
    second.length === 0
      ? `${namesText(differ[1])} would make it ${nameOf(other)}`
      : `${namesText(others)} in ${barsOf(second)} ${verb(others, "leans")} towards ${nameOf(other)}`;
  return `${namesText(notes)}${where} ${verb(notes, "makes")} it ${nameOf(one)}; ${against}`;
}
