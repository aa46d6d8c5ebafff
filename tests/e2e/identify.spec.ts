import { readFile } from "node:fs/promises";
import { expect, test } from "@playwright/test";
import { open, watch } from "./pages";

test("a tune dropped on the view is read, engraved and marked", async ({ page }) => {
  const seen = watch(page);
  await open(page, "/identify");
  const abc = await readFile("src/demo/the-clock-stair.abc", "utf8");
  const dropped = await page.evaluateHandle((text) => {
    const transfer = new DataTransfer();
    transfer.items.add(new File([text], "stair.abc", { type: "text/vnd.abc" }));
    return transfer;
  }, abc);
  await page.getByLabel("The tune, as ABC or note names").dispatchEvent("drop", { dataTransfer: dropped });
  await expect(page.getByRole("heading", { name: "A Mixolydian" })).toBeVisible();
  await expect(page.getByText("16 bars, 62 notes, from ABC")).toBeVisible();
  await expect(page.getByText("Ionian D, Dorian E, Phrygian F♯, Lydian G, Mixolydian A.")).toBeVisible();
  await expect(page.getByText("With G♯ it would be plain A major.")).toBeVisible();
  await expect(page.locator(".abcjs-note[data-colour]")).toHaveCount(7);
  await expect(page.locator("rect[data-mark]")).toHaveCount(4);
  expect(seen).toEqual([]);
});

test("typed notes are read as they are typed, bad ones told where they stand", async ({ page }) => {
  await open(page, "/identify");
  const field = page.getByLabel("The tune, as ABC or note names");
  await field.fill("B3 C#4 D# E# F# G# A# B4");
  await expect(page.getByRole("heading", { name: "B Lydian" })).toBeVisible();
  await expect(field).toBeFocused();
  await field.pressSequentially(" B4 xx");
  await expect(page.getByText("“xx” is no note")).toBeVisible();
  await expect(page.getByRole("heading", { name: "B Lydian" })).toBeVisible();
});

test("six notes leave two modes open, and either can be looked into", async ({ page }) => {
  await open(page, "/identify");
  await page.getByRole("button", { name: "Six Pears" }).click();
  await expect(page.getByRole("heading", { name: "D Aeolian or Dorian" })).toBeVisible();
  await expect(
    page.getByText(
      "But no sixth is ever heard: with B it would be D Dorian, with B♭ D Aeolian; both stay open.",
    ),
  ).toBeVisible();
  await expect(page.getByRole("button", { name: /^With B/ })).toHaveCount(0);
  await page.getByRole("button", { name: /^D Dorian/ }).click();
  await expect(page.getByRole("heading", { name: "D Dorian or Aeolian" })).toBeVisible();
  await expect(page).toHaveURL(/home=D&mode=dorian/);
});

test("a broken line is told with its place, and the rest is read", async ({ page }) => {
  await open(page, "/identify");
  const abc = "X:1\nT:Broken\nL:1/8\nK:EPhr\nE2 F2 $ G2 A2|B2 A2 G2 F2|E8|]\n";
  await page.getByLabel("The tune, as ABC or note names").fill(abc);
  await expect(
    page.getByText("Line 5, column 7: “$” means nothing in ABC there and was passed over."),
  ).toBeVisible();
  await expect(page.getByRole("heading", { name: "E Phrygian" })).toBeVisible();
  await page.getByLabel("The tune, as ABC or note names").fill("X:1\nK:C\nz4|\n");
  await expect(page.getByText("There are no notes in it yet.")).toBeVisible();
  await expect(page.getByLabel("The tune, as ABC or note names")).toHaveValue("X:1\nK:C\nz4|\n");
});

test("files that are no tune are answered and the page goes on", async ({ page }) => {
  await open(page, "/identify");
  const choose = (name: string, buffer: Buffer) =>
    page.getByLabel("Open an ABC file").setInputFiles({ name, mimeType: "text/plain", buffer });
  await choose("noise.abc", Buffer.from(Array.from({ length: 400 }, (_, at) => (at * 37) % 256)));
  await expect(page.getByText(/no note|no tune|more like these/).first()).toBeVisible();
  await choose("large.abc", Buffer.alloc(4_000_001, 65));
  await expect(page.getByText("“large.abc” is larger than 4 MB")).toBeVisible();
  await choose("good.abc", Buffer.from("X:1\nT:Good\nL:1/4\nK:D\nDFAd|AFD2|]\n"));
  await expect(page.getByRole("heading", { name: /^D Ionian/ })).toBeVisible();
});
