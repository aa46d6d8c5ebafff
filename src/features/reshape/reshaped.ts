import { computed } from "nanostores";
import { identify, type Identification } from "@/core/identify";
import { fifthsOf, maybePitch, printName } from "@/core/pitch";
import { type Recipe, relativeHome, reshape, type Reshaped } from "@/core/reshape";
import { type HomeMode, mode as modeById, type Mode } from "@/core/scale";
import { allNotes, type Tune } from "@/core/tune";
import { keyRange } from "@/audio";
import { $lineSound, answering, readMusic, reshapeDocument } from "@/session";
import type { RecipeValue } from "@/storage";

const { $value } = reshapeDocument;

const $source = computed($value, ({ source }) => source);
const $text = computed($value, ({ text }) => text);
const $name = computed($value, ({ name }) => name);

const $asked = computed([$source, $text, $name], (source, text, name) =>
  text.trim() === "" ? undefined : { source, text, name },
);

/** What the text was read as: its tunes, and what in it was not understood. */
export const $read = answering($asked, async (asked) => ({ answer: await readMusic(asked) }));

/** The tune that is reshaped: the first of the text that has notes. */
export const $tune = computed($read, (read): Tune | undefined =>
  read?.answer.value.map(({ tune }) => tune).find((tune) => allNotes(tune).length > 0),
);

/** What the tune is in, as it is heard. */
export const $found = computed($tune, (tune): Identification | undefined => tune && identify(tune, {}));

/** From which mode the tune is taken: the one that is set, or the one that is heard. */
export const fromOf = ({ from }: RecipeValue, found: Identification): HomeMode =>
  from ? { home: fifthsOf(from.home), mode: modeById(from.mode) } : found.homeMode;

/** Into which mode, on which home. */
export function toOf(recipe: RecipeValue, from: HomeMode): HomeMode {
  const mode = modeById(recipe.mode);
  const home =
    recipe.way === "relative"
      ? (relativeHome(from, mode) ?? from.home)
      : recipe.home === undefined
        ? from.home
        : fifthsOf(recipe.home);
  return { home, mode };
}

/** Whether a mode can be reached on the same notes. */
export const hasRelative = (from: HomeMode, mode: Mode): boolean => relativeHome(from, mode) !== undefined;

function recipeOf(value: RecipeValue, found: Identification, range: readonly [number, number]): Recipe {
  const from = fromOf(value, found);
  const { missing, bars, byHand, chords, source, rhythm, hasPedal, seeksCharacteristic, which, parts } =
    value;
  return {
    ...{ from, to: toOf(value, from), missing, chords, which, bars, parts },
    byHand: new Map(
      byHand.flatMap(({ place, pitch }) => {
        const set = maybePitch(pitch);
        return set ? [[place, set] as const] : [];
      }),
    ),
    harmony: { source, rhythm, hasPedal, seeksCharacteristic },
    range: value.isInRange ? { low: range[0], high: range[1] } : undefined,
  };
}

/** A version as it was made, and the recipe that it was made by. */
interface Made {
  readonly value: RecipeValue;
  readonly tune: Tune;
  readonly range: string;
  readonly reshaped: Reshaped;
}

let made: readonly Made[] = [];

/** Every version of the tune; one whose recipe hasn't changed stays the same object. */
export const $versions = computed(
  [$tune, $found, $value, $lineSound],
  (tune, found, { versions }, sound): readonly Reshaped[] => {
    if (!tune || !found) return [];
    const range = keyRange(sound);
    made = versions.map((value) => {
      const known = made.find(
        (each) =>
          each.tune === tune &&
          each.range === (value.isInRange ? sound : "") &&
          JSON.stringify(each.value) === JSON.stringify(value),
      );
      return (
        known ?? {
          ...{ value, tune, range: value.isInRange ? sound : "" },
          reshaped: reshape(tune, recipeOf(value, found, range)),
        }
      );
    });
    return made.map(({ reshaped }) => reshaped);
  },
);

/** Which version is in front, from 0; -1 for the original. */
export const $at = computed($value, ({ at, versions }) => Math.min(at, versions.length - 1));

/** The version that is worked on: the one in front, or the first while the original is. */
export const $worked = computed([$at, $versions], (at, all): Reshaped | undefined => all[Math.max(0, at)]);

/** What is shown and heard: a version, or the original with its chords. */
export const $shown = computed([$at, $versions, $tune], (at, all, tune): Tune | undefined =>
  at < 0 ? tune : all[at]?.tune,
);

/** What the tune that is shown is in. */
export const $homeMode = computed([$at, $worked, $found], (at, worked, found): HomeMode | undefined =>
  at < 0 ? found?.homeMode : worked?.to,
);

/** The recipe that is worked on. */
export const $recipe = computed(
  [$value, $at],
  ({ versions }, at): RecipeValue => versions[Math.max(0, at)] as RecipeValue,
);

/** Changes the recipe that is worked on; the version comes to the front. */
export function changeRecipe(part: Partial<RecipeValue>): void {
  const { versions } = $value.get();
  const at = Math.max(0, $at.get());
  reshapeDocument.change({
    at,
    versions: versions.map((each, nth) => (nth === at ? { ...each, ...part } : each)),
  });
}

/** Sets a note by hand, or gives it back to the rule. */
export function setNote(place: number, pitch: string | undefined): void {
  const { byHand } = $recipe.get();
  const others = byHand.filter((each) => each.place !== place);
  changeRecipe({ byHand: pitch === undefined ? others : [...others, { place, pitch }] });
}

export const fromValue = ({ home, mode }: HomeMode): RecipeValue["from"] => ({
  home: printName(home),
  mode: mode.id,
});
