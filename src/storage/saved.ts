import * as z from "zod/mini";
import { readSymbol } from "@/core/chord";
import { TUNE_SOURCES } from "@/formats/tune-source";
import { modeId, noteName, strings } from "./fields";
import { recipeValue } from "./recipe";
import { TEXTURES } from "./settings";
import { examValue, PRACTICE_KINDS } from "./sitting";
import type { Fields, Versioned } from "./versioned";

/** The version of every saved thing written now. */
export const SAVED_VERSION = 4;

const instant = z.iso.datetime();

/** Revisions that a saved thing remembers, the newest last: enough to tell which of two copies came from the other. */
export const MAX_REVISIONS = 20;

/** Tags of one thing, and characters of a tag. */
export const MAX_TAGS = 20;
export const MAX_TAG = 40;

const tag = z.string().check(z.minLength(1), z.maxLength(MAX_TAG));

/** Characters of a folder's name. */
export const MAX_FOLDER = 60;

/** States before the present one that a thing remembers. */
export const MAX_EARLIER = 20;

/** A state that a thing was in: when it was made, and what of it the next has otherwise; null where it hadn't the field. */
const earlier = z.object({ changedAt: instant, was: z.record(z.string(), z.unknown()) });
export type Earlier = z.infer<typeof earlier>;

/** What every saved thing has. */
const common = {
  version: z.literal(SAVED_VERSION),
  id: z.string().check(z.minLength(1), z.maxLength(64)),
  title: z.string().check(z.minLength(1), z.maxLength(240)),
  /** The user's own words. */
  words: z.string().check(z.maxLength(20_000)),
  /** The user's own headings for it, each once. */
  tags: z.optional(z.array(tag).check(z.maxLength(MAX_TAGS))),
  /** Where it lies; on the Shelf itself where it is left out. */
  folder: z.optional(z.string().check(z.minLength(1), z.maxLength(MAX_FOLDER))),
  savedAt: instant,
  changedAt: instant,
  /** Set while the thing is deleted and can still be brought back. */
  deletedAt: z.optional(instant),
  /** Names of its states so far, the last the present one. They tell without a clock which of two copies is newer. */
  revisions: z.array(z.string().check(z.maxLength(64))).check(z.minLength(1), z.maxLength(MAX_REVISIONS)),
  /** What it was before, the latest last. */
  earlier: z.optional(z.array(earlier).check(z.maxLength(MAX_EARLIER))),
};

/** A mode on its home. */
const savedMode = z.strictObject({ ...common, kind: z.literal("mode"), home: noteName, mode: modeId });

/** Characters that a chart may have; the editor takes no more, so that nothing typed is lost. */
export const MAX_CHART_TEXT = 200_000;

/** A progression as it was typed. */
const savedProgression = z.strictObject({
  ...common,
  kind: z.literal("progression"),
  chords: z.string().check(z.minLength(1), z.maxLength(MAX_CHART_TEXT)),
});

/** Characters that one tune may have, whatever it came in as. */
export const MAX_TUNE_TEXT = 16_000_000;

/** A tune as it was read: text, or the bytes of a MIDI file as base 64. */
const savedTune = z.strictObject({
  ...common,
  kind: z.literal("tune"),
  source: z.enum(TUNE_SOURCES),
  text: z.string().check(z.minLength(1), z.maxLength(MAX_TUNE_TEXT)),
});

/** The user's own words and model tune for a mode, on whatever home. There is one for each mode at most. */
const ownWords = z.strictObject({
  ...common,
  kind: z.literal("words"),
  mode: modeId,
  /** The tune that brings the mode to mind, as the user names it. */
  tune: z.string().check(z.maxLength(200)),
});

/** Characters of the address of a thing to practise. */
const MAX_ROUTINE_LINK = 20_000;

/** One way to take a chord, on the strings that it was found on. */
const voicingFields = {
  chord: z.string().check(
    z.maxLength(60),
    z.refine((text) => "chord" in readSymbol(text)),
  ),
  strings,
  /** From the string that lies lowest; null where one is not played. */
  frets: z
    .array(z.nullable(z.int().check(z.minimum(0), z.maximum(36))))
    .check(z.minLength(1), z.maxLength(12)),
};
const voicing = z.object(voicingFields);
const savedVoicing = z.strictObject({ ...common, kind: z.literal("voicing"), ...voicingFields });

/** Questions that were put together: to be taken again, or by others. */
const savedExam = z.strictObject({ ...common, kind: z.literal("exam"), exam: examValue });

/** One thing to practise: where it is in the application, and for how long. */
export const routineItem = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(64)),
  title: z.string().check(z.minLength(1), z.maxLength(240)),
  kind: z.enum(PRACTICE_KINDS),
  mode: z.optional(modeId),
  home: z.optional(noteName),
  /** The address that shows it, with instrument, position and all: what a link to it has behind the host. */
  link: z.string().check(z.maxLength(MAX_ROUTINE_LINK), z.regex(/^\/(?!\/)/u)),
  minutes: z.int().check(z.minimum(1), z.maximum(60)),
  tempo: z.int().check(z.minimum(30), z.maximum(300)),
  climbs: z.boolean(),
  /** Rounds after which it goes on by itself; none while the clock alone counts. */
  rounds: z._default(z.int().check(z.minimum(0), z.maximum(64)), 0),
  /** What comes after them: the next item, or the same a fourth higher. */
  then: z._default(z.enum(["item", "key"]), "item"),
  /** Metronome and count-in as they were when it was added; as they are set where nothing is said. */
  click: z.optional(z.boolean()),
  countIn: z.optional(z.int().check(z.minimum(0), z.maximum(8))),
  /** What Play plays, and whether it goes round, as they were. */
  texture: z.optional(z.enum(TEXTURES)),
  loop: z.optional(z.boolean()),
  /** The voicing that was shown. */
  voicing: z.optional(voicing),
});
export type RoutineItem = z.infer<typeof routineItem>;

/** What is practised in one go. */
export const routineValue = z.object({
  title: z.catch(z.string().check(z.maxLength(240)), ""),
  items: z.array(routineItem).check(z.maxLength(60)),
  order: z.catch(z.enum(["in-order", "shuffled"]), "in-order"),
});
export type RoutineValue = z.infer<typeof routineValue>;

const savedRoutine = z.strictObject({ ...common, kind: z.literal("routine"), routine: routineValue });

/** A tune with the recipe that puts it into another mode, so that it can be made again. */
const savedReshaping = z.strictObject({
  ...common,
  kind: z.literal("reshaping"),
  source: z.enum(TUNE_SOURCES),
  text: z.string().check(z.minLength(1), z.maxLength(MAX_TUNE_TEXT)),
  recipe: recipeValue,
});

/** Whatever lies on the Shelf. */
const saved = z.discriminatedUnion("kind", [
  savedMode,
  savedProgression,
  savedTune,
  ownWords,
  savedVoicing,
  savedExam,
  savedRoutine,
  savedReshaping,
]);
export type Saved = z.infer<typeof saved>;
export type SavedKind = Saved["kind"];

/** What makes a saved thing, before the Shelf gives it an id, dates and a revision. */
export type ToSave = Saved extends infer S
  ? S extends Saved
    ? Omit<S, "version" | "id" | "savedAt" | "changedAt" | "deletedAt" | "revisions" | "earlier">
    : never
  : never;

/** Version 1 knew when a thing was kept, and no revisions: two copies of one are the same where they were changed at one time. */
function fromVersion1({ keptAt, ...rest }: Fields): Fields {
  return { ...rest, savedAt: keptAt, revisions: [rest.changedAt] };
}

/** Version 2 knew neither tags nor exams nor routines: what it wrote holds as it is. */
const fromVersion2 = (fields: Fields): Fields => fields;

/** Version 3 knew neither folders nor what a thing was before: what it wrote holds as it is. */
const fromVersion3 = (fields: Fields): Fields => fields;

/** Saved things of every version. */
export const SAVED: Versioned<Saved> = {
  version: SAVED_VERSION,
  schema: saved,
  migrations: [fromVersion1, fromVersion2, fromVersion3],
};

/** The name of a thing's present state. */
export const revisionOf = ({ revisions }: Saved): string => revisions.at(-1) ?? "";

const NOT_CONTENT = new Set(["savedAt", "changedAt", "deletedAt", "revisions", "earlier"]);

/** The fields of a thing that hold something, each with what it holds. */
export const contentFields = (thing: Saved): readonly (readonly [string, unknown])[] =>
  Object.entries(thing)
    .filter(([field, held]) => !NOT_CONTENT.has(field) && held !== undefined)
    .toSorted(([a], [b]) => (a < b ? -1 : 1));

/** What a saved thing holds, as text: the same for two that differ in dates, revisions and the order of their fields alone. */
export const contentOf = (thing: Saved): string => JSON.stringify(contentFields(thing));

/** The newest first, whatever order they were read in. */
export const bySavedAt = (a: Saved, b: Saved): number =>
  a.savedAt === b.savedAt ? (a.id < b.id ? -1 : 1) : a.savedAt < b.savedAt ? 1 : -1;
