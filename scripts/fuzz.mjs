// @ts-check
/**
 * `npm run fuzz -- SECONDS [FIRST]`: gives every reader and endpoint damaged files for so long, from that number on, and says how many
 * were answered, how late the latest was, and how memory went. What fails or hangs is kept under tests/fixtures/fuzz as a file that the
 * unit tests read from then on. Every input can be made again from its number.
 */
import { fork } from "node:child_process";
import { fileURLToPath } from "node:url";
import { ensurePackages, root } from "./ready.mjs";

/** An input that takes so long hangs, in milliseconds. */
const HANGS = 20_000;

const [seconds = 60, first = Math.floor(Date.now() / 1000)] = process.argv.slice(2).map(Number);

if (process.send) await work();
else await watch();

/** The parent: follows the inputs by their numbers, so that one that hangs is known and the rest goes on. */
async function watch() {
  ensurePackages();
  const until = Date.now() + seconds * 1000;
  let next = first;
  let answered = 0;
  let worst = 0;
  const failed = /** @type {string[]} */ ([]);
  const memory = /** @type {number[]} */ ([]);
  while (Date.now() < until) {
    const child = fork(fileURLToPath(import.meta.url), [String((until - Date.now()) / 1000), String(next)], {
      execArgv: ["--expose-gc"],
    });
    let hung = setTimeout(() => child.kill("SIGKILL"), HANGS * 3);
    await /** @type {Promise<void>} */ (
      new Promise((resolve) => {
        child.on("message", (/** @type {any} */ said) => {
          clearTimeout(hung);
          hung = setTimeout(() => child.kill("SIGKILL"), HANGS);
          if (said.begins !== undefined) next = said.begins;
          if (said.answered !== undefined) answered += said.answered;
          if (said.worst !== undefined) worst = Math.max(worst, said.worst);
          if (said.memory !== undefined) memory.push(said.memory);
          if (said.failed) failed.push(said.failed);
        });
        child.on("exit", (code) => {
          clearTimeout(hung);
          if (code !== 0) {
            failed.push(`input ${next} hangs or ends the process`);
            next += 1;
          }
          resolve();
        });
      })
    );
  }
  const [least = 0] = memory;
  console.log(
    `${answered} damaged inputs answered, from ${first} on; the latest took ${worst.toFixed(0)} ms; the heap was ${least.toFixed(0)} MB after the first thousand and ${(memory.at(-1) ?? 0).toFixed(0)} MB at the end`,
  );
  for (const line of failed) console.log(line);
  process.exit(failed.length > 0 ? 1 : 0);
}

/** The child: tries input after input. */
async function work() {
  const { withModule } = await import("./typescript.mjs");
  // A library complains of tables with a column twice.
  console.warn = () => undefined;
  const say = (/** @type {object} */ said) => process.send?.(said);
  const until = Date.now() + seconds * 1000;
  await withModule("tests/fuzz/fuzz.ts", async ({ fuzzer, keep }) => {
    const { make, tried } = await fuzzer(root);
    let answered = 0;
    let worst = 0;
    for (let number = first; Date.now() < until; number += 1) {
      say({ begins: number });
      const began = performance.now();
      const failure = await tried(make(number));
      worst = Math.max(worst, performance.now() - began);
      if (failure) say({ failed: keep(root, failure) });
      answered += 1;
      if (answered % 1000 === 0) {
        globalThis.gc?.();
        say({ answered: 1000, worst, memory: process.memoryUsage().heapUsed / 1e6 });
      }
    }
    process.send?.({ answered: answered % 1000, worst }, () => process.exit(0));
    await new Promise(() => undefined);
  });
}
