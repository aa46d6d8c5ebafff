import { z } from "zod";
import { maybeFifths } from "@/core/pitch";
import { maybeMode } from "@/core/scale";

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

/** Whatever lies on the Shelf. */
export const kept = z.discriminatedUnion("kind", [keptMode, keptProgression, keptTune]);
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
});
export type Draft = z.infer<typeof draft>;
