import { $selection } from "../place/selection";
import { playMain, stop } from "./sound";
import { $isSwapped, $playing, MAIN } from "./sounding";

/** Plays what the stage shows; where anything sounds already, stops it. */
export function playOrStop(): void {
  const { start } = $selection.get().play;
  if ($playing.get() !== undefined) stop();
  else if (start) start();
  else playMain();
}

/**
 * While what the stage shows is heard, swaps the characteristic note in it, from the next round on, or puts it back; then true. False
 * where something else or nothing is heard, or there is no note to swap.
 */
export function swapLive(): boolean {
  if ($playing.get() !== MAIN || !$selection.get().swap) return false;
  $isSwapped.set(!$isSwapped.get());
  return true;
}
