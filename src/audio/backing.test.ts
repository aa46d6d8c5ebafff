import { describe, expect, it } from "vitest";
import { readChart, readSymbol } from "@/core/chord";
import { modulo, soundOf } from "@/core/pitch";
import {
  accompanied,
  chartScore,
  type Layout,
  onBowedStrings,
  onKeyboard,
  overBassScore,
  type Part,
  type Score,
  swapped,
  vampScore,
} from ".";

const chord = (symbol: string) => {
  const reading = readSymbol(symbol);
  if (!("chord" in reading)) throw new Error(symbol);
  return reading.chord;
};
/** A guitarist who knows four grips. */
const GRIPS: Readonly<Record<string, readonly number[]>> = {
  Em: [40, 47, 52, 55, 59, 64],
  C: [48, 52, 55, 60, 64],
};
const onGuitar: Layout = (chords) =>
  chords.map(({ root }) => (root === soundRootOf("C") ? GRIPS.C! : GRIPS.Em!));
const soundRootOf = (symbol: string) => chord(symbol).root;
const of = (score: Score, part: Part) => score.notes.filter((note) => note.part === part);

describe("chords on a keyboard", () => {
  it("hold every tone that says the chord, above the bass, spread as a hand takes them", () => {
    const score = accompanied(vampScore({ chords: ["Em9", "A13", "Cmaj7", "D/F#"].map(chord) }), {
      layout: onKeyboard,
      backing: "pad",
    });
    for (const [at, symbol] of ["Em9", "A13", "Cmaj7", "D/F#"].entries()) {
      const keys = of(score, "chord")
        .filter((note) => note.at === 4 * at)
        .map(({ midi }) => midi);
      const bass = of(score, "bass")
        .filter((note) => Math.floor(note.at / 4) === at)
        .map(({ midi }) => midi);
      const { root, tones, bass: slash } = chord(symbol);
      const sounds = new Set(keys.map((midi) => modulo(midi, 12)));
      // No cluster: neighbours a whole step apart at the closest but once.
      const steps = keys
        .toSorted((a, b) => a - b)
        .slice(1)
        .map((key, n) => key - keys.toSorted((a, b) => a - b)[n]!);
      expect(
        steps.filter((step) => step < 2),
        symbol,
      ).toHaveLength(0);
      for (const tone of tones.filter((each) => [4, -3, -2, 5].includes(each)))
        if (soundOf(root + tone) !== soundOf(slash ?? root))
          expect(sounds, symbol).toContain(soundOf(root + tone));
      expect(modulo(bass[0]!, 12)).toBe(soundOf(slash ?? root));
      expect(Math.max(...bass)).toBeLessThan(Math.min(...keys));
    }
  });

  it("are led from one to the next: no voice leaps further than a fifth", () => {
    const score = accompanied(chartScore(readChart("| Dm7 | G7 | Cmaj7 | Am7 | Dm7 | G7 | C6 |").value), {
      layout: onKeyboard,
      backing: "pad",
    });
    const at = (bar: number) =>
      of(score, "chord")
        .filter((note) => note.at === 4 * bar)
        .map(({ midi }) => midi)
        .toSorted((a, b) => a - b);
    for (let bar = 1; bar < 7; bar += 1)
      for (const [voice, key] of at(bar).entries())
        expect(Math.abs(key - (at(bar - 1)[voice] ?? key))).toBeLessThanOrEqual(7);
  });
});

describe("chords on bowed strings", () => {
  it("are four voices, the cello on the bass, and no bass guitar beside it", () => {
    const score = accompanied(vampScore({ chords: ["Dm7", "G7/B"].map(chord) }), {
      layout: onBowedStrings,
      backing: "pad",
    });
    expect(of(score, "bass")).toEqual([]);
    const voices = (at: number) => of(score, "chord").flatMap((note) => (note.at === at ? [note.midi] : []));
    expect([voices(0).length, voices(4).length]).toEqual([4, 4]);
    expect([voices(0), voices(4)].map((keys) => modulo(Math.min(...keys), 12))).toEqual([2, 11]);
    expect(voices(4)).toEqual(voices(4).toSorted((a, b) => a - b));
  });
});

describe("a drone in place of chords", () => {
  const drone = (home?: number) =>
    accompanied(chartScore(readChart("6/8 | Em9 | A13 |").value), {
      layout: onKeyboard,
      backing: "drone",
      home,
    });

  it("is home, held through the round, with nothing beside it", () => {
    const score = drone(4);
    expect(score.notes).toEqual([{ part: "drone", midi: 40, at: 0, length: score.beats }]);
    expect(score.chords).toBeUndefined();
    expect(score.pulses?.length).toBe(4);
  });

  it("is the first chord's root where no home is known, and stands beside no other bass", () => {
    expect(drone().notes.map(({ midi }) => modulo(midi, 12))).toEqual([4]);
    const held = accompanied(overBassScore(3, [chord("Cmaj7")]), { layout: onKeyboard, backing: "drone" });
    expect(held.notes.filter(({ part }) => part === "drone")).toHaveLength(1);
  });
});

describe("chords on strings", () => {
  const strummed = (text: string) =>
    accompanied(chartScore(readChart(text).value), { layout: onGuitar, backing: "strum" });

  it("sound as they are taken, string by string, down from the lowest and up from the highest", () => {
    const score = strummed("| Em |");
    const first = of(score, "chord").filter(({ at }) => at === 0);
    expect(first.map(({ midi }) => midi)).toEqual(GRIPS.Em);
    expect(first.map(({ late = 0 }) => Math.round(late * 1000))).toEqual([0, 14, 28, 42, 56, 70]);
    const up = of(score, "chord").filter(({ at }) => at === 1.5);
    expect(up.map(({ midi }) => midi)).toEqual([64, 59, 55, 52]);
    expect(up[0]!.loud!).toBeLessThan(first[0]!.loud!);
  });

  it.each([
    ["| Em |", "0 1 1.5 2 3 3.5"],
    ["3/4 | Em |", "0 1 1.5 2"],
    // In 6/8 the up-stroke is the last eighth of the second beat.
    ["6/8 | Em |", "0 1 1.67"],
    ["| Em C |", "0 1 1.5 2 3 3.5"],
  ])("%s is strummed at %s, each ringing until the next", (text, at) => {
    const score = strummed(text);
    const begins = [...new Set(of(score, "chord").map((note) => Math.round(note.at * 100) / 100))];
    expect(begins.join(" ")).toBe(at);
    for (const note of of(score, "chord"))
      expect(note.at + note.length).toBeLessThanOrEqual(score.beats + 1e-9);
  });

  it("are played note by note in the meter's own parts", () => {
    const score = accompanied(chartScore(readChart("6/8 | C |").value), {
      layout: onGuitar,
      backing: "arpeggio",
    });
    expect(of(score, "chord").map(({ midi, at }) => [midi, Math.round(at * 3)])).toEqual([
      [48, 0],
      [52, 1],
      [55, 2],
      [60, 3],
      [64, 4],
      [60, 5],
    ]);
  });

  it("leave the bass to the bass, which walks to the fifth where the chord lasts", () => {
    const bass = (text: string) => of(strummed(text), "bass").map(({ midi, at }) => [midi, at]);
    expect(bass("| Em |")).toEqual([[28, 0], [35, 2]]); // prettier-ignore
    expect(bass("| C/E |")).toEqual([[28, 0]]);
    expect(bass("| Em C |")).toEqual([[28, 0], [36, 2]]); // prettier-ignore
  });

  it("swap a note of the mode wherever it sounds", () => {
    const score = swapped(strummed("| C |"), { home: chord("C").root, from: 4, to: -3 });
    expect(
      of(score, "chord")
        .filter(({ at }) => at === 0)
        .map(({ midi }) => midi),
    ).toEqual([48, 51, 55, 60, 63]);
  });
});
