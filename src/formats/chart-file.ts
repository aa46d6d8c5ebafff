import { type Problem, type Reading, wholeProblem } from "@/core/problem";
import type { FileChart } from "./chart-text";
import { readChordPro, readPlainChart } from "./chordpro";
import { decoded } from "./decode";
import { fileKind, HEAD_BYTES } from "./file-kind";
import { readMidiChords } from "./midi-chords";
import { readMusicXml } from "./musicxml";

/**
 * Reads a chart from a file, by what is in it. Never throws; a file of another kind says so.
 *
 * @param name with its ending
 * @example (await readChartFile(bytes, "gate.cho")).value.text
 */
export async function readChartFile(bytes: Uint8Array, name: string): Promise<Reading<FileChart>> {
  switch (fileKind(bytes.subarray(0, HEAD_BYTES), name)) {
    case "chordpro":
      return readChordPro(decoded(bytes));
    case "chart":
      return readPlainChart(decoded(bytes));
    case "musicxml":
      return readMusicXml(bytes);
    case "midi":
      return readMidiChords(bytes);
    default: {
      const problem: Problem = wholeProblem("kind-of-file", name);
      return { value: { title: "", text: "" }, problems: [problem] };
    }
  }
}
