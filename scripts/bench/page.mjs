// @ts-check
/** Voicings, from the key to the screen. */
import { COLD_RUNS, report } from "./figures.mjs";
import { address, browser } from "./started.mjs";

/**
 * From the press that asks for a chord's voicings to the frame that shows the first of them: the worker's start, the search
 * and the crossing of the answer are in it.
 *
 * @param {{ tuning: string, chord: string }} search
 */
async function voicings({ tuning, chord }) {
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

/** Voicings on necks of six and of eight strings. */
export async function reportVoicings() {
  for (const [name, search] of /** @type {const} */ ([
    ["Em9 on six strings", { tuning: "guitar", chord: "Em9" }],
    ["A13 on six strings", { tuning: "guitar", chord: "A13" }],
    ["C13♯11 on six strings", { tuning: "guitar", chord: "C13#11" }],
    ["Em9 on eight strings", { tuning: "guitar-8", chord: "Em9" }],
  ])) {
    const { first, again } = await voicings(search);
    report(`Voicings of ${name}, worker cold`, first);
    report(`Voicings of ${name}, asked again`, again);
  }
}
