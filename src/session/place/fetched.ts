import { atom } from "nanostores";

/** What was asked for and could not be fetched, as the user calls it; said until it is dismissed. */
export const $unfetched = atom<string | undefined>();

/**
 * Does something with a part of the application that is fetched for it. Where that can't be had it is said, and nothing is done.
 *
 * @param what what it is for, as the user calls it: "The export"
 * @example await withPart("The demo", () => import("@/demo"), ({ DEMO }) => shelf.putAll(DEMO))
 */
export async function withPart<M>(
  what: string,
  fetch: () => Promise<M>,
  act: (part: M) => void | Promise<void>,
): Promise<void> {
  let part: M;
  try {
    part = await fetch();
  } catch {
    $unfetched.set(what);
    return;
  }
  await act(part);
}
