import { atom } from "nanostores";
import { soundFiles } from "@/audio";
import { beforeTryingAgain } from "@/kit/later";
import { $partSounds, flushDocuments } from "@/session";
import type { ToWorker, VersionAsked } from "@/offline/service-worker";

/** What is known of working without a network: whether the pages are kept for it, and whether a newer version waits. */
export const $offline = atom<"unknown" | "kept" | "refused">("unknown");
export const $newVersion = atom(false);

const version = () => document.documentElement.dataset.version;

const tell = (worker: ServiceWorker | null | undefined, said: ToWorker) => worker?.postMessage(said);

let registered: ServiceWorkerRegistration | undefined;

/** Starts the service worker once the page stands still; without one the page works as long as the network does. */
export async function startOffline(): Promise<void> {
  if (version() === undefined || !("serviceWorker" in navigator)) return;
  // The one thing that the worker asks.
  navigator.serviceWorker.addEventListener("message", ({ ports }: MessageEvent<VersionAsked>) =>
    ports[0]?.postMessage(version()),
  );
  try {
    registered = await navigator.serviceWorker.register("/sw.js", { updateViaCache: "none" });
    await navigator.serviceWorker.ready;
    $offline.set("kept");
    keepSounds();
    look(registered);
    registered.addEventListener("updatefound", () => {
      const coming = registered?.installing;
      coming?.addEventListener("statechange", () => registered && look(registered));
    });
  } catch {
    $offline.set("refused");
  }
}

/** A newer version that waits is said; this page goes on with its own until the user says otherwise, or until the next start. */
const look = ({ waiting }: ServiceWorkerRegistration) => {
  if (waiting && navigator.serviceWorker.controller) $newVersion.set(true);
};

/** Lets the newer version take over, and opens this page anew in it. */
export function takeNewVersion(): void {
  navigator.serviceWorker.addEventListener("controllerchange", () => window.location.reload(), {
    once: true,
  });
  tell(registered?.waiting, { type: "take-over" });
}

/** Keeps the recordings of all instruments for the time without a network, those that are in use first. */
const keepSounds = (): void =>
  tell(registered?.active, { type: "keep", files: soundFiles(Object.values($partSounds.get())) });

/**
 * Whether the server has another version than this page is of, so that what this page asks for may be gone. False where nobody answers.
 */
async function isOutdated(): Promise<boolean> {
  try {
    const answer = await fetch("/version.json", { cache: "no-store" });
    const served = (await answer.json()) as { readonly version?: unknown };
    return version() !== undefined && served.version !== version();
  } catch {
    return false;
  }
}

// What failed to load may be gone with its version: the page is opened anew in the one that there is, with what was worked on saved.
beforeTryingAgain(async () => {
  if (!(await isOutdated())) return;
  flushDocuments();
  window.location.reload();
});
