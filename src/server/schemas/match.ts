import { z } from "zod";
import { ANALYSIS_KINDS } from "@/core/progression";
import { modeId, noteName } from "../request";
import { apiProblem, degree, note, place } from "./fields";

export const matchBody = z.strictObject({
  naming: z
    .enum(["english", "german"])
    .default("english")
    .meta({ description: "How notes are called in the chords: German reads H, and B as B flat" }),
  chords: z.string().max(20_000).meta({
    description:
      "A chart: bars, repeats, endings, slash beats, % and sections; {E Dorian} sets what is read from there on. Numerals (1 6m 4 5, I vi IV V) count from `home`",
    example: "| Em9 | A13 |",
  }),
  home: noteName.optional().meta({ description: "The home, where it is known" }),
  scales: z.array(modeId).min(1).max(200).optional().meta({ description: "The modes to choose from" }),
  most: z.int().min(1).max(20).default(5).meta({ description: "How many analyses of each kind" }),
});

const decision = z.object({
  between: z.array(place).length(2),
  by: z.enum(["notes", "home", "cadence", "open"]),
  note: note.optional(),
  chord: z.int().optional(),
  role: degree.optional(),
  undecided: z.array(note).optional(),
});

export const matchAnswer = z.object({
  chords: z.array(
    z.object({
      bar: z.int(),
      length: z.number().meta({ description: "Share of the bar" }),
      times: z.int().meta({ description: "How often it is played, repeats and endings taken" }),
      symbol: z.string(),
      tones: z.array(note),
      targetNotes: z.array(note),
      functions: z
        .array(z.object({ code: z.string(), of: note.optional(), from: z.string().optional() }))
        .meta({
          description: "What it does in its key, the surest name first; none for a plain chord of it",
        }),
      modes: z.array(place.extend({ avoidNotes: z.array(note), outside: z.array(note) })),
    }),
  ),
  order: z.array(z.int()).meta({ description: "Places in chords, as they are played" }),
  analyses: z.array(
    z.object({
      kind: z.enum(ANALYSIS_KINDS),
      segments: z.array(place.extend({ from: z.int(), to: z.int(), outside: z.array(note) })),
      cost: z.number(),
    }),
  ),
  keys: z.array(
    z.object({
      from: z.int(),
      to: z.int(),
      home: note,
      minor: z.boolean(),
      tonicized: z.array(z.object({ chord: z.int(), home: note })),
      pivot: z.int().optional(),
    }),
  ),
  deciding: z.array(decision),
  open: decision
    .optional()
    .meta({ description: "Where the best two modes of the whole can't be told apart" }),
  problems: z.array(apiProblem),
});
