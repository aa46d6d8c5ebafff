import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { readAbc, readNotes } from "@/formats";
import { printName, printPitch } from "../pitch";
import type { Tune } from "../tune";
import { identify } from ".";

const notes = (text: string) => identify(readNotes(text).value)!;
const abc = async (text: string) => identify((await readAbc(text)).value[0]!.tune)!;

/** A tune moved along the line of fifths: as many half steps, by other names. */
const moved = (tune: Tune, fifths: number): Tune => ({
  ...tune,
  notes: tune.notes.map((note) => {
    const name = note.pitch.name + fifths;
    // Octaves are kept near: what is told is pitch classes and order but for the lowest note, which moves with all.
    const octave =
      note.pitch.octave + Math.floor((fifths * 7 - 12 * Math.round((fifths * 7) / 12)) / 12 + 0.5);
    return { ...note, pitch: { name, octave } };
  }),
});

describe("what a player calls a tune", () => {
  const DOUBLE =
    "A4:0.5 E A C5 E D C A4 | G4 D G B D5 C B4 G | A4 E A C5 E D C A4 | B4 G F# G A:2 | E5:0.5 D C A4 C5 A4 E A | D5 B4 G B D5 B4 G B | C5 A4 E A C5 D E C | B4 G F# E A:2 ||";

  it("two tonics in alternation, the upper its home, wherever it stands", () => {
    fc.assert(
      fc.property(fc.integer({ min: -6, max: 6 }), (fifths) => {
        const found = identify(moved(readNotes(DOUBLE).value, fifths))!;
        expect(found.called).toEqual({
          kind: "double-tonic",
          upper: 3 + fifths,
          lower: 1 + fifths,
          isMinor: true,
        });
        expect(found.homeMode.mode.id).toBe("dorian");
      }),
      { numRuns: 13 },
    );
  });

  it("a tune in two chords a fourth apart is in its mode", () =>
    expect(
      notes("G4:0.5 B D5 B4 G B D5 G | C5 E G E C E G C | G4 B D5 B4 G B D5 B4 | C5 A4 F# A G:2 ||").called
        .kind,
    ).toBe("mode"));

  it("a neutral third is named, counts for no mode, and is not said to be missing", async () => {
    const text =
      "X:1\nL:1/4\nM:4/4\nK:none\nD E ^/F G|A B c A|G ^/F E D|A,4|D ^/F A c|B A G ^/F|E D C E|D4|]\n";
    const found = await abc(text);
    expect(found.called).toMatchObject({ kind: "neutral", degrees: [{ number: 3 }] });
    const [degree] = found.called.kind === "neutral" ? found.called.degrees : [];
    expect(degree?.between.map((note) => printName(note))).toEqual(["F", "F#"]);
    expect(degree?.notes.length).toBe(4);
    expect(found.whole[0]?.weight).toBeLessThan(0.99);
    expect(found.undecided?.degrees ?? []).not.toContain(3);
    // What the reasons point at are notes of the whole tune.
    const last = found.evidence.find(({ code }) => code === "last-note")?.notes[0];
    expect(last).toBe((await readAbc(text)).value[0]!.tune.notes.length - 1);
  });

  test.each([
    ["C4 D E F# | G# A# C5 A# | G# F# E D | E:2 G#:2 ||", "whole-tone"],
    ["C4:0.5 C# D D# E F F# G | G# A A# B C5:2 B4:0.5 Bb | A Ab G Gb F E Eb D | Db:2 C:2 ||", "chromatic"],
    ["C4:1 G# D5 F4 | B Eb5 A4 C# | F#4 E5 Bb4 G | D5 Bb4 E G5 ||", "twelve-tone"],
  ])("%s has no centre: %s", (text, why) => expect(notes(text).called).toEqual({ kind: "no-centre", why }));
});

describe("the note that is named", () => {
  it("is the one that is written: D sharp is the raised 7 of E minor, though E flats stand there too", () => {
    const found = notes(
      "E4:1 G B A | G F# E D# | E F# G A | B Eb5 D C | B4 A G F# | E D# E G | C5 B4 A F# | G F# D# F# | B4 G F# D# | E:4 ||",
    );
    expect(printName(found.homeMode.home)).toBe("E");
    expect(found.outside.map(({ note }) => printName(note))).not.toContain("Eb");
  });

  it("a drone says where home is", async () => {
    const found = await abc(
      "X:1\nL:1/4\nM:4/4\nV:1\nV:2 clef=bass\nK:none\nV:1\nd e ^f g|a g ^f e|d =c B A|B =c A2|d e ^f a|g ^f e d|=c B A G|A4|]\nV:2\nD,4|D,4|D,4|D,4|D,4|D,4|D,4|D,4|]\n",
    );
    expect([printName(found.homeMode.home), found.homeMode.mode.id]).toEqual(["D", "mixolydian"]);
  });
});

describe("what one writes of a tune", () => {
  const profile = (text: string) => notes(text).profile!;

  it("final, range and the note it recites on", () => {
    const found = profile(
      "D4:1 F A A | A A G A | A:2 A:1 A | G F E D | F A A A | G A A:2 | G:1 F E C | D:4 ||",
    );
    expect(
      [found.final, found.lowest, found.highest, found.reciting].map(
        (each) => each && printPitch(each.pitch),
      ),
    ).toEqual(["D4", "C4", "A4", "A4"]);
    expect(found.final.notes).toEqual([26]);
  });

  test.each([
    ["D4:1 F A C5 | D5 C A4 G | F E D:2 | E:1 G F E | A C5 D C | A4 G F E | D C D E | D:4 ||", "authentic"],
    ["D4:1 A3 B C4 | D E F G | A G F:2 | E:1 D C B3 | A D4 E F | G F E D | C B3 C4 E | D:4 ||", "plagal"],
    [
      "D4:1 A3 D4 A4 | D5 A F5 D | A4 F D A3 | D4:2 A:2 | D5:1 G A G | F D A4 F | E C A3 C4 | D:4 ||",
      undefined,
    ],
  ])("%s is %s", (text, ambitus) => expect(profile(text).ambitus).toBe(ambitus));

  it("degrees in two forms, those left out that only pass", () => {
    const found = profile(
      "A4:1 C5 E D | C B4 A:2 | F:1 A G E | D E C5:2 | A4:1 B C5 D | E D C B4 | A:1 C5 B4 G# | A:4 || E5:1 D C B4 | A G F:2 | G:1 A B C5 | D C B4:2 | C5:1 B4 A E | F E D C5 | B4:1 E G# B | A:4 ||",
    );
    expect(
      found.inflected.map(({ number, forms }) => [number, forms.map(({ note }) => printName(note))]),
    ).toEqual([[7, ["G", "G#"]]]);
    expect(
      profile("G4:2 B:2 | D5:2 C5 B | A:2 B C5 | C#5:0.5 D5:1.5 B:2 | A:2 F#:2 | G:4 ||").inflected,
    ).toEqual([]);
  });
});

describe("keys on the way", () => {
  it("of a chorale are those that its phrases cadence in, parted by fermatas", async () => {
    const found = await abc(
      "X:1\nL:1/4\nM:4/4\nV:1\nV:2 clef=bass\nK:C\nV:1\nc d e f|g f !fermata!e2|d e ^f g|a ^f !fermata!g2|e f g e|d B !fermata!c2|]\nV:2\nC B, C A,|E, G, !fermata!C2|B, C A, G,|D D, !fermata!G,2|C A, E, C|G, G, !fermata!C,2|]\n",
    );
    expect([printName(found.homeMode.home), found.homeMode.mode.id, found.changes]).toEqual([
      "C",
      "ionian",
      false,
    ]);
    expect(
      found.keyPassages.map(({ fromBar, toBar, homeMode, kind }) => [
        fromBar,
        toBar,
        printName(homeMode.home),
        kind,
      ]),
    ).toEqual([[3, 4, "G", "key"]]);
    expect(found.outside.map(({ note, role }) => [printName(note), role])).toEqual([["F#", "key"]]);
  });
});
