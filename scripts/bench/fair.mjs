// @ts-check
/** What those who send nothing bad wait for while others send what takes longest. */
import { quantile, report } from "./figures.mjs";
import { address } from "./started.mjs";

/** Seconds of each measurement. */
const SECONDS = Number(process.env.SHADE_FAIR ?? 15);
/** A client thinks so long between two questions, in milliseconds. */
const THINKS = 50;

const head = "X:1\nT:x\nL:1/8\nM:4/4\nK:C\n";
const BAD = [
  "X:1 K:C ".repeat(375),
  head + "C&".repeat(1500),
  head + "-".repeat(3000),
  head + "C & E |\n".repeat(375),
].map((body) => ({ path: "/api/v1/identify", kind: "text/vnd.abc", body }));

const GOOD = [
  {
    path: "/api/v1/match",
    kind: "application/json",
    body: JSON.stringify({ chords: "| Em9 | A13 | Cmaj7 | D6 |" }),
  },
  { path: "/api/v1/derive?home=D&mode=dorian", kind: undefined, body: undefined },
];

/** Each client is one at an address of its own, as a proxy in front would say. @param {number} bad */
async function waited(bad) {
  const until = performance.now() + SECONDS * 1000;
  const times = /** @type {Map<string, number[]>} */ (new Map());
  const statuses = /** @type {Map<number, number>} */ (new Map());
  const client = async (
    /** @type {number} */ number,
    /** @type {typeof GOOD} */ asks,
    /** @type {number} */ thinks,
  ) => {
    for (let at = number; performance.now() < until; at += 1) {
      const ask = asks[at % asks.length];
      if (!ask) continue;
      const began = performance.now();
      const answer = await fetch(address + ask.path, {
        headers: {
          "x-forwarded-for": `10.0.0.${number}`,
          ...(ask.kind === undefined ? {} : { "content-type": ask.kind }),
        },
        ...(ask.body === undefined ? {} : { method: "POST", body: ask.body }),
      });
      await answer.arrayBuffer();
      if (asks === GOOD) {
        const name = ask.path.split("?")[0] ?? "";
        times.set(name, [...(times.get(name) ?? []), performance.now() - began]);
      } else statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
      if (thinks > 0) await new Promise((resolve) => setTimeout(resolve, thinks));
    }
  };
  await Promise.all([
    client(1, GOOD, THINKS),
    client(2, GOOD, THINKS),
    ...Array.from({ length: bad }, (_, at) => client(10 + at, /** @type {any} */ (BAD), 0)),
  ]);
  return { times, statuses };
}

/** With none, three and ten clients that send what takes longest. */
export async function reportFair() {
  const quiet = /** @type {Map<string, number>} */ (new Map());
  for (const bad of [0, 3, 10]) {
    const { times, statuses } = await waited(bad);
    if (bad > 0)
      console.log(
        `${bad} clients that send bad bodies without a pause had: ${[...statuses].map(([status, count]) => `${count} × ${status}`).join(", ")}`,
      );
    for (const [path, all] of times) {
      const p95 = quantile(all, 0.95);
      if (bad === 0) quiet.set(path, p95);
      report(`${path} beside ${bad} clients that send bad bodies`, all);
      if (bad > 0)
        console.log(`  95th percentile, times the quiet one: ${(p95 / (quiet.get(path) ?? NaN)).toFixed(2)}`);
    }
  }
}
