// @ts-check
/** What the workers take: all modes, charts. */
import { readdirSync } from "node:fs";
import { join } from "node:path";
import { quantile, report } from "./figures.mjs";
import { address, browser, built } from "./started.mjs";

/** A worker's file in the build. @param {string} name */
const fileOf = (name) =>
  readdirSync(join(built, "dist/client/_astro")).find((file) => file.startsWith(name)) ?? "";
const workerFile = fileOf("modes.worker");

/** Asks a fresh worker for all modes of seven notes; the time holds its start, its loading and the crossing of the answer. */
export async function coldWorker() {
  const page = await browser.newPage();
  await page.goto(`${address}/api`, { waitUntil: "networkidle" });
  const result = await page.evaluate(async (file) => {
    const started = performance.now();
    const worker = new Worker(`/_astro/${file}`, { type: "module" });
    const question = {
      among: 7,
      home: 2,
      holds: [],
      lacks: [],
      chords: [],
      claims: [],
      comparison: "usual",
      reference: "by-third",
    };
    /** @returns {Promise<{ found: unknown[] }>} */
    const ask = () =>
      new Promise((resolve) => {
        worker.addEventListener("message", ({ data }) => resolve(data.value), { once: true });
        worker.postMessage({
          id: "1",
          type: "APPLY",
          path: ["ask"],
          argumentList: [{ type: "RAW", value: question }],
        });
      });
    const { found } = await ask();
    const cold = performance.now() - started;
    const again = performance.now();
    await ask();
    return { count: found.length, cold, warm: performance.now() - again };
  }, workerFile);
  await page.close();
  return result;
}

/** Chords of a chart that turns often, in many keys, every kind of symbol among them. */
const SYMBOLS =
  "Em9 A13 Cmaj7 D6 B7sus4 F#m7b5 Gmaj7 Ebm9 Ab13 Dbmaj7#11 G7alt Cm(maj7) F#dim7 Bbmaj9 E7b9 Am11".split(
    " ",
  );

/** A chart of so many chords, a bar each, the same at every run. @param {number} count */
const chartOf = (count) =>
  Array.from({ length: count }, (_, at) => `| ${SYMBOLS[(at * 7 + ((at * at) % 5)) % SYMBOLS.length]}`).join(
    " ",
  );

/**
 * Reads charts in one worker, by every scale of the catalogue, all three and the best five of each. The first run
 * holds the worker's start.
 *
 * @param {readonly number[]} counts
 */
async function analyses(counts) {
  const page = await browser.newPage();
  await page.goto(`${address}/api`, { waitUntil: "networkidle" });
  const times = await page.evaluate(
    async ([file, charts]) => {
      const worker = new Worker(`/_astro/${file}`, { type: "module" });
      const times = [];
      for (const text of charts) {
        const started = performance.now();
        await new Promise((resolve) => {
          worker.addEventListener("message", resolve, { once: true });
          worker.postMessage({
            id: "1",
            type: "APPLY",
            path: ["read"],
            argumentList: [{ type: "RAW", value: { text, most: 5 } }],
          });
        });
        times.push(performance.now() - started);
      }
      return times;
    },
    /** @type {const} */ ([fileOf("analyses.worker"), counts.map(chartOf)]),
  );
  await page.close();
  return times;
}

/** How long charts take: cold, again and again, and how the time grows with the number of chords. */
export async function reportAnalyses() {
  const RUNS = 12;
  const [cold = NaN, ...warm] = await analyses(Array.from({ length: RUNS + 1 }, () => 64));
  report("A chart of 64 chords, the whole catalogue, worker cold", [cold]);
  report("A chart of 64 chords, the whole catalogue, asked again", warm);
  const counts = [125, 250, 500, 1000];
  const rounds = 5;
  const times = (await analyses([64, ...Array.from({ length: rounds }, () => counts).flat()])).slice(1);
  for (const [at, count] of counts.entries()) {
    const own = times.filter((_, n) => n % counts.length === at);
    report(`A chart of ${count} chords`, own);
    console.log(`  a chord: ${(quantile(own, 0.5) / count).toFixed(3)} ms`);
  }
}
