import { describe, expect, it, test } from "vitest";
import { fifthsOf } from "@/core/pitch";
import { readChordPro, readPlainChart } from ".";
import { chordsOfNumerals, keyLine, withoutNumerals } from "./numerals";

/** The last line of a chart in a key. */
const inKey = (key: string, line: string) => withoutNumerals(`Key: ${key}\n${line}`).value.at(-1);

describe("chords in numerals", () => {
  it("leaves a line with a figure that nobody reads, rather than guess", () => {
    for (const line of ["Cad64 V7 I", "V99 I6 ii65", "V54 I6 V65"]) expect(inKey("C", line)).toBe(line);
  });

  test.each([
    ["C", "I vi IV V", "C Am F G"],
    ["D", "I V vi IV", "D A Bm G"],
    ["E", "I bVII IV", "E D A"],
    ["G", "ii7 V7 Imaj7", "Am7 D7 Gmaj7"],
    ["F", "| ii7 | V7 | Imaj7 | % |", "| Gm7 | C7 | Fmaj7 | % |"],
    ["Eb", "I iii IV iv", "Eb Gm Ab Abm"],
    ["A", "I - IV - V - I", "A - D - E - A"],
    ["C", "viio I", "Bdim C"],
    ["C", "vii° vi", "Bdim Am"],
    ["C", "viiø7 III7 vi", "Bm7b5 E7 Am"],
    ["C", "I+ IV", "Caug F"],
    ["C", "V7/ii ii V7/V V", "A7 Dm D7 G"],
    ["C", "I/3 IV V/7", "C/E F G/B"],
    ["C", "Isus4 I", "Csus4 C"],
    ["C", "#ivo7 V", "F#dim7 G"],
    ["Am", "i iv v", "Am Dm Em"],
    ["Am", "i VI III VII", "Am F C G"],
    ["Am", "i bVI bIII bVII", "Am F C G"],
    ["Am", "iiø7 V7 i", "Bm7b5 E7 Am"],
    ["Am", "viio7 i", "G#dim7 Am"],
    ["Gm", "iv V viiø7 i", "Cm D F#m7b5 Gm"],
    ["Em", "i IV", "Em A"],
    ["C#m", "i VI VII", "C#m A B"],
    ["Gb", "I IV V", "Gb Cb Db"],
    ["D", "1 6m 4 5", "D Bm G A"],
    ["D", "1 6- 4 5", "D Bm G A"],
    ["D", "1 5 6 4", "D A Bm G"],
    ["Bb", "| 1 | 4 | 57 | 1 |", "| Bb | Eb | F7 | Bb |"],
    ["G", "1 5/7 6m 1/5 4", "G D/F# Em G/D C"],
    ["G", "2m7 57 1maj7", "Am7 D7 Gmaj7"],
    ["A", "1 b7 4 1", "A G D A"],
    ["F#m", "1 6 7", "F#m D E"],
    ["C", "1 4 (x2)", "C F (x2)"],
    ["C", "Bridge: IV V", "Bridge: F G"],
    ["C", "3/4 | 1 | 4 |", "3/4 | C | F |"],
    ["C", "3/4", "3/4"],
    // Figures of classical harmony: inversions, sevenths of the key, the Neapolitan, augmented sixths.
    ["C", "ii65 V42/IV N6 V7/V viio7", "Dm7/F C7/Bb Db/F D7 Bdim7"],
    ["Gb", "ii65 V42/IV N6 V7/V viio7", "Abm7/Cb Gb7/Fb Abb/Cb Ab7 Fdim7"],
    ["C", "I IV64 I", "C F/C C"],
    ["C", "I V43 I6 vii°6 I", "C G7/D C/E Bdim/D C"],
    ["C", "I6 ii65 V I", "C/E Dm7/F G C"],
    ["C", "I vi6 ii V", "C Am6 Dm G"],
    ["C", "I IV7 V65/V V2 I6", "C Fmaj7 D7/F# G7/F C/E"],
    ["C", "I V6/5 I V4/2 I6", "C G7/B C G7/F C/E"],
    ["C", "I⁶ V₄³ I", "C/E G7/D C"],
    ["C", "viiø65/V V I64", "F#m7b5/A G C/G"],
    ["Am", "i iiø65 V i64", "Am Bm7b5/D E Am/E"],
    ["Am", "i ii65 vii65 i", "Am Bm7b5/D G#dim7/B Am"],
    ["D#m", "i N6 V65 i", "D#m E/G# A#7/C## D#m"],
    ["C", "It6 Ger65 Fr43 V64", "Ab7no5 Ab7 Ab7b5 G/D"],
    ["C", "V7/ii ii65 V7 I", "A7 Dm7/F G7 C"],
  ])("in %s: %s is %s", (key, line, chords) => expect(inKey(key, line)).toBe(chords));

  test.each([
    ["words", "I went down to the orchard"],
    ["one letter alone", "I"],
    ["a count-in", "1 2 3 4"],
    ["symbols", "| Em7 | A | x2"],
    ["a meter", "3/4"],
    ["a vi among words", "vi is the sixth"],
  ])("leaves %s as they are where no key is named", (_, line) =>
    expect(withoutNumerals(line)).toEqual({ value: [line], problems: [] }),
  );

  it.each([
    ["1 6m 4 5", "G", "G Em C D"],
    ["| I | vi | IV V |", "Gb", "| Gb | Ebm | Cb Db |"],
    ["i VII VI V7", "D#", "D#m C# B A#7"],
    ["| i7 | IV7 |", "D", "| Dm7 | G7 |"],
    ["I iv bVII", "C", "C Fm Bb"],
    ["Key: A\n1 4 5", "G", "# Key: A\nA D E"],
    ["1 b7 4 1", "A", "A G D A"],
    ["3/4 | 1 | 5/7 | 1 |", "A", "3/4 | A | E/G# | A |"],
    ["6/8\n| i | iv |", "B", "6/8\n| Bm | Em |"],
    // In symbols, with a meter, a key or a slip: nothing of it is a numeral.
    ["3/4\n| Em | A | foo |", "E", undefined],
    ["Key: G\nG Em C", "G", undefined],
    ["1 4 foo", "G", undefined],
    ["Em9 A13", "E", undefined],
    ["| Am | F | foo |", "A", undefined],
    ["", "C", undefined],
  ])("of a whole chart, %s from %s, are %s", (text, home, chords) =>
    expect(chordsOfNumerals(text, fifthsOf(home))).toBe(chords),
  );

  it("leaves words and symbols alone where a key is named", () => {
    for (const line of ["Lanterns lit at 4", "Em7 A D", "I will wait", "[Verse 1]", "x2"])
      expect(inKey("D", line)).toBe(line);
  });

  it("counts from C where no key is named, and says so", () =>
    expect(withoutNumerals("I vi IV V")).toMatchObject({
      value: ["C Am F G"],
      problems: [{ code: "no-key", offset: 0, found: "I vi IV V" }],
    }));

  it("follows a change of key", () =>
    expect(withoutNumerals("Key: C\nI IV\nKey: Eb\nI IV").value).toEqual([
      "# Key: C",
      "C F",
      "# Key: Eb",
      "Eb Ab",
    ]));

  test.each([
    ["Key: F#m", 6, true],
    ["key of B flat", -2, false],
    ["{key: Em}", 4, true],
    ["KEY = d minor", 2, true],
    ["Key: A major", 3, false],
  ])("%s is a key", (line, tonic, isMinor) => expect(keyLine(line)).toEqual({ tonic, isMinor }));

  test.each(["Key:", "Keyboard: C", "Key: H", "Key change: D up"])("%s is none", (line) =>
    expect(keyLine(line)).toBeUndefined(),
  );

  it("reads plain charts and ChordPro in numerals: bars, labels, words, brackets", () => {
    expect(readPlainChart("Key: G\nVerse: 1 5 6m 4 (x2)\n1    4\nLanterns lit").value.text).toBe(
      "# Key: G\n[Verse]\n|: G | D | Em | C :|\n| G | C |\n# Lanterns lit",
    );
    expect(readChordPro("{key: G}\n[1]Lanterns [6m]lit").value.text).toContain("| G | Em |");
    expect(readPlainChart("I vi IV V").problems.map(({ code }) => code)).toEqual(["no-key"]);
    expect(readPlainChart("Key: D\nD A Bm").value.text).toBe("# Key: D\n| D | A | Bm |");
  });
});
