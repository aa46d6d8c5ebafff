import { useEffect } from "react";
import type { Chart } from "@/core/chord";
import { $heardPlaces, $mark, $playing, MAIN } from "@/session";

/** While the chart is heard, or some bars of it, the chord that sounds is selected. */
export function useFollowing(
  isOn: boolean,
  { order }: Chart,
  choose: (at: number, extends_: boolean) => void,
): void {
  useEffect(() => {
    if (!isOn) return undefined;
    return $mark.listen((mark) => {
      const places = $playing.get() === MAIN ? order : $heardPlaces.get();
      const next = mark === undefined ? undefined : places[mark];
      if (next !== undefined) choose(next, false);
    });
  }, [isOn, order, choose]);
}
