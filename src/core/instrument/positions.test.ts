import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { fifthsOf, midiOf, printName, printDegree } from "../pitch";
import { CATALOGUE, type HomeMode, mode, SEVEN } from "../scale";
import {
  COMFORTABLE_STRETCH,
  frame,
  GUITAR,
  INSTRUMENTS,
  movesFrom,
  nearestWays,
  neckNotes,
  playingOrder,
  type Position,
  positions,
  type System,
  type Tuning,
  tuningOf,
} from ".";

const at = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });

/** Frets string by string from the one that lies lowest, strings set apart by a bar. */
const frets = ({ notes }: Position, strings: number) =>
  Array.from({ length: strings }, (_, each) => strings - each)
    .map((string) =>
      notes
        .filter((note) => note.string === string)
        .map(({ fret }) => fret)
        .join(" "),
    )
    .join(" | ");

const found = (tuning: Tuning, homeMode: HomeMode, system: System, hand: number) => {
  const position = positions(tuning, homeMode, system).find((each) => each.hand === hand);
  if (!position) throw new Error(`no position at ${hand}`);
  return position;
};

describe("positions, as worked out by hand", () => {
  test.each<[string, string, string, System, number, string]>([
    // The five round the open chords of C.
    ["guitar", "C", "ionian", "five-positions", 0, "0 1 3 | 0 2 3 | 0 2 3 | 0 2 | 0 1 3 | 0 1 3"],
    ["guitar", "C", "ionian", "five-positions", 2, "3 5 | 2 3 5 | 2 3 5 | 2 4 5 | 3 5 6 | 3 5"],
    ["guitar", "C", "ionian", "five-positions", 5, "5 7 8 | 5 7 8 | 5 7 | 4 5 7 | 5 6 8 | 5 7 8"],
    ["guitar", "C", "ionian", "five-positions", 7, "7 8 10 | 7 8 10 | 7 9 10 | 7 9 10 | 8 10 | 7 8 10"],
    ["guitar", "D", "dorian", "five-positions", 5, "5 7 8 | 5 7 8 | 5 7 | 4 5 7 | 5 6 8 | 5 7 8"],
    ["guitar", "C#", "mixolydian", "five-positions", 8, "9 11 | 8 9 11 | 8 9 11 | 8 10 11 | 9 11 12 | 9 11"],
    ["guitar", "A", "dorian", "five-positions", 5, "5 7 8 | 5 7 | 4 5 7 | 4 5 7 | 5 7 8 | 5 7 8"],
    ["guitar", "G", "mixolydian", "five-positions", 2, "3 5 | 2 3 5 | 2 3 5 | 2 4 5 | 3 5 6 | 3 5"],
    [
      "guitar",
      "G",
      "mixolydian",
      "five-positions",
      10,
      "10 12 13 | 10 12 | 9 10 12 | 9 10 12 | 10 12 13 | 10 12 13",
    ],
    ["guitar", "F#", "phrygian-dominant", "five-positions", 2, "2 3 | 1 2 4 5 | 2 4 5 | 3 4 | 2 3 5 | 2 3"],
    // Three to a string: G major from its third fret, G♭ a half step below.
    ["guitar", "G", "ionian", "three-per-string", 3, "3 5 7 | 3 5 7 | 4 5 7 | 4 5 7 | 5 7 8 | 5 7 8"],
    ["guitar", "Gb", "ionian", "three-per-string", 2, "2 4 6 | 2 4 6 | 3 4 6 | 3 4 6 | 4 6 7 | 4 6 7"],
    [
      "guitar",
      "A",
      "minor-pentatonic",
      "three-per-string",
      5,
      "5 8 10 | 7 10 12 | 10 12 14 | 12 14 17 | 15 17 20 | 17 20 22",
    ],
    ["bass", "A", "dorian", "three-per-string", 5, "5 7 8 | 5 7 9 | 5 7 9 | 5 7 9"],
    ["mandolin", "G", "ionian", "three-per-string", 12, "12 14 16 | 10 12 14 | 9 10 12 | 7 8 10"],
    // The frame of A minor at the fifth fret, filled in.
    ["guitar", "A", "aeolian", "pentatonic-frame", 5, "5 7 8 | 5 7 8 | 5 7 | 4 5 7 | 5 6 8 | 5 7 8"],
    ["guitar", "A", "minor-pentatonic", "pentatonic-frame", 5, "5 8 | 5 7 | 5 7 | 5 7 | 5 8 | 5 8"],
    ["guitar", "A", "minor-pentatonic", "pentatonic-frame", 7, "8 10 | 7 10 | 7 10 | 7 9 | 8 10 | 8 10"],
    // An octave on two strings, two frets higher on the next pair, three over the third.
    [
      "guitar",
      "C",
      "ionian",
      "octave-pairs",
      8,
      "8 10 12 13 | 10 12 14 | 10 12 14 15 | 12 14 16 | 13 15 17 18 | 15 17 19",
    ],
    [
      "guitar",
      "D",
      "dorian",
      "octave-pairs",
      10,
      "10 12 13 15 | 12 14 15 | 12 14 15 17 | 14 16 17 | 15 17 18 20 | 17 19 20",
    ],
    // In fifths the pair lies two frets lower each time.
    ["fiddle", "C", "dorian", "octave-pairs", 5, "5 7 8 10 | 5 7 8 | 3 5 6 8 | 3 5 6"],
    ["guitar", "E", "phrygian", "open", 0, "0 1 3 | 0 2 3 | 0 2 3 | 0 2 | 0 1 3 | 0 1 3"],
    ["guitar", "D#", "aeolian", "open", 0, "1 2 4 | 1 2 4 | 1 3 4 | 1 3 | 0 2 4 | 1 2"],
    ["guitar/dadgad", "D", "mixolydian", "open", 0, "0 2 4 5 | 0 2 3 | 0 2 4 | 0 | 0 2 3 | 0 2"],
    ["bass", "E", "mixolydian", "open", 0, "0 2 4 | 0 2 4 | 0 2 4 | 1 2"],
    ["ukulele", "C", "mixolydian", "open", 0, " | 0 2 | 0 1 3 | 0 1 3"],
    ["fiddle", "D", "dorian", "open", 0, "0 2 4 5 | 0 2 3 5 | 0 2 3 5 | 0 1 3 5 7"],
    ["fiddle", "A", "mixolydian", "open", 0, "0 2 4 6 | 0 2 4 5 | 0 2 4 5 | 0 2 3 5 7"],
    ["tenor-banjo", "G", "ionian", "open", 0, "0 2 4 6 | 0 2 4 5 | 0 2 4 5 | 0 2 3"],
  ])("%s: %s %s, %s at %i", (id, home, modeId, system, hand, written) => {
    const tuning = tuningOf(id);
    expect(frets(found(tuning, at(home, modeId), system, hand), tuning.strings.length)).toBe(written);
  });

  it("the five go by the open chords round home, and come again at the octave", () => {
    const names = positions(GUITAR, at("C", "ionian"), "five-positions").map(
      ({ name, hand }) => `${hand} ${name.code === "shape" ? name.shape : "?"}`,
    );
    expect(names).toEqual(["0 C", "2 A", "5 G", "7 E", "10 D", "12 C", "14 A", "17 G", "19 E"]);
    const dorian = positions(GUITAR, at("D", "dorian"), "five-positions").slice(0, 5);
    expect(dorian.map(({ name }) => (name.code === "shape" ? name.shape : "?")).join("")).toBe("DCAGE");
    expect(positions(tuningOf("bass"), at("C", "ionian"), "five-positions")[0]?.name.code).toBe("from");
  });

  it("one string goes the whole length", () => {
    const [lowest] = positions(GUITAR, at("E", "phrygian"), "one-string");
    expect(lowest?.notes.map(({ fret }) => fret)).toEqual([0, 1, 3, 5, 7, 8, 10, 12, 13, 15, 17, 19, 20, 22]);
    expect(lowest?.notes.filter(({ isShift }) => isShift).map(({ fret }) => fret)).toEqual([5, 10, 15, 19]);
  });

  it("over a capo the open position lies at the capo", () => {
    const capo = { ...GUITAR, capo: 2 };
    expect(frets(found(capo, at("F#", "phrygian"), "open", 2), 6)).toBe(
      "2 3 5 | 2 4 5 | 2 4 5 | 2 4 | 2 3 5 | 2 3 5",
    );
    expect(found(capo, at("F#", "phrygian"), "open", 2).notes[0]).toMatchObject({ finger: 0, fret: 2 });
  });

  it("a tuning too wide for three notes a string below its top gives none that leave the neck", () => {
    expect(positions({ ...tuningOf("fiddle"), frets: 7 }, at("A", "ionian"), "three-per-string")).toEqual([]);
  });
});

describe("the frame", () => {
  test.each([
    ["dorian", "1 b3 4 5 b7"],
    ["ionian", "1 2 3 5 6"],
    ["lydian", "1 2 3 5 6"],
    ["locrian", "1 b3 4 b5 b7"],
    ["phrygian-dominant", "1 b2 3 5 b6"],
    ["blues-minor", "1 b3 4 5 b7"],
    ["minor-pentatonic", "1 b3 4 5 b7"],
    ["whole-tone", "1 2 3 #4 #5"],
  ])("of %s is %s", (id, written) =>
    expect(
      frame(mode(id))
        .map((each) => printDegree(each))
        .join(" "),
    ).toBe(written),
  );

  it("goes by the open-chord shape whose home notes it has, on any home", () => {
    const shapes = (home: string) =>
      positions(GUITAR, at(home, "minor-pentatonic"), "pentatonic-frame")
        .map(({ name }) => (name.code === "shape" ? name.shape : name.code))
        .slice(0, 5)
        .join(" ");
    expect(shapes("A")).toBe("A G E D C");
    expect(shapes("Eb")).toBe("D C A G E");
  });

  it("is marked apart from what fills it in", () => {
    const { notes } = found(GUITAR, at("A", "aeolian"), "pentatonic-frame", 5);
    expect([
      ...new Set(notes.filter(({ isFrame }) => !isFrame).map(({ pitch }) => printName(pitch.name))),
    ]).toEqual(["B", "F"]);
  });
});

const NECKS = INSTRUMENTS.flatMap(({ tunings }) => tunings);
const MODES = CATALOGUE.filter(({ intervals }) => intervals.length >= 5 && intervals.length <= 8);
const anyNeck = fc.constantFrom(...NECKS);
const anyMode = fc.record({ home: fc.integer({ min: -6, max: 7 }), mode: fc.constantFrom(...MODES) });

describe("every position", () => {
  const systems = [
    "five-positions",
    "three-per-string",
    "pentatonic-frame",
    "octave-pairs",
    "one-string",
    "open",
  ] as const;

  it("has each pitch once, rising, none left out, on the neck, fingers rising with the frets", () => {
    fc.assert(
      fc.property(anyNeck, anyMode, fc.constantFrom(...systems), (tuning, homeMode, system) => {
        const sounding = [...new Set(neckNotes(tuning, homeMode).map(({ pitch }) => midiOf(pitch)))].sort(
          (a, b) => a - b,
        );
        for (const { notes } of positions(tuning, homeMode, system)) {
          const midis = notes.map(({ pitch }) => midiOf(pitch));
          expect(midis).toEqual(sounding.filter((midi) => midi >= midis[0]! && midi <= midis.at(-1)!));
          for (const note of notes) {
            expect(note.fret).toBeGreaterThanOrEqual(tuning.capo);
            expect(note.fret).toBeLessThanOrEqual(tuning.frets);
            expect(note.finger === 0).toBe(note.fret === tuning.capo);
          }
          const fingersCross = notes.some((note, each) => {
            const next = notes[each + 1];
            // On a fiddle one finger takes every note of a letter.
            const isCrossed =
              next !== undefined &&
              (tuning.hand === 7 ? next.finger < note.finger : next.finger <= note.finger);
            return next?.string === note.string && !next.isShift && isCrossed;
          });
          expect(fingersCross).toBe(false);
        }
      }),
      { numRuns: 150 },
    );
  });

  it("of five lies within the hand, a fret more or less by a stretch, where strings are no more than a fourth apart", () => {
    const close = ["guitar", "guitar-7", "guitar-8", "bass", "bass-5", "bass-6", "ukulele"].map(tuningOf);
    fc.assert(
      fc.property(fc.constantFrom(...close), anyMode, (tuning, homeMode) => {
        for (const { notes, hand } of positions(tuning, homeMode, "five-positions"))
          expect(notes.every(({ fret }) => fret >= hand - 1 && fret <= hand + 4)).toBe(true);
      }),
    );
  });

  it("together with the others leaves no note of the neck out", () => {
    fc.assert(
      fc.property(
        fc.constantFrom("guitar", "bass", "fiddle", "mandolin", "guitar-7"),
        anyMode,
        (id, homeMode) => {
          const tuning = tuningOf(id);
          for (const system of ["five-positions", "three-per-string"] as const) {
            const all = positions(tuning, homeMode, system);
            const covered = new Set(
              all.flatMap(({ notes }) => notes.map(({ string, fret }) => `${string}/${fret % 12}`)),
            );
            const whole = new Set(
              neckNotes(tuning, homeMode).map(({ string, fret }) => `${string}/${fret % 12}`),
            );
            // Three notes a string drift off the end of a short neck in scales with wide steps.
            if (system === "five-positions" || homeMode.mode.intervals.length >= 7)
              expect(covered).toEqual(whole);
          }
        },
      ),
    );
  });

  it("is the same fingering for every mode of a parent in octave pairs, begun on another finger", () => {
    const places = (home: string, id: string) =>
      positions(GUITAR, at(home, id), "octave-pairs").map((position) => frets(position, 6));
    expect(places("D", "dorian")).toEqual(places("C", "ionian"));
    expect(places("B", "locrian")).toEqual(places("F", "lydian"));
  });
});

describe("the stretch", () => {
  it("is measured where the hand is, and a fingering within the limit is offered past it", () => {
    const low = found(tuningOf("bass"), at("F", "ionian"), "five-positions", 0);
    expect(Math.round(low.stretchMm)).toBe(89);
    // Frets 4 to 8 of 648 mm are within the limit, frets 1 to 5 are not.
    const fifth = found(GUITAR, at("D", "dorian"), "five-positions", 5);
    expect([Math.round(fifth.stretchMm), fifth.easier]).toEqual([106, undefined]);
    const wide = found(GUITAR, at("D", "dorian"), "five-positions", 2);
    expect(Math.round(wide.stretchMm)).toBe(119);
    expect(wide.easier?.stretchMm).toBeLessThanOrEqual(COMFORTABLE_STRETCH);
    expect(wide.easier?.notes.map(({ fret }) => fret)).toEqual(wide.notes.map(({ fret }) => fret));
    expect(wide.easier?.notes.some(({ isShift }) => isShift)).toBe(true);
  });

  it("that is taken for comfortable lets every five-position fingering of the seven from fret 5 up pass, and not all below", () => {
    const widest = (from: number, to: number) =>
      Math.max(
        ...SEVEN.flatMap((each) =>
          Array.from({ length: 12 }, (_, home) =>
            positions(GUITAR, { home: home - 5, mode: each }, "five-positions"),
          )
            .flat()
            .filter(({ hand }) => hand >= from && hand <= to)
            .map(({ stretchMm }) => stretchMm),
        ),
      );
    expect(widest(5, 22)).toBeLessThanOrEqual(COMFORTABLE_STRETCH);
    expect(widest(0, 4)).toBeGreaterThan(COMFORTABLE_STRETCH);
  });

  it("an easier fingering never exceeds the limit that was set", () => {
    fc.assert(
      fc.property(anyNeck, anyMode, fc.integer({ min: 70, max: 130 }), (tuning, homeMode, limit) => {
        for (const { stretchMm, easier } of positions(tuning, homeMode, "five-positions", limit)) {
          if (stretchMm <= limit) expect(easier).toBeUndefined();
          else if (easier) expect(easier.stretchMm).toBeLessThanOrEqual(limit);
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe("playing order", () => {
  const notes = [1, -1, 0, 2, -3].map((interval) => ({ interval }));
  it("goes up and down, or from the lowest home up, down past it and back", () => {
    expect(playingOrder(notes, "up-and-down")).toEqual([0, 1, 2, 3, 4, 3, 2, 1, 0]);
    expect(playingOrder(notes, "from-home")).toEqual([2, 3, 4, 3, 2, 1, 0, 1, 2]);
    expect(playingOrder([{ interval: 0 }, { interval: 2 }], "from-home")).toEqual([0, 1, 0]);
    expect(playingOrder([{ interval: 2 }, { interval: 4 }], "from-home")).toEqual([0, 1, 0]);
  });
});

describe("moves from a mode that is known", () => {
  const written = (home: string, from: string, to: string, hand: number, tuning = GUITAR) => {
    const homeMode = at(home, to);
    const { moved, dropped, added } = movesFrom(
      tuning,
      mode(from),
      homeMode,
      found(tuning, homeMode, "five-positions", hand).notes,
    );
    return [
      moved
        .map(({ from: before, to: after }) => `${before.string}:${before.fret}-${after.string}:${after.fret}`)
        .join(" "),
      [...dropped, ...added].map((interval) => printDegree(interval)).join(" "),
    ];
  };

  it("says string and frets", () => {
    expect(written("D", "aeolian", "dorian", 5)).toEqual(["6:6-6:7 3:3-3:4 1:6-1:7", ""]);
    expect(written("E", "ionian", "mixolydian", 4)).toEqual(["5:6-5:5 3:8-3:7", ""]);
  });

  it("takes the neighbouring string where the own one ends at the nut, and nothing where there is none", () => {
    // E from E♭: the open string 1 from string 2; the open string 6 from no note at all.
    expect(written("C", "dorian", "mixolydian", 0)).toEqual(["4:1-4:2 2:4-1:0", ""]);
  });

  it("names what goes and what comes where the number of notes differs", () => {
    const hand = positions(GUITAR, at("A", "minor-pentatonic"), "five-positions")[1]!.hand;
    expect(written("A", "aeolian", "minor-pentatonic", hand)).toEqual(["", "2 b6"]);
  });
});

describe("the nearest ways between guide tones", () => {
  const eDorian = { home: fifthsOf("E"), mode: mode("dorian") };
  const hand = positions(GUITAR, eDorian, "five-positions").find(({ hand: fret }) => fret === 7)!.notes;
  const said = (from: string, to: string) =>
    nearestWays(hand, from.split(" ").map(fifthsOf), to.split(" ").map(fifthsOf)).map(
      ({ from: start, to: end }) => `${start.string}/${start.fret} to ${end.string}/${end.fret}`,
    );

  it("go along a string by a half step where they can, and leave out what is held over", () => {
    expect(said("G D", "C# G")).toEqual(["3/7 to 3/6"]);
    expect(said("G D", "D G")).toEqual([]);
  });

  it("are none for a tone that is not under the hand", () => {
    expect(said("G D", "Bb")).toEqual([]);
  });
});
