import { describe, expect, it } from "vitest";
import { barLength, feltBeat, numberBars, phraseEnds, sectionEnds, type Tune } from ".";

/** A tune of equal bars on one pitch: a note a string, "2" two quarters long, "-" a quarter of rest. */
function tuneOf(bars: readonly string[], sections: readonly number[] = []): Tune {
  const found = bars.map((_, at) => ({
    start: at * 4,
    length: 4,
    whole: 4,
    endsSection: sections.includes(at + 1) || at === bars.length - 1,
  }));
  const notes = bars.flatMap((bar, at) => {
    let place = at * 4;
    return [...bar].flatMap((each) => {
      const onset = place;
      place += each === "-" ? 1 : Number(each);
      return each === "-"
        ? []
        : [{ pitch: { name: 0, octave: 4 }, onset, duration: Number(each), bar: at, from: 0, to: 0 }];
    });
  });
  return { title: "", notes, bars: numberBars(found), meter: { beats: 4, unit: 4 } };
}

describe("meter", () => {
  it("knows bar and beat", () => {
    expect([barLength({ beats: 6, unit: 8 }), feltBeat({ beats: 6, unit: 8 })]).toEqual([3, 1.5]);
    expect([barLength({ beats: 3, unit: 4 }), feltBeat({ beats: 3, unit: 4 })]).toEqual([3, 1]);
  });

  it("places a pickup at the end of its bar", () => {
    const bars = numberBars([
      { start: 0, length: 1, whole: 4, endsSection: false },
      { start: 1, length: 4, whole: 4, endsSection: true },
    ]);
    expect(bars.map(({ number, lead }) => [number, lead])).toEqual([
      [0, 3],
      [1, 0],
    ]);
  });
});

describe("phrases", () => {
  it("end at sections and every fourth bar", () => {
    const tune = tuneOf(["1111", "1111", "1111", "1111", "1111", "1111", "1111", "4"]);
    expect(sectionEnds(tune)).toEqual([28]);
    expect(phraseEnds(tune)).toEqual([15, 28]);
  });

  it("end after two bars where the note is long or a rest follows", () => {
    expect(phraseEnds(tuneOf(["1111", "112", "1111", "4"]))).toEqual([6, 11]);
    expect(phraseEnds(tuneOf(["1111", "111-", "1111", "4"]))).toEqual([6, 11]);
    expect(phraseEnds(tuneOf(["1111", "1111", "1111", "4"]))).toEqual([12]);
  });

  it("start counting again at a new section", () => {
    expect(phraseEnds(tuneOf(["1111", "4", "1111", "1111", "1111", "4"], [2]))).toEqual([4, 17]);
  });
});
