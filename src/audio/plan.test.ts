import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { plan, type Playing, type Timed } from "./plan";
import type { Score } from "./score";

const score = (midis: readonly number[], each = 1, loops = true): Score => ({
  notes: midis.map((midi, at) => ({ part: "line", midi, at: at * each, length: each })),
  beats: midis.length * each,
  loops,
});
const forever = (of: Score, tempo = 60): Playing => ({ round: () => of, tempo: () => tempo });
const notes = (all: readonly Timed[]) => all.flatMap((each) => (each.kind === "note" ? [each] : []));
const struck = (all: readonly Timed[]) => notes(all).map(({ note, time }) => [note.midi, time]);

describe("a plan", () => {
  it("hands out what begins before a time, once, each at its own time", () => {
    const { until } = plan(forever(score([60, 62, 64])), 10);
    expect(struck(until(11.5))).toEqual([[60, 10], [62, 11]]); // prettier-ignore
    expect(struck(until(11.5))).toEqual([]);
    expect(struck(until(13.5))).toEqual([[64, 12], [60, 13]]); // prettier-ignore
  });

  it("strikes every note where it stands, between the beats too, and doesn't drift in five minutes at any tempo", () => {
    for (const tempo of [30, 61, 97, 180, 300]) {
      const all = notes(plan(forever(score([60, 62, 64, 65, 67], 1 / 3), tempo), 0).until(300));
      for (const [at, { time }] of all.entries()) expect(time).toBeCloseTo((at * 60) / tempo / 3, 6);
      expect(all.length).toBeGreaterThanOrEqual(tempo * 15 - 1);
    }
  });

  it("hands out the same in one piece and in many", () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.01, max: 3, noNaN: true }), { maxLength: 30 }), (steps) => {
        const [one, many] = [
          plan(forever(score([60, 62, 64], 0.5), 97), 0),
          plan(forever(score([60, 62, 64], 0.5), 97), 0),
        ];
        let time = 0;
        const pieces = steps.flatMap((step) => many.until((time += step)));
        expect(pieces).toEqual(one.until(time));
      }),
    );
  });

  it("asks for a round when its first notes are due, so that a change is heard from there", () => {
    let now = score([60, 62]);
    const { until } = plan({ round: () => now, tempo: () => 60 }, 0);
    until(1.5);
    now = score([70, 72]);
    expect(struck(until(4))).toEqual([[70, 2], [72, 3]]); // prettier-ignore
  });

  it("follows a tempo that climbs from round to round", () => {
    const { until } = plan(
      { round: (n) => (n < 2 ? score([60, 62]) : undefined), tempo: (n) => 60 + 60 * n },
      0,
    );
    expect(struck(until(9)).map(([, time]) => time)).toEqual([0, 1, 2, 2.5]);
  });

  it("plays the count-in first, and tells rounds, marks and the end", () => {
    const { until } = plan(
      {
        before: { notes: [{ part: "click", midi: 96, at: 0, length: 0.1 }], beats: 4, loops: false },
        round: (n) => (n < 1 ? { ...score([60, 62]), marks: [0, 1] } : undefined),
        tempo: () => 60,
      },
      0,
    );
    expect(until(60).map(({ kind, time }) => [kind, time])).toEqual([
      ["note", 0],
      ["round", 4],
      ["note", 4],
      ["mark", 4],
      ["note", 5],
      ["mark", 5],
      ["end", 6.5],
    ]);
  });

  it("strikes the strings of a strum one after another, whatever the tempo", () => {
    const strum: Score = {
      notes: [0, 0.012].map((late) => ({ part: "chord", midi: 60, at: 1, length: 1, late })),
      beats: 4,
      loops: false,
    };
    expect(struck(plan(forever(strum, 30), 0).until(3)).map(([, time]) => time)).toEqual([2, 2.012]);
  });
});

describe("a change of tempo", () => {
  it("is heard at once: what was handed out for later comes again at its new time", () => {
    const { until, setTempo } = plan(forever(score([60, 62, 64, 65])), 0);
    expect(struck(until(3.5))).toHaveLength(4);
    // At 1.5 seconds the music stands in the middle of beat 1.
    expect(setTempo(120, 1.5)).toBe(true);
    expect(struck(until(3))).toEqual([[64, 1.75], [65, 2.25], [60, 2.75]]); // prettier-ignore
  });

  it("to what it is already changes nothing, though the next round has another", () => {
    const { until, setTempo } = plan({ round: () => score([60, 62]), tempo: (n) => 60 + n }, 0);
    until(2.5);
    expect(setTempo(60, 1)).toBe(false);
    expect(setTempo(61, 2.2)).toBe(false);
  });

  it("keeps the order and the number of notes, whenever it comes", () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 30, max: 300 }), fc.double({ min: 0, max: 1, noNaN: true })), {
          minLength: 1,
          maxLength: 12,
        }),
        (changes) => {
          const { until, setTempo } = plan(forever(score([60, 61, 62, 63, 64, 65, 66], 0.25), 90), 0);
          let heard: { readonly midi: number; readonly time: number }[] = [];
          let clock = 0;
          for (const [tempo, after] of changes) {
            heard.push(...notes(until(clock + 1.2)).map(({ note, time }) => ({ midi: note.midi, time })));
            clock += after;
            if (setTempo(tempo, clock)) heard = heard.filter(({ time }) => time <= clock);
          }
          heard.push(...notes(until(clock + 3)).map(({ note, time }) => ({ midi: note.midi, time })));
          for (const [at, { midi, time }] of heard.entries()) {
            expect(midi).toBe(60 + (at % 7));
            if (at > 0) expect(time).toBeGreaterThan(heard[at - 1]!.time);
          }
        },
      ),
    );
  });
});
