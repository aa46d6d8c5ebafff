import { atom } from "nanostores";
import { bringInDemoOnce } from "./demo";
import { loadSettings } from "./settings";
import { shelf } from "./shelf";

/** Whether what this browser keeps has been read. */
export const $ready = atom(false);

let started: Promise<void> | undefined;

/** Opens the browser's records once, whichever part of the page asks first; with `?demo` in the address, the demo too. */
export function start(): Promise<void> {
  started ??= (async () => {
    const wantsDemo = new URL(window.location.href).searchParams.has("demo");
    await shelf.load();
    await loadSettings();
    if (wantsDemo) await bringInDemoOnce();
    $ready.set(true);
  })();
  return started;
}
