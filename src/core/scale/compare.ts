import type { Interval } from "../pitch";
import { intervalSounding, type Mode } from "./catalogue";
import { members, type PitchClassSet } from "./pitch-class-set";

/** Modes on one home compared with each other. */
export interface Comparing {
  /** Sounds that all of them have, and sounds that some have and others have not. */
  readonly shared: PitchClassSet;
  readonly differing: PitchClassSet;
  /** For each differing sound, the degree that it is in each mode, undefined where the mode has it not. */
  readonly rows: readonly { readonly sound: number; readonly degrees: readonly (Interval | undefined)[] }[];
}

/**
 * What two or more modes on one home share and where they differ, by sound.
 *
 * @example compareModes([dorian, aeolian]).rows // 8 half steps: none, ♭6; 9 half steps: 6, none
 */
export function compareModes(modes: readonly Mode[]): Comparing {
  const shared = modes.reduce((set, { sounds }) => set & sounds, 0xfff);
  const differing = modes.reduce((set, { sounds }) => set | sounds, 0) & ~shared;
  return {
    shared,
    differing,
    rows: members(differing).map((sound) => ({
      sound,
      degrees: modes.map((mode) => intervalSounding(mode, sound)),
    })),
  };
}
