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

/**
 * A component that is loaded when it is first shown: within a `Suspense`, and a `Boundary` that says so where it can't be had. Unlike
 * React's own `lazy` it can be tried again after a failure.
 *
 * @example const Help = later(() => import("./Help").then(({ Help }) => Help)); <Help />
 */
export function later<P extends object>(load: () => Promise<ComponentType<P>>): FunctionComponent<P> {
  let loading: Promise<ComponentType<P>> | undefined;
  const begin = async () => {
    $fetching.set($fetching.get() + 1);
    try {
      return await load();
    } catch (reason) {
      const error = new Error("not loaded", { cause: reason });
      unloaded.add(error);
      failed.add(() => (loading = undefined));
      throw error;
    } finally {
      $fetching.set($fetching.get() - 1);
    }
  };
  const loaded = () => (loading ??= begin());
  return function Shown(props: P) {
    const Loaded = use(loaded());
    return <Loaded {...props} />;
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
