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
  test.each<[VoicesTerm]>([["bass"], ["lastBass"], ["firstBass"], ["bassBeforeLast"]])(
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

  it("add up to the score, with the signature", async () => {
    const heard = hear(await two(UPPER, onD, "K:C\n"))!.voices!;
    const sum = Object.values(voicesTerms(heard, mode("dorian"), 2)).reduce((a, b) => a + b, 0);
    expect(voicesScore(heard, mode("dorian"), 2)).toBeCloseTo(sum);
  });

  it("are taken by view: what is led to, ends and beginnings of phrases, the outer notes of voices", async () => {
    const { views } = hear(await two("^c2 d2|z2 f2|e2 g2|^c d3|]", "D,4|A,,4|G,,4|D,4|]"))!.voices!;
    const heard = (view: keyof typeof views) =>
      views[view].flatMap((amount, sound) => (amount > 0 ? [[sound, Number(amount.toFixed(2))]] : []));
    // C sharp to D twice, the second off the half bar; its sharp is written.
    expect(heard("ledTo")).toEqual([[2, 2.5]]);
    expect([heard("sopranoHighest"), heard("sopranoLast"), heard("tenorLowest")]).toEqual([
      [[7, 1]],
      [[2, 1]],
      [[1, 1]],
    ]);
    expect([heard("firstBass"), heard("lastBass"), heard("bassBeforeLast")]).toEqual([
      [[2, 1]],
      [[2, 1]],
      [[7, 1]],
    ]);
    // The upper voice ends before its rest (two quarters) and at the end (three), the lower at the end (four).
    expect(heard("phraseEnds").map(([sound]) => sound)).toEqual([2]);
    expect(heard("phraseBegins").map(([sound]) => sound)).toEqual([1, 2, 5]);
  });

  // The same eight bars of D Dorian under every signature that they may stand in.
  const DORIAN = [
    "d2 e2|f2 a2|g2 B2|A4|d2 c2|B2 A2|f2 e2|d4|]",
    "D,4|D,2 F,2|G,,4|A,,4|F,4|G,,4|A,,4|D,4|]",
  ] as const;
  test.each(["K:none", "K:C", "K:Ddor", "K:F", "K:Dm", "K:Bb"])(
    "a signature is one sign: D Dorian in %s",
    async (key) => {
      const text = `X:1\nL:1/4\nM:4/4\nV:1\nV:2 clef=bass\n${key}\nV:1\n${DORIAN[0].replaceAll("B", key === "K:none" || key === "K:C" || key === "K:Ddor" ? "B" : "=B").replaceAll("e", key === "K:Bb" ? "=e" : "e")}\nV:2\n${DORIAN[1]}\n`;
      expect(answer((await readAbc(text)).value[0]!.tune)).toBe("D dorian");
    },
  );

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

  it("modes that were not counted are expected as their nearest are, with the note that differs", () => {
    const [locrian, phrygian] = [expectedSounding(mode("locrian")), expectedSounding(mode("phrygian"))];
    for (const [step, from] of [
      [6, 7],
      [7, 6],
      [3, 3],
    ] as const)
      expect(locrian[step]).toBeCloseTo(phrygian[from]!);
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
