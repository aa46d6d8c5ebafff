import { taker } from "./feature";
import { whenReady } from "../shelf/start";

/** Puts a line at the end of the chart that is worked on, and shows the chart; nothing that is there is lost. */
export function putIntoChart(line: string): void {
  // The chart may still be on its way from storage or from a link.
  whenReady(() => taker("chords")?.(line));
}
