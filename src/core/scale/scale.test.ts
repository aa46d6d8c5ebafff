import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import {
  fifthsOf,
  letterOf,
  maybeFifthsIn,
  NOTE_NAMINGS,
  printDegree,
  printName,
  printNameIn,
  soundOf,
} from "../pitch";
import {
  bestHome,
  brightness,
  CATALOGUE,
  distinguishing,
  characteristicSwap,
  compareModes,
  differenceFrom,
  enharmonicHome,
  extentOf,
  FAMILIES,
  findModes,
  holds,
  maybeFamily,
  mode,
  modeOf,
  modesOfSize,
  nearerReference,
  nearestFamily,
  nearestHome,
  nearestMode,
  nearestNamed,
  notesOf,
  oneNoteAway,
  parallels,
  parentOf,
  readSounds,
  reference,
  relatives,
  size,
  soundsOf,
  stepsOf,
  syllable,
  transpose,
  USUAL_MODES,
} from ".";

const degrees = (intervals: readonly number[]) =>
  intervals.map((interval) => printDegree(interval)).join(" ");
const sets = (all: readonly (readonly number[])[]) => all.map(degrees);
const spelled = (home: string, id: string) =>
  notesOf({ home: fifthsOf(home), mode: mode(id) })
    .map((note) => printName(note))
    .join(" ");

const anyMode = fc.constantFrom(...CATALOGUE);
const anySevenNoteMode = fc.constantFrom(...CATALOGUE.slice(0, 49));
const anyHome = fc.integer({ min: -8, max: 12 });

describe("spelling", () => {
  test.each([
    ["D", "dorian", "D E F G A B C"],
    ["B", "lydian", "B C# D# E# F# G# A#"],
    ["C#", "lydian", "C# D# E# F## G# A# B#"],
    ["Gb", "phrygian", "Gb Abb Bbb Cb Db Ebb Fb"],
    ["D#", "aeolian", "D# E# F# G# A# B C#"],
    ["Cb", "ionian", "Cb Db Eb Fb Gb Ab Bb"],
    ["G#", "harmonic-minor", "G# A# B C# D# E F##"],
    ["Eb", "altered", "Eb Fb Gb Abb Bbb Cb Db"],
    ["B", "ultralocrian", "B C D Eb F G Ab"],
  ])("%s %s is %s", (home, id, notes) => expect(spelled(home, id)).toBe(notes));

  it("uses each letter once, whatever the mode and home", () => {
    fc.assert(
      fc.property(anyHome, anySevenNoteMode, (home, each) => {
        const letters = notesOf({ home, mode: each }).map(letterOf);
        expect([...letters].sort().join("")).toBe("ABCDEFG");
      }),
    );
  });

  it("gives a sounding home its shortest name, the sharp one on a tie", () => {
    expect(printName(bestHome(6, mode("ionian")))).toBe("F#");
    expect(printName(bestHome(1, mode("ionian")))).toBe("Db");
    expect(printName(bestHome(1, mode("aeolian")))).toBe("C#");
    expect(printName(bestHome(8, mode("phrygian")))).toBe("G#");
  });

  it("offers the enharmonic home past seven accidentals", () => {
    expect(enharmonicHome({ home: fifthsOf("G#"), mode: mode("ionian") })).toBe(fifthsOf("Ab"));
    expect(enharmonicHome({ home: fifthsOf("C#"), mode: mode("ionian") })).toBeUndefined();
  });
});

describe("counting both ways", () => {
  test.each([
    ["B", "phrygian", "G", "major", 3],
    ["G", "lydian", "D", "major", 4],
    ["F", "dorian", "Eb", "major", 2],
    ["D#", "aeolian", "F#", "major", 6],
    ["Gb", "mixolydian", "Cb", "major", 5],
    ["B", "phrygian-dominant", "E", "harmonic-minor", 5],
  ])("%s %s is of %s %s, note %i", (home, id, tonic, family, degree) => {
    const parent = parentOf({ home: fifthsOf(home), mode: mode(id) });
    expect([printName(parent.tonic), parent.family.id, parent.degree]).toEqual([tonic, family, degree]);
  });

  it("comes back: deriving a mode and asking whose notes it has are inverse", () => {
    fc.assert(
      fc.property(anyHome, anyMode, (home, each) => {
        const { family, tonic, degree } = parentOf({ home, mode: each });
        const back = relatives(family, tonic)[degree - 1];
        expect(back).toEqual({ home, mode: each });
      }),
    );
  });

  it("keeps the notes among relatives and the home among parallels", () => {
    fc.assert(
      fc.property(anyHome, fc.constantFrom(...FAMILIES), (tonic, family) => {
        const sounding = relatives(family, tonic).map((each) =>
          transpose(each.mode.sounds, soundOf(each.home)),
        );
        expect(new Set(sounding).size).toBe(1);
        const bright = parallels(family, tonic).map((each) => brightness(each.mode.intervals));
        expect(bright).toEqual([...bright].sort((a, b) => b - a));
      }),
    );
  });

  it("steps add up to an octave", () => {
    const stepsIn = (id: string) => stepsOf(mode(id).intervals.map(soundOf));
    expect(stepsIn("dorian")).toEqual([2, 1, 2, 2, 2, 1, 2]);
    expect(stepsIn("phrygian-dominant")).toEqual([1, 3, 1, 2, 1, 2, 2]);
    expect(CATALOGUE.every(({ id }) => stepsIn(id).reduce((a, b) => a + b) === 12)).toBe(true);
  });
});

describe("what makes it that mode", () => {
  test.each([
    ["ionian", ["4 7"]],
    ["dorian", ["6"]],
    ["phrygian", ["b2 5"]],
    ["lydian", ["#4"]],
    ["mixolydian", ["b7"]],
    ["aeolian", ["2 b6"]],
    ["locrian", ["b5"]],
    ["melodic-minor", ["6 7"]],
    ["dorian-flat2", ["b2 5 6"]],
    ["altered", ["b4 b7"]],
    ["phrygian-dominant", ["b2 b7", "b2 4", "b2 5"]],
  ])("what distinguishes %s are %j", (id, expected) =>
    expect(sets(distinguishing(mode(id)))).toEqual(expected),
  );

  test.each([
    ["lydian", "ionian", "#4"],
    ["dorian", "aeolian", "6"],
    ["locrian", "aeolian", "b2 b5"],
    ["phrygian-dominant", "ionian", "b2 b6 b7"],
    ["ionian", "ionian", ""],
  ])("%s is told by %s with %s", (id, by, changes) => {
    const found = reference(mode(id));
    expect([found.mode.id, degrees(found.moved.map(({ to }) => to))]).toEqual([by, changes]);
  });

  it("follows the other conventions", () => {
    expect(degrees(reference(mode("dorian"), "major").moved.map(({ to }) => to))).toBe("b3 b7");
    expect(reference(mode("phrygian-dominant"), "nearest").mode.id).toBe("phrygian");
    expect(reference(mode("lydian"), "nearest").mode.id).toBe("ionian");
    expect(reference(mode("dorian"), "nearest").mode.id).toBe("aeolian");
  });

  it("says where one of the seven is nearer than plain major or minor", () => {
    expect(nearerReference(mode("locrian"))?.mode.id).toBe("phrygian");
    expect(nearerReference(mode("phrygian-dominant"))?.mode.id).toBe("phrygian");
    expect(nearerReference(mode("phrygian"))).toBeUndefined();
  });

  it("one note brighter than Dorian is Mixolydian by the third, one darker Aeolian by the sixth", () => {
    const brighter = oneNoteAway(mode("dorian"), "brighter");
    expect(brighter[0]).toEqual({ mode: mode("mixolydian"), from: -3, to: 4 });
    expect(oneNoteAway(mode("dorian"), "darker")[0]).toEqual({ mode: mode("aeolian"), from: 3, to: -4 });
    expect(brighter.map((each) => each.mode.id)).toEqual(["mixolydian", "melodic-minor", "dorian-sharp4"]);
    expect(oneNoteAway(mode("lydian"), "brighter").map((each) => each.mode.id)).toContain("lydian-augmented");
  });
});

describe("the swap of a characteristic note", () => {
  test.each([
    ["dorian", "6", "b6", "aeolian"],
    ["lydian", "#4", "4", "ionian"],
    ["mixolydian", "b7", "7", "ionian"],
    ["phrygian", "b2", "2", "aeolian"],
    ["locrian", "b5", "5", "phrygian"],
    ["ionian", "7", "b7", "mixolydian"],
    ["aeolian", "b6", "6", "dorian"],
    ["melodic-minor", "6", "b6", "harmonic-minor"],
  ])("in %s %s goes to %s and makes %s", (id, from, to, makes) => {
    const swap = characteristicSwap(mode(id));
    expect(swap && [printDegree(swap.from), printDegree(swap.to), swap.makes?.id]).toEqual([from, to, makes]);
  });

  it("there is one for every mode of the usual families", () =>
    expect(USUAL_MODES.every((each) => characteristicSwap(each))).toBe(true));
});

describe("sets of sounds", () => {
  it("count and turn round the octave", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 0xfff }), fc.integer(), (set, by) => {
        expect(size(transpose(set, by))).toBe(size(set));
        expect(transpose(transpose(set, by), -by)).toBe(set);
        expect(holds(transpose(set, 3), 3)).toBe(holds(set, 0));
      }),
    );
  });
});

describe("syllables", () => {
  it("are solfège from home with the chromatic vowels", () => {
    const solfege = (id: string) => mode(id).intervals.map(syllable).join(" ");
    expect(solfege("dorian")).toBe("do re me fa sol la te");
    expect(solfege("lydian")).toBe("do re mi fi sol la ti");
    expect(solfege("phrygian")).toBe("do ra me fa sol le te");
    expect(solfege("altered")).toBe("do ra me fe se le te");
    expect(solfege("lydian-augmented")).toBe("do re mi fi si la ti");
  });
});

describe("finding by name", () => {
  test.each([
    ["dorian", "dorian", true],
    ["Natural Minor", "aeolian", true],
    ["lydian b7", "lydian-dominant", true],
    ["Lydian ♯5", "lydian-augmented", true],
    ["locrian bb7", "locrian-double-flat7", true],
    ["Ultralocrian ♭♭3", "ultralocrian-double-flat3", true],
    ["doriann", "dorian", false],
    ["mixolidian", "mixolydian", false],
    ["myxo", "ionian", false],
    ["", "ionian", false],
  ])("%j gives %s", (text, id, exact) => {
    expect(nearestMode(text)).toMatchObject({ found: mode(id), exact });
  });

  test.each([
    ["Eb", "Eb", true],
    ["h", "B", false],
    ["Dx", "D##", true],
    ["B####", "Eb", false],
    ["Gis", "G", false],
    ["?", "D", false],
  ])("home %j gives %s", (text, name, exact) => {
    const home = nearestHome(text);
    expect([printName(home.found), home.exact]).toEqual([name, exact]);
  });

  it("finds families", () => {
    expect(nearestFamily("harmonic minor").found).toBe(maybeFamily("harmonic-minor"));
    expect(nearestFamily("nonsense").found.id).toBe("major");
  });

  const found = (text: string, home = 2) =>
    findModes(text, home).map(
      ({ homeMode: { home: on, mode: each }, by, more }) => `${printName(on)} ${each.id} ${by} ${more}`,
    );

  it("searches by words, with a home in front", () => {
    expect(found("C# phryg dom")[0]).toBe("C# phrygian-dominant name 0");
    expect(found("dorian", -4)[0]).toBe("Ab dorian name 0");
    expect(found("natural minor")[0]).toBe("D aeolian name 0");
    expect(found("hungarian")[0]).toBe("D double-harmonic-minor name 0");
    expect(found("set-2741")[0]).toBe("D ionian name 0");
    expect(found("Eb 1-b2-2-b3")[0]).toMatch(/^Eb 1-/u);
    expect(found("enigmatic")[0]).toBe("D 1-b2-3-sharp4-sharp5-sharp6-7 name 0");
    expect(found("zzz")).toEqual([]);
  });

  it("searches by degrees, exact sets first", () => {
    expect(found("1 2 b3 4 5 6 b7")[0]).toBe("D dorian degrees 0");
    const some = found("F# 1 2 b3 #4");
    expect(some[0]).toBe("F# 1-2-b3-b5 degrees 0");
    expect(some).toContain("F# dorian-sharp4 degrees 3");
    expect(some).toContain("F# lydian-flat3 degrees 3");
    expect(some).not.toContain("F# dorian degrees 3");
  });

  it("searches by notes, from the first of them before the others", () => {
    const some = found("E F G# A B");
    expect(some[0]).toBe("E 1-b2-3-4-5 notes 0");
    expect(some).toContain("E phrygian-dominant notes 2");
    expect(some).toContain("A harmonic-minor notes 2");
    expect(some.indexOf("E phrygian-dominant notes 2")).toBeLessThan(
      some.indexOf("A harmonic-minor notes 2"),
    );
    expect(found("A, B, C, D, E, F#, G")[0]).toBe("A dorian notes 0");
    expect(found("Gb Abb Bbb Cb Db Ebb Fb")[0]).toBe("Gb phrygian notes 0");
  });

  it("takes what is neither as a name", () => {
    expect(["C", "", "C C", "1", "a minor", "1 2 x"].map((text) => readSounds(text))).toEqual(
      Array(6).fill(undefined),
    );
  });
});

describe("names of notes by convention", () => {
  test.each([
    [5, "B", "H", "Si"],
    [-2, "B♭", "B", "Si♭"],
    [-9, "B𝄫", "H𝄫", "Si𝄫"],
    [9, "D♯", "D♯", "Ré♯"],
    [-5, "D♭", "D♭", "Ré♭"],
    [12, "B♯", "H♯", "Si♯"],
    [13, "F𝄪", "F𝄪", "Fa𝄪"],
  ])("%i is %s, %s, %s", (fifths, ...names) => {
    expect(NOTE_NAMINGS.map((naming) => printNameIn(fifths, naming))).toEqual(names);
  });

  test.each([
    ["H", "german", 5],
    ["b", "german", -2],
    ["Bb", "german", -2],
    ["Fis", "german", 6],
    ["Es", "german", -3],
    ["Ases", "german", -11],
    ["heses", "german", -9],
    ["Cs", "german", undefined],
    ["B#", "german", undefined],
    ["Ré♯", "fixed-do", 9],
    ["sol", "fixed-do", 1],
    ["Do", "english", undefined],
    ["Db", "fixed-do", -5],
    ["H", "english", undefined],
  ] as const)("%s in %s is %s", (text, naming, fifths) => expect(maybeFifthsIn(text, naming)).toBe(fifths));

  it("reads what it prints, in every convention", () => {
    fc.assert(
      fc.property(fc.integer({ min: -15, max: 19 }), fc.constantFrom(...NOTE_NAMINGS), (fifths, naming) => {
        expect(maybeFifthsIn(printNameIn(fifths, naming), naming)).toBe(fifths);
      }),
    );
  });
});

describe("modes compared with each other", () => {
  it("differ where they differ and nowhere else", () => {
    const { shared, rows } = compareModes([mode("dorian"), mode("aeolian"), mode("phrygian")]);
    expect(size(shared)).toBe(5);
    expect(
      rows.map(({ sound, degrees: in_ }) => [
        sound,
        ...in_.map((each) => (each === undefined ? "" : printDegree(each))),
      ]),
    ).toEqual([
      [1, "", "", "b2"],
      [2, "2", "2", ""],
      [8, "", "b6", "b6"],
      [9, "6", "", ""],
    ]);
  });

  it("a set without a name has its nearest named ones, with what differs", () => {
    const [first] = nearestNamed(modeOf(soundsOf([0, -5, -3, 6, 1, 3, -2])));
    expect(first?.mode.id).toBe("dorian-flat2");
    expect(first?.difference).toEqual({ moved: [{ from: -1, to: 6 }], dropped: [], added: [] });
    expect(nearestNamed(mode("minor-pentatonic"))[0]?.mode.id).toBe("blues-minor");
    expect(nearestNamed(mode("set-179"))[0]?.mode.id).toBe("phrygian-dominant");
    for (const each of modesOfSize(7)) {
      expect(nearestNamed(each).every((near) => near.mode !== each && extentOf(near.difference) > 0)).toBe(
        true,
      );
    }
  });

  it("what sounds the same under another letter is no difference", () => {
    const { moved, dropped, added } = differenceFrom(mode("bebop-major"), mode("bebop-harmonic-minor"));
    expect([degrees(moved.map(({ to }) => to)), degrees(dropped), degrees(added)]).toEqual(["b3", "6", "b7"]);
  });
});
