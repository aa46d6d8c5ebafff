import { type ChildProcess, spawn } from "node:child_process";
import { once } from "node:events";
import { connect } from "node:net";
import { createInterface } from "node:readline";
import { ENDLESS_MIDI, HOSTILE } from "../fuzz/hostile";
import { expect, test } from "./test";

/** A line that the server logs. */
interface Logged {
  readonly event?: string;
  readonly address?: string;
  readonly path?: string;
  readonly status?: number;
  readonly outcome?: string;
}

/** The built server as a process of its own, on a port that is free, with what it has logged so far. */
async function serving(env: Readonly<Record<string, string>>) {
  const server: ChildProcess = spawn(process.execPath, ["dist/server/serve.mjs"], {
    env: { ...process.env, HOST: "127.0.0.1", PORT: "0", ...env },
    stdio: ["ignore", "pipe", "inherit"],
  });
  const log: Logged[] = [];
  const lines = createInterface({ input: server.stdout! });
  lines.on("line", (line) => log.push(JSON.parse(line) as Logged));
  await expect.poll(() => log.find(({ event }) => event === "listening")?.address).toBeDefined();
  return { server, log, address: log[0]?.address ?? "" };
}

const LINES = HOSTILE.find(({ name }) => name === "lines of notes")!;
/** As much ABC as is received at all: longer than anybody's collection of one tune, and many seconds' work. */
const LONG = LINES.make(4_000_000);
const KINDS: Readonly<Record<string, string>> = {
  abc: "text/vnd.abc",
  musicxml: "application/vnd.recordare.musicxml+xml",
  mxl: "application/vnd.recordare.musicxml",
  midi: "audio/midi",
};

const identify = (address: string, body: Uint8Array<ArrayBuffer>, kind = "abc") =>
  fetch(`${address}/api/v1/identify`, {
    method: "POST",
    body,
    headers: { "content-type": KINDS[kind] ?? kind },
  });
const codes = async (response: Response) =>
  ((await response.json()) as { readonly errors: readonly { readonly code: string }[] }).errors.map(
    ({ code }) => code,
  );

test("the server answers others at once while hostile bodies keep its workers busy", async () => {
  const { server, address, log } = await serving({ SHADE_WORKERS: "3", SHADE_SECONDS: "4" });
  let isOver = false;
  const busy = [0, 1].map(async () => {
    const found: string[] = [];
    while (!isOver) found.push(...(await codes(await identify(address, LONG))));
    return found;
  });
  const took: number[] = [];
  for (let at = 0; at < 150; at += 1) {
    const began = performance.now();
    const answer = await fetch(`${address}/api/v1/derive?home=D&mode=dorian`);
    await answer.text();
    expect(answer.status).toBe(200);
    took.push(performance.now() - began);
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  const chart = await fetch(`${address}/api/v1/match`, {
    method: "POST",
    body: JSON.stringify({ chords: "| Em9 | A13 |" }),
    headers: { "content-type": "application/json" },
  });
  expect(chart.status).toBe(200);
  isOver = true;
  // Where a new worker starts slowly, the next body is told that all are busy.
  for (const found of await Promise.all(busy)) {
    expect(found).toContain("too-slow");
    expect(found.filter((code) => code !== "too-slow" && code !== "busy")).toEqual([]);
  }
  const late = took.sort((a, b) => a - b)[Math.floor(took.length * 0.95)] ?? Infinity;
  test.info().annotations.push({ type: "95th percentile of derive", description: `${late.toFixed(0)} ms` });
  // A tenth of a second where nothing else is at work; a busy machine is slow, not wrong.
  expect(late).toBeLessThan(5_000);
  // The log has no query and no body in it.
  expect(log.filter(({ path }) => path === "/api/v1/derive")).toHaveLength(150);
  expect(log.find(({ path, status }) => path === "/api/v1/identify" && status === 503)?.outcome).toBe(
    "refused",
  );
  server.kill();
  await once(server, "exit");
});

test("every hostile body is answered by the built server, and it stays well", async () => {
  const { server, address } = await serving({ SHADE_SECONDS: "10" });
  expect([422, 503]).toContain((await identify(address, ENDLESS_MIDI, "midi")).status);
  for (const { name, kind, make } of HOSTILE.filter((shape) => shape.kind in KINDS)) {
    const answer = await identify(address, make(40_000), kind);
    // Whatever takes more than its share of a processor is put off.
    expect([200, 422, 503], `${kind}: ${name}`).toContain(answer.status);
    await answer.arrayBuffer();
  }
  expect((await fetch(`${address}/api/v1/health`)).status).toBe(200);
  server.kill();
  await once(server, "exit");
});

test("what the framework would break on is refused, and files carry the headers that pages do", async () => {
  const { server, address, log } = await serving({});
  const { port } = new URL(address);
  const raw = async (head: string) => {
    const socket = connect(Number(port), "127.0.0.1");
    socket.write(`${head}\r\nHost: x\r\nConnection: close\r\n\r\n`);
    let text = "";
    for await (const chunk of socket) text += String(chunk);
    return text;
  };
  expect(await raw("TRACE /derive HTTP/1.1")).toMatch(/^HTTP\/1\.1 405 .*\r\nallow: GET, HEAD/isu);
  expect(await raw("GET /_image?href=file:///etc/passwd HTTP/1.1")).toMatch(/^HTTP\/1\.1 404/u);
  expect(await raw("GET /%E0%A4%A HTTP/1.1")).toMatch(/^HTTP\/1\.1 400/u);
  expect(await raw("NONSENSE")).toMatch(/^HTTP\/1\.1 400/u);
  const page = await fetch(`${address}/derive`);
  const file = /\/_astro\/[\w.-]+\.css/u.exec(await page.text())?.[0] ?? "";
  for (const answer of [page, await fetch(address + file), await fetch(`${address}/sheet`)]) {
    expect(answer.status).toBe(200);
    expect(answer.headers.get("x-content-type-options")).toBe("nosniff");
    expect(answer.headers.get("content-security-policy")).toContain("frame-ancestors 'none'");
  }
  expect(page.headers.get("cache-control")).toBe("no-cache");

  // Whoever reads pages gets a page; all others get a problem.
  const missing = await fetch(`${address}/_astro/gone.js`);
  expect([missing.status, await codes(missing)]).toEqual([404, ["file-missing"]]);
  const lost = await fetch(`${address}/gone`, { headers: { accept: "text/html" } });
  expect([lost.status, lost.headers.get("content-type")]).toEqual([404, "text/html; charset=utf-8"]);
  const part = (range: string) => fetch(address + file, { headers: { range } });
  const past = await part("bytes=99999999-");
  expect([past.status, await codes(past)]).toEqual([416, ["part-missing"]]);
  expect((await part("bytes=0-9")).status).toBe(206);
  for (const odd of ["bytes=9-2", "bytes=-5", "bytes=a-b", "lines=1-2", "bytes=0-1,5-6"])
    expect((await part(odd)).status, odd).toBe(200);
  expect(log.map(({ path }) => path).filter((path) => path?.includes("?"))).toEqual([]);
  server.kill();
  await once(server, "exit");
});

test("told to go, the server takes no more, finishes what is under way, and goes", async () => {
  const { server, address, log } = await serving({ SHADE_SECONDS: "3" });
  const under = identify(address, LONG);
  await new Promise((resolve) => setTimeout(resolve, 1_000));
  const told = Date.now();
  server.kill("SIGTERM");
  await expect.poll(() => log.some(({ event }) => event === "closing")).toBe(true);
  await expect(fetch(`${address}/api/v1/health`)).rejects.toThrow();
  // It has its answer, whatever that is.
  expect(["too-slow", "busy"]).toContain((await codes(await under))[0]);
  const [code] = (await once(server, "exit")) as [number];
  expect(code).toBe(0);
  test.info().annotations.push({ type: "gone after", description: `${Date.now() - told} ms` });
});
