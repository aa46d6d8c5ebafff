/**
 * Orders two lists of numbers place by place, the smaller first: what a sort takes where several costs count one after
 * another.
 *
 * @example [[1, 2], [1, 0]].sort(compareRanks) // [[1, 0], [1, 2]]
 */
export function compareRanks(a: readonly number[], b: readonly number[]): number {
  const at = a.findIndex((value, place) => value !== b[place]);
  return at < 0 ? 0 : (a[at] ?? 0) - (b[at] ?? 0);
}
