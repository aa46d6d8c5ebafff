// @ts-check
import { address, browser } from "./started.mjs";

/** Seconds for which a live run is watched: the page works all the while. */
const WATCHED = Number(process.env.SHADE_WATCHED ?? 60);

/** Made in the page: what goes to the loudspeaker is tapped, and every start of a note written down with the clock of that moment. */
function tap() {
  const kept = /** @type {any} */ (window);
  kept.starts = [];
  kept.long = [];
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) kept.long.push(duration);
  }).observe({ type: "longtask" });
  const start = AudioBufferSourceNode.prototype.start;
  AudioBufferSourceNode.prototype.start = function (when = 0, offset = 0) {
    if (this.context instanceof AudioContext) kept.starts.push([when, this.context.currentTime]);
    return start.call(this, when, offset);
  };
  const taps = /** @type {Map<BaseAudioContext, AnalyserNode>} */ (new Map());
  const connect = AudioNode.prototype.connect;
  AudioNode.prototype.connect = /** @type {any} */ (
    /** @this {AudioNode} @param {[any]} to */
    function (...to) {
      // The synthesis library opens a context of its own and closes it again: each context is tapped.
      if (to[0] instanceof AudioDestinationNode && this.context instanceof AudioContext) {
        const tap = taps.get(this.context) ?? new AnalyserNode(this.context, { fftSize: 256 });
        taps.set(this.context, tap);
        /** @type {(to: AudioNode) => void} */ (connect).call(this, tap);
      }
      return connect.apply(this, to);
    }
  );
  const samples = new Float32Array(256);
  setInterval(() => {
    if (kept.pressed === undefined || kept.heard !== undefined) return;
    for (const tap of taps.values()) {
      tap.getFloatTimeDomainData(samples);
      if (samples.some((sample) => Math.abs(sample) > 1e-4)) kept.heard = performance.now() - kept.pressed;
    }
  }, 4);
  document.addEventListener(
    "keydown",
    ({ key }) => {
      if (key !== " ") return;
      kept.pressed = performance.now();
      kept.heard = undefined;
    },
    true,
  );
}

/** The button of the stage that starts sound; while it sounds it has another name. @param {import("@playwright/test").Page} page */
const playButton = (page) => page.getByLabel("Stage").getByRole("button", { name: /^Play/ });

/** A page with the tap, ready to be played. @param {string} path */
async function tapped(path) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(tap);
  await page.goto(`${address}${path}`, { waitUntil: "networkidle" });
  await playButton(page).waitFor();
  await page.locator("main").click({ position: { x: 4, y: 4 } });
  return page;
}

/**
 * Milliseconds from a press of the space bar to sound: the first time in a page, and once the recordings are here.
 *
 * @param {number} runs
 */
export async function pressedToHeard(runs) {
  const first = /** @type {number[]} */ ([]);
  const again = /** @type {number[]} */ ([]);
  for (let run = 0; run < runs; run += 1) {
    const page = await tapped("/derive?home=D&mode=dorian");
    for (let press = 0; press < 4; press += 1) {
      await page.keyboard.press(" ");
      await page.waitForFunction(() => /** @type {any} */ (window).heard !== undefined);
      const heard = await page.evaluate(() => /** @type {number} */ (/** @type {any} */ (window).heard));
      (press === 0 ? first : again).push(heard);
      await page.keyboard.press("Escape");
      await playButton(page).waitFor();
      await page.waitForTimeout(400);
    }
    await page.close();
  }
  return { first, again };
}

/**
 * A live run with the metronome while keys are pressed: how many notes, how late the latest was handed to the audio clock (below 0: before
 * its time), what memory grew by from the first third to the last, in MB, and the tasks that held the page for more than 50 ms.
 */
export async function playedLive() {
  const page = await tapped("/derive?home=D&mode=dorian&demo");
  await page
    .getByLabel("Stage")
    .getByRole("button", { name: /^Sound/ })
    .click();
  await page.getByLabel("Metronome").check();
  await page.getByLabel("Loop", { exact: true }).check();
  await page.keyboard.press("Escape");
  await page.keyboard.press(" ");
  await page.waitForTimeout(1000);
  await page.evaluate(() => void (/** @type {any} */ (window).long.splice(0)));
  const client = await page.context().newCDPSession(page);
  const used = async () => {
    await client.send("HeapProfiler.collectGarbage");
    const { usedSize } = await client.send("Runtime.getHeapUsage");
    return usedSize / 1e6;
  };
  const begun = Date.now();
  let early = 0;
  while (Date.now() - begun < WATCHED * 1000) {
    for (const key of ["d", "e", "ArrowDown", "ArrowUp", "2", "1"]) {
      await page.keyboard.press(key);
      await page.waitForTimeout(250);
    }
    if (early === 0 && Date.now() - begun > (WATCHED * 1000) / 3) early = await used();
  }
  const late = await page.evaluate(() =>
    /** @type {any} */ (window).starts.map(
      (/** @type {[number, number]} */ [when, now]) => (now - when) * 1000,
    ),
  );
  const long = await page.evaluate(() => /** @type {number[]} */ (/** @type {any} */ (window).long));
  const grown = (await used()) - early;
  await page.close();
  return { notes: late.length, latest: Math.max(...late), grown, long };
}
