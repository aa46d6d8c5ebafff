// @ts-check
/**
 * `npm run bench`: how long the reckoning takes in a worker, and how soon a change is on the screen. Prints figures; judges
 * none. The machine may be shared: look at ratios.
 */
import { spawn } from "node:child_process";
import { readdirSync } from "node:fs";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { ensureBuild, ensureChromium, root } from "./ready.mjs";

const PORT = 4397;
const SLOWER = 4;
const COLD_RUNS = 7;

ensureBuild();
const executablePath = ensureChromium();
const server = spawn(process.execPath, [join(root, "dist/server/entry.mjs")], {
  env: { ...process.env, HOST: "127.0.0.1", PORT: String(PORT) },
  stdio: "ignore",
});
const browser = await chromium.launch({
  executablePath,
  args: "--headless --no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync".split(
    " ",
  ),
});

/** @param {readonly number[]} values @param {number} share */
const quantile = (values, share) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))] ?? NaN;
/** @param {number} ms */
const shown = (ms) => `${ms.toFixed(1)} ms`;
/** @param {string} name @param {readonly number[]} values */
const report = (name, values) =>
  console.log(
    `${name}: median ${shown(quantile(values, 0.5))}, 95th percentile ${shown(quantile(values, 0.95))}, worst ${shown(Math.max(...values))} (${values.length} runs)`,
  );

/** The worker's file in the build. */
const workerFile = readdirSync(join(root, "dist/client/_astro")).find((name) =>
  name.startsWith("modes.worker"),
);

/** Asks a fresh worker for all modes of seven notes; the time holds its start, its loading and the crossing of the answer. */
async function coldWorker() {
  const page = await browser.newPage();
  await page.goto(`http://127.0.0.1:${PORT}/api`, { waitUntil: "networkidle" });
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

/**
 * Presses keys that change home or mode and takes the time from each press to the frame that shows it, with the CPU slowed.
 *
 * @param {string} path
 * @param {readonly string[]} keys
 */
async function paints(path, keys) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`http://127.0.0.1:${PORT}${path}`, { waitUntil: "networkidle" });
  await page.getByRole("heading", { level: 2 }).first().waitFor();
  const session = await page.context().newCDPSession(page);
  await session.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });
  await page.evaluate(() => {
    const times = /** @type {number[]} */ ([]);
    Object.assign(window, { paintTimes: times });
    document.addEventListener(
      "keydown",
      ({ timeStamp }) =>
        requestAnimationFrame(() => {
          // After the frame's own work: a message is taken once it is painted.
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => times.push(performance.now() - timeStamp);
          port2.postMessage(undefined);
        }),
      { capture: true },
    );
  });
  for (const key of keys) {
    await page.keyboard.press(key);
    await page.waitForTimeout(150);
  }
  const times = await page.evaluate(() => /** @type {any} */ (window).paintTimes);
  await page.close();
  return /** @type {number[]} */ (times);
}

try {
  const cold = [];
  const warm = [];
  let count = 0;
  for (let run = 0; run < COLD_RUNS; run += 1) {
    const result = await coldWorker();
    cold.push(result.cold);
    warm.push(result.warm);
    count = result.count;
  }
  report(`All ${count} modes in a worker, cold`, cold);
  report(`All ${count} modes in a worker, asked again`, warm);
  const round = [
    ..."dgaebfc",
    "#",
    "]",
    "]",
    "[",
    "[",
    "[",
    "ArrowUp",
    "ArrowDown",
    "-",
    "ArrowDown",
    "ArrowUp",
  ];
  const keys = [...round, ...round, ...round, ...round, ...round, ...round];
  for (const [name, path] of [
    ["Modes", "/derive?home=D&mode=dorian"],
    ["Modes of harmonic minor", "/derive?home=C%23&mode=phrygian-dominant"],
    ["Compare", "/derive?home=D&mode=dorian&show=compare"],
    ["Chords", "/derive?home=D&mode=dorian&show=chords"],
  ])
    report(
      `${name}: change of home or mode to paint, CPU ${SLOWER} times slower`,
      await paints(path ?? "", keys),
    );
} finally {
  await browser.close();
  server.kill();
}
