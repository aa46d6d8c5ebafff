import * as z from "zod/mini";
import { QUESTIONS, REGISTERS, TEXTURES } from "@/core/training";
import { modeId, noteName } from "./fields";
import type { Versioned } from "./versioned";

/** The version of every sitting written now. */
export const SITTING_VERSION = 1;

const card = z.object({
  question: z.enum(QUESTIONS),
  mode: modeId,
  texture: z.optional(z.enum(TEXTURES)),
});

/** Half steps from home, in either way, that a tune may reach; notes of it and quarters that it may last. */
const [FAR, MAX_TUNE_NOTES, MAX_TUNE_BEATS] = [60, 200, 100];

const examTune = z.object({
  title: z.string().check(z.maxLength(240)),
  mode: modeId,
  notes: z
    .array(
      z.tuple([
        z.int().check(z.minimum(-30), z.maximum(30)),
        z.int().check(z.minimum(-FAR), z.maximum(FAR)),
        z.number().check(z.minimum(0), z.maximum(MAX_TUNE_BEATS)),
        z.number().check(z.positive()).check(z.maximum(MAX_TUNE_BEATS)),
      ]),
    )
    .check(z.minLength(2), z.maxLength(MAX_TUNE_NOTES)),
  beats: z.number().check(z.positive()).check(z.maximum(MAX_TUNE_BEATS)),
});

/** What a row of questions is made of, as it is stored, sent in links and handed out in files. */
export const examValue = z.object({
  title: z.catch(z.string().check(z.maxLength(240)), ""),
  questions: z.array(z.enum(QUESTIONS)).check(z.minLength(1), z.maxLength(QUESTIONS.length)),
  modes: z.array(modeId).check(z.minLength(1), z.maxLength(60)),
  textures: z.array(z.enum(TEXTURES)).check(z.minLength(1), z.maxLength(TEXTURES.length)),
  home: z.int().check(z.minimum(-15), z.maximum(15)),
  moves: z.boolean(),
  octaves: z.union([z.literal(1), z.literal(2)]),
  way: z.enum(["up", "down", "both"]),
  times: z.int().check(z.minimum(0), z.maximum(9)),
  count: z.int().check(z.minimum(1), z.maximum(200)),
  answers: z.enum(["each", "end"]),
  // Exams from before there was a choice.
  register: z._default(z.enum(REGISTERS), "middle"),
  tunes: z._default(z.array(examTune).check(z.maxLength(20)), []),
});
export type ExamValue = z.infer<typeof examValue>;

/** Questions and what was answered, by their place; a question without an answer is still to come. */
const questions = z.object({
  exam: examValue,
  asked: z
    .array(
      z.object({
        card,
        home: z.int(),
        seed: z.int(),
        /** Ids of the modes that may be meant, and how it is heard; questions from before they were kept have none of these. */
        choices: z.optional(z.readonly(z.array(modeId).check(z.maxLength(60)))),
        octaves: z.optional(z.union([z.literal(1), z.literal(2)])),
        times: z.optional(z.int().check(z.minimum(0), z.maximum(9))),
        level: z.optional(z.string().check(z.maxLength(60))),
      }),
    )
    .check(z.maxLength(200)),
  /** Each question follows from the answers before, to find the level to begin with. */
  isPlacement: z.optional(z.boolean()),
  /** What is due and what the level asks that day: another day it would be other questions. */
  isOfDay: z.optional(z.boolean()),
  attempts: z
    .array(
      z.object({
        nth: z.int().check(z.minimum(0), z.maximum(199)),
        /** Milliseconds since 1970. */
        at: z.number(),
        isRight: z.boolean(),
        given: z.string().check(z.maxLength(240)),
        right: z.string().check(z.maxLength(240)),
        took: z.number().check(z.minimum(0)),
        heard: z.int().check(z.minimum(0)),
      }),
    )
    .check(z.maxLength(200)),
});

/** What is practised with the hand. */
export const PRACTICE_KINDS = ["mode", "line", "voicing", "chart", "tune", "ear", "free"] as const;
export type PracticeKind = (typeof PRACTICE_KINDS)[number];

export const FELT = ["easy", "right", "hard"] as const;
export type Felt = (typeof FELT)[number];

/** Characters of an address that a piece of the log keeps. */
export const MAX_PLAYED_LINK = 2000;

const tempo = z.number().check(z.minimum(1), z.maximum(400));

const played = z.object({
  id: z.string().check(z.minLength(1), z.maxLength(64)),
  /** When it was begun, in milliseconds since 1970. */
  at: z.number(),
  title: z.string().check(z.maxLength(240)),
  kind: z.enum(PRACTICE_KINDS),
  mode: z.optional(modeId),
  home: z.optional(noteName),
  instrument: z.optional(z.string().check(z.maxLength(60))),
  seconds: z.number().check(z.minimum(0), z.maximum(86_400)),
  /** Beats a minute that were reached, that were begun with, and that the routine asked for. */
  tempo: z.optional(tempo),
  tempoBegun: z.optional(tempo),
  tempoAsked: z.optional(tempo),
  /** Rounds that were played to their end. */
  rounds: z.optional(z.int().check(z.minimum(0), z.maximum(100_000))),
  /** The item of a routine that it was, and where that opens; long addresses are left out. */
  item: z.optional(z.string().check(z.maxLength(64))),
  link: z.optional(z.string().check(z.maxLength(MAX_PLAYED_LINK), z.regex(/^\/(?!\/)/u))),
  felt: z.optional(z.enum(FELT)),
});
export type Played = z.infer<typeof played>;

/** A time that somebody sat down to train or to practise. */
const sitting = z.object({
  version: z.literal(SITTING_VERSION),
  id: z.string().check(z.minLength(1), z.maxLength(64)),
  title: z.string().check(z.maxLength(240)),
  startedAt: z.iso.datetime(),
  /** Set once it is over; without it, it can be gone on with. */
  endedAt: z.optional(z.iso.datetime()),
  changedAt: z.iso.datetime(),
  deletedAt: z.optional(z.iso.datetime()),
  words: z.string().check(z.maxLength(20_000)),
  ear: z.optional(questions),
  played: z.array(played).check(z.maxLength(500)),
});
export type Sitting = z.infer<typeof sitting>;

export const SITTINGS: Versioned<Sitting> = { version: SITTING_VERSION, schema: sitting, migrations: [] };

/**
 * Two states of one sitting made into one: what was answered or played in either is there, each question with its first answer; of all
 * else the later state counts.
 */
export function mergedSittings(one: Sitting, other: Sitting): Sitting {
  const [older, newer] = one.changedAt <= other.changedAt ? [one, other] : [other, one];
  const pieces = new Map([...older.played, ...newer.played].map((each) => [each.id, each]));
  const ear = newer.ear ?? older.ear;
  const attempts = new Map(
    [...(older.ear?.attempts ?? []), ...(newer.ear?.attempts ?? [])]
      .toSorted((a, b) => b.at - a.at)
      .map((each) => [each.nth, each]),
  );
  return {
    ...newer,
    // What was taken out by hand in the later state stays out.
    played: newer.endedAt === undefined ? [...pieces.values()] : newer.played,
    ...(ear ? { ear: { ...ear, attempts: [...attempts.values()].toSorted((a, b) => a.nth - b.nth) } } : {}),
  };
}
