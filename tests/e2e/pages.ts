import { expect, type Locator, type Page } from "@playwright/test";
import { VIEWS } from "../../src/features/views";

/** Opens a view and waits until it stands. */
export async function open(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await expect(page.getByRole("navigation", { name: "Views" })).toBeVisible();
  await expect(page.getByRole("region", { name: "Stage" })).toBeVisible();
  await expect(page.getByRole("main").getByRole("heading", { level: 1 })).toBeAttached();
  await expect(page.locator("html[data-settled]")).toBeAttached();
}

/** Goes to another address of the application as the browser's Back would, in the page that is open: nothing is loaded again. */
export async function visit(page: Page, path: string): Promise<void> {
  await page.evaluate((to) => {
    window.history.pushState(null, "", to);
    window.dispatchEvent(new PopStateEvent("popstate", { state: null }));
  }, path);
  await settled(page);
}

/** Opens the first view with the demo and goes on to the others; acts in each once it stands still. */
export async function inEachView(page: Page, act: (view: string) => Promise<void>): Promise<void> {
  const [first, ...others] = VIEWS;
  await open(page, `/${first.id}?demo`);
  await settled(page);
  await act(first.id);
  for (const { id } of others) {
    await visit(page, `/${id}`);
    await act(id);
  }
}

/**
 * Waits until the page stands still: nothing is read, computed or moved any more. The page says the first two of itself; the rest is
 * asked of the browser.
 */
export async function settled(page: Page): Promise<void> {
  await page.locator("html[data-settled]").waitFor({ state: "attached" });
  await page.evaluate(async () => {
    await document.fonts.ready;
    await Promise.allSettled(document.getAnimations().map(({ finished }) => finished));
    await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
  });
  await page.locator("html[data-settled]").waitFor({ state: "attached" });
}

/**
 * Notes every text that a part of the page has from now on, in order: what is there for a moment only, while something plays, is seen
 * however slow the machine is.
 *
 * @returns the texts so far
 */
export async function noting(page: Page, selector: string): Promise<() => Promise<readonly string[]>> {
  const noted = await page.evaluateHandle((wanted) => {
    const texts: string[] = [];
    const note = () => {
      for (const part of document.querySelectorAll(wanted))
        if (part.textContent !== texts.at(-1)) texts.push(part.textContent);
    };
    new MutationObserver(note).observe(document.body, {
      attributes: true,
      characterData: true,
      childList: true,
      subtree: true,
    });
    note();
    return texts;
  }, selector);
  return () => noted.jsonValue();
}

/** Collects what must not happen: requests that leave the machine, errors, refusals by the content policy. */
export function watch(page: Page): readonly string[] {
  const seen: string[] = [];
  page.on("request", (request) => {
    const url = new URL(request.url());
    if (!["127.0.0.1", ""].includes(url.hostname)) seen.push(`left the machine: ${request.url()}`);
  });
  page.on("pageerror", (error) => seen.push(`error: ${error.message}`));
  page.on("console", (message) => {
    if (message.type() === "error") seen.push(`console: ${message.text().slice(0, 200)}`);
  });
  return seen;
}

/** Puts a thing on the Shelf through the dialog that is open. */
export async function keepAs(page: Page, title: string, words = ""): Promise<void> {
  const dialog = page.getByRole("dialog", { name: "Save", exact: true });
  await dialog.getByLabel("Title").fill(title);
  await dialog.getByLabel("Your words").fill(words);
  await dialog.getByRole("button", { name: "Save" }).click();
  await expect(dialog).toBeHidden();
}

/** Opens Display or Sound beside the stage, acts in it, and closes it. */
export async function inSheet(
  page: Page,
  name: "Display" | "Sound",
  act: (sheet: Locator) => Promise<unknown>,
): Promise<void> {
  await page.getByRole("button", { name, exact: true }).click();
  const sheet = page.getByRole("dialog", { name, exact: true });
  await expect(sheet).toBeVisible();
  await act(sheet);
  await page.keyboard.press("Escape");
  await expect(sheet).toBeHidden();
}

/** What the stage shows it on. */
export const showOn = (page: Page, surface: "Neck" | "Keys" | "Staff"): Promise<void> =>
  inSheet(page, "Display", (sheet) =>
    sheet.getByRole("radio", { name: surface, exact: true }).check({ force: true }),
  );

/** What the stage shows. */
export const show = (page: Page, division: "Position" | "Whole neck" | "Line" | "Voicing"): Promise<void> =>
  page.getByRole("radio", { name: division, exact: true }).check({ force: true });

/** The field of Match in which chords are typed. */
export const chartField = (page: Page) => page.getByRole("textbox", { name: "Over" });

/** What is typed in it: without the example that stands in an empty one. */
export const chartText = (page: Page): Promise<string> =>
  chartField(page)
    .locator(".cm-line")
    .evaluateAll((lines) =>
      lines
        .map((line) =>
          [...line.childNodes]
            .filter((node) => !(node instanceof Element && node.matches(".cm-placeholder")))
            .map(({ textContent }) => textContent)
            .join(""),
        )
        .join("\n"),
    );
