import { degreeNumber, type Interval, type NameForm, printDegree, printName, soundOf } from "../pitch";
import { pitchClassSet } from "../scale";
import type { Chord } from "./chord";
import { ALTERED_CHORD } from "./dominant-home";
import { tonesFromSounds } from "./name";
import { readSymbol } from "./read";

/** Tones that symbols have a way to write; others are named by their sound. */
const SPELLED: ReadonlySet<Interval> = new Set([
  0, -3, 4, 1, -6, 8, -9, -2, 5, -5, 2, 9, -1, 6, -8, -4, 3, 10,
]);

const HALF_DIMINISHED = [0, -3, -6, -2];
const DIMINISHED_SEVENTH = [0, -3, -6, -9];

/** Whether the chord has exactly these tones, in any order. */
function isExactly(tones: readonly Interval[], wanted: readonly Interval[]): boolean {
  return tones.length === wanted.length && wanted.every((tone) => tones.includes(tone));
}

/** Suffixes by the tones that they are made of: there are few, and they are asked for again and again. */
const SUFFIXES = new Map<string, { readonly ascii: string; readonly signs: string }>();
const MAX_SUFFIXES = 4096;

/**
 * What follows the root in a chord symbol, as players write it: "m9", "13", "maj7♯11", "m7♭5", "7sus4", "°". It says no tone that is
 * not there: read again, it has the same notes, those that players may leave out included.
 *
 * The highest unaltered extension names the chord (9, 11, 13); those below it go unsaid, altered ones follow in order.
 *
 * @example chordSuffix([0, 4, 1, -2, 2, 3], "ascii") // "13"
 * @example chordSuffix([0, -3, 1, -9], "ascii") // "m6": B D F♯ A♭ has no seventh
 */
export function chordSuffix(tones: readonly Interval[], form: NameForm): string {
  const key = tones.join(" ");
  const known = SUFFIXES.get(key) ?? exactSuffix(tones);
  if (SUFFIXES.size < MAX_SUFFIXES) SUFFIXES.set(key, known);
  return known[form];
}

const ALTERED = pitchClassSet(ALTERED_CHORD.map(soundOf));
const FIFTHS: readonly Interval[] = [1, -6, 8];
const UP_TO_SEVENTH: ReadonlySet<Interval> = new Set([0, -3, 4, 1, -6, 8, -9, -2, 5]);

/** The plainest spelling that is read again as the same notes; the last resort adds every tone by itself. */
function exactSuffix(asked: readonly Interval[]): { readonly ascii: string; readonly signs: string } {
  const wanted = pitchClassSet(asked.map(soundOf));
  if (wanted === ALTERED) return { ascii: "7alt", signs: "7alt" };
  const respelled = tonesFromSounds(asked.map(soundOf)).tones;
  const choices = [asked, respelled].flatMap((tones) => {
    const noFifth = tones.some((tone) => FIFTHS.includes(tone)) ? "" : "no5";
    const isDouble = tones.includes(5) && tones.includes(-2);
    const core = tones.filter((tone) => UP_TO_SEVENTH.has(tone) && !(isDouble && tone === -2));
    const added = (form: NameForm) =>
      tones.filter((tone) => !UP_TO_SEVENTH.has(tone)).map((tone) => addedText(tone, form));
    const noThird = tones.some((tone) => tone === 4 || tone === -3) ? "" : "no3";
    const withFifth = noFifth === "" ? core : [...core, 1];
    const spelledOut = (form: NameForm) =>
      plainSuffix(withFifth, form).replace("no3", "") +
      added(form).join("") +
      (isDouble ? flatSeventh(form) : "") +
      noThird +
      noFifth;
    const hung = noThird === "" ? undefined : [-1, 2].find((tone) => tones.includes(tone));
    const hanging = (form: NameForm) =>
      plainSuffix([...withFifth, hung ?? 0], form) +
      tones
        .filter((tone) => !UP_TO_SEVENTH.has(tone) && tone !== hung)
        .map((tone) => addedText(tone, form))
        .join("") +
      noFifth;
    return [
      (form: NameForm) => plainSuffix(tones, form),
      (form: NameForm) => plainSuffix(tones, form) + noFifth,
      ...(hung === undefined ? [] : [hanging]),
      spelledOut,
    ];
  });
  const isExact = (write: (form: NameForm) => string) => {
    const reading = readSymbol(`C${write("ascii")}`);
    if (!("chord" in reading)) return false;
    const { tones, optional } = reading.chord;
    return [tones, [...tones, ...optional]].some((read) => pitchClassSet(read.map(soundOf)) === wanted);
  };
  const write = choices.find(isExact) ?? ((form: NameForm) => plainSuffix(respelled, form));
  return { ascii: write("ascii"), signs: write("signs") };
}

const flatSeventh = (form: NameForm) => (form === "ascii" ? "addb7" : "add♭7");

const addedText = (tone: Interval, form: NameForm): string =>
  `add${printDegree(tone, form).slice(0, -1)}${degreeNumber(tone) + 7}`;

/** The suffix as the tones are spelled, whether it is read again as them or not. */
function plainSuffix(asked: readonly Interval[], form: NameForm): string {
  const tones = asked.every((tone) => SPELLED.has(tone)) ? asked : tonesFromSounds(asked.map(soundOf)).tones;
  const has = (tone: Interval) => tones.includes(tone);
  if (isExactly(tones, [0, 1])) return "5";
  if (isExactly(tones, [0, -3, -6])) return form === "ascii" ? "dim" : "°";
  if (isExactly(tones, DIMINISHED_SEVENTH)) return form === "ascii" ? "dim7" : "°7";
  if (isExactly(tones, [0, 4, 8])) return form === "ascii" ? "aug" : "+";

  const third = has(-3) ? "m" : "";
  const hung = !has(4) && !has(-3);
  const seventh = has(5) || has(-2) || has(-9);
  const hanging = hung ? [-1, 2, ...(seventh ? [] : [-5, 6])].find(has) : undefined;
  const sus = hanging === undefined ? "" : `sus${printDegree(hanging, form)}`;
  const said = new Set<Interval>([
    0,
    4,
    1,
    ...(has(-3) ? [-3] : []),
    ...(hanging === undefined ? [] : [hanging]),
  ]);
  let name = third;

  if (seventh) {
    const extension = has(3) ? 13 : has(-1) && !hung ? 11 : has(2) && hanging !== 2 ? 9 : 7;
    name =
      (has(5) ? third + (third === "" ? "maj" : "(maj") : third) +
      String(extension) +
      (has(5) && third !== "" ? ")" : "");
    for (const unsaid of [5, -2, -9]) said.add(unsaid);
    if (extension === 13) said.add(3);
    if (extension >= 11 && !hung) said.add(-1);
    if (extension >= 9) said.add(2);
    if (has(-9) && has(-6)) {
      name = form === "ascii" ? "dim7" : "°7";
      said.add(-6);
    }
  } else if (has(3)) {
    said.add(3).add(2);
    name += has(2) && sus === "" ? "6/9" : "6";
  }
  name += sus;

  const rest = tones.filter((tone) => !said.has(tone)).map((tone) => extensionText(tone, seventh, form));
  if (hung && sus === "") rest.push({ order: 99, text: "no3" });
  rest.sort((a, b) => a.order - b.order);
  const text = name + rest.map((each) => each.text).join("");
  // "Bb5" would be read as the fifth on B flat.
  return /^[b#♭♯]/u.test(text) ? `(${text})` : text;
}

/** An altered or added tone: ♭5, ♯9, ♭13, add9. Unaltered ones are "add"; altered ones too where there is no seventh. */
function extensionText(tone: Interval, seventh: boolean, form: NameForm): { order: number; text: string } {
  const number = degreeNumber(tone);
  // Without a seventh a minor sixth is one, not a thirteenth: Em♭6.
  if (tone === -4 && !seventh) return { order: 6, text: printDegree(tone, form) };
  const order = number === 5 || number === 7 ? number : number + 7;
  const sign = printDegree(tone, form).slice(0, -1);
  const add = sign === "" || (!seventh && number !== 5) ? "add" : "";
  return { order, text: `${add}${sign}${order}` };
}

/**
 * The chord's symbol, normalised.
 *
 * @example printChord({ root: 4, tones: [0, -3, 1, -2, 2], optional: [] }) // "Em9"
 */
export function printChord(chord: Chord, form: NameForm = "ascii"): string {
  const slash = chord.bass === undefined ? "" : `/${printName(chord.bass, form)}`;
  const root = printName(chord.root, form);
  const suffix = chordSuffix(chord.tones, form);
  // "Abb5" is A♭ with a flat fifth.
  return root + (suffix === "5" && root.endsWith("bb") ? "no3" : suffix) + slash;
}

const NUMERALS = ["I", "II", "III", "IV", "V", "VI", "VII"];

/**
 * The roman numeral of a chord on an interval from home: upper case for a major third, lower for a minor one;
 * ° ø + marks; accidentals against the major scale.
 *
 * @example romanNumeral(-2, [0, 4, 1], "signs") // "♭VII"
 */
export function romanNumeral(above: Interval, tones: readonly Interval[], form: NameForm): string {
  const degree = printDegree(above, form);
  const numeral = NUMERALS[degreeNumber(above) - 1] ?? "";
  const cased = tones.includes(-3) ? numeral.toLowerCase() : numeral;
  const dim = isExactly(tones.slice(0, 3), [0, -3, -6]);
  const mark = dim
    ? isExactly(tones, HALF_DIMINISHED)
      ? "ø"
      : "°"
    : tones.includes(8) && tones.includes(4)
      ? "+"
      : "";
  return degree.slice(0, -1) + cased + mark;
}
