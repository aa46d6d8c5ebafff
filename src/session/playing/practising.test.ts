// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { RoutineItem } from "@/storage";
import { printName } from "@/core/pitch";
import "@/features";
import { routineDocument } from "@/features/log/routine-document";
import {
  $leftOff,
  $place,
  $practiced,
  $practising,
  $settings,
  $playing,
  $round,
  addToRoutine,
  changeSettings,
  endPractice,
  findLeftOff,
  goOnPractising,
  leaveOff,
  nextItem,
  pauseOrGoOn,
  practise,
  sittings,
  stayOrNot,
  tempoFor,
} from "..";

const item = (id: string, part: Partial<RoutineItem> = {}): RoutineItem => ({
  id,
  title: id,
  kind: "mode",
  mode: "dorian",
  home: "D",
  link: "/derive?home=D&mode=dorian",
  minutes: 2,
  tempo: 80,
  climbs: false,
  rounds: 0,
  then: "item",
  ...part,
});
const MINUTE = 60_000;
const wait = (milliseconds: number) => vi.advanceTimersByTime(milliseconds);
let sitting = "";
const begin = (...all: Parameters<typeof practise>) => {
  practise(...all);
  sitting = $practising.get()?.sitting ?? "";
};
const latest = () => sittings.$all.get().find(({ id }) => id === sitting);

beforeEach(() =>
  vi.useFakeTimers({ now: Date.UTC(2026, 10, 3, 18), toFake: ["Date", "setInterval", "clearInterval"] }),
);
afterEach(() => {
  endPractice();
  vi.useRealTimers();
});

describe("a routine that is practised", () => {
  it("is written down item by item: how long, at which tempo, how it felt", () => {
    begin({ title: "Evening", order: "in-order", items: [item("one"), item("two", { tempo: 132 })] });
    expect($settings.get().tempo).toBe(80);
    wait(90_000);
    expect($practiced.get()).toMatchObject({ nth: 0, of: 2, left: 30_000, isPaused: false });
    void nextItem("hard");
    expect($settings.get().tempo).toBe(132);
    wait(100_000);
    expect($practiced.get()!.left).toBe(20_000);
    void nextItem("right");
    expect($practising.get()).toBeUndefined();
    expect(latest()!.title).toBe("Evening");
    expect(latest()!.endedAt).toBeDefined();
    expect(latest()!.played.map(({ title, seconds, tempo, felt }) => [title, seconds, tempo, felt])).toEqual([
      ["one", 90, 80, "hard"],
      ["two", 100, 132, "right"],
    ]);
  });

  it("keeps for each item the tempo it was begun with and the one it reached, though the sound stops before the end", () => {
    begin({ title: "", order: "in-order", items: [item("rising", { tempo: 160, climbs: true })] });
    wait(5000);
    changeSettings({ climb: { isOn: true, by: 10, every: 1, to: 300 } });
    $playing.set("main");
    for (let round = 0; round <= 14; round += 1) $round.set(round);
    $round.set(undefined);
    $playing.set(undefined);
    wait(5000);
    void nextItem("right");
    expect(latest()!.played[0]).toMatchObject({ tempoBegun: 160, tempo: 300, tempoAsked: 160, rounds: 14 });
    // It begins where it ended; after a hard one a step slower; where another tempo was asked for since then, with that.
    expect(tempoFor(item("rising", { tempo: 160 }))).toBe(300);
    expect(tempoFor(item("rising", { tempo: 120 }))).toBe(120);
    begin({ title: "", order: "in-order", items: [item("rising", { tempo: 160 })] });
    expect($settings.get().tempo).toBe(300);
    wait(5000);
    changeSettings({ tempo: 200 });
    void nextItem("hard");
    expect(latest()!.played[0]).toMatchObject({ tempoBegun: 300, tempo: 200 });
    expect(tempoFor(item("rising", { tempo: 160 }))).toBe(190);
  });

  it("rings when the time of an item is up, and goes on by itself after a bar, unless it is stayed with", () => {
    begin({ title: "", order: "in-order", items: [item("one"), item("two"), item("three")] });
    wait(2 * MINUTE + 1000);
    expect($practiced.get()).toMatchObject({ nth: 0, goesOn: true });
    wait(4000);
    expect($practiced.get()).toMatchObject({ nth: 1, goesOn: false });
    stayOrNot();
    wait(10 * MINUTE);
    expect($practiced.get()).toMatchObject({ nth: 1, stays: true, goesOn: false });
    stayOrNot();
    wait(6000);
    expect($practiced.get()).toMatchObject({ nth: 2 });
    // After the last one the sitting is over: nobody who walked away is said to have played for hours.
    wait(2 * MINUTE + 6000);
    expect($practising.get()).toBeUndefined();
    const minutes = latest()!.played.map(({ seconds }) => Math.round(seconds / 60));
    expect(minutes).toEqual([2, 10, 2]);
  });

  it("leaves ear training to write itself down", () => {
    begin({ title: "", order: "in-order", items: [item("ear", { kind: "ear", link: "/ear" }), item("two")] });
    wait(30_000);
    void nextItem();
    wait(30_000);
    endPractice();
    expect(latest()!.played.map(({ title }) => title)).toEqual(["two"]);
  });

  it("stands still while it is paused", () => {
    begin({ title: "", order: "in-order", items: [item("one")] });
    wait(30_000);
    pauseOrGoOn();
    wait(10 * MINUTE);
    expect($practiced.get()).toMatchObject({ left: 90_000, isPaused: true });
    pauseOrGoOn();
    wait(20_000);
    endPractice();
    expect(latest()!.played[0]!.seconds).toBe(50);
  });

  it("is written down as it goes on: a tab that is closed loses no more than some seconds", () => {
    begin({ title: "", order: "in-order", items: [item("one")] });
    wait(50_000);
    expect(latest()!.played[0]!.seconds).toBe(45);
  });

  it("doesn't count the time for which the machine was asleep", () => {
    begin({ title: "", order: "in-order", items: [item("one")] });
    wait(20_000);
    vi.setSystemTime(Date.now() + 60 * MINUTE);
    wait(10_000);
    endPractice();
    expect(latest()!.played[0]!.seconds).toBeLessThanOrEqual(30);
  });

  it("says when to rest, and no more after a rest", () => {
    begin({ title: "", order: "in-order", items: [item("one", { minutes: 60 })] });
    wait(24 * MINUTE);
    expect($practiced.get()!.restNow).toBe(false);
    wait(2 * MINUTE);
    expect($practiced.get()!.restNow).toBe(true);
    pauseOrGoOn();
    wait(6 * MINUTE);
    pauseOrGoOn();
    wait(MINUTE);
    expect($practiced.get()!.restNow).toBe(false);
  });

  const playRounds = (count: number) => {
    for (let round = 0; round <= count; round += 1) $round.set(round);
    $round.set(undefined);
  };

  it("goes on to the next item after its rounds, counted over several starts", () => {
    begin({ title: "", order: "in-order", items: [item("one", { rounds: 4 }), item("two")] });
    wait(5000);
    playRounds(3);
    expect($practiced.get()).toMatchObject({ nth: 0, rounds: 3 });
    playRounds(1);
    expect($practiced.get()).toMatchObject({ nth: 1, rounds: 0 });
    playRounds(9);
    expect($practiced.get()).toMatchObject({ nth: 1 });
  });

  it("goes up a fourth after its rounds where that is asked for", () => {
    begin({ title: "", order: "in-order", items: [item("one", { rounds: 2, then: "key" })] });
    const homes = () => printName($place.get().home);
    expect(homes()).toBe("D");
    playRounds(2);
    expect(homes()).toBe("G");
    playRounds(4);
    expect(homes()).toBe("F");
    expect($practiced.get()).toMatchObject({ nth: 0 });
  });

  it("sets metronome and count-in as they were, and leaves them where nothing is said", () => {
    const two = [item("one", { click: true, countIn: 4 }), item("two")];
    begin({ title: "", order: "in-order", items: two });
    expect($settings.get()).toMatchObject({ click: true, countIn: 4 });
    void nextItem();
    expect($settings.get()).toMatchObject({ click: true, countIn: 4 });
  });

  it("is offered again where its tab was closed, without the time between", () => {
    begin({ title: "Evening", order: "in-order", items: [item("one"), item("two")] });
    void nextItem();
    wait(20_000);
    window.dispatchEvent(new Event("pagehide"));
    $practising.set(undefined);
    wait(30 * MINUTE);
    findLeftOff();
    expect($leftOff.get()!.items[$leftOff.get()!.at]!.id).toBe("two");
    goOnPractising();
    expect($practiced.get()).toMatchObject({ nth: 1, of: 2, left: 2 * MINUTE - 20_000 });
    wait(10_000);
    endPractice();
    expect(latest()!.played.map(({ title, seconds }) => [title, seconds])).toEqual([["two", 30]]);
    findLeftOff();
    expect($leftOff.get()).toBeUndefined();
  });

  it("isn't offered while another tab has it open, and can be left", () => {
    begin({ title: "", order: "in-order", items: [item("one")] });
    wait(16_000);
    findLeftOff();
    expect($leftOff.get()).toBeUndefined();
    window.dispatchEvent(new Event("pagehide"));
    findLeftOff();
    leaveOff();
    expect($leftOff.get()).toBeUndefined();
    expect(latest()!.endedAt).toBeDefined();
    localStorage.setItem("shade-practising:routine", "{broken");
    findLeftOff();
    expect($leftOff.get()).toBeUndefined();
  });

  it("that nothing was played of leaves nothing behind", () => {
    const before = sittings.$all.get().filter(({ deletedAt }) => deletedAt === undefined).length;
    begin({ title: "", order: "in-order", items: [item("one")] });
    endPractice();
    expect(sittings.$all.get().filter(({ deletedAt }) => deletedAt === undefined)).toHaveLength(before);
    begin({ title: "", order: "in-order", items: [] });
    expect($practising.get()).toBeUndefined();
  });

  it("takes what is in front with its tempo, up to as many things as it may have", async () => {
    expect(await addToRoutine()).toBe(true);
    const [added] = routineDocument.$value.get().items;
    expect(added).toMatchObject({
      title: "D Dorian, position",
      kind: "mode",
      mode: "dorian",
      home: "D",
      minutes: 5,
    });
    routineDocument.change({ items: Array.from({ length: 60 }, (_, at) => item(String(at))) });
    expect(await addToRoutine()).toBe(false);
  });
});
