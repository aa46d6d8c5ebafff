import { readFile } from "node:fs/promises";
import type { Page } from "@playwright/test";
import { open, watch } from "./pages";
import { expect, test } from "./test";

const question = (page: Page) => page.getByRole("main").getByRole("heading", { level: 1 });
const progress = (page: Page) => page.getByText(/^Question \d+ of \d+/);

/** Takes only some questions and modes into the exam that is put together. */
async function onlyAsk(page: Page, name: string): Promise<void> {
  const box = page.getByRole("checkbox", { name, exact: true });
  if (!(await box.isChecked())) await box.check();
  if (name !== "name the mode")
    await page.getByRole("checkbox", { name: "name the mode", exact: true }).uncheck();
}

test("an exam is taken by keyboard alone, left in the middle with its tab, and gone on with", async ({
  page,
  context,
}) => {
  const seen = watch(page);
  await open(page, "/ear?show=exam");
  await page.keyboard.press("Enter");
  await expect(progress(page)).toHaveText(/^Question 1 of 8/);
  // Nothing tells the answer: not the stage, not the title, not the address.
  await expect(page.getByText("The stage shows nothing until you answer.")).toBeVisible();
  await expect(page).toHaveTitle(/^A question/);
  await expect(page.getByRole("img", { name: /on the neck/ })).toHaveCount(0);
  const address = page.url();
  for (let nth = 2; nth <= 5; nth += 1) {
    await page.keyboard.press("b");
    await expect(progress(page)).toHaveText(new RegExp(`^Question ${nth} of 8`));
  }
  expect(page.url()).toBe(address);
  await page.close();

  const again = await context.newPage();
  await open(again, "/ear");
  await expect(again.getByText("You stopped after four of eight questions.")).toBeVisible();
  await again.getByRole("button", { name: "Go on", exact: true }).focus();
  await again.keyboard.press("Enter");
  await expect(progress(again)).toHaveText(/^Question 5 of 8/);
  for (let nth = 5; nth <= 8; nth += 1) await again.keyboard.press("c");
  await expect(question(again)).toHaveText(/of eight right\./);
  await expect(again.getByRole("row")).toHaveCount(9);
  await again.keyboard.press("Enter");
  // It stands in the log of this day.
  await again.getByRole("link", { name: "Log" }).click();
  await expect(again.getByText(/Ear: \d of 8 right/)).toBeVisible();
  expect(seen).toEqual([]);
});

test("after an answer it is said what it was, third first, and shown and heard", async ({ page }) => {
  await open(page, "/ear");
  await page
    .getByRole("button", { name: /^Six modes/ })
    .first()
    .click();
  await page.getByRole("button", { name: "Start" }).click();
  await expect(progress(page)).toBeVisible();
  await page.keyboard.press("a");
  await expect(page.getByRole("region", { name: /^[A-G][♯♭]? / }).getByText(/^The third is/)).toBeVisible();
  await expect(page.getByRole("img", { name: /on the neck/ })).toBeVisible();
  // One answer a question: another key changes nothing.
  const marks = page.locator("[data-mark]");
  const count = await marks.count();
  await page.keyboard.press("b");
  await expect(marks).toHaveCount(count);
  await page.keyboard.press("Enter");
  await expect(progress(page)).toHaveText(/^Question 2/);
  await expect(page.getByRole("img", { name: /on the neck/ })).toHaveCount(0);
  await page.getByRole("button", { name: "End here" }).click();
  await expect(question(page)).toHaveText(/of one right\./);
});

test("notes are played back by the simulated player and on its keys, in any octave", async ({ page }) => {
  await open(page, "/ear?show=exam");
  await onlyAsk(page, "play it back");
  await page.getByRole("radio", { name: "after each question" }).check({ force: true });
  await page.getByRole("button", { name: "Start" }).click();
  await page.getByRole("button", { name: "Let it play the answer" }).click();
  await expect(page.getByText("That’s right.")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(progress(page)).toHaveText(/^Question 2/);
  for (let note = 0; note < 5; note += 1)
    await page.getByRole("button", { name: "A3", exact: true }).dispatchEvent("pointerdown");
  await expect(page.getByText(/^It was 1 .*, not /)).toBeVisible();
});

test("home is sung: the simulated fiddler is heard, and graded", async ({ page }) => {
  await open(page, "/ear?show=exam");
  await onlyAsk(page, "find home");
  await page.getByRole("radio", { name: "after each question" }).check({ force: true });
  await page.getByRole("button", { name: "Start" }).click();
  await page.getByLabel("Where the sound comes from").selectOption({ label: "Simulated fiddler" });
  await page.getByRole("button", { name: "Sing or play it" }).click();
  // It is shown before it counts, and can be sung again.
  await expect(page.getByText("I heard 1.")).toBeVisible();
  await page.getByLabel("Where the sound comes from").selectOption({ label: "Simulated singer" });
  await page.getByRole("button", { name: "Sing it again" }).click();
  await expect(page.getByText("I heard 1. All of it is a little low")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page.getByText("That’s right.")).toBeVisible();
  await expect(page.getByRole("figure", { name: /^What was heard/ })).toBeVisible();
  await page.keyboard.press("Enter");
  // A microphone that is refused is said, and the question is still there.
  await page.getByLabel("Where the sound comes from").selectOption({ label: "Microphone" });
  await page.getByRole("button", { name: "Sing or play it" }).click();
  await expect(page.getByText(/The microphone could not be opened/)).toBeVisible();
  await expect(progress(page)).toHaveText(/^Question 2/);
});

test("the characteristic note is found on a neck that marks nothing; a wrong note ends it", async ({
  page,
}) => {
  await open(page, "/ear?show=exam");
  await onlyAsk(page, "find its characteristic note on the neck");
  for (const mode of ["Ionian", "Mixolydian", "Aeolian"])
    await page.getByRole("checkbox", { name: mode, exact: true }).uncheck();
  await page.getByRole("radio", { name: "after each question" }).check({ force: true });
  await page.getByRole("button", { name: "Start" }).click();
  await expect(question(page)).toHaveText("Find every B here, the 6 of D Dorian.");
  const neck = page.getByRole("img", { name: /^Nothing is marked/ });
  await expect(neck).toBeVisible();
  // The stage itself strikes: the lowest string open is E, which is none.
  const box = (await neck.boundingBox())!;
  const [, from] =
    /from fret (\d+)/.exec((await page.getByText(/^Strike them on the neck/).textContent()) ?? "") ?? [];
  expect(Number(from)).toBeLessThan(9);
  await page.mouse.click(box.x + 6, box.y + box.height * 0.82);
  await expect(page.getByText("It was B, not E.")).toBeVisible();
  await expect(page.getByRole("img", { name: /^D Dorian.* on the neck/ })).toBeVisible();
});

test("without a network what asks is said to be missing, and Start fetches it again", async ({
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({ baseURL: baseURL!, serviceWorkers: "block" });
  const page = await context.newPage();
  await open(page, "/ear");
  await context.setOffline(true);
  await page.getByRole("button", { name: "Start" }).click();
  await expect(page.getByText(/^The question couldn’t be loaded/)).toBeVisible();
  await context.setOffline(false);
  await page.getByRole("button", { name: "Start" }).click();
  await expect(question(page)).toHaveText("Is the third major or minor?");
  await context.close();
});

test("a reload in the middle of a quiz comes back to the same question, and each can be heard again at the end", async ({
  page,
}) => {
  await open(page, "/ear");
  await page.getByRole("button", { name: /^Quiz/ }).click();
  await expect(page.getByText("Question 1 of 8")).toBeVisible();
  await page.keyboard.press("a");
  await expect(page.getByText("Question 2 of 8")).toBeVisible();
  const asked = await question(page).textContent();
  await page.reload();
  await expect(page.getByText("Question 2 of 8")).toBeVisible();
  await expect(question(page)).toHaveText(asked ?? "");
  await expect(page.getByText("The stage shows nothing until you answer.")).toBeVisible();
  await page.goto("/derive");
  await page.goBack();
  await expect(question(page)).toHaveText(asked ?? "");
  for (let nth = 1; nth < 8; nth += 1) {
    await page.keyboard.press("b");
    if (nth < 7) await expect(page.getByText(`Question ${nth + 2} of 8`)).toBeVisible();
  }
  await expect(question(page)).toHaveText(/of eight right\./);
  const again = page.getByRole("button", { name: "Hear question 1 again" });
  await again.click();
  await expect(again).toHaveAttribute("aria-pressed", "true");
  await expect(page.getByRole("button", { name: /^Hear both answers to question/ }).first()).toBeVisible();
});

test("questions are heard in tunes, told apart only where they can be; the result is read where it is sent", async ({
  page,
}) => {
  await open(page, "/ear?show=exam&demo");
  await page.getByRole("checkbox", { name: "over a drone", exact: true }).check();
  await page.getByRole("checkbox", { name: "in a tune", exact: true }).check();
  await page.getByRole("checkbox", { name: "over a drone", exact: true }).uncheck();
  await expect(page.getByText(/^None of these tunes tells the modes apart/)).toBeVisible();
  await page.getByRole("checkbox", { name: "Six Pears", exact: true }).click();
  await expect(page.getByRole("checkbox", { name: "Six Pears, no 6" })).toBeChecked();
  // Without a 6, Dorian and Aeolian are one in it: heard in the others only, the tune would say which it is not.
  await expect(page.getByText(/^None of these tunes tells the modes apart/)).toBeVisible();
  await page.getByRole("checkbox", { name: "Orchard Gate", exact: true }).click();
  await expect(page.getByText(/Four different questions\. Every mode comes at least once\.$/)).toBeVisible();
  await page.getByRole("button", { name: "Start" }).click();
  await expect(question(page)).toHaveText("Which mode on D is this?");
  await expect(page.getByText("in a tune", { exact: true })).toBeVisible();
  for (let nth = 0; nth < 8; nth += 1) await page.keyboard.press("a");
  await expect(question(page)).toHaveText(/of eight right\./);
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Export result" }).click(),
  ]);
  const result = await download.path();
  await page.getByRole("button", { name: "Done" }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent("filechooser"),
    page.getByRole("button", { name: "Open files" }).click(),
  ]);
  await chooser.setFiles({
    name: "result.csv",
    mimeType: "text/csv",
    buffer: await readFile(result),
  });
  await expect(page.getByRole("columnheader", { name: "Answer", exact: true })).toBeVisible();
  await expect(page.getByRole("row")).toHaveCount(9);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Export", exact: true })).toBeVisible();
});

test("a mode is spelled; what is no note is said and nothing is lost", async ({ page }) => {
  await open(page, "/ear?show=exam");
  await onlyAsk(page, "spell the mode");
  await page.getByRole("radio", { name: "after each question" }).check({ force: true });
  await page.getByRole("button", { name: "Start" }).click();
  const field = page.getByRole("textbox", { name: "Notes in order" });
  await expect(field).toBeFocused();
  await field.fill("D E what");
  await page.keyboard.press("Enter");
  await expect(page.getByText("I can’t read “what” as a note.")).toBeVisible();
  await field.fill("D E F G A B Cb");
  await page.keyboard.press("Enter");
  await expect(page.getByText(/^It was D E .*, not D E F G A B C♭\.$/)).toBeVisible();
  // What was only thought of can be heard now.
  await expect(
    page.getByRole("region", { name: "Stage" }).getByRole("button", { name: /^Play/ }),
  ).toBeEnabled();
});

test("an exam goes to another player as a link and as a file; a damaged file changes nothing", async ({
  page,
  browser,
}) => {
  await open(page, "/ear?show=exam");
  await page.getByLabel("Title", { exact: true }).fill("For the harmonium");
  await page.keyboard.press("Enter");
  await page.getByRole("spinbutton", { name: /^Questions/ }).fill("5");
  await page.getByRole("checkbox", { name: "Phrygian", exact: true }).check();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Export", exact: true }).click(),
  ]);
  const file = await download.path();
  await page.context().grantPermissions(["clipboard-read", "clipboard-write"]);
  await page.getByRole("button", { name: "Copy link" }).click();
  await expect(page.getByText(/copied/iu).first()).toBeVisible();
  const link = await page.evaluate(() => navigator.clipboard.readText());
  const other = await browser.newContext();
  const there = await other.newPage();
  await open(there, "/ear?show=exam");
  const [chooser] = await Promise.all([
    there.waitForEvent("filechooser"),
    there.getByRole("button", { name: "Open files" }).click(),
  ]);
  await chooser.setFiles(file);
  await expect(there.getByRole("heading", { name: "For the harmonium" })).toBeVisible();
  await expect(there.getByRole("checkbox", { name: "Phrygian", exact: true })).toBeChecked();
  const [second] = await Promise.all([
    there.waitForEvent("filechooser"),
    there.getByRole("button", { name: "Open files" }).click(),
  ]);
  await second.setFiles({
    name: "exam.json",
    mimeType: "application/json",
    buffer: Buffer.from('{"format": "shade-exam", "version": 9, "exam": {}}'),
  });
  await expect(there.getByText(/This isn’t an exam, or the result of one/)).toBeVisible();
  await expect(there.getByRole("heading", { name: "For the harmonium" })).toBeVisible();
  await other.close();
  const linked = await browser.newContext();
  const here = await linked.newPage();
  await here.goto(link);
  await expect(here.getByRole("heading", { name: "For the harmonium" })).toBeVisible();
  await expect(here.getByRole("spinbutton", { name: /^Questions/ })).toHaveValue("5");
  await linked.close();
});

test("a routine is put together with one key, practised against the clock, and found in the log", async ({
  page,
}) => {
  await page.clock.install({ time: new Date("2026-11-20T18:00:00") });
  await open(page, "/derive?home=E&mode=phrygian");
  await page.keyboard.press("R");
  await expect(page.getByText("Added to the routine.")).toBeVisible();
  await open(page, "/derive?home=F&mode=lydian");
  await page.keyboard.press("R");
  await expect(page.getByText("Added to the routine.")).toBeVisible();
  await open(page, "/log?show=routine");
  await expect(page.getByRole("list", { name: "Items of the routine" }).getByRole("listitem")).toHaveCount(2);
  await page.getByRole("spinbutton", { name: /^Tempo of E Phrygian/ }).fill("72");
  await page.getByRole("button", { name: "Start" }).click();
  const bar = page.getByRole("region", { name: "Practice" });
  await expect(bar.getByText("E Phrygian, position", { exact: true })).toBeVisible();
  // The thing itself is in front, with its tempo.
  await expect(page).toHaveTitle(/^E Phrygian/);
  await expect(page.getByRole("spinbutton", { name: /Tempo|Beats/ }).first()).toHaveValue("72");
  await page.clock.runFor("02:00");
  // Besides, the clock runs as it always does.
  await expect(bar.getByRole("timer")).toHaveText(/^(?:3:00|2:\d\d)$/);
  await bar.getByRole("button", { name: /^Pause/ }).click();
  const left = await bar.getByRole("timer").textContent();
  await page.clock.runFor("05:00");
  await expect(bar.getByRole("timer")).toHaveText(left!);
  await bar.getByRole("button", { name: /^Go on/ }).click();
  await page.clock.runFor("01:00");
  // A tab that is closed loses neither the routine nor what was played.
  await page.reload();
  await expect(bar.getByText("You stopped a routine at “E Phrygian, position”.")).toBeVisible();
  await bar.getByRole("button", { name: "Go on" }).click();
  // Three minutes less the one that was played; the clock has gone on since.
  await expect(bar.getByRole("timer")).toHaveText(/^(?:2:00|1:\d\d)$/);
  await bar.getByRole("button", { name: "Hard" }).click();
  await expect(page).toHaveTitle(/^F Lydian/);
  await page.clock.runFor("04:00");
  await bar.getByRole("button", { name: /^Finish/ }).click();
  await expect(bar).toBeHidden();
  await page.getByRole("link", { name: "Log" }).click();
  await page
    .getByRole("link", { name: "Days" })
    .or(page.getByRole("tab", { name: "Days" }))
    .first()
    .click();
  await expect(page.getByRole("button", { name: "20 November, 7 min" })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
  await expect(page.getByRole("spinbutton", { name: /^Minutes of E Phrygian/ })).toHaveValue("3");
  await expect(page.getByRole("combobox", { name: /^How E Phrygian/ })).toHaveValue("hard");
  // What was written down can be corrected, and stays so.
  await page.getByRole("spinbutton", { name: /^Minutes of F Lydian/ }).fill("6");
  await page.reload();
  await expect(page.getByRole("button", { name: "20 November, 9 min" })).toBeVisible();
});
