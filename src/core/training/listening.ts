import type { Interval } from "../pitch";
import { type Mode, reference, thirdOf } from "../scale";

/**
 * The degrees of a mode in the order in which one listens for them: home, the third, what differs from plain major or minor, then the
 * rest upwards.
 *
 * @example listeningOrder(mode("dorian")).map((each) => printDegree(each)) // 1 b3 6 2 4 5 b7
 */
export function listeningOrder(mode: Mode): readonly Interval[] {
  const { moved, added } = reference(mode, "by-third");
  const third = thirdOf(mode);
  return [
    ...new Set([
      0,
      ...(third === undefined ? [] : [third]),
      ...moved.map(({ to }) => to),
      ...added,
      ...mode.intervals,
    ]),
  ];
}
