import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Outcome } from "@/workers";
import { patiently } from "../../../tests/fixtures/patiently";

/** The worker's side of a reading: answers when it is told to. */
const worker = vi.hoisted(() => ({
  asked: [] as { settle: (outcome: unknown) => void; signal: AbortSignal }[],
}));
vi.mock("@/workers", () => {
  const job = (...args: unknown[]) =>
    new Promise<Outcome<unknown>>((resolve) => {
      const signal = args.at(-1) as AbortSignal;
      worker.asked.push({ settle: resolve as (outcome: unknown) => void, signal });
      signal.addEventListener("abort", () => resolve({ none: "cancelled" }));
    });
  return { readTunesAway: job, openTuneAway: job, readChartAway: job, readFileAway: job };
});
const { $reading, openChart, openFileAs, openTune, readMusic } = await import("./reading");

const long = (name: string) => ({
  source: "abc" as const,
  name,
  text: `X:1\nK:C\n${"CDEF GABc|\n".repeat(2000)}`,
});

describe("what is read away from the page", () => {
  beforeEach(() => {
    worker.asked.length = 0;
    vi.useFakeTimers();
  });
  afterEach(() => vi.useRealTimers());

  it("is a long text; a short one is read at once, and the same text once", async () => {
    const short = { source: "notes" as const, text: "D4 E F", name: "x" };
    expect((await readMusic(short)).value).toHaveLength(1);
    expect(worker.asked).toHaveLength(0);
    const first = readMusic(long("a"));
    expect(readMusic(long("a"))).toBe(first);
    worker.asked[0]?.settle({ answer: { value: [1], problems: [] } });
    expect((await first).value).toEqual([1]);
    expect(worker.asked).toHaveLength(1);
  });

  it("is told after a moment, and stopped by Cancel; then it can be read again", async () => {
    const reading = readMusic(long("b"));
    expect($reading.get()).toBeUndefined();
    vi.advanceTimersByTime(500);
    expect($reading.get()?.name).toBe("b");
    $reading.get()?.cancel();
    expect((await reading).problems).toMatchObject([{ code: "reading-stopped", found: "b" }]);
    expect($reading.get()).toBeUndefined();
    void readMusic(long("b"));
    expect(worker.asked).toHaveLength(2);
  });

  it("is stopped after a minute, and says so", async () => {
    const reading = readMusic(long("c"));
    vi.advanceTimersByTime(61_000);
    expect((await reading).problems).toMatchObject([{ code: "reading-too-long", found: "c" }]);
    expect(worker.asked[0]?.signal.aborted).toBe(true);
  });

  it("is read on the page where no worker can be had", async () => {
    vi.useRealTimers();
    const file = new File(["| Em9 | A13 |"], "gate.txt");
    const chart = openChart(file);
    await patiently(() => expect(worker.asked).toHaveLength(1));
    worker.asked[0]?.settle({ none: "failed" });
    expect((await chart).value.text).toContain("Em9");
    // However small a file of tunes is: it may unpack to much.
    const tune = openTune(new File([""], "empty.abc"));
    await patiently(() => expect(worker.asked).toHaveLength(2));
    worker.asked[1]?.settle({ none: "failed" });
    const { value, problems } = await tune;
    expect([value, problems.map(({ code }) => code)]).toEqual([undefined, ["file-empty"]]);
  });

  it("is any other file by its kind: it can be stopped, and is read on the page without a worker", async () => {
    const stopped = openFileAs("backup", new File(["{}"], "all.json"));
    vi.advanceTimersByTime(500);
    $reading.get()?.cancel();
    expect(await stopped).toMatchObject({ stopped: { code: "reading-stopped", found: "all.json" } });
    vi.useRealTimers();
    const read = async (kind: "backup" | "table" | "json" | "scala", text: string) => {
      const opened = openFileAs(kind, new File([text], "x"));
      worker.asked.at(-1)?.settle({ none: "failed" });
      const came = await opened;
      return "answer" in came ? came.answer : came;
    };
    expect(await read("backup", "no")).toMatchObject({ problems: [{ code: "not-json" }] });
    expect(await read("table", "a;b\n1;2")).toEqual([{ a: "1", b: "2" }]);
    expect(await read("json", '{"a": 1}')).toEqual({ a: 1 });
    expect(await read("json", "{")).toBeUndefined();
    // A file that is gone from its disk.
    const gone = new File(["{}"], "gone.json");
    gone.text = () => Promise.reject(new Error("NotFoundError"));
    const opened = openFileAs("json", gone);
    worker.asked.at(-1)?.settle({ none: "failed" });
    expect(await opened).toMatchObject({ stopped: { code: "file-unreadable", found: "gone.json" } });
    expect(await read("scala", "! d\nD\n 1\n2/1")).toMatchObject({ text: "! d\nD\n 1\n2/1" });
  });
});
