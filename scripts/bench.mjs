// @ts-check
/**
 * `npm run bench`: how long the computation takes in a worker, and how soon a change is on the screen. Prints figures; judges none. The
 * machine may be shared: look at ratios.
 *
 *     npm run bench                             everything
 *     npm run bench -- charts presses           parts of it
 *     npm run bench -- --keep docs/bench.json   keeps the figures
 *     npm run bench -- --against docs/bench.json  holds them against those that were kept
 *     npm run bench -- --beside ../before       measures another checkout (built) in the same run, part by part, and compares
 */
import { spawnSync } from "node:child_process";
import { mkdirSync, rmSync } from "node:fs";
import { join, resolve } from "node:path";
import { fileURLToPath } from "node:url";
import { parseArgs } from "node:util";
import { COLD_RUNS, compare, keep, report, take } from "./bench/figures.mjs";
import { root } from "./ready.mjs";

/** Each part loads what it needs when it is its turn. @type {Readonly<Record<string, () => Promise<void>>>} */
const PARTS = {
  work: async () => {
    const { openedWith, typedInto } = await import("./bench/work.mjs");
    for (const chords of [8, 1000])
      report(`A letter typed into a chart of ${chords} chords, page thread`, await typedInto(chords));
    for (const things of [0, 5000])
      report(`Opened with ${things} saved things`, await openedWith(things, COLD_RUNS));
  },
  log: async () => {
    const { logOver } = await import("./bench/training.mjs");
    for (const [answers, years] of /** @type {const} */ ([
      [5000, 3],
      [50_000, 5],
    ])) {
      const { days, ear } = await logOver(answers, years, COLD_RUNS);
      report(`The log over ${answers} answers in ${years} years`, days);
      report(`  what the ear mixes up, over ${answers} answers`, ear);
    }
  },
  sound: async () => {
    const { playedLive, pressedToHeard } = await import("./bench/sound.mjs");
    const heard = await pressedToHeard(COLD_RUNS);
    report("From a press to sound, the first time in a page", heard.first);
    report("From a press to sound, recordings loaded", heard.again);
    const live = await playedLive();
    console.log(
      `Played live for a minute while keys are pressed: ${live.notes} notes, the latest handed to the audio clock ${(-live.latest).toFixed(0)} ms before its time; memory grew by ${live.grown.toFixed(1)} MB; tasks over 50 ms: ${live.long.length}${live.long.length > 0 ? `, the longest ${Math.max(...live.long).toFixed(0)} ms` : ""}`,
    );
  },
  tunes: async () => (await import("./bench/tunes.mjs")).reportTunes(),
  reshape: async () => (await import("./bench/reshape.mjs")).reportReshaped(COLD_RUNS),
  fair: async () => (await import("./bench/fair.mjs")).reportFair(),
  load: async () => (await import("./bench/load.mjs")).reportLoad(),
  streams: async () => {
    const { streamed } = await import("./bench/tunes.mjs");
    for (const count of [1000, 5000]) await streamed(count);
  },
  modes: async () => {
    const { coldWorker } = await import("./bench/workers.mjs");
    const runs = [];
    for (let run = 0; run < COLD_RUNS; run += 1) runs.push(await coldWorker());
    const count = runs[0]?.count ?? 0;
    report(
      `All ${count} modes in a worker, cold`,
      runs.map(({ cold }) => cold),
    );
    report(
      `All ${count} modes in a worker, asked again`,
      runs.map(({ warm }) => warm),
    );
  },
  charts: async () => (await import("./bench/workers.mjs")).reportAnalyses(),
  voicings: async () => (await import("./bench/page.mjs")).reportVoicings(),
  presses: async () => (await import("./bench/press.mjs")).reportPresses(),
  changes: async () => (await import("./bench/press.mjs")).reportChanges(),
};

const { values: options, positionals } = parseArgs({
  allowPositionals: true,
  options: { keep: { type: "string" }, against: { type: "string" }, beside: { type: "string" } },
});
const unknown = positionals.find((name) => !Object.hasOwn(PARTS, name));
if (unknown !== undefined) {
  console.error(`There is no part “${unknown}”: ${Object.keys(PARTS).join(", ")}.`);
  process.exit(2);
}
const names = positionals.length > 0 ? positionals : Object.keys(PARTS);

/** What the other checkout took, where one was measured beside this one. @type {string | undefined} */
let theirsIfBeside;
if (options.beside === undefined) {
  try {
    for (const name of names) await PARTS[name]?.();
  } finally {
    const { end } = await import("./bench/started.mjs");
    await end();
  }
} else {
  // One after the other, part by part, so that both have the machine as it is then.
  mkdirSync(join(root, ".reports"), { recursive: true });
  const theirs = join(root, ".reports/bench-beside.json");
  const ours = join(root, ".reports/bench-here.json");
  for (const file of [theirs, ours]) rmSync(file, { force: true });
  for (const name of names)
    for (const [built, file] of /** @type {const} */ ([
      [resolve(options.beside), theirs],
      [root, ours],
    ])) {
      console.log(`\n${name}, ${built}`);
      spawnSync(process.execPath, [fileURLToPath(import.meta.url), name, "--keep", file], {
        stdio: "inherit",
        env: { ...process.env, SHADE_BUILT: built },
      });
    }
  take(ours);
  theirsIfBeside = theirs;
}
if (options.keep !== undefined) await keep(options.keep);
const against = options.against ?? theirsIfBeside;
if (against !== undefined) compare(against);
