import { z } from "zod";
import { maybePitch } from "@/core/pitch";
import { ARRANGEMENTS, HARMONY_RHYTHMS, HARMONY_SOURCES, MISSING_RULES } from "@/core/reshape";
import { modeId, noteName } from "./fields";

const place = z.int().min(0).max(1_000_000);

/** How a tune is put into another mode, as it is stored: what was set by hand stands apart from the rules. */
export const recipeValue = z.object({
  /** The mode that the tune is taken to be in; what Identify finds where it is left out. */
  from: z.object({ home: noteName, mode: modeId }).optional().catch(undefined),
  mode: modeId.catch("phrygian"),
  /** Home stays, or the notes of the parent do. */
  way: z.enum(["parallel", "relative"]).catch("parallel"),
  /** Another home, in the parallel way. */
  home: noteName.optional().catch(undefined),
  missing: z.enum(MISSING_RULES).catch("nearest"),
  bars: z.object({ from: place, to: place }).optional().catch(undefined),
  /** Notes that were set by hand, by their places in the tune. */
  byHand: z
    .array(
      z.object({
        place,
        pitch: z
          .string()
          .max(8)
          .refine((text) => maybePitch(text) !== undefined),
      }),
    )
    .max(5000)
    .catch([]),
  chords: z.enum(["carried", "rebuilt", "none"]).catch("rebuilt"),
  source: z.enum(HARMONY_SOURCES).catch("mode"),
  rhythm: z.enum(HARMONY_RHYTHMS).catch("bar"),
  hasPedal: z.boolean().catch(false),
  seeksCharacteristic: z.boolean().catch(false),
  /** Which of the harmonies that were found, from 0. */
  which: z.int().min(0).max(9).catch(0),
  /** Who plays the chords, written out under the melody. */
  parts: z.enum(ARRANGEMENTS).catch("none"),
  /** The melody stays within the instrument. */
  isInRange: z.boolean().catch(false),
});
export type RecipeValue = z.infer<typeof recipeValue>;
