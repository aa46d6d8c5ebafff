import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { printName } from "../pitch";
import { mode } from "../scale";
import {
  chartTokens,
  type Lock,
  MAX_CHORDS,
  plainestInterval,
  readChart,
  renamedChart,
  printChord,
  transposeChart,
  withLock,
} from ".";

const bars = (text: string) =>
  readChart(text).value.chords.map(({ symbol, bar, length }) => `${bar} ${symbol} ${length}`);
const played = (text: string) => {
  const { chords, order } = readChart(text).value;
  return order.map((at) => chords[at]?.symbol).join(" ");
};

describe("a chart", () => {
  test.each([
    ["| Em9 | A13 D7 |", ["1 Em9 1", "2 A13 0.5", "2 D7 0.5"]],
    ["||: Em9 | A13 :||", ["1 Em9 1", "2 A13 1"]],
    ["Em9|A13|]", ["1 Em9 1", "2 A13 1"]],
    ["Dm7 G7 Cmaj7", ["1 Dm7 1", "2 G7 1", "3 Cmaj7 1"]],
    ["Dm7\nG7", ["1 Dm7 1", "2 G7 1"]],
    ["| Em9 |\n| A13 |", ["1 Em9 1", "2 A13 1"]],
    ["| Em9 | % | N.C. |", ["1 Em9 1", "2 Em9 1", "3 N.C. 1"]],
    ["| Em9 / / A7 |", ["1 Em9 0.75", "1 A7 0.25"]],
    ["| Em9 . A7 . | / D6 |", ["1 Em9 0.5", "1 A7 0.5", "2 A7 0.5", "2 D6 0.5"]],
    ["| C7(b9, #11) | Fm(maj7) |", ["1 C7(b9, #11) 1", "2 Fm(maj7) 1"]],
    ["# a note to myself | X\n| Em9 |", ["1 Em9 1"]],
    ["Verse:\n| Em9 |\n[Chorus] | A13 |", ["1 Em9 1", "2 A13 1"]],
    ["", []],
    ["| | |", []],
  ])("%j has %j", (text, expected) => expect(bars(text)).toEqual(expected));

  test.each([
    ["|: A | B :| C", "A B A B C"],
    ["A | B :| C |", "A B A B C"],
    ["|: A | B :| x3 | C |", "A B A B A B C"],
    ["|: A :| (x4)", "A A A A"],
    ["|: A |1. B :|2. C | D ||", "A B A C D"],
    ["|: A |1. B :|2. C :| D |", "A B A C D"],
    ["|: A |1 B | C :|2 D || E |", "A B C A D E"],
    ["|: A |1,2. B :|3. C || D", "A B A B A C D"],
    ["|: A [1-3 B :| [4 C || D", "A B A B A B A C D"],
    ["|: A :|: B :|", "A A B B"],
    ["|: A |1. B :|2. C |: D :| E |", "A B A C D D E"],
    ["| A | B |", "A B"],
    ["|1. A |2. B |", "A"],
  ])("%s is played %s", (text, order) => expect(played(text)).toBe(order));

  it("knows sections and meters", () => {
    const { value } = readChart("[Gate]\n3/4 | Em | A7 |\nOrchard:\n| D |\n| 6/8 G | C |");
    expect(value.bars.map(({ section, meter }) => [section, meter.beats, meter.unit])).toEqual([
      ["Gate", 3, 4],
      [undefined, 3, 4],
      ["Orchard", 3, 4],
      [undefined, 6, 8],
      [undefined, 6, 8],
    ]);
  });

  it("counts how often each chord is played", () => {
    const { chords } = readChart("|: A |1. B :|2. C || D |").value;
    expect(chords.map(({ symbol, times }) => `${symbol} ${times}`)).toEqual(["A 2", "B 1", "C 1", "D 1"]);
  });

  it("keeps home and mode set by hand, over a stretch", () => {
    const { value, problems } = readChart(
      "| {E Dorian} Em9 | A13 | {Bb} C | {lydian} D {} | E | {F nonsense} G |",
    );
    const said = value.chords.map(({ lock }) =>
      lock ? `${lock.home === undefined ? "" : printName(lock.home)} ${lock.mode?.id ?? ""}` : "",
    );
    expect(said).toEqual(["E dorian", "E dorian", "Bb ", " lydian", "", "F "]);
    expect(value.chords[0]?.lock).toBe(value.chords[1]?.lock);
    expect(problems).toEqual([{ code: "lock-unread", offset: 57, length: 8, found: "nonsense" }]);
  });

  it("keeps the place of what it cannot read, and says where it stands", () => {
    const { value, problems } = readChart("| Em9 | Aqq | D6 ] |");
    expect(value.chords.map(({ symbol, chord }) => [symbol, chord !== undefined])).toEqual([
      ["Em9", true],
      ["Aqq", false],
      ["D6", true],
      ["]", false],
    ]);
    expect(problems[0]).toEqual({
      code: "chord-unread",
      offset: 9,
      length: 2,
      found: "qq",
      expected: "quality",
    });
  });

  it("says when there is nothing to repeat and when it is too long", () => {
    expect(readChart("| % | C |").problems[0]?.code).toBe("repeat-of-nothing");
    const long = readChart("C ".repeat(MAX_CHORDS + 5));
    expect([long.value.chords.length, long.problems[0]?.code]).toEqual([MAX_CHORDS, "too-long"]);
    expect(readChart("|: C :| x99 ".repeat(60)).value.order.length).toBeLessThanOrEqual(4000);
  });

  it("never throws, and leaves no letter of any text out", () => {
    const piece = fc.constantFrom(
      "|",
      ":",
      "[",
      "]",
      "{",
      "}",
      "1.",
      "x3",
      "%",
      "/",
      "Em9",
      "\n",
      " ",
      "(",
      "#",
      "3/4",
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(piece).map((all) => all.join("")),
        ),
        (text) => {
          const { value } = readChart(text);
          expect(value.order.every((at) => at < value.chords.length)).toBe(true);
          const tokens = chartTokens(text);
          const rest = tokens.reduce(
            (left, { offset, text: part }) =>
              left.slice(0, offset) + " ".repeat(part.length) + left.slice(offset + part.length),
            text,
          );
          expect(rest.trim()).toBe("");
        },
      ),
    );
  });
});

describe("home and mode set by hand", () => {
  const dorian = { home: 4, mode: mode("dorian") };

  test.each<readonly [string, number, number, Lock | undefined, string]>([
    ["| Em9 | A13 | D |", 0, 1, dorian, "| {E Dorian} Em9 | A13 | {} D |"],
    ["| Em9 | A13 |", 0, 1, { home: -3 }, "| {Eb} Em9 | A13 |"],
    ["| {E Dorian} Em9 | A13 | {} D |", 0, 1, undefined, "| Em9 | A13 | D |"],
    [
      "| {E Dorian} Em9 | A13 | D |",
      1,
      1,
      { mode: mode("lydian-dominant") },
      "| {E Dorian} Em9 | {Lydian dominant} A13 | {E Dorian} D |",
    ],
    ["| Em9 | % | D |", 1, 1, dorian, "| Em9 | {E Dorian} % | {} D |"],
    ["[Gate]\n|: Em9 / qqq :| x3 # no", 0, 0, dorian, "[Gate]\n|: {E Dorian} Em9 / {} qqq :| x3 # no"],
    ["| Em9 |", 0, 0, { mode: mode("1-b2-2-b3") }, "| {1-b2-2-b3} Em9 |"],
  ])("%j from %i to %i", (text, from, to, lock, expected) => {
    const written = withLock(text, from, to, lock);
    expect(written).toBe(expected);
    const locks = readChart(written)
      .value.chords.slice(from, to + 1)
      .map((place) => place.lock);
    expect(locks.every((each) => each?.home === lock?.home && each?.mode === lock?.mode)).toBe(true);
  });

  it("leave everything else as it was typed", () => {
    const chords = fc.array(fc.constantFrom("Em9", "%", "qqq", "{D}", "{}", "N.C.", "A / /"), {
      minLength: 1,
    });
    fc.assert(
      fc.property(chords, fc.nat(9), fc.nat(4), (list, from, more) => {
        const text = `| Em ${list.join(" | ")} |`;
        const bare = (chart: string) => chart.replaceAll(/\{[^}]*\} ?/gu, "");
        expect(bare(withLock(text, from, from + more, dorian))).toBe(bare(text));
      }),
    );
  });
});

describe("a chart in another key", () => {
  test.each([
    ["| Em9 | A13/C# | N.C. | % :| x2", -7, "| Ebm9 | Ab13/C | N.C. | % :| x2"],
    ["{E Dorian} Em9 {} f#m7b5/E", 7, "{E# Dorian} E#m9 {} f##m7b5/E#"],
    ["| B♭maj7♯11 | qqq | E♭/G |", 5, "| Amaj7♯11 | qqq | D/F♯ |"],
  ])("%j moved by %i fifths is %j", (text, by, expected) => expect(transposeChart(text, by)).toBe(expected));

  it("comes back when it is moved back", () => {
    const symbols = fc.array(fc.constantFrom("Em9", "A13/C#", "qqq", "Bb", "{F# lydian}", "c#m7", "GbΔ"), {
      minLength: 1,
    });
    fc.assert(
      fc.property(symbols, fc.integer({ min: -6, max: 6 }), (list, by) => {
        const text = list.join(" | ");
        expect(transposeChart(transposeChart(text, by), -by)).toBe(text);
      }),
    );
  });

  it("takes the spelling with fewest accidentals", () => {
    expect(plainestInterval("| Em9 | A13 |", 2)).toBe(2);
    expect(plainestInterval("| C | F | G |", 1)).toBe(-5);
    expect(plainestInterval("| Am | E7 |", -1)).toBe(-7);
  });
});

describe("chords in parentheses", () => {
  const read = (text: string, naming?: "german") => {
    const { value, problems } = readChart(text, naming);
    return [
      value.chords.map(({ bar, symbol, offset }) => `${bar} ${symbol} ${offset}`).join(", "),
      problems.length,
    ];
  };

  test.each([
    ["| C | (D7) | G |", "1 C 2, 2 D7 7, 3 G 13", 0],
    ["| Am | (Dm7 G7) |", "1 Am 2, 2 Dm7 8, 2 G7 12", 0],
    ["| C | (N.C.) | G |", "1 C 2, 2 N.C. 7, 3 G 15", 0],
    ["| (C7(b9)) | F |", "1 C7(b9) 3, 2 F 13", 0],
    ["| C7(b9, #11) |", "1 C7(b9, #11) 2", 0],
    ["| (foo) | C |", "1 (foo) 2, 2 C 10", 1],
  ])("%s: %s", (text, expected, problems) => expect(read(text)).toEqual([expected, problems]));

  it("are read in German where that is asked", () => {
    expect(read("| H7 | (Em B) |", "german")).toEqual(["1 H7 2, 2 Em 8, 2 B 11", 0]);
    expect(read("| H7 |")[1]).toBe(1);
  });
});

describe("a chart in other note names", () => {
  test.each([
    ["| Bm7 | Bb7/F# | {B dorian} Em |", "| Hm7 | B7/F# | {H dorian} Em |"],
    ["| F#m7b5/B | N.C. | % |", "| F#m7b5/H | N.C. | % |"],
    ["| Bb | B |", "| B | H |"],
    ["| qqq | B |", "| qqq | H |"],
    ["[Bridge] | C | G |", "[Bridge] | C | G |"],
  ])("%j is %j in German, and comes back", (english, german) => {
    expect(renamedChart(english, "english", "german")).toBe(german);
    expect(renamedChart(german, "german", "english")).toBe(english);
  });

  it("keeps German endings as they are typed, and knows what they mean", () => {
    expect(renamedChart("| Fism7 | Es | As7 | Cis |", "german", "english")).toBe("| F#m7 | Eb | Ab7 | C# |");
    expect(renamedChart("| F#m7 | Em |", "english", "german")).toBe("| F#m7 | Em |");
    // Small letters are minor: in English they need their sign.
    expect(renamedChart("| a | d7 | E7 | h/d |", "german", "english")).toBe("| Am | Dm7 | E7 | Bm/d |");
    expect(
      readChart("a d E7 a", "german").value.chords.map(({ chord }) => chord && printChord(chord)),
    ).toEqual(["Am", "Dm", "E7", "Am"]);
  });
});
