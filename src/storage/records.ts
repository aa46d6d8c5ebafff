import { z } from "zod";
import { CLAIMS, readSymbol } from "@/core/chord";
import {
  badMeasures,
  COMFORTABLE_STRETCH,
  LINE_FIGURES,
  maybeInstrument,
  ORDERS,
  readStrings,
  SYSTEMS,
} from "@/core/instrument";
import { maybeFifths, NOTE_NAMINGS } from "@/core/pitch";
import { EXPECTATIONS } from "@/core/identify/expectation";
import { TUNE_ORIGINS, TUNE_SOURCES } from "@/formats/tune-source";
import { READING_KINDS } from "@/core/progression";
import { COMPARISONS, FAMILIES, maybeMode, REFERENCE_SCHOOLS, USUAL_FAMILIES } from "@/core/scale";

/** The version of every record written now. A record of another version is set aside until it can be carried over. */
export const VERSION = 1;

const noteName = z.string().refine((text) => maybeFifths(text) !== undefined);
const modeId = z.string().refine((id) => maybeMode(id) !== undefined);
const instant = z.iso.datetime();

const common = {
  version: z.literal(VERSION),
  id: z.string().min(1).max(64),
  title: z.string().min(1).max(200),
  /** The user's own words. */
  words: z.string().max(20_000),
  keptAt: instant,
  changedAt: instant,
  /** Set while the thing is deleted and can still be brought back. */
  deletedAt: instant.optional(),
};

/** A mode on its home. */
export const keptMode = z.strictObject({ ...common, kind: z.literal("mode"), home: noteName, mode: modeId });

/** Characters that a chart may have; the editor takes no more, so that nothing typed is lost. */
export const MOST_CHART_TEXT = 200_000;

/** A progression as it was typed. */
export const keptProgression = z.strictObject({
  ...common,
  kind: z.literal("progression"),
  chords: z.string().min(1).max(MOST_CHART_TEXT),
});

/** Characters that one tune may have, whatever it came in as. */
export const MOST_TUNE_TEXT = 16_000_000;

/** A tune as it was read: text, or the bytes of a MIDI file as base 64. */
export const keptTune = z.strictObject({
  ...common,
  kind: z.literal("tune"),
  source: z.enum(TUNE_SOURCES),
  text: z.string().min(1).max(MOST_TUNE_TEXT),
});

/** The user's own words and model tune for a mode, on whatever home. There is one for each mode at most. */
export const ownWords = z.strictObject({
  ...common,
  kind: z.literal("words"),
  mode: modeId,
  /** The tune that brings the mode to mind, as the user names it. */
  tune: z.string().max(200),
});

/** Open strings, "E2 A2 D3 G3 B3 E4", that make a neck. */
const strings = z
  .string()
  .max(120)
  .refine((text) => readStrings(text).problems.length === 0);

/** One way to take a chord, on the strings that it was found on. */
export const keptVoicing = z.strictObject({
  ...common,
  kind: z.literal("voicing"),
  chord: z
    .string()
    .max(60)
    .refine((text) => "chord" in readSymbol(text)),
  strings,
  /** From the string that lies lowest; null where one is not played. */
  frets: z.array(z.int().min(0).max(36).nullable()).min(1).max(12),
});

/** Whatever lies on the Shelf. */
export const kept = z.discriminatedUnion("kind", [
  keptMode,
  keptProgression,
  keptTune,
  ownWords,
  keptVoicing,
]);
export type Kept = z.infer<typeof kept>;

/** What makes a kept thing, before the Shelf gives it an id and dates. */
export type ToKeep = Kept extends infer K
  ? K extends Kept
    ? Omit<K, "version" | "id" | "keptAt" | "changedAt" | "deletedAt">
    : never
  : never;

/** A tuning made by hand. */
export const ownTuningRecord = z
  .strictObject({
    name: z.string().min(1).max(60),
    instrument: z.string().refine((id) => maybeInstrument(id) !== undefined),
    strings,
    frets: z.number(),
    scaleLength: z.number(),
  })
  .refine((own) => badMeasures({ ...own, capo: 0 }).length === 0);
export type OwnTuning = z.infer<typeof ownTuningRecord>;

/** What the stage shows of a neck. */
export const DIVISIONS = ["position", "whole", "line", "voicing"] as const;
export type Division = (typeof DIVISIONS)[number];

/** What stands on the plates. */
export const LABELS = ["notes", "degrees", "syllables", "fingers", "none"] as const;
export type Labels = (typeof LABELS)[number];

/** What Play plays: what the view has chosen, or one texture of the mode. */
export const TEXTURES = ["chosen", "mode", "position", "line", "drone", "pedal", "vamp"] as const;
export type Texture = (typeof TEXTURES)[number];

const RHYTHM_NAMES = ["quarters", "eighths", "triplets", "sixteenths"] as const;
const decibels = z.number().min(-40).max(6).catch(0);

/** The stage: instrument, neck, what is shown and what is played. */
const stage = {
  instrument: z
    .string()
    .refine((id) => maybeInstrument(id) !== undefined)
    .catch("guitar"),
  /** "guitar/drop-d", or "own/" and the name of one made by hand; the instrument's usual one where there is none such. */
  tuning: z.string().max(80).catch("guitar/standard"),
  ownTunings: z.array(ownTuningRecord).max(50).catch([]),
  capo: z.int().min(0).max(20).catch(0),
  leftHanded: z.boolean().catch(false),
  /** The frets that the neck is drawn with. */
  fromFret: z.int().min(0).max(30).catch(0),
  toFret: z.int().min(4).max(36).catch(15),
  /** Millimetres that the hand opens in comfort. */
  stretch: z.number().min(60).max(180).catch(COMFORTABLE_STRETCH),
  surface: z.enum(["neck", "keys", "staff"]).catch("neck"),
  division: z.enum(DIVISIONS).catch("position"),
  system: z.enum(SYSTEMS).catch("five-positions"),
  order: z.enum(ORDERS).catch("up-and-down"),
  labels: z.enum(LABELS).catch("notes"),
  /** The mode whose fingering is known, that the one in hand is told from: by id, what it is told by, or none. */
  known: z.union([z.enum(["reference", "none"]), modeId]).catch("reference"),
  /** The fingering within the limit, where a position has one. */
  easier: z.boolean().catch(false),
  figure: z.enum(LINE_FIGURES).catch("thirds"),
  octaves: z.union([z.literal(1), z.literal(2)]).catch(1),
  rhythm: z.enum(RHYTHM_NAMES).catch("eighths"),
  texture: z.enum(TEXTURES).catch("chosen"),
  loop: z.boolean().catch(false),
  click: z.boolean().catch(false),
  /** Beats counted before the first round. */
  countIn: z.int().min(0).max(8).catch(0),
  /** The tempo that climbs by itself: so much faster every so many rounds, up to a tempo. */
  climb: z
    .object({
      isOn: z.boolean(),
      by: z.int().min(1).max(40),
      every: z.int().min(1).max(32),
      to: z.int().min(30).max(300),
    })
    .catch({ isOn: false, by: 4, every: 2, to: 160 }),
  /** Decibels for each part, beside the balance that it has by itself. */
  parts: z
    .object({ line: decibels, drone: decibels, chord: decibels, bass: decibels, click: decibels })
    .catch({ line: 0, drone: 0, chord: 0, bass: 0, click: 0 }),
};

/** How Match reads charts and what it shows of them. */
const match = {
  /** Ids of the families that scales are taken from. */
  families: z
    .array(z.string().refine((id) => FAMILIES.some((family) => family.id === id)))
    .min(1)
    .max(FAMILIES.length)
    .catch([...USUAL_FAMILIES]),
  /** Which readings stand under the chords. */
  bands: z.enum(["all", ...READING_KINDS]).catch("all"),
  /** The target note is saved for the chord that has it, or used throughout, in practice. */
  signalWay: z.enum(["save", "throughout"]).catch("save"),
  /** The guide lines stand under the chords. */
  guides: z.boolean().catch(false),
  /** The chord that sounds is the one in hand. */
  follow: z.boolean().catch(false),
};

/** How the application is set up. Every field has a value to fall back on. */
export const settings = z.object({
  version: z.literal(VERSION).catch(VERSION),
  theme: z.enum(["system", "day", "dusk"]).catch("system"),
  tempo: z.number().min(30).max(300).catch(96),
  /** Loudness in decibels below full scale. */
  volume: z.number().min(-60).max(0).catch(-18),
  drone: z.boolean().catch(true),
  /** What is sung: from home as do, from the parent's tonic as do, numbers, or nothing. */
  syllables: z.enum(["home", "parent", "numbers", "none"]).catch("home"),
  /** What a mode is told by. */
  reference: z.enum(REFERENCE_SCHOOLS).catch("by-third"),
  /** What its colour notes tell it from. */
  comparison: z.enum(COMPARISONS).catch("usual"),
  noteNames: z.enum(NOTE_NAMINGS).catch("english"),
  /** Ionian and Aeolian, or major and natural minor. */
  majorNames: z.enum(["modes", "plain"]).catch("modes"),
  /** What kind of tunes Identify expects. */
  expects: z.enum(EXPECTATIONS).catch("mixed"),
  /** Memory lines by the id of the family whose names they order. */
  memory: z.record(z.string().max(64), z.string().max(300)).catch({}),
  ...stage,
  ...match,
});
export type Settings = z.infer<typeof settings>;

/** What was being worked on, so that a reload in the middle loses nothing. */
export const draft = z.object({
  version: z.literal(VERSION),
  chords: z.string().max(MOST_CHART_TEXT).catch(""),
  /** What the chart is called. */
  chartTitle: z.string().max(200).catch(""),
  tune: z
    .object({
      source: z.enum(TUNE_SOURCES),
      text: z.string().max(MOST_TUNE_TEXT),
      name: z.string(),
      /** How notes came in that were not typed. */
      origin: z.enum(TUNE_ORIGINS).optional().catch(undefined),
    })
    .optional()
    .catch(undefined),
  /** The question that was last asked of all modes. */
  question: z
    .object({
      among: z.union([z.literal("named"), z.int().min(2).max(12)]).catch(7),
      anyHome: z.boolean().catch(false),
      holds: z.string().max(200).catch(""),
      lacks: z.string().max(200).catch(""),
      chords: z.string().max(400).catch(""),
      claims: z.array(z.enum(CLAIMS)).catch([]),
      near: z.boolean().catch(false),
    })
    .catch({ among: 7, anyHome: false, holds: "", lacks: "", chords: "", claims: [], near: false }),
  /** What was chosen for the practice sheet last; its modes by home and id. */
  practice: z
    .object({
      modes: z.array(z.object({ home: noteName, mode: modeId })).max(24),
      system: z.enum(SYSTEMS),
      hands: z.array(z.int().min(0).max(36)).max(24),
      figures: z.array(z.enum(LINE_FIGURES)),
      octaves: z.union([z.literal(1), z.literal(2)]),
      labels: z.enum(["notes", "degrees", "fingers"]),
    })
    .optional()
    .catch(undefined),
  /** The chord shape that was last moved over a bass. */
  shape: z.string().max(60).catch("maj9"),
});
export type Draft = z.infer<typeof draft>;
