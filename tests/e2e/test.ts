import { type BrowserContext, type CDPSession, test as base } from "@playwright/test";

/** A browser's profile that several tests use one after another, and what clears it. */
interface SharedProfile {
  readonly context: BrowserContext;
  /** Leaves nothing of a test behind: no page, no record, no permission. */
  readonly clear: () => Promise<void>;
}

const RECORDS = "cookies,local_storage,indexeddb,websql,service_workers,cache_storage";

/**
 * Playwright's test with a profile that a worker keeps. A page opened in a new profile starts a process of its own and compiles every
 * script anew, which takes half of the time of opening it; here a page that stays open keeps the process, and each test begins with
 * empty storage all the same. Tests that set a screen, touch or a scheme of their own get a profile of their own.
 */
export const test = base.extend<object, { readonly sharedProfile: SharedProfile }>({
  sharedProfile: [
    async ({ browser }, use, { project }) => {
      const { baseURL = "", viewport = null } = project.use;
      const context = await browser.newContext({ baseURL, viewport, serviceWorkers: "block" });
      const anchor = await context.newPage();
      await anchor.goto("/mark.svg");
      const session: CDPSession = await context.newCDPSession(anchor);
      const { origin } = new URL(baseURL);
      await use({
        context,
        clear: async () => {
          await Promise.all(
            context
              .pages()
              .filter((page) => page !== anchor)
              .map((page) => page.close()),
          );
          await context.clearPermissions();
          await session.send("Storage.clearDataForOrigin", { origin, storageTypes: RECORDS });
        },
      });
      await context.close();
    },
    { scope: "worker" },
  ],
  context: async (
    { browser, sharedProfile, baseURL, viewport, hasTouch, isMobile, permissions },
    use,
    { project },
  ) => {
    const isOwn = hasTouch || isMobile || viewport !== project.use.viewport;
    if (isOwn) {
      const context = await browser.newContext({
        ...(baseURL !== undefined && { baseURL }),
        viewport,
        hasTouch,
        isMobile,
        // Fetching everything for the time without a network would take each test longer than the test.
        serviceWorkers: "block",
        ...(permissions && { permissions }),
      });
      await use(context);
      await context.close();
      return;
    }
    const { context, clear } = sharedProfile;
    if (permissions) await context.grantPermissions(permissions);
    await use(context);
    await clear();
  },
});

export { expect } from "@playwright/test";
