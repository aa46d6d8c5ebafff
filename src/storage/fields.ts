import { z } from "zod";
import { maybeFifths } from "@/core/pitch";
import { maybeMode } from "@/core/scale";

/** A note by its name, and a mode by its id, as records have them. */
export const noteName = z.string().refine((text) => maybeFifths(text) !== undefined);
export const modeId = z.string().refine((id) => maybeMode(id) !== undefined);
