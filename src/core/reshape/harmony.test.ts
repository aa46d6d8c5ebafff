import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { chordNotes, printChord, readSymbol } from "../chord";
import { unresolved } from "../instrument";
import { fifthsOf, maybePitch, midiOf, type Pitch, printName, soundOf } from "../pitch";
import { type HomeMode, holds, mode, notesOf, SEVEN, soundsOn, USUAL_MODES } from "../scale";
import { evenTune, type Tune, type TuneNote } from "../tune";
import {
  arrange,
  carryChord,
  HARMONY_RHYTHMS,
  HARMONY_SOURCES,
  type HarmonyChoice,
  harmonise,
  ladder,
  moveMelody,
  type Recipe,
  reshape,
} from ".";

const on = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });
const chord = (symbol: string) => {
  const read = readSymbol(symbol);
  if (!("chord" in read)) throw new Error(symbol);
  return read.chord;
};
const line = (text: string, each = 1) =>
  evenTune(
    text.split(" ").map((one): Pitch => maybePitch(one)!),
    each,
  );
const PLAIN: HarmonyChoice = { source: "mode", rhythm: "bar", hasPedal: false, seeksCharacteristic: false };

/** Eighths a step from both their neighbours. */
const isPassing = ({ notes }: Tune, note: TuneNote) =>
  note.duration <= 0.5 &&
  [-1, 1].every((by) => {
    const beside = notes[notes.indexOf(note) + by];
    return beside !== undefined && Math.abs(midiOf(beside.pitch) - midiOf(note.pitch)) <= 2;
  });

/** Notes that sound on the strong beats of a tune in 4/4: the first, and the third unless they pass. */
const strongIn = (tune: Tune): readonly (readonly [time: number, note: TuneNote])[] =>
  tune.bars.flatMap(({ start, length }) =>
    [start, ...(length === 4 ? [start + 2] : [])].flatMap((time) =>
      tune.notes
        .filter(({ onset, duration }) => onset <= time + 1e-6 && onset + duration > time + 1e-6)
        .filter((note) => time === start || !isPassing(tune, note))
        .map((note) => [time, note] as const),
    ),
  );

/** A melody in a mode, of even notes: as long as it needs to be. */
const melodies = fc
  .record({
    homeMode: fc.record({
      home: fc.integer({ min: -6, max: 6 }),
      mode: fc.constantFrom(...USUAL_MODES),
    }),
    steps: fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 4, maxLength: 40 }),
    each: fc.constantFrom(0.5, 1, 2),
  })
  .map(({ homeMode, steps, each }) => ({
    homeMode,
    tune: evenTune(
      steps.map((step) => ({
        name: notesOf(homeMode)[step % 7]!,
        octave: 4 + Math.floor(step / 7),
      })),
      each,
    ),
  }));

describe("a harmony for a melody", () => {
  it("holds it on strong beats, stays in the mode, and goes on without a gap", () => {
    fc.assert(
      fc.property(
        melodies,
        fc.constantFrom(...HARMONY_RHYTHMS),
        fc.constantFrom(...HARMONY_SOURCES),
        fc.boolean(),
        ({ homeMode, tune }, rhythm, source, hasPedal) => {
          const found = harmonise(tune, homeMode, { ...PLAIN, rhythm, source, hasPedal });
          expect(found.length).toBeGreaterThan(0);
          const sounds = soundsOn(homeMode);
          const strong = strongIn(tune);
          for (const { steps } of found) {
            expect(steps[0]!.onset).toBe(0);
            for (const [at, { chord: own, onset, duration }] of steps.entries()) {
              expect(onset + duration).toBeCloseTo(
                steps[at + 1]?.onset ?? tune.bars.at(-1)!.start + tune.bars.at(-1)!.length,
              );
              for (const note of chordNotes(own)) expect(holds(sounds, soundOf(note))).toBe(true);
              if (hasPedal) expect(soundOf(own.bass ?? own.root)).toBe(soundOf(homeMode.home));
              const held = own.tones.map((tone) => soundOf(own.root + tone));
              for (const [time, { pitch }] of strong)
                if (time >= onset - 1e-6 && time < onset + duration - 1e-6)
                  expect(held).toContain(soundOf(pitch.name));
            }
          }
          // The best first, and no two the same.
          const costs = found.map(({ cost }) => cost);
          expect(costs).toEqual(costs.toSorted((a, b) => a - b));
          expect(
            new Set(
              found.map(({ steps }) => JSON.stringify(steps.map(({ chord: own, onset }) => [own, onset]))),
            ).size,
          ).toBe(found.length);
        },
      ),
      { numRuns: 300 },
    );
  });

  it("takes no note for passing at the beginning of a bar, in two bars with one chord either", () => {
    const tune = line("C4 C4 C4 C4 C4 C4 C4 G4 A4 G4 C4 C4 C4 C4 C4 C4", 0.5);
    const [best] = harmonise(tune, on("C", "ionian"), { ...PLAIN, rhythm: "two-bars" });
    const there = best!.steps.find(({ onset, duration }) => onset <= 4 && onset + duration > 4)!;
    expect(chordNotes(there.chord).map(soundOf)).toContain(9);
  });

  it("begins and ends on home wherever first beat and last note let it, and leads nowhere else", () => {
    fc.assert(
      fc.property(
        melodies,
        fc.constantFrom(...HARMONY_RHYTHMS),
        fc.boolean(),
        ({ homeMode, tune }, rhythm, hasSevenths) => {
          const found = harmonise(tune, homeMode, { ...PLAIN, rhythm, hasSevenths });
          const homeSounds = [0, 2, 4, 6].map((step) => soundOf(notesOf(homeMode)[step]!));
          const isOfHome = ({ pitch }: TuneNote) => homeSounds.includes(soundOf(pitch.name));
          for (const { steps } of found) {
            if (isOfHome(tune.notes[0]!)) expect(steps[0]!.chord.root).toBe(homeMode.home);
            if (isOfHome(tune.notes.at(-1)!)) expect(steps.at(-1)!.chord.root).toBe(homeMode.home);
            for (const { chord: own } of steps)
              if (own.tones.includes(4) && own.tones.includes(-2))
                expect([0, 1, -1]).toContain(own.root - homeMode.home);
          }
        },
      ),
      { numRuns: 300 },
    );
  });

  it.each([
    // D7 in Lydian makes G the home.
    ["C", "lydian", "C4 E4 G4 E4 D4 F#4 A4 C5 E4 G4 E4 C4 C4 E4 C4 C4", /^C /u, /\bD7\b/u],
    ["Gb", "lydian", "Gb4 Bb4 Db5 Bb4 Ab4 C5 Eb5 Gb5 Bb4 Db5 Bb4 Gb4 Gb4 Bb4 Gb4 Gb4", /^Gb /u, /\bAb7\b/u],
    ["A", "aeolian", "A4 C5 E5 C5 G4 B4 D5 F5 E5 C5 A4 C5 A4 C5 A4 A4", /Am7?$/u, /\bG7\b/u],
    // The last bar is parted: only its last note rests on home.
    ["D", "dorian", "D4 F4 A4 F4 G4 B4 D5 B4 E4 G4 E4 D4", / Dm7?$/u, /^(?!Dm)/u],
    ["C#", "aeolian", "C#4 E4 G#4 E4 F#4 A4 C#5 A4 D#4 F#4 D#4 C#4", / C#m7?$/u, /^(?!C#m)/u],
  ])("leads home in %s %s: %s", (home, id, melody, wanted, never) => {
    const [best] = harmonise(line(melody), on(home, id), PLAIN);
    const symbols = best!.steps.map((each) => printChord(each.chord)).join(" ");
    expect(symbols).toMatch(wanted);
    expect(symbols).not.toMatch(never);
  });

  it("isn't carried by one passing note", () => {
    // B on the third beat leads from A to C: A minor holds the bar.
    const tune = line("A4 C5 A4 A4 B4 C5 E5 C5 A4 C5 A4 A4 A4 A4 A4 A4", 0.5);
    expect(printChord(harmonise(tune, on("A", "aeolian"), PLAIN)[0]!.steps[0]!.chord)).toBe("Am");
  });

  it("has sevenths where the tune's own chords have them, or where they are asked for", () => {
    const tune = line("D4 F4 A4 F4 G4 B4 D5 B4 C4 E4 G4 E4 D4 F4 D4 D4");
    const own = (symbols: string) =>
      symbols.split(" ").map((symbol, bar) => ({ chord: chord(symbol), onset: 4 * bar, duration: 4, bar }));
    const symbols = (chords: string, hasSevenths?: boolean) =>
      harmonise({ ...tune, chords: own(chords) }, on("D", "dorian"), { ...PLAIN, hasSevenths })[0]!
        .steps.map((each) => printChord(each.chord))
        .join(" ");
    expect(symbols("Dm7 G7 Cmaj7 Dm7")).toMatch(/^Dm7 .*Dm7$/u);
    expect(symbols("Dm G7 C Dm")).toMatch(/^Dm .*Dm$/u);
    // A triad that holds the melody stays one, though a seventh would bring the characteristic note.
    expect(symbols("Dm G C Dm")).not.toMatch(/maj7|m7/u);
    expect(symbols("Dm G C Dm", true)).toMatch(/^Dm7 .*Dm7$/u);
    expect(symbols("Dm7 G7 Cmaj7 Dm7", false)).toMatch(/^Dm .*Dm$/u);
  });

  it("is found exactly: no harmony that is made by hand costs less", () => {
    // Two bars, so that all pairs of chords can be gone through by leaving out the best one each time.
    const tune = line("D4 F4 A4 F4 G4 B4 D5 B4");
    const found = harmonise(tune, on("D", "dorian"), PLAIN);
    expect(found[0]!.steps.map((each) => printChord(each.chord))).toEqual(["Dm", "G"]);
  });

  it.each([
    ["D", "dorian", "D4 E4 F4 A4 B4 A4 G4 B4 A4 G4 F4 E4 D4 F4 D4 D4", /^Dm\b.* Dm7?$/u],
    ["E", "phrygian", "E4 F4 G4 E4 F4 A4 C5 A4 G4 F4 E4 G4 E4 F4 E4 E4", /^Em F(maj7)? .*Em7?$/u],
    ["F", "lydian", "F4 A4 C5 A4 B4 G4 D4 B4 A4 B4 C5 A4 F4 G4 F4 F4", /^F G7? .*F$/u],
    ["G", "mixolydian", "G4 B4 D5 B4 C5 A4 F4 A4 B4 D5 G4 B4 G4 F4 G4 G4", /^G7? F .*G7?$/u],
  ])("is what a player would take first: %s %s", (home, id, melody, chords) => {
    const [best] = harmonise(line(melody), on(home, id), PLAIN);
    expect(best!.steps.map((each) => printChord(each.chord)).join(" ")).toMatch(chords);
  });

  it.each([
    // Phrases of four bars, the last note of each on home: what leads there is what players of the mode take.
    ["D", "dorian", /^(G|C|Em|Am)7?$/u],
    ["E", "phrygian", /^(Fmaj7|F|Dm7?)$/u],
    ["F", "lydian", /^(G|Em7?|C|Cmaj7|Dm7?)$/u],
    ["G", "mixolydian", /^(F|Fmaj7|Dm7?|C|Am7?)$/u],
    ["A", "aeolian", /^(G|F|Fmaj7|Dm7?|Em7?)$/u],
    ["C", "ionian", /^(G7?|F|Fmaj7|Dm7?)$/u],
    ["C#", "dorian", /^(F#|B|D#m|G#m)7?$/u],
    ["Gb", "lydian", /^(Ab|Fm7?|Db|Dbmaj7|Ebm7?)$/u],
  ])(
    "closes phrases on home by a cadence of %s %s, never by a chord that leads elsewhere",
    (home, id, before) => {
      const scale = notesOf(on(home, id));
      const at = (step: number): Pitch => ({ name: scale[step % 7]!, octave: step >= 7 ? 5 : 4 });
      const tune = evenTune(
        [0, 2, 4, 2, 3, 5, 4, 3, 1, 3, 0, 2, 1, 1, 0, 0].flatMap((step) => [at(step), at(step)]),
        1,
      );
      const [best] = harmonise(tune, on(home, id), PLAIN);
      const closed = best!.steps.filter(({ cadenceFrom }) => cadenceFrom);
      expect(best!.steps.at(-1)).toMatchObject({ chord: { root: fifthsOf(home) } });
      expect(closed.length).toBeGreaterThan(0);
      for (const { cadenceFrom } of closed) expect(printChord(cadenceFrom!)).toMatch(before);
    },
  );

  it("stays by phrase for as long as the melody lets it, and goes on anew with the next phrase", () => {
    // Four bars over D minor, then four that G or Em hold, then home.
    const text =
      "D4 F4 A4 F4 D4 A4 F4 D4 A4 F4 D4 F4 A4 F4 D4 D4 G4 B4 E4 B4 E4 G4 B4 G4 G4 B4 E4 G4 D4 F4 D4 D4";
    const chords = (rhythm: HarmonyChoice["rhythm"]) =>
      harmonise(line(text), on("D", "dorian"), { ...PLAIN, rhythm })[0]!.steps;
    const steps = chords("phrase");
    expect(steps.length).toBeLessThan(chords("bar").length);
    expect(steps[0]).toMatchObject({ onset: 0, duration: 16 });
    expect(steps.map((each) => each.onset)).toContain(16);
    expect(printChord(steps.at(-1)!.chord)).toBe("Dm");
  });

  it("rests on plain home, also where the characteristic note of Mixolydian is sought", () => {
    const tune = line("G4 B4 D5 B4 C5 A4 F4 A4 B4 D5 G4 B4 A4 F4 G4 G4");
    const [best] = harmonise(tune, on("G", "mixolydian"), { ...PLAIN, seeksCharacteristic: true });
    const homes = best!.steps.filter(({ chord: { root } }) => root === fifthsOf("G"));
    expect(homes.map(({ chord: own }) => printChord(own))).toEqual(homes.map(() => "G"));
  });

  it.each(SEVEN.map(({ id }) => id))("of two chords that make %s has home for one of them", (id) => {
    const tune = line("D4 D4 D4 D4 D4 D4 D4 D4");
    const [best] = harmonise(tune, on("D", id), { ...PLAIN, source: "pair" });
    expect(best!.steps.at(-1)).toMatchObject({ chord: { root: fifthsOf("D") }, isOther: false });
  });

  it("comes from the vamp where that is asked for, and says where it can't", () => {
    const tune = line("D4 F4 A4 F4 G4 B4 D5 B4 E4 G4 E4 C5 D4 F4 A4 D4");
    const [best] = harmonise(tune, on("D", "dorian"), { ...PLAIN, source: "vamp" });
    expect(best!.steps.map(({ chord: own, isOther }) => `${printChord(own)}${isOther ? "!" : ""}`)).toEqual([
      "Dm",
      "G",
      expect.stringMatching(/^(C|Em7|Am7|Cmaj7|Em)!$/u),
      "Dm",
    ]);
  });

  it("says which notes on strong beats are outside the mode, and holds the others", () => {
    const [best] = harmonise(line("D4 E4 C#4 D4"), on("D", "dorian"), PLAIN);
    expect(best!.steps[0]).toMatchObject({ outside: [fifthsOf("C#")], strong: [fifthsOf("D")] });
  });

  it("has each chord in the bar that it begins in, also where two bars were parted", () => {
    const tune = line("D4 E4 F4 G4 E4 F4 C4 D4 B4 C4 D4 D4 D4 D4 D4 D4");
    const [best] = harmonise(tune, on("D", "dorian"), { ...PLAIN, rhythm: "two-bars" });
    for (const { bar, onset } of best!.steps) expect(bar).toBe(Math.floor(onset / 4));
    expect(best!.steps.length).toBeGreaterThan(2);
  });

  it("ends on home where only the end of its last stretch lets it", () => {
    const tune = line("D4 F4 A4 F4 D4 F4 A4 F4 G4 B4 E4 C4 D4 F4 D4 D4");
    const [best] = harmonise(tune, on("D", "dorian"), { ...PLAIN, rhythm: "two-bars" });
    expect(printChord(best!.steps.at(-1)!.chord)).toBe("Dm");
  });

  it("goes on where no chord of a small scale has a note, and tells it", () => {
    const [best] = harmonise(line("A4 C5 D5 E5 D5 D5 D5 D5 A4 C5 A4 A4"), on("A", "minor-pentatonic"), PLAIN);
    expect(best!.steps.map(({ outside }) => outside)).toContainEqual([fifthsOf("D")]);
    expect(printChord(best!.steps.at(-1)!.chord)).toBe("Am");
  });

  it("of nothing is nothing", () => {
    const empty: Tune = { ...evenTune([], 1), bars: [] };
    expect(harmonise(empty, on("D", "dorian"), PLAIN)).toEqual([]);
  });
});

describe("chords that go along", () => {
  it.each([
    ["G", "D", "dorian", "aeolian", "Gm"],
    ["Dm7", "D", "dorian", "ionian", "Dmaj7"],
    ["G7", "D", "dorian", "phrygian", "Gm7"],
    ["Am/C", "D", "dorian", "lydian", "A/C#"],
    ["F#m7", "E", "dorian", "phrygian", "Fmaj7"],
    ["D7", "E", "dorian", "dorian", "D7"],
    ["Ebmaj7", "Bb", "ionian", "mixolydian", "Ebmaj7"],
    ["F7", "Bb", "ionian", "mixolydian", "Fm7"],
    // What has notes outside the mode keeps its kind: dominants of home and of others, borrowed chords.
    ["A7", "D", "dorian", "aeolian", "A7"],
    ["E7", "A", "dorian", "lydian", "E7"],
    ["E7/G#", "A", "dorian", "mixolydian", "E7/G#"],
    ["D7", "C", "ionian", "phrygian", "Db7"],
    ["Bb", "C", "ionian", "lydian", "Bb"],
    ["C#dim7", "D", "dorian", "phrygian", "C#dim7"],
    ["G#7", "C#", "aeolian", "dorian", "G#7"],
    ["Db7", "Gb", "dorian", "mixolydian", "Db7"],
    ["Fm", "C", "ionian", "mixolydian", "Fm"],
  ])("%s in %s %s is in %s %s", (symbol, home, from, to, wanted) => {
    const { chord: moved } = carryChord(chord(symbol), { from: on(home, from), to: on(home, to) });
    expect(printChord(moved)).toBe(wanted);
  });

  it("come back, between any two seven-note modes", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...USUAL_MODES),
        fc.constantFrom(...USUAL_MODES),
        fc.integer({ min: -5, max: 5 }),
        fc.nat({ max: 6 }),
        fc.constantFrom([0, 2, 4], [0, 2, 4, 6], [0, 3, 4], [0, 1, 4], [0, 2, 4, 6, 8]),
        (m, m2, home, degree, steps) => {
          const notes = notesOf({ home, mode: m });
          const root = notes[degree]!;
          const tones = steps.map((step) => notes[(degree + step) % 7]! - root);
          const own = { root, tones, optional: [] };
          const there = carryChord(own, { from: { home, mode: m }, to: { home: 3, mode: m2 } });
          const back = carryChord(there.chord, { from: { home: 3, mode: m2 }, to: { home, mode: m } });
          expect(back.chord).toEqual(own);
        },
      ),
    );
  });
});

describe("a tune by a recipe", () => {
  const tune = line("D4 E4 F4 A4 B4 A4 G4 F4 E4 G4 D4 D4");
  const recipe: Recipe = {
    from: on("D", "dorian"),
    to: on("E", "phrygian"),
    missing: "nearest",
    chords: "rebuilt",
    harmony: PLAIN,
    which: 0,
  };
  const chords = [{ chord: chord("Dm"), onset: 0, duration: 12, bar: 0 }];

  it("has its chords as asked: found, carried or none", () => {
    const symbols = (part: Partial<Recipe>) =>
      reshape({ ...tune, chords }, { ...recipe, ...part }).tune.chords!.map((each) => printChord(each.chord));
    expect(symbols({})).toEqual(["Em", "F", "F", "Em"]);
    expect(symbols({ chords: "carried" })).toEqual(["Em"]);
    expect(symbols({ chords: "none" })).toEqual([]);
    expect(symbols({ which: 2 })).not.toEqual(symbols({ which: 0 }));
    expect(symbols({ which: 99 })).toHaveLength(4);
  });

  it("stays in its range, and says what was folded", () => {
    const { tune: low, ranged } = reshape(tune, { ...recipe, range: { low: 40, high: 62 } });
    expect(ranged).toEqual({ octaves: -1, folded: [], outside: [] });
    expect(Math.max(...low.notes.map(({ pitch }) => midiOf(pitch)))).toBeLessThanOrEqual(62);
  });
});

describe("a ladder", () => {
  const tune = line("D4 E4 F4 G4 A4 B4 C5 D5");
  it("goes from bright to dark on one home, a note at a step", () => {
    const rungs = ladder(tune, on("D", "dorian"), "parallel");
    expect(rungs.map(({ homeMode }) => homeMode.mode.id)).toEqual(
      SEVEN.toSorted((a, b) => b.intervals.reduce((x, y) => x + y) - a.intervals.reduce((x, y) => x + y)).map(
        ({ id }) => id,
      ),
    );
    expect(rungs.map(({ changed }) => changed.length)).toEqual([0, 1, 1, 1, 1, 1, 1]);
  });
  it("goes through the same notes from home to home", () => {
    const homes = (way: "fifths" | "steps") =>
      ladder(tune, on("D", "dorian"), way).map(({ homeMode }) => homeMode.home);
    expect(homes("steps")).toEqual(["C", "D", "E", "F", "G", "A", "B"].map(fifthsOf));
    expect(homes("fifths")).toEqual(["F", "C", "G", "D", "A", "E", "B"].map(fifthsOf));
    const sounds = new Set(tune.notes.map(({ pitch }) => soundOf(pitch.name)));
    for (const rung of ladder(tune, on("D", "dorian"), "steps"))
      for (const { pitch } of rung.tune.notes) expect(sounds.has(soundOf(pitch.name))).toBe(true);
    expect(
      moveMelody(tune, { from: on("D", "dorian"), to: on("D", "dorian"), missing: "nearest" }).tune.notes,
    ).toEqual(tune.notes);
  });
});

describe("parts under a melody", () => {
  it("stay in their ranges, hold root and characteristic note, and say where a rule is broken", () => {
    fc.assert(
      fc.property(
        melodies,
        fc.constantFrom("keyboard" as const, "strings" as const),
        ({ homeMode, tune }, kind) => {
          const [best] = harmonise(tune, homeMode, PLAIN);
          const { tune: whole, faults } = arrange({ ...tune, chords: best!.steps }, kind);
          const parts = kind === "keyboard" ? 2 : 3;
          expect(whole.voices).toHaveLength(parts + 1);
          for (const step of best!.steps) {
            const now = whole.beneath!.filter(({ onset }) => Math.abs(onset - step.onset) < 1e-6);
            expect(now).toHaveLength(kind === "keyboard" ? 4 : 3);
            const bass = now.find(({ voice }) => voice === parts)!;
            const isInside = kind === "keyboard" && step !== best!.steps[0] && step !== best!.steps.at(-1);
            const basses = isInside ? chordNotes(step.chord) : [step.chord.root];
            expect(basses.map(soundOf)).toContain(soundOf(bass.pitch.name));
            // The third says what the chord is: it is in the parts.
            const third = step.chord.tones.find((tone) => [4, -3].includes(tone));
            if (third !== undefined)
              expect(now.map(({ pitch }) => soundOf(pitch.name))).toContain(soundOf(step.chord.root + third));
            const midis = now.map(({ pitch }) => midiOf(pitch));
            expect(midis).toEqual(midis.toSorted((a, b) => b - a));
          }
          for (const { bar } of faults) expect(tune.bars[bar]).toBeDefined();
        },
      ),
      { numRuns: 60 },
    );
  });

  it("for two hands go their own way beside the melody", () => {
    // Roots that move with the melody: over root position each step would be parallel octaves.
    const tune = line("C5 E5 D5 B4 E5 E5 D5 D5 C5 E5 D5 D5 C5 C5 C5 C5", 2);
    const chords = ["C", "Dm", "Em", "Dm", "C", "Dm", "C", "C"].map((symbol, bar) => ({
      chord: chord(symbol),
      onset: 4 * bar,
      duration: 4,
      bar,
    }));
    const { faults, tune: whole } = arrange({ ...tune, chords }, "keyboard");
    expect(faults.filter(({ code, voices }) => code.startsWith("parallel") && voices[0] === 0)).toEqual([]);
    const bass = whole.beneath!.filter(({ voice }) => voice === 2).map(({ pitch }) => pitch.name);
    expect(bass.some((name, at) => name !== chords[at]!.chord.root)).toBe(true);
    expect([bass[0], bass.at(-1)]).toEqual([0, 0]);
  });

  it("have parallel fifths said where there are some", () => {
    const tune = line("E5 E5 E5 E5 F5 F5 F5 F5");
    const chords = [
      { chord: chord("C"), onset: 0, duration: 4, bar: 0 },
      { chord: chord("Dm"), onset: 4, duration: 4, bar: 1 },
    ];
    const { faults, tune: whole } = arrange({ ...tune, chords }, "strings");
    const moved = (voice: number) =>
      whole.beneath!.filter((note) => note.voice === voice).map(({ pitch }) => midiOf(pitch));
    const pairs = [
      [1, 2],
      [1, 3],
      [2, 3],
    ] as const;
    const parallel = pairs.filter(([a, b]) => {
      const [from, to] = [0, 1].map((at) => (moved(a)[at]! - moved(b)[at]!) % 12);
      return from === to && [0, 7].includes(from!) && moved(a)[0] !== moved(a)[1];
    });
    expect(faults.filter(({ voices }) => voices[0] > 0)).toHaveLength(parallel.length);
  });

  it("hold the characteristic note of a chord over a pedal, where the chord has more tones than there are parts", () => {
    const tune = line("G5 G5 G5 G5");
    // B half-diminished over E: its fifth is F, which makes Phrygian what it is.
    const chords = [{ chord: chord("Bm7b5/E"), onset: 0, duration: 4, bar: 0 }];
    const heard = (homeMode?: HomeMode) =>
      arrange({ ...tune, chords }, "strings", homeMode).tune.beneath!.map(({ pitch }) =>
        printName(pitch.name),
      );
    expect(heard(on("E", "phrygian"))).toContain("F");
    expect(heard()).not.toContain("F");
  });

  it("have sevenths that rise and leading tones that fall away said where there are some", () => {
    const [dominant, home] = [chord("G7"), chord("C")];
    const pull = (name: string, moved: number, isTop = false, next = home) =>
      unresolved({ name: fifthsOf(name), octave: 4 }, moved, dominant, next, isTop);
    expect([-1, 0, 2, -7].map((moved) => pull("F", moved))).toEqual([
      undefined,
      undefined,
      "seventh",
      "seventh",
    ]);
    expect([1, 0, -4, -7].map((moved) => pull("B", moved))).toEqual([
      undefined,
      undefined,
      undefined,
      "leading-tone",
    ]);
    expect(pull("B", -4, true)).toBe("leading-tone");
    // To another chord than its home it pulls nowhere.
    expect(pull("B", -7, true, chord("F"))).toBeUndefined();
    expect([pull("G", 5), pull("D", 3)]).toEqual([undefined, undefined]);
  });

  it("are none where there are no chords, and none over a melody of nothing", () => {
    const tune = line("E5 E5");
    expect(arrange(tune, "strings")).toEqual({ tune, faults: [] });
  });
});
