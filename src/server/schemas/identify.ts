import { z } from "zod";
import { noteName } from "../request";
import { apiProblem, degree, id, note, place } from "./fields";

export const identifyBody = z.strictObject({
  notes: z.string().meta({
    description: "Pitch and length in quarters, z a rest, | a bar line, || the end of a section",
    example: "A4:1 B4:0.5 | C#5:2 ||",
  }),
  home: noteName.optional(),
  title: z.string().max(200).optional(),
});

export const identifyQuery = z.object({
  home: noteName.optional().meta({ description: "The home, where it is known" }),
});

/** One tune of an answer; without candidates where it has no notes. */
const identifiedTune = z.object({
  title: z.string(),
  candidates: z.array(place.extend({ weight: z.number() })),
  notes: z.array(note),
  undecided: z.array(z.object({ degree, forms: z.array(z.object({ degree, modes: z.array(id) })) })).meta({
    description: "Degrees that are never heard, with the forms they may have and the modes of each",
  }),
  passing: z
    .array(z.object({ note, share: z.number(), role: z.string().optional(), to: note.optional() }))
    .meta({ description: "Heard notes outside the mode that only pass, lead or lean" }),
  outside: z
    .array(z.object({ note, share: z.number() }))
    .meta({ description: "Heard notes outside the mode that speak against it" }),
  evidence: z.array(
    z.object({
      code: z.string(),
      note,
      strength: z.number().meta({ description: "Logarithm of odds against the next likeliest home" }),
      count: z.number().optional(),
      of: z.number().optional(),
    }),
  ),
  rival: place
    .extend({ weight: z.number() })
    .optional()
    .meta({ description: "An answer that is nearly as likely" }),
  gapped: id.optional().meta({ description: "What six notes or fewer are by themselves" }),
  short: z.boolean().meta({ description: "Too few notes to be sure of anything" }),
  key: place
    .extend({ agrees: z.enum(["same", "other-home", "other-notes"]) })
    .optional()
    .meta({ description: "The key that the file declares, compared with the answer" }),
  changes: z.boolean().meta({ description: "The mode changes: the passages are the answer" }),
  passages: z.array(
    place.extend({
      fromBar: z.int(),
      toBar: z.int(),
      kind: z
        .enum(["mode", "key", "relative", "own-key"])
        .optional()
        .meta({ description: "What it is to the passage before" }),
    }),
  ),
});

export const identifyAnswer = z.object({
  tunes: z.array(identifiedTune),
  problems: z.array(apiProblem),
});

/** A line of an answer in lines: one tune with its problems. */
export const identifyLine = identifiedTune.extend({ problems: z.array(apiProblem) });
