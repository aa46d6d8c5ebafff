import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { readAbc, readNotes } from "@/formats";
import { fifthsOf, printDegree, printName, soundOf } from "../pitch";
import { CATALOGUE, holds, notesOf, parentOf, SEVEN } from "../scale";
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
    ["D#4:2 E F# | G# A# B A# | C#5 B A# F# | E:2 D#:2 ||", "D# phrygian"],
    ["B3:2 C4 D | F4:2 D C | A4 G F D | C4:2 B3:2 ||", "B locrian"],
    ["E4:2 F G# | B4 A G# F | D5 C B A | G# F E:2 ||", "E phrygian-dominant"],
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
        const up = [`${line[0]}4`, ...line.slice(1), line[0]];
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
    expect(
      pears?.open.map(({ interval, modes }) => [
        printDegree(interval).slice(-1),
        modes.map(({ mode }) => mode.id),
      ]),
    ).toEqual([["6", ["dorian", "aeolian"]]]);
    expect([name(pears), name(pears, 1)].sort()).toEqual(["D aeolian", "D dorian"]);
    expect((pears?.candidates[0]?.weight ?? 1) < 0.85).toBe(true);
  });

  it("leaves no degree open that was heard", () => {
    fc.assert(
      fc.property(fc.constantFrom(...CATALOGUE.slice(0, 7)), fc.nat(6), (mode, missing) => {
        const line = notesOf({ home: 2, mode }).filter((_, at) => at !== missing || at === 0);
        const found = notes([...line, 2].map((note) => printName(note)).join(" "));
        for (const { interval } of found?.open ?? []) {
          expect(found?.hearing.sounding[soundOf(found.homeMode.home + interval)]).toBe(0);
        }
      }),
      { numRuns: 30 },
    );
  });

  it("tells a visiting note from the mode's own", () => {
    const found = notes("G4:2 B:2 | D5:2 C5 B | A:2 B C5 | C#5:0.5 D5:1.5 B:2 | A:2 F#:2 | G:4 ||");
    expect(name(found)).toBe("G ionian");
    expect(found?.outside.map(({ note, visits }) => `${printName(note)} ${visits}`)).toEqual(["C# true"]);
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
