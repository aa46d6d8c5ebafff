import { printDegree, printName, soundOf, type Interval, degreeNumber } from "../pitch";
import { soundSet } from "../scale";
import { type Chord, chordNotes, chordSuffix } from "./chord";
import { readSymbol } from "./read";

const FIFTHS: readonly Interval[] = [1, -6, 8];
const UP_TO_SEVENTH = new Set([0, -3, 4, 1, -6, 8, -9, -2, 5]);

/**
 * The chord's symbol in ASCII, exact enough to be read back to the same notes: a fifth that the chord has not is left out by
 * name, and where an extension would bring notes that are not there each upper tone is added by itself.
 *
 * @example exactSymbol({ root: 2, tones: [0, -1, -2], optional: [] }) // "D7sus4no5"
 */
export function exactSymbol({ root, tones, bass }: Chord): string {
  const noFifth = FIFTHS.some((tone) => tones.includes(tone)) ? "" : "no5";
  const noThird = [4, -3].some((tone) => tones.includes(tone)) ? "" : "no3";
  const slash = bass === undefined ? "" : `/${printName(bass)}`;
  const core = tones.filter((tone) => UP_TO_SEVENTH.has(tone));
  const withFifth = noFifth === "" ? core : [...core, 1];
  const added = tones
    .filter((tone) => !UP_TO_SEVENTH.has(tone))
    .map((tone) => {
      const number = degreeNumber(tone);
      return `add${printDegree(tone).slice(0, -1)}${number + 7}`;
    });
  const spelledOut = printName(root) + chordSuffix(withFifth, "ascii").replace("no3", "") + added.join("");
  const choices = [
    printName(root) + chordSuffix(tones, "ascii"),
    printName(root) + chordSuffix(tones, "ascii") + noFifth,
    `${spelledOut}${noThird}${noFifth}`,
  ];
  const wanted = soundSet(tones.map((tone) => soundOf(root + tone)));
  const same = (symbol: string) => {
    const reading = readSymbol(symbol);
    return "chord" in reading && soundSet(chordNotes(reading.chord).map(soundOf)) === wanted;
  };
  return (choices.find(same) ?? choices[1] ?? "") + slash;
}
