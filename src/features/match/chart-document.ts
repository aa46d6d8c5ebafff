import * as z from "zod/mini";
import { documentOf } from "@/session";
import { MAX_CHART_TEXT, textOf } from "@/storage";

const chartValue = z.object({
  chords: z.string().check(z.maxLength(MAX_CHART_TEXT)),
  title: z.catch(z.string().check(z.maxLength(240)), ""),
});
type ChartValue = z.infer<typeof chartValue>;

/** The chart that is worked on. */
export const chartDocument = documentOf<ChartValue>(
  {
    kind: "chart",
    isListed: true,
    stored: { version: 1, schema: chartValue, migrations: [] },
    blank: { chords: "", title: "" },
    isBlank: ({ chords }) => chords.trim() === "",
    titleOf: ({ title, chords }) => title || (chords.trim().split("\n")[0] ?? "").slice(0, 60),
    fromDraft: ({ chords, chartTitle }) =>
      textOf(chords) === "" ? undefined : { chords: textOf(chords), title: textOf(chartTitle).slice(0, 240) },
  },
  "match/chart",
);
