import { atom, onMount } from "nanostores";
import type { Fifths } from "@/core/pitch";
import { type HomeMode, type Mode, oneNoteAway } from "@/core/scale";
import type { AddressNotice } from "@/words";
import {
  type Address,
  type LineUp,
  type MatchShow,
  readAddress,
  type Show,
  START,
  type View,
  writeAddress,
} from "./address";

/** Where the user is: view, home, mode. Kept in step with the address bar. */
export const $place = atom<Address>(START);

/** What in the last address was not to be had. */
export const $addressNotices = atom<readonly AddressNotice[]>([]);

onMount($place, () => {
  if (typeof window === "undefined") return undefined;
  const open = () => {
    stopFollowing();
    const { address, notices } = readAddress(new URL(window.location.href));
    $place.set(address);
    $addressNotices.set(notices);
  };
  const leave = () => {
    if (following !== undefined) follow();
  };
  // An address that has yet to follow is older than the place.
  if (following === undefined) open();
  window.addEventListener("popstate", open);
  window.addEventListener("pagehide", leave);
  return () => {
    window.removeEventListener("popstate", open);
    window.removeEventListener("pagehide", leave);
  };
});

/** The address bar is slow to change; it follows once the change is on the screen. */
let following: number | undefined;

function stopFollowing(): void {
  if (following !== undefined) cancelAnimationFrame(following);
  following = undefined;
}

function follow(): void {
  const address = writeAddress($place.get());
  stopFollowing();
  window.history.replaceState(null, "", address);
}

function go(next: Address, isStep: boolean): void {
  if (isStep && following !== undefined) follow();
  $place.set(next);
  if (isStep) window.history.pushState(null, "", writeAddress(next));
  else following ??= requestAnimationFrame(() => setTimeout(() => following !== undefined && follow()));
}

/** Changes home, mode, what Derive shows or how they are lined up, in place. */
export function setPlace(part: {
  home?: Fifths;
  mode?: Mode;
  lineUp?: LineUp;
  show?: Show;
  matchShow?: MatchShow;
  beside?: readonly Mode[] | undefined;
  chords?: string | undefined;
}): void {
  go({ ...$place.get(), ...part }, false);
}

/** Goes to another view: a step that the browser's back button undoes. */
export function goTo(view: View, part: { home?: Fifths; mode?: Mode; matchShow?: MatchShow } = {}): void {
  $addressNotices.set([]);
  go({ ...$place.get(), chords: undefined, ...part, view }, true);
}

export const setHomeMode = ({ home, mode }: HomeMode): void => setPlace({ home, mode });

/** One note brighter or darker on the same home, where a named mode lies there; whether it went. */
export function moveBy(way: "brighter" | "darker"): boolean {
  const { mode } = $place.get();
  const next = oneNoteAway(mode, way)[0];
  if (next) setPlace({ mode: next.mode });
  return next !== undefined;
}
