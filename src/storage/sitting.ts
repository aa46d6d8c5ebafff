import { z } from "zod";
import { QUESTIONS, REGISTERS, TEXTURES } from "@/core/training";
import { modeId, noteName } from "./fields";
import type { Versioned } from "./versioned";

/** The version of every sitting written now. */
export const SITTING_VERSION = 1;

const card = z.object({
  question: z.enum(QUESTIONS),
  mode: modeId,
  texture: z.enum(TEXTURES).optional(),
});

/** Half steps from home, in either way, that a tune may reach; notes of it and quarters that it may last. */
const [FAR, MAX_TUNE_NOTES, MAX_TUNE_BEATS] = [60, 200, 100];

const examTune = z.object({
  title: z.string().max(240),
  mode: modeId,
  notes: z
    .array(
      z.tuple([
        z.int().min(-30).max(30),
        z.int().min(-FAR).max(FAR),
        z.number().min(0).max(MAX_TUNE_BEATS),
        z.number().positive().max(MAX_TUNE_BEATS),
      ]),
    )
    .min(2)
    .max(MAX_TUNE_NOTES),
  beats: z.number().positive().max(MAX_TUNE_BEATS),
});

/** What a row of questions is made of, as it is stored, sent in links and handed out in files. */
export const examValue = z.object({
  title: z.string().max(240).catch(""),
  questions: z.array(z.enum(QUESTIONS)).min(1).max(QUESTIONS.length),
  modes: z.array(modeId).min(1).max(60),
  textures: z.array(z.enum(TEXTURES)).min(1).max(TEXTURES.length),
  home: z.int().min(-15).max(15),
  moves: z.boolean(),
  octaves: z.union([z.literal(1), z.literal(2)]),
  way: z.enum(["up", "down", "both"]),
  times: z.int().min(0).max(9),
  count: z.int().min(1).max(200),
  answers: z.enum(["each", "end"]),
  // Exams from before there was a choice.
  register: z.enum(REGISTERS).default("middle"),
  tunes: z.array(examTune).max(20).default([]),
});
export type ExamValue = z.infer<typeof examValue>;

/** Questions and what was answered, by their place; a question without an answer is still to come. */
const questions = z.object({
  exam: examValue,
  asked: z.array(z.object({ card, home: z.int(), seed: z.int() })).max(200),
  attempts: z
    .array(
      z.object({
        nth: z.int().min(0).max(199),
        /** Milliseconds since 1970. */
        at: z.number(),
        isRight: z.boolean(),
        given: z.string().max(240),
        right: z.string().max(240),
        took: z.number().min(0),
        heard: z.int().min(0),
      }),
    )
    .max(200),
});

/** What is practised with the hand. */
export const PRACTICE_KINDS = ["mode", "line", "voicing", "chart", "tune", "free"] as const;
export type PracticeKind = (typeof PRACTICE_KINDS)[number];

export const FELT = ["easy", "right", "hard"] as const;
export type Felt = (typeof FELT)[number];

const played = z.object({
  id: z.string().min(1).max(64),
  /** When it was begun, in milliseconds since 1970. */
  at: z.number(),
  title: z.string().max(240),
  kind: z.enum(PRACTICE_KINDS),
  mode: modeId.optional(),
  home: noteName.optional(),
  instrument: z.string().max(60).optional(),
  seconds: z.number().min(0).max(86_400),
  /** Beats a minute at the end. */
  tempo: z.number().min(1).max(400).optional(),
  felt: z.enum(FELT).optional(),
});
export type Played = z.infer<typeof played>;

/** A time that somebody sat down to train or to practise. */
const sitting = z.object({
  version: z.literal(SITTING_VERSION),
  id: z.string().min(1).max(64),
  title: z.string().max(240),
  startedAt: z.iso.datetime(),
  /** Set once it is over; without it, it can be gone on with. */
  endedAt: z.iso.datetime().optional(),
  changedAt: z.iso.datetime(),
  deletedAt: z.iso.datetime().optional(),
  words: z.string().max(20_000),
  ear: questions.optional(),
  played: z.array(played).max(500),
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
