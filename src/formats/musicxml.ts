import { type BarMeter, quartersOf } from "@/core/chord";
import { type Problem, type Reading, wholeProblem } from "@/core/problem";
import { barTokens, type FileChart, lineText, linesOfBars } from "./chart-text";
import {
  attribute,
  childrenOf,
  first,
  inside,
  nameIn,
  named,
  numberOf,
  scoreIn,
  textOf,
  titleOf,
  type XmlNode,
} from "./xml";
import { type Harmony, type HarmonyDegree, symbolOf } from "./musicxml-harmony";

/**
 * Reads the chords of a MusicXML file, compressed or not: bars, meters, repeats, endings, rehearsal marks. The first part that
 * has harmonies is read. Never throws.
 *
 * @example (await readMusicXml("<score-partwise>…</score-partwise>")).value.text // "| Em9 | A13 |"
 * @source MusicXML 4.0, W3C Community Group report
 */
export async function readMusicXml(file: string | Uint8Array): Promise<Reading<FileChart>> {
  const none = (code: Problem["code"], found = ""): Reading<FileChart> => ({
    value: { title: "", text: "" },
    problems: [wholeProblem(code, found)],
  });
  try {
    const score = await scoreIn(file);
    if (!score) return none("xml-unread");
    const title = titleOf(score);
    const parts = named(score, "part").map(childrenOf);
    const part = parts.find((measures) => measures.some((measure) => first(childrenOf(measure), "harmony")));
    if (!part) return none("no-chords", title);
    const { text: chart, problems } = chartOf(named(part, "measure"));
    return { value: { title, text: chart }, problems };
  } catch {
    return none("xml-unread");
  }
}

/** A bar as it is gathered: its chords by the beat that they begin on. */
interface XmlBar {
  readonly chords: { readonly at: number; readonly symbol: string }[];
  section: string;
  open: string;
  close: string;
}

function chartOf(measures: readonly XmlNode[]): {
  readonly text: string;
  readonly problems: readonly Problem[];
} {
  const problems: Problem[] = [];
  const written: { readonly bar: { readonly section: string | undefined }; readonly text: string }[] = [];
  let divisions = 1;
  let meter = { beats: 4, unit: 4 };
  for (const [at, measure] of measures.entries()) {
    const nodes = childrenOf(measure);
    const bar: XmlBar = { chords: [], section: "", open: "|", close: "" };
    const before = meter;
    let time = 0;
    for (const node of nodes) {
      const children = childrenOf(node);
      switch (nameIn(node)) {
        case "attributes": {
          divisions = numberOf(children, "divisions", divisions);
          const beats = numberOf(inside(children, "time"), "beats", meter.beats);
          const unit = numberOf(inside(children, "time"), "beat-type", meter.unit);
          if (beats > 0 && unit > 0) meter = { beats, unit };
          break;
        }
        case "harmony": {
          const symbol = symbolOf(harmonyIn(children));
          if (symbol === undefined)
            problems.push({
              code: "kind-unread",
              offset: 0,
              length: 0,
              found: textOf(children, "kind"),
              expected: String(at + 1),
            });
          const offset = numberOf(children, "offset", 0);
          bar.chords.push({
            at: (time + offset) / divisions,
            symbol: symbol ?? `?${textOf(children, "kind")}`,
          });
          break;
        }
        case "note":
          if (!first(children, "chord") && !first(children, "grace"))
            time += numberOf(children, "duration", 0);
          break;
        case "backup":
          time -= numberOf(children, "duration", 0);
          break;
        case "forward":
          time += numberOf(children, "duration", 0);
          break;
        case "direction":
          for (const type of named(children, "direction-type"))
            bar.section ||= textOf(childrenOf(type), "rehearsal").replaceAll(/[[\]|]/gu, "");
          break;
        case "barline":
          barline(bar, node, children);
      }
    }
    const changes =
      at === 0
        ? meter.beats !== 4 || meter.unit !== 4
        : meter.beats !== before.beats || meter.unit !== before.unit;
    const meterText = changes ? ` ${meter.beats}/${meter.unit}` : "";
    const section = bar.section === "" ? undefined : bar.section;
    written.push({ bar: { section }, text: `${bar.open}${meterText} ${insideBar(bar, meter)}${bar.close}` });
  }
  const lines = linesOfBars(written).map((line) => {
    const section = line[0]?.bar.section;
    return `${section === undefined ? "" : `[${section}]\n`}${lineText(line)}`;
  });
  return { text: lines.join("\n"), problems };
}

export function harmonyIn(nodes: readonly XmlNode[]): Harmony {
  const noted = (name: "root" | "bass") => ({
    step: textOf(inside(nodes, name), `${name}-step`),
    alter: numberOf(inside(nodes, name), `${name}-alter`, 0),
  });
  return {
    root: noted("root"),
    kind: textOf(nodes, "kind"),
    bass: first(nodes, "bass") ? noted("bass") : undefined,
    degrees: named(nodes, "degree").map((node): HarmonyDegree => {
      const children = childrenOf(node);
      const type = textOf(children, "degree-type");
      return {
        value: numberOf(children, "degree-value", 1),
        alter: numberOf(children, "degree-alter", 0),
        type: type === "subtract" || type === "alter" ? type : "add",
      };
    }),
  };
}

function barline(bar: XmlBar, node: XmlNode, children: readonly XmlNode[]): void {
  const repeat = first(children, "repeat");
  const ending = first(children, "ending");
  const way = repeat ? attribute(repeat, "direction") : "";
  if (way === "forward") bar.open = "|:";
  if (way === "backward") {
    const times = Number(repeat ? attribute(repeat, "times") : "") || 2;
    bar.close = ` :|${times > 2 ? ` x${times}` : ""}`;
  }
  if (ending && attribute(ending, "type") === "start")
    bar.open = `|${attribute(ending, "number").replaceAll(/[^\d,]/gu, "") || "1"}.`;
  if (ending && attribute(ending, "type") !== "start" && way === "") bar.close = " ||";
  if (attribute(node, "location") === "left" && way === "" && !ending) bar.open = "|";
}

/** The chords of a bar in the beats of its meter; a bar with none goes on with the chord before. */
function insideBar({ chords }: XmlBar, meter: BarMeter): string {
  if (chords.length === 0) return "/";
  const whole = quartersOf(meter);
  const sorted = chords.toSorted((a, b) => a.at - b.at);
  const shares = sorted.map(({ at, symbol }, n) => ({
    symbol,
    length: ((sorted[n + 1]?.at ?? whole) - at) / whole,
  }));
  const begins = (sorted[0]?.at ?? 0) / whole;
  return barTokens(begins > 0.01 ? [{ symbol: "/", length: begins }, ...shares] : shares, meter, "/");
}
