import { describe, expect, it } from "vitest";
import { fairTurns } from "./turns";

const never = new AbortController().signal;

/** Takes turns for clients in the order in which they ask, and notes who began. */
function asking(atOnce: number, clients: readonly string[]) {
  const turns = fairTurns(atOnce);
  const began: string[] = [];
  const leave: (() => void)[] = [];
  const all = clients.map(async (client) => {
    leave.push(await turns.take(client, never));
    began.push(client);
  });
  const done = async () => {
    await Promise.resolve();
    leave.shift()?.();
    await new Promise((resolve) => setTimeout(resolve));
  };
  return { began, done, all };
}

describe("turns", () => {
  it("go to whoever has the fewest under way, whoever asked first", async () => {
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

  it("are given up by those who have left, and are others’ then", async () => {
    const turns = fairTurns(1);
    const leave = await turns.take("a", never);
    const left = new AbortController();
    const waiting = turns.take("b", left.signal);
    const after = turns.take("c", never);
    left.abort();
    await expect(waiting).rejects.toThrow("called off");
    leave();
    leave();
    expect(typeof (await after)).toBe("function");
    await expect(turns.take("d", left.signal)).rejects.toThrow("called off");
  });
});
