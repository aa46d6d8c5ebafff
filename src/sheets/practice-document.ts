import { z } from "zod";
import { LINE_FIGURES, SYSTEMS } from "@/core/instrument";
import { documentOf } from "@/session";
import { modeId, noteName } from "@/storage";

const practice = z.object({
  modes: z
    .array(z.object({ home: noteName, mode: modeId }))
    .max(24)
    .catch([]),
  system: z.enum(SYSTEMS).optional().catch(undefined),
  hands: z.array(z.int().min(0).max(36)).max(24).catch([]),
  figures: z.array(z.enum(LINE_FIGURES)).optional().catch(undefined),
  octaves: z
    .union([z.literal(1), z.literal(2)])
    .optional()
    .catch(undefined),
  labels: z.enum(["notes", "degrees", "fingers"]).catch("notes"),
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
