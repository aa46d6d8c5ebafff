import { useStore } from "@nanostores/react";
import { $playing, MAIN, playOrStop } from "@/session";
import { Button } from "@/kit/controls";

interface HearAndSaveProps {
  /** What the first button says: it plays what the stage shows. */
  readonly hear: string;
  /** The swap of the characteristic note, where there is one to hear. */
  readonly swap?: { readonly says: string; readonly onSwap: () => void } | undefined;
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
      {swap && (
        <Button keyName="s" aria-pressed={playing === "swap"} onClick={swap.onSwap}>
          {swap.says}
        </Button>
      )}
      <Button keyName="k" onClick={onSave}>
        Save
      </Button>
    </>
  );
}
