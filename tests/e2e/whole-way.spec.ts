import { readFile } from "node:fs/promises";
import { keepAs, open, watch } from "./pages";
import { expect, test } from "./test";

test("the whole way: derive, hear, keep, match, identify, reload, export, import elsewhere", async ({
  page,
  browser,
}) => {
  const seen = watch(page);
  // High enough for what folds in the panel to stand open.
  await page.setViewportSize({ width: 1280, height: 920 });
  await open(page, "/");
  await expect(page).toHaveURL(/\/derive/);

  // Derive E Dorian by the field and the ladder.
  await page.getByLabel("Home", { exact: true }).fill("E");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: /^E Dorian, notes of D major/ }).click();
  await expect(page.getByRole("heading", { name: "E Dorian" })).toBeVisible();
  await expect(page.getByRole("list", { name: "Count up from D: D 1, E 2." })).toBeVisible();

  // Hear it start, and stop.
  const level = page.locator("[data-level]");
  await expect(level).toHaveAttribute("data-level", "0");
  await page.getByRole("button", { name: /Hear it/ }).click();
  await expect(async () =>
    expect(Number(await level.getAttribute("data-level"))).toBeGreaterThan(0.2),
  ).toPass();
  await page.getByRole("button", { name: "Stop", exact: true }).click();
  await expect(page.getByRole("button", { name: "Play", exact: true })).toBeVisible();

  await page.getByRole("button", { name: /^Save/ }).click();
  await keepAs(page, "The gate’s mode", "rust and apples");

  // Match a progression.
  await page.getByRole("link", { name: "Match" }).click();
  await page.getByLabel("Over").fill("| Em9 | A13 | Em9 | A13 |");
  await expect(page.getByText("E Dorian throughout; nothing outside").first()).toBeVisible();
  await page.getByRole("button", { name: /^Bar 2, A13/ }).click();
  await expect(page.getByText(/C♯, the third of A13 in bars 2 and 4, makes it Dorian/)).toBeVisible();
  await page.getByRole("button", { name: /^Save/ }).click();
  await keepAs(page, "Two lamps");

  // Identify the tunes of a real ABC file.
  await page.getByRole("link", { name: "Identify" }).click();
  await page.getByLabel("Open files of tunes").setInputFiles("tests/fixtures/mill-race.abc");
  await page.getByRole("button", { name: "The Mill Race" }).click();
  await expect(page.getByRole("heading", { name: "A minor without a 6" })).toBeVisible();
  await expect(page.getByText("The notes are G major’s:")).toBeVisible();
  await page.getByRole("button", { name: "All 2 tunes" }).click();
  await page.getByRole("button", { name: "Copper Weir" }).click();
  await expect(page.getByRole("heading", { name: "F♯ minor without a 2" })).toBeVisible();
  await page.getByRole("button", { name: /^Save/ }).click();
  await keepAs(page, "Copper Weir", "for the second act");

  // All of it is there after a reload, and leaves in one file.
  await page.reload();
  await expect(page.getByRole("heading", { name: "F♯ minor without a 2" })).toBeVisible();
  await page.getByRole("button", { name: /^Shelf/ }).click();
  const shelf = page.getByRole("dialog", { name: "Shelf" });
  for (const title of ["The gate’s mode", "Two lamps", "Copper Weir"]) {
    await expect(shelf.getByRole("button", { name: title }).first()).toBeVisible();
  }
  const downloading = page.waitForEvent("download");
  await shelf.getByRole("button", { name: "Export all" }).click();
  const file = await (await downloading).path();
  const exported = await readFile(file, "utf8");

  // The same in a browser that has nothing.
  const elsewhere = await (await browser.newContext()).newPage();
  await open(elsewhere, "/derive");
  await elsewhere.getByRole("button", { name: "Shelf 0" }).click();
  await elsewhere
    .getByLabel("Backup file")
    .setInputFiles({ name: "shade.json", mimeType: "application/json", buffer: Buffer.from(exported) });
  await elsewhere.getByRole("button", { name: "Import", exact: true }).click();
  await expect(elsewhere.getByText(/^Imported .* items\.$/)).toBeVisible();
  const again = elsewhere.waitForEvent("download");
  await elsewhere.getByRole("button", { name: "Export all" }).click();
  expect(await readFile(await (await again).path(), "utf8")).toBe(exported);
  await elsewhere.getByRole("button", { name: "The gate’s mode" }).first().click();
  await expect(elsewhere.getByRole("heading", { name: "E Dorian" })).toBeVisible();

  expect(seen).toEqual([]);
});
