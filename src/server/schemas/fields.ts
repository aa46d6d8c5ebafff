import { z } from "zod";

/** What several endpoints take and answer. */

export const note = z
  .string()
  .regex(/^[A-G](#+|b+)?$/)
  .meta({ description: "A note name in ASCII: C, F#, Ebb", example: "F#" });

export const degree = z
  .string()
  .regex(/^(#+|b+)?\d+$/)
  .meta({ description: "A degree against the major scale: 1, b3, #4", example: "b3" });

export const id = z
  .string()
  .meta({ description: "The id of a mode, kebab-case, or set- and its 12-bit number", example: "dorian" });

export const symbol = z.string().meta({ description: "A chord symbol in ASCII", example: "Em9" });

export const place = z.object({ home: note, mode: id });

export const apiProblem = z.object({
  code: z.string(),
  line: z.int().optional(),
  column: z.int().optional(),
  found: z.string().optional(),
  expected: z.string().optional(),
});

/** RFC 9457, with what was wrong in `errors`. */
export const problemAnswer = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  errors: z.array(apiProblem),
});
