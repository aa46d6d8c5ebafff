// @ts-check
/**
 * `npm run bench`: how long the reckoning takes in a worker, and how soon a change is on the screen. Prints figures; judges
 * none. The machine may be shared: look at ratios.
 */
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { openedWith, typedInto } from "./bench-work.mjs";
import { CHROMIUM_FLAGS, ensureBuild, ensureChromium, root, startServer } from "./ready.mjs";

const PORT = 4397;
const SLOWER = 4;
const COLD_RUNS = 7;

ensureBuild();
const executablePath = ensureChromium();
const { address, stop, pid } = await startServer(PORT);
const browser = await chromium.launch({ executablePath, args: CHROMIUM_FLAGS });

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

/** A worker's file in the build. @param {string} name */
const fileOf = (name) =>
  readdirSync(join(root, "dist/client/_astro")).find((file) => file.startsWith(name)) ?? "";
const workerFile = fileOf("modes.worker");

/** Asks a fresh worker for all modes of seven notes; the time holds its start, its loading and the crossing of the answer. */
async function coldWorker() {
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
 * Reads charts in one worker, by every scale of the catalogue, all three readings and the best five of each. The first run
 * holds the worker's start.
 *
 * @param {readonly number[]} counts
 */
async function readings(counts) {
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
    /** @type {const} */ ([fileOf("readings.worker"), counts.map(chartOf)]),
  );
  await page.close();
  return times;
}

/** How long charts take: cold, again and again, and how the time grows with the number of chords. */
async function reportReadings() {
  const RUNS = 12;
  const [cold = NaN, ...warm] = await readings(Array.from({ length: RUNS + 1 }, () => 64));
  console.log(`A chart of 64 chords, the whole catalogue, worker cold: ${shown(cold)}`);
  report("A chart of 64 chords, the whole catalogue, asked again", warm);
  const counts = [125, 250, 500, 1000];
  const rounds = 5;
  const times = (await readings([64, ...Array.from({ length: rounds }, () => counts).flat()])).slice(1);
  for (const [at, count] of counts.entries()) {
    const own = times.filter((_, n) => n % counts.length === at);
    report(`A chart of ${count} chords`, own);
    console.log(`  a chord: ${(quantile(own, 0.5) / count).toFixed(3)} ms`);
  }
}

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
      await page.getByRole("button", { name: /^Guitar,/ }).click();
      await page.getByLabel("Instrument", { exact: true }).last().selectOption(tuning);
      await page.keyboard.press("Escape");
    }
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
async function paints(path, keys) {
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

/** Tunes of the collection that is measured. */
const COLLECTION = 2000;

/** A book of ABC of so many tunes, the same at every run: tunes of the play, moved through the keys. @param {number} count */
function bookOf(count) {
  const folder = join(root, "src/demo");
  const tunes = readdirSync(folder)
    .filter((name) => name.endsWith(".abc"))
    .map((name) => readFileSync(join(folder, name), "utf8"));
  return Array.from({ length: count }, (_, at) =>
    (tunes[at % tunes.length] ?? "").replace(/^X:.*$/mu, `X:${at + 1}`).replace(/^T:/mu, `T:${at + 1} `),
  ).join("\n");
}

/**
 * Opens a book as a collection and takes: the time to the first row, to the last, and how long the page let a frame wait while
 * the workers were at it.
 *
 * @param {string} text
 */
async function collection(text) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/identify`, { waitUntil: "networkidle" });
  await page.evaluate(() => {
    const waits = /** @type {number[]} */ ([]);
    Object.assign(window, { waits });
    const { port1, port2 } = new MessageChannel();
    let sent = performance.now();
    port1.onmessage = () => {
      const now = performance.now();
      waits.push(now - sent);
      setTimeout(() => {
        sent = performance.now();
        port2.postMessage(undefined);
      }, 5);
    };
    port2.postMessage(undefined);
  });
  const path = join(root, ".reports", "bench-book.abc");
  mkdirSync(join(root, ".reports"), { recursive: true });
  writeFileSync(path, text);
  const started = performance.now();
  await page.getByLabel("Open files of tunes").setInputFiles(path);
  await page.getByRole("table", { name: "Tunes" }).getByRole("row").nth(1).waitFor();
  const first = performance.now() - started;
  await page.getByText("all of them read").waitFor({ timeout: 300_000 });
  const whole = performance.now() - started;
  const waits = await page.evaluate(() => /** @type {any} */ (window).waits);
  await page.close();
  return { first, whole, waits: /** @type {number[]} */ (waits) };
}

/** Collections in the page, and the reckoning of tunes by itself: what reading takes and what identifying takes. */
async function reportTunes() {
  const { withModule } = await import("./typescript.mjs");
  const book = bookOf(200);
  await withModule("tests/accuracy/timing.ts", async ({ timing }) => {
    for (const line of await timing(book)) console.log(line);
  });
  const { first, whole, waits } = await collection(bookOf(COLLECTION));
  console.log(
    `A collection of ${COLLECTION} tunes: first row after ${shown(first)}, all after ${shown(whole)}`,
  );
  report("  how long the page let a message wait meanwhile", waits);
}

/** Memory of the server while a book is streamed through it, sampled while lines come back. @param {number} count */
async function streamed(count) {
  const one = bookOf(100);
  const encoder = new TextEncoder();
  const bytes = encoder.encode(one);
  let left = count / 100;
  const body = new ReadableStream({
    pull(controller) {
      if (left <= 0) controller.close();
      else controller.enqueue(bytes);
      left -= 1;
    },
  });
  const started = performance.now();
  const response = await fetch(`${address}/api/v1/identify`, {
    method: "POST",
    body,
    // @ts-expect-error the types of the browser do not know it yet
    duplex: "half",
    headers: { "content-type": "text/vnd.abc", accept: "application/x-ndjson" },
  });
  const rss = () => {
    try {
      const kib = /VmRSS:\s+(\d+)/u.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1];
      return Number(kib) / 1024;
    } catch {
      return NaN;
    }
  };
  let lines = 0;
  /** @type {number[]} */
  const memory = [];
  for await (const chunk of /** @type {AsyncIterable<Uint8Array>} */ (
    /** @type {unknown} */ (response.body)
  )) {
    lines += new TextDecoder().decode(chunk).split("\n").length - 1;
    if (lines % 50 === 0) memory.push(rss());
  }
  const seconds = (performance.now() - started) / 1000;
  const half = memory.slice(memory.length / 2);
  console.log(
    `Streamed ${lines} tunes (${((bytes.length * count) / 1e8).toFixed(1)} MB) through the server in ${seconds.toFixed(1)} s; its memory at the worst ${Math.max(...memory).toFixed(0)} MiB, in the second half ${Math.max(...half).toFixed(0)} MiB`,
  );
}

try {
  for (const chords of [8, 1000])
    report(
      `A letter typed into a chart of ${chords} chords, page thread`,
      await typedInto(browser, address, chords),
    );
  for (const things of [0, 5000])
    report(`Opened with ${things} saved things`, await openedWith(browser, address, things, COLD_RUNS));
  await reportTunes();
  for (const count of [1000, 5000]) await streamed(count);
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
  await reportReadings();
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
  const keys = [...round, ...round, ...round];
  const idle = await paints("/derive?home=D&mode=dorian", [..."99999999999999999999"]);
  report(`A key that does nothing, CPU ${SLOWER} times slower, to hold the rest against`, idle.first);
  for (const [name, path] of [
    ["Modes", "/derive?home=D&mode=dorian"],
    ["Modes of harmonic minor", "/derive?home=C%23&mode=phrygian-dominant"],
    ["Compare", "/derive?home=D&mode=dorian&show=compare"],
    ["Chords", "/derive?home=D&mode=dorian&show=chords"],
  ]) {
    const { first, whole } = await paints(path ?? "", keys);
    console.log(`${name}, CPU ${SLOWER} times slower:`);
    report("  change of home or mode to paint", first);
    report("  panel and neck have followed", whole);
  }
} finally {
  await browser.close();
  stop();
}
