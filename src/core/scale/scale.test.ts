import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { fifthsOf, letterOf, printDegree, printName, soundOf } from "../pitch";
import {
  bestHome,
  brightness,
  CATALOGUE,
  colourNotes,
  colourSwap,
  enharmonicHome,
  FAMILIES,
  findModes,
  holds,
  holdsAll,
  maybeFamily,
  mode,
  modeOfSounds,
  nearerReference,
  nearestFamily,
  nearestHome,
  nearestMode,
  notesOf,
  oneNoteAway,
  parallels,
  parentOf,
  reference,
  relatives,
  size,
  soundsOf,
  stepsOf,
  syllable,
  thirdOf,
  transpose,
  usualComparison,
} from ".";

const degrees = (intervals: readonly number[]) =>
  intervals.map((interval) => printDegree(interval)).join(" ");
const sets = (all: readonly (readonly number[])[]) => all.map(degrees);
const spelled = (home: string, id: string) =>
  notesOf({ home: fifthsOf(home), mode: mode(id) })
    .map((note) => printName(note))
    .join(" ");

const anyMode = fc.constantFrom(...CATALOGUE);
const anyHome = fc.integer({ min: -8, max: 12 });

/** Written out by hand: degrees, brightness, parent on C. */
const TABLE: readonly (readonly [id: string, degrees: string, brightness: number, parent: string])[] = [
  ["ionian", "1 2 3 4 5 6 7", 2, "C"],
  ["dorian", "1 2 b3 4 5 6 b7", 0, "Bb"],
  ["phrygian", "1 b2 b3 4 5 b6 b7", -2, "Ab"],
  ["lydian", "1 2 3 #4 5 6 7", 3, "G"],
  ["mixolydian", "1 2 3 4 5 6 b7", 1, "F"],
  ["aeolian", "1 2 b3 4 5 b6 b7", -1, "Eb"],
  ["locrian", "1 b2 b3 4 b5 b6 b7", -3, "Db"],
  ["melodic-minor", "1 2 b3 4 5 6 7", 1, "C"],
  ["dorian-flat2", "1 b2 b3 4 5 6 b7", -1, "Bb"],
  ["lydian-augmented", "1 2 3 #4 #5 6 7", 4, "A"],
  ["lydian-dominant", "1 2 3 #4 5 6 b7", 2, "G"],
  ["mixolydian-flat6", "1 2 3 4 5 b6 b7", 0, "F"],
  ["locrian-natural2", "1 2 b3 4 b5 b6 b7", -2, "Eb"],
  ["altered", "1 b2 b3 b4 b5 b6 b7", -4, "Db"],
  ["harmonic-minor", "1 2 b3 4 5 b6 7", 0, "C"],
  ["locrian-natural6", "1 b2 b3 4 b5 6 b7", -2, "Bb"],
  ["ionian-sharp5", "1 2 3 4 #5 6 7", 3, "A"],
  ["dorian-sharp4", "1 2 b3 #4 5 6 b7", 1, "G"],
  ["phrygian-dominant", "1 b2 3 4 5 b6 b7", -1, "F"],
  ["lydian-sharp2", "1 #2 3 #4 5 6 7", 4, "E"],
  ["ultralocrian", "1 b2 b3 b4 b5 b6 bb7", -5, "Db"],
  ["harmonic-major", "1 2 3 4 5 b6 7", 1, "C"],
  ["dorian-flat5", "1 2 b3 4 b5 6 b7", -1, "Bb"],
  ["phrygian-flat4", "1 b2 b3 b4 5 b6 b7", -3, "Ab"],
  ["lydian-flat3", "1 2 b3 #4 5 6 7", 2, "G"],
  ["mixolydian-flat2", "1 b2 3 4 5 6 b7", 0, "F"],
  ["lydian-augmented-sharp2", "1 #2 3 #4 #5 6 7", 5, "E"],
  ["locrian-double-flat7", "1 b2 b3 4 b5 b6 bb7", -4, "Db"],
];

describe("the catalogue", () => {
  it("has the four families, seven modes each, no two alike", () => {
    expect(CATALOGUE.map(({ id }) => id).sort()).toEqual(TABLE.map(([id]) => id).sort());
    expect(new Set(CATALOGUE.map(({ sounds }) => sounds)).size).toBe(28);
  });

  test.each(TABLE)("%s is %s, brightness %i, on C of %s", (id, written, bright, parent) => {
    const found = mode(id);
    expect(degrees(found.intervals)).toBe(written);
    expect(brightness(found.intervals)).toBe(bright);
    expect(printName(parentOf({ home: 0, mode: found }).tonic)).toBe(parent);
    expect(modeOfSounds(found.sounds)).toBe(found);
  });

  it("is frozen, so that it can be shared", () => {
    expect(Object.isFrozen(CATALOGUE)).toBe(true);
    expect(CATALOGUE.every((each) => Object.isFrozen(each) && Object.isFrozen(each.intervals))).toBe(true);
  });

  it("refuses an id that is none", () => expect(() => mode("dorain")).toThrow("There is no mode “dorain”"));
});

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
      fc.property(anyHome, anyMode, (home, each) => {
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
    ["melodic-minor", ["7"]],
    ["dorian-flat2", ["b2 6"]],
    ["altered", ["b4"]],
    ["phrygian-dominant", ["b2 b7", "b2 4", "b2 5", "5 b6", "b6 b7"]],
  ])("colour notes of %s are %j", (id, expected) => expect(sets(colourNotes(mode(id)))).toEqual(expected));

  it("colour notes tell the mode from all others and no note of them can be spared", () => {
    for (const each of CATALOGUE) {
      const given = [0, thirdOf(each) ?? 0];
      const others = usualComparison(each).filter((other) => other !== each);
      const tells = (set: readonly number[]) =>
        others.every((other) => !holdsAll(other.sounds, soundsOf([...given, ...set])));
      for (const set of colourNotes(each)) {
        expect(tells(set)).toBe(true);
        for (const spared of set) expect(tells(set.filter((interval) => interval !== spared))).toBe(false);
      }
    }
  });

  it("finds none where the comparison holds a mode that sounds the same under another name", () => {
    const dorian = mode("dorian");
    expect(colourNotes(dorian, [dorian])).toEqual([[]]);
    expect(colourNotes(dorian, [mode("ionian")])).toEqual([[]]);
  });

  test.each([
    ["lydian", "ionian", "#4"],
    ["dorian", "aeolian", "6"],
    ["locrian", "aeolian", "b2 b5"],
    ["phrygian-dominant", "ionian", "b2 b6 b7"],
    ["ionian", "ionian", ""],
  ])("%s is told by %s with %s", (id, by, changes) => {
    const found = reference(mode(id));
    expect([found.mode.id, degrees(found.changes.map(({ to }) => to))]).toEqual([by, changes]);
  });

  it("follows the other schools", () => {
    expect(degrees(reference(mode("dorian"), "major").changes.map(({ to }) => to))).toBe("b3 b7");
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

  it("going brighter and darker again comes back", () => {
    for (const each of CATALOGUE) {
      for (const step of oneNoteAway(each, "brighter")) {
        const back = oneNoteAway(step.mode, "darker").find((other) => other.mode === each);
        expect([back?.from, back?.to]).toEqual([step.to, step.from]);
        expect(brightness(step.mode.intervals) - brightness(each.intervals)).toBeCloseTo(1);
      }
    }
  });
});

describe("the swap of a colour note", () => {
  test.each([
    ["dorian", "6", "b6", "aeolian"],
    ["lydian", "#4", "4", "ionian"],
    ["mixolydian", "b7", "7", "ionian"],
    ["phrygian", "b2", "2", "aeolian"],
    ["locrian", "b5", "5", "phrygian"],
    ["ionian", "7", "b7", "mixolydian"],
    ["aeolian", "b6", "6", "dorian"],
    ["melodic-minor", "7", "b7", "dorian"],
  ])("in %s %s goes to %s and makes %s", (id, from, to, makes) => {
    const swap = colourSwap(mode(id));
    expect(swap && [printDegree(swap.from), printDegree(swap.to), swap.makes?.id]).toEqual([from, to, makes]);
  });

  it("there is one for every mode", () => expect(CATALOGUE.every((each) => colourSwap(each))).toBe(true));
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
  it("are sung from home with the chromatic vowels", () => {
    const sung = (id: string) => mode(id).intervals.map(syllable).join(" ");
    expect(sung("dorian")).toBe("do re me fa sol la te");
    expect(sung("lydian")).toBe("do re mi fi sol la ti");
    expect(sung("phrygian")).toBe("do ra me fa sol le te");
    expect(sung("altered")).toBe("do ra me fe se le te");
    expect(sung("lydian-augmented")).toBe("do re mi fi si la ti");
  });
});

describe("finding by name", () => {
  test.each([
    ["dorian", "dorian", true],
    ["Natural Minor", "aeolian", true],
    ["lydian b7", "lydian-dominant", true],
    ["Lydian ♯5", "lydian-augmented", true],
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

  it("searches by words, with a home in front", () => {
    expect(findModes("C# phryg dom", 2)[0]).toEqual({ home: 7, mode: mode("phrygian-dominant") });
    expect(findModes("dorian", -4)[0]).toEqual({ home: -4, mode: mode("dorian") });
    expect(findModes("natural minor", 2)[0]?.mode.id).toBe("aeolian");
    expect(findModes("zzz", 2)).toEqual([]);
  });
});
