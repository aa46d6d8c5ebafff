import { atom } from "nanostores";
import { type ComponentType, type FunctionComponent, use } from "react";

/** How many parts of the page are being fetched. */
export const $fetching = atom(0);

/** What failed to load, each with what lets it be fetched again. */
const failed = new Set<() => void>();

/** Whether an error is one of loading, and not of what was loaded. */
const unloaded = new WeakSet<object>();
export const isUnloaded = (error: unknown): boolean =>
  typeof error === "object" && error !== null && unloaded.has(error);

/** Counts what has come or failed: whoever waits looks again. */
export const $arrived = atom(0);

/** Never fulfilled: what waits for a part is drawn again by `Waiting`, not by the part's promise. */
const NEVER = new Promise<never>(() => undefined);

/**
 * A component that is loaded when it is first shown: within a `Waiting`, and a `Boundary` that says so where it can't be had. Unlike
 * React's own `lazy` it can be tried again after a failure.
 *
 * @example const Help = later(() => import("./Help").then(({ Help }) => Help)); <Help />
 */
export function later<P extends object>(load: () => Promise<ComponentType<P>>): FunctionComponent<P> {
  let state:
    | { readonly loaded: ComponentType<P> }
    | { readonly error: Error }
    | { readonly isLoading: true }
    | undefined;
  const begin = async () => {
    state = { isLoading: true };
    $fetching.set($fetching.get() + 1);
    try {
      state = { loaded: await load() };
    } catch (reason) {
      const error = new Error("not loaded", { cause: reason });
      unloaded.add(error);
      failed.add(() => (state = undefined));
      state = { error };
    } finally {
      $fetching.set($fetching.get() - 1);
      $arrived.set($arrived.get() + 1);
    }
  };
  return function Shown(props: P) {
    // Begun where it is first wanted; what comes of it is told by `$arrived`.
    if (!state) queueMicrotask(() => !state && void begin());
    if (state && "error" in state) throw state.error;
    if (state && "loaded" in state) {
      const Loaded = state.loaded;
      return <Loaded {...props} />;
    }
    return use(NEVER);
  };
}

/** What is done before anything is tried again. */
let before: () => Promise<void> = () => Promise.resolve();

/** Says what is done before anything that failed is tried again: the page may belong to a version that is gone. */
export const beforeTryingAgain = (act: () => Promise<void>): void => {
  before = act;
};

/** Lets everything that failed to load be fetched again, style sheets too: a browser doesn't try one twice by itself. */
export async function tryAgain(): Promise<void> {
  await before();
  for (const forget of failed) forget();
  failed.clear();
  const sheets = document.querySelectorAll<HTMLLinkElement>('link[rel="stylesheet"]');
  await Promise.all([...sheets].filter(({ sheet }) => sheet === null).map(fetchSheet));
}

const fetchSheet = (link: HTMLLinkElement): Promise<void> =>
  new Promise((resolve) => {
    const again = link.cloneNode() as HTMLLinkElement;
    again.onload = again.onerror = () => resolve();
    link.replaceWith(again);
  });
