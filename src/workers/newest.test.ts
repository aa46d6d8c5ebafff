import { expect, it } from "vitest";
import { newestWins } from "./newest";

it("answers what is asked for at last, and never queues what nobody waits for", async () => {
  const asked: string[] = [];
  const read = newestWins(async (text: string) => {
    asked.push(text);
    await new Promise((resolve) => setTimeout(resolve, 2));
    if (text === "bad") throw new Error("not read");
    return text.length;
  });
  const all = ["C", "C G", "C G A", "C G Am"].map((text) => read(text));
  expect(await Promise.all(all)).toEqual([1, undefined, undefined, 6]);
  expect(asked).toEqual(["C", "C G Am"]);
  // One that fails holds up nothing.
  const [bad, good] = [read("bad"), read("D")];
  await expect(bad).rejects.toThrow("not read");
  expect(await good).toBe(1);
  expect(await read("E7")).toBe(2);
});
