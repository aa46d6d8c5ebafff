import type { Fifths } from "../pitch";
import { type HomeMode, parentOf, thirdOf } from "./count";
import { familyOf } from "./catalogue";

/** A key signature: the tonic of the major key that has its sharps or flats, and whether it is told as that of a minor key. */
export interface Signature {
  /** A place on the line of fifths, from −7 (seven flats) to 7 (seven sharps): as many sharps, or flats where it is below 0. */
  readonly tonic: Fifths;
  readonly isMinor: boolean;
}

/**
 * The key signature that a mode is written with: that of its parent where it is one of the modes of major, otherwise that of plain major or
 * natural minor on its home, by its third. Undefined past seven sharps or flats, where none is written.
 *
 * @example signedKey({ home: 2 (D), mode: dorian }) // { tonic: 0 (C), isMinor: false }
 * @example signedKey({ home: 3 (A), mode: harmonic minor }) // { tonic: 0 (C), isMinor: true }
 */
export function signedKey(homeMode: HomeMode): Signature | undefined {
  const { home, mode } = homeMode;
  const isMinor = thirdOf(mode) === MINOR_THIRD;
  const tonic =
    familyOf(mode).id === "major" ? parentOf(homeMode).tonic : isMinor ? home + MINOR_THIRD : home;
  return Math.abs(tonic) > 7 ? undefined : { tonic, isMinor: isMinor && tonic === home + MINOR_THIRD };
}

/** A minor third above home, on the line of fifths. */
const MINOR_THIRD = -3;
