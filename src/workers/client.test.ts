import { expose } from "comlink";
import { afterEach, describe, expect, it } from "vitest";
import { $jobFailed, newestWins, type Outcome, reporting, type Started, workerClient } from "./client";

interface Jobs {
  readonly count: (text: string) => Promise<number>;
}

const soon = () => new Promise((resolve) => setTimeout(resolve, 2));

const ends: (() => void)[] = [];

/** Stand-ins for workers: channels whose other side does the job. */
function stand() {
  const started: { readonly end: () => void; readonly fail: () => void; isEnded: boolean }[] = [];
  const start = (): Started => {
    const { port1, port2 } = new MessageChannel();
    const errors = new EventTarget();
    expose(
      {
        count: async (text: string) => {
          await soon();
          if (text === "bad") throw new Error("not read");
          if (text === "never") await new Promise(() => undefined);
          return text.length;
        },
      } satisfies Jobs,
      port2,
    );
    port2.start();
    const one = {
      isEnded: false,
      end: () => {
        one.isEnded = true;
        port1.close();
      },
      fail: () => errors.dispatchEvent(new Event("error")),
    };
    started.push(one);
    ends.push(one.end);
    return {
      postMessage: (message: unknown, transfer: Transferable[]) => port1.postMessage(message, transfer),
      addEventListener: (type: string, listener: EventListener) =>
        (type === "error" ? errors : port1).addEventListener(type, listener),
      removeEventListener: (type: string, listener: EventListener) =>
        (type === "error" ? errors : port1).removeEventListener(type, listener),
      start: () => port1.start(),
      terminate: one.end,
    };
  };
  const client = workerClient<Jobs>(start);
  return {
    started,
    count: (text: string, signal?: AbortSignal) => client.ask((jobs) => jobs.count(text), signal),
    /** Starts one before there is anything to do. */
    begin: () => client.ask(() => Promise.resolve()),
    rest: client.rest,
  };
}

afterEach(() => {
  for (const end of ends.splice(0)) end();
  $jobFailed.set(false);
});

describe("a worker", () => {
  it("starts with the first job, stays for the next, and works beside another when both are asked at once", async () => {
    const { started, count, rest } = stand();
    expect(started).toHaveLength(0);
    expect([await count("C"), await count("C G")]).toEqual([{ answer: 1 }, { answer: 3 }]);
    expect(started).toHaveLength(1);
    expect(await Promise.all([count("C"), count("C G")])).toEqual([{ answer: 1 }, { answer: 3 }]);
    expect(started.map(({ isEnded }) => isEnded)).toEqual([false, true]);
    rest();
    expect(started.map(({ isEnded }) => isEnded)).toEqual([true, true]);
  });

  it("answers an error as a value, and stays", async () => {
    const { started, count } = stand();
    expect(await count("bad")).toMatchObject({ none: "failed", why: "Error: not read" });
    expect($jobFailed.get()).toBe(true);
    expect(await count("C")).toEqual({ answer: 1 });
    expect(started).toHaveLength(1);
  });

  it("does no job where it broke while it waited for one, as one whose script never came", async () => {
    const { started, begin, count } = stand();
    expect(await begin()).toEqual({ answer: undefined });
    started[0]?.fail();
    expect(started[0]?.isEnded).toBe(true);
    expect($jobFailed.get()).toBe(false);
    expect(await count("C G A")).toEqual({ answer: 5 });
    expect(started).toHaveLength(2);
  });

  it("is ended where its job is cancelled or its script breaks, and the next job starts another", async () => {
    const { started, count } = stand();
    const calling = new AbortController();
    const cancelled = count("never", calling.signal);
    calling.abort();
    expect(await cancelled).toEqual({ none: "cancelled" });
    expect($jobFailed.get()).toBe(false);
    expect(await count("C", calling.signal)).toEqual({ none: "cancelled" });
    const broken = count("never");
    started[1]?.fail();
    expect(await broken).toMatchObject({ none: "failed" });
    expect(await count("C G A")).toEqual({ answer: 5 });
    expect(started.map(({ isEnded }) => isEnded)).toEqual([true, true, false]);
  });
});

it("the newest wins: what nobody waits for is never asked", async () => {
  const asked: string[] = [];
  const read = newestWins(async (text: string): Promise<Outcome<number>> => {
    asked.push(text);
    await soon();
    return text === "bad" ? { none: "failed" } : { answer: text.length };
  });
  const all = ["C", "C G", "C G A", "C G Am"].map((text) => read(text));
  const superseded = { none: "superseded" };
  expect(await Promise.all(all)).toEqual([{ answer: 1 }, superseded, superseded, { answer: 6 }]);
  expect(asked).toEqual(["C", "C G Am"]);
  // One that fails holds up nothing.
  expect(await Promise.all([read("bad"), read("D")])).toEqual([{ none: "failed" }, { answer: 1 }]);
  expect(await read("E7")).toEqual({ answer: 2 });
});

describe("a job that reports", () => {
  it("is heard while it is under way, and not by a report that comes after the answer", async () => {
    const heard: number[] = [];
    let late: ((share: number) => void) | undefined;
    const answer = await reporting(
      (share) => heard.push(share),
      async (report) => {
        late = report;
        report(0.5);
        await soon();
        return "found";
      },
    );
    late?.(0.9);
    expect([answer, heard]).toEqual(["found", [0.5]]);
  });
});
