import { useStore } from "@nanostores/react";
import type { Fifths } from "@/core/pitch";
import type { Swap } from "@/core/scale";
import { $isSwapHeard, $mark, $playing, MAIN, playOrStop, SWAP } from "@/session";
import { Button } from "@/kit/controls";
import { swapText } from "@/words";

interface SwapProps {
  readonly home: Fifths;
  readonly swap: Pick<Swap, "from" | "to">;
  readonly onSwap: () => void;
}

interface HearAndSaveProps {
  /** What the first button says: it plays what the stage shows. */
  readonly hear: string;
  /** The swap of the characteristic note, where there is one to hear. */
  readonly swap?: SwapProps | undefined;
  readonly onSave: () => void;
}

/** The acts of a panel about a mode: hear it, hear the characteristic note swapped, keep it. */
export function HearAndSave({ hear, swap, onSave }: HearAndSaveProps) {
  const playing = useStore($playing);
  return (
    <>
      <Button kind="main" keyName="space" aria-pressed={playing === MAIN} onClick={playOrStop}>
        {hear}
      </Button>
      {swap && <SwapButton {...swap} />}
      <Button keyName="k" onClick={onSave}>
        Save
      </Button>
    </>
  );
}

/** Swaps the characteristic note for its neighbour; while the two alternate, it says which of them is heard. */
function SwapButton({ home, swap, onSwap }: SwapProps) {
  const playing = useStore($playing);
  const mark = useStore($mark);
  const isSwapHeard = useStore($isSwapHeard);
  const isAlternating = playing === SWAP && mark !== undefined;
  const heard = isSwapHeard ? "neighbour" : isAlternating ? "own" : undefined;
  return (
    <Button
      keyName="s"
      aria-label={[swapText(home, swap), ...(heard ? [swapText(home, swap, heard)] : [])].join(", ")}
      aria-pressed={playing === SWAP}
      data-swap={heard}
      onClick={onSwap}
    >
      {swapText(home, swap, heard)}
    </Button>
  );
}
