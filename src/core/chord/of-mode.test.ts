import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { degreeOf, fifthsOf, letterOf, printDegree, printName, soundOf } from "../pitch";
import {
  CATALOGUE,
  characteristicOf,
  holdsAll,
  mode,
  modeOf,
  modesOfSize,
  size,
  pitchClassSet,
  soundsOf,
  thirdOf,
} from "../scale";
import {
  askModes,
  CHORD_KINDS,
  type Chord,
  chordNames,
  chordNotes,
  chordSounds,
  chordSuffix,
  CLAIMS,
  diatonicChords,
  dominantHome,
  printChord,
  FOURTH_COUNTS,
  fourthStacks,
  fullChord,
  fullChordSuffix,
  isTrueOf,
  printFifth,
  readSymbol,
  reducedChord,
  romanNumeral,
  shapesOver,
  chordPairs,
} from ".";

const on = (home: string, id: string) => ({ home: fifthsOf(home), mode: mode(id) });
const notes = (text: string) => text.split(" ").map(fifthsOf);
const names = (all: readonly number[]) => all.map((note) => printName(note)).join(" ");
const degrees = (all: readonly number[]) => all.map((interval) => printDegree(interval)).join(" ");
const chord = (symbol: string): Chord => {
  const reading = readSymbol(symbol);
  if (!("chord" in reading)) throw new Error(`${symbol} is unread`);
  return reading.chord;
};
const anySeven = fc.constantFrom(...modesOfSize(7));
const anySet = fc.integer({ min: 1, max: 2047 }).map((bits) => modeOf(2 * bits + 1));
const anyHome = fc.integer({ min: -8, max: 12 });

describe("chords of a mode", () => {
  const symbols = (home: string, id: string) =>
    diatonicChords(on(home, id)).map(
      ({ chords: { triad, seventh }, roman }) =>
        `${triad ? printChord(triad) : "-"} ${seventh ? printChord(seventh) : "-"} ${roman}`,
    );

  it("stand on each degree, with roman numerals", () => {
    expect(symbols("D", "dorian")).toEqual([
      "Dm Dm7 i",
      "Em Em7 ii",
      "F Fmaj7 bIII",
      "G G7 IV",
      "Am Am7 v",
      "Bdim Bm7b5 vi°",
      "C Cmaj7 bVII",
    ]);
    expect(symbols("A", "harmonic-minor")[2]).toBe("Caug Cmaj7#5 bIII+");
    expect(symbols("F#", "lydian")[1]).toBe("G# G#7 II");
  });

  it("go up to the thirteenth, are suspended, take the sixth", () => {
    const all = (home: string, id: string, at: number) => {
      const { chords } = diatonicChords(on(home, id))[at]!;
      return CHORD_KINDS.map((kind) => (chords[kind] ? printChord(chords[kind]) : "-")).join(" ");
    };
    expect(all("D", "dorian", 0)).toBe("Dm Dm7 Dm9 Dm11 Dm13 Dsus2 Dsus4 Dm6");
    expect(all("E", "phrygian", 0)).toBe("Em Em7 Em7b9 Em11b9 Em11b9b13 Esusb2 Esus4 Emb6");
    expect(all("F", "lydian", 0)).toBe("F Fmaj7 Fmaj9 Fmaj9#11 Fmaj13#11 Fsus2 Fsus#4 F6");
    expect(all("D#", "aeolian", 6)).toBe("C# C#7 C#9 C#11 C#13 C#sus2 C#sus4 C#6");
  });

  it("in scales of other sizes are the plainest that the scale holds", () => {
    expect(symbols("C", "whole-tone").every((text) => text.includes("aug"))).toBe(true);
    expect(symbols("A", "minor-pentatonic")).toEqual(["Am Am7 i", "C - bIII", "- - IV", "- - V", "- - bVII"]);
    expect(symbols("C", "diminished")[0]).toBe("Cdim Cdim7 i°");
  });

  it("hold no note that the mode has not, whatever the set", () => {
    fc.assert(
      fc.property(anySet, anyHome, (each, home) => {
        const sounds = pitchClassSet(each.intervals.map((interval) => soundOf(home + interval)));
        for (const { chords } of diatonicChords({ home, mode: each }))
          for (const one of Object.values(chords)) {
            expect(holdsAll(sounds, chordSounds(one))).toBe(true);
            expect(chordSuffix(one.tones, "signs")).not.toMatch(/undefined|NaN/);
          }
      }),
    );
  });

  it("names sevenths with ø and degrees with signs", () => {
    expect(romanNumeral(5, [0, -3, -6, -2], "signs")).toBe("viiø");
    expect(romanNumeral(-2, [0, 4, 1], "signs")).toBe("♭VII");
  });

  it("every seventh chord of seven notes keeps to one letter a tone", () => {
    fc.assert(
      fc.property(anySeven, anyHome, (each, home) => {
        for (const { chords, degree } of diatonicChords({ home, mode: each }))
          // A mode that is played as a dominant has that for its home chord.
          if (degree !== 0 || !dominantHome(each))
            expect(new Set(chordNotes(chords.seventh!).map(letterOf)).size).toBe(4);
      }),
    );
  });
});

describe("the home chord in full", () => {
  test.each([
    ["dorian", "m13"],
    ["lydian", "maj13#11"],
    ["mixolydian", "13"],
    ["ionian", "maj13"],
    ["phrygian-dominant", "7b9b13"],
    ["aeolian", "m11b13"],
    ["lydian-dominant", "13#11"],
    ["melodic-minor", "m(maj13)"],
    ["ultralocrian", "dim7b9b11b13"],
    ["minor-pentatonic", "m7add11"],
  ])("%s in full is %s", (id, suffix) => expect(fullChordSuffix(mode(id), "ascii")).toBe(suffix));

  it("measures the fifths of the stack: of all 462 only Dorian has nothing but perfect ones", () => {
    const perfect = modesOfSize(7).filter((each) => fullChord(each).fifths.every((off) => off === 0));
    expect(perfect.map(({ id }) => id)).toEqual(["dorian"]);
    expect(fullChord(mode("lydian")).fifths.map(printFifth)).toEqual(["P5", "P5", "P5", "P5", "P5", "d5"]);
    expect(fullChord(mode("lydian-augmented")).fifths.map(printFifth)[0]).toBe("A5");
  });

  test.each([
    ["dorian", "1 b3 b7 2 4 6"],
    ["lydian", "1 3 7 2 #4 6"],
    ["ionian", "1 3 7 2 4 6"],
    ["phrygian", "1 b3 5 b7 b2 4"],
    ["locrian", "1 b3 b5 b7 b2 4"],
  ])("%s reduced to six strings is %s", (id, kept) => expect(degrees(reducedChord(mode(id)))).toBe(kept));

  it("reduced keeps home, third, seventh and characteristic notes, over all 462", () => {
    for (const each of modesOfSize(7)) {
      const kept = reducedChord(each);
      if (dominantHome(each)) {
        expect(kept).toEqual(dominantHome(each)?.slice(0, 6));
        continue;
      }
      expect(kept.length).toBe(6);
      for (const needed of [0, thirdOf(each)!, each.intervals[6]!, ...characteristicOf(each).slice(0, 3)])
        expect(kept).toContain(needed);
    }
  });
});

describe("shared out between two easy chords", () => {
  it("all of C major in two chords, none left out", () => {
    const [first] = chordPairs(on("C", "ionian"));
    expect(first?.missing).toEqual([]);
    const sounds = (first?.chords ?? []).reduce((set, each) => set | chordSounds(each), 0);
    expect(size(sounds)).toBe(7);
  });

  it("says what is missing and never goes outside, whatever the set", () => {
    fc.assert(
      fc.property(anySet, anyHome, (each, home) => {
        const own = pitchClassSet(each.intervals.map((interval) => soundOf(home + interval)));
        for (const { chords, missing } of chordPairs({ home, mode: each })) {
          const held = chords.reduce((set, one) => set | chordSounds(one), 0);
          expect(holdsAll(own, held)).toBe(true);
          expect(size(own & ~held)).toBe(missing.length);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe("stacks of fourths", () => {
  it("on D Dorian: which are perfect throughout", () => {
    const perfect = (count: number) =>
      fourthStacks(mode("dorian"), count)
        .filter((stack) => stack.perfect)
        .map((stack) => degrees(stack.notes));
    expect(perfect(3)).toEqual(["1 4 b7", "2 5 1", "4 b7 b3", "5 1 4", "6 2 5"]);
    expect(perfect(5)).toEqual(["2 5 1 4 b7", "5 1 4 b7 b3", "6 2 5 1 4"]);
    expect(FOURTH_COUNTS.map((count) => fourthStacks(mode("dorian"), count).length)).toEqual([7, 7, 7]);
  });

  it("of a pentatonic only where the next fourth is in it", () => {
    expect(fourthStacks(mode("major-pentatonic"), 5).map(({ notes: stack }) => degrees(stack))).toEqual([
      "3 6 2 5 1",
    ]);
    expect(fourthStacks(mode("whole-tone"), 3)).toEqual([]);
  });
});

describe("naming a set of notes", () => {
  test.each([
    ["A C E G B D", "Am11"],
    ["C E G A", "C6"],
    ["A C E G", "Am7"],
    ["D F G C", "Dm7add11no5"],
    ["B D F A", "Bm7b5"],
    ["C E G B D", "Cmaj9"],
    ["G C D", "Gsus4"],
    ["E G B C", "Cmaj7/E"],
    ["F# A C Eb", "F#dim7"],
    ["C E G# B", "Cmaj7#5"],
    ["C E Bb D# G", "C7#9"],
    ["Gb Bb Db", "Gb"],
    ["B D# F", "B(b5)"],
  ])("%s is %s", (text, name) => expect(printChord(chordNames(notes(text))[0]!)).toBe(name));

  it("gives back the notes that it was given, whatever they are", () => {
    fc.assert(
      fc.property(anySet, anyHome, (each, home) => {
        const given = each.intervals.map((interval) => home + interval);
        for (const one of chordNames(given)) expect(chordSounds(one)).toBe(pitchClassSet(given.map(soundOf)));
      }),
    );
  });

  it("writes symbols that are read back to the same notes", () => {
    for (const symbol of ["Dm7", "Cadd9", "Gsusb2", "Fsus#4", "Cmaj7/E"])
      expect(printChord(chord(symbol))).toBe(symbol);
    expect(printChord(chordNames(notes("A C E G D"))[0]!)).toBe("Am7add11");
  });
});

describe("one shape over a bass", () => {
  const places = shapesOver(fifthsOf("A"), chord("Cmaj9").tones);

  it("Cmaj9 over A is Am11, in Dorian, Phrygian or Aeolian as its notes allow", () => {
    const place = places[3]!;
    expect(printName(place.root)).toBe("C");
    expect(names(place.tones)).toBe("C E G B D");
    expect(degrees(place.degrees)).toBe("b3 5 b7 2 4");
    expect(place.modes.map(({ id }) => id)).toEqual(["dorian", "aeolian"]);
    expect(printChord(place.name)).toBe("Am11");
    expect(place.outside).toEqual([]);
  });

  it("against A Dorian says which notes fall outside and which places are right", () => {
    const within = shapesOver(fifthsOf("A"), chord("Cmaj7").tones, mode("dorian"));
    expect(within.filter(({ outside }) => outside.length === 0).map(({ root }) => printName(root))).toEqual([
      "C",
      "G",
    ]);
    expect(names(within[2]!.outside)).toBe("D# A#");
    expect(within[2]?.root).toBe(fifthsOf("B"));
  });

  it("goes through all twelve, each holding its own tones", () => {
    fc.assert(
      fc.property(anyHome, fc.constantFrom("m7", "maj9", "7b9", "sus4", "dim7"), (bass, quality) => {
        const all = shapesOver(bass, chord(`C${quality}`).tones);
        expect(new Set(all.map(({ root }) => soundOf(root))).size).toBe(12);
        for (const { modes, degrees: held } of all)
          for (const each of modes) expect(holdsAll(each.sounds, soundsOf(held))).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
});

describe("questions about all modes", () => {
  it("which have a home chord with only perfect fifths: of 462 Dorian alone", () => {
    const { found, asked } = askModes({ among: 7, home: 2, claims: ["fifths-perfect"] });
    expect(found).toEqual([on("D", "dorian")]);
    expect(asked).toBe(462);
  });

  it("which hold Em, F and G♯: none of seven notes, since they need eight", () => {
    const { found, needed, nearest } = askModes({ among: 7, chords: ["Em", "F", "G#"].map(chord) });
    expect(found).toEqual([]);
    expect(size(needed)).toBe(8);
    expect(nearest.map(({ missing }) => size(missing))).toEqual([1, 1, 1]);
  });

  it("which hold Am, E and F: the modes of A harmonic minor, on each of its notes", () => {
    const { found } = askModes({ among: "named", chords: ["Am", "E", "F"].map(chord) });
    const sevens = found.filter(({ mode: { sounds } }) => size(sounds) === 7);
    expect(sevens).toContainEqual(on("E", "phrygian-dominant"));
    expect(askModes({ among: "named", home: 4, chords: ["E", "F"].map(chord) }).found[0]).toEqual(
      on("E", "phrygian-dominant"),
    );
  });

  it("which contain these notes and not those", () => {
    const { found } = askModes({ among: "named", home: 2, holds: notes("D F B"), lacks: notes("Bb C#") });
    expect(found[0]).toEqual(on("D", "dorian"));
    for (const { home, mode: each } of found) {
      const sounds = each.intervals.map((interval) => soundOf(home + interval));
      expect(sounds).toEqual(expect.arrayContaining([2, 5, 11]));
      expect(sounds.some((sound) => sound === 10 || sound === 1)).toBe(false);
    }
  });

  it("which lie one note from another", () => {
    const { found } = askModes({ among: "named", home: 0, near: mode("dorian") });
    const ids = found.map(({ mode: { id } }) => id);
    expect(ids).toEqual(
      expect.arrayContaining(["mixolydian", "aeolian", "melodic-minor", "dorian-without-2"]),
    );
    expect(ids).not.toContain("dorian");
  });

  it("claims hold where they can be counted by hand", () => {
    const number = (claim: (typeof CLAIMS)[number], among: "named" | number = 7) =>
      askModes({ among, home: 0, claims: [claim] }).found.length;
    expect(number("own-transposition")).toBe(0);
    expect(number("no-tritone")).toBe(0);
    expect(number("no-tritone", 5)).toBe(80);
    expect(number("no-half-step")).toBe(0);
    expect(number("no-half-step", 6)).toBe(1);
    expect(isTrueOf("no-half-steps-together", mode("harmonic-minor"))).toBe(true);
    expect(isTrueOf("no-half-steps-together", mode("double-harmonic"))).toBe(false);
    expect(
      CATALOGUE.filter((each) => isTrueOf("major-third", each) && isTrueOf("minor-third", each)),
    ).toEqual([]);
    expect(isTrueOf("perfect-fifth", modeOf(soundsOf(["1", "b5"].map(degreeOf))))).toBe(false);
  });
});
