import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { readAbc, readNotes } from "@/formats";
import { fifthsOf, printDegree, printName, soundOf } from "../pitch";
import { CATALOGUE, holds, intervalAt, notesOf, parentOf, SEVEN } from "../scale";
import { countUp, identify, type Identification } from ".";

const name = (found: Identification | undefined, at = 0) => {
  const homeMode = found?.candidates[at]?.homeMode;
  return homeMode && `${printName(homeMode.home)} ${homeMode.mode.id}`;
};
const notes = (text: string) => identify(readNotes(text).value);

describe("the mode of a tune", () => {
  test.each([
    ["E F G A B C D E", "E phrygian"],
    ["B C# D# E# F# G# A# B", "B lydian"],
    ["D4:2 E F:2 G A:2 B C5 | D5 C B A B G A:2 | F E D:4 ||", "D dorian"],
    ["G4 A B C5 | D5 C B D | F5 D B G | A F G:2 ||", "G mixolydian"],
    ["C#5 B# A# G# | E# F# G# C# ||", "C# ionian"],
    ["Gb4:2 Ab Bbb | Cb5 Db Ebb Db | Fb5 Ebb Db Bbb | Ab:2 Gb:2 ||", "Gb aeolian"],
    ["D#4:2 E:1 F# | G# A# B A# | C#5 B A# F# | E:2 D#:2 ||", "D# phrygian"],
    ["B3:2 C4:1 D | F4:2 D:1 C | A4 G F D | C4:2 B3:2 ||", "B locrian"],
    ["E4:2 F G# | B4 A G# F | D5 C B A | G# F E:2 ||", "E phrygian-dominant"],
    ["G#4 A# B C#5 D# E F## G#", "G# harmonic-minor"],
    ["C4 D Eb F G A B C5", "C melodic-minor"],
    ["G4 A B C#5 D E F G5", "G lydian-dominant"],
    ["Db4 Ebb F Gb Ab Bbb C5 Db", "Db double-harmonic"],
  ])("%s is in %s", (text, expected) => expect(name(notes(text))).toBe(expected));

  it("gives weights that add up to 1, the likeliest first", () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom("C", "D", "E", "F#", "G", "Bb", "A", "B", "Eb"), {
          minLength: 1,
          maxLength: 24,
        }),
        (line) => {
          const found = notes(line.join(" "));
          const weights = found?.candidates.map(({ weight }) => weight) ?? [];
          expect(weights).toEqual([...weights].sort((a, b) => b - a));
          const sum = weights.reduce((a, b) => a + b, 0);
          expect(sum).toBeGreaterThan(0.9);
          expect(sum).toBeLessThan(1 + 1e-9);
        },
      ),
      { numRuns: 40 },
    );
  });

  it("moves with the tune: a scale up and back names the same mode on every home", () => {
    fc.assert(
      fc.property(fc.constantFrom(...SEVEN), fc.integer({ min: -6, max: 7 }), (mode, home) => {
        const line = notesOf({ home, mode }).map((note) => printName(note));
        const up = [`${line[0]!}4`, ...line.slice(1), line[0]];
        const found = notes([...up, ...[...line].reverse()].join(" "));
        expect(name(found)).toBe(`${printName(home)} ${mode.id}`);
      }),
      { numRuns: 60 },
    );
  });

  it("has no answer for no notes", () => expect(notes("")).toBeUndefined());

  it("keeps to a home set by hand", () => {
    const found = identify(readNotes("D E F G A B C D").value, { home: fifthsOf("C") });
    expect(found?.candidates.every(({ homeMode }) => homeMode.home === 0)).toBe(true);
    expect(name(found)).toBe("C ionian");
  });

  it("takes a declared key as evidence, not as the answer", async () => {
    const body = "A2 c2 B2 d2|c2 e2 a2 g2|d2 B2 G2 B2|A4 A4|]";
    const tune = async (key: string) => (await readAbc(`X:1\nL:1/8\nK:${key}\n${body}`)).value[0]?.tune;
    const [mix, plain] = [await tune("AMix"), await tune("D")];
    expect(mix && name(identify(mix))).toBe("A mixolydian");
    expect(plain && name(identify(plain))).toBe("A mixolydian");
    expect(mix && identify(mix)?.evidence.map(({ code }) => code)).toContain("declared-key");
  });
});

describe("honesty about it", () => {
  const pears = notes("D4 F A | G F E | F A C5 | A:2 G | C5 A G | A F E | D4:3 ||");

  it("leaves two modes open where the sixth never occurs", () => {
    expect(pears?.undecided?.degrees).toEqual([6]);
    expect(
      pears?.undecided?.modes.map(({ mode, intervals }) => [
        mode.id,
        intervals.map((each) => printDegree(each)),
      ]),
    ).toEqual([
      ["aeolian", ["b6"]],
      ["dorian", ["6"]],
    ]);
    expect(pears?.rival).toBeUndefined();
    expect([name(pears), name(pears, 1)].sort()).toEqual(["D aeolian", "D dorian"]);
  });

  it("leaves no degree open that was heard", () => {
    fc.assert(
      fc.property(fc.constantFrom(...CATALOGUE.slice(0, 7)), fc.nat(6), (mode, missing) => {
        const line = notesOf({ home: 2, mode }).filter((_, at) => at !== missing || at === 0);
        const found = notes([...line, 2].map((note) => printName(note)).join(" "));
        if (!found?.undecided) return;
        const { home, mode: own } = found.homeMode;
        for (const number of found.undecided.degrees)
          expect(found.hearing.sounding[soundOf(home + intervalAt(own.intervals, number)!)]).toBe(0);
        // Each way to decide is named once, and holds all that was heard.
        const forms = found.undecided.modes.map(({ intervals }) => intervals.join());
        expect(new Set(forms).size).toBe(forms.length);
        for (const { mode: possible } of found.undecided.modes)
          for (const [sound, share] of found.hearing.sounding.entries())
            if (share > 0 && holds(own.sounds, sound - soundOf(home)))
              expect(holds(possible.sounds, sound - soundOf(home))).toBe(true);
      }),
      { numRuns: 30 },
    );
  });

  it("tells a passing note from the mode's own", () => {
    const found = notes("G4:2 B:2 | D5:2 C5 B | A:2 B C5 | C#5:0.5 D5:1.5 B:2 | A:2 F#:2 | G:4 ||");
    expect(name(found)).toBe("G ionian");
    expect(found?.outside.map(({ note, role }) => `${printName(note)} ${role ?? "no role"}`)).toEqual([
      "C# leading",
    ]);
  });

  it("tells the third of a secondary dominant from a change of mode", () => {
    const found = notes(
      "G4:1 B D5 B4 | A4:1 C#5 E5 C#5 | D5:2 A4:2 | G4:1 B4 D5 G5 | E5:1 C5 A4 C5 | D5:1 F# A D5 | B4:2 A | G4:4 ||",
    );
    expect([
      name(found),
      found?.outside.map(({ note, role, to }) => [printName(note), role, to && printName(to)]),
    ]).toEqual(["G ionian", [["C#", "dominant", "D"]]]);
  });

  it("gives its evidence with the notes that bear it out", () => {
    const ends = pears?.evidence.find(({ code }) => code === "phrase-ends");
    expect([ends?.count, ends?.of]).toEqual([1, 3]);
    expect(pears?.evidence.map(({ code }) => code)).toContain("last-note");
  });

  it("finds the bars where the mode turns", () => {
    const major = "D4:2 F#:2 | A:2 F#:2 | B:2 C#5:2 | A:4 | F#:2 E:2 | C#5:2 B:2 | G:2 E:2 | D:4 ||";
    const minor = "D4:2 F:2 | A:2 F:2 | Bb:2 C5:2 | A:4 | F:2 E:2 | C5:2 Bb:2 | G:2 E:2 | D:4 ||";
    const found = notes(`${major} ${minor}`);
    expect(
      found?.passages.map(
        ({ fromBar, toBar, homeMode }) =>
          `${fromBar}-${toBar} ${printName(homeMode.home)} ${homeMode.mode.id}`,
      ),
    ).toEqual(["1-8 D ionian", "9-16 D aeolian"]);
    expect(notes(major)?.passages).toHaveLength(1);
  });
});

describe("the count", () => {
  it("goes up from the parent to the mode found", () => {
    const up = countUp({ home: fifthsOf("A"), mode: SEVEN[4]! });
    expect(up.map(({ home, mode }) => `${mode.name} ${printName(home)}`).slice(0, 5)).toEqual([
      "Ionian D",
      "Dorian E",
      "Phrygian F#",
      "Lydian G",
      "Mixolydian A",
    ]);
    expect(up[parentOf({ home: 3, mode: SEVEN[4]! }).degree - 1]?.home).toBe(3);
    expect(holds(SEVEN[4]!.sounds, 10)).toBe(true);
  });
});

describe("more than one voice", () => {
  const melody = "E2 G2 A2 G2|E2 D2 E4|G2 A2 G2 E2|D2 E2 G4|";
  const abc = async (text: string) => identify((await readAbc(text)).value[0]!.tune);
  const beneath = (bass: string) => `X:1\nL:1/8\nM:4/4\nV:1\nV:2\nK:none\nV:1\n${melody}\nV:2\n${bass}\n`;

  it("the bass under it says where home is", async () => {
    const [inC, inE] = [await abc(beneath("C,8|C,8|C,8|C,8|")), await abc(beneath("E,8|E,8|E,8|E,8|"))];
    expect([inC, inE].map((found) => found && printName(found.homeMode.home))).toEqual(["C", "E"]);
    expect(inC?.evidence.map(({ code }) => code)).toContain("bass");
  });

  it("a note that only a chord symbol asks for is no note outside the mode", async () => {
    const symbols = ["G", "A7", "D7", "G"];
    const bars = "G2 B2 d2 B2|A2 c2 e2 c2|d2 c2 A2 F2|G8";
    const text = bars
      .split("|")
      .map((bar, at) => `"${symbols[at]!}"${bar}`)
      .join("|");
    const found = await abc(`X:1\nL:1/8\nM:4/4\nK:G\n${text}|]\n`);
    expect([name(found), found?.outside]).toEqual(["G ionian", []]);
  });

  it("one chord symbol doesn’t outweigh all notes", async () => {
    const line = "G2 B2 d2 B2|c2 A2 F2 A2|G2 B2 d2 e2|d2 B2 G4|e2 d2 B2 G2|F2 A2 c2 A2|B2 G2 A2 F2|G8|]";
    const over = async (symbol: string) => name(await abc(`X:1\nL:1/8\nM:4/4\nK:none\n${symbol}${line}\n`));
    expect([await over(""), await over('"F"'), await over('"C"')]).toEqual(Array(3).fill("G mixolydian"));
  });

  it("so do chord symbols, and the tones in them that the melody lacks", async () => {
    const over = (symbols: readonly string[]) =>
      `X:1\nL:1/8\nM:4/4\nK:none\n${melody
        .split("|")
        .slice(0, 4)
        .map((bar, at) => `"${symbols[at]!}"${bar}`)
        .join("|")}|\n`;
    const dorian = await abc(over(["Em", "A", "Em", "Em"]));
    const aeolian = await abc(over(["Em", "C", "Am", "Em"]));
    expect([name(dorian), name(aeolian)]).toEqual(["E dorian", "E aeolian"]);
  });
});

describe("what is set by hand", () => {
  const tune = readNotes("D4 F A F | G A D5 A | C#5 A F E | D4:4 ||").value;

  it("a note left out no longer counts, and places stay those of the whole tune", () => {
    const at = tune.notes.findIndex(({ pitch }) => printName(pitch.name) === "C#");
    const found = identify(tune, { without: new Set([at]) });
    expect(found?.hearing.names.map((each) => each !== undefined && printName(each))).not.toContain("C#");
    const last = found?.evidence.find(({ code }) => code === "last-note")?.notes[0];
    expect(last).toBe(tune.notes.length - 1);
    expect(identify(tune, { without: new Set(tune.notes.keys()) })).toBeUndefined();
  });

  it("bars that are chosen are heard by themselves", () => {
    const two = readNotes("C4 E G E | C4:4 || D4 F# A F# | D4:4 ||").value;
    const found = identify(two, { bars: { from: 2, to: 3 } });
    expect(found && printName(found.homeMode.home)).toBe("D");
    expect(found?.evidence.find(({ code }) => code === "phrase-ends")?.notes).toEqual([9]);
    expect(found?.passages).toEqual([]);
  });
});

describe("what else is told", () => {
  test.each([
    ["A4 C5 D5 E5 | G5 E5 D5 C5 | A4 C5 D5 C5 | A4:4 ||", "minor-pentatonic"],
    ["G4 A B D5 | E5 D5 B4 A | G4 B A G | G4:4 ||", "major-pentatonic"],
  ])("%s is five notes by themselves: %s", (text, id) =>
    expect(notes(text)?.called).toMatchObject({ kind: "five-notes", scale: { id }, isNamed: true }),
  );

  it("a whole scale is not named by what it lacks", () =>
    expect(notes("D4 E F G A B C5 D5:2 ||")?.called.kind).toBe("mode"));

  it("so few notes that they say little", () => {
    expect(notes("D4 A4 D4")?.isShort).toBe(true);
    expect(notes("D4:2 E F G | A B C5 A | G F E C | D:4 ||")?.isShort).toBe(false);
  });

  it("a key field that the notes do not keep to", async () => {
    const body = "A2 c2 B2 d2|c2 e2 a2 g2|d2 B2 G2 B2|A4 A4|]";
    const check = async (key: string, music = body) => {
      const [read] = (await readAbc(`X:1\nL:1/8\nK:${key}\n${music}`)).value;
      return read && identify(read.tune)?.key;
    };
    expect((await check("AMix"))?.agrees).toBe("same");
    expect((await check("D"))?.agrees).toBe("other-home");
    const other = await check("A", body.replaceAll("g", "=g").replaceAll("G", "=G"));
    expect([other?.agrees, other?.against.map((each) => printName(each))]).toEqual(["other-notes", ["G"]]);
    expect(other?.notes.length).toBe(2);
  });

  it("a signature decides what is never heard", async () => {
    const body = "A2 c2 B2 d2|c2 e2 a2 g2|d2 B2 G2 B2|A4 A4|]";
    const inKey = async (key: string) => {
      const [read] = (await readAbc(`X:1\nL:1/8\nK:${key}\n${body}`)).value;
      return name(read && identify(read.tune));
    };
    expect([await inKey("G"), await inKey("F"), await inKey("Am")]).toEqual([
      "A dorian",
      "A phrygian",
      "A aeolian",
    ]);
  });

  it("an empty signature over sharps all through was not meant to say anything", async () => {
    const [read] = (await readAbc("X:1\nL:1/8\nK:C\n^C2 ^D2 E2 ^F2|^G2 ^A2 B2 ^G2|E2 ^F2 ^D2 E2|^C4 ^C4|]"))
      .value;
    const found = read && identify(read.tune);
    expect([name(found), found?.evidence.some(({ code }) => code === "declared-key")]).toEqual([
      "C# dorian",
      false,
    ]);
  });
});

describe("a run that is typed to ask for its mode", () => {
  it.each([
    ["D4 E F G A B C5 B A G F E D", "D dorian"],
    ["D4 E F G A B A F E D", "D dorian"],
    ["E4 F G A B A G F E", "E phrygian"],
    ["D#4 E F# G# A# B A# F# E D#", "D# phrygian"],
    ["A4 B C5 D E F E D C B A", "A aeolian"],
    ["F4 G A B C5 D E F", "F lydian"],
    ["C4 D E F G F E D C", "C ionian"],
  ])("%s is %s", (text, told) => expect(name(notes(text))).toBe(told));

  it("that turns elsewhere than home leaves home to the other signs", () =>
    expect(notes("B4 A G F# E D E F# G A B")?.candidates[0]?.weight).toBeLessThan(0.6));
});
