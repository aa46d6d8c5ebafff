import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { chartField, noting, open, watch } from "./pages";
import { expect, test } from "./test";

const SCENE = "| Em9 | A13 | Em9 | A13 | Cmaj7 | D6 | Em9 | B7sus4 |";

/** What stands in the editor, line by line. */
const typed = (page: Page) =>
  chartField(page).evaluate((node) =>
    [...node.querySelectorAll(".cm-line")].map((line) => line.textContent).join("\n"),
  );

const band = (page: Page, kind: string) =>
  page.getByRole("button", { name: new RegExp(`^${kind}: .* from bar`) });

/** Saves what the dialog is set to and gives the file's name and bytes. */
async function saved(page: Page): Promise<{ readonly name: string; readonly bytes: Buffer }> {
  const waiting = page.waitForEvent("download");
  await page.getByRole("dialog").getByRole("button", { name: "Save", exact: true }).click();
  const download = await waiting;
  return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) };
}

test("reads a chart three ways as it is typed, with what decides and the target note", async ({ page }) => {
  const seen = watch(page);
  await open(page, "/match");
  await chartField(page).click();
  await page.keyboard.type(SCENE);
  await page.keyboard.press("Escape");
  await expect(band(page, "Fewest changes").nth(1)).toHaveAccessibleName(
    "Fewest changes: E Aeolian from bar 5, C♯ → C",
  );
  await expect(page.getByText("E Dorian throughout; C is outside in one chord")).toBeVisible();
  await expect(page.getByText("every chord its own home; nothing outside")).toBeVisible();
  await page.getByRole("button", { name: "Bar 2, A13, IV, in E Dorian" }).click();
  await expect(page.getByRole("heading", { name: "A13 in bar 2, E Dorian" })).toBeVisible();
  await expect(page.getByText("Target note: C♯, its third")).toBeVisible();
  await expect(page.getByText("D, a half step over the third")).toBeVisible();
  await expect(
    page.getByText("E minor pentatonic, bars 1 to 8; add C♯ and F♯ here for all of E Dorian"),
  ).toBeVisible();
  await expect(page.getByText("D to C♯: string 2 fret 3 to 2")).toBeVisible();
  for (let step = 0; step < 3; step += 1) await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("heading", { name: "Cmaj7 in bar 5, E Aeolian" })).toBeVisible();
  await page.keyboard.press("b");
  await expect(page.getByRole("heading", { name: "Cmaj7 in bar 5, E Dorian" })).toBeVisible();
  await expect(page.getByText(/^Borrowed from E Aeolian/)).toBeVisible();
  expect(seen).toEqual([]);
});

test("a lock is saved to and the rest adapts; it stands in the text, in another tab and after a reload", async ({
  page,
  context,
}) => {
  await open(page, "/match");
  await chartField(page).fill("| Em9 | A13 | Em9 | A13 |");
  await expect(band(page, "Fewest changes")).toHaveAccessibleName("Fewest changes: E Dorian from bar 1");
  await page.getByRole("button", { name: /^Bar 1, Em9/ }).click();
  await page.getByLabel("Mode that is set").selectOption("aeolian");
  await page.getByLabel("Over which chords").selectOption("chord");
  await page.getByRole("button", { name: "Set", exact: true }).click();
  await expect.poll(() => typed(page)).toBe("| {E Aeolian} Em9 | {} A13 | Em9 | A13 |");
  await expect(band(page, "Fewest changes").first()).toHaveAccessibleName(
    "Fewest changes: E Aeolian from bar 1",
  );
  await expect(band(page, "Fewest changes").nth(1)).toHaveAccessibleName(/E Dorian from bar 2, C → C♯/);
  await page.reload();
  await expect(page.getByText("Here E Aeolian is set.")).toBeVisible();
  const other = await context.newPage();
  await open(other, "/match");
  await expect(other.getByText("Here E Aeolian is set.")).toBeVisible();
  await page.getByRole("button", { name: "Let go" }).click();
  await expect.poll(() => typed(page)).toBe("| Em9 | A13 | Em9 | A13 |");
});

test("another analysis of its kind can be taken, and scales can be chosen", async ({ page }) => {
  await open(page, "/match");
  await chartField(page).fill(SCENE);
  await expect(band(page, "One mode")).toHaveAccessibleName("One mode: E Dorian from bar 1");
  await page.getByRole("button", { name: "One mode: the next best analysis" }).click();
  await expect(band(page, "One mode")).not.toHaveAccessibleName("One mode: E Dorian from bar 1");
  await page.getByRole("button", { name: "Analysis, 28 scales" }).click();
  await page.getByRole("button", { name: "Major alone" }).click();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Analysis, seven scales" })).toBeVisible();
  await page.getByRole("button", { name: "Analysis, seven scales" }).click();
  await page.getByLabel("Which analyses are shown").selectOption("one-mode");
  await page.keyboard.press("Escape");
  await expect(band(page, "Fewest changes")).toHaveCount(0);
});

test("what nobody can read keeps its place, is underlined, and nothing typed is lost", async ({ page }) => {
  await open(page, "/match");
  await chartField(page).fill("| Em9 | Axyz | A13 | G/ |");
  await expect(page.getByText("At 11: “yz” isn’t a chord symbol I can read")).toBeVisible();
  await expect(page.getByText(/write a note from A to G after the slash/)).toBeVisible();
  await expect(page.locator(".cm-lintRange-error").first()).toHaveText("yz");
  await expect(page.getByRole("button", { name: "Bar 2, Axyz, not read" })).toBeVisible();
  await expect(band(page, "Fewest changes")).toHaveAccessibleName("Fewest changes: E Dorian from bar 1");
  await page.reload();
  await expect.poll(() => typed(page)).toBe("| Em9 | Axyz | A13 | G/ |");
  await chartField(page).fill("| qqq | ??? |");
  await expect(page.getByText("No chord can be read yet")).toBeVisible();
  await chartField(page).fill("");
  await page.getByRole("button", { name: /^The lanterns are lit/ }).click();
  await expect.poll(() => typed(page)).toBe(SCENE);
});

test("completes chords of the mode, and takes a completion with the keys alone", async ({ page }) => {
  await open(page, "/match");
  await chartField(page).fill("| Em9 | A13 | ");
  await expect(band(page, "Fewest changes")).toHaveCount(1);
  await chartField(page).press("Control+End");
  await page.keyboard.type("G");
  const options = page.getByRole("listbox", { name: "Completions" }).getByRole("option");
  await expect(options.first()).toHaveText("G♭III in E Dorian");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  await expect.poll(() => typed(page)).toBe("| Em9 | A13 | Gmaj7");
  await page.keyboard.press("Control+z");
  await expect.poll(() => typed(page)).toBe("| Em9 | A13 | G");
});

test("repeats, endings and sections are read, and a long chart has a map", async ({ page }) => {
  await open(page, "/match");
  await chartField(page).fill(
    `[Gate]\n|: Em9 | A13 |1. D6 :|2. Cmaj7 ||\n[Orchard]\n${Array(16).fill("| Gm7 ").join("")}|`,
  );
  await expect(page.getByRole("heading", { name: "Orchard" })).toBeAttached();
  const map = page.getByRole("slider", { name: "The whole chart, by bars" });
  const { x, y, width, height } = (await map.boundingBox())!;
  await page.mouse.click(x + width - 2, y + height / 2);
  await expect(page.getByRole("heading", { name: "Gm7 in bar 20, G Dorian" })).toBeVisible();
  await expect(page.getByRole("button", { name: /^Bar 20, Gm7/ })).toBeInViewport();
});

test("a loop is heard and followed, and the target note is practised", async ({ page }) => {
  await open(page, "/match");
  await chartField(page).fill("| Em9 A13 | Cmaj7 |");
  await page.getByLabel(/^Tempo, .* a minute/).fill("240");
  await page.getByLabel("Follow").check();
  await page.getByRole("button", { name: /^Bar 1, Em9/ }).click();
  await page.getByRole("button", { name: "Loop", exact: true }).click();
  await expect(page.getByRole("heading", { name: /^A13 in bar 1/ })).toBeVisible();
  await expect(page.getByRole("heading", { name: /^Em9 in bar 1/ })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("ArrowRight");
  await page.getByLabel("Use it throughout").check();
  await page.getByRole("button", { name: "Practise" }).click();
  await expect(page.getByRole("button", { name: "Stop" })).toBeVisible();
  await expect.poll(() => page.locator('[data-level]:not([data-level="0"])').count()).toBeGreaterThan(0);
  await page.getByRole("button", { name: "Stop" }).click();
});

test("goes out as ChordPro, text, MusicXML and MIDI, and comes back from each", async ({ page }) => {
  await open(page, "/match");
  const chart = "[Gate]\n|: Em9 | A13 |1. D6 :|2. Cmaj7 ||";
  await chartField(page).fill(chart);
  await expect(page.getByRole("heading", { name: /^(?:Em9|Cmaj7) in bar/ })).toBeVisible();
  // The first closes what is offered, the second leaves the field.
  await page.keyboard.press("Escape");
  await page.keyboard.press("Escape");
  await page.keyboard.press("e");
  const dialog = page.getByRole("dialog", { name: "Files" });
  await dialog.getByLabel("Title of the chart").fill("The gate");
  await dialog.getByLabel("ChordPro").check();
  const pro = await saved(page);
  expect(pro.name).toBe("the-gate.cho");
  await dialog.getByLabel("Plain text").check();
  const text = await saved(page);
  expect(text.bytes.toString()).toBe(`# The gate\n${chart}\n`);
  await dialog.getByLabel("MusicXML").check();
  const xml = await saved(page);
  await dialog.getByLabel("four bowed strings").check();
  const quartet = await saved(page);
  expect(quartet.name).toBe("the-gate-strings.musicxml");
  expect(quartet.bytes.toString()).toContain("<part-name>Viola</part-name>");
  await dialog.getByLabel("MIDI").check();
  await dialog.getByLabel("a keyboard").check();
  const midi = await saved(page);
  for (const file of [pro, text, xml, midi]) {
    await dialog
      .getByLabel("Open a chart")
      .setInputFiles({ name: file.name, mimeType: "", buffer: file.bytes });
    await expect(dialog).toBeHidden();
    if (file !== midi) {
      await expect(page.getByRole("heading", { name: "Gate" })).toBeAttached();
      await expect(page.getByRole("button", { name: /^Bar 4, Cmaj7/ })).toBeAttached();
    } else {
      await expect(page.getByRole("button", { name: /^Bar 5, / })).toBeAttached();
    }
    await page.keyboard.press("e");
  }
  await dialog
    .getByLabel("Open a chart")
    .setInputFiles({ name: "gate.pdf", mimeType: "", buffer: Buffer.from("%PDF") });
  await expect(dialog.getByText("I can’t open “gate.pdf”.")).toBeVisible();
  await page.keyboard.press("Escape");
  // The chart before is a step back in the browser, and stands under Recent.
  await page.goBack();
  await expect.poll(() => typed(page)).toContain("[Gate]");
});

test("moves by half steps, spelled plainly", async ({ page }) => {
  await open(page, "/match");
  await chartField(page).fill("| {E Dorian} Em9 | A13/C# |");
  await page.getByRole("button", { name: "A half step higher" }).click();
  await expect.poll(() => typed(page)).toBe("| {F Dorian} Fm9 | Bb13/D |");
  await page.getByRole("button", { name: "A half step lower" }).click();
  await expect.poll(() => typed(page)).toBe("| {E Dorian} Em9 | A13/C# |");
});

test("writes chords for a mode into the chart with one act", async ({ page }) => {
  await open(page, "/match?home=Gb&mode=lydian&show=write&chords=%7C%20Gb%20%7C");
  await page.getByRole("button", { name: "G♭ A♭/G♭", exact: true }).click();
  await expect(page.getByText("Contains C, the characteristic note.")).toBeVisible();
  await page.getByRole("button", { name: "Put into the chart" }).click();
  await expect.poll(() => typed(page)).toBe("| Gb |\n| Gb | Ab/Gb |");
  await expect(band(page, "Fewest changes").first()).toHaveAccessibleName(/G♭ Lydian/);
});

test("walks one shape over a bass: places, a corrected one, seven modes in a row", async ({ page }) => {
  await open(page, "/match?home=A&mode=dorian&show=over-bass");
  await expect(page.getByText("From C and G all of it is in A Dorian.")).toBeVisible();
  await expect(page.getByText("B♭ F outside; C is right", { exact: true })).toBeVisible();
  await page.getByLabel("Click it on a neck").check();
  for (const place of [
    "String 5, fret 3, C",
    "String 4, fret 2, E",
    "String 3, open, G",
    "String 2, open, B",
  ])
    await page.getByRole("button", { name: place }).click();
  await expect(page.getByLabel(/^The shape: /)).toHaveValue("x 3 2 0 0 x");
  // A page that is busy when sound begins shows the first of them late: each lasts long enough to be seen.
  await page.getByLabel(/^Tempo, .* a minute/).fill("90");
  const heard = await noting(page, "[data-heard]");
  await page.getByRole("button", { name: "Play them in a row" }).click();
  await expect
    .poll(async () => (await heard()).map((text) => /^\w+?(?=[A-G])/u.exec(text)?.[0]))
    .toEqual(expect.arrayContaining(["Lydian", "Ionian", "Mixolydian"]));
  await page.keyboard.press("Escape");
  await expect(page.locator("[data-heard]")).toHaveCount(0);
});
