import { degreeOf, type Interval, maybeDegree } from "../pitch";
import { type SoundSet, soundsOf } from "./sound-set";

/** A family: the parent scale that its modes are rotations of. */
export interface Family {
  /** Id of the parent scale; "major" for the seven, otherwise the id of the family's first mode. */
  readonly id: string;
  readonly name: string;
  /** The modes in the order of the parent's degrees. */
  readonly modes: readonly NamedMode[];
}

/** A mode that has a name: its intervals from home, rising, 1 first. Shared and frozen. */
export interface NamedMode {
  readonly id: string;
  readonly name: string;
  readonly aliases: readonly string[];
  readonly intervals: readonly Interval[];
  /** The same by sound, home as bit 0. */
  readonly sounds: SoundSet;
  /** Id of the family and the degree of its parent that this mode starts on, from 1. */
  readonly family: string;
  readonly degree: number;
}

type Row = readonly [id: string, name: string, ...aliases: string[]];

/**
 * The mode that begins on the nth note of a scale: its intervals counted from that note.
 *
 * @example rotate(major, 2) // Dorian: 0, 2, -3, -1, 1, 3, -2
 */
export function rotate(intervals: readonly Interval[], degree: number): readonly Interval[] {
  const from = intervals[degree - 1] ?? 0;
  return [...intervals.slice(degree - 1), ...intervals.slice(0, degree - 1)].map(
    (interval) => interval - from,
  );
}

function family(id: string, name: string, degrees: string, rows: readonly Row[]): Family {
  const parent = degrees.split(" ").map(degreeOf);
  const modes = rows.map(([modeId, modeName, ...aliases], at) => {
    const intervals = Object.freeze(rotate(parent, at + 1));
    return Object.freeze({
      id: modeId,
      name: modeName,
      aliases: Object.freeze(aliases),
      intervals,
      sounds: soundsOf(intervals),
      family: id,
      degree: at + 1,
    });
  });
  return Object.freeze({ id, name, modes: Object.freeze(modes) });
}

/** The families, the most used first. Names and aliases are those in general use among players. */
export const FAMILIES: readonly Family[] = Object.freeze([
  family("major", "major", "1 2 3 4 5 6 7", [
    ["ionian", "Ionian", "major"],
    ["dorian", "Dorian"],
    ["phrygian", "Phrygian"],
    ["lydian", "Lydian"],
    ["mixolydian", "Mixolydian"],
    ["aeolian", "Aeolian", "natural minor", "minor"],
    ["locrian", "Locrian"],
  ]),
  family("melodic-minor", "melodic minor", "1 2 b3 4 5 6 7", [
    ["melodic-minor", "Melodic minor", "jazz minor", "minor with a major seventh"],
    ["dorian-flat2", "Dorian ♭2", "Phrygian ♮6"],
    ["lydian-augmented", "Lydian augmented", "Lydian ♯5"],
    ["lydian-dominant", "Lydian dominant", "Lydian ♭7", "Mixolydian ♯4", "acoustic"],
    ["mixolydian-flat6", "Mixolydian ♭6", "Aeolian dominant", "melodic major"],
    ["locrian-natural2", "Locrian ♮2", "half-diminished", "Aeolian ♭5"],
    ["altered", "Altered", "super-Locrian", "diminished whole tone"],
  ]),
  family("harmonic-minor", "harmonic minor", "1 2 b3 4 5 b6 7", [
    ["harmonic-minor", "Harmonic minor", "Aeolian ♮7"],
    ["locrian-natural6", "Locrian ♮6"],
    ["ionian-sharp5", "Ionian ♯5", "Ionian augmented"],
    ["dorian-sharp4", "Dorian ♯4", "Romanian minor"],
    ["phrygian-dominant", "Phrygian dominant", "Phrygian major", "Mixolydian ♭2 ♭6"],
    ["lydian-sharp2", "Lydian ♯2"],
    ["ultralocrian", "Ultralocrian", "altered ♭♭7"],
  ]),
  family("harmonic-major", "harmonic major", "1 2 3 4 5 b6 7", [
    ["harmonic-major", "Harmonic major", "Ionian ♭6"],
    ["dorian-flat5", "Dorian ♭5", "Locrian ♮2 ♮6"],
    ["phrygian-flat4", "Phrygian ♭4", "altered ♮5"],
    ["lydian-flat3", "Lydian ♭3", "melodic minor ♯4"],
    ["mixolydian-flat2", "Mixolydian ♭2"],
    ["lydian-augmented-sharp2", "Lydian augmented ♯2", "Lydian ♯2 ♯5"],
    ["locrian-double-flat7", "Locrian ♭♭7"],
  ]),
]);

/** Every named mode, the most used families first. */
export const CATALOGUE: readonly NamedMode[] = Object.freeze(FAMILIES.flatMap((each) => each.modes));

const BY_ID = new Map(CATALOGUE.map((mode) => [mode.id, mode]));
const BY_SOUND = new Map([...CATALOGUE].reverse().map((mode) => [mode.sounds, mode]));
const FAMILY_BY_ID = new Map(FAMILIES.map((each) => [each.id, each]));

/** The mode with this id, or undefined. */
export const maybeMode = (id: string): NamedMode | undefined => BY_ID.get(id);

/**
 * The mode with this id.
 *
 * @throws RangeError where there is none; `nearestMode` answers for what people type.
 */
export function mode(id: string): NamedMode {
  const found = BY_ID.get(id);
  if (!found) throw new RangeError(`There is no mode “${id}”; take an id of the catalogue.`);
  return found;
}

/** The named mode that sounds so, home as bit 0, or undefined. */
export const modeOfSounds = (set: SoundSet): NamedMode | undefined => BY_SOUND.get(set);

/** The family with this id, or undefined. */
export const maybeFamily = (id: string): Family | undefined => FAMILY_BY_ID.get(id);

/** The family that a mode belongs to. */
export function familyOf({ family: id, name }: NamedMode): Family {
  const found = FAMILY_BY_ID.get(id);
  if (!found) throw new RangeError(`${name} names the family “${id}”, which there is not.`);
  return found;
}

/** The seven modes of the major scale, by degree: Ionian first. */
export const SEVEN: readonly NamedMode[] = CATALOGUE.slice(0, 7);

/** The degree of a mode with the given number (by letter), or undefined: (Dorian, 3) → -3. */
export function intervalAt(intervals: readonly Interval[], number: number): Interval | undefined {
  const plain = maybeDegree(String(number)) ?? 0;
  return intervals.find((interval) => (interval - plain) % 7 === 0);
}
