import {
  ACCIDENTALS,
  accidentalCount,
  accidentalsOf,
  accidentalText,
  type Fifths,
  letterOf,
  maybeFifths,
  printName,
} from "./fifths";

/** How notes are called: A to G; German, where B is B♭ and H is B; fixed do, where C is Do. */
export const NOTE_NAMINGS = ["english", "german", "fixed-do"] as const;
export type NoteNaming = (typeof NOTE_NAMINGS)[number];

const B: Fifths = 5;
const B_FLAT: Fifths = -2;
const DO = { C: "Do", D: "Ré", E: "Mi", F: "Fa", G: "Sol", A: "La", B: "Si" } as const;
const BY_DO = new Map(Object.entries(DO).map(([letter, name]) => [plain(name), letter]));

/**
 * The name of a note as it is typed in a chord symbol: English or German, with # and b.
 *
 * @example typedName(5, "german") // "H"
 */
export function typedName(fifths: Fifths, naming: NoteNaming): string {
  if (naming !== "german" || letterOf(fifths) !== "B") return printName(fifths);
  return fifths === B_FLAT ? "B" : `H${printName(fifths).slice(1)}`;
}

/** Lower case, without accents. */
function plain(text: string): string {
  return text.normalize("NFD").replaceAll(/\p{M}/gu, "").toLowerCase();
}

/**
 * The name of a note in a naming, with real accidentals.
 *
 * @example printNameIn(-2, "german") // "B"
 * @example printNameIn(9, "fixed-do") // "Ré♯"
 */
export function printNameIn(fifths: Fifths, naming: NoteNaming): string {
  if (naming === "english") return printName(fifths, "signs");
  const signs = accidentalText(accidentalsOf(fifths), "signs");
  const letter = letterOf(fifths) as keyof typeof DO;
  if (naming === "fixed-do") return DO[letter] + signs;
  if (fifths === B_FLAT) return "B";
  return (letter === "B" ? "H" : letter) + signs;
}

/**
 * The note that a text names in a naming, or undefined. German endings (Cis, Des, Es, Heses) and plain signs are both read,
 * fixed do with or without accent.
 *
 * @example maybeFifthsIn("Fis", "german") // 6
 * @example maybeFifthsIn("re b", "fixed-do") // undefined; "réb" is -5
 */
export function maybeFifthsIn(text: string, naming: NoteNaming): Fifths | undefined {
  const asked = text.trim();
  if (naming === "german") return germanFifths(asked);
  if (naming === "fixed-do") {
    const found = FIXED_DO.exec(asked.normalize("NFC"));
    const letter = BY_DO.get(plain(found?.[1] ?? ""));
    if (letter !== undefined) return maybeFifths(letter + (found?.[2] ?? ""));
  }
  return maybeFifths(asked);
}

const FIXED_DO = new RegExp(`^(do|r[eé]|mi|fa|sol|la|si)(${ACCIDENTALS})$`, "iu");
const GERMAN = new RegExp(`^([A-H])(${ACCIDENTALS}|isis|is|eses|ses|es|s)$`, "iu");
const ENDINGS: Readonly<Record<string, number>> = { is: 1, isis: 2, es: -1, s: -1, eses: -2, ses: -2 };

function germanFifths(text: string): Fifths | undefined {
  const found = GERMAN.exec(text);
  if (!found) return undefined;
  const [, written = "", ending = ""] = found;
  const letter = written.toUpperCase();
  const short = ending.toLowerCase();
  // Es and As drop the e of the ending; other letters have no such form.
  if ((short === "s" || short === "ses") && letter !== "E" && letter !== "A") return undefined;
  const accidentals = ENDINGS[short] ?? accidentalCount(ending);
  if (letter === "B") return accidentals === 0 || accidentals === -1 ? B_FLAT : undefined;
  return letter === "H"
    ? B + 7 * accidentals
    : maybeFifths(letter + "#".repeat(Math.max(0, accidentals)) + "b".repeat(Math.max(0, -accidentals)));
}
