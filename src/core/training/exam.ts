import { type Fifths } from "../pitch";
import { type Card, type QuestionKind, type Texture } from "./card";
import { type ExamTune } from "./tune-texture";

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
  /** Ids of the modes that may be meant; those of the exam where it is left out. */
  readonly choices?: readonly string[] | undefined;
  /** Over how many octaves it is heard, and how often it may be; as the exam says where they are left out. */
  readonly octaves?: 1 | 2 | undefined;
  readonly times?: number | undefined;
  /** The level that it belongs to, where it is part of a placement. */
  readonly level?: string | undefined;
}

/** What a level is called in records. */
export type LevelId =
  "third" | "two" | "four" | "six" | "seven" | "bare" | "phrases" | "vamps" | "once" | "minors" | "dominants";

/** A step in the order in which people learn. */
export interface Level {
  readonly id: LevelId;
  readonly exam: Pick<Exam, "questions" | "modes" | "textures" | "octaves" | "times">;
}

const FOUR = ["ionian", "mixolydian", "dorian", "aeolian"];
const SIX = ["lydian", ...FOUR, "phrygian"];
const SEVEN_MODES = [...SIX, "locrian"];

const level = (
  id: LevelId,
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
