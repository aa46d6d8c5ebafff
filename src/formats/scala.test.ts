import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { mode, modeOf, pitchClassSet } from "@/core/scale";
import { readScala, writeCsv, writeScala } from ".";

const file = (...lines: readonly string[]) => ["! a.scl", "!", "A scale", ...lines].join("\n");

describe("Scala files", () => {
  it("of twelve-tone scales become sets, cents and ratios alike", () => {
    const { value, problems } = readScala(
      file(" 7", "!", " 200.0 second", " 300.", "500.0", "700.0", "900.0", "1000.", "2/1"),
    );
    expect(problems).toEqual([]);
    expect(value?.description).toBe("A scale");
    expect(value?.sounds && modeOf(value.sounds).id).toBe("dorian");
  });

  it("are refused in other tunings, with the pitch and the cents", () => {
    const { value, problems } = readScala(file("3", "5/4", "3/2", "2"));
    expect(value?.sounds).toBeUndefined();
    expect(problems).toEqual([
      { code: "not-twelve-tone", offset: 20, length: 5, found: "386.3", expected: "400" },
      { code: "not-twelve-tone", offset: 24, length: 3, found: "702", expected: "700" },
    ]);
  });

  test.each([
    ["", "count-unread"],
    ["! only\n! comments", "count-unread"],
    ["A scale\nmany\n", "count-unread"],
    ["A scale\n99999\n", "count-unread"],
    [file("2", "x", "2/1"), "pitch-unread"],
    [file("2", "0/1", "2/1"), "pitch-unread"],
    [file("2", "-5", "1200."), "pitch-unread"],
    [file("3", "200.", "1200."), "pitches-missing"],
    [file("1", "700."), "no-octave"],
    [file("1", "3/1"), "not-twelve-tone"],
    [file("0"), "no-octave"],
    [file("1", "2/1"), "no-notes"],
  ])("%j is refused as %s", (text, code) => {
    const { value, problems } = readScala(text);
    expect(problems.map((problem) => problem.code)).toContain(code);
    expect(value?.sounds).toBeUndefined();
  });

  it("say on which line the trouble is, whatever the line ends", () => {
    const text = file("2", "x", "2/1").replaceAll("\n", "\r\n");
    const [problem] = readScala(text).problems;
    expect(text.slice(problem?.offset).startsWith("x")).toBe(true);
  });

  it("come back as they were written, for any set", () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 2047 }), (bits) => {
        const each = modeOf(2 * bits + 1);
        const { value, problems } = readScala(writeScala({ home: 2, mode: each }, each.name));
        expect(problems).toEqual([]);
        expect(value?.sounds).toBe(each.sounds);
      }),
    );
  });

  it("never throw", () => {
    fc.assert(fc.property(fc.string(), (text) => void readScala(text)));
    fc.assert(fc.property(fc.array(fc.string()), (lines) => void readScala(file("3", ...lines))));
  });

  it("are written with one pitch a line", () => {
    expect(writeScala({ home: 2, mode: mode("major-pentatonic") }, "D major pentatonic")).toBe(
      "! major-pentatonic.scl\n!\nD major pentatonic\n 5\n!\n 200.0\n 400.0\n 700.0\n 900.0\n 1200.0\n",
    );
    expect(readScala(file("2", "100.", "1200.")).value?.sounds).toBe(pitchClassSet([0, 1]));
  });
});

describe("comma-separated values", () => {
  it("quote what needs it", () => {
    expect(
      writeCsv([
        ["Degree", "Says"],
        ["♭3", 'low, "dark"\nand'],
        ["", "x"],
        ["=HYPERLINK(1)", "-2"],
        ["@SUM", "+a"],
      ]),
    ).toBe('Degree,Says\r\n♭3,"low, ""dark""\nand"\r\n,x\r\n\'=HYPERLINK(1),-2\r\n\'@SUM,\'+a\r\n');
  });
});
