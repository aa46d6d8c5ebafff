import { atom } from "nanostores";
import { beforeEach, describe, expect, it } from "vitest";
import { mode } from "@/core/scale";
import { $jobFailed } from "@/workers";
import { $awaiting, whenComputed } from "./awaiting";
import { $front, $selection, plainSelection, type Selection, selects } from "./selection";

const own = plainSelection({ home: 0, mode: mode("ionian") });
const $match = atom<Selection>(own);
const done: string[] = [];

describe("what acts on an answer", () => {
  beforeEach(() => {
    done.length = 0;
    selects("match", $match);
    selects("derive", atom(own));
    $front.set("match");
    $match.set(own);
    $selection.subscribe(() => undefined);
    $awaiting.get()?.cancel();
  });

  it("is done at once where that is computed", () => {
    whenComputed(() => done.push("print"));
    expect(done).toEqual(["print"]);
    expect($awaiting.get()).toBeUndefined();
  });

  it("waits for it, says so, and is done once", () => {
    $match.set({ ...own, answer: "coming" });
    whenComputed(() => done.push("print"));
    expect([done, $awaiting.get() !== undefined]).toEqual([[], true]);
    // A part of the answer is none.
    $match.set({ ...own, answer: "coming" });
    expect(done).toEqual([]);
    $match.set({ ...own, answer: undefined });
    $match.set({ ...own });
    expect([done, $awaiting.get()]).toEqual([["print"], undefined]);
  });

  it("is given up, and said, when the answer fails", () => {
    $jobFailed.set(false);
    $match.set({ ...own, answer: "coming" });
    whenComputed(() => done.push("print"));
    $match.set({ ...own, answer: "failed" });
    expect([done, $awaiting.get(), $jobFailed.get()]).toEqual([[], undefined, false]);
    // The worker has said so already; once that is dismissed it is said again.
    whenComputed(() => done.push("print"));
    expect([done, $jobFailed.get()]).toEqual([[], true]);
  });

  it("is given up when it is pressed again, cancelled, or another view comes to the front", () => {
    $match.set({ ...own, answer: "coming" });
    const press = () => whenComputed(() => done.push("print"));
    press();
    press();
    expect($awaiting.get()).toBeUndefined();
    press();
    $awaiting.get()?.cancel();
    press();
    $front.set("derive");
    expect($awaiting.get()).toBeUndefined();
    $front.set("match");
    $match.set(own);
    expect(done).toEqual([]);
  });
});
