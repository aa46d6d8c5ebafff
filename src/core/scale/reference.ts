import { mode as modeById, type Mode, SEVEN } from "./catalogue";
import { brightness, thirdOf } from "./count";
import { type Difference, differenceFrom, extentOf } from "./difference";
import { compareRanks } from "./rank";

/** What a mode is compared with: plain major always; major or natural minor by the third; the nearest of the seven. */
export const REFERENCE_CONVENTIONS = ["by-third", "major", "nearest"] as const;
export type ReferenceConvention = (typeof REFERENCE_CONVENTIONS)[number];

/** Conventions with the one that says what a mode is compared with; by the third where it is left out. */
export interface ReferenceChoice {
  readonly reference?: ReferenceConvention;
}

/** A mode told by another: the reference, and the degrees moved, left out and added, each in order. */
export interface Reference extends Difference {
  readonly mode: Mode;
}

const MAJOR = modeById("ionian");
const MINOR = modeById("aeolian");

/**
 * The reference of a mode in the convention chosen. Lydian is major with ♯4, Dorian minor with 6, Locrian minor with ♭2
 * and ♭5; by the nearest of the seven Locrian is Phrygian with ♭5 and Phrygian dominant Phrygian with 3. A mode without a
 * third is told by major.
 *
 * @example reference(dorian, "by-third") // { mode: aeolian, moved: [{ from: -4, to: 3 }], dropped: [], added: [] }
 */
export function reference(mode: Mode, convention: ReferenceConvention = "by-third"): Reference {
  if (convention === "nearest") return nearestReference(mode);
  return toldBy(convention === "by-third" && (thirdOf(mode) ?? 4) < 4 ? MINOR : MAJOR, mode);
}

const toldBy = (by: Mode, mode: Mode): Reference => ({ mode: by, ...differenceFrom(by, mode) });

/** The nearest other mode of the seven, where it needs fewer changes than the reference of the convention; else undefined. */
export function nearerReference(
  mode: Mode,
  convention: ReferenceConvention = "by-third",
): Reference | undefined {
  const plain = reference(mode, convention);
  const nearest = nearestReference(mode);
  return extentOf(nearest) < extentOf(plain) ? nearest : undefined;
}

/**
 * Fewest changed degrees first; where two tie, the one that shares the third, then the one nearest in brightness,
 * then plain major or minor. Major and natural minor are their own; any other of the seven is told by another.
 */
function nearestReference(mode: Mode): Reference {
  if (mode === MAJOR || mode === MINOR) return toldBy(mode, mode);
  const ranked = SEVEN.filter((other) => other !== mode).map((other) => {
    const changes = toldBy(other, mode);
    const rank = [
      extentOf(changes),
      thirdOf(other) === thirdOf(mode) ? 0 : 1,
      Math.abs(brightness(other.intervals) - brightness(mode.intervals)),
      other === MAJOR || other === MINOR ? 0 : 1,
    ];
    return { told: changes, rank };
  });
  return ranked.reduce((best, next) => (compareRanks(next.rank, best.rank) < 0 ? next : best)).told;
}
