// @ts-check
/** `npm run shots`: one current picture of each main view, made from the demo data, into docs/screenshots. */
import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { CHROMIUM_FLAGS, ensureBuild, ensureChromium, root, startServer } from "./ready.mjs";

const PORT = 4398;
const folder = join(root, "docs/screenshots");

/** @type {readonly { name: string, path: string, size?: [number, number], theme?: "dark", act?: (page: import("@playwright/test").Page) => Promise<void> }[]} */
const SHOTS = [
  { name: "derive", path: "/derive?home=D&mode=dorian" },
  { name: "derive-notes", path: "/derive?home=Eb&mode=lydian&line=notes" },
  { name: "derive-make", path: "/derive?home=Eb&mode=set-1739&show=make" },
  {
    name: "derive-compare",
    path: "/derive?home=D&mode=dorian&show=compare&with=mixolydian,aeolian,phrygian",
  },
  {
    name: "derive-chords",
    path: "/derive?home=C%23&mode=dorian&show=chords",
    act: (page) => page.getByRole("button", { name: "F♯13", exact: true }).click(),
  },
  {
    name: "derive-shape",
    path: "/derive?home=A&mode=dorian&show=chords",
    theme: "dark",
    act: (page) => page.getByLabel("One shape over the bass").check(),
  },
  {
    name: "derive-ask",
    path: "/derive?home=A&mode=harmonic-minor&show=ask",
    act: async (page) => {
      await page.getByLabel("or any home").check();
      await page.getByLabel("Chords that they hold").fill("Am E F");
      await page.keyboard.press("Enter");
      await page.getByRole("button", { name: /^A harmonic minor, colour/ }).waitFor();
    },
  },
  { name: "settings", path: "/derive", act: (page) => page.keyboard.press("i") },
  { name: "sheet", path: "/sheet?home=C%23&mode=phrygian-dominant", size: [960, 1330] },
  { name: "match", path: "/match", act: (page) => page.getByRole("button", { name: /^Bar 2, A13/ }).click() },
  { name: "identify", path: "/identify" },
  {
    name: "identify-open",
    path: "/identify",
    act: async (page) => {
      await page.keyboard.press("h");
      await page.getByRole("button", { name: /^Six Pears/ }).click();
      await page.getByRole("heading", { name: "D Aeolian" }).waitFor();
    },
  },
  { name: "shelf", path: "/derive", act: (page) => page.keyboard.press("h") },
  { name: "derive-dusk", path: "/derive?home=C%23&mode=phrygian-dominant", theme: "dark" },
  { name: "derive-narrow", path: "/derive?home=D&mode=dorian", size: [390, 844] },
  { name: "match-narrow", path: "/match", size: [390, 844] },
  { name: "identify-narrow", path: "/identify", size: [390, 844] },
];

ensureBuild();
const executablePath = ensureChromium();
mkdirSync(folder, { recursive: true });
const { address, stop } = await startServer(PORT);
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
    await page.getByRole("heading").first().waitFor({ state: "attached" });
    await act?.(page);
    await page.waitForTimeout(600);
    await page.screenshot({ path: join(folder, `${name}.png`) });
    await page.close();
    console.log(`docs/screenshots/${name}.png`);
  }
} finally {
  await browser.close();
  stop();
}
