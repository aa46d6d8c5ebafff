import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { unzipSync } from "fflate";
import { inSheet, keepAs, open, show, showOn } from "./pages";
import { expect, test } from "./test";

const neck = (page: Page) => page.getByRole("img", { name: /on the neck/ });

/** Chooses an instrument in its sheet, and the hand. */
async function choose(page: Page, instrument: string, isLeft = false): Promise<void> {
  await page.getByRole("button", { name: /^Instrument: / }).click();
  const sheet = page.getByRole("dialog", { name: "Instrument" });
  await sheet.getByLabel("Instrument", { exact: true }).selectOption(instrument);
  if (instrument !== "keyboard") await sheet.getByLabel("left-handed").setChecked(isLeft);
  await page.keyboard.press("Escape");
}

const divide = (page: Page, system: string) =>
  inSheet(page, "Display", (sheet) => sheet.getByLabel("Divide the neck into").selectOption(system));

test("an instrument, its tuning and the capo are saved and shown", async ({ page }) => {
  await open(page, "/derive?home=D&mode=dorian");
  await choose(page, "bass");
  await expect(neck(page)).toHaveAttribute("aria-label", /String 4: 10 D \(1\), 12 E \(2\), 13 F/);
  await page.getByRole("button", { name: /^Instrument: Bass/ }).click();
  const sheet = page.getByRole("dialog", { name: "Instrument" });
  await sheet.getByLabel("Tuning", { exact: true }).selectOption({ label: "drop D" });
  await sheet.getByLabel("Capo at fret").fill("2");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Instrument: Bass, drop D, capo 2" })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("button", { name: "Instrument: Bass, drop D, capo 2" })).toBeVisible();
});

test("a tuning made by hand: what cannot be is said, what can is saved, deleted and brought back", async ({
  page,
}) => {
  await open(page, "/derive?home=D&mode=dorian");
  await page.getByRole("button", { name: /^Instrument: Guitar/ }).click();
  const sheet = page.getByRole("dialog", { name: "Instrument" });
  await sheet.getByLabel("Strings", { exact: true }).fill("C2 H3 E99");
  await sheet.getByLabel("Frets", { exact: true }).fill("99");
  await sheet.getByRole("button", { name: "Save this tuning" }).click();
  const alert = sheet.getByRole("alert");
  await expect(alert).toContainText("It needs a name");
  await expect(alert).toContainText("At 4: “H3” isn’t a pitch");
  await expect(alert).toContainText("Use 5 to 36 frets");
  await sheet.getByLabel("Strings", { exact: true }).fill("C2 G2 D3 A3");
  await sheet.getByLabel("Frets", { exact: true }).fill("17");
  await sheet.getByLabel("Name", { exact: true }).fill("Cellar");
  await sheet.getByRole("button", { name: "Save this tuning" }).click();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Instrument: Guitar, Cellar" })).toBeVisible();
  await page.reload();
  await page.getByRole("button", { name: "Instrument: Guitar, Cellar" }).click();
  await sheet.getByRole("button", { name: "Delete Cellar" }).click();
  await expect(sheet.getByText("E2 A2 D3 G3 B3 E4").first()).toBeVisible();
});

test("positions are stepped by key in every division, and moves are told and drawn", async ({ page }) => {
  await open(page, "/derive?home=D&mode=dorian");
  await expect(page.getByText("B♭ to B: string 4 fret 8 to 9, string 2 fret 11 to 12")).toBeVisible();
  await expect(page.locator("[data-move]")).toHaveCount(0);
  await inSheet(page, "Display", (sheet) => sheet.getByLabel("Show what moves").selectOption("aeolian"));
  await expect(page.locator("[data-move]")).toHaveCount(2);
  for (const [system, here, next] of [
    ["three-per-string", "at fret 10, from 1", "at fret 12, from 2"],
    ["pentatonic-frame", "at fret 10, E shape", "at fret 12, D shape"],
    ["octave-pairs", "at fret 10, from 1, 4 + 3", "at fret 10, from 1, 3 + 4"],
  ] as const) {
    await divide(page, system);
    await expect(page.getByText(here)).toBeVisible();
    await page.keyboard.press(".");
    await expect(page.getByText(next)).toBeVisible();
    await page.keyboard.press(",");
    await expect(page.getByText(here)).toBeVisible();
  }
  await divide(page, "open");
  await expect(page.getByText("at the nut, open strings")).toBeVisible();
});

test("past the comfortable stretch there is a caution and another fingering", async ({ page }) => {
  await open(page, "/derive?home=F%23&mode=dorian");
  await divide(page, "three-per-string");
  const caution = page.getByRole("note");
  await expect(caution).toContainText(/opens \d+ mm, past your 110/);
  await expect(caution).toHaveAttribute("title", /Stop if it hurts\. With .* shifts? it opens/);
  await caution.getByLabel("shift").check();
  await expect(caution).toContainText(/no more than \d+ mm with/);
});

test("keys and staff show the same notes, with fingers and tablature", async ({ page }) => {
  await open(page, "/derive?home=Eb&mode=lydian");
  await showOn(page, "Keys");
  await expect(page.getByRole("img", { name: /E♭ Lydian on the keys/ })).toBeVisible();
  await showOn(page, "Staff");
  await expect(page.getByRole("img", { name: /E♭ Lydian on the staff: D \(7\), E♭ \(1\)/ })).toBeVisible();
  const frets = page.locator("section[aria-label=Staff] text.fret");
  await expect(frets.first()).toHaveText("10");
  await expect(page.locator("section[aria-label=Staff] [data-characteristic]").first()).toBeAttached();
  await choose(page, "keyboard");
  await show(page, "Line");
  await page.getByRole("combobox", { name: "Line" }).selectOption("scale");
  await expect(page.locator("section[aria-label=Staff] text.finger").first()).toBeAttached();
});

test("voicings are found off the page’s own thread, stepped, heard, saved and taken from the Shelf", async ({
  page,
}) => {
  await open(page, "/derive?home=E&mode=dorian");
  await show(page, "Voicing");
  await expect(page.getByText(/^1 of \d+$/)).toBeVisible();
  await page.keyboard.press(".");
  await expect(page.getByText(/^2 of \d+$/)).toBeVisible();
  await page.getByLabel("Stage").getByRole("button", { name: "Hear the voicing" }).click();
  await page.getByRole("button", { name: "Display", exact: true }).click();
  await page.getByRole("button", { name: "Save the voicing" }).click();
  await keepAs(page, "Second of Em7");
  const shown = await neck(page).getAttribute("aria-label");
  await page.keyboard.press(".");
  await expect(page.getByText(/^3 of \d+$/)).toBeVisible();
  await page.keyboard.press("h");
  await page.getByRole("button", { name: /^Second of Em7/ }).click();
  await expect(neck(page)).toHaveAttribute("aria-label", shown!);
});

test("on the stand pedals step and play, and escape leaves", async ({ page }) => {
  await open(page, "/derive?home=D&mode=dorian");
  await page.keyboard.press("z");
  const stand = page.getByRole("dialog", { name: "Stand view" });
  await expect(stand.getByText("at fret 10, E shape")).toBeVisible();
  await page.keyboard.press("PageDown");
  await expect(stand.getByText("at fret 12, D shape")).toBeVisible();
  await page.keyboard.press("ArrowLeft");
  await expect(stand.getByText("at fret 10, E shape")).toBeVisible();
  await page.keyboard.press(" ");
  await expect(stand.getByRole("button", { name: "Stop" })).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(stand.getByRole("button", { name: "Play" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(stand).toBeHidden();
});

test("no audio device is said, and the rest works", async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(AudioContext.prototype, "resume", {
      value: () => Promise.reject(new Error("no output device")),
    });
    Object.defineProperty(BaseAudioContext.prototype, "state", { get: () => "suspended" });
  });
  await open(page, "/derive");
  await page.keyboard.press(" ");
  await expect(page.getByRole("alert")).toHaveText(
    "This browser can’t play sound: no output device. Everything else works.",
  );
  await page.keyboard.press(".");
  await expect(page.getByText("at fret 12")).toBeVisible();
});

test("a context that is held back is said, and the rest works", async ({ page }) => {
  await page.addInitScript(() => {
    AudioContext.prototype.resume = () => new Promise(() => undefined);
    Object.defineProperty(BaseAudioContext.prototype, "state", { get: () => "suspended" });
  });
  await open(page, "/derive");
  await page.keyboard.press(" ");
  await expect(page.getByRole("alert").filter({ hasText: "holding the sound back" })).toBeVisible({
    timeout: 30_000,
  });
  await page.keyboard.press("g");
  await expect(page.getByRole("heading", { name: "G Dorian" })).toBeVisible();
});

test("a practice sheet takes modes, positions and lines, and is saved and printed whole", async ({
  page,
}) => {
  await page.goto("/practice?home=D&mode=dorian");
  await expect(page.getByRole("img", { name: "Practice sheet, page 1 of 1: D Dorian." })).toBeVisible();
  const more = page.getByLabel("Another mode for the sheet");
  await more.fill("C# phrygian dominant");
  await page.keyboard.press("Enter");
  await page.getByLabel("1 3 5 7 9 8 on each degree").check();
  await expect(page.getByRole("img", { name: /page 3 of 3/ })).toBeVisible();
  const [archive] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Save as SVG" }).click(),
  ]);
  const files = unzipSync(new Uint8Array(readFileSync(await archive.path())));
  expect(Object.keys(files)).toEqual(["practice-1.svg", "practice-2.svg", "practice-3.svg"]);
  expect(new TextDecoder().decode(files["practice-1.svg"])).toMatch(/^<\?xml[^]*<svg[^]*font-face/);
  // On paper each drawing is a page, on A4 and on Letter, and says what it is for.
  await expect(page.getByText("Guitar, standard tuning").first()).toBeAttached();
  for (const paper of ["A4", "Letter"]) {
    await page.getByRole("radio", { name: paper }).check({ force: true });
    const drawings = await page.getByRole("img", { name: /^Practice sheet/ }).count();
    const pdf = (await page.pdf({ preferCSSPageSize: true, printBackground: true })).toString("latin1");
    expect(pdf.match(/\/Type\s*\/Page\b/gu), paper).toHaveLength(drawings);
  }
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("button", { name: "Print" })).toBeHidden();
  await page.reload();
  await expect(page.getByRole("img", { name: /C♯ Phrygian dominant/ }).first()).toBeAttached();
});

interface Probe {
  readonly width: number;
  /** What is drawn at each place that is asked for: a marker of the hand, another marker, or the bare neck. */
  readonly at: readonly ("hand" | "marker" | "bare")[];
}

/** Looks at the picture of the neck, pixel by pixel, where strings and frets should be; `isLeft` looks at it mirrored. */
async function look(
  page: Page,
  places: readonly (readonly [string: number, fret: number])[],
  { strings, frets, isLeft }: { strings: number; frets: number; isLeft: boolean },
): Promise<Probe> {
  const picture = (await neck(page).screenshot()).toString("base64");
  return page.evaluate(
    async ({ picture: encoded, places: asked, strings: many, frets: last, isLeft: left }) => {
      const bytes = Uint8Array.from(atob(encoded), (each) => each.charCodeAt(0));
      const bitmap = await createImageBitmap(new Blob([bytes], { type: "image/png" }));
      const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
      const context = canvas.getContext("2d")!;
      if (left) {
        context.translate(bitmap.width, 0);
        context.scale(-1, 1);
      }
      context.drawImage(bitmap, 0, 0);
      const scale = bitmap.width / 1256;
      // By equal temperament, worked out here: the nut at 68, the last fret at 1240, strings 25 apart from 14 down.
      const along = (fret: number) => (1 - 2 ** (-fret / 12)) / (1 - 2 ** (-last / 12));
      const x = (fret: number) => (fret === 0 ? 46 : 68 + ((along(fret) + along(fret - 1)) / 2) * 1172);
      const gap = Math.min(25, 125 / (many - 1));
      const at = asked.map(([string, fret]): "hand" | "marker" | "bare" => {
        // A little left of the middle of the marker's upper edge: its outline is dark in the hand, faint elsewhere.
        const [px, py] = [(x(fret) - 6) * scale, (14 + (string - 1) * gap - 8) * scale];
        const inside = context.getImageData(Math.round(px), Math.round(py), 1, 1).data;
        let darkest = 255;
        for (let up = -5; up <= 1; up += 1) {
          const [r = 255, g = 255, b = 255] = context.getImageData(
            Math.round(px),
            Math.round(py + up),
            1,
            1,
          ).data;
          darkest = Math.min(darkest, (r + g + b) / 3);
        }
        const isAmber = (inside[0] ?? 0) > 220 && (inside[2] ?? 0) < 60;
        return darkest < 110 || isAmber ? "hand" : darkest < 215 ? "marker" : "bare";
      });
      return { width: bitmap.width, at };
    },
    { picture, places, strings, frets, isLeft },
  );
}

for (const [instrument, strings, hand, bare] of [
  // D Dorian where each opens, as worked out by hand.
  [
    "guitar",
    6,
    ["6/10 6/12 6/13 5/10 5/12 4/9 4/10 4/12 3/9 3/10 3/12 2/10 2/12 2/13 1/10 1/12 1/13"],
    ["6/11 5/11 4/11 3/11 2/11 1/11"],
  ],
  ["bass", 4, ["4/10 4/12 4/13 3/10 3/12 2/9 2/10 2/12 1/9 1/10 1/12"], ["4/11 3/11 2/11 1/11"]],
  [
    "fiddle",
    4,
    ["4/0 4/2 4/4 4/5 3/0 3/2 3/3 3/5 2/0 2/2 2/3 2/5 1/0 1/1 1/3 1/5 1/7"],
    ["4/1 4/3 3/1 2/1 1/2"],
  ],
] as const) {
  for (const isLeft of [false, true]) {
    test(`the picture of the ${instrument}'s neck has every marker in its place, for the ${isLeft ? "left" : "right"} hand`, async ({
      page,
    }) => {
      await open(page, "/derive?home=D&mode=dorian");
      await choose(page, instrument, isLeft);
      const read = (text: readonly string[]) =>
        text
          .join(" ")
          .split(" ")
          .map((place) => place.split("/").map(Number) as [number, number]);
      const seen = await look(page, [...read(hand), ...read(bare)], { strings, frets: 15, isLeft });
      const inHand = read(hand).length;
      expect(seen.at.slice(0, inHand).filter((each) => each !== "hand")).toEqual([]);
      expect(seen.at.slice(inHand).filter((each) => each !== "bare")).toEqual([]);
    });
  }
}
