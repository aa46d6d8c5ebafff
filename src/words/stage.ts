import { printPitch } from "@/core/pitch";
import type {
  Inflection,
  VoicingKind,
  BadMeasure,
  LineFigure,
  Moves,
  Order,
  Position,
  PositionNote,
  System,
  Tuning,
  Voicing,
} from "@/core/instrument";
import { maybeInstrument, touchingFingers, TUNING_LIMITS } from "@/core/instrument";
import type { Chord } from "@/core/chord";
import type { Fifths } from "@/core/pitch";
import type { HomeMode } from "@/core/scale";
import type { Division, Labels, Settings } from "@/storage";
import {
  capital,
  chordText,
  countText,
  degreeText,
  homeModeText,
  listText,
  noteText,
  ordinalText,
} from "./names";
import { RHYTHM_TEXT } from "./playing";

/** "E2 A2 D3 G3 B3 E4", as it can be typed. */
export const typedStrings = ({ strings }: Pick<Tuning, "strings">): string =>
  strings.map((pitch) => printPitch(pitch)).join(" ");

/** Why a measure cannot be, and what would do. */
export const MEASURE_TEXT: Readonly<Record<BadMeasure, string>> = {
  frets: `Use ${TUNING_LIMITS.frets.join(" to ")} frets.`,
  scaleLength: `Use ${TUNING_LIMITS.scaleLength.join(" to ")} mm from nut to bridge; a guitar has about 648.`,
  capo: "The capo must leave four frets; 0 takes it off.",
};

export const DIVISION_TEXT: Readonly<Record<Division, string>> = {
  position: "Position",
  whole: "Whole neck",
  line: "Line",
  voicing: "Voicing",
};

const SYSTEM_TEXT: Readonly<Record<System, string>> = {
  "five-positions": "Five positions",
  "three-per-string": "Three notes a string",
  "pentatonic-frame": "Pentatonic frame",
  "octave-pairs": "Octave pairs",
  "one-string": "One string",
  open: "Open position",
};

/** What is chosen from a list, each with its text. */
export const optionsOf = <T extends string>(values: readonly T[], text: Readonly<Record<T, string>>) =>
  values.map((value) => ({ value, text: text[value] }));

/** What is shown of a mode, as a title: "D Dorian, line". */
export const stageTitle = (homeMode: string, division: string): string =>
  division === "whole" ? `${homeMode}, whole neck` : `${homeMode}, ${division}`;

/** A way to divide a neck; on a fiddle positions are numbered, and there are more than five. */
export const systemText = (system: System, { hand }: Pick<Tuning, "hand">): string =>
  hand === 7 && system === "five-positions" ? "Positions" : SYSTEM_TEXT[system];

export const LABELS_TEXT: Readonly<Record<Labels, string>> = {
  notes: "notes",
  degrees: "degrees",
  syllables: "syllables",
  fingers: "fingers",
  none: "nothing",
};

export const ORDER_TEXT: Readonly<Record<Order, string>> = {
  "up-and-down": "up and down",
  "from-home": "from home and back",
};

export const FIGURE_TEXT: Readonly<Record<LineFigure, string>> = {
  scale: "the scale",
  thirds: "thirds",
  fourths: "fourths",
  triads: "triads",
  "three-note-groups": "groups of three",
  "four-note-groups": "groups of four",
  arpeggios: "1 3 5 7 9 8 on each degree",
};

export const NO_ROOM_FOR_POSITION =
  "There’s no room for this on the neck. Divide it another way under Display, or draw more frets.";

export const NO_ROOM_FOR_LINE = "This neck is too short for it. Try one octave or another line.";

/** "15 notes, home to home". */
export const lineText = (notes: number): string => `${countText(notes, "note")}, home to home`;

/** Why a chord has no voicing here, and what would do. */
export const noVoicingText = (chord: Chord, kind: VoicingKind | undefined): string =>
  kind === undefined
    ? `Four fingers can’t hold ${chordText(chord)} on these strings within your stretch. Try fewer notes, another tuning or a wider stretch.`
    : `There’s no ${VOICING_KIND_TEXT[kind]} voicing of ${chordText(chord)} here. Try any voicing.`;

/** Where on the string: frets, or half steps where there are none. */
const placeWord = ({ isFretted }: Tuning): string => (isFretted ? "fret" : "half step");

/** "at fret 5", "at the nut", "at the capo": where the hand stands. */
export function handText({ hand }: Position, tuning: Tuning): string {
  if (hand > tuning.capo) return `at ${placeWord(tuning)} ${hand}`;
  return tuning.capo > 0 ? "at the capo" : "at the nut";
}

/** "E shape", "from 5", "string 3", "open strings". */
export function positionText({ name }: Position): string {
  switch (name.code) {
    case "shape":
      return `${name.shape} shape`;
    case "from":
      return `from ${degreeText(name.interval)}`;
    case "pairs":
      return `from ${degreeText(name.interval)}, ${name.division.join(" + ")}`;
    case "position":
      return `${ordinalText(name.number)} position`;
    case "string":
      return `string ${name.string}`;
    case "open":
      return "open strings";
  }
}

/** "Fingers 2 and 3 touch on string 4, 1 and 2 on strings 3 and 2": half steps under neighbouring fingers. */
export function touchingText(notes: readonly PositionNote[]): string {
  const byFingers = new Map<string, number[]>();
  for (const { string, fingers } of touchingFingers(notes)) {
    const key = fingers.join(" and ");
    const strings = byFingers.get(key) ?? [];
    byFingers.set(key, strings.includes(string) ? strings : [...strings, string]);
  }
  const said = [...byFingers].map(
    ([fingers, strings]) =>
      `${fingers} on ${strings.length === 1 ? "string" : "strings"} ${listText(strings.map(String))}`,
  );
  return said.length === 0 ? "No fingers touch here" : `Fingers that touch: ${said.join("; ")}`;
}

/** "home on string 5 fret 5 and string 3 fret 7". */
export function homesText(notes: readonly PositionNote[], tuning: Tuning): string {
  const homes = notes.filter(({ interval }) => interval === 0);
  if (homes.length === 0) return "no home under the hand here";
  return `home on ${listText(homes.map(({ string, fret }) => `string ${string} ${placeWord(tuning)} ${fret}`))}`;
}

/** "B♭ to B: string 3 fret 3 to 4, string 1 fret 6 to 7"; another string is named where the note changes to one. */
export function movesText({ moved, dropped, added }: Moves, home: Fifths, tuning: Tuning): string {
  const word = placeWord(tuning);
  const pairs = new Map<string, string[]>();
  for (const { from, to, fromInterval, toInterval } of moved) {
    const key = `${noteText(home + fromInterval)} to ${noteText(home + toInterval)}`;
    const there = from.string === to.string ? String(to.fret) : `string ${to.string} ${word} ${to.fret}`;
    pairs.set(key, [...(pairs.get(key) ?? []), `string ${from.string} ${word} ${from.fret} to ${there}`]);
  }
  const names = (intervals: readonly Fifths[]) => listText(intervals.map((each) => noteText(home + each)));
  return [
    ...[...pairs].map(([key, places]) => `${key}: ${places.join(", ")}`),
    ...(dropped.length > 0 ? [`without ${names(dropped)}`] : []),
    ...(added.length > 0 ? [`with ${names(added)} besides`] : []),
  ].join("; ");
}

const millimetres = (mm: number): string => `${Math.round(mm)} mm`;

/** How wide the hand opens where that is past the limit, in short: "opens 126 mm, past your 110". */
export const stretchText = ({ stretchMm, easier }: Position, limit: number, isEased: boolean): string =>
  isEased && easier
    ? `no more than ${millimetres(easier.stretchMm)} with ${countText(shiftsIn(easier.notes), "shift")}`
    : `opens ${millimetres(stretchMm)}, past your ${Math.round(limit)}`;

const shiftsIn = (notes: readonly PositionNote[]): number => notes.filter(({ isShift }) => isShift).length;

/** The same in full, with what can be done. */
export function stretchCaution({ stretchMm, easier }: Position, limit: number): string {
  const wide = `The hand opens ${millimetres(stretchMm)} here, past the ${millimetres(limit)} that you find comfortable. Stop if it hurts.`;
  return easier
    ? `${wide} With ${countText(shiftsIn(easier.notes), "shift")} it opens ${millimetres(easier.stretchMm)}.`
    : `${wide} A position higher up asks less.`;
}

/** How a voicing is built. */
export const VOICING_KIND_TEXT: Readonly<Record<VoicingKind, string>> = {
  open: "open",
  barre: "barre",
  shell: "shell",
  "drop-2": "drop 2",
  "drop-3": "drop 3",
};

/** "F on string 1: Em(add♭9)". */
export const inflectionText = ({ note, string, chord }: Inflection): string =>
  `${noteText(note)} on string ${string}: ${chordText(chord)}`;

/** "A C♯ G B F♯, the 5 left out, 77 mm". */
export function voicingText({ omitted, stretchMm }: Voicing, names: readonly Fifths[]): string {
  const left = omitted.length === 0 ? "" : `, ${listText(omitted.map(degreeText))} left out`;
  return `${names.map(noteText).join(" ")}${left}${stretchMm > 0 ? `, ${millimetres(stretchMm)}` : ""}`;
}

/** The page's title: what it is about, the view, the application. */
export const titleText = (homeMode: HomeMode, subject: string | undefined, view: string): string =>
  [subject ?? homeModeText(homeMode), view, "Shade"].filter((part) => part !== "").join(" · ");

/** The answer about a mode, for those who hear it: its name and its characteristic notes. */
export const answerText = (homeMode: HomeMode, characteristic: readonly Fifths[]): readonly string[] => [
  `${homeModeText(homeMode)}.`,
  characteristic.length === 0
    ? "No characteristic note."
    : `Characteristic ${characteristic.length === 1 ? "note" : "notes"} ${listText(characteristic.map(noteText))}.`,
];

export const STAND_KEYS = "Pages and arrows step, space and enter play, escape leaves.";

export const FINDING_VOICINGS = "looking for them";

/**
 * What is practised, for the music stand: figure or what is shown, rhythm, tempo, and which time round it is.
 *
 * @example standText({ division: "line", figure: "thirds", octaves: 1, rhythm: "eighths", tempo: 96, round: 2 })
 * // "Thirds, one octave · eighths · 96 bpm · repeat 3"
 */
export function standText({
  division,
  figure,
  octaves,
  rhythm,
  tempo,
  round,
}: Pick<Settings, "figure" | "octaves" | "rhythm"> & {
  readonly division: Division;
  readonly tempo: number;
  readonly round: number | undefined;
}): string {
  const what =
    division === "line"
      ? `${capital(FIGURE_TEXT[figure])}, ${countText(octaves, "octave")}`
      : DIVISION_TEXT[division];
  return [
    what,
    ...(division === "position" || division === "line" ? [RHYTHM_TEXT[rhythm]] : []),
    `${tempo} bpm`,
    ...(round === undefined ? [] : [`repeat ${round + 1}`]),
  ].join(" · ");
}

/** "Guitar, drop D, capo 2": what a sheet is for. */
export function playedOnText(instrument: string, tuning: Pick<Tuning, "name" | "capo"> | undefined): string {
  const strings = tuning ? [tuning.name] : [];
  return [
    maybeInstrument(instrument)?.name ?? instrument,
    ...strings,
    ...(tuning && tuning.capo > 0 ? [`capo ${tuning.capo}`] : []),
  ].join(", ");
}

export const HIDDEN_STAGE = "The stage shows nothing until you answer.";

/** What the stage is called while it shows nothing and can be struck. */
export const BLANK_STAGE = "Nothing is marked";
