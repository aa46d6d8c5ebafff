import * as z from "zod/mini";
import { SEVEN } from "@/core/scale";
import { QUESTIONS, TEXTURES } from "@/core/training";
import { documentOf } from "@/session";
import { examValue, type ExamValue } from "@/storage";
import { ear } from "./manifest";

export const EAR = ear.id;

/** An exam as it begins. */
export const BLANK_EXAM: ExamValue = {
  title: "",
  questions: ["mode"],
  modes: ["ionian", "mixolydian", "dorian", "aeolian"],
  textures: ["drone"],
  home: 2,
  moves: false,
  octaves: 1,
  way: "both",
  times: 0,
  count: 8,
  answers: "end",
  register: "middle",
  tunes: [],
};

/** Exams that stand ready, on any home. */
export const READY_EXAMS: readonly ExamValue[] = [
  { ...BLANK_EXAM, title: "Quiz: four modes", moves: true },
  {
    ...BLANK_EXAM,
    title: "Exam: two octaves, once",
    modes: SEVEN.map(({ id }) => id),
    textures: ["scale"],
    moves: true,
    octaves: 2,
    way: "both",
    times: 1,
    count: 20,
  },
];

/** The exam that is put together: links carry it, and every step can be undone. */
export const examDocument = documentOf<ExamValue>(
  {
    kind: "exam",
    isListed: true,
    stored: { version: 1, schema: examValue, migrations: [] },
    blank: BLANK_EXAM,
    isBlank: (exam) => JSON.stringify(exam) === JSON.stringify(BLANK_EXAM),
    titleOf: ({ title, questions, modes }) => title || `${questions.join(", ")}: ${modes.length} modes`,
  },
  "ear/exam",
);

/** One of several taken in or out, in their usual order; the last stays. */
export function flipped<T>(all: readonly T[], chosen: readonly T[], one: T): T[] {
  const next = all.filter((each) => (each === one ? !chosen.includes(each) : chosen.includes(each)));
  return next.length > 0 ? next : [...chosen];
}

export const flipQuestion = (exam: ExamValue, one: (typeof QUESTIONS)[number]): Partial<ExamValue> => ({
  questions: flipped(QUESTIONS, exam.questions, one),
});

export const flipTexture = (exam: ExamValue, one: (typeof TEXTURES)[number]): Partial<ExamValue> => ({
  textures: flipped(TEXTURES, exam.textures, one),
});

/** What an exam file says it is. */
const FORMAT = "shade-exam";
const VERSION = 1;

/** An exam as a file that others can open. */
export const writeExam = (exam: ExamValue): string =>
  `${JSON.stringify({ format: FORMAT, version: VERSION, exam }, null, 1)}\n`;

/** The exam of a file, by what it says as JSON; undefined where it is none, or of a version that isn't known yet. */
export function readExam(json: unknown): ExamValue | undefined {
  const read = examFile.safeParse(json);
  return read.success ? read.data.exam : undefined;
}

const examFile = z.object({ format: z.literal(FORMAT), version: z.literal(VERSION), exam: examValue });
