import { describe, expect, it } from "vitest";
import { fairTurns } from "./turns";

const never = new AbortController().signal;

/** Takes turns for clients in the order in which they ask, and notes who began. A piece of work takes so many seconds. */
function asking(atOnce: number, clients: readonly string[], seconds = 0.01) {
  const turns = fairTurns(atOnce, () => 0);
  const began: string[] = [];
  const leave: ((seconds: number) => void)[] = [];
  const all = clients.map(async (client) => {
    leave.push(await turns.take(client, never));
    began.push(client);
  });
  const done = async () => {
    await Promise.resolve();
    leave.shift()?.(seconds);
    await new Promise((resolve) => setTimeout(resolve));
  };
  return { began, done, all };
}

describe("turns", () => {
  it("go to whoever had least of the processors, of those to whoever asked first", async () => {
    const { began, done } = asking(1, ["a", "a", "a", "b", "a", "c"]);
    for (let turn = 0; turn < 6; turn += 1) await done();
    expect(began).toEqual(["a", "b", "c", "a", "a", "a"]);
  });

  it("are as many at once as there are places", async () => {
    const { began, done } = asking(2, ["a", "a", "b"]);
    await new Promise((resolve) => setTimeout(resolve));
    expect(began).toHaveLength(2);
    await done();
    expect(began.toSorted()).toEqual(["a", "a", "b"]);
  });

  it("leave the last place to others where a client’s pieces take long", async () => {
    const { began, done } = asking(2, ["a", "a", "a", "a"], 1);
    await new Promise((resolve) => setTimeout(resolve));
    expect(began).toHaveLength(2);
    await done();
    // One is under way, and one place is free.
    expect(began).toHaveLength(2);
    await done();
    expect(began).toHaveLength(3);
  });

  it("forget what a client had", async () => {
    let now = 0;
    const turns = fairTurns(1, () => now);
    const began: string[] = [];
    (await turns.take("a", never))(1);
    const leave = await turns.take("b", never);
    const waiting = ["a", "c"].map((client) =>
      turns.take(client, never).then((over) => {
        began.push(client);
        over(0.01);
      }),
    );
    now = 600_000;
    leave(0.01);
    await Promise.all(waiting);
    expect(began).toEqual(["a", "c"]);
  });

  it("are given up by those who have left, and are others’ then", async () => {
    const turns = fairTurns(1);
    const leave = await turns.take("a", never);
    const left = new AbortController();
    const waiting = turns.take("b", left.signal);
    const after = turns.take("c", never);
    left.abort();
    await expect(waiting).rejects.toThrow("called off");
    leave(1);
    leave(1);
    expect(typeof (await after)).toBe("function");
    await expect(turns.take("d", left.signal)).rejects.toThrow("called off");
  });
});
