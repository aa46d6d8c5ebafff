// @ts-check
/** A tune in another mode: through the server with its chords, and as it is seen in the page. */
import { report } from "./figures.mjs";
import { address, browser } from "./started.mjs";

/** Eight bars of a made tune over and over. @param {number} bars */
const tuneOf = (bars) =>
  `X:1\nT:Long\nM:4/4\nL:1/4\nK:DDor\n${"D E F A|B A G F|E F G E|D2 C2|\nD E F A|B c d A|G F E C|D4|\n".repeat(Math.ceil(bars / 8))}`;

/** How long a tune of 500 bars takes with its chords found anew. @param {number} runs */
async function whole(runs) {
  const times = [];
  for (let run = 0; run < runs; run += 1) {
    const started = performance.now();
    const response = await fetch(`${address}/api/v1/reshape?to=phrygian`, {
      method: "POST",
      headers: { "content-type": "text/vnd.abc", accept: "text/vnd.abc" },
      body: tuneOf(500),
    });
    await response.text();
    times.push(performance.now() - started);
  }
  return times;
}

/** From a change of mode to the next frame with its sentence, with new chords. @param {number} runs @param {number} bars */
async function changed(runs, bars) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/reshape`, { waitUntil: "networkidle" });
  await page.getByLabel("The tune, as ABC or note names").fill(tuneOf(bars));
  await page.getByRole("heading", { name: "D Phrygian" }).waitFor();
  const times = [];
  for (let run = 0; run < runs; run += 1) {
    // The staff of the one before has been drawn.
    await page.waitForTimeout(800);
    const [id, name] = run % 2 === 0 ? ["lydian", "Lydian"] : ["phrygian", "Phrygian"];
    times.push(
      await page.evaluate(
        ([to, called]) =>
          new Promise((resolve) => {
            const select = /** @type {HTMLSelectElement} */ (
              document.querySelector('select[aria-label="New mode"]')
            );
            const started = performance.now();
            const look = () =>
              document.querySelector("h2")?.textContent.includes(called ?? "")
                ? resolve(performance.now() - started)
                : requestAnimationFrame(look);
            select.value = to ?? "";
            select.dispatchEvent(new Event("change", { bubbles: true }));
            requestAnimationFrame(look);
          }),
        [id, name],
      ),
    );
  }
  await page.close();
  return times;
}

/** Prints both. @param {number} runs */
export async function reportReshaped(runs) {
  report(
    "A tune of 500 bars in another mode with new chords, read, made and written by the server",
    await whole(runs),
  );
  report("Another mode for a tune of 64 bars, until it is said", await changed(runs, 64));
  report("The same for one of 500 bars, made in the worker", await changed(runs, 500));
}
