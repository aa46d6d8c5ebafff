import { accidentalsOf, degreeNumber, type Interval } from "@/core/pitch";
import {
  characteristicNotes,
  type Comparison,
  type Difference,
  extentOf,
  familyOf,
  type HomeMode,
  holdersOf,
  isNamed,
  type Mode,
  nearerReference,
  nearestNamed,
  neighboursSharing,
  type Reference,
  reference,
  type ReferenceConvention,
  SEVEN,
  shownCharacteristic,
  thirdOf,
} from "@/core/scale";
import {
  capital,
  degreeText,
  familyText,
  intervalText,
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
  const told = reference(mode, convention);
  if (extentOf(told) === 0) return [`${capital(referenceText(told))} itself. `];
  const pairs = told.moved.flatMap(({ from, to }, at): readonly Phrase[] => {
    const note = noteText(home + to);
    const joint = at === 0 ? ": " : at === told.moved.length - 1 ? " and " : ", ";
    return [
      joint,
      characteristic.includes(to) ? { lit: note } : note,
      ` in place of ${noteText(home + from)}`,
    ];
  });
  // Of a set without a name the nearest named one is told already.
  const nearer = isNamed(mode) ? nearerReference(mode, convention) : undefined;
  return [
    `${capital(referenceText(told))} ${differenceText(told)}`,
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

/** What a mode is compared with, as the subject of a claim: "none of the other minor modes of the major scale". */
function noneOfThemText(mode: Mode, comparison: Comparison): string {
  const third = thirdOf(mode);
  const kind = third === undefined ? "" : third === 4 ? "major " : third === -3 ? "minor " : "";
  const isSeven = SEVEN.includes(mode);
  switch (comparison) {
    case "seven":
    case "usual":
      return comparison === "seven" || isSeven
        ? `none of the ${isSeven ? "other " : ""}${kind}modes of the major scale`
        : `none of the ${kind}modes of the major scale, of its own parent, or one note away in melodic and harmonic minor`;
    case "parent":
      return `none of the other ${kind}modes of ${familyText(familyOf(mode))}`;
    case "catalogue":
      return `no other ${kind}scale of ${numberText(mode.intervals.length)} notes in the catalogue`;
  }
}

/** What tells the mode from those it is compared with: "The natural 6 (B) is its characteristic note: none of … has it." */
function characteristicSentence(
  { home, mode }: HomeMode,
  { comparison, reference: convention }: Conventions,
): readonly Phrase[] {
  const [first, ...others] = characteristicNotes(mode, comparison, convention);
  const third = thirdOf(mode);
  if (!first) return [holdersSentence(mode, comparison)];
  if (first.length === 0)
    return [
      third === undefined
        ? "Nothing that it is compared with is like it."
        : `Its ${intervalText(third)} alone sets it apart: ${noneOfThemText(mode, comparison)} has one.`,
    ];
  const altered = new Set(reference(mode, convention).moved.map(({ to }) => to));
  const said = (interval: Interval) =>
    altered.has(interval) && accidentalsOf(interval) === 0
      ? `natural ${degreeText(interval)}`
      : degreeText(interval);
  const named = first.flatMap((interval, at): readonly Phrase[] => [
    at === 0 ? "The " : at === first.length - 1 ? " and " : ", ",
    `${said(interval)} (`,
    { lit: noteText(home + interval) },
    ")",
  ]);
  const isOne = first.length === 1;
  const all = isOne ? "it" : first.length === 2 ? "both" : `all ${numberText(first.length)}`;
  return [
    ...named,
    isOne ? " is its " : " are its ",
    { term: isOne ? "characteristic note" : "characteristic notes" },
    `: ${noneOfThemText(mode, comparison)} has ${all}.`,
    insteadText(others),
    sharingText(mode, isOne, { comparison, reference: convention }),
  ];
}

/** "♭2 and 7 together do the same.", or how many sets do. */
function insteadText(others: readonly (readonly Interval[])[]): string {
  if (others.length === 0) return "";
  if (others.length > 2) return ` ${capital(numberText(others.length))} other sets do the same.`;
  const [one = [], other] = others;
  const verb = one.length === 1 ? " does" : " do";
  const joint = one.length === 1 ? verb : ` together${verb}`;
  if (!other) return ` ${capital(setText(one))}${joint} the same.`;
  return ` ${capital(setText(one))}${one.length === 1 ? "" : " together"}, or ${setText(other)},${verb} the same.`;
}

/** Neighbours that are named. */
const NEIGHBOURS = 3;

/** The modes one note away that have the characteristic notes too, though they are not compared with, each with the note that differs. */
function sharingText(
  mode: Mode,
  isOne: boolean,
  comparedBy: Pick<Conventions, "comparison" | "reference">,
): string {
  const near = neighboursSharing(mode, comparedBy).slice(0, NEIGHBOURS);
  if (near.length === 0) return "";
  const named = near.map(
    ({ mode: other, from, to }) => `${inTitle(modeText(other))} (${degreeText(to)} for ${degreeText(from)})`,
  );
  const scales = near.length === 1 ? "One scale a note away has" : "Scales one note away have";
  return ` ${scales} ${isOne ? "it" : "them"} too: ${listText(named)}.`;
}

/** A scale that others hold whole: "No single note identifies this scale: …. What's missing does: it has no 4 and no 7." */
function holdersSentence(mode: Mode, comparison: Comparison): string {
  const holders = holdersOf(mode, comparison);
  const named = holders.slice(0, HOLDERS).map((each) => inTitle(modeText(each)));
  const rest = holders.length > HOLDERS ? [`${numberText(holders.length - HOLDERS)} more`] : [];
  const letters = new Set(mode.intervals.map(degreeNumber));
  const missing = [2, 3, 4, 5, 6, 7].filter((number) => !letters.has(number)).map((number) => `no ${number}`);
  const gap = missing.length === 0 ? "" : ` What’s missing does: it has ${listText(missing)}.`;
  return `No single note identifies this scale: ${listText([...named, ...rest])} ${holders.length === 1 ? "has" : "have"} all its notes.${gap}`;
}

/** "6", or every smallest set where there are several: "♭2 with 4 · ♭2 with 5". */
export function everySetText({ mode }: HomeMode, { comparison, reference: convention }: Conventions): string {
  const sets = characteristicNotes(mode, comparison, convention);
  if (sets.length === 0) return "none";
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
  const characteristic = shownCharacteristic(mode, conventions);
  return [
    ...unnamedSentence(homeMode),
    ...referenceSentence(homeMode, characteristic, conventions.reference),
    ...characteristicSentence(homeMode, conventions),
  ];
}
