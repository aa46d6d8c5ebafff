import { chartDocument } from "./documents";
import { goTo } from "./place";

/** Puts a line at the end of the chart that is worked on, and shows the chart; nothing that is there is lost. */
export function putIntoChart(line: string): void {
  const before = chartDocument.$value.get().chords.trimEnd();
  chartDocument.change({ chords: before === "" ? line : `${before}\n${line}` });
  goTo("match", { part: "chart" });
}
