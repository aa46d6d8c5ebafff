import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { printChord } from "@/core/chord";
import { maybePitch, printName, printPitch } from "@/core/pitch";
import { placeOf } from "@/core/problem";
import { evenTune, type Tune } from "@/core/tune";
import { MAX_NOTES, readAbc, readNotes, writeAbc } from ".";

const show = (tune: Tune | undefined) =>
  (tune?.notes ?? []).map(({ pitch, duration }) => `${printPitch(pitch)}:${duration}`).join(" ");
const bars = (tune: Tune | undefined) =>
  (tune?.bars ?? [])
    .map(({ number, lead, endsSection }) => `${number}${lead ? "p" : ""}${endsSection ? "|" : ""}`)
    .join(" ");

async function abc(body: string): Promise<Tune | undefined> {
  return (await readAbc(`X:1\n${body}`)).value[0]?.tune;
}

describe("ABC", () => {
  test.each([
    ["L:1/4\nK:C\nCDEc|", "C4:1 D4:1 E4:1 C5:1"],
    ["L:1/4\nK:AMix\nAcfg|", "A4:1 C#5:1 F#5:1 G5:1"],
    ["L:1/4\nK:EDor\nE,C^cc|=cC", "E3:1 C#4:1 C#5:1 C#5:1 C5:1 C#4:1"],
    ["L:1/4\nK:Bb\nBe^e_b|e", "Bb4:1 Eb5:1 E#5:1 Bb5:1 Eb5:1"],
    ["L:1/4\nK:C\n^FFf|F", "F#4:1 F#4:1 F5:1 F4:1"],
    ["L:1/8\nK:C\n(3CDE F2|", `C4:${1 / 3} D4:${1 / 3} E4:${1 / 3} F4:1`],
    ["L:1/8\nK:C\nG2-G|G-|G2", "G4:1.5 G4:1.5"],
    ["L:1/4\nK:C\n^F-|F F|", "F#4:2 F4:1"],
    ["L:1/4\nK:C\nC z D|", "C4:1 D4:1"],
    ["L:1/4\nK:C\n{g}A>B|", "A4:1.5 B4:0.5"],
    ["L:1/4\nK:D\nF|[K:F]F B|", "F#4:1 F4:1 Bb4:1"],
    ["L:1/4\nK:Gbm\nGce|", "Gb4:1 Cb5:1 Ebb5:1"],
    ["L:1/4\nK:none\n__B^^c|", "Bbb4:1 C##5:1"],
  ])("%j sounds %s", async (body, notes) => expect(show(await abc(body))).toBe(notes));

  test.each([
    ["EDor", "E", "dorian"],
    ["A mix", "A", "mixolydian"],
    ["F#m", "F#", "aeolian"],
    ["Bb", "Bb", "ionian"],
    ["B loc", "B", "locrian"],
    ["E phrygian", "E", "phrygian"],
  ])("declares K:%s as %s %s", async (key, tonic, mode) => {
    const tune = await abc(`K:${key}\nC|`);
    const [declared] = tune?.keys ?? [];
    expect(declared && [printName(declared.home), declared.mode.id]).toEqual([tonic, mode]);
  });

  it("has no declared key where none is given", async () =>
    expect((await abc("K:none\nC|"))?.keys).toEqual([]));

  it("numbers bars as players do: pickups, repeats, endings", async () => {
    expect(bars(await abc("M:3/4\nL:1/4\nK:C\nG|CDE|FGA|BcB|]"))).toBe("0p 1 2 3|");
    expect(bars(await abc("M:3/4\nL:1/4\nK:C\n|:G|CDE|FG:|:A|CDE|FG:|"))).toBe("0p 1 2| 2p 3 4|");
    expect(bars(await abc("M:2/4\nL:1/4\nK:C\n|:CD|1EF:|2EC|]"))).toBe("1 2| 3|");
  });

  it("reads every tune of a file, each with its own text", async () => {
    const { value, problems } = await readAbc("X:1\nT:One\nK:C\nCDE|\n\nX:2\nT:Two\nK:EPhr\nEFG|\n");
    expect(value.map(({ tune }) => tune.title)).toEqual(["One", "Two"]);
    expect(value[1]?.text.slice(value[1].tune.notes[1]?.from, value[1].tune.notes[1]?.to)).toBe("F");
    expect(problems).toEqual([]);
  });

  it("says where a broken line stands, and reads the rest", async () => {
    const text = "X:1\nT:One\nK:C\nCDE|\n\nX:2\nT:Two\nK:D\nDE$FG|\nA&lt;B|\n";
    const { value, problems } = await readAbc(text);
    expect(show(value[1]?.tune).startsWith("D4:0.5 E4:0.5 F#4:0.5 G4:0.5 A4")).toBe(true);
    expect(problems[0]).toMatchObject({ code: "abc-unread", found: "$" });
    expect(placeOf(text, problems[0]?.offset ?? 0)).toEqual({ line: 9, column: 3 });
  });

  it("reads round a line on which the library itself gives up", async () => {
    const text = "X:1\nT:Torn\nL:1/4\nK:C\nCDE|\n[]-\nFGA|\n";
    const { value, problems } = await readAbc(text);
    expect(show(value[0]?.tune)).toBe("C4:1 D4:1 E4:1 F4:1 G4:1 A4:1");
    expect(problems).toMatchObject([{ code: "abc-unread", found: "[]-" }]);
    expect(placeOf(text, problems[0]?.offset ?? 0)).toEqual({ line: 6, column: 1 });
    expect([value[0]?.text, value[0]?.engraving]).toEqual([text, text.replace("[]-", "%  ")]);
    expect((await readAbc("X:1\n[]-")).problems[0]?.code).toBe("abc-unread");
  });

  it.each([
    ["hello world this is text", "not-music"],
    ["A", "not-music"],
    ["Dear Ada, bring a bag and feed the cabbage. Bed at ten.", "not-music"],
    ["ABcd|efga|", undefined],
    ["z4 | G2 B2 d2 g2 | ^f2 d2 A2 F2 | G8 |]", undefined],
    ["K:D\nDEF|", undefined],
    ["[K:G] GAB|", undefined],
  ])("%j without a field of ABC: %s", async (text, code) => {
    const { value, problems } = await readAbc(text);
    expect([value.length > 0, problems[0]?.code]).toEqual([code === undefined, code]);
  });

  it.each([
    // Small letters alone are marks; with other chords they are chords.
    ['"f"G A B c|"p"d B G2|"mf"c A F A|"f"G4|', ""],
    ['"f"G A B c|"G"d B G2|"f"c A F A|"G"G4|', "F G F G"],
    ['"^f"G A B c|"G"d B G2|', "G"],
    ['"Am"A B c d|"e"e d c B|"Am"A4|', "Am E Am"],
  ])("%s has the chords %j", async (bars, expected) => {
    const { value } = await readAbc(`X:1\nL:1/4\nK:G\n${bars}`);
    expect((value[0]?.tune.chords ?? []).map(({ chord }) => printChord(chord)).join(" ")).toBe(expected);
  });

  it.each([
    ["D exp _b_e^f", "D E F# G A Bb C Eb", "D Eb F# G A Bb C Eb"],
    ["Hp", "A B C D", "A B C# D"],
    ["HP", "A F C G", "A F# C# G"],
    ["D Phr ^f", "D E F G", "D Eb F# G"],
    ["G clef=alto", "G F", "G F#"],
  ])("of the key %s has its own notes", async (key, letters, expected) => {
    const bars = letters.replaceAll(/[#b]/gu, "");
    const { value } = await readAbc(`X:1\nL:1/4\nK:${key}\n${bars}|`);
    expect(value[0]?.tune.notes.map(({ pitch }) => printName(pitch.name)).join(" ")).toBe(expected);
  });

  it("says when there is no tune, or no note in it", async () => {
    expect((await readAbc("   ")).problems.map(({ code }) => code)).toEqual(["no-tune"]);
    const empty = await readAbc("X:1\nT:Nothing\nK:C\nz4|\n");
    expect([empty.value.length, empty.problems[0]?.code, empty.problems[0]?.found]).toEqual([
      0,
      "no-notes",
      "Nothing",
    ]);
  });

  it("never throws on any text", async () => {
    const piece = fc.oneof(
      fc.string(),
      fc.constantFrom(
        "X:1\n",
        "K:C\n",
        "|:",
        "(3",
        "[",
        "{",
        "]",
        "-",
        "^",
        "C",
        '"Am"',
        "\n",
        "L:1/0\n",
        "M:0/0\n",
        "z99",
      ),
    );
    await fc.assert(
      fc.asyncProperty(fc.array(piece, { maxLength: 24 }), async (parts) => {
        await readAbc(parts.join(""));
      }),
      { numRuns: 600, examples: [[["[", "]-"]]] },
    );
  });
});

describe("typed notes", () => {
  it("reads pitches, lengths, rests, bars and sections", () => {
    const { value, problems } = readNotes("A4:1 B4:0.5 z:0.5 | C#5:2 || F♯4:1/2 G4 :|");
    expect(show(value)).toBe("A4:1 B4:0.5 C#5:2 F#4:0.5 G4:0.5");
    expect(bars(value)).toBe("1 2| 3|");
    expect(problems.map(({ code, found }) => `${code} ${found}`)).toEqual(["note-unread :"]);
  });

  it("puts bare names next to the note before", () => {
    expect(show(readNotes("E F G A B C D E").value)).toBe("E4:1 F4:1 G4:1 A4:1 B4:1 C5:1 D5:1 E5:1");
    expect(show(readNotes("G2 F E").value)).toBe("G2:1 F2:1 E2:1");
  });

  test.each([
    ["A4 qq B4", "note-unread", 3, "qq"],
    ["A4 H4", "note-unread", 3, "H4"],
    ["A4:x", "length-unread", 3, "x"],
    ["A4:0", "length-unread", 3, "0"],
    ["A4:9999", "length-unread", 3, "9999"],
    ["", "no-notes", 0, ""],
  ])("%j is a problem: %s at %i", (text, code, offset, found) => {
    expect(readNotes(text).problems[0]).toMatchObject({ code, offset, found });
  });

  it("stops at a great many notes and says so", () => {
    const { value, problems } = readNotes("C ".repeat(MAX_NOTES + 3));
    expect([value.notes.length, problems[0]?.code]).toEqual([MAX_NOTES, "too-long"]);
  });

  it("never throws on any text", () => fc.assert(fc.property(fc.string(), (text) => void readNotes(text))));
});

describe("writing ABC", () => {
  it("reads back as the same notes, bars and lengths", async () => {
    const pitch = fc.tuple(
      fc.constantFrom("C", "D", "E", "F#", "Bb", "G##", "Abb", "B#", "Cb"),
      fc.integer({ min: 2, max: 6 }),
    );
    const length = fc.constantFrom(0.25, 0.5, 0.75, 1, 1.5, 2, 3, 1 / 3);
    const note = fc.tuple(pitch, length).map(([[name, octave], quarters]) => `${name}${octave}:${quarters}`);
    const token = fc.oneof({ weight: 6, arbitrary: note }, fc.constantFrom("|", "||", "z:1", "z:0.5"));
    await fc.assert(
      fc.asyncProperty(fc.array(token, { minLength: 1, maxLength: 30 }), async (tokens) => {
        const tune = readNotes(tokens.join(" ").replaceAll(/0\.3{5,}/g, "1/3")).value;
        fc.pre(tune.notes.length > 0);
        const written = writeAbc(tune);
        const back = (await readAbc(written.text)).value[0]?.tune;
        const plain = (each: Tune | undefined) =>
          each?.notes.map(({ pitch: p, onset, duration, bar }) => [
            printPitch(p),
            onset.toFixed(6),
            duration.toFixed(6),
            bar,
          ]);
        expect(plain(back)).toEqual(plain(tune));
        expect(back?.notes.map(({ from }) => from)).toEqual(written.tune.notes.map(({ from }) => from));
      }),
      { numRuns: 60 },
    );
  });

  it("writes accidentals by the bar", () => {
    const { text } = writeAbc(readNotes("F#4 F#4 F4 | F4 F#4 |", "Two bars").value);
    expect(text).toContain("T:Two bars");
    expect(text.split("\n").at(-1)).toBe("^F2 F2 =F2 | F2 ^F2 |] ");
    expect(maybePitch("F#4")).toEqual({ name: 6, octave: 4 });
  });
});

describe("a text that breaks off", () => {
  test.each(["(3:2 (2 \\", "B2 (2 \\", "(5\\", "[(2&\\", ")z){(3:2&\\"])(
    "%s changes nothing of the next",
    async (text) => {
      const next = "X:1\nL:1/4\nK:C\nC D E F|";
      const lengths = async () => (await readAbc(next)).value[0]?.tune.notes.map(({ duration }) => duration);
      await readAbc(`X:1\nK:C\n${text}`);
      expect(await lengths()).toEqual([1, 1, 1, 1]);
      // In one file as well.
      const { value } = await readAbc(`X:1\nK:C\nC ${text}\n\n${next}`);
      expect(value.at(-1)?.tune.notes.map(({ duration }) => duration)).toEqual([1, 1, 1, 1]);
    },
  );
});

describe("even notes written as ABC", () => {
  const pitches = (text: string) => readNotes(text).value.notes.map(({ pitch }) => pitch);

  it("are beamed by the beat, in one line where that is asked, an octave up where the instrument is", () => {
    const tune = evenTune(pitches("D3 E F G A B C4 D"), 0.5);
    const { text } = writeAbc(tune, { clef: "treble-8", octavesUp: 1, onOneLine: true });
    expect(text).toContain("K:none clef=treble-8\nDE FG AB cd |]");
    const long = evenTune(
      Array.from({ length: 40 }, () => pitches("D4")[0]!),
      1,
    );
    expect(writeAbc(long, { onOneLine: true }).text.split("\n").slice(5)).toHaveLength(1);
    expect(writeAbc(long).text.split("\n").slice(5).length).toBeGreaterThan(1);
  });

  it("three to a beat are triplets, and are read back as long as they were", async () => {
    const tune = evenTune(pitches("D4 E F G A B C5"), 1 / 3);
    const { text, tune: written } = writeAbc(tune);
    expect(text).toContain("(3DEF (3GAB c2 |]");
    expect(written.notes.map(({ from, to }) => text.slice(from, to)).join(" ")).toBe("(3D E F (3G A B c2");
    const [back] = (await readAbc(text)).value;
    expect(back!.tune.notes.map(({ onset }) => onset.toFixed(3))).toEqual(
      tune.notes.map(({ onset }) => onset.toFixed(3)),
    );
  });
});
