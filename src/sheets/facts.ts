import { halfSteps } from "@/core/pitch";
import { diatonicChords } from "@/core/chord";
import { type HomeMode, characteristicOf, stepsOf } from "@/core/scale";
import {
  chordText,
  degreeText,
  intervalText,
  noteText,
  romanText,
  type Conventions,
  solfegeNote,
} from "@/words";

/** One degree of a mode, in words, as the sheet and its table list it. */
export interface DegreeFacts {
  readonly note: string;
  readonly degree: string;
  readonly halfSteps: number;
  readonly interval: string;
  /** Half steps to the next note. */
  readonly step: number;
  readonly solfege: string;
  readonly isCharacteristic: boolean;
  readonly roman: string;
  readonly triad: string;
  readonly seventh: string;
}

/** What there is to say of each degree of a mode. */
export function degreeFacts(homeMode: HomeMode, conventions: Conventions): readonly DegreeFacts[] {
  const { home, mode } = homeMode;
  const steps = stepsOf(mode.intervals.map(halfSteps));
  const characteristic = characteristicOf(mode);
  return diatonicChords(homeMode).map(({ degree, chords, roman }, at) => ({
    note: noteText(home + degree),
    degree: degreeText(degree),
    halfSteps: halfSteps(degree),
    interval: intervalText(degree),
    step: steps[at] ?? 0,
    solfege: solfegeNote(home + degree, homeMode, conventions.syllables),
    isCharacteristic: characteristic.includes(degree),
    roman: romanText(roman),
    triad: chords.triad ? chordText(chords.triad) : "",
    seventh: chords.seventh ? chordText(chords.seventh) : "",
  }));
}

/** The sheet as rows of a table, its heads first. */
export function sheetRows(homeMode: HomeMode, conventions: Conventions): readonly (readonly string[])[] {
  return [
    [
      "Degree",
      "Note",
      "Half steps",
      "Interval",
      "Step to next",
      "Solfège",
      "Characteristic note",
      "Roman",
      "Triad",
      "Seventh",
    ],
    ...degreeFacts(homeMode, conventions).map((each) => [
      each.degree,
      each.note,
      String(each.halfSteps),
      each.interval,
      String(each.step),
      each.solfege,
      each.isCharacteristic ? "yes" : "no",
      each.roman,
      each.triad,
      each.seventh,
    ]),
  ];
}

/** Breaks a text into lines of at most so many characters, at spaces. */
export function linesOf(text: string, most: number): readonly string[] {
  const lines: string[] = [];
  for (const word of text.split(/\s+/u).filter((each) => each !== "")) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= most)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}
