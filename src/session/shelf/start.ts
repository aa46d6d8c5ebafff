import { atom, computed } from "nanostores";
import { carryOverDraft } from "../document/carry-over";
import { bringInDemoOnce } from "./demo";
import { flushDocuments, loadDocuments } from "../document/documents";
import { openLinked } from "../place/link";
import { takeBackUnderstood } from "./mending";
import { left } from "../playing/left-off";
import { aside, saving } from "../records/records";
import { keepWhatIsSaved } from "./room";
import { loadSettings } from "../settings/settings";
import { shelf } from "./shelf";
import { sittings } from "../playing/sittings";

/** Whether what this browser keeps has been read, or has been waited for long enough. */
export const $ready = atom(false);

/** What a page is made of, in the order in which it comes to life: what is not needed for the view follows it. */
const PAGE_PARTS = ["view", "stage", "sheets"] as const;
type PagePart = (typeof PAGE_PARTS)[number];

/** What of the page has come to life. */
export const $alive = atom<ReadonlySet<PagePart>>(new Set());

export const comesAlive = (part: PagePart): void => $alive.set(new Set([...$alive.get(), part]));

/** Whether all of the page has. */
export const $isWhole = computed($alive, (alive) => PAGE_PARTS.every((part) => alive.has(part)));

/** Does something with what was worked on once that is open: at once where it is. */
export function whenReady(act: () => void): void {
  if ($ready.get()) {
    act();
    return;
  }
  const stop = $ready.listen(() => {
    stop();
    act();
  });
}

/** Whether storage answered when the page was opened: "waiting" until then, "silent" where it did not answer or refused. */
export const $storage = atom<"waiting" | "open" | "silent">("waiting");

/** Milliseconds that the page waits for storage before it begins without. What comes later still comes in. */
const PATIENCE = 4000;

/** The address that the page was opened at. It is read at once: the first part of the page that stands rewrites the address bar. */
const opened = new URL(typeof window === "undefined" ? "http://localhost" : window.location.href);

let started: Promise<void> | undefined;

/** Opens the browser's records once, whichever part of the page asks first; with `?demo` in the address, the demo too. */
export function start(): Promise<void> {
  started ??= (async () => {
    const wantsDemo = opened.searchParams.has("demo");
    const isOpen = load().then(
      () => true,
      () => false,
    );
    const silent = new Promise<false>((resolve) => setTimeout(() => resolve(false), PATIENCE));
    const answered = await Promise.race([isOpen, silent]);
    $storage.set(answered ? "open" : "silent");
    if (wantsDemo && answered) await bringInDemoOnce();
    await openLinked(opened);
    $ready.set(true);
    if (!answered && (await isOpen)) $storage.set("open");
  })();
  return started;
}

/** Reads every record. One that can't be read is set aside and holds nothing up. */
async function load(): Promise<void> {
  listenForLeaving();
  keepWhatIsSaved();
  await loadSettings();
  await aside.load();
  await shelf.load();
  await sittings.load();
  if (left.isThere()) {
    // Where it can't be had now, the next start finds it.
    const practising = await import("../playing/practising").catch(() => undefined);
    practising?.findLeftOff();
  }
  await takeBackUnderstood();
  await loadDocuments();
  await carryOverDraft();
}

/** What waits for a pause is written when the page is hidden, and what failed is tried again when it is back. */
function listenForLeaving(): void {
  window.addEventListener("pagehide", () => {
    flushDocuments();
  });
  document.addEventListener("visibilitychange", () => {
    if (document.visibilityState === "hidden") flushDocuments();
    else saving.retry();
  });
}
