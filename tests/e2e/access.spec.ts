import { narrow, serious } from "./axe";
import { derive } from "../../src/features/derive/manifest";
import { VIEWS } from "../../src/features/views";
import { inEachView, open, settled, show, showOn, visit, watch } from "./pages";
import { expect, test } from "./test";

test.beforeEach(({ page }) => page.emulateMedia({ colorScheme: "light", reducedMotion: "reduce" }));

test("the views are accessible in both themes", async ({ page }) => {
  test.slow();
  await inEachView(page, async (view) => expect(await serious(page), view).toEqual([]));
});

test("every part of Derive, the sheet and the description are accessible", async ({ page }) => {
  test.slow();
  await open(page, "/derive?demo");
  for (const show of derive.parts.slice(1)) {
    await visit(page, `/derive?home=C%23&mode=phrygian-dominant&show=${show}`);
    expect(await serious(page), show).toEqual([]);
  }
  await page.getByLabel("Working").check();
  expect(await serious(page), "working").toEqual([]);
  await page.getByLabel("Yours").check();
  expect(await serious(page), "yours").toEqual([]);
  for (const path of ["/sheet?home=D&mode=dorian", "/practice?home=D&mode=dorian", "/api"]) {
    await page.goto(path);
    await page.getByRole("heading").or(page.getByRole("img")).first().waitFor();
    expect(await serious(page), path).toEqual([]);
  }
});

test("every way into Identify and its collections are accessible", async ({ page }) => {
  test.slow();
  await open(page, "/identify?demo");
  await page.getByRole("heading", { level: 2 }).first().waitFor();
  await settled(page);
  await page.getByRole("radio", { name: "Type", exact: true }).check({ force: true });
  expect(await serious(page), "type").toEqual([]);
  await page.getByRole("radio", { name: "Play in", exact: true }).check({ force: true });
  expect(await serious(page), "play in").toEqual([]);
  await page.getByRole("radio", { name: "Record", exact: true }).check({ force: true });
  await page.getByLabel("Where the sound comes from").selectOption({ label: "Simulated fiddler" });
  await page.getByRole("button", { name: "Record", exact: true }).click();
  await page.getByRole("listbox", { name: /Notes heard/ }).waitFor({ timeout: 60_000 });
  expect(await serious(page), "record").toEqual([]);
  await page
    .getByLabel("Open files of tunes")
    .setInputFiles(["src/demo/six-pears.abc", "src/demo/two-lanterns.abc"]);
  await page.getByText("Two tunes, all of them read.").waitFor();
  expect(await serious(page), "collection").toEqual([]);
  await page.getByRole("button", { name: "Two Lanterns" }).click();
  await page.getByRole("region", { name: "Staff", exact: true }).first().focus();
  await page.keyboard.press("ArrowRight");
  expect(await serious(page), "a selected note").toEqual([]);
  await page.getByRole("button", { name: "Export", exact: true }).click();
  expect(await serious(page), "save").toEqual([]);
});

test("Ear and Log are accessible, empty and full, before and after an answer", async ({ page }) => {
  test.slow();
  await open(page, "/log");
  expect(await serious(page), "an empty log").toEqual([]);
  await open(page, "/log?demo");
  for (const path of ["/log?show=ear", "/log?show=tempo", "/ear?show=exam"]) {
    await visit(page, path);
    expect(await serious(page), path).toEqual([]);
  }
  await page.getByRole("radio", { name: "after each question" }).check({ force: true });
  await page.getByRole("button", { name: "Start" }).click();
  await expect(page.getByText(/^Question 1/)).toBeVisible();
  expect(await serious(page), "a question").toEqual([]);
  await page.keyboard.press("b");
  await settled(page);
  expect(await serious(page), "an answer").toEqual([]);
  await page.getByRole("button", { name: "End here" }).click();
  expect(await serious(page), "the summary").toEqual([]);
  await page.keyboard.press("Enter");
  await page.keyboard.press("R");
  await expect(page.getByText("Added to the routine.")).toBeVisible();
  await open(page, "/log?show=routine");
  await page.getByRole("button", { name: "Start" }).click();
  await expect(page.getByRole("region", { name: "Practice" })).toBeVisible();
  expect(await serious(page), "a routine that is practised").toEqual([]);
});

test("Reshape is accessible, empty, with a tune and through all modes", async ({ page }) => {
  await open(page, "/reshape");
  expect(await serious(page), "empty").toEqual([]);
  await page.getByRole("button", { name: "The Brass Bird" }).click();
  await expect(page.getByText(/^Bar 1, /)).toBeVisible();
  await page.getByRole("combobox", { name: "Parts" }).selectOption("strings");
  await settled(page);
  expect(await serious(page), "a tune").toEqual([]);
  await page.keyboard.press("a");
  await expect(page.getByRole("list", { name: "The tune in each mode" })).toBeVisible();
  expect(await serious(page), "all modes").toEqual([]);
});

test("every part of Match and its sheets are accessible", async ({ page }) => {
  test.slow();
  await open(page, "/match?demo");
  for (const show of ["write", "over-bass"]) {
    await visit(page, `/match?home=C%23&mode=phrygian&show=${show}`);
    expect(await serious(page), show).toEqual([]);
  }
  await page.getByLabel("Click it on a neck").check();
  expect(await serious(page), "neck").toEqual([]);
  await open(page, "/match?demo");
  await page.keyboard.press("h");
  await page.getByRole("button", { name: /^The night walk/ }).click();
  await page.getByRole("button", { name: /^Bar 43, / }).click();
  await page.getByRole("button", { name: /^Analysis,/ }).click();
  await page.getByLabel("Guide tones").check();
  await page.keyboard.press("Escape");
  expect(await serious(page), "a long chart").toEqual([]);
  for (const [button, dialog] of [
    [/^Analysis,/, "Analysis"],
    [/^Files/, "Files"],
  ] as const) {
    await page.getByRole("button", { name: button }).click();
    await expect(page.getByRole("dialog", { name: dialog })).toBeVisible();
    expect(await serious(page), dialog).toEqual([]);
    await page.keyboard.press("Escape");
  }
});

test("the sheets are accessible and give the focus back", async ({ page }) => {
  const seen = watch(page);
  await open(page, "/derive?demo");
  for (const name of ["Shelf", "Find", "Settings", "Help"]) {
    const button = page.getByRole("banner").getByRole("button", { name: new RegExp(`^${name}`) });
    await button.click();
    await expect(page.getByRole("dialog", { name })).toBeVisible();
    expect(await serious(page)).toEqual([]);
    for (const part of name === "Help" ? ["Legend", "Words"] : []) {
      await page.getByRole("radio", { name: part, exact: true }).check({ force: true });
      expect(await serious(page), part).toEqual([]);
    }
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog", { name })).toBeHidden();
    await expect(button).toBeFocused();
  }
  expect(seen).toEqual([]);
});

test("the stage is accessible, whatever it shows", async ({ page }) => {
  test.slow();
  await open(page, "/derive?home=C%23&mode=phrygian-dominant&demo");
  for (const surface of ["Neck", "Keys", "Staff"] as const) {
    await showOn(page, surface);
    for (const division of ["Position", "Whole neck", "Line", "Voicing"] as const) {
      await show(page, division);
      await settled(page);
      expect(await serious(page, "[aria-label=Stage]"), `${surface} ${division}`).toEqual([]);
    }
  }
  for (const [button, dialog] of [
    [/^Instrument/, "Instrument"],
    [/^Display/, "Display"],
    [/^Sound/, "Sound"],
  ] as const) {
    const opener = page.getByLabel("Stage").getByRole("button", { name: button });
    await opener.click();
    await expect(page.getByRole("dialog", { name: dialog })).toBeVisible();
    expect(await serious(page), dialog).toEqual([]);
    await page.keyboard.press("Escape");
    await expect(page.getByRole("dialog", { name: dialog })).toBeHidden();
    await expect(opener).toBeFocused();
  }
});

test("nothing is wider than a narrow window, and the neck comes first", async ({ page }) => {
  await page.setViewportSize({ width: 360, height: 740 });
  await inEachView(page, async (view) => {
    expect(await page.evaluate(() => document.documentElement.scrollWidth), view).toBeLessThanOrEqual(360);
  });
  for (const show of derive.parts.slice(1)) {
    await visit(page, `/derive?home=C%23&mode=lydian-augmented-sharp2&show=${show}`);
    expect(await page.evaluate(() => document.documentElement.scrollWidth), show).toBeLessThanOrEqual(360);
  }
  await expect(page.getByRole("img", { name: /on the neck/ })).toBeInViewport();
});

test("the keyboard alone gets everywhere in Derive", async ({ page }) => {
  await open(page, "/derive");
  const reached = new Set<string>();
  for (let at = 0; at < 60; at += 1) {
    await page.keyboard.press("Tab");
    reached.add(
      await page.evaluate(
        () => document.activeElement?.getAttribute("aria-label") ?? document.activeElement?.textContent ?? "",
      ),
    );
  }
  for (const name of ["Home", "Parent scale", "Instrument: Guitar, standard tuning", "What to play", "Play"])
    expect([...reached]).toContain(name);
  expect([...reached].some((name) => name.startsWith("D Dorian, notes of C major"))).toBe(true);
});

test("the sheets for printing, a phone and its sheets, and a window of 320 are accessible", async ({
  page,
}) => {
  test.slow();
  for (const [view, name] of [
    ["match", "Lead sheet"],
    ["identify", "Tune sheet"],
  ] as const) {
    await open(page, `/${view}?demo`);
    await page.getByRole("main").getByRole("button", { name: "Print", exact: true }).click();
    await expect(page.getByRole("dialog", { name }).getByRole("img").first()).toBeVisible();
    expect(await serious(page), name).toEqual([]);
  }
  await page.setViewportSize({ width: 390, height: 844 });
  await inEachView(page, async (view) => expect(await narrow(page), `${view} on a phone`).toEqual([]));
  for (const path of [
    ...["make", "compare", "chords", "ask"].map(
      (part) => `/derive?home=C%23&mode=phrygian-dominant&show=${part}`,
    ),
    ...["write", "over-bass"].map((part) => `/match?home=C%23&mode=phrygian&show=${part}`),
  ]) {
    await visit(page, path);
    expect(await narrow(page), `${path} on a phone`).toEqual([]);
  }
  for (const name of ["Menu", "More"]) {
    await page.getByRole("button", { name, exact: true }).click();
    await expect(page.getByRole("dialog", { name, exact: true })).toBeVisible();
    expect(await narrow(page), name).toEqual([]);
    await page.keyboard.press("Escape");
  }
  for (const name of ["Shelf", "Find", "Settings", "Help"]) {
    const button = page.getByRole("banner").getByRole("button", { name: new RegExp(`^${name}`) });
    if (!(await button.isVisible())) await page.getByRole("button", { name: "Menu", exact: true }).click();
    await button.click();
    await expect(page.getByRole("dialog", { name, exact: true })).toBeVisible();
    expect(await narrow(page), `${name} on a phone`).toEqual([]);
    await page.keyboard.press("Escape");
  }
  await open(page, "/match?demo");
  for (const [button, dialog] of [
    [/^Analysis,/, "Analysis"],
    [/^Files/, "Files"],
    [/^Save/, "Save"],
  ] as const) {
    await page.getByRole("button", { name: button }).first().click();
    await expect(page.getByRole("dialog", { name: dialog })).toBeVisible();
    expect(await narrow(page), `${dialog} on a phone`).toEqual([]);
    await page.keyboard.press("Escape");
  }
  // 1280 at 400 in a hundred; text spaced as a reader may space it.
  await page.setViewportSize({ width: 320, height: 640 });
  await page.evaluate(() => {
    const spaced = new CSSStyleSheet();
    spaced.replaceSync(
      "* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important; }",
    );
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, spaced];
  });
  for (const { id } of VIEWS) {
    await visit(page, `/${id}`);
    expect(await page.evaluate(() => document.documentElement.scrollWidth), id).toBeLessThanOrEqual(320);
  }
});

test("what is selected is seen where the system sets the colours", async ({ page }) => {
  await page.emulateMedia({ forcedColors: "active" });
  await open(page, "/derive?home=D&mode=dorian");
  const outline = (selector: string) =>
    page
      .locator(selector)
      .first()
      .evaluate((element) => getComputedStyle(element).outlineStyle);
  expect(await outline("[aria-current=page]")).toBe("solid");
  expect(await outline("[aria-pressed=true]")).toBe("solid");
  expect(await outline("input[type=radio]:checked + span")).toBe("solid");
});

test("terms explain themselves, and the answer is announced once it stands", async ({ page }) => {
  await open(page, "/derive?home=D&mode=dorian");
  await expect(page).toHaveTitle("D Dorian · Derive · Shade");
  const announced = page.locator("p[aria-live=polite]");
  await expect(announced).toHaveText("D Dorian. Characteristic note B.");
  const term = page.getByRole("button", { name: "Best vamp" });
  await term.focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText("Two chords played back and forth that keep one mode sounding.")).toBeVisible();
  await page.keyboard.press("Escape");
  // A choice explains itself where the keyboard comes to it, and goes with Escape.
  const voicing = page.getByRole("radio", { name: "Voicing", exact: true });
  await page.getByRole("radio", { name: "Line", exact: true }).focus();
  await page.keyboard.press("ArrowRight");
  await expect(voicing).toBeChecked();
  const explained = page.getByText("One way to place the notes of a chord on the instrument.");
  await expect(explained).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(explained).toBeHidden();
  await page.getByRole("radio", { name: "Position", exact: true }).check({ force: true });
  await page.getByRole("heading", { level: 2 }).first().click();
  await page.keyboard.press("e");
  await expect(page).toHaveTitle("E Dorian · Derive · Shade");
  await expect(announced).toHaveText("E Dorian. Characteristic note C♯.");
  // The ladder is one stop: the focus goes with the arrows.
  await page.getByRole("button", { name: /^E Dorian, notes of/ }).focus();
  await page.keyboard.press("ArrowDown");
  await expect(page.getByRole("button", { name: /^E Aeolian, notes of/ })).toBeFocused();
  await expect(announced).toHaveText("E Aeolian. Characteristic note C.");
});
