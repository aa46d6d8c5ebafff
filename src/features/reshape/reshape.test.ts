// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it } from "vitest";
import { printChord, readChart } from "@/core/chord";
import { oneModeAnalyses } from "@/core/progression";
import { identify } from "@/core/identify";
import { fifthsOf, maybePitch, midiOf, printName, printPitch } from "@/core/pitch";
import { reshape } from "@/core/reshape";
import { mode, SEVEN } from "@/core/scale";
import { DEMO_TUNES } from "@/demo";
import { readAbc, readTunes, writeAbc, writeTuneMidi, writeTuneXml } from "@/formats";
import { BLANK_RECIPE, openToReshape, reshapeDocument } from "./reshape-document";
import { recipeValue } from "@/storage";
import {
  borrowedSentence,
  changedText,
  faultsSentence,
  heardAsSentence,
  missingSentence,
  modelTuneText,
  oddBarText,
  stayedSentence,
  noteSentence,
  rangeSentence,
  reshapedSentence,
  stepSentence,
} from "@/words";
import {
  $at,
  $found,
  $homeMode,
  $recipe,
  $shown,
  $tune,
  $versions,
  $worked,
  changeRecipe,
  setNote,
  toOf,
} from "./reshaped";
import { patiently } from "../../../tests/fixtures/patiently";

// What is computed is kept only while somebody listens.
for (const each of [$tune, $found, $versions, $shown, $worked, $homeMode, $recipe])
  each.listen(() => undefined);

const [gate] = DEMO_TUNES;
const read = async () => {
  for (let tries = 0; tries < 200 && !$tune.get(); tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 10));
};
const open = async ({ source, text, title }: (typeof DEMO_TUNES)[number]) => {
  openToReshape({ source, text, name: title });
  for (let tries = 0; tries < 200 && $tune.get()?.title !== title; tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 10));
  await read();
};

describe("new chords", () => {
  it.each([false, true])(
    "for the tunes of the demo are read by Match as the mode that was asked for (characteristic note sought: %s)",
    async (seeksCharacteristic) => {
      const otherwise: string[] = [];
      for (const { source, text, title } of DEMO_TUNES) {
        const [file] = (await readTunes({ source, text, name: title })).value;
        const from = identify(file!.tune, {})!.homeMode;
        for (const to of SEVEN) {
          const { tune } = reshape(file!.tune, {
            ...{ from, to: { home: from.home, mode: to }, missing: "nearest", chords: "rebuilt", which: 0 },
            byHand: new Map(),
            harmony: { source: "mode", rhythm: "bar", hasPedal: false, seeksCharacteristic },
          });
          const chart = readChart(tune.chords!.map((each) => printChord(each.chord)).join(" | ")).value;
          const { homeMode } = oneModeAnalyses(chart)[0]!.segments[0]!;
          if (homeMode.home !== from.home || homeMode.mode !== to) otherwise.push(`${title}, ${to.id}`);
        }
      }
      expect(otherwise).toEqual([]);
    },
  );
});

describe("four bowed strings", () => {
  it("play every tune of the demo in every mode without parallel fifths or octaves between the lower three", async () => {
    const parallel: string[] = [];
    let chords = 0;
    for (const { source, text, title } of DEMO_TUNES) {
      const [file] = (await readTunes({ source, text, name: title })).value;
      const from = identify(file!.tune, {})!.homeMode;
      for (const to of SEVEN) {
        const { tune, harmonies } = reshape(file!.tune, {
          ...{ from, to: { home: from.home, mode: to }, missing: "nearest", chords: "rebuilt", which: 0 },
          ...{ parts: "strings", byHand: new Map() },
          harmony: { source: "mode", rhythm: "bar", hasPedal: false, seeksCharacteristic: true },
        });
        const steps = harmonies[0]!.steps;
        chords += steps.length;
        const laid = steps.map(({ onset }) =>
          tune.beneath!.filter((note) => note.onset === onset).map(({ pitch }) => midiOf(pitch)),
        );
        for (const [nth, now] of laid.entries())
          for (const [high, low] of [
            [0, 1],
            [0, 2],
            [1, 2],
          ] as const) {
            const before = laid[nth - 1];
            if (!before || now[high] === before[high]) continue;
            const [was, is] = [before[high]! - before[low]!, now[high]! - now[low]!];
            if (was === is && [0, 7].includes(is % 12)) parallel.push(`${title} ${to.id} chord ${nth + 1}`);
          }
      }
    }
    expect(chords).toBeGreaterThan(800);
    expect(parallel).toEqual([]);
  });
});

describe("the tune in another mode", () => {
  beforeEach(() => open(gate));

  it("goes from the mode that is heard into the one that is asked for", () => {
    expect($found.get()!.homeMode).toMatchObject({ home: fifthsOf("E"), mode: { id: "dorian" } });
    changeRecipe({ mode: "aeolian" });
    expect($homeMode.get()).toMatchObject({ home: fifthsOf("E"), mode: { id: "aeolian" } });
    expect(changedText($worked.get()!, $found.get()!.homeMode)).toBe("6 → ♭6");
    changeRecipe({ way: "relative", mode: "phrygian" });
    expect(printName($homeMode.get()!.home)).toBe("F#");
    changeRecipe({ way: "parallel", home: "C#", mode: "lydian" });
    expect(printName($homeMode.get()!.home)).toBe("C#");
    changeRecipe({ from: { home: "A", mode: "mixolydian" } });
    expect($worked.get()!.changes.length).toBe($tune.get()!.notes.length);
  });

  it("keeps what was set by hand apart from the rules, and gives it back to them", () => {
    changeRecipe({ mode: "aeolian" });
    const before = $worked.get()!.tune.notes[0]!.pitch;
    setNote(0, "C4");
    expect(printPitch($worked.get()!.tune.notes[0]!.pitch)).toBe("C4");
    changeRecipe({ mode: "phrygian" });
    expect(printPitch($worked.get()!.tune.notes[0]!.pitch)).toBe("C4");
    setNote(0, undefined);
    expect($worked.get()!.tune.notes[0]!.pitch).toEqual(before);
  });

  it("stands in versions beside the original; one that isn't touched stays the same", () => {
    changeRecipe({ mode: "aeolian" });
    const { versions } = reshapeDocument.$value.get();
    reshapeDocument.change({ versions: [...versions, versions[0]!], at: 1 });
    changeRecipe({ mode: "locrian" });
    const [a, b] = $versions.get();
    expect([a!.to.mode.id, b!.to.mode.id]).toEqual(["aeolian", "locrian"]);
    changeRecipe({ hasPedal: true });
    expect($versions.get()[0]).toBe(a);
    reshapeDocument.change({ at: -1 });
    expect($shown.get()).toBe($tune.get());
    expect($homeMode.get()!.mode.id).toBe("dorian");
    // What is changed while the original is in front is the first version, which comes to the front.
    changeRecipe({ mode: "ionian" });
    expect([$at.get(), $homeMode.get()!.mode.id]).toEqual([0, "ionian"]);
    reshapeDocument.undo();
    expect($at.get()).toBe(-1);
  });

  it("of many bars is made beside the page, and the newest recipe wins", async () => {
    const title = "Long";
    openToReshape({
      source: "abc",
      name: title,
      text: `T:Long\nL:1/8\nK:EDor\n${"E2GA B^cde|".repeat(120)}`,
    });
    const until = (is: () => boolean) => patiently(() => expect(is()).toBe(true));
    await until(() => $tune.get()?.title === title && $versions.get()[0]?.tune.notes.length === 120 * 7);
    changeRecipe({ mode: "lydian" });
    changeRecipe({ mode: "aeolian", chords: "rebuilt" });
    await until(() => $worked.get()?.to.mode.id === "aeolian");
    expect($worked.get()!.harmonies[0]!.steps.length).toBeGreaterThan(100);
    const [before] = $versions.get();
    reshapeDocument.change({ versions: [...reshapeDocument.$value.get().versions, BLANK_RECIPE], at: 1 });
    await until(() => $versions.get().length === 2);
    expect($versions.get()[0]).toBe(before);
  });

  it("is made again from a recipe of any age", () => {
    expect(recipeValue.parse({})).toEqual(BLANK_RECIPE);
    expect(recipeValue.parse({ mode: "dorian", byHand: "no list", which: 99, chords: "loud" })).toMatchObject(
      {
        ...BLANK_RECIPE,
        mode: "dorian",
      },
    );
    expect(recipeValue.safeParse({ mode: 5 }).data?.mode).toBe("phrygian");
  });
});

describe("the demo's tunes", () => {
  const harmony = { source: "mode", rhythm: "bar", hasPedal: false, seeksCharacteristic: true } as const;
  const tunes = DEMO_TUNES.filter(({ id }) => id !== "demo-two-lanterns" && id !== "demo-six-pears");

  it.each(tunes.map((each) => [each.title, each.text] as const))(
    "%s is heard as the mode that it was put into, with its chords",
    async (_, text) => {
      const [file] = (await readAbc(text)).value;
      const { tune } = file!;
      const from = identify(tune, {})!.homeMode;
      const heard = SEVEN.filter((each) => each.id !== "locrian").map((each) => {
        const made = reshape(tune, {
          ...{ from, to: { home: from.home, mode: each }, missing: "nearest", chords: "rebuilt", which: 0 },
          harmony,
        });
        const { homeMode } = identify({ ...made.tune, keys: [] }, {})!;
        return [homeMode.home, homeMode.mode.id];
      });
      expect(heard).toEqual(SEVEN.filter(({ id }) => id !== "locrian").map(({ id }) => [from.home, id]));
    },
  );

  it.each(["abc", "musicxml", "midi"] as const)("written as %s come back with their notes", async (kind) => {
    const [file] = (await readAbc(gate.text)).value;
    const from = identify(file!.tune, {})!.homeMode;
    const made = reshape(file!.tune, {
      ...{ from, to: { home: fifthsOf("Gb"), mode: mode("lydian") }, missing: "nearest", which: 0 },
      ...{ chords: "rebuilt", harmony, parts: "strings" },
    });
    const text =
      kind === "abc"
        ? writeAbc(made.tune).text
        : kind === "musicxml"
          ? await writeTuneXml(made.tune)
          : btoa(String.fromCharCode(...(await writeTuneMidi(made.tune, 100))));
    const { value } = await readTunes({ source: kind, text, name: "" });
    const back = value[0]!.tune;
    expect(back.notes.map(({ pitch }) => midiOf(pitch))).toEqual(
      made.tune.notes.map(({ pitch }) => midiOf(pitch)),
    );
    expect(back.bars.length).toBeGreaterThanOrEqual(made.tune.bars.length - 2);
    if (kind === "midi") return;
    expect((back.chords ?? []).map(({ chord }) => printChord(chord))).toEqual(
      made.tune.chords!.map(({ chord }) => printChord(chord)),
    );
    expect(back.beneath!.length).toBeGreaterThanOrEqual(made.tune.beneath!.length);
  });
});

describe("what is said", () => {
  const on = (home: string, id: string) => ({ home: fifthsOf(home), mode: mode(id) });
  it("counts what changes, and nothing that doesn't", async () => {
    await open(gate);
    const from = $found.get()!.homeMode;
    changeRecipe({ mode: "aeolian" });
    expect(reshapedSentence($worked.get()!, from)).toBe("Six notes of 59 change: 6 → ♭6.");
    changeRecipe({ mode: "dorian" });
    expect(reshapedSentence($worked.get()!, from)).toBe("It is in E Dorian already.");
    changeRecipe({ mode: "phrygian", way: "relative" });
    expect(reshapedSentence($worked.get()!, from)).toBe(
      "It goes from E to F♯ as home, step for step along the scale.",
    );
    changeRecipe({ mode: "aeolian", way: "parallel", home: "D#" });
    expect(reshapedSentence($worked.get()!, from)).toBe(
      "It goes from E to D♯ as home, and degrees change: 6 → ♭6.",
    );
  });
  it.each([
    [undefined, undefined],
    [{ octaves: 0, folded: [], outside: [] }, "All of it lies within the instrument."],
    [{ octaves: -1, folded: [], outside: [] }, "All of it is one octave lower."],
    [
      { octaves: 2, folded: [3], outside: [] },
      "All of it is two octaves higher. One note is an octave away from the rest.",
    ],
    [{ octaves: 0, folded: [], outside: [1, 2] }, "Two notes lie outside the instrument in every octave."],
  ])("%j: %s", (ranged, said) => expect(rangeSentence(ranged)).toBe(said));

  it("tells of one note, one chord, faults and degrees", () => {
    const change = {
      ...{ place: 0, before: maybePitch("B4")!, after: maybePitch("Bb4")!, isMoved: true },
      ...{ isChromatic: false, isMissing: false, isByHand: false },
    };
    const [from, to] = [on("D", "dorian"), on("D", "aeolian")];
    expect(noteSentence(change, 3, from, to)).toBe("Bar 3: B4 (6) → B♭4 (♭6).");
    expect(noteSentence({ ...change, after: undefined }, 3, from, to)).toBe("Bar 3: B4 (6) is left out.");
    expect(heardAsSentence(to, to, true)).toBeUndefined();
    expect(heardAsSentence(from, to, true)).toMatch(
      /heard as D Dorian; the chords have to say that it’s D Aeolian/u,
    );
    expect(heardAsSentence(from, to, false)).toMatch(/heard as D Dorian, not as D Aeolian/u);
    // Whatever is in the pentatonic is in Aeolian too; on another home it isn't the same tune.
    expect(heardAsSentence(to, on("D", "minor-pentatonic"), true)).toBeUndefined();
    expect(heardAsSentence(on("F", "major-pentatonic"), on("D", "minor-pentatonic"), true)).toMatch(
      /F major/u,
    );
    const lost = { ...change, isMissing: true };
    const thin = on("D", "minor-pentatonic");
    expect(missingSentence([change], thin, "nearest")).toBeUndefined();
    expect(missingSentence([lost], thin, "nearest")).toBe(
      "Minor pentatonic has no degree for one note. It goes to the nearest note it has.",
    );
    expect(missingSentence([lost, change, lost], thin, "hold")).toBe(
      "Minor pentatonic has no degree for two notes. The notes before them are held instead.",
    );
    const bars = [1, 2].map((number) => ({ number, start: 0, length: 4, lead: 0, endsSection: false }));
    const step = {
      ...{ chord: { root: -1, tones: [0, 4, 1], optional: [] }, onset: 0, duration: 4, bar: 1 },
      ...{ strong: [3], outside: [], characteristic: [fifthsOf("B")], isOther: false },
    };
    expect(
      stepSentence({ ...step, chord: { ...step.chord, root: 1 }, strong: [fifthsOf("G")] }, { bars }),
    ).toBe("Bar 2, G: has G on the strong beat; contains B, a characteristic note.");
    expect(faultsSentence([], { bars }, "strings")).toMatch(/no parallel fifths/u);
    expect(
      faultsSentence(
        [
          { code: "parallel-fifths", bar: 0, voices: [1, 2] },
          { code: "parallel-fifths", bar: 1, voices: [1, 2] },
        ],
        { bars },
        "strings",
      ),
    ).toBe("Parallel fifths in bars 1 and 2.");
    expect(stayedSentence([], { bars })).toBeUndefined();
    expect(stayedSentence([{ chord: { root: 6, tones: [0, -3, 1], optional: [] }, bar: 1 }], { bars })).toBe(
      "F♯m in bar 2 stays as it is: its root has no place in the new mode.",
    );
    const borrowed = { chord: { root: 4, tones: [0, 4, 1, -2], optional: [] }, bar: 0 };
    expect(borrowedSentence([], { bars }, from)).toBeUndefined();
    expect(borrowedSentence([borrowed], { bars }, from)).toBe(
      "E7 in bar 1 has notes outside D Dorian: only its root moves.",
    );
    expect(borrowedSentence([borrowed, { ...borrowed, bar: 1 }], { bars }, from)).toBe(
      "E7 in bar 1 and E7 in bar 2 have notes outside D Dorian: only their roots move.",
    );
    expect(faultsSentence([], { bars }, "guitar")).toMatch(/in one hand/u);
    expect(oddBarText({ number: 3, length: 2.5, whole: 3 }, { beats: 6, unit: 8 })).toBe(
      "Bar 3 has 5 beats. The meter 6/8 asks for 6 beats.",
    );
    expect(modelTuneText([6])).toMatch(/never has its 6/u);
  });

  it("relative falls back on home where the modes share no parent", () => {
    const recipe = { ...BLANK_RECIPE, mode: "altered", way: "relative" as const };
    expect(toOf(recipe, on("E", "dorian"))).toMatchObject({ home: fifthsOf("E"), mode: { id: "altered" } });
  });
});
