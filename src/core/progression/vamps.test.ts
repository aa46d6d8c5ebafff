import { describe, expect, it, test } from "vitest";
import { fifthsOf, printName, soundOf } from "../pitch";
import { type Chord, chordSounds, printChord, readChart } from "../chord";
import { bestHome, CATALOGUE, type HomeMode, holdsAll, mode, SEVEN, soundsOn, USUAL_MODES } from "../scale";
import { bestVamp, vamps, writtenFor, WRITINGS, writtenText } from ".";
import { fewestChanges, oneModeAnalyses } from "./analyses";
import { kindOf } from "./home-rows";

const at = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });

describe("vamps", () => {
  /** What players take, in order. */
  test.each([
    ["C", "ionian", "C-F C-G7"],
    ["D", "dorian", "Dm-G Dm7-G7"],
    ["E", "phrygian", "Em-F"],
    ["C", "lydian", "C-D"],
    ["A", "mixolydian", "A-G"],
    ["A", "aeolian", "Am-F Am-G Am-Dm"],
    ["E", "phrygian-dominant", "E-F"],
    ["A", "harmonic-minor", "Am-E7"],
    ["C", "melodic-minor", "Cm(maj7)-F7 Cm(maj7)-F"],
    ["C", "lydian-dominant", "C7-D"],
    ["C", "harmonic-major", "C-G7b9"],
    ["G", "altered", "G7alt-Abm"],
    ["G#", "dorian", "G#m-C#"],
    ["Gb", "lydian", "Gb-Ab"],
    ["D#", "aeolian", "D#m-B D#m-C# D#m-G#m"],
    ["C#", "phrygian-dominant", "C#-D"],
  ])("of %s %s begin with %s", (home, id, expected) => {
    const all = vamps(at(home, id)).map(({ chords }) => chords.map((chord) => printChord(chord)).join("-"));
    expect(all.slice(0, expected.split(" ").length).join(" ")).toBe(expected);
  });

  it(
    "put into a chart, a bar each, once and twice, come back as their mode on its home",
    { timeout: 180_000 },
    () => {
      const leading = (chords: readonly Chord[]) => {
        const symbols = chords.map((chord) => printChord(chord));
        const chart = readChart(`| ${symbols.join(" | ")} |`).value;
        return [oneModeAnalyses(chart, { most: 1 })[0], fewestChanges(chart)].map((analysis) =>
          analysis?.segments.map(({ homeMode }) => `${printName(homeMode.home)} ${homeMode.mode.id}`).join(),
        );
      };
      for (const each of USUAL_MODES)
        for (let sound = 0; sound < 12; sound += 1) {
          const home = bestHome(sound, each);
          const offered = vamps({ home, mode: each });
          expect(offered.length).toBeGreaterThan(0);
          const own = `${printName(home)} ${each.id}`;
          for (const { chords } of offered) {
            expect([chords.map((chord) => printChord(chord)), leading(chords)]).toEqual([
              chords.map((chord) => printChord(chord)),
              [own, own],
            ]);
            expect(leading([...chords, ...chords])).toEqual([own, own]);
          }
        }
    },
  );

  it("hold no note outside their mode, whatever the scale", () => {
    for (const each of CATALOGUE)
      for (const { chords } of vamps({ home: 2, mode: each }))
        for (const chord of chords)
          expect(holdsAll(soundsOn({ home: 2, mode: each }), chordSounds(chord))).toBe(true);
  });

  it("of the seven lead to no other home", () => {
    for (const each of SEVEN)
      for (const { chords, degrees } of vamps({ home: 0, mode: each })) {
        const [, other] = chords;
        const isDominant = kindOf(other) === "7" && soundOf(degrees[1]) !== 7;
        expect([each.id, printChord(other), isDominant && each.id !== "dorian"]).toEqual([
          each.id,
          printChord(other),
          false,
        ]);
        if (each.id !== "locrian") expect(["d", "o"]).not.toContain(kindOf(other));
      }
  });

  it("are told one by one, and the best is the first", () => {
    expect(bestVamp(at("D", "dorian"))).toEqual(vamps(at("D", "dorian"))[0]);
    expect(vamps(at("D", "dorian"), 2)).toHaveLength(2);
  });
});

describe("chords for a mode", () => {
  test.each([
    ["D", "dorian", "vamp", "| Dm | G |"],
    ["D", "dorian", "pedal", "| Dm | G/D |"],
    ["F#", "lydian", "vamp", "| F# | G# |"],
    ["Gb", "mixolydian", "pedal", "| Gb | Fb/Gb |"],
    ["D", "dorian", "full", "| Dm13 |"],
    ["G", "altered", "full", "| G7alt |"],
    ["C#", "phrygian", "vamp", "| C#m | D |"],
  ] as const)("%s %s as %s is %s", (home, id, way, expected) => {
    const [first] = writtenFor(at(home, id), way);
    expect(first && writtenText(first)).toBe(expected);
  });

  it("hold nothing but notes of the mode, and are read back to the same notes", () => {
    for (const each of SEVEN)
      for (const home of [0, 7, -6, 9])
        for (const way of WRITINGS)
          for (const written of writtenFor({ home, mode: each }, way)) {
            const back = readChart(writtenText(written)).value.chords.map(({ chord }) => chord);
            const isSame = (chord: Chord, read: Chord | undefined) =>
              read !== undefined &&
              [read.tones, [...read.tones, ...read.optional]].some(
                (tones) => chordSounds({ ...read, tones }) === chordSounds(chord),
              );
            expect(written.chords.every((chord, n) => isSame(chord, back[n]))).toBe(true);
            expect(
              written.chords.every((chord) => holdsAll(soundsOn({ home, mode: each }), chordSounds(chord))),
            ).toBe(true);
          }
  });

  it("leave nothing out where two chords share the notes out", () => {
    expect(writtenFor(at("D", "dorian"), "chord-pairs")[0]?.missing).toEqual([]);
    expect(writtenFor(at("D", "dorian"), "vamp")[0]?.missing.map((note) => printName(note))).toEqual([
      "E",
      "C",
    ]);
  });
});
