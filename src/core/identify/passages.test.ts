import { describe, expect, it, test } from "vitest";
import { readAbc, readNotes } from "@/formats";
import { fifthsOf, midiOf, pitchAt, printName, soundOf } from "../pitch";
import { identify, type Identification, type Passage } from ".";

const told = (found: Identification | undefined) =>
  found && [
    ...found.passages.map((each) => passageText(each)),
    ...found.keyPassages.map((each) => `${passageText(each)} ${each.kind}`),
  ];
const passageText = ({ fromBar, toBar, homeMode }: Passage) =>
  `${fromBar}-${toBar} ${printName(homeMode.home)} ${homeMode.mode.id}`;
const notes = (text: string) => identify(readNotes(text).value);

const DORIAN = "D4:2 F:1 A | G:2 E:1 G | F:2 D:1 F | E:1 C E G | A:2 F:1 A | B:1 A G E | F:2 E:2 | D:4";
const IN_G =
  "G4:2 B:1 D5 | C5:2 A4:1 C5 | B4:2 G:1 B | A:1 F# A D5 | G:2 B4:1 G4 | C5:1 B4 A4 F# | G4:2 A:2 | G4:4";
const IN_C = "C4:2 E:1 G | F:2 A:1 F | E:2 G:1 E | D:4 | C4:2 E:1 G | F:2 A:1 F | G:2 B3:2 | C4:4";
const ON_G = "G4:2 B:1 D5 | C5:2 A4:1 F# | G:2 B:1 G | A:4 | D5:2 B4:1 G | A:1 B C5 A | B4:2 F#:2 | G:4";
const IN_A = "A4:2 C5:1 E | D:2 F:1 D | C:2 E:1 C | B4:2 E | A4:2 C5:1 E | D:2 F:1 D | C:2 B4:2 | A4:4";

describe("where the mode changes", () => {
  test.each([
    ["other notes and another home", `${DORIAN} || ${IN_G} ||`, ["1-8 D dorian", "9-16 G ionian"]],
    ["without a mark between them", `${DORIAN} | ${IN_G} ||`, ["1-8 D dorian", "9-16 G ionian"]],
    [
      "on the same home",
      `${DORIAN} || ${DORIAN.replaceAll("F", "F#").replaceAll("C", "C#")} ||`,
      ["1-8 D dorian", "9-16 D ionian"],
    ],
    ["a tune that stays", `${DORIAN} || ${DORIAN} ||`, ["1-16 D dorian"]],
    [
      "to the dominant and back: a key, not a",
      `${IN_C} || ${ON_G} || ${IN_C} ||`,
      ["1-24 C ionian", "9-16 G ionian key"],
    ],
    ["to the relative", `${IN_C} || ${IN_A} ||`, ["1-16 C ionian", "9-16 A aeolian relative"]],
  ])("%s", (_, text, expected) => expect(told(notes(text))).toEqual(expected));

  it("is the headline, and the reasons are about the first passage", () => {
    const found = notes(`${DORIAN} || ${IN_G} ||`)!;
    expect([found.changes, printName(found.homeMode.home), found.homeMode.mode.id]).toEqual([
      true,
      "D",
      "dorian",
    ]);
    expect(found.bars).toEqual({ from: 0, to: 7 });
    expect(found.outside).toEqual([]);
    expect(found.evidence.every(({ notes: places }) => places.every((at) => at < 25))).toBe(true);
    expect(notes(`${IN_C} || ${ON_G} || ${IN_C} ||`)?.changes).toBe(false);
  });

  test.each([
    ["C", 2],
    ["C", 7],
    ["F#", 2],
    ["Ab", 7],
  ])("a tune that moves up for its last part, on %s by %i fifths, changes key and not mode", (home, by) => {
    const tune = readNotes(`${IN_C} || ${IN_C} || ${IN_C} ||`).value;
    const moved = tune.notes.map((note) => {
      const fifths = fifthsOf(home) + (note.bar >= 16 ? by : 0);
      const name = note.pitch.name + fifths;
      return { ...note, pitch: pitchAt(midiOf(note.pitch) + soundOf(fifths), name) };
    });
    const found = identify({ ...tune, notes: moved })!;
    const from = fifthsOf(home);
    expect([found.changes, printName(found.homeMode.home), found.homeMode.mode.id]).toEqual([
      false,
      home,
      "ionian",
    ]);
    expect(
      found.keyPassages.map(({ fromBar, kind, homeMode }) => [fromBar, kind, printName(homeMode.home)]),
    ).toEqual([[17, "moved", printName(from + by)]]);
  });

  it("a part with a declared key of its own is told as that", async () => {
    const bars = "C2E2|G2E2|F2A2|G4|E2G2|F2D2|E2D2|C4";
    const trio = "F2A2|c2A2|_B2d2|c4|A2c2|_B2G2|A2G2|F4";
    const [read] = (await readAbc(`X:1\nL:1/4\nM:4/4\nK:C\n${bars}||\n[K:F]${trio}|]`)).value;
    expect(told(identify(read!.tune))).toEqual(["1-16 C ionian", "9-16 F ionian own-key"]);
  });

  it("a tune that is told by no part of it, since it moves, is told by its first", async () => {
    const key = (name: string, bars: string) => `[K:${name}]${bars}`;
    const line = "G2 B2|c2 A2|F2 A2|G4|E2 G2|A2 c2|A F D F|G4";
    const up = "A2 c2|d2 B2|G2 B2|A4|F2 A2|B2 d2|B G E G|A4";
    const [read] = (await readAbc(`X:1\nL:1/4\nM:4/4\nK:G\n${line}||\n${key("A", up)}|]\n`)).value;
    const found = identify(read!.tune)!;
    expect(told(found)).toEqual(["1-16 G ionian", "9-16 A ionian own-key"]);
    expect([found.about?.toBar, printName(found.candidates[0]!.homeMode.home), found.isByHand]).toEqual([
      8,
      "G",
      false,
    ]);
  });

  it("another mode is one though its key is declared, on the same home or not", async () => {
    const [read] = (
      await readAbc(
        "X:1\nL:1/4\nM:4/4\nK:GMix\nGABd|cAF2|GABd|d2B2|GABd|cAFA|BGAF|G4||\n[K:GDor]dcBA|G2B2|cBAF|G2D2|dcBA|GBdf|dcAF|G4|]",
      )
    ).value;
    expect(told(identify(read!.tune))).toEqual(["1-8 G mixolydian", "9-16 G dorian"]);
  });

  it("a signature without a home says nothing of home, and each passage is compared with the key in force in it", async () => {
    const text =
      "X:1\nL:1/4\nM:4/4\nK:C\nC2E2|G2E2|F2A2|G4|E2G2|F2D2|E2D2|C4||\n[K:F]F2A2|c2A2|_B2d2|c4|A2c2|_B2G2|A2G2|F4|]";
    const [read] = (await readAbc(text)).value;
    const second = identify(read!.tune, { bars: { from: 8, to: 15 } });
    expect([second?.key?.agrees, printName(second!.key!.declared.home)]).toEqual(["same", "F"]);
    expect(second?.evidence.some(({ code }) => code === "declared-key")).toBe(true);
    const keys = read!.tune.keys!.map((key) => ({ ...key, isSignature: true }));
    const signed = identify({ ...read!.tune, keys }, { bars: { from: 8, to: 15 } });
    expect(signed?.evidence.some(({ code }) => code === "declared-key")).toBe(false);
  });

  it("a section in which the melody is silent goes with the one before", () => {
    const found = notes(`${DORIAN} || z:4 | z:4 | z:4 || ${IN_G} ||`);
    expect(told(found)).toEqual(["1-11 D dorian", "12-19 G ionian"]);
  });

  it("takes the bars of a first and a second ending with their section", async () => {
    const [read] = (
      await readAbc("X:1\nL:1/4\nM:4/4\nK:C\n|:C2E2|G2E2|F2A2|1G4:|2C4|:E2G2|c2G2|A2F2|1G4:|2C4|]")
    ).value;
    expect(told(identify(read!.tune))).toHaveLength(1);
  });
});

describe("what is expected", () => {
  // Ends on G and begins there, with C natural and F natural: mostly heard in C where major and minor are expected.
  const text =
    "D5:1 E5 C5 D5 | B4:1 C5 A4 B4 | C5:1 D5 B4 A4 | B4:2 G4 | F4:1 A4 C5 A4 | G4:1 F4 E4 D4 | E4:1 F4 G4 A4 | G4:4 ||";
  it("moves the weight between common modes and rare ones, and never the notes", () => {
    const weight = (expects: "major-minor" | "mixed" | "modal") =>
      identify(readNotes(text).value, { expects })!
        .candidates.filter(({ homeMode: { mode } }) => mode.id !== "ionian" && mode.id !== "aeolian")
        .reduce((sum, each) => sum + each.weight, 0);
    const [plain, mixed, modal] = [weight("major-minor"), weight("mixed"), weight("modal")];
    expect(plain).toBeLessThan(mixed);
    expect(mixed).toBeLessThan(modal);
  });
});

describe("scales outside the seven", () => {
  test.each([
    ["A4 C5 D Eb E5 G A5 G | E5 Eb5 D C A4:4 | G4:1 A C5 D Eb E D C | A4:4 C5:2 A4:2 ||", "A blues-minor"],
    [
      "C4 D E F# G# A# C5 A# | G# F# E D C4:4 | E4:1 F# G# A# C5 A# G# F# | E4 D4 C4:2 C4:4 ||",
      "C whole-tone",
    ],
    [
      "A4:2 B:1 C5 | D E F5 G#5 | A5 G#5 F E | D C B4 A4 | E5 F5 G#5 A5 | F5 E D C | A4:4 ||",
      "A harmonic-minor",
    ],
    // The raised seventh only leads: minor with its leading tone.
    [
      "A4:2 E5:1 C5 | A4:1 G# A B | C5:1 D5 E5 F5 | E5:1 C5 A4:2 | A4:1 G# A C5 | E5:1 D5 C5 B4 | A4:4 ||",
      "A aeolian",
    ],
  ])("%s", (text, expected) => {
    const { whole } = notes(text)!;
    const [{ homeMode }] = whole as [(typeof whole)[number]];
    expect(`${printName(homeMode.home)} ${homeMode.mode.id}`).toBe(expected);
  });

  it("two thirds make no bebop scale: it is played through its half steps, or two modes are mixed", () => {
    const mixed = notes("D4:1 F A F | G F E D | D4:1 F# A F# | G F# E D | C5:1 B4 A G | D4:4 ||");
    expect(mixed?.whole.some(({ homeMode: { mode } }) => mode.id.startsWith("bebop"))).toBe(false);
    const run = notes(
      "G4 A B C5 D E F F# | G5 F#5 F5 E5 D5 C5 B4 A4 | G4:2 B4 D5 F5:2 E5 D5 | C5 B4 A4 F#4 G4:4 ||",
    );
    expect(run?.whole[0]?.homeMode.mode.id).toBe("bebop-dominant");
  });
});
