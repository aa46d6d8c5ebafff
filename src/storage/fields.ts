import * as z from "zod/mini";
import { readStrings } from "@/core/instrument";
import { maybeFifths } from "@/core/pitch";
import { maybeMode } from "@/core/scale";

/** A note by its name, and a mode by its id, as records have them. */
export const noteName = z.string().check(z.refine((text) => maybeFifths(text) !== undefined));
export const modeId = z.string().check(z.refine((id) => maybeMode(id) !== undefined));

/** Open strings, "E2 A2 D3 G3 B3 E4", that make a neck. */
export const strings = z.string().check(
  z.maxLength(120),
  z.refine((text) => readStrings(text).problems.length === 0),
);
