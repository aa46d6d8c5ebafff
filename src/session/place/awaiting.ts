import { atom } from "nanostores";
import { $front, $selection } from "./selection";

/** What was pressed waits for the answer that it acts on; pressed again, or cancelled, it is given up. */
export const $awaiting = atom<{ readonly cancel: () => void } | undefined>();

/**
 * Does something with what the view in front has selected once that is computed: at once where it is, otherwise when the answer comes, and
 * never when another view has come to the front meanwhile.
 *
 * @example whenComputed(() => setPrinting(true))
 */
export function whenComputed(act: () => void): void {
  const before = $awaiting.get();
  before?.cancel();
  if ($selection.get().isComputing !== true) act();
  else if (!before) {
    const view = $front.get();
    const end = () => {
      $awaiting.set(undefined);
      stop();
    };
    const stop = $selection.listen(({ isComputing }) => {
      if ($front.get() === view && isComputing === true) return;
      end();
      if ($front.get() === view) act();
    });
    $awaiting.set({ cancel: end });
  }
}
