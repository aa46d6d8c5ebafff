import { midiOf, type Pitch } from "../pitch";

/**
 * A stringed instrument as tuned. Strings stand as they lie, from the one that players number last to string 1; pitches
 * are those of the open strings without a capo. Shared and frozen.
 */
export interface Tuning {
  /** "guitar/standard"; "own" and a name for one made by hand. */
  readonly id: string;
  /** "drop D"; what its maker called one made by hand. */
  readonly name: string;
  readonly strings: readonly Pitch[];
  /** Half steps from each string to the second one of its pair; none where strings are single. */
  readonly doubles: readonly number[];
  readonly frets: number;
  /** Nut to bridge, in millimetres. */
  readonly scaleLength: number;
  /** The fret that the capo lies behind; 0 without one. Frets are counted from the nut all the same. */
  readonly capo: number;
  /** Frets that four fingers cover without a stretch: 4 with a fret to a finger, 7 with a step of the scale to a finger. */
  readonly hand: 4 | 7;
  /** A fiddle has no frets: its "frets" are half steps above the open string. */
  readonly isFretted: boolean;
}

/** MIDI numbers of the strings as they sound unfretted, over the capo, in the order of the strings. */
export const openSounds = ({ strings, capo }: Tuning): readonly number[] =>
  strings.map((pitch) => midiOf(pitch) + capo);

/** A string that a run can climb to: its number (1 is the last to be strummed) and its open sound over the capo. */
export interface RunString {
  readonly string: number;
  readonly open: number;
}

/**
 * The strings that a run climbs, lowest first: from the lowest sounding one towards string 1, each higher than the one
 * before. A string that goes back up, as the fourth of a ukulele, takes no part.
 *
 * @example runStrings(tuningOf("ukulele")).map(({ string }) => string) // [3, 2, 1]
 */
export function runStrings(tuning: Tuning): readonly RunString[] {
  const opens = openSounds(tuning);
  const lowest = opens.indexOf(Math.min(...opens));
  const climbed: RunString[] = [];
  for (const [at, open] of opens.entries()) {
    const last = climbed.at(-1);
    if (at >= lowest && (!last || open > last.open))
      climbed.push({ string: tuning.strings.length - at, open });
  }
  return climbed;
}
