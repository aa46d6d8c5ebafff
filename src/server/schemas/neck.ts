import { z } from "zod";
import { COMFORTABLE_STRETCH, GUITAR, SYSTEMS, VOICING_KINDS } from "@/core/instrument";
import { chordQuality, chordSymbol, modeId, noteName, openStrings, tuningId } from "../request";
import { degree, id, note, symbol } from "./fields";

const instrument = tuningId
  .default(() => GUITAR)
  .meta({ description: "The instrument, or one of its tunings", example: "guitar/drop-d" });

const tuning = openStrings.optional().meta({
  description: "Any other open strings, from the one that lies lowest",
  example: "E2,A2,D3,G3,B3,E4",
});

const capo = z.coerce.number().int().min(0).max(20).default(0).meta({ description: "The capo’s fret" });

const stretch = z.coerce
  .number()
  .min(60)
  .max(180)
  .default(COMFORTABLE_STRETCH)
  .meta({ description: "Millimetres that the hand opens in comfort" });

export const shapesQuery = z.object({
  bass: noteName.meta({ description: "The bass that stays", example: "A" }),
  chord: chordQuality.optional().meta({
    description: "The chord’s quality, as it stands behind a root",
    example: "maj9",
  }),
  frets: z.string().max(60).optional().meta({
    description: "A fingering instead, from the string that lies lowest, x where one is silent",
    example: "x 7 5 7 7 x",
  }),
  instrument,
  mode: modeId
    .optional()
    .meta({ description: "The mode on the bass against which notes are called outside" }),
});

export const neckQuery = z.object({
  home: noteName.meta({ description: "The home note", example: "E" }),
  mode: modeId.meta({ description: "The mode’s id", example: "phrygian" }),
  instrument,
  tuning,
  capo,
  stretch,
  system: z
    .enum(SYSTEMS)
    .default("five-positions")
    .meta({ description: "The way the neck is divided", example: "five-positions" }),
});

export const voicingsQuery = z.object({
  chord: chordSymbol.meta({ description: "A chord symbol", example: "Em9" }),
  instrument,
  tuning,
  capo,
  stretch,
  fromFret: z.coerce.number().int().min(0).max(24).default(0),
  toFret: z.coerce.number().int().min(0).max(24).default(15),
  kind: z
    .enum(VOICING_KINDS)
    .optional()
    .meta({ description: "Only voicings that are built so", example: "drop-2" }),
  most: z.coerce.number().int().min(1).max(200).default(20).meta({ description: "How many" }),
});

export const shapesAnswer = z.object({
  bass: note,
  rows: z.array(
    z.object({
      root: note,
      tones: z.array(note),
      degrees: z.array(degree),
      modes: z.array(id),
      outside: z.array(note),
      right: note
        .optional()
        .meta({ description: "Where notes fall outside: the nearest place that is right" }),
      name: symbol,
      frets: z.array(z.int().nullable()).optional(),
    }),
  ),
  bassModes: z.array(z.object({ mode: id, root: note.optional(), name: symbol.optional() })).meta({
    description: "The bass in seven modes, from light to dark: the place of the shape in each mode",
  }),
});

const positionNote = z.object({
  string: z.int().meta({ description: "1 is the last to be strummed" }),
  fret: z.int(),
  finger: z.int().meta({ description: "0 an open string, 1 the index finger to 4" }),
  note: z.string().meta({ description: "Scientific pitch in ASCII", example: "A2" }),
  degree,
  shift: z.boolean().meta({ description: "The hand moves before this note" }),
  frame: z.boolean().optional().meta({ description: "In a pentatonic frame: one of the five" }),
});

export const neckAnswer = z.object({
  strings: z.array(z.string()),
  positions: z.array(
    z.object({
      name: z.string(),
      fromFret: z.int(),
      toFret: z.int(),
      stretchMm: z.int(),
      notes: z.array(positionNote),
      easier: z.object({ stretchMm: z.int(), notes: z.array(positionNote) }).optional(),
    }),
  ),
});

export const voicingsAnswer = z.object({
  chord: symbol,
  strings: z.array(z.string()),
  voicings: z.array(
    z.object({
      frets: z.array(z.int().nullable()),
      fingers: z.array(z.int().nullable()),
      notes: z.array(z.string()),
      omitted: z.array(degree),
      kind: z.enum(VOICING_KINDS).optional(),
      stretchMm: z.int(),
    }),
  ),
});
