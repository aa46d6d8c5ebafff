import { chartTokens, type Chart, readSymbol } from "@/core/chord";
import type { Reading } from "@/core/problem";
import { barLines, type FileChart, lineText, linesOfBars } from "./chart-text";

/** A line that names something in braces: `{title: The Lanterns}`. */
const DIRECTIVE = /^\s*\{\s*([\w-]+)\s*:?\s*(.*?)\s*\}\s*$/u;

/** Directives that begin a section, short and long, and the name that it goes by where none is given. */
const SECTIONS: Readonly<Record<string, string>> = {
  start_of_verse: "Verse",
  sov: "Verse",
  start_of_chorus: "Chorus",
  soc: "Chorus",
  start_of_bridge: "Bridge",
  sob: "Bridge",
  comment: "",
  c: "",
  comment_italic: "",
  ci: "",
};

/**
 * Reads a ChordPro file: title, sections, grids bar by bar, and chords in lyrics, a bar each, with the words as a comment line
 * above them. What else it holds is passed over. Never throws; what is no chord keeps its place.
 *
 * @example readChordPro("{title: Gate}\n[Em9]Lanterns [A13]lit").value.text // "# Lanterns lit\n| Em9 | A13 |"
 * @source the ChordPro file format, chordpro.org
 */
export function readChordPro(text: string): Reading<FileChart> {
  let title = "";
  const lines: string[] = [];
  for (const line of text.split(/\r\n|\r|\n/u)) {
    const directive = DIRECTIVE.exec(line);
    const [, name = "", value = ""] = directive ?? [];
    const section = SECTIONS[name.toLowerCase()];
    if (/^(?:title|t)$/iu.test(name)) title = value;
    else if (/^time$/iu.test(name)) lines.push(value);
    else if (section !== undefined) lines.push(...sectionLine(value || section));
    else if (!directive && line.includes("|")) lines.push(gridLine(line));
    else if (!directive && /\[[^\]]*\]/u.test(line)) lines.push(...lyricLines(line));
    else if (!directive && line.trim() !== "") lines.push(`# ${line.trim().replace(/^#\s*/u, "")}`);
  }
  const chart = lines.join("\n");
  const hasChords = chartTokens(chart).some(({ kind }) => kind === "other");
  return {
    value: { title, text: chart },
    problems: hasChords ? [] : [{ code: "no-chords", offset: 0, length: 0, found: title }],
  };
}

const sectionLine = (name: string): readonly string[] => {
  // Figures alone would begin an ending.
  const plain = name
    .replaceAll(/label="?([^"]*)"?/gu, "$1")
    .replaceAll(/[[\]|]/gu, "")
    .trim();
  return plain === "" ? [] : [`[${/^\d/u.test(plain) ? `Part ${plain}` : plain}]`];
};

/** A grid line may have a name before its first bar line and words after the last. */
function gridLine(line: string): string {
  const from = line.indexOf("|");
  const to = line.lastIndexOf("|");
  const before = line.slice(0, from).trim();
  const after = line.slice(to + 1).trim();
  const inside = line.slice(from, to + 1).replaceAll("~", " ");
  const isTimes = /^[x×]\s?\d{1,2}$/u.test(after);
  return `${before === "" ? "" : `[${before.replaceAll(/[[\]]/gu, "")}] `}${inside}${isTimes ? ` ${after}` : ""}`;
}

function lyricLines(line: string): readonly string[] {
  const symbols = [...line.matchAll(/\[([^\]]*)\]/gu)]
    .map(([, symbol = ""]) => symbol.trim())
    .filter((symbol) => symbol !== "" && !symbol.startsWith("*"));
  const words = line
    .replaceAll(/\[[^\]]*\]/gu, "")
    .replaceAll(/\s+/gu, " ")
    .trim();
  return [
    ...(words === "" ? [] : [`# ${words}`]),
    ...(symbols.length === 0 ? [] : [`| ${symbols.join(" | ")} |`]),
  ];
}

/**
 * A chart as a ChordPro file: each section a grid, bar by bar, with repeats, endings and beats.
 *
 * @example writeChordPro(chart, "Gate") // "{title: Gate}\n{start_of_grid}\n| Em9 | A13 |\n{end_of_grid}\n"
 */
export function writeChordPro({ bars, chords }: Pick<Chart, "bars" | "chords">, title: string): string {
  const lines = linesOfBars(barLines(bars, chords, ".")).flatMap((line, at) => {
    const section = line[0]?.bar.section;
    const begins = at === 0 || section !== undefined;
    return [
      ...(begins && at > 0 ? ["{end_of_grid}"] : []),
      ...(section === undefined ? [] : [`{comment: ${section}}`]),
      ...(begins ? ["{start_of_grid}"] : []),
      lineText(line),
    ];
  });
  const head = title === "" ? [] : [`{title: ${title.replaceAll(/[{}]/gu, "")}}`];
  return `${[...head, ...lines, ...(lines.length > 0 ? ["{end_of_grid}"] : [])].join("\n")}\n`;
}

const isChord = (text: string) => "chord" in readSymbol(text);

/** A line with nothing but chords and what goes between them. */
function isChordLine(line: string): boolean {
  const tokens = chartTokens(line);
  const chords = tokens.filter(({ kind }) => kind === "other");
  const readable = chords.filter(({ text }) => isChord(text)).length;
  return tokens.length > 0 && readable * 2 >= chords.length && !/^\s*#/u.test(line);
}

/**
 * Reads chords written in plain text, over words or in bars: lines of chords stay as they are, lines of words become comments,
 * a heading stays a section. Where some lines have bar lines, each chord of the others gets them too.
 *
 * @example readPlainChart("Em9      A13\nLanterns lit").value.text // "| Em9 | A13 |\n# Lanterns lit"
 */
export function readPlainChart(text: string): Reading<FileChart> {
  const lines = text.split(/\r\n|\r|\n/u);
  const chart = lines
    .map((line) => {
      if (line.trim() === "" || /^\s*#/u.test(line)) return line.trim();
      if (line.includes("|") || /^\s*(?:\[[^\]]+\]|[^\s|:][^|:]*:)\s*$/u.test(line)) return line.trim();
      if (!isChordLine(line)) return `# ${line.trim()}`;
      return `| ${chartTokens(line)
        .map(({ text: token }) => token)
        .join(" | ")} |`;
    })
    .join("\n")
    .trim();
  const hasChords = chartTokens(chart).some(({ kind }) => kind === "other");
  return {
    value: { title: "", text: chart },
    problems: hasChords ? [] : [{ code: "no-chords", offset: 0, length: 0, found: text.trim().slice(0, 40) }],
  };
}
