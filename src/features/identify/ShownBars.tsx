import type { Tune } from "@/core/tune";
import { Button } from "@/kit/controls";
import { shownBarsText } from "@/words";
import { turnTo } from "./tune-answer";

interface ShownBarsProps {
  readonly tune: Tune;
  /** The first bar on the staff, and how many there are on it. */
  readonly from: number;
  readonly count: number;
}

/** Which bars of a long tune are on the staff; the ones before and after are a press away. */
export function ShownBars({ tune, from, count }: ShownBarsProps) {
  const next = from + count;
  return (
    <span>
      {shownBarsText(tune, { from, to: next - 1 })}{" "}
      <Button kind="quiet" disabled={from === 0} onClick={() => turnTo(from - 1)}>
        Earlier bars
      </Button>
      <Button kind="quiet" disabled={next >= tune.bars.length} onClick={() => turnTo(next)}>
        Later bars
      </Button>
    </span>
  );
}
