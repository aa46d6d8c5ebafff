import { computed } from "nanostores";
import {
  type Asked,
  type Grade,
  type Level,
  levelPlaced,
  mixedPairs,
  passedLevels,
  PLACEMENT_QUESTIONS,
  placementQuestion,
  planOfDay,
  questionOf,
  questionsIn,
  seeded,
  setExam,
  type ToAsk,
  cardId,
} from "@/core/training";
import { type HomeMode, maybeMode, SEVEN } from "@/core/scale";
import { earScore, type Score, tellingScore } from "@/audio";
import {
  $attempts,
  $playing,
  $schedule,
  $sittings,
  attemptsOf,
  dayNumber,
  sittings,
  stop,
  toggle,
} from "@/session";
import type { ExamValue, Sitting } from "@/storage";
import { levelText, PLACEMENT } from "@/words";
import { BLANK_EXAM } from "./exam";
import { $answered, $heard, $nth, $opened, $running, EAR_SOUND, placementAnswers } from "./running";

/** The question in front; undefined when all are answered, or none is going on. */
export const $question = computed([$running, $nth], (sitting, nth) => {
  const asked = sitting?.ear?.asked[nth];
  return sitting?.ear && asked ? questionOf(asked, sitting.ear.exam) : undefined;
});

function show(id: string, nth: number): void {
  stop();
  $opened.set({ id, nth, heard: 0, begun: Date.now() });
}

/** What is heard of the question in front; undefined where nothing is. */
export const $score = computed(
  [$question, $running],
  (question, sitting): Score | undefined =>
    question?.heard && earScore(question.homeMode.home, question.heard, sitting?.ear?.exam.register),
);

/** How often the question in front may be heard; 0 for as often as one likes. */
export const $times = computed(
  [$question, $running],
  (question, sitting) => question?.asked.times ?? sitting?.ear?.exam.times ?? 0,
);

/** Whether it may be heard once more. */
export const $mayHear = computed(
  [$heard, $answered, $times],
  (heard, answered, times) => answered !== undefined || times === 0 || heard < times,
);

/** Plays the question in front, or stops it. */
export function hear(): void {
  const [score, now] = [$score.get(), $opened.get()];
  if (!score || !now) return;
  if ($playing.get() === EAR_SOUND) {
    toggle(EAR_SOUND, score);
    return;
  }
  if (!$mayHear.get()) return;
  if (!$answered.get())
    $opened.set({ ...now, heard: now.heard + 1, begun: now.heard === 0 ? Date.now() : now.begun });
  toggle(EAR_SOUND, score);
}

/** A seed that nobody can foresee. */
function anySeed(): number {
  const [seed = 0] = crypto.getRandomValues(new Uint32Array(1));
  return seed % 2 ** 31;
}

function begin(
  title: string,
  exam: ExamValue,
  asked: readonly Asked[],
  made: { readonly isPlacement?: true; readonly isOfDay?: true } = {},
): void {
  if (asked.length === 0) return;
  const sitting = sittings.begin({
    title,
    ear: {
      exam,
      asked: [...asked],
      attempts: [],
      ...made,
    },
  });
  show(sitting.id, 0);
  if ($question.get()?.heard) hear();
}

/** Starts an exam as it was put together. */
export const beginExam = (exam: ExamValue): void => begin(exam.title, exam, setExam(exam, anySeed()));

/** What a level's questions are made of, on a home. */
const examOfLevel = (level: Level, home: number, count: number): ExamValue => ({
  ...BLANK_EXAM,
  home,
  moves: true,
  count,
  answers: "each",
  octaves: level.exam.octaves,
  times: level.exam.times,
  questions: [...level.exam.questions],
  modes: [...level.exam.modes],
  textures: [...level.exam.textures],
});

/** The tunes that questions were heard in last: cards in a tune come back in them. */
const heardIn = (): ExamValue["tunes"] =>
  $sittings.get().find(({ ear }) => (ear?.exam.tunes.length ?? 0) > 0)?.ear?.exam.tunes ?? [];

/** Starts the day's session: what is mixed up, what is due, and the level's own. */
export function beginToday(minutes: number, level: Level, home: number): void {
  const attempts = $attempts.get();
  const count = Math.min(200, questionsIn(minutes, attempts));
  const plan = planOfDay($schedule.get(), level, mixedPairs(attempts, dayNumber), Date.now(), count);
  const exam: ExamValue = { ...examOfLevel(level, home, count), tunes: heardIn() };
  begin(levelText(level.id), exam, setExam(exam, anySeed(), plan), { isOfDay: true });
}

/** Questions of a drill. */
const DRILL = 8;

/** Eight questions that tell two modes apart: both are heard, then either. */
export function beginDrill(one: string, other: string, home: number): void {
  const exam: ExamValue = {
    ...BLANK_EXAM,
    home,
    moves: true,
    count: DRILL,
    answers: "each",
    questions: ["pair", "differs"],
    modes: [one, other],
  };
  const toAsk = Array.from({ length: DRILL }, (_, nth): ToAsk => {
    return { question: nth % 4 === 3 ? "differs" : "pair", texture: "drone", choices: [one, other] };
  });
  begin("", exam, setExam(exam, anySeed(), toAsk));
}

/** Finds the level to begin with: each question follows from the answers before, what is right in it from none. */
export function beginPlacement(home: number): void {
  const exam: ExamValue = {
    ...BLANK_EXAM,
    home,
    moves: true,
    count: PLACEMENT_QUESTIONS,
    answers: "end",
    questions: ["third", "mode", "differs"],
    modes: SEVEN.map(({ id }) => id),
    textures: ["drone", "scale", "phrase", "vamp"],
  };
  begin(PLACEMENT, exam, [placementQuestion([], home, seeded(anySeed()))], {
    isPlacement: true,
  });
}

/** Writes the answer to the question in front down; where answers come at the end, the next is asked at once. */
export function answer({ isRight, given }: Grade): void {
  const [sitting, question, now] = [$running.get(), $question.get(), $opened.get()];
  if (!sitting?.ear || !question || !now || $answered.get()) return;
  const at = Date.now();
  const attempt = {
    nth: now.nth,
    at,
    isRight,
    given,
    right: isRight ? given : (question.right[0] ?? ""),
    took: Math.max(0, at - now.begun),
    heard: now.heard,
  };
  sittings.change(sitting.id, ({ ear }) =>
    ear ? { ear: { ...ear, attempts: [...ear.attempts, attempt] } } : {},
  );
  if (sitting.ear.isPlacement) askNext(sitting.id);
  if (sitting.ear.exam.answers === "end") next();
}

/** The next question of a placement, while there is one. */
function askNext(id: string): void {
  sittings.change(id, (sitting) => {
    const { ear } = sitting;
    if (!ear || ear.asked.length >= PLACEMENT_QUESTIONS) return {};
    const home = HOMES[Math.floor(Math.random() * HOMES.length)] ?? ear.exam.home;
    const asked = placementQuestion(placementAnswers(sitting), home, seeded(anySeed()));
    return { ear: { ...ear, asked: [...ear.asked, asked] } };
  });
}

/** Homes of a placement, none hard to hear on any instrument. */
const HOMES = [0, 1, 2, 3, 4, -1, -2, -3];

/** The first place of a sitting without an answer, from a place on; behind the last where all have one. */
function openFrom({ ear }: Sitting, from: number): number {
  const answered = new Set(ear?.attempts.map(({ nth }) => nth));
  let nth = from;
  while (answered.has(nth)) nth += 1;
  return nth;
}

/** Goes to the next question and plays it; after the last, the sitting is over. */
export function next(): void {
  const sitting = $running.get();
  if (!sitting?.ear) return;
  const nth = openFrom(sitting, $nth.get() + 1);
  show(sitting.id, nth);
  if (nth >= sitting.ear.asked.length) sittings.end(sitting.id);
  else hear();
}

/** Ends the sitting where it is and shows what it brought. */
export function finish(): void {
  const sitting = $running.get();
  stop();
  if (!sitting?.ear) return;
  sittings.end(sitting.id);
  if (sitting.ear.attempts.length === 0) leave();
  else show(sitting.id, sitting.ear.asked.length);
}

/** Leaves the summary of a sitting, or a sitting that can be gone on with later. */
export function leave(): void {
  stop();
  $opened.set(undefined);
}

/** Goes on with a sitting where it was left. */
export const goOn = (sitting: Sitting): void => show(sitting.id, openFrom(sitting, 0));

/** The names under which a question of a sitting that is over is heard again, and its answers side by side. */
export const AGAIN = "ear-again";
export const BESIDE = "ear-beside";

/** Lets a question of a sitting be heard as it was asked. */
export function hearAgain({ ear }: Sitting, nth: number): void {
  const asked = ear?.asked[nth];
  const question = asked && questionOf(asked, ear.exam);
  if (question?.heard)
    toggle(`${AGAIN} ${nth}`, earScore(question.homeMode.home, question.heard, ear?.exam.register));
}

/** The right answer of a question and the one that was given, as modes on its home; undefined where they aren't two modes. */
export function besideOf({ ear }: Sitting, nth: number): readonly [HomeMode, HomeMode] | undefined {
  const asked = ear?.asked[nth];
  const attempt = ear?.attempts.find((each) => each.nth === nth);
  const [right, given] = [maybeMode(attempt?.right ?? ""), maybeMode(attempt?.given ?? "")];
  return asked && right && given && right !== given
    ? [
        { home: asked.home, mode: right },
        { home: asked.home, mode: given },
      ]
    : undefined;
}

/** Lets the right answer and the given one be heard side by side: third, degree, and all of it. */
export function hearBeside(sitting: Sitting, nth: number): void {
  const modes = besideOf(sitting, nth);
  if (modes) toggle(`${BESIDE} ${nth}`, tellingScore(modes));
}

/** What a sitting brought: how much was right, which levels it passed, which one it found, how many cards come back later now. */
export function gained(sitting: Sitting) {
  const attempts = attemptsOf(sitting);
  const all = $attempts.get();
  const first = attempts[0]?.at ?? Infinity;
  const before = passedLevels(all.filter(({ at }) => at < first));
  const after = passedLevels(all.filter(({ at }) => at <= (attempts.at(-1)?.at ?? 0)));
  const isPlaced = sitting.ear?.isPlacement === true && attempts.length >= PLACEMENT_QUESTIONS;
  return {
    right: attempts.filter(({ isRight }) => isRight).length,
    of: attempts.length,
    passed: [...after].filter((level) => !before.has(level)),
    placed: isPlaced ? levelPlaced(placementAnswers(sitting)) : undefined,
    later: new Set(attempts.filter(({ isRight }) => isRight).map(({ card }) => cardId(card))).size,
  };
}
