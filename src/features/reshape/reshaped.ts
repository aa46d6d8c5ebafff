import { atom, computed } from "nanostores";
import { identify, type Identification } from "@/core/identify";
import { fifthsOf, maybePitch, printName } from "@/core/pitch";
import { type Recipe, relativeHome, reshape, type Reshaped } from "@/core/reshape";
import { type HomeMode, mode as modeById, type Mode } from "@/core/scale";
import { allNotes, EPSILON, firstPlace, type Tune } from "@/core/tune";
import { soundRow } from "@/core/instrument";
import { $lineSound, answering, answerState, readMusic } from "@/session";
import { reshapeDocument } from "./reshape-document";
import { identifyElsewhere, isLong, isLongToReshape, reshapeElsewhere } from "@/session/stage/long-tunes";
import type { RecipeValue } from "@/storage";
import { newestWins } from "@/workers";

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

/** What a long tune is in is asked with the document that it is the tune of: there a tune changes while it is written. */
const $askedLong = computed($tune, (tune) =>
  tune && isLong(tune) ? { tune, choice: {}, of: reshapeDocument.$id.get() } : undefined,
);

const $longFound = answering($askedLong, newestWins(identifyElsewhere));

/**
 * What the tune is in, as it is heard. A long one is listened to in a worker: until then there is no answer, or while it is written that
 * of the tune as it was.
 */
export const $found = computed([$tune, $longFound], (tune, long): Identification | undefined => {
  if (!tune || !isLong(tune)) return tune && identify(tune, {});
  return long?.asked.of === reshapeDocument.$id.get() ? long.answer : undefined;
});

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
  const {
    missing,
    chromatic,
    bars,
    byHand,
    chords,
    source,
    rhythm,
    hasPedal,
    seeksCharacteristic,
    hasSevenths,
    which,
    parts,
  } = value;
  return {
    ...{ from, to: toOf(value, from), missing, chromatic, chords, which, bars, parts },
    byHand: new Map(
      byHand.flatMap(({ place, pitch }) => {
        const set = maybePitch(pitch);
        return set ? [[place, set] as const] : [];
      }),
    ),
    harmony: { source, rhythm, hasPedal, seeksCharacteristic, hasSevenths },
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

/** What is to be made: every version of a tune. */
interface ToMake {
  readonly tune: Tune;
  readonly found: Identification;
  readonly values: readonly RecipeValue[];
  /** The instrument whose range a version may keep to. */
  readonly sound: ReturnType<typeof $lineSound.get>;
}

const $values = computed($value, ({ versions }) => versions);

const $toMake = computed(
  [$tune, $found, $values, $lineSound],
  (tune, found, values, sound): ToMake | undefined =>
    tune && found ? { tune, found, values, sound } : undefined,
);

let made: readonly Made[] = [];

/** Those that are made already: their recipe hasn't changed. */
const knownOf = ({ tune, values, sound }: ToMake): readonly (Made | undefined)[] =>
  values.map((value) =>
    made.find(
      (each) =>
        each.tune === tune &&
        each.range === (value.isInRange ? sound : "") &&
        JSON.stringify(each.value) === JSON.stringify(value),
    ),
  );

/** The recipes of the others. */
const recipesOf = ({ values, found, sound }: ToMake, known: readonly (Made | undefined)[]) =>
  values.filter((_, at) => !known[at]).map((value) => recipeOf(value, found, soundRow(sound).range));

/** Every version in its order, those that were made anew among them. */
function versionsOf(
  { tune, values, sound }: ToMake,
  known: readonly (Made | undefined)[],
  fresh: readonly Reshaped[],
): readonly Reshaped[] {
  const next = fresh.values();
  made = values.map(
    (value, at) =>
      known[at] ?? {
        ...{ value, tune, range: value.isInRange ? sound : "" },
        reshaped: next.next().value as Reshaped,
      },
  );
  return made.map(({ reshaped }) => reshaped);
}

function makeHere(asked: ToMake): readonly Reshaped[] {
  const known = knownOf(asked);
  return versionsOf(
    asked,
    known,
    recipesOf(asked, known).map((recipe) => reshape(asked.tune, recipe)),
  );
}

const makeElsewhere = newestWins(async (asked: ToMake) => {
  const known = knownOf(asked);
  const outcome = await reshapeElsewhere(asked.tune, recipesOf(asked, known));
  return "answer" in outcome ? { answer: versionsOf(asked, known, outcome.answer) } : outcome;
});

const $toMakeLong = computed($toMake, (asked) => (asked && isLongToReshape(asked.tune) ? asked : undefined));

const $longMade = answering($toMakeLong, makeElsewhere);

/** Every version of the tune; one whose recipe hasn't changed stays the same object. Those of a long tune come from a worker. */
export const $versions = computed([$toMake, $longMade], (asked, long): readonly Reshaped[] => {
  if (!asked) return [];
  if (!isLongToReshape(asked.tune)) return makeHere(asked);
  return long?.asked.tune === asked.tune ? long.answer : [];
});

/** Where the answer is: the text is read first; a long tune is listened to, and made anew, in a worker. */
export const $answerState = answerState([$asked, $read], [$askedLong, $longFound], [$toMakeLong, $longMade]);

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

/** The melody of the version that is worked on, to be listened to by itself: without its chords, and whatever its key says. */
const $melody = computed([$worked, $recipe], (worked, { bars }) =>
  worked && worked.tune.notes.length > 0 && !bars
    ? {
        tune: { ...worked.tune, keys: [], chords: [], beneath: undefined, voices: undefined },
        worked,
        choice: {},
      }
    : undefined,
);

const $heardMelody = answering($melody, newestWins(identifyElsewhere));

/** What the version that is worked on is heard in, once it has been listened to; that comes after it is shown. */
export const $heardAs = computed([$heardMelody, $worked], (heard, worked): HomeMode | undefined =>
  heard?.asked.worked === worked ? heard?.answer?.homeMode : undefined,
);

const $chosenNote = atom<{ readonly of: Tune; readonly place: number } | undefined>();

/** The selected note, by its place in the tune before; none once that is another tune. */
export const $chosen = computed([$chosenNote, $tune], (chosen, tune) =>
  chosen?.of === tune ? chosen?.place : undefined,
);

/** Selects a note by its place in the tune before, or none. */
export function chooseNote(place: number | undefined): void {
  const of = $tune.get();
  $chosenNote.set(of && place !== undefined ? { of, place } : undefined);
}

/** Selects the note that sounds at a time, or the next one: so a chord is selected. */
export function chooseAt(onset: number): void {
  const { notes = [] } = $tune.get() ?? {};
  const next = firstPlace(notes, (note) => note.onset > onset + EPSILON);
  const sounds = notes[next - 1];
  const isOn = sounds !== undefined && sounds.onset + sounds.duration > onset + EPSILON;
  chooseNote(isOn ? next - 1 : next < notes.length ? next : undefined);
}

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
