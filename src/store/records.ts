import { z } from "zod";
import { CLAIMS } from "@/core/chord";
import { maybeFifths, NOTE_NAMINGS } from "@/core/pitch";
import { COMPARISONS, maybeMode, REFERENCE_SCHOOLS } from "@/core/scale";

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

/** A progression as it was typed. */
export const keptProgression = z.strictObject({
  ...common,
  kind: z.literal("progression"),
  chords: z.string().min(1).max(50_000),
});

/** A tune as it was read: ABC or typed notes. */
export const keptTune = z.strictObject({
  ...common,
  kind: z.literal("tune"),
  source: z.enum(["abc", "notes"]),
  text: z.string().min(1).max(4_000_000),
});

/** The user's own words and model tune for a mode, on whatever home. There is one for each mode at most. */
export const ownWords = z.strictObject({
  ...common,
  kind: z.literal("words"),
  mode: modeId,
  /** The tune that brings the mode to mind, as the user names it. */
  tune: z.string().max(200),
});

/** Whatever lies on the Shelf. */
export const kept = z.discriminatedUnion("kind", [keptMode, keptProgression, keptTune, ownWords]);
export type Kept = z.infer<typeof kept>;

/** What makes a kept thing, before the Shelf gives it an id and dates. */
export type ToKeep = Kept extends infer K
  ? K extends Kept
    ? Omit<K, "version" | "id" | "keptAt" | "changedAt" | "deletedAt">
    : never
  : never;

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
  /** Memory lines by the id of the family whose names they order. */
  memory: z.record(z.string().max(64), z.string().max(300)).catch({}),
});
export type Settings = z.infer<typeof settings>;

/** What was being worked on, so that a reload in the middle loses nothing. */
export const draft = z.object({
  version: z.literal(VERSION),
  chords: z.string().max(50_000).catch(""),
  tune: z
    .object({ source: z.enum(["abc", "notes"]), text: z.string().max(4_000_000), name: z.string() })
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
  /** The chord shape that was last moved over a bass. */
  shape: z.string().max(60).catch("maj9"),
});
export type Draft = z.infer<typeof draft>;
