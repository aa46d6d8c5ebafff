import { type Asked, oneOf, seeded, setExam } from "@/core/training";
import type { ExamValue, Felt, Played, Sitting } from "@/storage";

/** Days of the demo's weeks: Mondays to Saturdays, some of them left out as they are by people. */
const FIRST = Date.UTC(2026, 9, 5);
const WEEKS = 7;
const DAY = 86_400_000;

const EXAM: ExamValue = {
  title: "Six modes",
  questions: ["mode"],
  modes: ["lydian", "ionian", "mixolydian", "dorian", "aeolian", "phrygian"],
  textures: ["drone"],
  home: 2,
  moves: true,
  octaves: 1,
  way: "both",
  times: 0,
  count: 12,
  answers: "each",
  register: "middle",
  tunes: [],
};

/** What is taken for what at first, and how often. */
const MIXED_UP: Readonly<Record<string, readonly [string, number]>> = {
  dorian: ["aeolian", 0.55],
  aeolian: ["phrygian", 0.25],
  lydian: ["ionian", 0.35],
  mixolydian: ["ionian", 0.2],
  phrygian: ["aeolian", 0.15],
  ionian: ["mixolydian", 0.1],
};

const PIECES: readonly (Pick<Played, "title" | "kind" | "mode" | "home"> & { readonly from: number })[] = [
  { title: "D Dorian, position", kind: "mode", mode: "dorian", home: "D", from: 66 },
  { title: "E Phrygian, line", kind: "line", mode: "phrygian", home: "E", from: 58 },
  { title: "The lanterns are lit", kind: "chart", mode: "dorian", home: "E", from: 72 },
  { title: "Tissue Moon", kind: "tune", mode: "lydian", home: "F", from: 60 },
];

const WORDS: Readonly<Record<number, string>> = {
  3: "The B is easier to hear over the harmonium than over the guitar.",
  11: "Fox on the Wall at last without looking at the left hand.",
  24: "Dorian and Aeolian: sing the 6 before answering.",
};

/** Some weeks of ear training and practice for the play, the same every time. */
export const DEMO_SITTINGS: readonly Sitting[] = Array.from({ length: WEEKS * 7 }, (_, day) => day).flatMap(
  (day): readonly Sitting[] => {
    const random = seeded(day + 1);
    // Sundays are free, and one day in five is missed.
    if (day % 7 === 6 || random() < 0.2) return [];
    const progress = day / (WEEKS * 7);
    const ears = earSitting(day, progress);
    return random() < 0.6 ? [ears, practiceSitting(day, progress)] : [ears];
  },
);

function sittingAt(id: string, at: number, minutes: number, words = ""): Omit<Sitting, "title" | "played"> {
  const [startedAt, endedAt] = [at, at + minutes * 60_000].map((time) => new Date(time).toISOString()) as [
    string,
    string,
  ];
  return { version: 1, id, startedAt, endedAt, changedAt: endedAt, words };
}

function earSitting(day: number, progress: number): Sitting {
  const random = seeded(day + 1000);
  let at = FIRST + day * DAY + (18 * 60 + Math.floor(random() * 40)) * 60_000;
  const begun = at;
  const asked: Asked[] = [...setExam(EXAM, day + 1)];
  const attempts = asked.map(({ card }, nth) => {
    const [other = "ionian", chance = 0] = MIXED_UP[card.mode] ?? [];
    const isRight = random() >= chance * (1 - 0.6 * progress);
    const took = Math.round(3000 + random() * 7000 * (1 - 0.4 * progress));
    at += took + 9000;
    return {
      nth,
      at,
      isRight,
      given: isRight ? card.mode : other,
      right: card.mode,
      took,
      heard: random() < 0.3 ? 2 : 1,
    };
  });
  return {
    ...sittingAt(`demo-ear-${day}`, begun, (at - begun) / 60_000, WORDS[day]),
    title: EXAM.title,
    ear: { exam: EXAM, asked, attempts },
    played: [],
  };
}

function practiceSitting(day: number, progress: number): Sitting {
  const random = seeded(day + 2000);
  const from = FIRST + day * DAY + (19 * 60 + Math.floor(random() * 30)) * 60_000;
  let at = from;
  const played = PIECES.filter(() => random() < 0.7).map((piece, nth): Played => {
    const { from: first, ...rest } = piece;
    const seconds = 240 + Math.round(random() * 420);
    const begun = at;
    at += seconds * 1000;
    return {
      id: `demo-played-${day}-${nth}`,
      at: begun,
      ...rest,
      instrument: "guitar",
      seconds,
      tempo: Math.round(first + progress * 36 + random() * 6),
      felt: oneOf<Felt>(random, progress > 0.5 ? ["right", "easy", "right"] : ["hard", "right", "right"]),
    };
  });
  return {
    ...sittingAt(`demo-practice-${day}`, from, (at - from) / 60_000),
    title: "Before rehearsal",
    played,
  };
}
