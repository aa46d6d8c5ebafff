import { type Fifths, soundOf } from "@/core/pitch";
import { type ChartChord, chordNotes } from "@/core/chord";
import type { Decision, Fit, OneModeReading } from "@/core/progression";
import {
  capital,
  countText,
  degreeText,
  homeModeText,
  inTitle,
  modeText,
  listText,
  noteText,
  type Phrase,
} from "./names";

const notesText = (notes: readonly Fifths[]) => listText(notes.map(noteText));

const unique = (notes: readonly Fifths[]) => [
  ...new Map(notes.map((note) => [soundOf(note), note])).values(),
];

/** "E Dorian throughout; C is outside in one chord." */
export function readingText({ homeMode, outside }: OneModeReading): string {
  const name = `${homeModeText(homeMode)} throughout`;
  if (outside.length === 0) return `${name}; nothing outside`;
  const chords = new Set(outside.map(({ at }) => at)).size;
  const notes = unique(outside.map(({ note }) => note));
  return `${name}; ${notesText(notes)} ${notes.length === 1 ? "is" : "are"} outside in ${countText(chords, "chord")}`;
}

const ROLES: Readonly<Record<string, string>> = {
  "1": "root",
  "♭3": "third",
  "3": "third",
  "4": "fourth",
  "♭5": "fifth",
  "5": "fifth",
  "♯5": "fifth",
  "6": "sixth",
  "♭7": "seventh",
  "7": "seventh",
  "2": "ninth",
  "♭2": "flat ninth",
  "♯2": "sharp ninth",
  "♯4": "sharp eleventh",
  "♭6": "flat thirteenth",
};

/** "third" for ♭3 and 3; the degree itself where it has no such name. */
export const roleText = (role: number): string => ROLES[degreeText(role)] ?? degreeText(role);

/** What to do with the signal note of a chord, in the wording of both schools. */
export function signalSentence(
  chart: readonly ChartChord[],
  at: number,
  signal: readonly Fifths[],
  reading: OneModeReading,
): readonly Phrase[] {
  const chord = chart[at]?.chord;
  const [first, ...rest] = signal;
  if (!chord) return ["Nobody could read this one. It keeps its place, and the reading goes round it."];
  const neighbours = [chart[at - 1], chart[at + 1]].flatMap((each) =>
    each?.chord ? [symbolText(each.symbol)] : [],
  );
  const others = [...new Set(neighbours)];
  if (others.length === 0) return ["Alone it has no neighbour to be told from. Add another chord."];
  if (first === undefined)
    return [
      `Every note of it is in ${listText(others, "or")} as well: nothing in it says that the chord has changed.`,
    ];
  const also = rest.length === 0 ? "" : ` (${notesText(rest)} too)`;
  const none =
    others.length === 1 ? `${others[0] ?? ""} does not have it` : `Neither ${listText(others, "nor")} has it`;
  return [
    "Signal note: ",
    { lit: noteText(first) },
    `, its ${roleText(first - chord.root)}${also}. ${none}, so it says that the chord has changed. Save it for here, or use it throughout for ${homeModeText(reading.homeMode)}.`,
  ];
}

/** Chord symbols as typed, with real accidentals. */
export const symbolText = (symbol: string): string =>
  symbol.replaceAll("#", "♯").replaceAll(/(?<=[A-Ga-g])b|b(?=\d)/g, "♭");

/** "C♯ in bars 2 and 4 makes it Dorian; C in bar 5 would make it Aeolian." */
export function decisionText(
  { between, by, first, second, differ }: Decision,
  chart: readonly ChartChord[],
): string {
  const [one, other] = between;
  if (by === "home") {
    return `${homeModeText(other)} has the same notes; only the home tells them apart`;
  }
  const told = (notes: readonly Fifths[]) => notesText(notes);
  if (by === "open") {
    return `Nothing here decides against ${homeModeText(other)}: ${told(differ[0])} would make it ${inTitle(modeText(one.mode))}, ${told(differ[1])} ${inTitle(modeText(other.mode))}`;
  }
  const holders = first.length > 0 ? first : second;
  const notes = unique(holders.map(({ note }) => note));
  const [holder] = holders;
  const place = holder ? chart[holder.at] : undefined;
  const role =
    notes.length === 1 && holder && place?.chord
      ? `, the ${roleText(holder.role)} of ${symbolText(place.symbol)},`
      : "";
  const bars = barsText(holders.map(({ at }) => chart[at]?.bar ?? 0));
  if (first.length === 0) {
    return `${capital(told(notes))}${role} in ${bars} leans towards ${homeModeText(other)}`;
  }
  const against =
    second.length === 0
      ? `${told(differ[1])} would make it ${inTitle(modeText(other.mode))}`
      : `${told(unique(second.map(({ note }) => note)))} in ${barsText(second.map(({ at }) => chart[at]?.bar ?? 0))} leans towards ${inTitle(modeText(other.mode))}`;
  return `${told(notes)}${role} in ${bars} makes it ${inTitle(modeText(one.mode))}; ${against}`;
}

/** "bar 2", "bars 2 and 4", "5 bars". */
export function barsText(bars: readonly number[]): string {
  const all = [...new Set(bars)];
  if (all.length > 4) return `${all.length} bars`;
  return `${all.length === 1 ? "bar" : "bars"} ${listText(all.map(String))}`;
}

/** "A C♯ E G, with B and F♯ above". */
export function tonesText(chord: NonNullable<ChartChord["chord"]>): string {
  const notes = chordNotes(chord);
  const seventh = notes.slice(0, 4).map(noteText).join(" ");
  const above = notes.slice(4);
  return above.length === 0 ? seventh : `${seventh}, with ${notesText(above)} above`;
}

/** "D, a half step over the third". */
export function rubsText({ rubs }: Fit, chord: NonNullable<ChartChord["chord"]>): string {
  if (rubs.length === 0) return "none";
  return rubs
    .map((rub) => {
      const under = chordNotes(chord).find((tone) => soundOf(tone + 7) === soundOf(rub)) ?? chord.root;
      return `${noteText(rub)}, a half step over the ${roleText(under - chord.root)}`;
    })
    .join("; ");
}

export const outsideText = ({ outside }: Fit): string => (outside.length === 0 ? "none" : notesText(outside));
