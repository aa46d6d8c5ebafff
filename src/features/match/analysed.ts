import { computed } from "nanostores";
import { type Chart, readChart, renamedChart } from "@/core/chord";
import type { NoteNaming } from "@/core/pitch";
import type { Problem } from "@/core/problem";
import { type Analyses, NO_ANALYSES, openBetween } from "@/core/progression";
import { $settings, answering, answerState, steady } from "@/session";
import { chartDocument } from "./chart-document";
import { analyseChart } from "@/workers";

/** Analyses of each kind that are found. */
const MOST = 5;

const $text = computed(chartDocument.$value, ({ chords }) => chords);
const $families = steady($settings, ({ families }) => families);
const $naming = computed($settings, ({ noteNames }): NoteNaming =>
  noteNames === "german" ? "german" : "english",
);

/** What was typed last: with German note names it may not come back from what it is stored as in every letter. */
let typed: { readonly shown: string; readonly stored: string; readonly naming: NoteNaming } | undefined;

/** The chart in English note names, in which charts are kept, linked and saved. */
export function storedAs(shown: string): string {
  const naming = $naming.get();
  const stored = renamedChart(shown, naming, "english");
  typed = { shown, stored, naming };
  return stored;
}

/** A text with the chart in it, as the user writes it. */
interface Typed {
  /** As it is kept. */
  readonly text: string;
  /** In the user's note names. */
  readonly shown: string;
  readonly naming: NoteNaming;
  /** Its places count the letters of `shown`. */
  readonly chart: Chart;
  readonly problems: readonly Problem[];
}

/** The chart that is worked on, as it is typed: with German note names H and B are typed and shown, while it is kept in English. */
export const $typed = computed([$text, $naming], (text, naming): Typed => {
  const shown =
    typed?.stored === text && typed.naming === naming ? typed.shown : renamedChart(text, "english", naming);
  const { value: chart, problems } = readChart(shown, naming);
  return { text, shown, naming, chart, problems };
});

/** What there is to analyse; an empty chart needs no worker. */
const $asked = computed([$typed, $families], ({ text, chart }, families) =>
  chart.chords.length > 0 ? { text, chart, families } : undefined,
);

const $read = answering($asked, ({ text, families }) => analyseChart({ text, families, most: MOST }));

export const $answerState = answerState([$asked, $read]);

/** A chart with its analyses: both are of the same text. */
export interface AnalysedChart {
  readonly text: string;
  readonly chart: Chart;
  readonly analyses: Analyses;
}

const NOTHING: AnalysedChart = {
  text: "",
  chart: { chords: [], bars: [], order: [] },
  analyses: NO_ANALYSES,
};

/** The chart with its analyses; while the next are being found, the last ones stay with their chart. */
export const $analysed = computed($read, (read): AnalysedChart =>
  read ? { text: read.asked.text, chart: read.asked.chart, analyses: read.answer } : NOTHING,
);

/** The two modes between which the chart as a whole is open, and what would decide; undefined where it is clear. */
export const $open = computed($analysed, ({ chart, analyses }) => openBetween(analyses, chart.chords));
