import { describe, expect, it } from "vitest";
import { openSaving } from ".";

const QUICK = { patience: 15, pause: 3, longest: 6 };
const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

describe("saving", () => {
  it("writes many changes of one record once", async () => {
    const saving = openSaving(QUICK);
    let written = 0;
    let value = 0;
    const save = () => saving.save("a", async () => void (await pause(1), (written += 1)));
    const all = Array.from({ length: 20 }, () => {
      value += 1;
      return save();
    });
    await Promise.all(all);
    expect([value, written <= 2, saving.$state.get().waiting.size]).toEqual([20, true, 0]);
  });

  it("tries again what fails, while everything else goes through", async () => {
    const saving = openSaving(QUICK);
    let isFull = true;
    const bad = saving.save("bad", () => (isFull ? Promise.reject(new Error("full")) : Promise.resolve()));
    await saving.save("good", () => Promise.resolve());
    expect([...saving.$state.get().failing]).toEqual(["bad"]);
    await pause(20);
    expect([...saving.$state.get().failing]).toEqual(["bad"]);
    isFull = false;
    await bad;
    expect([...saving.$state.get().failing, ...saving.$state.get().waiting]).toEqual([]);
  });

  it("counts storage that never answers as failing, and holds nothing else up", async () => {
    const saving = openSaving(QUICK);
    void saving.save("silent", () => new Promise(() => undefined));
    await saving.save("good", () => Promise.resolve());
    expect([...saving.$state.get().failing]).toEqual(["silent"]);
  });

  it("never lets what took too long write over what is newer", async () => {
    const saving = openSaving(QUICK);
    const written: string[] = [];
    const late = saving.save("a", async () => void (await pause(60), written.push("one")));
    await pause(20);
    expect([...saving.$state.get().failing]).toEqual(["a"]);
    await Promise.all([late, saving.save("a", () => Promise.resolve(void written.push("two")))]);
    expect(written).toEqual(["one", "two"]);
  });

  it("writes again what changed while it was being written", async () => {
    const saving = openSaving(QUICK);
    const written: string[] = [];
    const first = saving.save("a", async () => void (await pause(5), written.push("one")));
    await pause(1);
    const second = saving.save("a", () => Promise.resolve(void written.push("two")));
    await Promise.all([first, second]);
    expect(written).toEqual(["one", "two"]);
    // The same act as well.
    let value = 1;
    const act = async () => {
      const now = value;
      await pause(5);
      written.push(String(now));
    };
    const third = saving.save("a", act);
    await pause(1);
    value = 2;
    await Promise.all([third, saving.save("a", act)]);
    expect(written.at(-1)).toBe("2");
  });
});
