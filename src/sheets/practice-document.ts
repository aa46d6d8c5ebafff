import * as z from "zod/mini";
import { LINE_FIGURES, SYSTEMS } from "@/core/instrument";
import { documentOf } from "@/session";
import { modeId, noteName } from "@/storage";

const practice = z.object({
  modes: z.catch(z.array(z.object({ home: noteName, mode: modeId })).check(z.maxLength(24)), []),
  system: z.catch(z.optional(z.enum(SYSTEMS)), undefined),
  hands: z.catch(z.array(z.int().check(z.minimum(0), z.maximum(36))).check(z.maxLength(24)), []),
  figures: z.catch(z.optional(z.array(z.enum(LINE_FIGURES))), undefined),
  octaves: z.catch(z.optional(z.union([z.literal(1), z.literal(2)])), undefined),
  labels: z.catch(z.enum(["notes", "degrees", "fingers"]), "notes"),
});
export type Practice = z.infer<typeof practice>;

/** What is chosen for the practice sheet; what isn't follows the stage. */
export const practiceSheet = documentOf<Practice>({
  kind: "practice",
  stored: { version: 1, schema: practice, migrations: [] },
  blank: practice.parse({}),
  isBlank: () => false,
  titleOf: ({ modes }) => modes.map(({ home, mode }) => `${home} ${mode}`).join(", "),
  fromDraft: ({ practice: chosen }) => practice.safeParse(chosen).data,
});
