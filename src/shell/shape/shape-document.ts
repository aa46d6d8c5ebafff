import * as z from "zod/mini";
import { documentOf } from "@/session";
import { textOf } from "@/storage";

const shape = z.object({ text: z.string().check(z.maxLength(60)) });

/** The chord shape that is moved over a bass. */
export const chordShape = documentOf<z.infer<typeof shape>>(
  {
    kind: "shape",
    stored: { version: 1, schema: shape, migrations: [] },
    blank: { text: "maj9" },
    isBlank: () => false,
    titleOf: ({ text }) => text,
    fromDraft: ({ shape: typed }) =>
      textOf(typed) === "" ? undefined : { text: textOf(typed).slice(0, 60) },
  },
  "match/over-bass",
  "derive/chords",
);
