// @ts-check
/** `npm run shots`: one current picture of each main view, made from the demo data, into docs/screenshots. */
import { mkdirSync, readdirSync } from "node:fs";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { withModule } from "./typescript.mjs";
import { CHROMIUM_FLAGS, ensureBuild, ensureChromium, freePort, root, startServer } from "./ready.mjs";

const folder = join(root, "docs/screenshots");

/**
 * Sets what the stage shows, and on what.
 *
 * @param {import("@playwright/test").Page} page
 * @param {"Neck" | "Keys" | "Staff"} surface
 * @param {"Position" | "Whole neck" | "Line" | "Voicing"} division
 */
async function stage(page, surface, division) {
  await page.getByRole("radio", { name: division, exact: true }).check({ force: true });
  await page.getByRole("button", { name: "Display", exact: true }).click();
  await page.getByRole("radio", { name: surface, exact: true }).check({ force: true });
  await page.keyboard.press("Escape");
}

/** @type {readonly { name: string, path: string, size?: [number, number], theme?: "dark", act?: (page: import("@playwright/test").Page) => Promise<void> }[]} */
const SHOTS = [
  { name: "derive", path: "/derive?home=D&mode=dorian" },
  {
    name: "derive-swap",
    path: "/derive?home=D&mode=dorian",
    act: async (page) => {
      await page.keyboard.press("s");
      await page.locator("[data-swap=neighbour]").waitFor({ timeout: 30_000 });
    },
  },
  { name: "derive-make", path: "/derive?home=Eb&mode=1-b2-b3-sharp4-5-6-b7&show=make" },
  {
    name: "derive-compare",
    path: "/derive?home=D&mode=dorian&show=compare&with=mixolydian,aeolian,phrygian",
    act: (page) => stage(page, "Keys", "Whole neck"),
  },
  {
    name: "derive-chords",
    path: "/derive?home=C%23&mode=dorian&show=chords",
    act: (page) => page.getByRole("button", { name: "F♯13", exact: true }).click(),
  },
  {
    name: "sound",
    path: "/derive?home=Eb&mode=lydian",
    act: async (page) => {
      await stage(page, "Staff", "Line");
      await page.getByRole("combobox", { name: "Line" }).selectOption("triads");
      await page.locator("section[aria-label=Staff] text.fret").first().waitFor();
      await page.keyboard.press("n");
      await page.getByLabel("Rising tempo").check();
    },
  },
  {
    name: "stand",
    path: "/derive?home=Eb&mode=lydian",
    act: (page) => page.keyboard.press("z"),
  },
  {
    name: "match",
    path: "/match",
    act: (page) => page.getByRole("button", { name: /^Bar 2, A13/ }).click(),
  },
  {
    name: "lead-sheet",
    path: "/match",
    size: [960, 1240],
    act: (page) => page.keyboard.press("P"),
  },
  {
    name: "ear",
    path: "/ear?home=D",
    act: async (page) => {
      await page
        .getByRole("button", { name: /^Six modes/ })
        .first()
        .click();
      await page.getByRole("button", { name: "Start" }).click();
      await page.getByText(/^Question 1 of/).waitFor();
      await page.keyboard.press("Escape");
      await page.keyboard.press("e");
    },
  },
  { name: "log", path: "/log" },
  {
    name: "match-write",
    path: "/match?home=Gb&mode=lydian&show=write",
    act: (page) => page.getByRole("button", { name: "G♭ A♭/G♭", exact: true }).click(),
  },
  {
    name: "reshape",
    path: "/reshape",
    act: async (page) => {
      await page.getByRole("button", { name: "Orchard Gate" }).click();
      await page.getByText(/^Bar 1, Em/).waitFor();
    },
  },
  { name: "identify", path: "/identify" },
  {
    name: "identify-record",
    path: "/identify",
    theme: "dark",
    act: async (page) => {
      await page.getByRole("radio", { name: "Record", exact: true }).check({ force: true });
      await page.getByLabel("Where the sound comes from").selectOption("fiddler");
      await page.getByRole("button", { name: "Record", exact: true }).click();
      await page.locator("#heard-1").click({ timeout: 30_000 });
    },
  },
  {
    name: "identify-collection",
    path: "/identify",
    act: async (page) => {
      const tunes = readdirSync(join(root, "src/demo")).filter((file) => file.endsWith(".abc"));
      await page
        .getByLabel("Open files of tunes")
        .setInputFiles(tunes.map((file) => join(root, "src/demo", file)));
      await page.getByText("all of them read").waitFor();
      await page.getByRole("columnheader", { name: "Home and mode" }).getByRole("button").click();
    },
  },
  { name: "shelf", path: "/derive", act: (page) => page.keyboard.press("h") },
  {
    name: "derive-dark",
    path: "/derive?home=C%23&mode=phrygian-dominant",
    theme: "dark",
    act: async (page) => {
      await page.getByRole("button", { name: /^Instrument: / }).click();
      const sheet = page.getByRole("dialog", { name: "Instrument" });
      await sheet.getByLabel("Instrument", { exact: true }).selectOption("fiddle");
      await sheet.getByLabel("left-handed").check();
      await page.keyboard.press("Escape");
    },
  },
  { name: "derive-narrow", path: "/derive?home=D&mode=dorian", size: [390, 844] },
];

const withoutPicture = await withModule("src/features/views.ts", async ({ VIEWS }) =>
  VIEWS.filter(
    (/** @type {{ id: string }} */ { id }) => !SHOTS.some(({ path }) => path.startsWith(`/${id}`)),
  ),
);
if (withoutPicture.length > 0)
  throw new Error(
    `No picture of ${withoutPicture.map((/** @type {{ name: string }} */ { name }) => name).join(", ")}.`,
  );

ensureBuild();
const executablePath = ensureChromium();
mkdirSync(folder, { recursive: true });
const { address, stop } = await startServer(await freePort());
const browser = await chromium.launch({ executablePath, args: CHROMIUM_FLAGS });
try {
  for (const { name, path, size: [width, height] = [1280, 800], theme, act } of SHOTS) {
    const page = await browser.newPage({
      viewport: { width, height },
      colorScheme: theme ?? "light",
      reducedMotion: "reduce",
    });
    await page.goto(`${address}${path}${path.includes("?") ? "&" : "?"}demo`, {
      waitUntil: "networkidle",
    });
    await page.locator("html[data-settled]").waitFor({ state: "attached" });
    await page.getByRole("button", { name: "Hide", exact: true }).click();
    // The legend stands in the first picture.
    if (name !== "derive") await page.getByRole("button", { name: "Hide legend" }).click();
    await act?.(page);
    await page.evaluate("window.scrollTo(0, 0)");
    await page.waitForTimeout(name === "derive-swap" ? 300 : 600);
    await page.screenshot({ path: join(folder, `${name}.png`) });
    await page.close();
    console.log(`docs/screenshots/${name}.png`);
  }
} finally {
  await browser.close();
  stop();
}
