import { accidentalsOf, degreeNumber, degreeOf, halfSteps, type Interval } from "@/core/pitch";
import { dominantHome } from "@/core/chord";
import {
  characteristicOf,
  type Comparison,
  type Difference,
  differenceFrom,
  distinguishing,
  extentOf,
  holds,
  type HomeMode,
  holdersOf,
  isNamed,
  type Mode,
  nearerReference,
  nearestNamed,
  type Reference,
  reference,
  type ReferenceConvention,
  SEVEN,
  thirdOf,
} from "@/core/scale";
import {
  capital,
  degreeText,
  inTitle,
  listText,
  modeText,
  noteText,
  numberText,
  ordinalText,
  type Phrase,
} from "./names";
import { nearNamedText } from "./near";
import type { Conventions } from "./conventions";

/** What a reference is called in a sentence. */
function referenceText({ mode }: { readonly mode: Mode }): string {
  if (mode.id === "ionian") return "the major scale";
  if (mode.id === "aeolian") return "the natural minor";
  return inTitle(modeText(mode));
}

/** "its sixth raised", "its second and fifth lowered", "its fourth raised and its seventh lowered". */
function movedText(changes: Difference["moved"]): string {
  const moved = (way: "raised" | "lowered") =>
    changes.filter(({ from, to }) => accidentalsOf(to) > accidentalsOf(from) === (way === "raised"));
  return (["raised", "lowered"] as const)
    .map((way) => ({ way, degrees: moved(way).map(({ to }) => ordinalText(degreeNumber(to))) }))
    .filter(({ degrees }) => degrees.length > 0)
    .map(({ way, degrees }) => `its ${listText(degrees)} ${way}`)
    .join(" and ");
}

/** "with its sixth raised", "without its second and sixth", "with ♭5 besides". */
function differenceText({ moved, dropped, added }: Difference): string {
  return [
    moved.length > 0 ? `with ${movedText(moved)}` : "",
    dropped.length > 0
      ? `without its ${listText(dropped.map((degree) => ordinalText(degreeNumber(degree))))}`
      : "",
    added.length > 0 ? `with ${listText(added.map(degreeText))} besides` : "",
  ]
    .filter((part) => part !== "")
    .join(", ");
}

/** What the mode is, against its reference: "The natural minor with its sixth raised: B in place of B♭." */
function referenceSentence(
  { home, mode }: HomeMode,
  characteristic: readonly Interval[],
  convention: ReferenceConvention,
): readonly Phrase[] {
  const comparedWith = reference(mode, convention);
  if (extentOf(comparedWith) === 0) return [`${capital(referenceText(comparedWith))} itself. `];
  const pairs = comparedWith.moved.flatMap(({ from, to }, at): readonly Phrase[] => {
    const note = noteText(home + to);
    const joint = at === 0 ? ": " : at === comparedWith.moved.length - 1 ? " and " : ", ";
    return [
      joint,
      characteristic.includes(to) ? { lit: note } : note,
      ` in place of ${noteText(home + from)}`,
    ];
  });
  // Of a set without a name the nearest named one is told already.
  const nearer = isNamed(mode) ? nearerReference(mode, convention) : undefined;
  return [
    `${capital(referenceText(comparedWith))} ${differenceText(comparedWith)}`,
    ...pairs,
    ". ",
    nearer ? `Nearer still: ${nearText(nearer)}. ` : "",
  ];
}

/** "Phrygian with 3", "minor blues without ♭5". */
function nearText({ mode, moved, dropped, added }: Reference): string {
  const has = [...moved.map(({ to }) => to), ...added].map(degreeText);
  return [
    inTitle(modeText(mode)),
    has.length > 0 ? `with ${listText(has)}` : "",
    dropped.length > 0 ? `without ${listText(dropped.map(degreeText))}` : "",
  ]
    .filter((part) => part !== "")
    .join(" ");
}

/** "♭2 and 5", "♭2, ♯4 and 5". */
const setText = (set: readonly Interval[]): string => listText(set.map(degreeText));

/** How many modes that hold every note are named before the rest are counted. */
const HOLDERS = 3;

/** "the other minor modes of the major scale": those of the seven with the mode's own third. */
function modesOfMajorText(mode: Mode): string {
  const third = thirdOf(mode);
  const kind = third === undefined ? "" : third === 4 ? "major " : third === -3 ? "minor " : "";
  return `the ${SEVEN.includes(mode) ? "other " : ""}${kind}modes of the major scale`;
}

/** "Locrian has it too, with ♭5": which of the seven with the same third have the characteristic notes as well, or that none has. */
function sharedText(mode: Mode, characteristic: readonly Interval[]): string {
  const it = characteristic.length === 1 ? "it" : characteristic.length === 2 ? "both" : "them all";
  const sharing = SEVEN.filter(
    (other) =>
      other.sounds !== mode.sounds &&
      thirdOf(other) === thirdOf(mode) &&
      characteristic.every((interval) => holds(other.sounds, halfSteps(interval))),
  );
  if (sharing.length === 0) return `: none of ${modesOfMajorText(mode)} has ${it}.`;
  const named = sharing.map((other) => {
    const apart = differenceFrom(mode, other).moved.map(({ to }) => degreeText(to));
    return `${inTitle(modeText(other))}${apart.length > 0 ? ` (with ${listText(apart)})` : ""}`;
  });
  return `; ${listText(named)} ${named.length === 1 ? "has" : "have"} ${it} too.`;
}

/** What teachers name: "The natural 6 (B) is its characteristic note: none of the other minor modes of the major scale has it." */
function characteristicSentence(
  { home, mode }: HomeMode,
  { reference: convention }: Conventions,
): readonly Phrase[] {
  const characteristic = characteristicOf(mode);
  if (characteristic.length === 0) return [holdersSentence(mode)];
  const altered = new Set(reference(mode, convention).moved.map(({ to }) => to));
  const said = (interval: Interval) =>
    altered.has(interval) && accidentalsOf(interval) === 0
      ? `natural ${degreeText(interval)}`
      : degreeText(interval);
  const named = characteristic.flatMap((interval, at): readonly Phrase[] => [
    at === 0 ? "The " : at === characteristic.length - 1 ? " and " : ", ",
    `${said(interval)} (`,
    { lit: noteText(home + interval) },
    ")",
  ]);
  const isOne = characteristic.length === 1;
  return [
    ...named,
    isOne ? " is its " : " are its ",
    { term: isOne ? "characteristic note" : "characteristic notes" },
    sharedText(mode, characteristic),
    tensionsText(mode),
  ];
}

/** "Played as a dominant, it has the tensions ♭9, ♯9 and ♭13." Nothing for a mode that isn't played so. */
function tensionsText(mode: Mode): string {
  const dominant = dominantHome(mode);
  if (!dominant) return "";
  const sharpEleventh =
    holds(mode.sounds, halfSteps(SHARP_ELEVENTH)) && !dominant.includes(1) ? [SHARP_ELEVENTH] : [];
  const tensions = TENSIONS.filter((each) => dominant.includes(each) || sharpEleventh.includes(each));
  return ` Played as a dominant chord, it has the tensions ${listText(tensions.map(tensionText))}.`;
}

const SHARP_ELEVENTH = degreeOf("#4");
/** In the order of a chord symbol: ♭9 ♯9 ♯11 ♭13. */
const TENSIONS = ["b2", "#2", "#4", "b6"].map(degreeOf);
const tensionText = (interval: Interval): string =>
  `${degreeText(interval).replaceAll(/\d/gu, "")}${degreeNumber(interval) + 7}`;

/** A scale that others hold whole: "No single note identifies this scale: …. What's missing does: it has no 4 and no 7." */
function holdersSentence(mode: Mode): string {
  const holders = holdersOf(mode, "seven");
  const named = holders.slice(0, HOLDERS).map((each) => inTitle(modeText(each)));
  const rest = holders.length > HOLDERS ? [`${numberText(holders.length - HOLDERS)} more`] : [];
  const letters = new Set(mode.intervals.map(degreeNumber));
  const missing = [2, 3, 4, 5, 6, 7].filter((number) => !letters.has(number)).map((number) => `no ${number}`);
  const gap = missing.length === 0 ? "" : ` What’s missing does: it has ${listText(missing)}.`;
  return `No single note identifies this scale: ${listText([...named, ...rest])} ${holders.length === 1 ? "has" : "have"} all its notes.${gap}`;
}

/** "6", or every smallest set that no mode of the comparison has: "♭2 with 4 · ♭2 with 5". */
export function distinguishingText({ mode }: HomeMode, { comparison }: Conventions): string {
  const sets = distinguishing(mode, comparison);
  if (sets.length === 0) return "nothing: another of them has all its notes";
  return sets.map((set) => (set.length === 0 ? "its third" : setText(set))).join(" · ");
}

/** What is compared with, as a choice says it. */
export const COMPARISON_TEXT: Readonly<Record<Comparison, string>> = {
  usual: "the seven and its own parent",
  parent: "its own parent",
  seven: "the seven of major",
  catalogue: "all named modes of its size",
};

export const REFERENCE_TEXT: Readonly<Record<ReferenceConvention, string>> = {
  "by-third": "major or minor, by its third",
  major: "major always",
  nearest: "the nearest of the seven",
};

/** A scale that is not in the catalogue: the nearest that is. */
function unnamedSentence({ home, mode }: HomeMode): readonly Phrase[] {
  if (isNamed(mode)) return [];
  const [near] = nearestNamed(mode, 1);
  return [near ? `Not in the catalogue. Nearest: ${nearNamedText(home, near)}. ` : "Not in the catalogue. "];
}

/** The panel's opening: what the mode is, and what tells it. */
export function whatItIs(homeMode: HomeMode, conventions: Conventions): readonly Phrase[] {
  const { mode } = homeMode;
  const characteristic = characteristicOf(mode);
  return [
    ...unnamedSentence(homeMode),
    ...referenceSentence(homeMode, characteristic, conventions.reference),
    ...characteristicSentence(homeMode, conventions),
  ];
}
