import { chartDocument } from "./documents";
import { goTo } from "./place";
import { whenReady } from "./start";

/** Puts a line at the end of the chart that is worked on, and shows the chart; nothing that is there is lost. */
export function putIntoChart(line: string): void {
  goTo("match", { part: "chart" });
  // The chart may still be on its way from storage or from a link.
  whenReady(() => {
    const before = chartDocument.$value.get().chords.trimEnd();
    chartDocument.change({ chords: before === "" ? line : `${before}\n${line}` });
  });
}
