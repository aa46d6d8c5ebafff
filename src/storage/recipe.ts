import * as z from "zod/mini";
import { maybePitch } from "@/core/pitch";
import {
  ARRANGEMENTS,
  CHROMATIC_RULES,
  HARMONY_RHYTHMS,
  HARMONY_SOURCES,
  MISSING_RULES,
} from "@/core/reshape";
import { modeId, noteName } from "./fields";

const place = z.int().check(z.minimum(0), z.maximum(1_000_000));

/** How a tune is put into another mode, as it is stored: what was set by hand stands apart from the rules. */
export const recipeValue = z.object({
  /** The mode that the tune is taken to be in; what Identify finds where it is left out. */
  from: z.catch(z.optional(z.object({ home: noteName, mode: modeId })), undefined),
  mode: z.catch(modeId, "phrygian"),
  /** Home stays, or the notes of the parent do. */
  way: z.catch(z.enum(["parallel", "relative"]), "parallel"),
  /** Another home, in the parallel way. */
  home: z.catch(z.optional(noteName), undefined),
  missing: z.catch(z.enum(MISSING_RULES), "nearest"),
  chromatic: z.catch(z.enum(CHROMATIC_RULES), "distance"),
  bars: z.catch(z.optional(z.object({ from: place, to: place })), undefined),
  /** Notes that were set by hand, by their places in the tune. */
  byHand: z.catch(
    z
      .array(
        z.object({
          place,
          pitch: z.string().check(
            z.maxLength(8),
            z.refine((text) => maybePitch(text) !== undefined),
          ),
        }),
      )
      .check(z.maxLength(5000)),
    [],
  ),
  chords: z.catch(z.enum(["carried", "rebuilt", "none"]), "rebuilt"),
  source: z.catch(z.enum(HARMONY_SOURCES), "mode"),
  rhythm: z.catch(z.enum(HARMONY_RHYTHMS), "bar"),
  hasPedal: z.catch(z.boolean(), false),
  seeksCharacteristic: z.catch(z.boolean(), false),
  /** Chords have their sevenths; left out, as in the chords that the tune comes with. */
  hasSevenths: z.catch(z.optional(z.boolean()), undefined),
  /** Which of the harmonies that were found, from 0. */
  which: z.catch(z.int().check(z.minimum(0), z.maximum(9)), 0),
  /** Who plays the chords, written out under the melody. */
  parts: z.catch(z.enum(ARRANGEMENTS), "none"),
  /** The melody stays within the instrument. */
  isInRange: z.catch(z.boolean(), false),
});
export type RecipeValue = z.infer<typeof recipeValue>;
