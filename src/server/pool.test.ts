import { afterAll, describe, expect, it } from "vitest";
import { computeIn, answerElsewhere, identifyElsewhere } from "./elsewhere";
import type { SentRequest } from "./jobs";
import { workerPool, type WorkerPool, type WorkLimits } from "./pool";

/** Workers that do what the body says: see the file. */
const FILE = new URL("../../tests/fixtures/worker.mjs", import.meta.url);
const LIMITS: WorkLimits = { threads: 2, seconds: 2, megabytes: 64, requests: 8 };

const task = (body: string): SentRequest => ({
  endpoint: "match",
  method: "POST",
  url: "http://127.0.0.1/api/v1/match",
  headers: [],
  body: Uint8Array.from(Buffer.from(body)),
});

/** Waits until a worker answers: on a busy machine a new one may take longer to start than a task may wait. */
async function warm(pool: WorkerPool): Promise<void> {
  for (let tries = 0; tries < 60; tries += 1)
    if ("result" in (await pool.run("answer", task("echo")))) return;
}

describe("workers within limits", () => {
  const pool = workerPool(FILE, LIMITS);
  afterAll(() => pool.end());
  const run = (body: string, left?: AbortSignal) => pool.run("answer", task(body), { left });
  const told = async (body: string) => {
    const worked = await run(body);
    return "result" in worked ? Buffer.from(worked.result.body).toString() : worked.stopped;
  };

  const echoed = async () => {
    await warm(pool);
    return told("echo");
  };

  it("compute what they are asked", async () => expect(await echoed()).toBe("echo"));

  it("end a task that takes too long, and go on with another worker", async () => {
    await warm(pool);
    expect(await told("loop")).toBe("too-slow");
    expect(await echoed()).toBe("echo");
  });

  it("end a task that takes too much memory, and go on with another worker", async () => {
    const patient = workerPool(FILE, { ...LIMITS, seconds: 60 });
    expect(await patient.run("answer", task("eat"))).toEqual({ stopped: "too-much-memory" });
    expect(await patient.run("answer", task("echo"))).toMatchObject({ result: { status: 200 } });
    await patient.end();
  });

  it("say that a task broke", async () => {
    await warm(pool);
    expect(await told("throw")).toBe("broken");
  });

  it("end a worker that ends the process of its own accord", async () => {
    await warm(pool);
    expect(await told("exit")).toBe("broken");
    expect(await echoed()).toBe("echo");
  });

  it("go on while others hang: each waits its turn, and one that waits too long is told so", async () => {
    await warm(pool);
    const all = await Promise.all(["loop", "loop", "loop", "loop"].map(told));
    expect(all).toContain("too-slow");
    expect(all.filter((each) => !["too-slow", "busy"].includes(each))).toEqual([]);
    expect(await echoed()).toBe("echo");
  });

  it("end a task that has had its share of a processor, long before the clock does", async () => {
    const strict = workerPool(FILE, { ...LIMITS, seconds: 600, processorSeconds: 0.5 });
    await warm(strict);
    expect(await strict.run("answer", task("loop"))).toEqual({ stopped: "too-slow" });
    await strict.end();
  });

  it("let nobody wait behind all that another has sent", async () => {
    const fair = workerPool(FILE, { ...LIMITS, seconds: 600, processorSeconds: 0.3 });
    await warm(fair);
    const over: string[] = [];
    const by = (client: string, body: string) =>
      fair.run("answer", task(body), { client }).then(() => void over.push(client));
    await Promise.all([...Array.from({ length: 6 }, () => by("many", "loop")), by("one", "echo")]);
    expect(over.indexOf("one")).toBeLessThan(3);
    await fair.end();
  });

  it("stop for someone who has left", async () => {
    const leaving = new AbortController();
    const worked = run("loop", leaving.signal);
    leaving.abort();
    expect(await worked).toEqual({ stopped: "left" });
    expect(await run("echo", leaving.signal)).toEqual({ stopped: "left" });
  });

  it("have so many places and no more", () => {
    const clients = ["a", "b"].flatMap((client) => Array<string>(LIMITS.requests / 2).fill(client));
    const places = clients.map((client) => pool.admit(client));
    expect(places.every((leave) => leave !== undefined)).toBe(true);
    expect(pool.admit("c")).toBeUndefined();
    places[0]?.();
    // The place is anybody's but theirs who have half of all.
    expect(pool.admit("b")).toBeUndefined();
    const again = pool.admit("c");
    expect(again).toBeDefined();
    for (const leave of [again, ...places.slice(1)]) leave?.();
  });
});

describe("answers while there are workers", () => {
  const pool = workerPool(FILE, { ...LIMITS, threads: 1, requests: 1 });
  afterAll(async () => {
    computeIn(undefined);
    await pool.end();
  });
  const post = (body: string, accept = "application/json", kind = "application/json") =>
    new Request("http://127.0.0.1/api/v1/x", {
      method: "POST",
      body,
      headers: { "content-type": kind, accept },
    });
  const errors = async (response: Response) =>
    ((await response.json()) as { readonly errors: readonly { readonly code: string }[] }).errors.map(
      ({ code }) => code,
    );

  it("come from a worker, or say why not", async () => {
    computeIn({ small: pool, large: pool });
    await warm(pool);
    const answer = await answerElsewhere("match", post("echo"));
    expect([answer.status, answer.headers.get("x-worker"), await answer.text()]).toEqual([
      200,
      "yes",
      "echo",
    ]);
    const slow = await answerElsewhere("match", post("loop"));
    expect([slow.status, slow.headers.get("retry-after"), await errors(slow)]).toEqual([
      503,
      "5",
      ["too-slow"],
    ]);
    await warm(pool);
    const broken = await answerElsewhere("match", post("throw"));
    expect([broken.status, await errors(broken)]).toEqual([500, ["broken"]]);
  });

  it("are refused with 503 and a time to come again while all places are taken", async () => {
    computeIn({ small: pool, large: pool });
    await warm(pool);
    const [slow, refused] = await Promise.all(
      ["loop", "echo"].map((body) => answerElsewhere("match", post(body))),
    );
    expect(await errors(slow!)).toEqual(["too-slow"]);
    expect([refused?.status, refused?.headers.get("retry-after")]).toEqual([503, "5"]);
    expect(await errors(refused!)).toEqual(["busy"]);
  });

  it("come line by line for a collection, and a tune that takes too long is a line that says so", async () => {
    computeIn({ small: pool, large: pool });
    const book = "X:1\nT:One\nK:C\nC|\nX:2\nT:Loop\nK:C\nC|\nX:3\nT:Three\nK:C\nC|\n";
    const response = await identifyElsewhere(post(book, "application/x-ndjson", "text/vnd.abc"));
    const lines = (await response.text())
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line) as unknown);
    expect(lines).toMatchObject([
      { title: "One", problems: [] },
      { title: "Loop", candidates: [], problems: [{ code: "too-slow", line: 5 }] },
      { title: "Three", problems: [] },
    ]);
  });
});
