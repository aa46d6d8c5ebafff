import { brightness, SEVEN } from "../scale";
import type { Attempt } from "./attempt";
import { type Confusion, confusions } from "./statistics";

/** One of a class, and what they answered. */
export interface Pupil {
  readonly name: string;
  readonly attempts: readonly Attempt[];
}

/** Right answers of so many. */
export interface PupilScore {
  readonly right: number;
  readonly of: number;
}

/** A class by its pupils and by the modes that they were asked about. */
export interface ClassTable {
  /** Ids of the modes that were asked about, the seven first, bright to dark. */
  readonly modes: readonly string[];
  /** A row to each pupil, in their order: by mode, of none 0 of 0, and in all. */
  readonly rows: readonly {
    readonly name: string;
    readonly byMode: readonly PupilScore[];
    readonly all: PupilScore;
  }[];
  /** The class taken together. */
  readonly together: { readonly byMode: readonly PupilScore[]; readonly all: PupilScore };
  /** What the class mixes up, the most often first, and how many pupils do. */
  readonly mixedUp: readonly (Confusion & { readonly pupils: number })[];
}

const scoreOf = (attempts: readonly Attempt[]): PupilScore => ({
  right: attempts.filter(({ isRight }) => isRight).length,
  of: attempts.length,
});

/**
 * The results of a class as one table.
 *
 * @example classTable([{ name: "Ada", attempts }]).rows[0]?.all // { right: 6, of: 8 }
 */
export function classTable(pupils: readonly Pupil[]): ClassTable {
  const asked = new Set(pupils.flatMap(({ attempts }) => attempts.map(({ card }) => card.mode)));
  const seven = SEVEN.map(({ id }) => id);
  const brightFirst = SEVEN.toSorted((a, b) => brightness(b.intervals) - brightness(a.intervals)).map(
    ({ id }) => id,
  );
  const modes = [
    ...brightFirst.filter((id) => asked.has(id)),
    ...[...asked].filter((id) => !seven.includes(id)).toSorted(),
  ];
  const scores = (attempts: readonly Attempt[]) => ({
    byMode: modes.map((id) => scoreOf(attempts.filter(({ card }) => card.mode === id))),
    all: scoreOf(attempts),
  });
  const byPupil = pupils.map(({ attempts }) => confusions(attempts));
  return {
    modes,
    rows: pupils.map(({ name, attempts }) => ({ name, ...scores(attempts) })),
    together: scores(pupils.flatMap(({ attempts }) => attempts)),
    mixedUp: confusions(pupils.flatMap(({ attempts }) => attempts)).map((each) => ({
      ...each,
      pupils: byPupil.filter((all) =>
        all.some(({ right, given }) => right === each.right && given === each.given),
      ).length,
    })),
  };
}
