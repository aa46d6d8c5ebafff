import { readFile } from "node:fs/promises";
import { keepAs, noting, open, watch } from "./pages";
import { expect, test } from "./test";

const TUNE = `X:1
T:Lamp in the Rain
M:4/4
L:1/4
K:DDor
D E F A|B A G F|E F G E|D2 C2|
D E F A|B c d A|G F E C|D4|]
`;

test("a tune goes from a file into another mode, and away saved, printed and exported, by keyboard alone", async ({
  page,
}) => {
  const seen = watch(page);
  await open(page, "/reshape");
  const [chooser] = await Promise.all([
    page.waitForEvent("filechooser"),
    page.getByRole("button", { name: "Open a file" }).press("Enter"),
  ]);
  await chooser.setFiles({ name: "lamp.abc", mimeType: "text/vnd.abc", buffer: Buffer.from(TUNE) });
  const panel = page.getByRole("region", { name: /^D / });
  await expect(page.getByRole("heading", { name: "D Phrygian" })).toBeVisible();
  await expect(
    panel.getByText(/notes of 31 change: 6 → ♭6, 2 → ♭2\.|change: 2 → ♭2, 6 → ♭6\./),
  ).toBeVisible();
  await expect(panel.getByText(/^Bar 1, D/)).toBeVisible();
  // Another version beside it, in another mode; the original is a key away.
  await page.keyboard.press("V");
  await page.getByRole("combobox", { name: "New mode" }).selectOption("lydian");
  await expect(page.getByRole("heading", { name: "D Lydian" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("heading", { name: "D Lydian" }).click();
  await page.keyboard.press("v");
  await expect(page.getByRole("heading", { name: /^D Dorian/ })).toBeVisible();
  await page.keyboard.press("v");
  await expect(page.getByRole("heading", { name: "D Phrygian" })).toBeVisible();
  // A note is set by hand, and what was set is undone.
  await page
    .getByRole("img", { name: /^Lamp in the Rain in D Phrygian/ })
    .locator("..")
    .focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowRight");
  await page.getByRole("button", { name: "A half step up" }).press("Enter");
  await expect(page.getByText(/set by hand\.$|set by hand/).first()).toBeVisible();
  await page.getByRole("button", { name: "Back to the rule" }).press("Enter");
  await expect(page.getByRole("button", { name: "Back to the rule" })).toBeHidden();

  await page.getByRole("button", { name: /^Save/ }).press("Enter");
  await keepAs(page, "Lamp, darker");
  await page.getByRole("button", { name: /^Print/ }).press("Enter");
  const sheet = page.getByRole("dialog", { name: "Lead sheet" });
  await expect(sheet.getByRole("img", { name: /Lamp in the Rain/ }).first()).toBeVisible();
  await sheet.getByRole("button", { name: "Close" }).press("Enter");
  await expect(sheet).toBeHidden();
  await page.getByRole("button", { name: /^Export/ }).press("Enter");
  const dialog = page.getByRole("dialog", { name: "Export the tune" });
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    dialog.getByRole("button", { name: "Export", exact: true }).press("Enter"),
  ]);
  const written = await readFile(await download.path(), "utf8");
  expect(written).toContain("K:DPhr");
  expect(written).toMatch(/"Dm"/u);
  // The same as a recording: seven bars of four beats and more at 96 a minute.
  await page.getByRole("button", { name: /^Export/ }).press("Enter");
  await dialog.getByLabel("WAV").check({ force: true });
  const [recording] = await Promise.all([
    page.waitForEvent("download"),
    dialog.getByRole("button", { name: "Export", exact: true }).press("Enter"),
  ]);
  const wav = await readFile(await recording.path());
  expect(wav.subarray(0, 4).toString()).toBe("RIFF");
  expect(wav.length / (44_100 * 2)).toBeGreaterThan(15);

  // It comes back from the Shelf as it was, after a reload too.
  await page.reload();
  await expect(page.getByRole("heading", { name: "D Phrygian" })).toBeVisible();
  await page.getByRole("button", { name: /^Shelf/ }).press("Enter");
  await page.getByRole("button", { name: /^Lamp, darker/ }).press("Enter");
  await expect(page.getByRole("heading", { name: "D Phrygian" })).toBeVisible();
  expect(seen).toEqual([]);
});

test("versions are exchanged while they play, and the tune goes through all modes with its row following", async ({
  page,
}) => {
  await open(page, "/reshape?demo");
  await page.getByRole("button", { name: "Orchard Gate" }).click();
  await expect(page.getByRole("heading", { name: "E Phrygian" })).toBeVisible();
  await page.getByRole("button", { name: /^Hear it/ }).click();
  await expect(page.getByRole("button", { name: /^Stop/ }).first()).toBeVisible();
  await page.keyboard.press("v");
  await expect(page.getByRole("heading", { name: /^E Dorian/ })).toBeVisible();
  // It goes on playing.
  await expect(page.getByRole("button", { name: /^Stop/ }).first()).toBeVisible();
  await page.keyboard.press("Space");
  await page.keyboard.press("a");
  await expect(page.getByText(/^This tune has every degree/)).toBeVisible();
  const rows = page.getByRole("list", { name: "The tune in each mode" }).getByRole("button");
  await expect(rows).toHaveCount(7);
  await page.getByRole("spinbutton", { name: "Bars" }).fill("1");
  await page.getByRole("heading", { level: 2 }).first().click();
  await page.getByRole("checkbox", { name: "Sing along" }).check({ force: true });
  await expect(page.getByText(/^Home is held and the first note is given/u)).toBeVisible();
  // The syllable to be sung is marked, and the stage is about the row: one after another.
  const list = "[aria-label='The tune in each mode'] button[aria-pressed=true]";
  const pressed = await noting(page, list);
  const syllables = await noting(page, `${list} [data-current]`);
  await page.keyboard.press("u");
  await expect.poll(async () => new Set(await pressed()).size).toBeGreaterThan(1);
  expect((await syllables()).length).toBeGreaterThan(0);
  await page.keyboard.press("u");
  await rows.nth(4).click();
  await page.getByRole("button", { name: "Take this mode" }).click();
  await page.keyboard.press("m");
  await expect(page.getByRole("heading", { name: "E Aeolian" })).toBeVisible();

  // One guitar plays the chords under it: a chord that is pressed is selected on the staff, and its grip stands on the neck.
  await page.getByRole("combobox", { name: "Parts" }).selectOption("guitar");
  const grip = page.getByRole("button", { name: /^Bar 2, Em: .*(?:finger|open)/u });
  await grip.press("Enter");
  await expect(page.getByText("1 of 1")).toBeVisible();
  await expect(page.getByText(/^Bar 2: /u).first()).toBeVisible();
});

test("what holds no notes is refused, and what was worked on stays; a bad bar is said", async ({ page }) => {
  await open(page, "/reshape");
  // What is typed becomes a tune while it is typed, and typing goes on.
  const field = page.getByLabel("The tune, as ABC or note names");
  await field.click();
  await page.keyboard.type("D4 E4 F4 A4 | B4 A4 G4 F4 | E4 D4:3 ||", { delay: 15 });
  await expect(field).toHaveValue("D4 E4 F4 A4 | B4 A4 G4 F4 | E4 D4:3 ||");
  await expect(page.getByRole("heading", { name: "D Phrygian" })).toBeVisible();
  await field.fill("");
  await page.getByRole("button", { name: "Tissue Moon" }).click();
  await expect(page.getByRole("heading", { name: "F Phrygian" })).toBeVisible();
  const give = async (name: string, content: string) => {
    const [chooser] = await Promise.all([
      page.waitForEvent("filechooser"),
      page.getByRole("button", { name: "Open a file" }).click(),
    ]);
    await chooser.setFiles({ name, mimeType: "text/plain", buffer: Buffer.from(content) });
  };
  await give("rests.abc", "X:1\nT:Rests\nK:C\nz4|z4|");
  await expect(page.getByText(/^I can’t find notes in this file/)).toBeVisible();
  await expect(page.getByRole("heading", { name: "F Phrygian" })).toBeVisible();
  // Locrian has no perfect fifth to rest on: it says so, and does it all the same.
  await page.getByRole("combobox", { name: "New mode" }).selectOption("locrian");
  await expect(page.getByText(/no perfect fifth above F/)).toBeVisible();
  await page.getByRole("combobox", { name: "New mode" }).selectOption("minor-pentatonic");
  await expect(page.getByText(/has no degree for/)).toBeVisible();
  await page.getByRole("combobox", { name: "Notes that the mode lacks" }).selectOption("hold");
  // The text is still open.
  await page.getByLabel("The tune, as ABC or note names").fill("X:1\nM:3/4\nL:1/4\nK:FLyd\nF A $ c|F3|");
  await expect(page.getByText(/\$/).first()).toBeVisible();
  await page.getByLabel("The tune, as ABC or note names").press("Control+z");
  await expect(page.getByText("Tissue Moon").first()).toBeVisible();
});

test("a tune is written on the staff by keys, the stage and a keyboard; the text follows, and the staff the text", async ({
  page,
}) => {
  const seen = watch(page);
  await open(page, "/reshape");
  const staff = page.getByRole("region", { name: "Staff" });
  const text = page.getByLabel("The tune, as ABC or note names");
  await staff.focus();
  for (const key of ["d", "e", "8", "f", "g", "4", "a", "z"]) await page.keyboard.press(key);
  await expect(text).toHaveValue(/\nD2 E2 FG A2 \| z2/u);
  await expect(page.getByRole("img", { name: "The tune as you write it: five notes" })).toBeVisible();
  // The note before the cursor changes; what was written is erased, and both are undone.
  await page.keyboard.press("Backspace");
  await page.keyboard.press("#");
  await expect(text).toHaveValue(/FG \^A2/u);
  await page.keyboard.press("Backspace");
  await expect(text).toHaveValue(/D2 E2 FG \|\]/u);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(text).toHaveValue(/FG \^A2/u);
  // The stage and the simulated keyboard write where the cursor is.
  await page.getByText("Keyboard", { exact: true }).click();
  await page.getByRole("group", { name: "Keys of the simulated keyboard" }).getByLabel("D5").click();
  await expect(text).toHaveValue(/FG \^A2 \| d2/u);
  // The text is changed by hand: the staff has it.
  await text.fill("X:1\nL:1/4\nM:3/4\nK:DDor\nD E F | G A B c | d3 |]");
  await expect(
    page.getByRole("img", { name: "The tune as you write it: eight notes, key of D" }),
  ).toBeVisible();
  await expect(page.getByText("Bar 2 has 4 beats. The meter 3/4 asks for 3 beats.")).toBeVisible();
  await page.getByLabel("Meter").selectOption("4/4");
  await expect(text).toHaveValue(/M:4\/4/u);
  await expect(page.getByText(/^Bar 2 has/u)).toBeHidden();
  await page.getByRole("button", { name: "Write" }).click();
  await expect(page.getByRole("img", { name: /^The tune as you write it/u })).toBeHidden();
  // A tune known by heart goes to Ear.
  await page.getByRole("link", { name: "All modes" }).click();
  await page.getByRole("button", { name: "My model tune" }).click();
  await page.getByRole("link", { name: "Ear" }).click();
  await page.getByRole("link", { name: "Exam" }).click();
  await page.getByText("in a tune", { exact: true }).click();
  await expect(page.getByText(/^Tune, no 7|^Tune/u).first()).toBeVisible();
  expect(seen).toEqual([]);
});
