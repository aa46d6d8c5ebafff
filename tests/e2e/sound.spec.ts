import type { Page } from "@playwright/test";
import { inSheet, open, show } from "./pages";
import { expect, test } from "./test";

interface Tapped {
  tap?: AnalyserNode;
  /** MIDI numbers of the pitch, each once while it lasts. */
  heard: number[];
}

/** Taps what goes to the loudspeaker and notes the pitch in it, over and over. */
async function tapSound(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const tapped = window as unknown as Tapped;
    tapped.heard = [];
    // eslint-disable-next-line @typescript-eslint/unbound-method -- called below with its own `this`
    const connect = AudioNode.prototype.connect as (this: AudioNode, ...to: unknown[]) => unknown;
    AudioNode.prototype.connect = function (this: AudioNode, ...to: unknown[]) {
      if (to[0] instanceof AudioDestinationNode && this.context instanceof AudioContext) {
        // The library opens a context as it loads; what is played goes to the last one.
        if (tapped.tap?.context !== this.context)
          tapped.tap = new AnalyserNode(this.context, { fftSize: 4096, smoothingTimeConstant: 0 });
        connect.call(this, tapped.tap);
      }
      return connect.apply(this, to);
    } as typeof AudioNode.prototype.connect;
    setInterval(() => {
      const { tap, heard } = tapped;
      if (!tap) return;
      const samples = new Float32Array(tap.fftSize);
      tap.getFloatTimeDomainData(samples);
      const { sampleRate } = tap.context;
      const half = samples.length / 2;
      const loud = samples.reduce((sum, sample) => sum + sample * sample, 0) / samples.length;
      // The shortest time after which the sound is nearly the same again.
      const alike = (lag: number) => {
        let [product, one, other] = [0, 1e-12, 1e-12];
        for (let at = 0; at < half; at += 2) {
          const [here, there] = [samples[at] ?? 0, samples[at + lag] ?? 0];
          product += here * there;
          one += here * here;
          other += there * there;
        }
        return product / Math.sqrt(one * other);
      };
      const lags = Array.from({ length: Math.floor(sampleRate / 70) }, (_, at) => at);
      const values = lags.map((lag) => (lag < sampleRate / 900 ? 0 : alike(lag)));
      const most = Math.max(...values);
      const period = values.findIndex(
        (value, at) => value > 0.93 * most && value >= (values[at - 1] ?? 0) && value > (values[at + 1] ?? 0),
      );
      const isQuiet = loud < 1e-8 || most < 0.7;
      const midi = isQuiet ? 0 : Math.round(69 + 12 * Math.log2(sampleRate / period / 440));
      if (heard.at(-1) !== midi) heard.push(midi);
    }, 60);
  });
}

const heardSoFar = (page: Page) => page.evaluate(() => (window as unknown as Tapped).heard);

test("no sound code is loaded before a hand is near, and nothing sounds before it is asked for", async ({
  page,
}) => {
  const recordings: string[] = [];
  page.on("request", (request) => {
    if (request.url().endsWith(".bin")) recordings.push(request.url());
  });
  await tapSound(page);
  await open(page, "/derive");
  expect(await page.evaluate(() => (window as unknown as Tapped).tap === undefined)).toBe(true);
  expect(recordings).toEqual([]);
  await page.keyboard.press("d");
  // What the first note needs is fetched, so that it comes at once.
  await expect.poll(() => recordings.length).toBeGreaterThan(0);
  expect((await heardSoFar(page)).filter((midi) => midi > 0)).toEqual([]);
});

test("the mode is heard at its pitches, starting on home", async ({ page }) => {
  await tapSound(page);
  await open(page, "/derive?home=A&mode=phrygian");
  await show(page, "Whole neck");
  await inSheet(page, "Sound", (sheet) => sheet.getByLabel("Drone A").uncheck());
  await page.getByLabel(/^Tempo, .* a minute/).fill("40");
  await page.locator("h2").first().click();
  await page.keyboard.press(" ");
  await expect(async () => {
    expect((await heardSoFar(page)).filter((midi) => midi > 0).length).toBeGreaterThanOrEqual(4);
  }).toPass({ timeout: 60_000 });
  const heard = (await heardSoFar(page)).filter((midi) => midi > 0);
  // A Phrygian from the A string of the guitar: A B♭ C D.
  expect(heard.slice(0, 4)).toEqual([45, 46, 48, 50]);
});

test("the swap goes on while views change, and Escape stops it at once", async ({ page }) => {
  await tapSound(page);
  await open(page, "/derive?demo");
  await page.keyboard.press("s");
  await expect(page.getByRole("button", { name: /^Swap B/ })).toHaveAttribute("aria-pressed", "true");
  await page.keyboard.press("2");
  await expect(page).toHaveURL(/\/match/);
  await expect(async () => expect((await heardSoFar(page)).at(-1)).toBeGreaterThan(0)).toPass();
  await expect(page.locator("[data-sounding]").first()).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Play the bars" })).toBeVisible();
  await expect(async () => expect((await heardSoFar(page)).at(-1)).toBe(0)).toPass({ timeout: 30_000 });
});

test("what is lit is what sounds, though the page stands still, and Play ends by itself", async ({
  page,
}) => {
  await open(page, "/derive?home=D&mode=dorian");
  await show(page, "Line");
  await page.getByLabel(/^Tempo, .* a minute/).fill("120");
  await page.locator("h2").first().click();
  await page.keyboard.press(" ");
  await expect(page.locator("[data-sounding]").first()).toBeVisible();
  // The page stands still again and again, for longer than a note lasts: no marker is left lit beside the one that sounds.
  for (let at = 0; at < 12; at += 1) {
    const lit = await page.evaluate(async () => {
      const until = performance.now() + 350;
      while (performance.now() < until);
      await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
      return [...document.querySelectorAll("[data-sounding]")].length;
    });
    expect(lit).toBeLessThanOrEqual(2);
  }
  // The end comes while it stands still, too.
  await page.evaluate(() => {
    const until = performance.now() + 4000;
    while (performance.now() < until);
  });
  await expect(page.getByLabel("Stage").getByRole("button", { name: "Play", exact: true })).toBeVisible();
  await expect(page.locator("[data-sounding]")).toHaveCount(0);
});

test("Escape ends the sound first, wherever it is pressed, and then leaves; recordings that are missing are said", async ({
  page,
}) => {
  await page.route(/steel.*\.bin/, (route) => route.abort());
  await open(page, "/derive?home=D&mode=dorian");
  await page.locator("h2").first().click();
  await page.keyboard.press("z");
  const stand = page.getByRole("dialog", { name: "Stand view" });
  await expect(stand).toBeVisible();
  await page.keyboard.press(" ");
  await expect(stand.getByRole("button", { name: "Stop" })).toBeVisible();
  await page.keyboard.press("PageDown");
  await page.keyboard.press("Enter");
  await expect(stand.getByRole("button", { name: "Play" })).toBeVisible();
  await stand.getByRole("button", { name: "Leave" }).click();
  await page.keyboard.press(" ");
  await page
    .getByRole("banner")
    .getByRole("button", { name: /^Settings/ })
    .click();
  const settings = page.getByRole("dialog", { name: "Settings" });
  await expect(settings).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.locator("[data-sounding]")).toHaveCount(0);
  await expect(settings).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(settings).toBeHidden();
  await inSheet(page, "Sound", (sheet) =>
    expect(
      sheet.getByText("The recordings of steel-string guitar can’t be loaded. A plain tone plays instead."),
    ).toBeVisible(),
  );
});
