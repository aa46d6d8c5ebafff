import { readChart, spokenChord } from "@/core/chord";
import { printName } from "@/core/pitch";
import { $place, type Finding, openIn } from "@/session";
import { chartDocument } from "./chart-document";
import { FIND_CHORDS, FIND_CHORD, symbolText, wording } from "@/words";
import { MATCH } from "./route";

const openChart = (chords: string) => openIn(MATCH, chartDocument, { chords, title: "" }, "chart");

/** Note names by themselves: they may be a chord each, or the notes of a scale. */
const BARE_NOTES = /^[\sA-Ga-g#b♯♭,;]*$/u;

/** So many letters, with octaves or without, are a tune: "D4 F A G F E F A". */
const TUNE = /^(?:[A-Ga-g][#b♯♭]*[2-6]?(?:[\s,;|]+|$)){8,}$/u;

/**
 * Chords that were typed into Find, as symbols or as they are said.
 *
 * @example finds("Em9 A13")[0]?.text // "Em9 A13"
 */
export function finds(text: string): readonly Finding[] {
  const asked = text.trim();
  const naming = wording().noteNames === "german" ? "german" : "english";
  const spoken = spokenChord(asked, naming);
  if (spoken) {
    const symbol = `${printName(spoken.root ?? $place.get().home)}${spoken.suffix}`;
    return [
      {
        key: `chord ${symbol}`,
        text: symbolText(symbol),
        does: FIND_CHORD,
        isSure: true,
        go: () => openChart(`| ${symbol} |`),
      },
    ];
  }
  const { value, problems } = readChart(asked, naming);
  const symbols = value.chords.filter(({ chord }) => chord).map(({ symbol }) => symbol);
  if (asked === "" || problems.length > 0 || symbols.length === 0 || symbols.length < value.chords.length)
    return [];
  // A single letter is a home, and several may be notes: chords come second.
  const isBare = BARE_NOTES.test(asked) || TUNE.test(asked);
  if (isBare && symbols.length === 1) return [];
  return [
    {
      key: `chords ${asked}`,
      text: symbols.map(symbolText).join(" "),
      does: FIND_CHORDS,
      isSure: !isBare,
      go: () => openChart(asked.includes("|") ? asked : `| ${symbols.join(" | ")} |`),
    },
  ];
}
