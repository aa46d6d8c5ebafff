import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { maybePitch, printPitch } from "../pitch";
import {
  eraseBefore,
  inMeter,
  noteBefore,
  oddBars,
  relength,
  repitch,
  write,
  type Written,
  writtenEnd,
} from "./edit";
import { evenTune, type Tune } from "./tune";

const EMPTY: Written = {
  tune: { title: "", notes: [], bars: [], meter: { beats: 4, unit: 4 } },
  time: 0,
};
const pitch = (text: string) => maybePitch(text)!;
/** Writes "D4:1 z:1 E4:0.5" from a cursor on. */
const written = (text: string, from = EMPTY) =>
  text.split(" ").reduce((all, word) => {
    const [name = "", length = "1"] = word.split(":");
    return write(all, name === "z" ? undefined : pitch(name), Number(length));
  }, from);
const show = ({ tune }: Written) =>
  tune.notes.map((note) => `${printPitch(note.pitch)}@${note.onset}:${note.duration}/${note.bar}`).join(" ");
const bars = ({ tune }: Written) => tune.bars.map(({ length }) => length);

describe("a melody written note by note", () => {
  it("fills its bars by the meter, rests among them", () => {
    const all = written("D4:1 E4:1 z:1 F4:1 G4:2");
    expect(show(all)).toBe("D4@0:1/0 E4@1:1/0 F4@3:1/0 G4@4:2/1");
    expect([bars(all), all.time, writtenEnd(all.tune)]).toEqual([[4, 2], 6, 6]);
    expect(bars(written("D4:6"))).toEqual([4, 2]);
    expect(bars(written("z:4"))).toEqual([4]);
  });

  it("moves along what follows when something is written or erased in the middle", () => {
    const all = written("D4:1 E4:1 F4:1 G4:1");
    const put = write({ ...all, time: 1 }, pitch("A4"), 2);
    expect(show(put)).toBe("D4@0:1/0 A4@1:2/0 E4@3:1/0 F4@4:1/1 G4@5:1/1");
    expect(put.time).toBe(3);
    expect(show(eraseBefore(put))).toBe(show(all));
    expect(eraseBefore(put).time).toBe(1);
  });

  it("erases rests too, and nothing at the beginning", () => {
    const all = written("D4:1 z:2 E4:1");
    const without = eraseBefore({ ...all, time: 3 });
    expect([show(without), without.time]).toEqual(["D4@0:1/0 E4@1:1/0", 1]);
    expect(eraseBefore({ ...all, time: 0 }).tune).toBe(all.tune);
    expect(eraseBefore(written("z:2")).tune.notes).toEqual([]);
  });

  it("changes the note before the cursor: its pitch, its length", () => {
    const all = written("D4:1 E4:1 F4:1");
    const at = { ...all, time: 2 };
    expect(noteBefore(at)).toBe(1);
    expect(show(repitch(at, pitch("Eb5")))).toBe("D4@0:1/0 Eb5@1:1/0 F4@2:1/0");
    const longer = relength(at, 3);
    expect([show(longer), longer.time]).toEqual(["D4@0:1/0 E4@1:3/0 F4@4:1/1", 4]);
    expect(relength({ ...all, time: 0 }, 2)).toEqual({ ...all, time: 0 });
  });

  it("keeps pickups, signs and chords where they are, and moves chords with their notes", () => {
    const even = evenTune(["D4", "E4", "F4", "G4", "A4", "B4", "C5", "D5"].map(pitch), 1);
    const tune: Tune = {
      ...even,
      chords: [{ chord: { root: 2, tones: [0, -3, 1], optional: [] }, onset: 4, duration: 4, bar: 1 }],
    };
    const put = write({ tune, time: 4 }, pitch("E4"), 4);
    expect(put.tune.chords?.[0]).toMatchObject({ onset: 8, bar: 2 });
    expect(bars(put)).toEqual([4, 4, 4]);
  });

  it("stands in other bars in another meter", () => {
    const all = written("D4:1 E4:1 F4:1 G4:1 A4:2");
    const waltz = inMeter(all.tune, { beats: 3, unit: 4 });
    expect(waltz.bars.map(({ length }) => length)).toEqual([3, 3]);
    expect(waltz.notes.map(({ bar }) => bar)).toEqual([0, 0, 0, 1, 1]);
  });

  const step = fc.record({
    pitch: fc.option(
      fc.record({ name: fc.integer({ min: -6, max: 8 }), octave: fc.integer({ min: 3, max: 6 }) }),
      {
        nil: undefined,
      },
    ),
    length: fc.constantFrom(0.25, 0.5, 1, 1.5, 2, 4),
    at: fc.nat(40),
  });
  it("comes back when what was written is erased, wherever that was", () => {
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 12 }), step, (steps, last) => {
        const all = steps.reduce<Written>((each, { pitch, length }) => write(each, pitch, length), EMPTY);
        const ends = [0, ...all.tune.notes.map(({ onset, duration }) => onset + duration)];
        const time = ends[last.at % ends.length] ?? 0;
        fc.pre(last.pitch !== undefined);
        const there = write({ tune: all.tune, time }, last.pitch, last.length);
        expect(there.tune.bars.reduce((sum, { length }) => sum + length, 0)).toBeCloseTo(
          writtenEnd(all.tune) + last.length,
        );
        const back = eraseBefore(there);
        expect([show(back), back.time]).toEqual([show(all), time]);
      }),
    );
  });
});

describe("bars that don't add up", () => {
  const tune = (lengths: readonly number[], lead = 0): Tune => {
    let start = 0;
    return {
      ...EMPTY.tune,
      bars: lengths.map((length, at) => {
        const bar = { number: at + 1, start, length, lead: at === 0 ? lead : 0, endsSection: false };
        start += length;
        return bar;
      }),
    };
  };
  it.each([
    ["whole bars", [4, 4, 4], 0, []],
    ["one beat too many", [4, 5, 4], 0, [{ number: 2, length: 5, whole: 4 }]],
    ["one beat too few", [4, 3, 4], 0, [{ number: 2, length: 3, whole: 4 }]],
    ["a pickup", [1, 4, 3], 3, []],
    ["a short last bar", [4, 2], 0, []],
    ["a long last bar", [4, 6], 0, [{ number: 2, length: 6, whole: 4 }]],
  ])("%s", (_, lengths, lead, odd) => expect(oddBars(tune(lengths, lead))).toEqual(odd));
});
