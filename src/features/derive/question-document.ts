import * as z from "zod/mini";
import { CLAIMS } from "@/core/chord";
import { documentOf } from "@/session";

const question = z.object({
  among: z.catch(z.union([z.literal("named"), z.int().check(z.minimum(2), z.maximum(12))]), 7),
  anyHome: z.catch(z.boolean(), false),
  holds: z.catch(z.string().check(z.maxLength(200)), ""),
  lacks: z.catch(z.string().check(z.maxLength(200)), ""),
  chords: z.catch(z.string().check(z.maxLength(400)), ""),
  claims: z.catch(z.array(z.enum(CLAIMS)), []),
  near: z.catch(z.boolean(), false),
});
export type Question = z.infer<typeof question>;

/** The question that is asked of all modes. */
export const modeQuestion = documentOf<Question>(
  {
    kind: "question",
    stored: { version: 1, schema: question, migrations: [] },
    blank: question.parse({}),
    isBlank: () => false,
    titleOf: ({ holds, chords }) => [holds, chords].filter((each) => each !== "").join(", "),
    fromDraft: ({ question: asked }) => question.safeParse(asked).data,
  },
  "derive/ask",
);
