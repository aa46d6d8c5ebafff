import { z } from "zod";
import { COMPARISONS, REFERENCE_CONVENTIONS } from "@/core/scale";
import { familyId, modeId, noteList, noteName } from "../request";
import { degree, id, note, symbol } from "./fields";

export const deriveQuery = z.object({
  home: noteName.meta({ description: "The home note", example: "D" }),
  mode: modeId.meta({ description: "The mode’s id", example: "dorian" }),
  reference: z.enum(REFERENCE_CONVENTIONS).default("by-third").meta({ description: "The reference scale" }),
  comparison: z.enum(COMPARISONS).default("usual").meta({ description: "What it is compared with" }),
});

export const modesQuery = z.object({
  parent: familyId.meta({ description: "The parent scale’s id", example: "major" }),
  tonic: noteName
    .optional()
    .meta({ description: "Its tonic: the modes of one set of notes (relative)", example: "C" }),
  home: noteName.optional().meta({ description: "One home for all of them (parallel)" }),
});

export const scalesQuery = z.object({
  notes: noteList.meta({ description: "Two to twelve notes, parted by commas", example: "A,B,C,D,E,F#,G" }),
  home: noteName
    .optional()
    .meta({ description: "The home; the first of the notes where it is left out", example: "A" }),
});

export const shortMode = z.object({
  home: note,
  mode: z.object({ id, name: z.string(), aliases: z.array(z.string()) }),
  parent: z.object({ id: z.string(), tonic: note, degree: z.int() }),
  notes: z.array(note),
  degrees: z.array(degree),
  brightness: z.number().meta({ description: "Mean of the degrees on the line of fifths" }),
  characteristic: z.array(degree).meta({ description: "The characteristic notes, as teachers name them" }),
});

const change = z.object({ from: degree, to: degree });

const neighbour = z.object({ id, from: degree, to: degree });

export const wholeMode = shortMode.extend({
  semitones: z.array(z.int()),
  steps: z.array(z.int()).meta({ description: "Half steps from each note to the next" }),
  solfege: z.object({ home: z.array(z.string()), parent: z.array(z.string()) }),
  reference: z.object({ id, changes: z.array(change), drop: z.array(degree), add: z.array(degree) }),
  distinguishing: z.object({
    comparison: z.array(id).meta({ description: "The modes it is compared with, on the same home" }),
    sets: z.array(z.array(degree)).meta({
      description: "Every smallest set of degrees that, with home and its third, none of them has",
    }),
  }),
  brighter: z.array(neighbour),
  darker: z.array(neighbour),
  chords: z.array(
    z.object({
      degree,
      roman: z.string(),
      triad: symbol.optional(),
      seventh: symbol.optional(),
      ninth: symbol.optional(),
      eleventh: symbol.optional(),
      thirteenth: symbol.optional(),
      sus2: symbol.optional(),
      sus4: symbol.optional(),
      sixth: symbol.optional(),
    }),
  ),
  full: z.object({ name: symbol, notes: z.array(note), fifths: z.array(z.string()), reduced: z.array(note) }),
  vamps: z.array(z.array(symbol)),
  chordPairs: z.array(z.object({ chords: z.array(symbol), missing: z.array(degree) })),
  fourths: z.array(z.object({ degree, notes: z.array(note), perfect: z.boolean() })),
});

export const modesAnswer = z.object({ modes: z.array(shortMode) });

export const scalesAnswer = z.object({
  home: note,
  id,
  degrees: z.array(degree),
  scales: z.array(z.object({ id, name: z.string(), aliases: z.array(z.string()), degrees: z.array(degree) })),
  nearest: z.array(z.object({ id, add: z.array(note), drop: z.array(note) })),
});
