// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { describe, expect, it } from "vitest";
import { daysInARow, halvesOf, isTimeToRest, secondsBy } from "@/core/training";
import { DEMO_SITTINGS } from "@/demo/sittings";
import { readCsv } from "@/formats";
import { dayName, dayNumber } from "@/session";
import { SITTINGS } from "@/storage";
import { habitTrendText } from "@/words";
import { piecesOf, secondsIn, spans, weeksOf } from "./log";
import { readLog, writeLog } from "./log-file";

const at = (text: string) => new Date(text).getTime();

describe("days", () => {
  it("are counted by the calendar here, also where the clock is changed", () => {
    for (const [one, next] of [
      ["2026-03-28T23:30", "2026-03-29T23:30"],
      ["2026-10-24T12:00", "2026-10-25T12:00"],
      ["2026-12-31T23:59", "2027-01-01T00:01"],
    ])
      expect(dayNumber(at(next!)) - dayNumber(at(one!)), one).toBe(1);
    expect(dayName(at("2026-11-28T00:00"))).toBe("2026-11-28");
  });

  it("of a month stand in whole weeks from Monday on", () => {
    const weeks = weeksOf(new Date(2026, 10, 15));
    expect(weeks.map((week) => dayName(week[0]!))).toEqual([
      "2026-10-26",
      "2026-11-02",
      "2026-11-09",
      "2026-11-16",
      "2026-11-23",
      "2026-11-30",
    ]);
    expect(weeks.every((week) => week.length === 7 && week[0]!.getDay() === 1)).toBe(true);
    expect(weeksOf(new Date(2027, 1, 1))).toHaveLength(4);
  });

  it("in a row are a plain count, and today may still come", () => {
    expect(daysInARow(new Set([5, 6, 7]), 7)).toBe(3);
    expect(daysInARow(new Set([5, 6, 7]), 8)).toBe(3);
    expect(daysInARow(new Set([5, 6, 7]), 9)).toBe(0);
    expect(daysInARow(new Set(), 9)).toBe(0);
  });
});

describe("minutes", () => {
  it("are summed by what they were spent on", () => {
    const pieces = [
      { at: 0, seconds: 60, kind: "mode", mode: "dorian" },
      { at: 1, seconds: 90, kind: "line", mode: "dorian" },
      { at: 2, seconds: 30, kind: "mode" },
    ];
    expect(secondsBy(pieces, ({ mode }) => mode)).toEqual([{ name: "dorian", seconds: 150 }]);
    expect(secondsBy(pieces, ({ kind }) => kind)).toEqual([
      { name: "line", seconds: 90 },
      { name: "mode", seconds: 90 },
    ]);
  });

  it("stand in weeks, over a long time in months, and none is lost", () => {
    const pieces = DEMO_SITTINGS.flatMap(piecesOf).toSorted((a, b) => a.at - b.at);
    const all = spans(pieces[0]!.at, at("2026-11-28T12:00"));
    const sum = (numbers: readonly number[]) => numbers.reduce((total, each) => total + each, 0);
    expect(all.map(({ from }) => new Date(from).getDay())).toEqual(all.map(() => 1));
    expect(sum(secondsIn(pieces, all))).toBe(sum(pieces.map(({ seconds }) => seconds)));
    expect(spans(at("2023-11-01T12:00"), at("2026-11-28T12:00"))).toHaveLength(37);
  });

  it("of a sitting by ear are those in which somebody listened, without the pauses", () => {
    const heard = DEMO_SITTINGS.find(({ ear }) => ear)!;
    const [piece] = piecesOf(heard);
    expect(piece).toMatchObject({ kind: "ear", title: "Six modes" });
    expect(piece!.seconds).toBeGreaterThan(100);
    const paused = {
      ...heard,
      ear: {
        ...heard.ear!,
        attempts: heard.ear!.attempts.map((each) =>
          each.nth < 6 ? each : { ...each, at: each.at + 3_600_000 },
        ),
      },
    };
    expect(piecesOf(paused)[0]!.seconds - piece!.seconds).toBeLessThan(121);
  });
});

describe("rest", () => {
  it("is due after 25 minutes of playing, pauses too short to rest counted in", () => {
    const minutes = (from: number, to: number) => ({ from: from * 60_000, to: to * 60_000 });
    expect(isTimeToRest([minutes(0, 24)])).toBe(false);
    expect(isTimeToRest([minutes(0, 14), minutes(16, 27)])).toBe(true);
    expect(isTimeToRest([minutes(0, 14), minutes(19, 30)])).toBe(false);
    expect(isTimeToRest([])).toBe(false);
  });
});

describe("a log file", () => {
  const now = new Date("2026-11-28T12:00:00Z");
  const practised = DEMO_SITTINGS.filter(({ played }) => played.length > 0);
  const pieces = (all: typeof DEMO_SITTINGS) => all.flatMap(({ played }) => played);

  it("comes in elsewhere with all that was played", async () => {
    const { value, unread, ear } = await readLog(readCsv(writeLog(DEMO_SITTINGS)), [], now);
    const told = (all: typeof DEMO_SITTINGS) =>
      pieces(all)
        .map(({ at, title, kind, seconds, tempo, felt, mode, home }) => ({
          ...{ at: Math.floor(at / 60_000), title, kind, tempo, felt, mode, home },
          minutes: (seconds / 60).toFixed(1),
        }))
        .toSorted((a, b) => a.at - b.at || (a.title < b.title ? -1 : 1));
    expect(told(value)).toEqual(told(practised));
    expect([unread, ear]).toEqual([0, DEMO_SITTINGS.filter((each) => each.ear).length]);
    for (const each of value) expect(SITTINGS.schema.safeParse(each).success).toBe(true);
  });

  it("that is here already brings nothing", async () => {
    expect((await readLog(readCsv(writeLog(DEMO_SITTINGS)), DEMO_SITTINGS, now)).value).toEqual([]);
  });

  it("is read row by row: what makes no sense is counted, and the rest comes in", async () => {
    const text = [
      "Day;Time;Kind;What;Minutes;Tempo",
      "2026-11-20;18:05;modes;E Dorian;12.5;92",
      "2026-11-20;18:20;something else;Scales;4;",
      "2026-13-40;18:20;modes;Never;4;",
      "2026-11-21;07:00;modes;;4;",
      "2026-11-21;07:00;modes;Too long;5000;",
    ].join("\n");
    const { value, unread } = await readLog(readCsv(text), [], now);
    expect(unread).toBe(3);
    expect(value).toHaveLength(1);
    expect(value[0]!.played).toMatchObject([
      { title: "E Dorian", kind: "mode", seconds: 750, tempo: 92 },
      { title: "Scales", kind: "free", seconds: 240 },
    ]);
    for (const broken of ["", "\u0000", "no table at all", "day,time\n1,2"])
      expect((await readLog(readCsv(broken), [], now)).value).toEqual([]);
  });
});

describe("a habit over time", () => {
  const answers = (all: string) =>
    [...all].map((given, at) => ({
      card: { question: "mode" as const, mode: "dorian" },
      ...{ at, right: "dorian", given: given === "r" ? "dorian" : "aeolian", isRight: given === "r" },
      ...{ took: 1000, heard: 1 },
    }));
  it("is told in two halves where each has questions enough", () => {
    const found = halvesOf(answers("wwwwwwwrrrrrrrrwrrrr"), { right: "dorian", given: "aeolian" });
    expect(found).toEqual([
      { times: 7, of: 10 },
      { times: 1, of: 10 },
    ]);
    expect(habitTrendText(found!)).toBe("Seven times in the first 10, once in the last 10.");
    expect(halvesOf(answers("wwwwwwwrrrrrrrrwrrr"), { right: "dorian", given: "aeolian" })).toBeUndefined();
  });
});
