import * as z from "zod/mini";
import { TUNE_SOURCES } from "@/formats/tune-source";
import { documentOf, openIn } from "@/session";
import { MAX_TUNE_TEXT, recipeValue, type RecipeValue } from "@/storage";
import { RESHAPE } from "./route";

/** Versions of one tune at most: A to E. */
export const MAX_VERSIONS = 5;

const reshapingValue = z.object({
  source: z.enum(TUNE_SOURCES),
  text: z.string().check(z.maxLength(MAX_TUNE_TEXT)),
  name: z.catch(z.string().check(z.maxLength(240)), ""),
  versions: z.array(recipeValue).check(z.minLength(1), z.maxLength(MAX_VERSIONS)),
  /** The version in front, from 0; -1 for the original. */
  at: z.catch(z.int().check(z.minimum(-1), z.maximum(MAX_VERSIONS - 1)), 0),
});
type ReshapingValue = z.infer<typeof reshapingValue>;

/** A recipe as it begins. */
export const BLANK_RECIPE: RecipeValue = recipeValue.parse({});

const BLANK: ReshapingValue = { source: "abc", text: "", name: "", versions: [BLANK_RECIPE], at: 0 };

/** The tune that is put into another mode, with its versions. */
export const reshapeDocument = documentOf<ReshapingValue>(
  {
    kind: "reshaping",
    isListed: true,
    stored: { version: 1, schema: reshapingValue, migrations: [] },
    blank: BLANK,
    isBlank: ({ text }) => text.trim() === "",
    titleOf: ({ name, text }) => name || (/^T:\s*(.+)$/mu.exec(text)?.[1] ?? "").slice(0, 60),
  },
  `${RESHAPE}/melody`,
  `${RESHAPE}/modes`,
);

/** Opens a tune to be put into another mode. */
export const openToReshape = (
  tune: Pick<ReshapingValue, "source" | "text" | "name">,
  recipe: RecipeValue = BLANK_RECIPE,
): void => openIn(RESHAPE, reshapeDocument, { ...BLANK, ...tune, versions: [recipe] }, "melody");
