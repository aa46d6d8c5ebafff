import { goTo } from "./place";
import { $draft, changeDraft } from "./settings";

/** Puts a line at the end of the chart that is worked on, and shows the chart; nothing that is there is lost. */
export function putIntoChart(line: string): void {
  const before = $draft.get().chords.trimEnd();
  changeDraft({ chords: before === "" ? line : `${before}\n${line}` });
  goTo("match", { matchShow: "chart" });
}
