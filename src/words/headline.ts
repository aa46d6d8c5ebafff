import type { Fifths } from "@/core/pitch";
import type { Identification, KeyPassage, OutsideNote, Passage } from "@/core/identify";
import { isMinorMode, thirdOf } from "@/core/scale";
import { capital, countText, homeModeText, inTitle, listText, modeText, noteText, numberText } from "./names";
import { MAX_NAMED } from "./reasons";

/** The bars of a passage: "bar 9", "bars 9 to 16". */
export const passageBarsText = ({ fromBar, toBar }: Pick<Passage, "fromBar" | "toBar">): string =>
  fromBar === toBar ? `bar ${fromBar}` : `bars ${fromBar} to ${toBar}`;

/**
 * What heads a tune: its mode, "D Dorian, then G Ionian" where it changes, and otherwise what a player calls it: "A minor pentatonic", "D minor without a 6", "Double tonic,
 * A minor and G", "No centre is heard". A long row of passages is counted.
 */
export function headlineText({ homeMode, passages, changes, called }: Identification): string {
  if (changes) {
    const names = passages.map((each) => homeModeText(each.homeMode));
    return names.length <= 3
      ? names.join(", then ")
      : `${names[0] ?? ""}, then ${countText(names.length - 1, "change")}`;
  }
  const home = noteText(homeMode.home);
  switch (called.kind) {
    case "mode":
      return homeModeText(homeMode);
    case "five-notes":
      return called.isNamed
        ? `${home} ${inTitle(called.scale.name)}`
        : `${home}${THIRDS[thirdOf(called.scale) ?? 0] ?? ""}, five notes`;
    case "six-notes":
      return `${home} ${called.isMinor ? "minor" : "major"} without a ${called.without}`;
    case "double-tonic":
      return `Double tonic, ${home} ${called.isMinor ? "minor" : "major"} and ${noteText(called.lower)}`;
    case "neutral":
      return `${home} with a neutral ${listText(called.degrees.map(({ number }) => String(number)))}`;
    case "no-centre":
      return NO_CENTRE;
  }
}

/** A third in the words of a key, on the line of fifths from home. */
const THIRDS: Readonly<Record<number, string>> = { 4: " major", [-3]: " minor" };

/** What heads a tune in which nothing is home. */
const NO_CENTRE = "No centre is heard";

/** What explains a headline that is no mode. Undefined where it is one. */
export function calledReason({ called, homeMode, changes, outside }: Identification): string | undefined {
  if (changes) return undefined;
  const home = noteText(homeMode.home);
  switch (called.kind) {
    case "mode":
      return undefined;
    case "five-notes":
      return `${differentNotes(5, outside)} sound, too few to tell one mode from all others.`;
    case "six-notes":
      return `${differentNotes(6, outside)} sound, and no ${called.without}.`;
    case "double-tonic":
      return `It goes back and forth between the chords of ${home} ${called.isMinor ? "minor" : "major"} and ${noteText(called.lower)}, a whole step apart.`;
    case "neutral":
      return listText(
        called.degrees.map(
          ({ number, between: [low, high] }) =>
            `The ${number} lies between ${noteText(low)} and ${noteText(high)}`,
        ),
      ).concat(", so no mode of twelve half steps has it.");
    case "no-centre":
      return NO_CENTRE_BECAUSE[called.why];
  }
}

/** How many different notes a tune has, those left out that only pass. */
const differentNotes = (count: number, outside: readonly OutsideNote[]): string =>
  `${outside.length > 0 ? `Apart from passing notes, ${numberText(count)}` : capital(numberText(count))} different notes`;

const NO_CENTRE_BECAUSE = {
  "whole-tone": "All its notes are of one whole-tone scale, in which no note leads home.",
  chromatic: "Nearly all twelve notes sound, and no mode has most of them.",
  "twelve-tone": "It plays all twelve notes before one comes again.",
} as const;

/** A tune that stops or goes round: what that means for its last note. */
export function endingReason({ round, stopsShort }: Identification): string | undefined {
  const goesRound =
    round === undefined
      ? undefined
      : `It goes round every ${countText(round, "bar")}, and the end of each round counts.`;
  const stops = stopsShort ? "It stops in the middle of a phrase, so its last note says little." : undefined;
  return [goesRound, stops].filter((each) => each !== undefined).join(" ") || undefined;
}

/** "The mode changes: D Dorian in bars 1 to 8, G Ionian in bars 9 to 16." Undefined where it stays, or home was set by hand for all. */
export function passagesReason({ passages, changes }: Identification): string | undefined {
  if (!changes) return undefined;
  return `The mode changes: ${listText(passages.map((each) => `${homeModeText(each.homeMode)} in ${passageBarsText(each)}`))}.`;
}

/** Key passages that are told one by one; more are counted. */
const MAX_KEYS = 3;

/** "A minor": what a passage in a neighbouring key is in. */
export const keyPassageText = ({ homeMode, kind }: Pick<KeyPassage, "homeMode" | "kind">): string =>
  kind === "moved"
    ? homeModeText(homeMode)
    : `${noteText(homeMode.home)} ${isMinorMode(homeMode.mode) ? "minor" : "major"}`;

/**
 * The keys that a tune goes through while it keeps its mode: "Bars 9 to 12 cadence in G major: a change of key, not of mode." Undefined where
 * there is none.
 */
export function keyPassagesReason({ keyPassages, homeMode }: Identification): string | undefined {
  if (keyPassages.length === 0) return undefined;
  const sentences = keyPassages.slice(0, MAX_KEYS).map((each) => {
    const key = keyPassageText(each);
    const where = passageBarsText(each);
    const isOne = each.fromBar === each.toBar;
    switch (each.kind) {
      case "own-key":
        return `${where} ${isOne ? "is" : "are"} written in ${key}`;
      case "relative":
        return `${where} ${isOne ? "rests" : "rest"} in ${key}, with the same notes`;
      case "moved":
        return `${where} ${isOne ? "moves" : "move"} to ${homeModeText(each.homeMode)}`;
      case "key":
        return `${where} ${isOne ? "cadences" : "cadence"} in ${key}`;
    }
  });
  const more = keyPassages.length - sentences.length;
  const said = capital(
    listText([...sentences, ...(more > 0 ? [`${countText(more, "passage")} more in other keys`] : [])]),
  );
  const has = (kind: KeyPassage["kind"]) => keyPassages.some((each) => each.kind === kind);
  if (has("own-key")) return `${said}.`;
  const stays = has("moved")
    ? `the mode stays ${modeText(homeMode.mode)}`
    : `the tune stays in ${homeModeText(homeMode)}`;
  return `${said}. That’s a change of key, and ${stays}.`;
}

/** What is nearly as likely, and what would decide: undefined where nothing is. */
export function rivalReason({ rival, homeMode }: Identification): string | undefined {
  if (!rival) return undefined;
  const [own, other] = [homeModeText(homeMode), homeModeText(rival.homeMode)];
  if (rival.its.length === 0 && rival.ours.length === 0)
    return `${other} is nearly as likely. The notes are the same, so only home decides between them.`;
  const names = (notes: readonly Fifths[]) => listText(notes.map(noteText));
  const parts = [
    ...(rival.ours.length > 0 ? [`${names(rival.ours)} for ${own}`] : []),
    ...(rival.its.length > 0 ? [`${names(rival.its)} for ${other}`] : []),
  ];
  return `${other} is nearly as likely. What would decide: ${listText(parts, "or")}.`;
}

/** What would fit besides: "Aeolian or Dorian would fit" of five or six notes, "or Dorian", "or C Ionian"; of a double tonic its mode. */
export function orText({ homeMode, undecided, rival, changes, called }: Identification): string | undefined {
  if (changes || called.kind === "no-centre" || called.kind === "neutral") return undefined;
  const modes = undecided?.modes.map(({ mode }) => mode) ?? [homeMode.mode];
  const names = listText(
    modes.map(({ name }) => name),
    "or",
  );
  if (called.kind === "double-tonic") return `${noteText(homeMode.home)} ${names}`;
  if (called.kind === "five-notes" || called.kind === "six-notes")
    return modes.length > MAX_NAMED ? `${countText(modes.length, "mode")} would fit` : `${names} would fit`;
  const others = modes.filter((mode) => mode !== homeMode.mode);
  if (others.length > 2) return `or one of ${numberText(others.length)} more`;
  if (others.length > 0)
    return `or ${listText(
      others.map(({ name }) => name),
      "or",
    )}`;
  return rival ? `or ${homeModeText(rival.homeMode)}` : undefined;
}
