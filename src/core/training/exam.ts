import { type Fifths, soundOf } from "../pitch";
import { maybeMode } from "../scale";
import { type Card, cardId, type QuestionKind, type Texture, textureOf } from "./card";
import { asksAbout } from "./question";
import { seeded, shuffled } from "./random";
import { type ExamTune, tunesFor } from "./tune-texture";

/** Registers from the lowest: an octave apart. */
export const REGISTERS = ["low", "middle", "high"] as const;
export type Register = (typeof REGISTERS)[number];

/** What a row of questions is made of. */
export interface Exam {
  readonly questions: readonly QuestionKind[];
  /** Ids of modes. */
  readonly modes: readonly string[];
  readonly textures: readonly Texture[];
  readonly home: Fifths;
  /** Each question on another home. */
  readonly moves: boolean;
  readonly octaves: 1 | 2;
  readonly way: "up" | "down" | "both";
  /** How high it is played. */
  readonly register: Register;
  /** What a question in a tune is heard in. */
  readonly tunes: readonly ExamTune[];
  /** How often each may be heard; 0 for as often as one likes. */
  readonly times: number;
  readonly count: number;
  /** What was right is told after each, or at the end. */
  readonly answers: "each" | "end";
}

/** A question as it is set: its card, its home, and the seed that all else follows from. */
export interface Asked {
  readonly card: Card;
  readonly home: Fifths;
  readonly seed: number;
}

/** The homes that questions move to: those with at most five accidentals in major and minor. */
const HOMES: readonly Fifths[] = [0, 1, 2, 3, 4, 5, -1, -2, -3, -4, 6, 7];

/** What cards are made from. */
type ToAsk = Pick<Exam, "questions" | "modes" | "textures"> & Partial<Pick<Exam, "tunes">>;

/**
 * Every card that an exam can ask: each question about each mode, in each texture. A question that a mode has no answer to is left out, and
 * so is one in a tune where none of the tunes tells the mode.
 *
 * @example cardsOf({ ...exam, questions: ["mode"], modes: ["dorian"], textures: ["drone"] }) // one card
 */
export function cardsOf(exam: ToAsk): readonly Card[] {
  const { tunes = [] } = exam;
  const all = exam.questions.flatMap((question) =>
    exam.modes.flatMap((id) => {
      const mode = maybeMode(id);
      if (!mode || !asksAbout(question, mode, exam.modes)) return [];
      return exam.textures.flatMap((chosen): Card[] => {
        const texture = textureOf(question, chosen);
        return texture === "tune" && tunesFor(mode, exam.modes, tunes).length === 0
          ? []
          : [{ question, mode: id, texture }];
      });
    }),
  );
  return [...new Map(all.map((card) => [cardId(card), card])).values()];
}

/**
 * The questions of an exam, set once and for all by a seed: every card comes before one comes again, never twice in a row where there
 * are others, and cards that are asked for come first.
 *
 * @param first cards that must be among them, those due for instance
 */
export function setExam(exam: Exam, seed: number, first: readonly Card[] = []): readonly Asked[] {
  const random = seeded(seed);
  const cards = cardsOf(exam);
  const row: Card[] = [...first.slice(0, exam.count)];
  while (row.length < exam.count && cards.length > 0) {
    const round = [...shuffled(random, cards)];
    const [next] = round;
    const before = row.at(-1);
    if (next && before && round.length > 1 && cardId(next) === cardId(before))
      round.push(...round.splice(0, 1));
    row.push(...round.slice(0, exam.count - row.length));
  }
  let last: Fifths | undefined;
  return row.map((card) => {
    const homes = HOMES.filter((home) => last === undefined || soundOf(home) !== soundOf(last));
    const home = exam.moves ? (homes[Math.floor(random() * homes.length)] ?? exam.home) : exam.home;
    last = home;
    return { card, home, seed: Math.floor(random() * 2 ** 31) };
  });
}

/** A step in the order in which people learn. */
export interface Level {
  readonly id: string;
  readonly exam: Pick<Exam, "questions" | "modes" | "textures" | "octaves" | "times">;
}

const FOUR = ["ionian", "mixolydian", "dorian", "aeolian"];
const SIX = ["lydian", ...FOUR, "phrygian"];
const SEVEN_MODES = [...SIX, "locrian"];

const level = (
  id: string,
  questions: readonly QuestionKind[],
  modes: readonly string[],
  textures: readonly Texture[],
  rest: Partial<Pick<Exam, "octaves" | "times">> = {},
): Level => ({ id, exam: { questions, modes, textures, octaves: 1, times: 0, ...rest } });

/**
 * The levels from the easiest on: two modes, then four, six and seven, Locrian last; over a held home note first, then bare, in phrases
 * and over vamps, then two octaves heard once; then the minors and dominants outside the major scale.
 */
export const LEVELS: readonly Level[] = [
  level("third", ["third"], FOUR, ["drone"]),
  level("two", ["mode", "differs"], ["dorian", "aeolian"], ["drone"]),
  level("four", ["mode", "differs"], FOUR, ["drone"]),
  level("six", ["mode", "differs"], SIX, ["drone"]),
  level("seven", ["mode", "differs"], SEVEN_MODES, ["drone"]),
  level("bare", ["mode"], SEVEN_MODES, ["scale"]),
  level("phrases", ["mode"], SEVEN_MODES, ["phrase"]),
  level("vamps", ["mode", "target-chord"], SIX, ["vamp"]),
  level("once", ["mode"], SEVEN_MODES, ["scale"], { octaves: 2, times: 1 }),
  level("minors", ["mode", "differs"], ["aeolian", "dorian", "harmonic-minor", "melodic-minor"], ["drone"]),
  level(
    "dominants",
    ["mode", "differs"],
    ["mixolydian", "lydian-dominant", "phrygian-dominant", "mixolydian-flat6"],
    ["drone"],
  ),
];
