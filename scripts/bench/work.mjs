// @ts-check
/** The work itself: a letter typed into a long chart, and opening with many saved things. */
import { putRecords } from "./records.mjs";
import { address, browser } from "./started.mjs";

const CHORDS = ["Em9", "A13", "Cmaj7", "D6", "F#m7b5", "B7", "Gmaj7", "C#m7"];

/**
 * Milliseconds of the page's own thread that each typed letter takes in a chart of so many chords.
 *
 * @param {number} count
 */
export async function typedInto(count) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/match`, { waitUntil: "networkidle" });
  const chart = Array.from({ length: count }, (_, at) => CHORDS[at % CHORDS.length]);
  const lines = Array.from(
    { length: Math.ceil(count / 8) },
    (_, at) => `| ${chart.slice(at * 8, at * 8 + 8).join(" | ")} |`,
  );
  const field = page.getByRole("textbox", { name: "Over" });
  await field.fill(lines.join("\n"));
  await page.getByRole("button", { name: /^Bar 8, / }).waitFor({ timeout: 120_000 });
  await page.waitForTimeout(3000);
  await field.press("Control+End");
  const times = await page.evaluate(async () => {
    /** @type {number[]} */
    const found = [];
    for (const letter of " | Em9 | A13 | Bm7 ") {
      const started = performance.now();
      document.execCommand("insertText", false, letter);
      found.push(performance.now() - started);
      await new Promise((resolve) => setTimeout(resolve, 60));
    }
    return found;
  });
  await page.close();
  return times;
}

/**
 * Milliseconds from the start of the page until its Shelf is counted, with so many things on it.
 *
 * @param {number} count
 * @param {number} runs
 */
export async function openedWith(count, runs) {
  const context = await browser.newContext();
  const page = await context.newPage();
  await page.goto(`${address}/derive`, { waitUntil: "networkidle" });
  await page.getByRole("button", { name: "Shelf 0" }).waitFor();
  await page.waitForTimeout(1000);
  const date = "2026-01-01T00:00:00.000Z";
  await putRecords(
    page,
    Array.from({ length: count }, (_, at) => [
      `shelf:many-${at}`,
      {
        ...{ version: 2, id: `many-${at}`, kind: "mode", title: `Mode ${at}`, words: "", home: "D" },
        ...{ mode: "dorian", savedAt: date, changedAt: date, revisions: ["r"] },
      },
    ]),
  );
  const times = [];
  for (let run = 0; run < runs; run += 1) {
    await page.goto(`${address}/derive`);
    await page
      .getByRole("button", { name: `Shelf ${count.toLocaleString("en")}` })
      .waitFor({ timeout: 60_000 });
    times.push(await page.evaluate(() => performance.now()));
  }
  await context.close();
  return times;
}
