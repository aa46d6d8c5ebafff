// @ts-check
/** Collections in the page and through the server. */
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "../ready.mjs";
import { report } from "./figures.mjs";
import { address, browser, built, pid } from "./started.mjs";

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

/** Collections in the page, and what single tunes take: what reading takes and what identifying takes. */
export async function reportTunes() {
  const { withModule } = await import("../typescript.mjs");
  const book = bookOf(200);
  await withModule(
    "tests/accuracy/timing.ts",
    async ({ timing }) => {
      for (const [name, times] of Object.entries(await timing(book))) report(name, times);
    },
    built,
  );
  const { first, whole, waits } = await collection(bookOf(COLLECTION));
  report(`A collection of ${COLLECTION} tunes, first row`, [first]);
  report(`A collection of ${COLLECTION} tunes, all of them`, [whole]);
  report("  how long the page let a message wait meanwhile", waits);
}

/** Memory of the server while a book is streamed through it, sampled while lines come back. @param {number} count */
export async function streamed(count) {
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
