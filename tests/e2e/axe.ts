import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import type { Page } from "@playwright/test";
import type axeCore from "axe-core";

const SCRIPT = readFileSync(createRequire(import.meta.url).resolve("axe-core/axe.min.js"), "utf8");

/** In the page: what axe finds, a line a rule. */
async function found({
  within,
  runOnly,
}: {
  readonly within: string;
  readonly runOnly: axeCore.RunOptions["runOnly"];
}): Promise<readonly string[] | undefined> {
  const { axe } = globalThis as { axe?: typeof axeCore };
  if (!axe) return undefined;
  // One after the other in a page, and what is counted besides is left out: only what is wrong is asked for.
  const { violations } = await axe.run(within, {
    ...(runOnly === undefined ? {} : { runOnly }),
    resultTypes: ["violations"],
    performanceTimer: false,
  });
  return violations.map(
    ({ id, nodes }) =>
      `${id}: ${nodes.map(({ target, failureSummary }) => `${String(target)} ${failureSummary ?? ""}`).join(" | ")}`,
  );
}

/** Runs axe in a page as it stands. Its script is given to each page once, and run directly: no frame of another origin is here. */
async function run(page: Page, within: string, runOnly: axeCore.RunOptions["runOnly"]) {
  const first = await page.evaluate(found, { within, runOnly });
  if (first) return first;
  await page.evaluate(SCRIPT);
  return (await page.evaluate(found, { within, runOnly })) ?? ["axe could not be loaded"];
}

/** Changes the system's theme and waits until the page has followed; pages without the bar follow by style alone. */
async function isSeenBy(page: Page, colorScheme: "light" | "dark"): Promise<void> {
  await page.emulateMedia({ colorScheme, reducedMotion: "reduce" });
  await page.waitForFunction(
    (theme: string) =>
      ([undefined, theme] as (string | undefined)[]).includes(document.documentElement.dataset.theme),
    colorScheme,
  );
}

/** What axe finds on the page or in a part of it: in the light theme all of it, in the dark one the contrast, which alone may differ. */
export async function serious(page: Page, within = "html"): Promise<readonly string[]> {
  const light = await run(page, within, {
    type: "tag",
    values: ["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"],
  });
  await isSeenBy(page, "dark");
  const dark = await run(page, within, { type: "rule", values: ["color-contrast"] });
  await isSeenBy(page, "light");
  return [...light, ...dark];
}

/** What axe finds that a narrow window alone can bring: targets too small, parts that scroll out of reach, names that are hidden. */
export const narrow = (page: Page): Promise<readonly string[]> =>
  run(page, "html", {
    type: "rule",
    values: ["target-size", "scrollable-region-focusable", "button-name", "link-name", "label"],
  });
