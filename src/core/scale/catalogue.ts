import { degreeNumber, degreeOf, type Interval, maybeDegree, printDegree } from "../pitch";
import {
  type FamilyRow,
  GAPPED_NAMED_AFTER,
  GAPPED_PARENTS,
  type Naming,
  OTHER_ROWS,
  OWN_SPELLING,
  SEVEN_NOTE_ROWS,
} from "./families";
import { differenceFrom, extentOf } from "./difference";
import { LISTED_NAMES } from "./listed-names";
import { plainForm } from "./plain-form";
import { compareRanks } from "./rank";
import {
  holds,
  members,
  rotations,
  size,
  type PitchClassSet,
  pitchClassSet,
  soundsOf,
} from "./pitch-class-set";
import { spellSet } from "./spell-set";

/** A family: the parent scale that its modes are rotations of. */
export interface Family {
  /** Id of the parent scale: "major" for the seven, otherwise the id of the family's first mode. */
  readonly id: string;
  readonly name: string;
  /**
   * The modes in the order of the parent's degrees. A parent that is its own transposition has fewer modes than notes:
   * the whole-tone scale has one.
   */
  readonly modes: readonly Mode[];
}

/** A mode: its intervals from home, rising, 1 first. Shared and frozen; one object for one set of sounds. */
export interface Mode {
  /** Kebab-case; its degrees, as 1-b2-b3-sharp4-5-6-b7, where the mode is not in the catalogue. */
  readonly id: string;
  /** Where the mode is not in the catalogue: as public lists call it, otherwise the nearest that is, with its changes: "Dorian ♭2 ♯4". */
  readonly name: string;
  readonly aliases: readonly string[];
  readonly intervals: readonly Interval[];
  /** The same by sound, home as bit 0. */
  readonly sounds: PitchClassSet;
  /** Id of the family and the degree of its parent that this mode starts on, from 1. */
  readonly family: string;
  readonly degree: number;
}

/**
 * The mode that begins on the nth note of a scale: its intervals counted from that note.
 *
 * @example rotate(major, 2) // Dorian: 0, 2, -3, -1, 1, 3, -2
 */
function rotate(intervals: readonly Interval[], degree: number): readonly Interval[] {
  const from = intervals[degree - 1] ?? 0;
  return [...intervals.slice(degree - 1), ...intervals.slice(0, degree - 1)].map(
    (interval) => interval - from,
  );
}

/** The names that lists give a set. */
const listedNames = (sounds: PitchClassSet): readonly string[] =>
  LISTED_NAMES[members(sounds).join(" ")] ?? [];

/** Builds a family from its parent's intervals; rotations that sound like one before them are not modes of their own. */
function family(
  { id, name }: { readonly id: string; readonly name?: string },
  parent: readonly Interval[],
  names: FamilyRow["names"],
): Family {
  const modes = rotations(soundsOf(parent)).map((sounds, at): Mode => {
    const naming: Naming | undefined = names[at + 1];
    const spelling = naming && OWN_SPELLING[naming[0]];
    const intervals = spelling
      ? spelling.split(" ").map(degreeOf)
      : naming || size(sounds) === 7
        ? rotate(parent, at + 1)
        : spellSet(sounds);
    const scale = { intervals: Object.freeze(intervals), sounds, family: id, degree: at + 1 };
    const listed = listedNames(sounds);
    if (naming) {
      const [modeId, modeName, ...aliases] = naming;
      const all = withoutRepeats([...aliases, ...listed], [modeName]);
      return Object.freeze({ id: modeId, name: modeName, aliases: Object.freeze(all), ...scale });
    }
    const [first, ...others] = listed;
    let name = first === undefined ? undefined : capital(first);
    return Object.freeze({
      id: idOfDegrees(intervals),
      get name() {
        return (name ??= nearName(scale));
      },
      aliases: Object.freeze(withoutRepeats(others, first === undefined ? [] : [first])),
      ...scale,
    });
  });
  const [first] = modes;
  return Object.freeze({
    id,
    get name() {
      return name ?? first?.name ?? id;
    },
    modes: Object.freeze(modes),
  });
}

const capital = (name: string) => name.charAt(0).toUpperCase() + name.slice(1);

/** Names that are not said yet, those that differ in case and spaces alone once. */
function withoutRepeats(names: readonly string[], said: readonly string[]): readonly string[] {
  const known = new Set(said.map(plainForm));
  return names.filter((name) => {
    const form = plainForm(name);
    if (known.has(form)) return false;
    known.add(form);
    return true;
  });
}

/** "1-b2-b3-sharp4-5-6-b7". */
const idOfDegrees = (intervals: readonly Interval[]): string =>
  intervals.map((interval) => printDegree(interval).replaceAll("#", "sharp")).join("-");

/** The scale that an id of degrees names, or undefined. */
function soundsOfId(id: string): PitchClassSet | undefined {
  const degrees = id.split("-").map((degree) => maybeDegree(degree.replaceAll("sharp", "#")));
  return degrees.length > 1 && degrees[0] === 0 && degrees.every((degree) => degree !== undefined)
    ? soundsOf(degrees)
    : undefined;
}

/**
 * A scale without a name as the nearest mode of the catalogue with its changes: the fewest changes, of equals one of the seven, then the
 * one with the same third.
 *
 * @example nearName({ intervals: 1 ♭2 ♭3 ♯4 5 6 ♭7, … }) // "Dorian ♭2 ♯4"
 */
function nearName(scale: Pick<Mode, "intervals" | "sounds">): string {
  const count = scale.intervals.length;
  const ranked = CATALOGUE.filter(({ intervals }) =>
    count >= 7 ? intervals.length === 7 : intervals.length >= count && intervals.length <= 7,
  ).map((mode, at) => {
    const difference = differenceFrom(mode, scale);
    const sameThird = [3, 4].every((sound) => holds(mode.sounds, sound) === holds(scale.sounds, sound));
    // A scale that few know is no help: it has to be nearer by two changes.
    const extent = extentOf(difference) + (USUAL_FAMILIES.includes(mode.family) ? 0 : 1.5);
    return { mode, difference, rank: [extent, mode.family === "major" ? 0 : 1, sameThird ? 0 : 1, at] };
  });
  const { mode, difference } = ranked.reduce((best, next) =>
    compareRanks(next.rank, best.rank) < 0 ? next : best,
  );
  const degrees = (all: readonly Interval[]) => all.map((interval) => printDegree(interval, "signs"));
  const dropped = degrees(difference.dropped);
  return [
    mode.name,
    ...degrees(difference.moved.map(({ to }) => to)),
    ...degrees(difference.added).map((degree) => `add${degree}`),
    ...(dropped.length > 0 ? [`without ${dropped.join(" ")}`] : []),
  ].join(" ");
}

const fromRow = (each: FamilyRow): Family => family(each, each.degrees.split(" ").map(degreeOf), each.names);

const SEVEN_NOTE_FAMILIES = SEVEN_NOTE_ROWS.map(fromRow);

/** The seven modes of the major scale, by degree: Ionian first. */
export const SEVEN: readonly Mode[] = SEVEN_NOTE_FAMILIES[0]?.modes ?? [];

/** One of the seven without one of its degrees. */
const gapped = (each: Mode, without: number) =>
  each.intervals.filter((interval) => degreeNumber(interval) !== without);

/** The names of every six-note set that one of the seven makes by leaving a degree out. */
function gappedNames(): ReadonlyMap<PitchClassSet, Naming> {
  const names = new Map<PitchClassSet, Naming>();
  for (const id of GAPPED_NAMED_AFTER) {
    const each = SEVEN.find((one) => one.id === id);
    for (const without of each ? [2, 3, 4, 5, 6, 7] : []) {
      if (!each) continue;
      const sounds = soundsOf(gapped(each, without));
      const [known, name, ...aliases] = names.get(sounds) ?? [];
      const sevenNoteNames = SEVEN_NOTE_ROWS[0]?.names[each.degree]?.slice(1) ?? [];
      const called = sevenNoteNames.map((one) => `${one} without ${without}`);
      names.set(
        sounds,
        known && name
          ? [known, name, ...aliases, ...called]
          : [`${id}-without-${without}`, called[0] ?? "", ...called.slice(1)],
      );
    }
  }
  return names;
}

function gappedFamilies(): readonly Family[] {
  const names = gappedNames();
  return GAPPED_PARENTS.flatMap(([id, without]) => {
    const parent = SEVEN.find((one) => one.id === id);
    if (!parent) return [];
    const intervals = gapped(parent, without);
    const places = rotations(soundsOf(intervals)).map((sounds, at) => [at + 1, names.get(sounds)] as const);
    const named = places.flatMap(([at, naming]) => (naming ? [[at, naming] as const] : []));
    const name = id === "ionian" ? "major" : parent.name;
    return [
      family(
        { id: `${id}-without-${without}`, name: `${name} without ${without}` },
        intervals,
        Object.fromEntries(named),
      ),
    ];
  });
}

/** The families, the most used first. */
export const FAMILIES: readonly Family[] = Object.freeze([
  ...SEVEN_NOTE_FAMILIES,
  ...OTHER_ROWS.map(fromRow),
  ...gappedFamilies(),
]);

/** Whether a mode is in the catalogue. */
export const isNamed = ({ id }: Mode): boolean => !id.startsWith("1-");

/** Every mode that has a name, the most used families first. */
export const CATALOGUE: readonly Mode[] = Object.freeze(
  FAMILIES.flatMap((each) => each.modes).filter(isNamed),
);

/** The four families that most music keeps to: major, melodic minor, harmonic minor, harmonic major. */
export const USUAL_FAMILIES: readonly string[] = Object.freeze(FAMILIES.slice(0, 4).map(({ id }) => id));

/** The named modes of some families, in the order of the catalogue. */
export const modesOfFamilies = (ids: readonly string[]): readonly Mode[] =>
  CATALOGUE.filter(({ family: id }) => ids.includes(id));

/** The modes of the four usual families. */
export const USUAL_MODES: readonly Mode[] = Object.freeze(modesOfFamilies(USUAL_FAMILIES));

const BY_ID = new Map(CATALOGUE.map((mode) => [mode.id, mode]));
const FAMILY_BY_ID = new Map(FAMILIES.map((each) => [each.id, each]));
/** Every mode made so far by its sounds; at most one for each of the 2048 sets that hold home. */
const BY_SOUND = new Map(FAMILIES.flatMap((each) => each.modes).map((mode) => [mode.sounds, mode]));

/** Sets of 2 to 12 notes that hold home. */
const isModal = (sounds: number): boolean =>
  Number.isInteger(sounds) && sounds > 1 && sounds <= 0xfff && sounds % 2 === 1 && size(sounds) >= 2;

/** The mode with this id, or undefined: one of the catalogue, or any degrees. A set's number, "set-1453", is read too. */
export function maybeMode(id: string): Mode | undefined {
  const number = /^set-(\d{1,4})$/.exec(id)?.[1];
  const sounds = number === undefined ? soundsOfId(id) : Number(number);
  if (sounds === undefined) return BY_ID.get(id);
  return isModal(sounds) ? modeOf(sounds) : undefined;
}

/**
 * The mode with this id.
 *
 * @throws RangeError where there is none; `nearestMode` answers for what people type.
 */
export function mode(id: string): Mode {
  const found = maybeMode(id);
  if (!found) throw new RangeError(`There is no mode “${id}”; take an id of the catalogue.`);
  return found;
}

/** The named mode that sounds so, home as bit 0, or undefined. */
export function modeOfSounds(set: PitchClassSet): Mode | undefined {
  const found = BY_SOUND.get(set);
  return found && isNamed(found) ? found : undefined;
}

/**
 * The mode of any set of 2 to 12 notes with home, bit 0, among them: the named one that sounds so, or one that goes by
 * its degrees, spelled as `spellSet` does, in the family of its rotations.
 *
 * @throws RangeError where home is not in the set or nothing else is.
 * @example modeOf(pitchClassSet([0, 2, 3, 5, 7, 9, 10])).id // "dorian"
 */
export function modeOf(sounds: PitchClassSet): Mode {
  const known = BY_SOUND.get(sounds);
  if (known) return known;
  if (!isModal(sounds)) throw new RangeError(`${sounds} is no set of 2 to 12 notes with home among them.`);
  const made = familyOfSet(sounds);
  FAMILY_BY_ID.set(made.id, made);
  for (const each of made.modes) BY_SOUND.set(each.sounds, each);
  return BY_SOUND.get(sounds) ?? (made.modes[0] as Mode);
}

/**
 * The parent of a set outside the catalogue is the rotation that lists give a name to, then the one nearest to the major scale, the
 * lowest number among equals.
 */
function familyOfSet(sounds: PitchClassSet): Family {
  const major = SEVEN[0]?.sounds ?? 0;
  const away = (set: PitchClassSet) => [listedNames(set).length > 0 ? 0 : 1, size(set ^ major), set];
  const parent = rotations(sounds).reduce((best, next) =>
    compareRanks(away(next), away(best)) < 0 ? next : best,
  );
  const intervals = spellSet(parent);
  return family({ id: idOfDegrees(intervals) }, intervals, {});
}

/** The family with this id, or undefined. */
export function maybeFamily(id: string): Family | undefined {
  const known = FAMILY_BY_ID.get(id);
  if (known || BY_ID.has(id)) return known;
  const parent = maybeMode(id);
  return parent && familyOf(parent);
}

/** The family that a mode belongs to. */
export function familyOf({ family: id, name }: Mode): Family {
  const found = FAMILY_BY_ID.get(id);
  if (!found) throw new RangeError(`${name} names the family “${id}”, which there is not.`);
  return found;
}

/** Scales that public lists name and the catalogue lacks. */
export const LISTED: readonly Mode[] = Object.freeze(
  Object.keys(LISTED_NAMES)
    .map((sounds) => modeOf(pitchClassSet(sounds.split(" ").map(Number))))
    .filter((mode) => !isNamed(mode)),
);

/** Every set of so many notes with home among them, by number: 462 of seven notes. */
export function modesOfSize(count: number): readonly Mode[] {
  const all = Array.from({ length: 2048 }, (_, at) => 2 * at + 1).filter((set) => size(set) === count);
  return all.filter(isModal).map(modeOf);
}

/** The degree of a mode with the given number (by letter), or undefined: (Dorian, 3) → -3. */
export function intervalAt(intervals: readonly Interval[], number: number): Interval | undefined {
  const plain = maybeDegree(String(number)) ?? 0;
  return intervals.find((interval) => (interval - plain) % 7 === 0);
}

/** The degree of a mode that sounds so many half steps above home, or undefined. */
export function intervalSounding({ intervals, sounds }: Mode, halfStep: number): Interval | undefined {
  const at = members(sounds).indexOf(halfStep);
  return at < 0 ? undefined : intervals[at];
}
