import { describe, expect, it } from "vitest";
import { fakeTone } from "../../tests/fixtures/transport";
import type { PartInstruments } from "./instruments";
import { LEAD_TICKS, perform, type Playing } from "./perform";
import { countIn, PARTS, roundsWithin, type Score, withClick } from ".";

const score = (midis: readonly number[], each = 1, loops = true): Score => ({
  notes: midis.map((midi, at) => ({ part: "line", midi, at: at * each, length: each })),
  beats: midis.length * each,
  loops,
});

function heard(playing: Playing, beats: number, following = {}) {
  const { tone, transport, instrument, struck, run, waits } = fakeTone();
  const parts = Object.fromEntries(PARTS.map((part) => [part, instrument(part)]));
  perform(
    tone as unknown as typeof import("tone"),
    transport as unknown as ReturnType<typeof import("tone").getTransport>,
    parts as unknown as PartInstruments,
    playing,
    following,
  );
  const first = waits();
  run(LEAD_TICKS + beats * transport.PPQ);
  return { struck, first };
}

const lead = (tempo: number) => (LEAD_TICKS * 60) / (tempo * 192);

describe("a performance", () => {
  it("never puts a note on tick 0, where a change of tempo would swallow it", () => {
    const { first } = heard({ round: () => score([60]), tempo: () => 40 }, 0);
    expect(Math.min(...first)).toBe(LEAD_TICKS);
  });

  it("strikes every note where it stands, between the ticks too", () => {
    // Five to a beat do not fall on ticks of 1/192.
    const { struck } = heard({ round: () => score([60, 62, 64, 65, 67], 0.2), tempo: () => 30 }, 30);
    const beat = 60 / 30;
    for (const [at, { time }] of struck.entries()) expect(time).toBeCloseTo(lead(30) + at * 0.2 * beat, 9);
    expect(struck.length).toBeGreaterThanOrEqual(150);
  });

  it("does not drift in five minutes at any tempo", () => {
    for (const tempo of [30, 61, 97, 180, 300]) {
      const beats = tempo * 5;
      const { struck } = heard(
        { round: () => withClick(score([60, 62, 64], 1 / 3)), tempo: () => tempo },
        beats,
      );
      const last = struck.filter(({ part }) => part === "click").at(-1)!;
      const whole = struck.filter(({ part }) => part === "click").length - 1;
      expect(Math.abs(last.time - lead(tempo) - (whole * 60) / tempo)).toBeLessThan(0.002);
      expect(whole).toBeGreaterThanOrEqual(beats - 2);
    }
  });

  it("asks for the next round at the last beat of the one before, so that a change is heard from there", () => {
    let now = score([60, 62, 64, 65]);
    const asked: number[] = [];
    const { tone, transport, instrument, struck, run } = fakeTone();
    const parts = Object.fromEntries(PARTS.map((part) => [part, instrument(part)]));
    perform(tone as never, transport as never, parts as never, {
      tempo: () => 120,
      round: (n) => {
        asked.push(n);
        return now;
      },
    });
    run(LEAD_TICKS + 2.9 * 192);
    expect(asked).toEqual([0]);
    now = score([70, 71, 72, 73]);
    run(LEAD_TICKS + 8 * 192);
    expect(struck.map(({ midi }) => midi).slice(0, 8)).toEqual([60, 62, 64, 65, 70, 71, 72, 73]);
  });

  it("climbs round by round, each at its own tempo from its first beat on", () => {
    const { struck } = heard(
      { round: (n) => (n < 3 ? score([60, 62]) : undefined), tempo: (n) => 60 + 60 * n },
      20,
    );
    const steps = struck.slice(1).map(({ time }, at) => time - struck[at]!.time);
    expect(steps.map((step) => Math.round(step * 1000))).toEqual([1000, 1000, 500, 500, 333]);
  });

  it("counts in once, then begins; it tells rounds, marks and its end", () => {
    const told: string[] = [];
    const marked = { ...score([60, 62]), marks: [0, 1] };
    const { struck } = heard(
      { round: (n) => (n < 2 ? marked : undefined), tempo: () => 60, before: countIn(4) },
      20,
      {
        onRound: (n: number) => told.push(`round ${n}`),
        onMark: (mark: number) => told.push(`mark ${mark}`),
        onEnd: () => told.push("end"),
      },
    );
    expect(struck.map(({ part }) => part)).toEqual([
      ...Array<string>(4).fill("click"),
      ...Array<string>(4).fill("line"),
    ]);
    expect(struck[4]!.time - struck[0]!.time).toBeCloseTo(4);
    expect(told).toEqual(["round 0", "mark 0", "mark 1", "round 1", "mark 0", "mark 1", "end"]);
  });

  it("with nothing in it ends at once and asks no more", () => {
    const asked: number[] = [];
    const { struck } = heard(
      {
        tempo: () => 60,
        round: (n) => {
          asked.push(n);
          return { notes: [], beats: 0, loops: true };
        },
      },
      50,
    );
    expect([struck, asked]).toEqual([[], [0]]);
  });
});

describe("how long it lasts", () => {
  it("is whole rounds until the time is up, each at its tempo", () => {
    const playing = { round: () => score([60, 62, 64, 65]), tempo: () => 120 };
    const lengths = (part: object, within: number) =>
      roundsWithin({ ...playing, ...part }, within).map(({ at, seconds }) => `${at}+${seconds}`);
    expect(roundsWithin(playing, 60)).toHaveLength(30);
    expect(roundsWithin(playing, 61)).toHaveLength(31);
    expect(lengths({}, 0)).toEqual(["0+2"]);
    expect(lengths({ round: (n: number) => (n < 2 ? score([60]) : undefined) }, 60)).toEqual([
      "0+0.5",
      "0.5+0.5",
    ]);
    expect(lengths({ tempo: (n: number) => 60 * (n + 1) }, 5)).toEqual(["0+4", "4+2"]);
    expect(lengths({ round: () => undefined }, 5)).toEqual([]);
  });
});
