import { z } from "zod";
import { COMFORTABLE_STRETCH, GUITAR, SYSTEMS, VOICING_KINDS } from "@/core/instrument";
import { ANALYSIS_KINDS } from "@/core/progression";
import { ARRANGEMENTS, HARMONY_RHYTHMS, HARMONY_SOURCES, MISSING_RULES } from "@/core/reshape";
import { COMPARISONS, REFERENCE_CONVENTIONS } from "@/core/scale";
import {
  chordQuality,
  chordSymbol,
  familyId,
  modeId,
  noteList,
  noteName,
  openStrings,
  tuningId,
} from "./request";

/**
 * What the endpoints take and answer. The same schemas check queries and bodies, type the answers, and are what the OpenAPI
 * document is made from.
 */

const note = z
  .string()
  .regex(/^[A-G](#+|b+)?$/)
  .meta({ description: "A note name in ASCII: C, F#, Ebb", example: "F#" });
const degree = z
  .string()
  .regex(/^(#+|b+)?\d+$/)
  .meta({ description: "A degree against the major scale: 1, b3, #4", example: "b3" });
const id = z
  .string()
  .meta({ description: "The id of a mode, kebab-case, or set- and its 12-bit number", example: "dorian" });
const symbol = z.string().meta({ description: "A chord symbol in ASCII", example: "Em9" });

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

const instrument = tuningId
  .default(() => GUITAR)
  .meta({ description: "The instrument, or one of its tunings", example: "guitar/drop-d" });

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

export const matchBody = z.strictObject({
  naming: z
    .enum(["english", "german"])
    .default("english")
    .meta({ description: "How notes are called in the chords: German reads H, and B as B flat" }),
  chords: z.string().max(20_000).meta({
    description:
      "A chart: bars, repeats, endings, slash beats, % and sections; {E Dorian} sets what is read from there on",
    example: "| Em9 | A13 |",
  }),
  home: noteName.optional().meta({ description: "The home, where it is known" }),
  scales: z.array(modeId).min(1).max(200).optional().meta({ description: "The modes to choose from" }),
  most: z.int().min(1).max(20).default(5).meta({ description: "How many analyses of each kind" }),
});

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
  chords: z.enum(["carried", "rebuilt", "none"]).default("rebuilt"),
  source: z.enum(HARMONY_SOURCES).default("mode").meta({ description: "Where chords are taken from" }),
  rhythm: z.enum(HARMONY_RHYTHMS).default("bar").meta({ description: "How often they change" }),
  pedal: flag.meta({ description: "Home is held in the bass" }),
  characteristic: flag.meta({ description: "The characteristic note is sought in the chords" }),
  parts: z.enum(ARRANGEMENTS).default("none").meta({ description: "Who plays the chords, written out" }),
});

export const shortMode = z.object({
  home: note,
  mode: z.object({ id, name: z.string(), aliases: z.array(z.string()) }),
  parent: z.object({ id: z.string(), tonic: note, degree: z.int() }),
  notes: z.array(note),
  degrees: z.array(degree),
  brightness: z.number().meta({ description: "Mean of the degrees on the line of fifths" }),
  characteristic: z
    .array(z.array(degree))
    .meta({ description: "Every smallest set of characteristic notes, the first shown first" }),
});

const change = z.object({ from: degree, to: degree });
const neighbour = z.object({ id, from: degree, to: degree });

export const wholeMode = shortMode.extend({
  semitones: z.array(z.int()),
  steps: z.array(z.int()).meta({ description: "Half steps from each note to the next" }),
  solfege: z.object({ home: z.array(z.string()), parent: z.array(z.string()) }),
  reference: z.object({ id, changes: z.array(change), drop: z.array(degree), add: z.array(degree) }),
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
  full: z.object({ name: symbol, notes: z.array(note), fifths: z.array(z.string()), held: z.array(note) }),
  vamps: z.array(z.array(symbol)),
  shared: z.array(z.object({ chords: z.array(symbol), missing: z.array(degree) })),
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

export const apiProblem = z.object({
  code: z.string(),
  line: z.int().optional(),
  column: z.int().optional(),
  found: z.string().optional(),
  expected: z.string().optional(),
});

const place = z.object({ home: note, mode: id });

export const matchAnswer = z.object({
  chords: z.array(
    z.object({
      bar: z.int(),
      length: z.number().meta({ description: "Share of the bar" }),
      times: z.int().meta({ description: "How often it is played, repeats and endings taken" }),
      symbol: z.string(),
      tones: z.array(note),
      targetNotes: z.array(note),
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
  deciding: z.array(
    z.object({
      between: z.array(place).length(2),
      by: z.string(),
      note: note.optional(),
      chord: z.int().optional(),
      role: degree.optional(),
      undecided: z.array(note).optional(),
    }),
  ),
  problems: z.array(apiProblem),
});

/** One tune of an answer; without candidates where it has no notes. */
export const identifiedTune = z.object({
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

/** RFC 9457, with what was wrong in `errors`. */
export const problemAnswer = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  errors: z.array(apiProblem),
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

export const healthAnswer = z.object({ status: z.literal("ok"), seconds: z.int() });
