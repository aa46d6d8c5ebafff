import { chartTokens, type Chart, plainestInterval, readSymbol, transposeChart } from "@/core/chord";
import { type Problem, type Reading, wholeProblem } from "@/core/problem";
import { withoutNumerals } from "./numerals";
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
  let isTab = false;
  let by = 0;
  const lines: string[] = [];
  const { value: symbols, problems: unkeyed } = withoutNumerals(text);
  const problems: Problem[] = [...unkeyed];
  let offset = 0;
  for (const [number, [written, ending]] of linesIn(text).entries()) {
    const at = offset;
    offset += written.length + ending.length;
    const line = withChordsBracketed(symbols[number] ?? written);
    const directive = DIRECTIVE.exec(line);
    const [, name = "", value = ""] = directive ?? [];
    const section = SECTIONS[name.toLowerCase()];
    if (/^(?:start_of_tab|sot)$/iu.test(name)) isTab = true;
    else if (/^(?:end_of_tab|eot)$/iu.test(name)) isTab = false;
    else if (isTab || TABLATURE.test(line)) continue;
    else if (/^(?:new_song|ns)$/iu.test(name) && lines.length > 0) {
      problems.push({ code: "more-songs", offset: at, length: written.length, found: title });
      break;
    } else if (/^(?:title|t)$/iu.test(name)) title = value;
    else if (/^transpose$/iu.test(name)) by = halfStepsIn(value);
    else if (/^capo$/iu.test(name) && /^\d{1,2}$/u.test(value)) lines.push(`# Capo ${value}`);
    else if (/^time$/iu.test(name)) lines.push(value);
    else if (section !== undefined) lines.push(...sectionLine(value || section));
    else if (HEADING.test(line) && !isChord(line.trim().slice(1, -1).trim()))
      lines.push(...sectionLine(line));
    else if (!directive && line.includes("|")) lines.push(gridLine(line));
    else if (!directive && /\[[^[\]]*\]/u.test(line)) lines.push(...lyricLines(line));
    else if (!directive && line.trim() !== "") lines.push(`# ${line.trim().replace(/^#\s*/u, "")}`);
  }
  const untransposed = lines.join("\n");
  const chart = by === 0 ? untransposed : transposeChart(untransposed, plainestInterval(untransposed, by));
  const hasChords = chartTokens(chart).some(({ kind }) => kind === "other");
  if (!hasChords) problems.push(wholeProblem("no-chords", title));
  return { value: { title, text: chart }, problems };
}

/** A line that is a name in brackets. */
const HEADING = /^\s*\[[^\]|]+\]\s*$/u;

/** A line of tablature: a string's name perhaps, then frets and dashes. */
const TABLATURE = /^\s*[A-Ga-g]?[#b]?\s?\|?(?=(?:[^-]*-){4})[-\d|hpbrsx~/\\()^*.\s]+$/u;

/** Lines, each with what ends it. */
const linesIn = (text: string): readonly (readonly [line: string, ending: string])[] =>
  [...text.matchAll(/([^\r\n]*)(\r\n|\r|\n|$)/gu)].map(([, line = "", ending = ""]) => [line, ending]);

/** Half steps that a file is moved by: "2", "-3"; none where it says something else. */
const halfStepsIn = (value: string): number =>
  /^[+-]?\d{1,2}$/u.test(value) ? ((Number(value) % 12) + 12) % 12 : 0;

/** Several chords in one pair of brackets, "[Am7|Dm7]", each in its own; bar lines between brackets leave chords in bars. */
function withChordsBracketed(line: string): string {
  const parted = line.replaceAll(/\[([^[\]|]+(?:\|[^[\]|]+)+)\]/gu, (whole, inside: string) => {
    const all = inside.split("|").map((each) => each.trim());
    return all.every(isChord) ? all.map((each) => `[${each}]`).join(" ") : whole;
  });
  const bracketed = [...parted.matchAll(/\[([^[\]]+)\]/gu)].map(([, symbol = ""]) => symbol.trim());
  const isBarred = parted.replaceAll(/\[[^[\]]*\]/gu, "").includes("|");
  // A name of a section may be in brackets too: what is a chord is none.
  return isBarred && bracketed.some(isChord)
    ? `| ${parted.replaceAll(/\[([^[\]]+)\]/gu, (whole, symbol: string) => (isChord(symbol.trim()) ? ` ${symbol.trim()} ` : whole))} |`
        .replaceAll(/\|\s*\|/gu, "|")
        .replaceAll(/ {2,}/gu, " ")
    : parted;
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
  const symbols = [...line.matchAll(/\[([^[\]]*)\]/gu)]
    .map(([, symbol = ""]) => symbol.trim())
    .filter((symbol) => symbol !== "" && !symbol.startsWith("*"));
  const words = line
    .replaceAll(/\[[^[\]]*\]/gu, "")
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

/** How often a line is played: "(x2)", "x3", "2x" at its end. */
const TIMES = /[(\s](?:[x×]\s?(\d{1,2})|(\d{1,2})\s?[x×])\)?\s*$/iu;

/** A line with the dashes and arrows between its chords taken away, and how often it is played. */
const parted = (line: string): string =>
  line.replace(TIMES, " ").replaceAll(/(?<=\s)(?:[-–—,;→]|->)(?=\s)|[,;](?=\s)/gu, " ");

/** A line of chords as bars, repeated as often as it says. */
function barsOf(line: string): string {
  const found = TIMES.exec(line);
  const times = Number(found?.[1] ?? found?.[2] ?? 1);
  const bars = chartTokens(parted(line))
    .map(({ text }) => text)
    .join(" | ");
  return times > 1 ? `|: ${bars} :|${times > 2 ? ` x${times}` : ""}` : `| ${bars} |`;
}

/** A line whose chords stand behind a name, "Intro: Am - G - F - E7 (x2)": a section and its bars. Undefined where what follows is no chords. */
function labelledLine(line: string): string | undefined {
  const [, name = "", rest = ""] = /^\s*([^\s|:[\]][^|:[\]]{0,30}):\s+(\S.*)$/u.exec(line) ?? [];
  return name !== "" && isChordLine(parted(rest))
    ? `${sectionLine(name).join("")}\n${barsOf(rest)}`
    : undefined;
}

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
  const { value: lines, problems } = withoutNumerals(text);
  const chart = lines
    .map((line) => {
      if (line.trim() === "" || /^\s*#/u.test(line)) return line.trim();
      if (TABLATURE.test(line)) return "";
      if (line.includes("|") || /^\s*(?:\[[^\]]+\]|[^\s|:][^|:]*:)\s*$/u.test(line)) return line.trim();
      const labelled = labelledLine(line);
      if (labelled !== undefined) return labelled;
      return isChordLine(parted(line)) ? barsOf(line) : `# ${line.trim()}`;
    })
    .join("\n")
    .trim();
  const hasChords = chartTokens(chart).some(({ kind }) => kind === "other");
  return {
    value: { title: "", text: chart },
    problems: hasChords ? problems : [wholeProblem("no-chords", text.trim().slice(0, 40))],
  };
}
