import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { degreeOf, letterOf, printDegree, soundOf } from "../pitch";
import {
  brightness,
  CATALOGUE,
  distinguishing,
  COMPARISONS,
  comparisonOf,
  FAMILIES,
  everyNoteAway,
  findModes,
  familyOf,
  holdersOf,
  holdsAll,
  isOneNoteApart,
  maybeFamily,
  maybeMode,
  mode,
  modeOf,
  modeOfSounds,
  modesOfSize,
  nearestMode,
  notesOf,
  oneMoreOrFewer,
  oneNoteAway,
  parentOf,
  period,
  reference,
  relatives,
  rotations,
  pitchClassSet,
  soundsOf,
  spellSet,
  stepsOf,
  thirdOf,
  transpose,
} from ".";
import { LISTED_NAMES } from "./listed-names";
import { plainForm } from "./plain-form";

const degrees = (intervals: readonly number[]) =>
  intervals.map((interval) => printDegree(interval)).join(" ");

/**
 * Worked out apart from this code, from the definitions: degrees, brightness (two decimals), what differs from plain major or
 * minor by the third (- left out, + added), every smallest set of characteristic notes.
 */
const TABLE: readonly (readonly [
  id: string,
  degrees: string,
  brightness: number,
  told: string,
  characteristic: string,
])[] = [
  ["ionian", "1 2 3 4 5 6 7", 2, "major", "4 7"],
  ["dorian", "1 2 b3 4 5 6 b7", 0, "minor 6", "6"],
  ["phrygian", "1 b2 b3 4 5 b6 b7", -2, "minor b2", "b2 5"],
  ["lydian", "1 2 3 #4 5 6 7", 3, "major #4", "#4"],
  ["mixolydian", "1 2 3 4 5 6 b7", 1, "major b7", "b7"],
  ["aeolian", "1 2 b3 4 5 b6 b7", -1, "minor", "2 b6"],
  ["locrian", "1 b2 b3 4 b5 b6 b7", -3, "minor b2 b5", "b5"],
  ["melodic-minor", "1 2 b3 4 5 6 7", 1, "minor 6 7", "6 7"],
  ["dorian-flat2", "1 b2 b3 4 5 6 b7", -1, "minor b2 6", "b2 5 6"],
  ["lydian-augmented", "1 2 3 #4 #5 6 7", 4, "major #4 #5", "#4 #5 6 / #4 #5 7 / 2 #4 #5"],
  ["lydian-dominant", "1 2 3 #4 5 6 b7", 2, "major #4 b7", "2 #4 b7 / #4 5 b7 / #4 6 b7"],
  ["mixolydian-flat6", "1 2 3 4 5 b6 b7", 0, "major b6 b7", "2 4 b6 / 2 5 b6 / 2 b6 b7"],
  ["locrian-natural2", "1 2 b3 4 b5 b6 b7", -2, "minor b5", "2 b5"],
  ["altered", "1 b2 b3 b4 b5 b6 b7", -4, "minor b2 b4 b5", "b4 b7"],
  ["harmonic-minor", "1 2 b3 4 5 b6 7", 0, "minor 7", "b6 7"],
  ["locrian-natural6", "1 b2 b3 4 b5 6 b7", -2, "minor b2 b5 6", "4 b5 6"],
  ["ionian-sharp5", "1 2 3 4 #5 6 7", 3, "major #5", "2 4 #5 / 4 #5 6 / 4 #5 7"],
  ["dorian-sharp4", "1 2 b3 #4 5 6 b7", 1, "minor #4 6", "2 #4"],
  ["phrygian-dominant", "1 b2 3 4 5 b6 b7", -1, "major b2 b6 b7", "b2 4 / b2 5 / b2 b7"],
  ["lydian-sharp2", "1 #2 3 #4 5 6 7", 4, "major #2 #4", "#2 5 / #2 7"],
  ["ultralocrian", "1 b2 b3 b4 b5 b6 bb7", -5, "minor b2 b4 b5 bb7", "b6 bb7"],
  ["harmonic-major", "1 2 3 4 5 b6 7", 1, "major b6", "2 b6 7 / 4 b6 7 / 5 b6 7"],
  ["dorian-flat5", "1 2 b3 4 b5 6 b7", -1, "minor b5 6", "2 4 b5 6 / 2 b5 6 b7"],
  ["phrygian-flat4", "1 b2 b3 b4 5 b6 b7", -3, "minor b2 b4", "b4 5"],
  ["lydian-flat3", "1 2 b3 #4 5 6 7", 2, "minor #4 6 7", "#4 5 7 / 2 #4 7"],
  ["mixolydian-flat2", "1 b2 3 4 5 6 b7", 0, "major b2 b7", "b2 6"],
  ["lydian-augmented-sharp2", "1 #2 3 #4 #5 6 7", 5, "major #2 #4 #5", "#2 #4 #5 / #2 #5 6 / #2 #5 7"],
  ["locrian-double-flat7", "1 b2 b3 4 b5 b6 bb7", -4, "minor b2 b5 bb7", "4 b6 bb7 / b2 4 bb7"],
  ["double-harmonic", "1 b2 3 4 5 b6 7", 0, "major b2 b6", "b2 7"],
  ["lydian-sharp2-sharp6", "1 #2 3 #4 5 #6 7", 5, "major #2 #4 #6", "#2 #6 / #6 7"],
  [
    "ultraphrygian",
    "1 b2 b3 b4 5 b6 bb7",
    -4,
    "minor b2 b4 bb7",
    "5 b6 bb7 / b2 5 bb7 / b2 b4 5 / b4 5 b6 / b4 5 bb7",
  ],
  ["double-harmonic-minor", "1 2 b3 #4 5 b6 7", 1, "minor #4 7", "2 #4"],
  ["mixolydian-flat2-flat5", "1 b2 3 4 b5 6 b7", -1, "major b2 b5 b7", "b2 b5 / b2 b7 / 4 b5"],
  ["ionian-sharp2-sharp5", "1 #2 3 4 #5 6 7", 4, "major #2 #5", "#2 4"],
  ["locrian-double-flat3-double-flat7", "1 b2 bb3 4 b5 b6 bb7", -5, "minor b2 bb3 b5 bb7", "b2"],
  ["neapolitan-minor", "1 b2 b3 4 5 b6 7", -1, "minor b2 7", "b2 7"],
  ["lydian-sharp6", "1 2 3 #4 5 #6 7", 4, "major #4 #6", "#6 7"],
  ["mixolydian-sharp5", "1 2 3 4 #5 6 b7", 2, "major #5 b7", "#5 6 b7 / 2 #5 b7"],
  ["aeolian-sharp4", "1 2 b3 #4 5 b6 b7", 0, "minor #4", "#4 5 b6 / 2 #4 b6"],
  ["locrian-natural3", "1 b2 3 4 b5 b6 b7", -2, "major b2 b5 b6 b7", "4 b5"],
  ["ionian-sharp2", "1 #2 3 4 5 6 7", 3, "major #2", "#2 4"],
  ["ultralocrian-double-flat3", "1 b2 bb3 b4 b5 b6 bb7", -6, "minor b2 bb3 b4 b5 bb7", "b2"],
  ["neapolitan-major", "1 b2 b3 4 5 6 7", 0, "minor b2 6 7", "b2 7"],
  ["lydian-augmented-sharp6", "1 2 3 #4 #5 #6 7", 5, "major #4 #5 #6", "#6 7"],
  ["lydian-dominant-sharp5", "1 2 3 #4 #5 6 b7", 3, "major #4 #5 b7", "#5 6 b7"],
  ["lydian-dominant-flat6", "1 2 3 #4 5 b6 b7", 1, "major #4 b6 b7", "#4 5 b6"],
  ["major-locrian", "1 2 3 4 b5 b6 b7", -1, "major b5 b6 b7", "4 b5"],
  ["altered-natural2", "1 2 b3 b4 b5 b6 b7", -3, "minor b4 b5", "2 b4"],
  ["altered-double-flat3", "1 b2 bb3 b4 b5 b6 b7", -5, "minor b2 bb3 b4 b5", "b2"],
  ["major-pentatonic", "1 2 3 5 6", 2, "major -4 -7", ""],
  ["suspended-pentatonic", "1 2 4 5 b7", 0, "major -3 -6 b7", ""],
  ["minor-pentatonic-flat6", "1 b3 4 b6 b7", -2, "minor -2 -5", ""],
  ["suspended-pentatonic-natural6", "1 2 4 5 6", 1, "major -3 -7", ""],
  ["minor-pentatonic", "1 b3 4 5 b7", -1, "minor -2 -b6", ""],
  ["blues-minor", "1 b3 4 b5 5 b7", -1.83, "minor -2 +b5 -b6", "b5 5"],
  ["blues-major", "1 2 b3 3 5 6", 1.17, "major +b3 -4 -7", "b3"],
  ["whole-tone", "1 2 3 #4 #5 b7", 3, "major #4 #5 -6 b7", "#5"],
  ["diminished", "1 2 b3 4 b5 b6 6 7", -0.5, "minor b5 +6 7", "7"],
  ["dominant-diminished", "1 b2 b3 3 #4 5 6 b7", 0.5, "major b2 +b3 #4 b7", "b2 / b3"],
  ["augmented", "1 #2 3 5 b6 7", 2.5, "major #2 -4 b6", "#2"],
  ["augmented-inverse", "1 b2 3 4 #5 6", 1.5, "major b2 #5 -7", "b2"],
  ["bebop-dominant", "1 2 3 4 5 6 b7 7", 1.5, "major +b7", "b7 7"],
  ["bebop-locrian", "1 b2 b3 4 b5 5 b6 b7", -2.5, "minor b2 +b5", "b5 5"],
  ["bebop-dorian", "1 2 b3 3 4 5 6 b7", 0.5, "major +b3 b7", "b3"],
  ["bebop-major", "1 2 3 4 5 #5 6 7", 2.75, "major +#5", "2 #5"],
  ["bebop-harmonic-minor", "1 2 b3 4 5 b6 b7 7", -0.25, "minor +7", "4 7 / b7 7"],
  [
    "bebop-melodic-minor",
    "1 2 b3 4 5 #5 6 7",
    1.88,
    "minor +6 7",
    "2 5 7 / 2 #5 6 / 2 6 7 / 4 5 7 / 4 #5 6 / 4 6 7 / 5 #5 6 / 5 #5 7 / #5 6 7",
  ],
  ["ionian-without-2", "1 3 4 5 6 7", 2, "major -2", ""],
  ["ionian-without-3", "1 2 4 5 6 7", 1.67, "major -3", ""],
  ["ionian-without-4", "1 2 3 5 6 7", 2.5, "major -4", ""],
  ["ionian-without-5", "1 2 3 4 6 7", 2.17, "major -5", ""],
  ["ionian-without-6", "1 2 3 4 5 7", 1.83, "major -6", ""],
  ["ionian-without-7", "1 2 3 4 5 6", 1.5, "major -7", ""],
  ["aeolian-without-2", "1 b3 4 5 b6 b7", -1.5, "minor -2", ""],
  ["aeolian-without-3", "1 2 4 5 b6 b7", -0.67, "major -3 b6 b7", ""],
  ["aeolian-without-4", "1 2 b3 5 b6 b7", -1, "minor -4", ""],
  ["aeolian-without-5", "1 2 b3 4 b6 b7", -1.33, "minor -5", ""],
  ["aeolian-without-6", "1 2 b3 4 5 b7", -0.5, "minor -b6", ""],
  ["aeolian-without-7", "1 2 b3 4 5 b6", -0.83, "minor -b7", ""],
  ["dorian-without-2", "1 b3 4 5 6 b7", -0.33, "minor -2 6", ""],
  ["dorian-without-3", "1 2 4 5 6 b7", 0.5, "major -3 b7", ""],
  ["dorian-without-4", "1 2 b3 5 6 b7", 0.17, "minor -4 6", ""],
  ["dorian-without-5", "1 2 b3 4 6 b7", -0.17, "minor -5 6", ""],
  ["dorian-without-7", "1 2 b3 4 5 6", 0.33, "minor 6 -b7", ""],
  ["mixolydian-without-2", "1 3 4 5 6 b7", 0.83, "major -2 b7", ""],
  ["mixolydian-without-4", "1 2 3 5 6 b7", 1.33, "major -4 b7", ""],
  ["mixolydian-without-5", "1 2 3 4 6 b7", 1, "major -5 b7", ""],
  ["mixolydian-without-6", "1 2 3 4 5 b7", 0.67, "major -6 b7", ""],
  ["lydian-without-2", "1 3 #4 5 6 7", 3.17, "major -2 #4", ""],
  ["lydian-without-3", "1 2 #4 5 6 7", 2.83, "major -3 #4", ""],
  ["lydian-without-5", "1 2 3 #4 6 7", 3.33, "major #4 -5", ""],
  ["lydian-without-6", "1 2 3 #4 5 7", 3, "major #4 -6", ""],
  ["lydian-without-7", "1 2 3 #4 5 6", 2.67, "major #4 -7", ""],
  ["phrygian-without-3", "1 b2 4 5 b6 b7", -1.83, "major b2 -3 b6 b7", ""],
  ["phrygian-without-4", "1 b2 b3 5 b6 b7", -2.17, "minor b2 -4", ""],
  ["phrygian-without-5", "1 b2 b3 4 b6 b7", -2.5, "minor b2 -5", ""],
  ["phrygian-without-6", "1 b2 b3 4 5 b7", -1.67, "minor b2 -b6", ""],
  ["phrygian-without-7", "1 b2 b3 4 5 b6", -2, "minor b2 -b7", ""],
  ["locrian-without-2", "1 b3 4 b5 b6 b7", -2.67, "minor -2 b5", ""],
  ["locrian-without-3", "1 b2 4 b5 b6 b7", -3, "major b2 -3 b5 b6 b7", ""],
  ["locrian-without-4", "1 b2 b3 b5 b6 b7", -3.33, "minor b2 -4 b5", ""],
  ["locrian-without-6", "1 b2 b3 4 b5 b7", -2.83, "minor b2 b5 -b6", ""],
  ["locrian-without-7", "1 b2 b3 4 b5 b6", -3.17, "minor b2 b5 -b7", ""],
];

/** What differs, degree by degree, as the table writes it. */
function told(id: string): string {
  const { mode: by, moved, dropped, added } = reference(mode(id));
  const changes = [
    ...moved.map(({ to }) => [to, printDegree(to)] as const),
    ...dropped.map((degree) => [degree, `-${printDegree(degree)}`] as const),
    ...added.map((degree) => [degree, `+${printDegree(degree)}`] as const),
  ];
  const name = by.id === "ionian" ? "major" : "minor";
  return `${name} ${changes
    .map(([, text]) => text)
    .sort()
    .join(" ")}`.trim();
}

describe("the catalogue", () => {
  test.each(TABLE)("%s is %s, brightness %d", (id, written, bright, changes, characteristic) => {
    const found = mode(id);
    expect(degrees(found.intervals)).toBe(written);
    expect(brightness(found.intervals)).toBeCloseTo(bright, 2);
    const [by = "", ...rest] = changes.split(" ");
    expect(told(id)).toBe([by, ...rest.sort()].join(" "));
    expect(distinguishing(found).map(degrees).sort()).toEqual(
      characteristic === "" ? [] : characteristic.split(" / ").sort(),
    );
    expect(modeOfSounds(found.sounds)).toBe(found);
  });

  it("holds what the table lists, and nothing else", () => {
    expect(CATALOGUE.map(({ id }) => id).sort()).toEqual(TABLE.map(([id]) => id).sort());
  });

  it("has no two modes that sound alike, and no name twice", () => {
    expect(new Set(CATALOGUE.map(({ sounds }) => sounds)).size).toBe(CATALOGUE.length);
    const names = CATALOGUE.flatMap(({ name, aliases }) => [name, ...aliases]).map((name) =>
      name.toLowerCase(),
    );
    // Two scales go by these, as the lists have it.
    expect(names.filter((name, at) => names.indexOf(name) !== at)).toEqual(["diminished", "octatonic"]);
  });

  it("finds every name that lists of scales give, and shows it with its steps", () => {
    for (const [key, names] of Object.entries(LISTED_NAMES)) {
      const each = modeOf(pitchClassSet(key.split(" ").map(Number)));
      for (const name of names) {
        const said = [each.id, each.name, ...each.aliases].map(plainForm);
        expect([name, said]).toEqual([name, expect.arrayContaining([plainForm(name)])]);
        expect([name, nearestMode(name).exact]).toEqual([name, true]);
        expect(findModes(name, 2).map(({ homeMode }) => homeMode.mode)).toContain(each);
      }
    }
  });

  it("takes the rotation that lists name for the parent of a set", () => {
    const named = nearestMode("prometheus neapolitan").found;
    expect(named.degree).toBe(1);
    for (const each of familyOf(named).modes) expect(familyOf(each).name).toBe(named.name);
  });

  test.each([
    ["locrian #2", "locrian-natural2"],
    ["Locrian ♮2", "locrian-natural2"],
    ["lydian #9", "lydian-sharp2"],
    ["altered", "altered"],
    ["super locrian", "altered"],
    ["jazz minor", "melodic-minor"],
    ["lydian b7", "lydian-dominant"],
    ["hungarian minor", "double-harmonic-minor"],
    ["ukrainian dorian", "dorian-sharp4"],
    ["half whole diminished", "dominant-diminished"],
    ["whole half diminished", "diminished"],
    ["mixolydian b6", "mixolydian-flat6"],
    ["major blues", "blues-major"],
  ])("%s is %s", (name, id) => expect(nearestMode(name)).toMatchObject({ exact: true, found: { id } }));

  it("has rotations only in a family, each on its degree", () => {
    for (const family of FAMILIES) {
      const parent = family.modes[0]!;
      expect(family.modes.map(({ sounds }) => sounds)).toEqual(rotations(parent.sounds));
      expect(family.modes.map(({ degree }) => degree)).toEqual(family.modes.map((_, at) => at + 1));
    }
  });

  it("names a six-note scale after the more common of the two that it comes from", () => {
    expect(mode("aeolian-without-6").aliases).toContain("Dorian without 6");
    expect(maybeMode("dorian-without-6")).toBeUndefined();
    expect(mode("ionian-without-7").aliases).toEqual([
      "major without 7",
      "Mixolydian without 7",
      "hex major 6",
    ]);
  });

  it("is frozen, so that it can be shared", () => {
    expect(Object.isFrozen(CATALOGUE)).toBe(true);
    expect(CATALOGUE.every((each) => Object.isFrozen(each) && Object.isFrozen(each.intervals))).toBe(true);
  });

  it("refuses an id that is none", () => expect(() => mode("dorain")).toThrow("There is no mode “dorain”"));
});

describe("any set of notes", () => {
  const anySet = fc.integer({ min: 1, max: 2047 }).map((bits) => 2 * bits + 1);

  it("there are 462 of seven notes in 66 families, and 2047 of all sizes", () => {
    const sevens = modesOfSize(7);
    expect(sevens).toHaveLength(462);
    expect(new Set(sevens.map(({ family }) => family)).size).toBe(66);
    const all = Array.from({ length: 11 }, (_, at) => modesOfSize(at + 2).length);
    expect(all).toEqual([11, 55, 165, 330, 462, 462, 330, 165, 55, 11, 1]);
  });

  it("uses each letter once where there are seven notes, whatever the home, and brightness is whole", () => {
    fc.assert(
      fc.property(fc.constantFrom(...modesOfSize(7)), fc.integer({ min: -8, max: 12 }), (each, home) => {
        const letters = notesOf({ home, mode: each }).map(letterOf);
        expect([...letters].sort().join("")).toBe("ABCDEFG");
        expect(Number.isInteger(brightness(each.intervals))).toBe(true);
      }),
      { numRuns: 500 },
    );
  });

  it("is one object, spelled as it sounds, rising, found again by its id", () => {
    fc.assert(
      fc.property(anySet, (set) => {
        const each = modeOf(set);
        expect(soundsOf(each.intervals)).toBe(set);
        expect(each.intervals.map(soundOf)).toEqual(each.intervals.map(soundOf).sort((a, b) => a - b));
        expect(maybeMode(each.id)).toBe(each);
        expect(maybeMode(`set-${set}`)).toBe(each);
        expect(familyOf(each).modes[each.degree - 1]).toBe(each);
        expect(maybeFamily(each.family)).toBe(familyOf(each));
        expect(stepsOf(each.intervals.map(soundOf)).reduce((a, b) => a + b)).toBe(12);
      }),
      { numRuns: 400 },
    );
  });

  it("has a parent whose count comes back, in every set and on every home", () => {
    fc.assert(
      fc.property(anySet, fc.integer({ min: -8, max: 12 }), (set, home) => {
        const here = { home, mode: modeOf(set) };
        const { family, tonic, degree } = parentOf(here);
        expect(relatives(family, tonic)[degree - 1]).toEqual(here);
        const sounding = relatives(family, tonic).map((each) =>
          transpose(each.mode.sounds, soundOf(each.home)),
        );
        expect(new Set(sounding).size).toBe(1);
      }),
      { numRuns: 300 },
    );
  });

  test.each([
    ["1 b3 3 5", "1 #2 3 5"],
    ["1 b2 3 b5 b6 b7", "1 b2 3 b5 b6 b7"],
    ["1 2 3 #4 5 6", "1 2 3 #4 5 6"],
    ["1 b2 2 b3 3 4", "1 b2 2 b3 3 4"],
    ["1 b5", "1 b5"],
    ["1 5", "1 5"],
    ["1 3 #4 5 b7", "1 3 #4 5 b7"],
  ])("%s is spelled %s", (asked, spelled) => {
    expect(degrees(spellSet(soundsOf(asked.split(" ").map(degreeOf))))).toBe(spelled);
  });

  it("is refused without home, alone, or past twelve bits", () => {
    expect(() => modeOf(6)).toThrow("with home among them");
    expect(["set-1", "set-6", "set-4097", "set-0", "set-x", "set-"].map(maybeMode)).toEqual(
      Array(6).fill(undefined),
    );
  });

  it("knows the scales that are their own transposition", () => {
    const repeating = [...CATALOGUE].filter(({ sounds }) => period(sounds) < 12);
    expect(repeating.map(({ id, sounds }) => [id, period(sounds)])).toEqual([
      ["whole-tone", 2],
      ["diminished", 3],
      ["dominant-diminished", 3],
      ["augmented", 4],
      ["augmented-inverse", 4],
    ]);
    expect(familyOf(mode("whole-tone")).modes).toHaveLength(1);
    expect(familyOf(modeOf(0xfff)).modes).toHaveLength(1);
  });

  test.each([
    ["0 1 3 6 7 9 10", "Dorian ♭2 ♯4", "1-b2-b3-sharp4-5-6-b7"],
    ["0 2 4 5 6 9 11", "Ionian ♭5", "1-2-3-4-b5-6-7"],
    ["0 3 6 8 10", "Locrian without ♭2 4", "1-b3-b5-b6-b7"],
    ["0 2 3 4 5 7 9 10", "Bebop Dorian", "bebop-dorian"],
    ["0 2 3 5 7 8 9 10", "Dorian add♭6", "1-2-b3-4-5-b6-6-b7"],
    ["0 1 4 6 8 10 11", "Enigmatic", "1-b2-3-sharp4-sharp5-sharp6-7"],
  ])("of half steps %s goes by %s, and by its degrees in addresses", (sounds, name, id) => {
    const each = modeOf(pitchClassSet(sounds.split(" ").map(Number)));
    expect([each.name, each.id, maybeMode(each.id)]).toEqual([name, id, each]);
  });

  it("is never named by a number, and is found again by its id, in whatever size", () => {
    for (let bits = 1; bits < 2048; bits += 1) {
      const each = modeOf(2 * bits + 1);
      expect(each.name).not.toMatch(/set|mode \d/iu);
      expect(maybeMode(each.id)).toBe(each);
      expect(maybeFamily(each.family)).toBe(familyOf(each));
    }
    expect(maybeMode("set-2741")).toBe(mode("ionian"));
    expect(maybeMode("1-b2-")).toBeUndefined();
    expect(maybeMode("b2-3")).toBeUndefined();
  });
});

describe("what distinguishes a mode, over all modes", () => {
  it("tell each from its comparison and none of them can be spared, for all 462 and the catalogue", () => {
    for (const each of new Set([...CATALOGUE, ...modesOfSize(7)])) {
      for (const comparison of COMPARISONS.slice(0, 3)) {
        const third = thirdOf(each);
        const given = third === undefined ? [0] : [0, third];
        const others = comparisonOf(each, comparison);
        const tells = (set: readonly number[]) =>
          others.every((other) => !holdsAll(other.sounds, soundsOf([...given, ...set])));
        const sets = distinguishing(each, comparison);
        expect(sets.length === 0).toBe(holdersOf(each, comparison).length > 0);
        for (const set of sets) {
          expect(tells(set)).toBe(true);
          expect(set.some((spared) => tells(set.filter((interval) => interval !== spared)))).toBe(false);
        }
      }
    }
  });

  it("follow the comparison that is chosen", () => {
    const told = (id: string, comparison: (typeof COMPARISONS)[number]) =>
      distinguishing(mode(id), comparison).map(degrees);
    expect(told("dorian", "seven")).toEqual(["6"]);
    expect(told("melodic-minor", "parent")).toEqual(["7"]);
    expect(told("minor-pentatonic", "parent")).toEqual(["5"]);
    expect(told("dorian", "catalogue")).not.toEqual(["6"]);
    expect(holdersOf(mode("minor-pentatonic")).map(({ id }) => id)).toEqual([
      "dorian",
      "phrygian",
      "aeolian",
    ]);
  });
});

describe("one note apart", () => {
  it("going brighter and darker again comes back, over all 462", () => {
    for (const each of modesOfSize(7)) {
      for (const step of everyNoteAway(each, "brighter")) {
        const back = everyNoteAway(step.mode, "darker").find((other) => other.mode === each);
        expect([back?.from, back?.to]).toEqual([step.to, step.from]);
        expect(brightness(step.mode.intervals) - brightness(each.intervals)).toBeCloseTo(1);
        expect(isOneNoteApart(each, step.mode)).toBe(true);
      }
    }
  });

  it("finds scales with a note more and a note fewer", () => {
    const { more, fewer } = oneMoreOrFewer(mode("ionian"));
    expect(more.map(({ mode: { id }, note }) => `${id} ${printDegree(note)}`)).toEqual([
      "bebop-dominant b7",
      "bebop-major #5",
    ]);
    expect(fewer.map(({ mode: { id }, note }) => `${id} ${printDegree(note)}`)).toContain(
      "ionian-without-4 4",
    );
  });

  it("is mutual, and no mode is one note from itself", () => {
    const some = [...CATALOGUE, ...modesOfSize(7).slice(0, 60)];
    for (const one of some) {
      expect(isOneNoteApart(one, one)).toBe(false);
      for (const other of some) expect(isOneNoteApart(one, other)).toBe(isOneNoteApart(other, one));
    }
    expect(isOneNoteApart(mode("dorian"), mode("ionian"))).toBe(false);
    expect(isOneNoteApart(mode("dorian"), mode("aeolian"))).toBe(true);
    expect(isOneNoteApart(mode("minor-pentatonic"), mode("blues-minor"))).toBe(true);
  });

  it("goes by brightness outside seven notes: the third lowered to a second is brighter", () => {
    const [first] = oneNoteAway(mode("minor-pentatonic"), "brighter");
    expect([first?.mode.id, first && printDegree(first.from), first && printDegree(first.to)]).toEqual([
      "suspended-pentatonic",
      "b3",
      "2",
    ]);
  });
});
