import { describe, expect, it } from "vitest";
import { soundOf } from "@/core/pitch";
import { gradeSung, notesToPlay, questionOf, seeded, sungSteps } from "@/core/training";
import { heardNotes, type Timed } from "@/core/tune";
import { performed, PLAYERS, type Playing } from "@/devices";
import { pitchJobs } from "./track-pitch";

const RATE = 22_050;
const EXAM = {
  octaves: 1,
  way: "both",
  modes: ["dorian"],
  tunes: [],
} as const;

/** Lines to be played back, in several modes and on homes of all kinds. */
const LINES = (["dorian", "phrygian", "lydian", "harmonic-minor", "locrian", "altered"] as const).map(
  (id, nth) =>
    questionOf(
      {
        card: { question: "echo", mode: id, texture: "drone" },
        home: [-6, -1, 3, 6, 2, -4][nth] ?? 0,
        seed: 11 * nth,
      },
      EXAM,
    ),
);

/** What is played by whoever stands in, each note as long as it comes: about middle C for home. */
async function heard(steps: readonly number[], low: number, playing: Playing) {
  const random = seeded(steps.length * 7 + low);
  let onset = 0.1;
  const notes = steps.map((step): Timed => {
    const duration = 0.32 + 0.3 * random();
    const note = { midi: low + step, onset, duration: duration * 0.94 };
    onset += duration;
    return note;
  });
  return heardNotes(await pitchJobs.track({ samples: performed(notes, RATE, playing), rate: RATE }));
}

const { singer, fiddler, guitarist } = PLAYERS;
const TAKES: Readonly<Record<string, Playing>> = {
  "a singer": singer,
  "a fiddler": fiddler,
  "a guitarist": guitarist,
  "a scoop into every note": { ...singer, scoop: { below: 2.5, seconds: 0.14 } },
  "vibrato of 60 cents": { ...singer, vibrato: { depth: 0.6, rate: 5.2, from: 0.1 } },
  "55 cents flat throughout": { ...singer, flat: 0.55 },
  "40 cents sharp throughout": { ...fiddler, flat: -0.4 },
  "breath in every note": { ...singer, noise: 0.05 },
  "all of it at once": {
    ...singer,
    flat: 0.55,
    noise: 0.03,
    scoop: { below: 1.5, seconds: 0.12 },
    vibrato: { depth: 0.5, rate: 5.8, from: 0.1 },
  },
};

describe("what is sung or played before a microphone", () => {
  it.each(Object.entries(TAKES))(
    "%s: the right notes, graded right, and how far all of it lay off",
    async (_, playing) => {
      const found = { notes: 0, of: 0, right: 0 };
      for (const [nth, question] of LINES.entries()) {
        const steps = question.heard!.line.map(({ step }) => step);
        // An octave up or down is no mistake.
        const low = 60 + soundOf(question.homeMode.home) + 12 * ((nth % 3) - 1);
        const notes = await heard(steps, low, playing);
        const graded = gradeSung(
          question,
          notes.map(({ height }) => height),
        );
        const given = graded?.given.split(" ") ?? [];
        found.of += notesToPlay(question);
        found.notes += question.right[0]!.split(" ").filter((step, at) => given[at] === step).length;
        found.right += graded?.isRight ? 1 : 0;
        if (graded?.isRight) expect(Math.abs(graded.cents + playing.flat * 100)).toBeLessThan(15);
      }
      expect(found.notes / found.of).toBeGreaterThanOrEqual(0.95);
      expect(found.right).toBeGreaterThanOrEqual(LINES.length - 1);
    },
  );

  it("that is another line is wrong, whatever is taken off", async () => {
    const [question] = LINES;
    const steps = question!.heard!.line.map(({ step }) => step);
    const low = 60 + soundOf(question!.homeMode.home);
    const other = steps.map((step, at) => (at === 2 ? step + 1 : step));
    const notes = await heard(other, low, { ...singer, flat: 0.55 });
    expect(
      gradeSung(
        question!,
        notes.map(({ height }) => height),
      ),
    ).toMatchObject({ isRight: false });
    // A whole step low throughout is another line on another home.
    expect(
      gradeSung(
        question!,
        steps.map((step) => low + step - 2),
      ),
    ).toMatchObject({ isRight: false });
  });

  it("of one note alone is right only where it is that note", () => {
    const home = questionOf(
      { card: { question: "home", mode: "dorian", texture: "drone" }, home: 2, seed: 4 },
      EXAM,
    );
    expect(gradeSung(home, [62.3])).toMatchObject({ isRight: true, cents: 30 });
    expect(gradeSung(home, [63])).toMatchObject({ isRight: false });
    expect(gradeSung(home, [61.3])).toMatchObject({ isRight: false });
    expect(gradeSung(home, [])).toBeUndefined();
  });

  it("is told as steps above home with what each lies beside them", () => {
    const [question] = LINES;
    const low = 60 + soundOf(question!.homeMode.home);
    expect(sungSteps(question!, [low - 0.55, low + 2.55], -55)).toEqual([
      { step: 0, cents: 0 },
      { step: 3, cents: 10 },
    ]);
  });
});
