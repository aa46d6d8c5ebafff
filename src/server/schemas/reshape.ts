import { z } from "zod";
import {
  ARRANGEMENTS,
  CHROMATIC_RULES,
  HARMONY_RHYTHMS,
  HARMONY_SOURCES,
  MISSING_RULES,
} from "@/core/reshape";
import { modeId, noteName } from "../request";
import { apiProblem, id, note } from "./fields";

const flag = z
  .enum(["true", "false"])
  .default("false")
  .transform((text) => text === "true");

export const reshapeQuery = z.object({
  to: modeId.meta({ description: "The mode that it is to be in" }),
  way: z
    .enum(["parallel", "relative"])
    .default("parallel")
    .meta({ description: "Whether home stays, or the notes of the parent" }),
  home: noteName.optional().meta({ description: "Another home, in the parallel way" }),
  from: modeId.optional().meta({ description: "The mode that it is in; what is heard where it is left out" }),
  fromHome: noteName.optional().meta({ description: "The home that it has" }),
  missing: z
    .enum(MISSING_RULES)
    .default("nearest")
    .meta({ description: "Notes whose degree the mode lacks" }),
  chromatic: z.enum(CHROMATIC_RULES).default("distance").meta({
    description: "Notes outside the mode that it is in keep their distance or sound, or become the mode's",
  }),
  chords: z.enum(["carried", "rebuilt", "none"]).default("rebuilt"),
  source: z.enum(HARMONY_SOURCES).default("mode").meta({ description: "Where chords are taken from" }),
  rhythm: z.enum(HARMONY_RHYTHMS).default("bar").meta({ description: "How often they change" }),
  pedal: flag.meta({ description: "Home is held in the bass" }),
  characteristic: flag.meta({ description: "The characteristic note is sought in the chords" }),
  sevenths: z
    .enum(["true", "false"])
    .transform((text) => text === "true")
    .optional()
    .meta({ description: "Chords have their sevenths; left out, as in the chords that the tune comes with" }),
  parts: z.enum(ARRANGEMENTS).default("none").meta({ description: "Who plays the chords, written out" }),
});

export const reshapeAnswer = z.object({
  tune: z.object({
    title: z.string(),
    from: z.object({ home: note, mode: id }),
    to: z.object({ home: note, mode: id }),
    changes: z.array(
      z.object({
        bar: z.int(),
        from: z.string(),
        to: z.string().nullable().meta({ description: "Null where the note falls out" }),
        chromatic: z.boolean(),
      }),
    ),
    chords: z.array(z.object({ bar: z.int(), symbol: z.string() })),
    harmonies: z.int().meta({ description: "Harmonies that were found, of which this is the best" }),
    abc: z.string(),
  }),
  problems: z.array(apiProblem),
});
