import { askModes, type Claim, type Question } from "./ask";

/** One of the conditions of a question about all modes. */
export type Condition =
  | { readonly code: "holds" | "lacks" | "chords" | "near" | "home" }
  | { readonly code: "claim"; readonly claim: Claim };

/** Conditions without which some modes answer, and how many. */
export interface Dropped {
  readonly conditions: readonly Condition[];
  readonly found: number;
}

/** The conditions that a question makes. */
function conditionsOf({
  home,
  holds = [],
  lacks = [],
  chords = [],
  claims = [],
  near,
}: Question): readonly Condition[] {
  const asksForNotes = holds.length + lacks.length + chords.length > 0;
  return [
    ...(holds.length > 0 ? [{ code: "holds" } as const] : []),
    ...(lacks.length > 0 ? [{ code: "lacks" } as const] : []),
    ...(chords.length > 0 ? [{ code: "chords" } as const] : []),
    ...claims.map((claim) => ({ code: "claim", claim }) as const),
    ...(near ? [{ code: "near" } as const] : []),
    ...(home !== undefined && asksForNotes ? [{ code: "home" } as const] : []),
  ];
}

function without(question: Question, dropped: readonly Condition[]): Question {
  const { home, holds, lacks, chords, claims = [], near, among } = question;
  const keeps = <T>(code: Condition["code"], value: T) =>
    dropped.some((condition) => condition.code === code) ? undefined : value;
  return {
    among,
    home: keeps("home", home),
    holds: keeps("holds", holds) ?? [],
    lacks: keeps("lacks", lacks) ?? [],
    chords: keeps("chords", chords) ?? [],
    near: keeps("near", near),
    claims: claims.filter(
      (claim) => !dropped.some((condition) => condition.code === "claim" && condition.claim === claim),
    ),
  };
}

/** Every choice of so many things, in their order. */
function choices<T>(all: readonly T[], many: number): readonly (readonly T[])[] {
  if (many === 0) return [[]];
  return all.flatMap((first, at) => choices(all.slice(at + 1), many - 1).map((rest) => [first, ...rest]));
}

/** Conditions that are dropped together at most: past these a question is better asked anew. */
const MAX_DROPPED = 3;

/**
 * Where no mode answers a question: the fewest conditions to drop so that some do, each way with how many, most first. Empty where
 * nothing short of dropping more than three would do, or where some answer already.
 *
 * @example
 * askLess({ among: 7, home: 0, claims: ["fifths-perfect", "major-third"] })
 * // without fifths-perfect 231 answer, without major-third 1
 */
export function askLess(question: Question): readonly Dropped[] {
  if (askModes(question).found.length > 0) return [];
  const all = conditionsOf(question);
  for (let many = 1; many <= Math.min(MAX_DROPPED, all.length); many += 1) {
    const ways = choices(all, many)
      .map((conditions): Dropped => ({
        conditions,
        found: askModes(without(question, conditions)).found.length,
      }))
      .filter(({ found }) => found > 0);
    if (ways.length > 0) return ways.toSorted((a, b) => b.found - a.found);
  }
  return [];
}
