import { expect, test } from "@playwright/test";
import { open, watch } from "./pages";

const SCENE = "| Em9 | A13 | Em9 | A13 | Cmaj7 | D6 | Em9 | B7sus4 |";

test("reads a progression by one mode, with what decides and the signal note", async ({ page }) => {
  const seen = watch(page);
  await open(page, "/match");
  await page.getByLabel("Over").fill(SCENE);
  await expect(page.getByText("E Dorian throughout; C is outside in one chord").first()).toBeVisible();
  await page.getByRole("button", { name: /^Bar 2, A13, IV/ }).click();
  await expect(page.getByRole("heading", { name: "A13 in bar 2" })).toBeVisible();
  await expect(page.getByText("Signal note: C♯, its third")).toBeVisible();
  await expect(page.getByText("D, a half step over the third")).toBeVisible();
  await page.keyboard.press("ArrowRight");
  await page.locator("body").click({ position: { x: 5, y: 400 } });
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("heading", { name: "Cmaj7 in bar 5" })).toBeVisible();
  expect(seen).toEqual([]);
});

test("another single mode can be taken, and a link brings it back", async ({ page, context }) => {
  await open(page, "/match");
  await page.getByLabel("Over").fill(SCENE);
  await page.getByRole("button", { name: /^E Aeolian throughout/ }).click();
  await expect(page).toHaveURL(/mode=aeolian.*chords=/);
  const other = await context.newPage();
  await open(other, page.url());
  await expect(other.getByText("E Aeolian throughout; C♯ is outside in two chords").first()).toBeVisible();
  await other.getByRole("link", { name: "Derive" }).click();
  await expect(other.getByRole("heading", { name: "E Aeolian" })).toBeVisible();
});

test("a chord that nobody can read keeps its place, and the reading goes round it", async ({ page }) => {
  await open(page, "/match");
  await page.getByLabel("Over").fill("| Em9 | Axyz | A13 | G/ |");
  await expect(page.getByText("At 11: “yz” is no kind of chord")).toBeVisible();
  await expect(page.getByText(/a note A to G should stand behind the slash/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Bar 2, Axyz, not read" })).toBeVisible();
  await expect(page.getByText("E Dorian throughout; nothing outside").first()).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Over")).toHaveValue("| Em9 | Axyz | A13 | G/ |");
});

test("nothing readable and nothing at all are answered", async ({ page }) => {
  await open(page, "/match");
  await expect(page.getByText("Type chords as you would write them")).toBeVisible();
  await page.getByLabel("Over").fill("| qqq | ??? |");
  await expect(page.getByText("No chord could be read yet")).toBeVisible();
  await page.getByLabel("Over").fill("");
  await page.getByRole("button", { name: /^The lanterns are lit/ }).click();
  await expect(page.getByLabel("Over")).toHaveValue(SCENE);
});
