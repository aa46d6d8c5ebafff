import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { readNotes, writeNotes } from "@/formats";
import { printPitch } from "../pitch";
import {
  heardNotes,
  heightOf,
  type PitchFrame,
  playedTune,
  quantised,
  quarterOf,
  tuningOf,
  type Tune,
} from ".";

const line = ({ notes }: Pick<Tune, "notes">) =>
  notes.map(({ pitch, onset, duration }) => `${printPitch(pitch)}@${onset}:${duration}`).join(" ");

describe("notes on the beat", () => {
  test.each([
    [
      "a little off",
      [
        [0.03, 0.9],
        [0.96, 0.97],
        [2.02, 1.9],
      ],
      "0:1 1:1 2:2",
    ],
    [
      "sixteenths",
      [
        [0, 0.2],
        [0.26, 0.2],
        [0.49, 0.24],
        [0.77, 0.2],
      ],
      "0:0.25 0.25:0.25 0.5:0.25 0.75:0.25",
    ],
    [
      "a dotted note",
      [
        [0, 0.7],
        [0.74, 0.26],
      ],
      "0:0.75 0.75:0.25",
    ],
    [
      "played short, with rests",
      [
        [0, 0.25],
        [1, 0.25],
      ],
      "0:0.25 1:0.25",
    ],
    [
      "early, before the first beat of the next bar",
      [
        [0, 3.8],
        [3.93, 1],
      ],
      "0:4 4:1",
    ],
  ])("%s", (_, played, written) => {
    const notes = quantised(played.map(([onset = 0, duration = 0]) => ({ midi: 60, onset, duration })));
    expect(notes.map(({ onset, duration }) => `${onset}:${duration}`).join(" ")).toBe(written);
  });

  it("takes a great many notes on one beat in no time", () => {
    const many = Array.from({ length: 40_000 }, () => ({ midi: 60, onset: 0, duration: 1 }));
    const started = performance.now();
    expect(quantised(many)).toHaveLength(40_000);
    expect(performance.now() - started).toBeLessThan(1500);
  });

  it("leaves what is on the grid where it is", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 20 }), (lengths) => {
        let onset = 0;
        const notes = lengths.map((length, at) => {
          const note = { midi: 60 + at, onset, duration: length / 4 };
          onset += length / 4;
          return note;
        });
        expect(quantised(notes)).toEqual(notes);
      }),
    );
  });
});

describe("what was played by the clock", () => {
  test.each([
    [[0, 0.31, 0.6, 0.91], 96, 0.6],
    [[0, 0.6, 1.2], 96, 0.6],
    [[0, 0.01, 1.3, 1.31, 2.6], 96, 0.65],
    [[0], 120, 0.5],
  ])("notes at %j and %i a minute have a quarter of about %f s", (onsets, tempo, quarter) =>
    expect(quarterOf(onsets, tempo)).toBeCloseTo(quarter, 1),
  );

  it("is a tune, spelled by its neighbours", () => {
    const midis = [63, 65, 66, 68, 70, 71, 73, 75];
    const tune = playedTune(
      midis.map((midi, at) => ({ midi, onset: 5 + at * 0.5 + (at % 2) * 0.02, duration: 0.45 })),
      120,
    );
    expect(line(tune)).toBe("D#4@0:1 E#4@1:1 F#4@2:1 G#4@3:1 A#4@4:1 B4@5:1 C#5@6:1 D#5@7:1");
    expect(tune.bars).toHaveLength(2);
    expect(playedTune([], 96).notes).toEqual([]);
    const [, late] = playedTune(
      [
        { midi: 60, onset: 0, duration: 0.5 },
        { midi: 62, onset: 90, duration: 0.5 },
      ],
      120,
    ).notes;
    expect(late?.onset).toBe(5);
  });
});

/** Frames of a line: MIDI heights for so many hundredths of a second; nought is silence. */
function frames(
  stretches: readonly (readonly [height: number, hundredths: number, level?: number])[],
): PitchFrame[] {
  let at = 0;
  return stretches.flatMap(([height, count, level = 0.5]) =>
    Array.from({ length: count }, (_, n): PitchFrame => {
      const time = at / 100;
      at += 1;
      // Struck loud, then dying away.
      const now = level * Math.exp(-n / 60);
      return height === 0
        ? { time, hertz: 0, clarity: 0.1, level: 0.001 }
        : { time, hertz: 440 * 2 ** ((height - 69) / 12), clarity: 0.97, level: now };
    }),
  );
}

describe("a recorded line", () => {
  const found = (stretches: Parameters<typeof frames>[0]) =>
    heardNotes(frames(stretches))
      .map(({ midi, duration }) => `${midi}:${Math.round(duration * 100)}`)
      .join(" ");

  test.each([
    [
      "notes one after another",
      [
        [69, 50],
        [71, 50],
        [72, 100],
      ],
      "69:50 71:50 72:100",
    ],
    [
      "with silence between",
      [
        [0, 20],
        [69, 50],
        [0, 30],
        [71, 50],
      ],
      "69:50 71:50",
    ],
    [
      "one struck again",
      [
        [69, 50],
        [69, 50],
      ],
      "69:50 69:50",
    ],
    [
      "a slide that is no note",
      [
        [69, 40],
        [69.7, 3],
        [70.4, 3],
        [71, 40],
      ],
      "69:46 71:40",
    ],
    [
      "a slip of the tracker by an octave",
      [
        [69, 30],
        [81, 1],
        [69, 30, 0.3],
      ],
      "69:61",
    ],
    [
      "a fiddle that is flat",
      [
        [68.7, 50],
        [70.7, 50],
        [71.7, 50],
      ],
      "69:50 71:50 72:50",
    ],
    [
      "vibrato",
      [
        [69, 10],
        [69.3, 5],
        [68.7, 5],
        [69.3, 5],
        [69, 20],
      ],
      "69:45",
    ],
  ] as const)("%s", (_, stretches, notes) => {
    const told = found(stretches.map(([height, count, level]) => [height, count, level ?? 0.5] as const));
    // Where a slide is counted to is a matter of a frame or two.
    const near = (text: string) => text.split(" ").map((each) => each.split(":").map(Number));
    expect(near(told).map(([midi]) => midi)).toEqual(near(notes).map(([midi]) => midi));
    for (const [at, [, length = 0]] of near(told).entries())
      expect(Math.abs(length - (near(notes)[at]?.[1] ?? 0))).toBeLessThan(8);
  });

  it("knows how far it is from concert pitch", () => {
    expect(
      tuningOf(
        frames([
          [68.8, 50],
          [71.8, 20],
        ]),
      ),
    ).toBeCloseTo(-0.2, 5);
    expect(heightOf(880)).toBe(81);
    expect(heardNotes([])).toEqual([]);
  });
});

describe("typed notes written from a tune", () => {
  it("are read back the same", () => {
    const token = fc.constantFrom("A4:1", "B4:0.5", "C#5:1/3", "z:1", "Eb4:1.5", "|", "||", "G4:3", "z:0.25");
    fc.assert(
      fc.property(fc.array(token, { minLength: 1, maxLength: 24 }), (tokens) => {
        const tune = readNotes(tokens.join(" ")).value;
        fc.pre(tune.notes.length > 0);
        const back = readNotes(writeNotes(tune)).value;
        const plain = ({ notes }: Tune) =>
          notes.map(({ pitch, onset, duration, bar }) => [
            printPitch(pitch),
            onset.toFixed(4),
            duration.toFixed(4),
            bar,
          ]);
        expect(plain(back)).toEqual(plain(tune));
      }),
    );
  });
});
