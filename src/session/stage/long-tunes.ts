import { identify, type Identification } from "@/core/identify";
import { type Recipe, reshape, type Reshaped } from "@/core/reshape";
import { allNotes, type Tune } from "@/core/tune";
import { identifyAway, type Outcome, reshapeAway, type TuneAsked } from "@/workers";

/** A tune of more notes takes longer to identify than a drawing may, or to reshape: a worker does it. */
const [LONG_TO_IDENTIFY, LONG_TO_RESHAPE] = [200, 600];

/** Whether a tune is identified beside the page. */
export const isLong = (tune: Tune): boolean => allNotes(tune).length > LONG_TO_IDENTIFY;

/** Whether a tune is reshaped beside the page. */
export const isLongToReshape = (tune: Tune): boolean => allNotes(tune).length > LONG_TO_RESHAPE;

/** What a long tune is in; where no worker can be had, the page waits for it. */
export async function identifyElsewhere({
  tune,
  choice,
}: TuneAsked): Promise<Outcome<Identification | undefined>> {
  const outcome = await identifyAway({ tune, choice });
  return isFailed(outcome) ? { answer: identify(tune, choice) } : outcome;
}

/** A long tune by recipes, in their order. */
export async function reshapeElsewhere(
  tune: Tune,
  recipes: readonly Recipe[],
): Promise<Outcome<readonly Reshaped[]>> {
  const outcome = await reshapeAway(tune, recipes);
  return isFailed(outcome) ? { answer: recipes.map((recipe) => reshape(tune, recipe)) } : outcome;
}

const isFailed = (outcome: Outcome<unknown>): boolean => "none" in outcome && outcome.none === "failed";
