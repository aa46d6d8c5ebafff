import type { Attempt } from "./attempt";
import { type Level, LEVELS } from "./exam";
import { lowerBound } from "./statistics";

/** How far a level has come, by the answers to what it asks itself. */
export interface LevelStanding {
  readonly isPassed: boolean;
  /** The last answers that count, and how many of them were right. */
  readonly right: number;
  readonly of: number;
  /** Modes of it of which too few of the last answers were right. */
  readonly open: readonly string[];
}

/** Answers that are looked at: the last of them. */
const LAST = 24;

/** The share of right answers that must be sure: 20 of 24, and where there are but two choices 21. */
const [SURE, SURE_OF_TWO] = [0.7, 0.75];

/** A mode is known when so many of its last answers were right. */
const [MODE_RIGHT, MODE_LAST] = [4, 5];

/** Whether an answer is one to what a level asks: its question, its modes as the choices, its texture, octaves and hearings. */
function isOfLevel(
  { exam }: Level,
  { card: { question, mode, texture }, choices, octaves, heard }: Attempt,
): boolean {
  return (
    exam.questions.includes(question) &&
    exam.modes.includes(mode) &&
    (texture === undefined || exam.textures.includes(texture)) &&
    choices?.length === exam.modes.length &&
    exam.modes.every((id) => choices.includes(id)) &&
    octaves === exam.octaves &&
    (exam.times === 0 || heard <= exam.times)
  );
}

const choicesIn = ({ exam: { questions, modes } }: Level): number =>
  questions.every((question) => question === "third" || question === "target-chord") ? 2 : modes.length;

/** The last answers to what a level asks, altogether and about each mode: true where they were right. */
interface Own {
  last: readonly boolean[];
  readonly byMode: Map<string, readonly boolean[]>;
}

const count = (rights: readonly boolean[]): number => rights.filter(Boolean).length;

function standingOf(level: Level, { last, byMode }: Own): LevelStanding {
  const right = count(last);
  const open = level.exam.modes.filter((id) => count(byMode.get(id) ?? []) < MODE_RIGHT);
  const sure = choicesIn(level) === 2 ? SURE_OF_TWO : SURE;
  return {
    isPassed: open.length === 0 && lowerBound(right, last.length) >= sure,
    right,
    of: last.length,
    open,
  };
}

/**
 * How far each level has come. What is passed stays passed, whatever is answered later.
 *
 * A level is passed by the answers to what it asks itself: at nine tenths' confidence, one-sided, seven of ten are right (Wilson's bound on
 * the last 24 answers), and of each mode four of the last five.
 *
 * @param attempts in the order of their times
 */
export function levelStandings(attempts: readonly Attempt[]): ReadonlyMap<Level, LevelStanding> {
  return new Map(
    LEVELS.map((level) => {
      const counted: Own = { last: [], byMode: new Map() };
      for (const attempt of attempts) {
        if (!isOfLevel(level, attempt)) continue;
        const { mode } = attempt.card;
        counted.last = [...counted.last, attempt.isRight].slice(-LAST);
        counted.byMode.set(mode, [...(counted.byMode.get(mode) ?? []), attempt.isRight].slice(-MODE_LAST));
        const standing = standingOf(level, counted);
        if (standing.isPassed) return [level, standing];
      }
      return [level, standingOf(level, counted)];
    }),
  );
}

/** The levels that are passed, by how far each has come. */
export const passedIn = (standings: ReadonlyMap<Level, LevelStanding>): ReadonlySet<Level> =>
  new Set([...standings].flatMap(([level, { isPassed }]) => (isPassed ? [level] : [])));

/** The same by the answers. */
export const passedLevels = (attempts: readonly Attempt[]): ReadonlySet<Level> =>
  passedIn(levelStandings(attempts));

/** How often something may be heard. */
const hearings = ({ times }: Level["exam"]): number => (times === 0 ? Infinity : times);

/** Whether one level asks all that another does: who names the mode has heard its third. */
function holdsLevel({ exam: harder }: Level, { exam: easier }: Level): boolean {
  const asked: readonly string[] = harder.questions.includes("mode")
    ? [...harder.questions, "third"]
    : harder.questions;
  return (
    easier.questions.every((question) => asked.includes(question)) &&
    easier.modes.every((mode) => harder.modes.includes(mode)) &&
    easier.textures.every((texture) => harder.textures.includes(texture)) &&
    easier.octaves <= harder.octaves &&
    hearings(easier) >= hearings(harder)
  );
}

/** The level that comes next, from one on: the first that isn't passed, nor asks less than one that is; after all of them the last. */
export const levelReached = (passed: ReadonlySet<Level>, from: Level | undefined = LEVELS[0]): Level =>
  LEVELS.slice(from && LEVELS.indexOf(from)).find(
    (level) => !passed.has(level) && ![...passed].some((other) => holdsLevel(other, level)),
  ) ?? (LEVELS.at(-1) as Level);

/** What made a level count as passed before it was told what each answer had been chosen from: ten of twelve, heard in whatever way. */
const [ONCE_RIGHT, ONCE_LAST] = [10, 12];

/**
 * Levels that counted as passed by answers from before it was kept what they were chosen from, and that are open again.
 *
 * @param attempts in the order of their times
 */
export function reopenedLevels(attempts: readonly Attempt[]): readonly Level[] {
  const earlier = attempts.filter(({ choices }) => choices === undefined);
  if (earlier.length < ONCE_LAST) return [];
  const passed = passedLevels(attempts);
  return LEVELS.filter((level) => {
    const { questions, modes, textures } = level.exam;
    const about = earlier.filter(
      ({ card: { question, mode, texture } }) =>
        questions.includes(question) && modes.includes(mode) && (!texture || textures.includes(texture)),
    );
    const wasPassed = about.some(
      (_, at) =>
        at + 1 >= ONCE_LAST &&
        about.slice(at + 1 - ONCE_LAST, at + 1).filter(({ isRight }) => isRight).length >= ONCE_RIGHT,
    );
    return wasPassed && !passed.has(level);
  });
}
