import { readFile } from "node:fs/promises";
import { keepAs, noting, open, watch } from "./pages";
import { expect, test } from "./test";

test("cells are opened and shut by pointer and by keyboard alone, and the scale is named or described", async ({
  page,
}) => {
  const seen = watch(page);
  await open(page, "/derive?home=D&mode=dorian");
  await page.keyboard.press("o");
  await expect(page.getByText(/^This is Dorian, also called/)).toBeVisible();
  await page.getByRole("button", { name: "B, major sixth" }).click();
  await expect(page.getByRole("heading", { name: "D Aeolian without 6" })).toBeVisible();
  await page.getByRole("button", { name: "B♭, minor sixth" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "D Aeolian" })).toBeVisible();
  await page.getByRole("button", { name: "C♯, major seventh" }).click();
  await page.getByRole("button", { name: "F, minor third" }).click();
  await expect(page.getByText(/: seven notes that aren’t in the catalogue\.$/)).toBeVisible();
  await expect(page).toHaveURL(/mode=1-2-\S+&show=make/);
  await page.reload();
  await expect(page.getByText(/: seven notes that aren’t in the catalogue\.$/)).toBeVisible();
  await expect(page.getByText(/^Steps: whole .* Nearest: D/)).toBeVisible();
  expect(seen).toEqual([]);
});

test("a whole-tone scale has one mode and says why", async ({ page }) => {
  await open(page, "/derive?home=C&mode=whole-tone&show=make");
  await expect(page.getByText(/so its six notes make one mode only/)).toBeVisible();
  await expect(
    page.getByRole("list", { name: /^The rotations of C whole tone/ }).getByRole("listitem"),
  ).toHaveCount(1);
});

test("degrees and notes are found in Make and in Find", async ({ page }) => {
  await open(page, "/derive?home=D&mode=dorian&show=make");
  const field = page.getByLabel("Degrees, notes or a name");
  await field.fill("E F G# A B");
  await page.keyboard.press("Enter");
  await expect(
    page.getByRole("heading", { level: 2, name: "E Phrygian dominant without ♭6 ♭7" }),
  ).toBeVisible();
  await field.fill("nothing like it");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("isn’t a scale I know");
  await page.keyboard.press("Escape");
  await page.getByRole("heading", { level: 1 }).click({ force: true });
  await page.keyboard.press("/");
  await page.keyboard.type("E F G# A B");
  const found = page.getByRole("dialog", { name: "Find" });
  await expect(found.getByRole("button", { name: /^E Phrygian dominant .*two notes more/ })).toBeVisible();
  await expect(found.getByRole("button", { name: /^A harmonic minor/ })).toBeHidden();
  await page.getByLabel("What to find").fill("1 2 b3 4 5 6 7");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "E melodic minor" })).toBeVisible();
});

test("compare holds modes against each other, and the address brings them back", async ({ page }) => {
  await open(page, "/derive?home=D&mode=dorian&show=compare");
  const rows = page.getByRole("list", { name: "Modes on D, from bright to dark" });
  await expect(rows.getByRole("listitem")).toHaveCount(3);
  await page.getByLabel("Another mode to compare").fill("phrygian dominant");
  await page.keyboard.press("Enter");
  await expect(rows.getByRole("listitem")).toHaveCount(4);
  await page.getByRole("button", { name: "Take Mixolydian away" }).click();
  await expect(
    page.getByText("D Phrygian dominant is D Dorian with E♭ for E, F♯ for F and B♭ for B."),
  ).toBeVisible();
  await expect(page).toHaveURL(/with=aeolian%2Cphrygian-dominant/);
  await page.reload();
  await expect(rows.getByRole("listitem")).toHaveCount(3);
  await rows.getByRole("button", { name: /^D Aeolian/ }).click();
  await expect(page.getByRole("heading", { level: 2, name: "D Aeolian" })).toBeVisible();
  await expect(rows.getByRole("listitem")).toHaveCount(3);
  const differing = await rows.locator("[style]:not([data-shared])").count();
  expect(differing).toBe(3 * 7 - 3 * 4);
});

test("the path is played through, each mode marked while it is heard", async ({ page }) => {
  await open(page, "/derive?home=D&mode=dorian&show=compare&with=aeolian");
  await page.getByLabel(/^Tempo/).fill("300");
  const heard = await noting(page, "[data-heard]");
  await page.getByRole("button", { name: "Play them one after another" }).click();
  await expect
    .poll(async () => (await heard()).map((text) => /Dorian|Aeolian/u.exec(text)?.[0]), { timeout: 60_000 })
    .toEqual(expect.arrayContaining(["Dorian", "Aeolian"]));
  await expect(page.locator("[data-heard]")).toHaveCount(0, { timeout: 60_000 });
});

test("questions are compared with all modes, off the page’s own thread", async ({ page }) => {
  const seen = watch(page);
  await open(page, "/derive?home=D&mode=dorian");
  await page.keyboard.press("q");
  await expect(page.getByText("All 462 modes.")).toBeVisible();
  await page.getByLabel("a home chord with only perfect fifths").check();
  await expect(page.getByText("1 of 462 modes.")).toBeVisible();
  await page.getByLabel("a home chord with only perfect fifths").uncheck();
  await page.getByLabel("or any home").check();
  await page.getByLabel("Chords that they hold").fill("Em, F and G#");
  await page.keyboard.press("Enter");
  await expect(page.getByText(/needs eight different notes, more than seven/)).toBeVisible();
  await expect(page.getByRole("button", { name: /^Drop “the chords”: \d+ modes$/ })).toBeVisible();
  await page.getByLabel("Chords that they hold").fill("Am E F");
  await page.keyboard.press("Enter");
  await page.reload();
  await expect(page.getByLabel("Chords that they hold")).toHaveValue("Am E F");
  const row = page.getByRole("button", { name: /^A harmonic minor, characteristic/ });
  await expect(row).toBeVisible();
  await row.click();
  await expect(page.getByRole("heading", { name: "A harmonic minor" })).toBeVisible();
  await page.getByLabel("Notes that they hold").fill("X");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("“X” isn’t a note or a degree");
  expect(seen).toEqual([]);
});

test("a chord of the mode is heard, shown on the neck, saved and matched", async ({ page }) => {
  await open(page, "/derive?home=C%23&mode=dorian&show=chords");
  await page.getByRole("button", { name: "F♯13", exact: true }).click();
  await expect(page.getByRole("heading", { level: 2, name: /^F♯13/ })).toBeVisible();
  await expect(page.getByText("the characteristic note")).toBeVisible();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await keepAs(page, "Fourth of the stair");
  await page.getByLabel("Slash chords over one bass").check();
  await expect(page.getByText(/over C♯\. From E and B all of it is in C♯ Dorian\./)).toBeVisible();
  await page.getByLabel("Home chord and vamps").check();
  await page.getByRole("button", { name: "C♯m and F♯", exact: true }).click();
  await page.getByRole("button", { name: "Hear it" }).click();
  await expect(page.getByRole("button", { name: "Stop" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Put into the chart" }).click();
  await expect(page.getByRole("button", { name: /^Bar 2, F♯/ })).toBeVisible();
  await page.keyboard.press("h");
  await expect(page.getByRole("button", { name: /^Fourth of the stair/ })).toBeVisible();
});

test("a scale goes out as a Scala file and comes back; another tuning is refused with its cents", async ({
  page,
}, info) => {
  await open(page, "/derive?home=Gb&mode=lydian-dominant");
  await page.getByLabel("Yours").check();
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as Scala" }).click();
  const file = info.outputPath("lydian-dominant.scl");
  await (await saving).saveAs(file);
  expect(await readFile(file, "utf8")).toContain("Gb Lydian dominant\n 7\n!\n 200.0\n");
  await page.keyboard.press("Escape");
  await open(page, "/derive?home=D&mode=dorian&show=make");
  await page.getByLabel("Scala file").setInputFiles(file);
  await expect(page.getByRole("heading", { name: "D Lydian dominant" })).toBeVisible();
  await page.getByLabel("Scala file").setInputFiles({
    name: "just.scl",
    mimeType: "text/plain",
    buffer: Buffer.from("Just\n2\n5/4\n2/1\n"),
  });
  await expect(page.getByText(/386.3 cents lies between the twelve notes; the nearest is 400/)).toBeVisible();
});
