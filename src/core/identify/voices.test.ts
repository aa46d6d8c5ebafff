import { describe, expect, it, test } from "vitest";
import { readAbc } from "@/formats";
import { fifthsOf, printName, soundOf } from "../pitch";
import { mode } from "../scale";
import type { Tune } from "../tune";
import { identify } from ".";
import { hear } from "./hearing";
import { bassLine } from "./voices-hearing";
import { expectedSounding, voicesBias, voicesScore, type VoicesTerm, voicesTerms } from "./voices-score";

/** Two voices over each other as ABC, in quarters. */
const two = async (upper: string, lower: string, head = ""): Promise<Tune> => {
  const text = `X:1\nL:1/4\nM:4/4\n${head}V:1\nV:2 clef=bass\nK:none\nV:1\n${upper}\nV:2\n${lower}\n`;
  return (await readAbc(text)).value[0]!.tune;
};
const terms = async (upper: string, lower: string, home: string, id: string) =>
  voicesTerms(hear(await two(upper, lower))!.voices!, mode(id), soundOf(fifthsOf(home)));
const answer = (tune: Tune) => {
  const { homeMode } = identify(tune)!;
  return `${printName(homeMode.home)} ${homeMode.mode.id}`;
};

const UPPER = "d2 e2|f2 d2|e2 c2|d4|]";

describe("what several voices say", () => {
  // The same upper voice over two basses: each term speaks for the home that its bass makes.
  const [onD, onA] = ["D,2 A,,2|D,2 G,,2|A,,2 A,,2|D,4|]", "A,,2 E,,2|A,,2 D,2|A,,2 E,,2|A,,4|]"] as const;
  test.each<[VoicesTerm]>([["bass"], ["lastBass"], ["firstBass"], ["frame"]])(
    "%s: where the bass is, begins and ends",
    async (term) => {
      const over = async (bass: string) =>
        (await terms(UPPER, bass, "D", "dorian"))[term] - (await terms(UPPER, bass, "A", "aeolian"))[term];
      expect(await over(onD)).toBeGreaterThan(await over(onA));
    },
  );

  it("sounding: the set that sounds, whichever the bass", async () => {
    const sounding = async (upper: string, id: string) =>
      (await terms(upper, "D,4|D,4|A,,4|D,4|]", "D", id)).sounding;
    const [natural, flat] = ["d2 B2|A2 B2|c2 A2|d4|]", "d2 _B2|A2 _B2|c2 A2|d4|]"];
    expect(await sounding(natural, "dorian")).toBeGreaterThan(await sounding(natural, "aeolian"));
    expect(await sounding(flat, "aeolian")).toBeGreaterThan(await sounding(flat, "dorian"));
  });

  it("cadences: where the bass rests at the ends of sections", async () => {
    const sections = "D,4|A,,2 D,2||G,,4|A,,2 D,2||D,4|A,,2 D,2|]";
    const upper = "d4|e2 d2||d4|e2 d2||f4|e2 d2|]";
    const inD = (await terms(upper, sections, "D", "dorian")).cadences;
    expect(inD).toBeGreaterThan((await terms(upper, sections, "G", "mixolydian")).cadences);
    expect((await terms(UPPER, onD, "D", "dorian")).cadences).toBe(0);
  });

  it("add up to the score, drawn together", async () => {
    const heard = hear(await two(UPPER, onD))!.voices!;
    const sum = Object.values(voicesTerms(heard, mode("dorian"), 2)).reduce((a, b) => a + b, 0);
    expect(voicesScore(heard, mode("dorian"), 2) / sum).toBeCloseTo(0.6);
  });

  it("a Phrygian close: the bass falls a fourth, and the third of the last chord is raised", async () => {
    const tune = await two(
      "e2 f2|g2 e2|f2 e2|d2 c2|B2 A2|^G4|]",
      "E,2 D,2|C,2 C,2|D,2 C,2|G,,2 A,,2|A,,4|E,4|]",
    );
    expect(answer(tune)).toBe("E phrygian");
    expect(identify(tune)?.outside.map(({ note, role }) => [printName(note), role])).toEqual([
      ["G#", "raised-third"],
    ]);
  });

  it("a raised seventh of minor does not make another mode, whatever leads to it", async () => {
    const tune = await two(
      "e2 c2|d2 B2|c2 A2|B2 ^G2|A2 c2|d2 f2|e2 ^G2|A4|]",
      "A,,4|D,2 E,2|A,,2 F,,2|E,,4|A,,4|D,4|E,,4|A,,4|]",
    );
    expect(answer(tune)).toBe("A aeolian");
    expect(identify(tune)?.outside[0]?.role).toBe("leading");
    const arpeggio = await two(
      "e2 c2|d2 B2|c2 A2|B2 ^G2|E2 c2|d2 f2|e2 ^G2|B2 A2|]",
      "A,,4|D,2 E,2|A,,2 F,,2|E,,4|A,,4|D,4|E,,4|E,,2 A,,2|]",
    );
    expect([answer(arpeggio), identify(arpeggio)?.outside[0]?.role]).toEqual(["A aeolian", "raised-seventh"]);
  });

  it("a note here and there under a melody is no second voice", async () => {
    const tune = await two("d2 e2|f2 d2|e2 c2|d4|d2 e2|f2 d2|e2 c2|d4|]", "z4|z4|z4|D,2 z2|z4|z4|z4|z4|]");
    expect(hear(tune)?.voices).toBeUndefined();
  });

  it("modes that were not counted are expected as their neighbours are, with the note that differs", () => {
    const [lydian, ionian] = [expectedSounding(mode("lydian")), expectedSounding(mode("ionian"))];
    for (const [step, from] of [
      [6, 5],
      [5, 6],
      [4, 4],
    ] as const)
      expect(lydian[step]).toBeCloseTo(ionian[from]!);
    expect(expectedSounding(mode("harmonic-minor"))).toHaveLength(12);
    expect(voicesBias(mode("aeolian"), "major-minor")).toBeGreaterThan(voicesBias(mode("aeolian")));
    expect(voicesBias(mode("dorian"), "major-minor")).toBe(voicesBias(mode("dorian")));
  });
});

describe("the bass of a piece", () => {
  it("is what is lowest in each beat; chords after the beat, and voices over a resting bass, are none", async () => {
    const oomPah = await two(
      "e4|d4|]",
      "C,/[G,CE]/G,,/[G,CE]/ C,/[G,CE]/G,,/[G,CE]/|G,,/[G,B,D]/D,/[G,B,D]/ G,,2|]",
    );
    expect(bassLine(oomPah).map(({ sound }) => sound)).toEqual([0, 7, 0, 7, 7, 2, 7, 7]);
    const rests = await two("c'4|c'4|b4|c'4|]", "C,4|z4|G,,4|C,4|]");
    expect(new Set(bassLine(rests).map(({ sound }) => sound))).toEqual(new Set([0, 7]));
  });
});
