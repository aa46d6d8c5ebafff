import { useStore } from "@nanostores/react";
import { $playing, MAIN, playOrStop } from "@/session";
import { Button } from "@/kit/controls";

interface HearAndKeepProps {
  /** What the first button says: it plays what the stage shows. */
  readonly hear: string;
  /** The swap of the colour note, where there is one to hear. */
  readonly swap?: { readonly says: string; readonly onSwap: () => void } | undefined;
  readonly onKeep: () => void;
}

/** The acts of a panel about a mode: hear it, hear the colour note swapped, keep it. */
export function HearAndKeep({ hear, swap, onKeep }: HearAndKeepProps) {
  const playing = useStore($playing);
  return (
    <>
      <Button kind="main" keyName="space" aria-pressed={playing === MAIN} onClick={playOrStop}>
        {hear}
      </Button>
      {swap && (
        <Button keyName="s" aria-pressed={playing === "swap"} onClick={swap.onSwap}>
          {swap.says}
        </Button>
      )}
      <Button keyName="k" onClick={onKeep}>
        Keep
      </Button>
    </>
  );
}
