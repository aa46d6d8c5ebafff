/** Tells the other tabs which record changed, and hears it from them. */
export interface Tabs {
  readonly tell: (key: string) => void;
  readonly hear: (listen: (key: string) => void) => void;
}

/** The other tabs of this browser; none where the browser has no such channel. */
export function otherTabs(name = "shade"): Tabs {
  const channel = typeof BroadcastChannel === "undefined" ? undefined : new BroadcastChannel(name);
  return {
    tell: (key) => channel?.postMessage(key),
    hear: (listen) =>
      channel?.addEventListener("message", ({ data }) => {
        if (typeof data === "string") listen(data);
      }),
  };
}

/** Holds a name in all tabs while something is done; at once where the browser has no locks. */
export async function holdInAllTabs(key: string, act: () => Promise<void>): Promise<void> {
  const locks = (globalThis.navigator as Navigator | undefined)?.locks;
  if (locks === undefined) await act();
  else await locks.request(`shade ${key}`, act);
}
