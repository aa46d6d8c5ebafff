import { atom } from "nanostores";
import type { Score } from "@/audio";
import { whenComputed } from "../place/awaiting";
import { $selection } from "../place/selection";
import { playMain, stop } from "./sound";
import { $isSwapped, $playing, MAIN } from "./sounding";

/** What is sung along with while its sheet is open: what Play plays, or a score with its title. */
export const $toSing = atom<"played" | { readonly title: string; readonly score: Score } | undefined>();

/** Plays what the stage shows; where anything sounds already, stops it. */
export function playOrStop(): void {
  if ($playing.get() !== undefined) stop();
  else whenComputed(() => ($selection.get().play.start ?? playMain)());
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
