import { gzipSync } from "node:zlib";
import { VIEWS } from "../../src/features/views";
import { expect, test } from "./test";

/** kB of script (gzip) that each view may ask for until it stands still; those with an editor or an engraved staff may ask for more. */
const MAX_KILOBYTES = { derive: 220, match: 360, identify: 360, reshape: 360, ear: 220, log: 220 } as const;

test("no view loads more script than it did, and every page stands before any of it runs", async ({
  browser,
  baseURL,
}) => {
  for (const { id, name, asks } of VIEWS) {
    const context = await browser.newContext({ baseURL: baseURL!, serviceWorkers: "block" });
    const page = await context.newPage();
    const scripts = new Set<string>();
    page.on("request", (request) => {
      if (/\.m?js(?:\?|$)/u.test(request.url())) scripts.add(request.url());
    });
    const html = (await (await page.goto(`/${id}`))?.text()) ?? "";
    expect(html).toContain(name);
    expect(html).toContain(asks);
    await expect(page.locator("html[data-settled]")).toBeAttached();
    let bytes = 0;
    for (const url of scripts)
      bytes += gzipSync(await (await context.request.get(url)).body(), { level: 9 }).length;
    expect(Math.round(bytes / 1000), `kB of ${id}`).toBeLessThanOrEqual(MAX_KILOBYTES[id]);
    await context.close();
  }
});

test("a page comes to life without a jump", async ({ browser, baseURL }) => {
  for (const [id, width] of VIEWS.flatMap((view) => [[view.id, 1280] as const, [view.id, 390] as const])) {
    const viewport = { width, height: 844 };
    const context = await browser.newContext({ baseURL: baseURL!, serviceWorkers: "block", viewport });
    const page = await context.newPage();
    await page.addInitScript(() => {
      const shifts: { value: number; moved: string[] }[] = [];
      Object.assign(globalThis, { shifts });
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) {
          const { value, sources } = entry as unknown as { value: number; sources: { node?: Element }[] };
          shifts.push({
            value,
            moved: sources.map(({ node }) => (node ? `${node.nodeName} ${node.className}` : "")),
          });
        }
      }).observe({ type: "layout-shift", buffered: true });
    });
    await page.goto(`/${id}`);
    await expect(page.locator("html[data-settled]")).toBeAttached();
    const shifts = await page.evaluate(
      () => (globalThis as unknown as { shifts: { value: number; moved: string[] }[] }).shifts,
    );
    const sum = shifts.reduce((all, { value }) => all + value, 0);
    expect(sum, `${id} at ${width}: ${JSON.stringify(shifts)}`).toBeLessThan(0.02);
    await context.close();
  }
});
