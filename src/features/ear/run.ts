import { atom, computed } from "nanostores";
import {
  type Card,
  cardId,
  cardsForToday,
  type Grade,
  levelReached,
  type Level,
  passedLevels,
  questionOf,
  questionsIn,
  setExam,
} from "@/core/training";
import { earScore, type Score } from "@/audio";
import { $attempts, $playing, $schedule, $sittings, attemptsOf, sittings, stop, toggle } from "@/session";
import type { ExamValue, Sitting } from "@/storage";
import { levelText } from "@/words";
import { BLANK_EXAM } from "./exam";

/** The sitting that is going on in this tab, by its id. */
const $runningId = atom<string | undefined>();

/** The place of the question that is in front: it stays after its answer until the next is asked for. */
export const $nth = atom(0);

export const $running = computed([$runningId, $sittings], (id, all) => all.find((each) => each.id === id));

/** The question in front; undefined when all are answered, or none is going on. */
export const $question = computed([$running, $nth], (sitting, nth) => {
  const asked = sitting?.ear?.asked[nth];
  return sitting?.ear && asked ? questionOf(asked, sitting.ear.exam) : undefined;
});

/** What was answered to it, once it is. */
export const $answered = computed([$running, $nth], (sitting, nth) =>
  sitting?.ear?.attempts.find((each) => each.nth === nth),
);

/** How often the question in front was heard. */
export const $heard = atom(0);

/** When the question in front was first heard, or shown where nothing is. */
let begun = 0;

/** The name under which a question is played. */
export const EAR_SOUND = "ear";

function show(nth: number): void {
  stop();
  $nth.set(nth);
  $heard.set(0);
  begun = Date.now();
}

/** What is heard of the question in front; undefined where nothing is. */
export const $score = computed(
  [$question, $running],
  (question, sitting): Score | undefined =>
    question?.heard && earScore(question.homeMode.home, question.heard, sitting?.ear?.exam.register),
);

/** Whether it may be heard once more. */
export const $mayHear = computed([$heard, $answered, $running], (heard, answered, sitting) => {
  const times = sitting?.ear?.exam.times ?? 0;
  return answered !== undefined || times === 0 || heard < times;
});

/** Plays the question in front, or stops it. */
export function hear(): void {
  const score = $score.get();
  if (!score) return;
  if ($playing.get() === EAR_SOUND) {
    toggle(EAR_SOUND, score);
    return;
  }
  if (!$mayHear.get()) return;
  if (!$answered.get()) {
    if ($heard.get() === 0) begun = Date.now();
    $heard.set($heard.get() + 1);
  }
  toggle(EAR_SOUND, score);
}

function begin(title: string, exam: ExamValue, first: readonly Card[] = []): void {
  const asked = setExam(exam, Date.now() % 2 ** 31, first);
  if (asked.length === 0) return;
  const sitting = sittings.begin({
    title,
    ear: { exam, asked: asked.map((each) => ({ ...each })), attempts: [] },
  });
  $runningId.set(sitting.id);
  show(0);
  if ($question.get()?.heard) hear();
}

/** Starts an exam as it was put together. */
export const beginExam = (exam: ExamValue): void => begin(exam.title, exam);

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

/** Starts the day's session: what is due, new questions of the level, and the level's own. */
export function beginToday(minutes: number, level: Level, home: number): void {
  const count = Math.min(200, questionsIn(minutes, $attempts.get()));
  const cards = cardsForToday($schedule.get(), level, Date.now(), count);
  const exam = examOfLevel(level, home, count);
  // Cards of other levels name modes that are not among this one's.
  const modes = [...new Set([...exam.modes, ...cards.map(({ mode }) => mode)])];
  begin(levelText(level.id), { ...exam, modes, tunes: heardIn() }, cards);
}

/** Eight questions that tell two modes apart. */
export function beginDrill(one: string, other: string, home: number): void {
  begin("", {
    ...BLANK_EXAM,
    home,
    moves: true,
    answers: "each",
    questions: ["two", "differs"],
    modes: [one, other],
  });
}

/** Writes the answer to the question in front down; where answers come at the end, the next is asked at once. */
export function answer({ isRight, given }: Grade): void {
  const [sitting, question] = [$running.get(), $question.get()];
  if (!sitting?.ear || !question || $answered.get()) return;
  const now = Date.now();
  const attempt = {
    nth: $nth.get(),
    at: now,
    isRight,
    given,
    right: isRight ? given : (question.right[0] ?? ""),
    took: Math.max(0, now - begun),
    heard: $heard.get(),
  };
  sittings.change(sitting.id, ({ ear }) =>
    ear ? { ear: { ...ear, attempts: [...ear.attempts, attempt] } } : {},
  );
  if (sitting.ear.exam.answers === "end") next();
}

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
  show(nth);
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
  else show(sitting.ear.asked.length);
}

/** Leaves the summary of a sitting, or a sitting that can be gone on with later. */
export function leave(): void {
  stop();
  $runningId.set(undefined);
}

/** The latest sitting that was left in the middle, in this tab or another. */
export const $unfinished = computed([$sittings, $runningId], (all, id) =>
  all.find((each) => each.ear && each.endedAt === undefined && each.id !== id),
);

/** Goes on with a sitting where it was left. */
export function goOn(sitting: Sitting): void {
  $runningId.set(sitting.id);
  show(openFrom(sitting, 0));
}

export const $passed = computed($attempts, passedLevels);

export const $level = computed($passed, levelReached);

/** What a sitting brought: how much was right, which levels it passed, how many cards now come back later. */
export function gained(sitting: Sitting) {
  const attempts = attemptsOf(sitting);
  const all = $attempts.get();
  const first = attempts[0]?.at ?? Infinity;
  const before = passedLevels(all.filter(({ at }) => at < first));
  const after = passedLevels(all.filter(({ at }) => at <= (attempts.at(-1)?.at ?? 0)));
  return {
    right: attempts.filter(({ isRight }) => isRight).length,
    of: attempts.length,
    passed: [...after].filter((level) => !before.has(level)),
    later: new Set(attempts.filter(({ isRight }) => isRight).map(({ card }) => cardId(card))).size,
  };
}
