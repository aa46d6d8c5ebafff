import { atom } from "nanostores";
import { $jobFailed } from "@/workers";
import { $front, $selection } from "./selection";

/** What was pressed waits for the answer that it acts on; pressed again, or cancelled, it is given up. */
export const $awaiting = atom<{ readonly cancel: () => void } | undefined>();

/**
 * Does something with what the view in front has selected once that is computed: at once where it is, otherwise when the answer comes. Never
 * when the answer fails, which is said again, or another view comes to the front meanwhile.
 *
 * @example whenComputed(() => setPrinting(true))
 */
export function whenComputed(act: () => void): void {
  const before = $awaiting.get();
  before?.cancel();
  const { answer } = $selection.get();
  if (answer === undefined) act();
  else if (answer === "failed") $jobFailed.set(true);
  else if (!before) {
    const view = $front.get();
    const end = () => {
      $awaiting.set(undefined);
      stop();
    };
    const stop = $selection.listen(({ answer: now }) => {
      if ($front.get() === view && now === "coming") return;
      end();
      if ($front.get() === view && now === undefined) act();
    });
    $awaiting.set({ cancel: end });
  }
}
