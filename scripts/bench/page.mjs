// @ts-check
/** From a key to the screen. */
import { COLD_RUNS, SLOWER } from "./figures.mjs";
import { address, browser } from "./started.mjs";

/**
 * From the press that asks for a chord's voicings to the frame that shows the first of them: the worker's start, the search
 * and the crossing of the answer are in it.
 *
 * @param {{ tuning: string, chord: string }} search
 */
export async function voicings({ tuning, chord }) {
  const first = [];
  const again = [];
  for (let run = 0; run < COLD_RUNS; run += 1) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/match?chords=${encodeURIComponent(`| ${chord} | G | ${chord} |`)}`, {
      waitUntil: "networkidle",
    });
    if (tuning !== "guitar") {
      await page.getByRole("button", { name: /^Instrument: / }).click();
      const sheet = page.getByRole("dialog", { name: "Instrument" });
      await sheet.getByLabel("Instrument", { exact: true }).selectOption(tuning);
      await page.keyboard.press("Escape");
    }
    // Without a chord there are no voicings to step to.
    await page.getByRole("button", { name: /^Bar 1, / }).waitFor();
    await page.getByRole("radio", { name: "Line", exact: true }).check();
    /** @param {string} key @param {string} wanted */
    const pressed = (key, wanted) =>
      page.evaluate(
        ([press, name]) =>
          new Promise((resolve) => {
            const started = performance.now();
            document.dispatchEvent(new KeyboardEvent("keydown", { key: press ?? "", bubbles: true }));
            const look = () => {
              const stage = document.querySelector('[aria-label="Stage"]');
              const label = stage?.querySelector("svg")?.getAttribute("aria-label") ?? "";
              if (label.startsWith(`${name} on the neck`) && /\(\S+\)/u.test(label))
                resolve(performance.now() - started);
              else requestAnimationFrame(look);
            };
            look();
          }),
        [key, wanted],
      );
    const shownName = chord.replaceAll("#", "♯");
    first.push(Number(await pressed("p", shownName)));
    await pressed("ArrowRight", "G");
    again.push(Number(await pressed("ArrowRight", shownName)));
    await page.close();
  }
  return { first, again };
}

/** Between two presses, so that one change is over before the next. */
const GAP = 400;

/**
 * Presses keys that change home or mode, with the CPU slowed, and takes two times from each press: to the frame that shows
 * the rows and the name, and to the one in which the panel's working and the neck have followed.
 *
 * @param {string} path
 * @param {readonly string[]} keys
 */
export async function paints(path, keys) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}${path}`, { waitUntil: "networkidle" });
  await page.getByRole("heading", { level: 2 }).first().waitFor();
  const session = await page.context().newCDPSession(page);
  await session.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });
  await page.evaluate(() => {
    const first = /** @type {number[]} */ ([]);
    const whole = /** @type {number[]} */ ([]);
    Object.assign(window, { paintTimes: { first, whole } });
    /** A message is taken once the frame is painted. @param {() => void} act */
    const afterPaint = (act) =>
      requestAnimationFrame(() => {
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = act;
        port2.postMessage(undefined);
      });
    const name = () => document.querySelector("main h2")?.textContent ?? "";
    const neck = () => document.querySelector('[aria-label="Stage"] svg')?.getAttribute("aria-label") ?? "";
    document.addEventListener(
      "keydown",
      ({ timeStamp }) => {
        const follow = () =>
          afterPaint(() => {
            if (neck().startsWith(`${name()} on the neck`)) whole.push(performance.now() - timeStamp);
            else follow();
          });
        afterPaint(() => {
          first.push(performance.now() - timeStamp);
          follow();
        });
      },
      { capture: true },
    );
  });
  for (const key of keys) {
    await page.keyboard.press(key);
    await page.waitForTimeout(GAP);
  }
  const times = await page.evaluate(() => /** @type {any} */ (window).paintTimes);
  await page.close();
  return /** @type {{ first: number[], whole: number[] }} */ (times);
}
