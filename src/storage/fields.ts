import * as z from "zod/mini";
import { maybeFifths } from "@/core/pitch";
import { maybeMode } from "@/core/scale";

/** A note by its name, and a mode by its id, as records have them. */
export const noteName = z.string().check(z.refine((text) => maybeFifths(text) !== undefined));
export const modeId = z.string().check(z.refine((id) => maybeMode(id) !== undefined));
