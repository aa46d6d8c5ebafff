// @ts-check
/** The built server under load: fifty clients for a minute, hostile ones among them. */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "../ready.mjs";
import { quantile, shown } from "./figures.mjs";
import { address, pid } from "./started.mjs";

const CLIENTS = 50;
/** So many of them send what takes longest. */
const HOSTILE_CLIENTS = 5;
const SECONDS = 60;
/** A client thinks so long between two questions, in milliseconds. */
const THINKS = 100;

const ABC = readFileSync(join(root, "src/demo/orchard-gate.abc"), "utf8");
const get = (/** @type {string} */ path) => ({ path, init: {} });
const post = (/** @type {string} */ path, /** @type {BodyInit} */ body, /** @type {string} */ kind) => ({
  path,
  init: { method: "POST", body, headers: { "content-type": kind } },
});

/** What clients ask, the frequent ones more than once. */
const ASKED = [
  get("/api/v1/derive?home=D&mode=dorian"),
  get("/api/v1/derive?home=F%23&mode=lydian"),
  get("/api/v1/derive?home=Bb&mode=phrygian-dominant"),
  get("/api/v1/modes?parent=major&tonic=C"),
  get("/api/v1/scales?notes=A,B,C,D,E,F%23,G&home=A"),
  get("/api/v1/neck?home=E&mode=phrygian&instrument=guitar"),
  get("/api/v1/voicings?chord=Em9&instrument=guitar&most=20"),
  get("/derive"),
  post("/api/v1/match", JSON.stringify({ chords: "| Em9 | A13 | Cmaj7 | D6 |" }), "application/json"),
  post("/api/v1/identify", ABC, "text/vnd.abc"),
  post("/api/v1/reshape?to=lydian&way=parallel", ABC, "text/vnd.abc"),
];

/** Percentiles by what was asked, statuses, and the server's memory. */
export async function reportLoad() {
  const { withModule } = await import("../typescript.mjs");
  const hostile = await withModule("tests/fuzz/hostile.ts", async ({ HOSTILE, ENDLESS_MIDI }) => [
    post("/api/v1/identify", HOSTILE[1].make(4_000_000), "text/vnd.abc"),
    post("/api/v1/identify", ENDLESS_MIDI, "audio/midi"),
    ...HOSTILE.filter((/** @type {{ kind: string }} */ { kind }) => kind === "abc" || kind === "mxl").map(
      (/** @type {{ kind: string, make: (count: number) => Uint8Array<ArrayBuffer> }} */ { kind, make }) =>
        post(
          "/api/v1/identify",
          make(200_000),
          kind === "abc" ? "text/vnd.abc" : "application/vnd.recordare.musicxml",
        ),
    ),
  ]);
  const times = /** @type {Map<string, number[]>} */ (new Map());
  const statuses = /** @type {Map<string, number>} */ (new Map());
  const until = performance.now() + SECONDS * 1000;
  const client = async (/** @type {number} */ number) => {
    const isHostile = number < HOSTILE_CLIENTS;
    const all = isHostile ? hostile : ASKED;
    for (let at = number; performance.now() < until; at += 1) {
      const asked = all[at % all.length];
      if (!asked) continue;
      const began = performance.now();
      const answer = await fetch(address + asked.path, asked.init);
      await answer.arrayBuffer();
      const name = isHostile ? "hostile bodies" : (asked.path.split("?")[0] ?? "");
      times.set(name, [...(times.get(name) ?? []), performance.now() - began]);
      const status = `${isHostile ? "hostile " : ""}${answer.status}`;
      statuses.set(status, (statuses.get(status) ?? 0) + 1);
      if (!isHostile) await new Promise((resolve) => setTimeout(resolve, THINKS));
    }
  };
  await Promise.all(Array.from({ length: CLIENTS }, (_, at) => client(at)));
  const memory = Number(/VmRSS:\s+(\d+)/u.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1]) / 1024;
  console.log(
    `${CLIENTS} clients for ${SECONDS} s, ${HOSTILE_CLIENTS} of them hostile: ${[...statuses].map(([status, count]) => `${count} × ${status}`).join(", ")}; the server's memory after it: ${memory.toFixed(0)} MB`,
  );
  for (const [name, all] of [...times].sort())
    console.log(
      `  ${name}: median ${shown(quantile(all, 0.5))}, 95th percentile ${shown(quantile(all, 0.95))}, 99th ${shown(quantile(all, 0.99))}, worst ${shown(Math.max(...all))} (${all.length})`,
    );
}
