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

const passage = place.extend({ fromBar: z.int(), toBar: z.int() });

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
  called: z
    .object({
      kind: z.enum(["mode", "five-notes", "six-notes", "double-tonic", "neutral", "no-centre"]),
      scale: id.optional().meta({ description: "What five or six notes are by themselves" }),
      name: z.string().optional(),
      third: degree.optional(),
      without: degree.optional().meta({ description: "The degree that never sounds" }),
      notes: z.array(note).optional().meta({ description: "The two tonics, home first" }),
      neutral: z.array(z.object({ degree, between: z.array(note) })).optional(),
      why: z.enum(["whole-tone", "chromatic", "twelve-tone"]).optional(),
    })
    .meta({ description: "What a player calls it, where that is not just a mode of seven notes" }),
  final: z.string().optional().meta({ description: "The last note, with its octave" }),
  range: z.object({ lowest: z.string(), highest: z.string() }).optional(),
  ambitus: z.enum(["authentic", "plagal"]).optional(),
  reciting: z.string().optional().meta({ description: "The note besides home that sounds longest" }),
  inflected: z
    .array(z.object({ degree, notes: z.array(note) }))
    .meta({ description: "Degrees that are heard in more than one form" }),
  round: z.int().optional().meta({ description: "Bars after which the tune comes round again" }),
  stopsShort: z.boolean().meta({ description: "It stops in the middle of a phrase" }),
  short: z.boolean().meta({ description: "Too few notes to be sure of anything" }),
  key: place
    .extend({ agrees: z.enum(["same", "other-home", "other-notes"]) })
    .optional()
    .meta({ description: "The key that the file declares, compared with the answer" }),
  changes: z.boolean().meta({ description: "The mode changes: the passages are the answer" }),
  passages: z
    .array(passage)
    .meta({ description: "What each run of bars is in: one where the mode stays, keys on the way left out" }),
  keyPassages: z.array(passage.extend({ kind: z.enum(["key", "relative", "moved", "own-key"]) })).meta({
    description:
      "Bars in another key while the mode stays: with a cadence there, the same notes, or a key of their own",
  }),
});

export const identifyAnswer = z.object({
  tunes: z.array(identifiedTune),
  problems: z.array(apiProblem),
});

/** A line of an answer in lines: one tune with its problems. */
export const identifyLine = identifiedTune.extend({ problems: z.array(apiProblem) });
