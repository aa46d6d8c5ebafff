import { z } from "zod";
import { CLAIMS } from "@/core/chord";
import { documentOf } from "@/session";

const question = z.object({
  among: z.union([z.literal("named"), z.int().min(2).max(12)]).catch(7),
  anyHome: z.boolean().catch(false),
  holds: z.string().max(200).catch(""),
  lacks: z.string().max(200).catch(""),
  chords: z.string().max(400).catch(""),
  claims: z.array(z.enum(CLAIMS)).catch([]),
  near: z.boolean().catch(false),
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
