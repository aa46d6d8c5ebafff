import { diatonicChords, printChord, renamedSymbol } from "@/core/chord";
import { type NoteNaming, typedName } from "@/core/pitch";
import { type HomeMode, type Mode } from "@/core/scale";
import { homeModeText, modeText, romanText } from "@/words";

/** Something that may stand at the cursor. */
export interface Completion {
  readonly label: string;
  /** What is put in, where that is more than the label. */
  readonly apply?: string;
  /** Said beside it. */
  readonly detail?: string;
}

/**
 * What is being typed where a text ends: a symbol, or from a brace or a bracket on.
 *
 * @example wordBefore("| Em9 | {E Do") // "{E Do"
 */
export const wordBefore = (text: string): string =>
  /(?:\{[^}\n]*|\[[^\]\n]*|[^\s|:]*)$/u.exec(text)?.[0] ?? "";

/** Kinds of chord in the order in which charts have them, most used first. */
const QUALITIES =
  "m7 7 maj7 m 9 m9 maj9 13 6 m6 7sus4 sus4 sus2 add9 m7b5 dim7 7b9 7#9 7alt maj7#11 m11 6/9 m(maj7) 5".split(
    " ",
  );

const SECTIONS = ["Intro", "Verse", "Chorus", "Bridge", "Outro"];

/**
 * What may stand where a chart's text before the cursor ends: chords of the mode first, then kinds of chord on the root that
 * is typed; home and mode after a brace; sections after a bracket.
 *
 * @example completionsFor("| Em9 | A", E Dorian, []).map(({ label }) => label)[0] // "A"
 */
export function completionsFor(
  before: string,
  homeMode: HomeMode | undefined,
  scales: readonly Mode[],
  naming: NoteNaming = "english",
): readonly Completion[] {
  const word = wordBefore(before);
  if (word.startsWith("{")) return locks(word, homeMode, scales, naming);
  if (word.startsWith("[")) return SECTIONS.map((label) => ({ label: `[${label}]` }));
  const chords = homeMode ? diatonic(homeMode, naming) : [];
  const root = /^[A-Ha-h](?:#|b|♯|♭)?/u.exec(word)?.[0];
  if (root === undefined) return word === "" ? chords : [];
  const known = new Set(chords.map(({ label }) => label));
  return [
    ...chords,
    ...QUALITIES.map((quality) => ({ label: root + quality })).filter(({ label }) => !known.has(label)),
  ];
}

/** Triads, sevenths and ninths of a mode with their numerals. */
function diatonic(homeMode: HomeMode, naming: NoteNaming): readonly Completion[] {
  const seen = new Set<string>();
  return diatonicChords(homeMode).flatMap(({ chords, roman }) =>
    (["triad", "seventh", "ninth"] as const).flatMap((kind) => {
      const chord = chords[kind];
      const label = chord && renamedSymbol(printChord(chord), "english", naming);
      if (label === undefined || seen.has(label)) return [];
      seen.add(label);
      return [{ label, detail: `${romanText(roman)} in ${homeModeText(homeMode)}` }];
    }),
  );
}

/** Modes on the home that is typed, or on the selected one. */
function locks(
  word: string,
  homeMode: HomeMode | undefined,
  scales: readonly Mode[],
  naming: NoteNaming,
): readonly Completion[] {
  const typed = /^\{\s*([A-Ha-h](?:#|b|♯|♭)?)(?=\s|$)/u.exec(word)?.[1];
  const home = typed ?? (homeMode && typedName(homeMode.home, naming));
  return [
    { label: "{}", detail: "nothing set from here on" },
    ...scales.map((mode) => ({
      label: `{${home === undefined ? "" : `${home} `}${modeText(mode)}}`,
    })),
  ];
}
