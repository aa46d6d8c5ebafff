import type { StaffPart } from "@/session/stage/staff-part";
import { Button } from "@/kit/controls";
import { shownBarsText } from "@/words";

interface ShownBarsProps {
  readonly shown: StaffPart;
  /** The part with this bar in it is asked for. */
  readonly onTurn: (bar: number) => void;
}

/** Which bars of a long tune are on the staff; the ones before and after are a press away. Nothing where all are. */
export function ShownBars({ shown: { tune, engraved, from }, onTurn }: ShownBarsProps) {
  if (from === undefined) return null;
  const next = from + engraved.bars.length;
  return (
    <span>
      {shownBarsText(tune, { from, to: next - 1 })}{" "}
      <Button kind="quiet" disabled={from === 0} onClick={() => onTurn(from - 1)}>
        Earlier bars
      </Button>
      <Button kind="quiet" disabled={next >= tune.bars.length} onClick={() => onTurn(next)}>
        Later bars
      </Button>
    </span>
  );
}
