import { type Fifths, soundOf } from "../pitch";
import { maybeMode } from "../scale";
import { type Card, cardId, textureOf } from "./card";
import { askable, drawn, type ToAsk } from "./draw";
import type { Asked, Exam } from "./exam";
import { type Random, seeded, shuffled } from "./random";
import { tunesFor } from "./tune-texture";

/** The homes that questions move to: those with at most five accidentals in major and minor. */
const HOMES: readonly Fifths[] = [0, 1, 2, 3, 4, 5, -1, -2, -3, -4, 6, 7];

/** What questions are made from. */
type AskedFrom = Pick<Exam, "questions" | "modes" | "textures"> & Partial<Pick<Exam, "tunes">>;

/**
 * What an exam can ask: each kind of question in each texture, among all its modes. What no mode of it has an answer to is left out, and so
 * is a tune that doesn't tell its modes apart.
 *
 * @example askedBy({ ...exam, questions: ["mode"], modes: ["dorian", "aeolian"], textures: ["drone"] }) // one
 */
export function askedBy({ questions, modes, textures, tunes = [] }: AskedFrom): readonly ToAsk[] {
  const among = modes.flatMap((id) => maybeMode(id) ?? []);
  const all = questions.flatMap((question) => {
    if (askable({ question, choices: modes }).length === 0) return [];
    const heard = [...new Set(textures.map((chosen) => textureOf(question, chosen)))];
    return heard
      .filter((texture) => texture !== "tune" || tunesFor(among, tunes).length > 0)
      .map((texture): ToAsk => ({ question, texture, choices: modes }));
  });
  return all;
}

/** Every card that an exam can ask: each question about each mode, in each texture. */
export const cardsOf = (exam: AskedFrom): readonly Card[] => [
  ...new Map(
    askedBy(exam)
      .flatMap((toAsk) =>
        askable(toAsk).map((mode): Card => ({ question: toAsk.question, mode, texture: toAsk.texture })),
      )
      .map((card) => [cardId(card), card]),
  ).values(),
];

/** Questions that an exam needs for each mode before it can promise that every mode comes: with fewer, the last would be known. */
const FOR_EACH = 2;

/** Whether every mode of an exam comes at least once. */
export const coversModes = ({ count, modes }: Pick<Exam, "count" | "modes">): boolean =>
  modes.length > 1 && count >= FOR_EACH * modes.length;

/** Draws before an exam does without its promise. */
const DRAWS = 400;

/**
 * The questions of an exam, set once and for all by a seed. What is right is drawn anew for each, every answer as likely as any other: it
 * doesn't follow from those before. Only an exam with twice as many questions as modes is drawn again until each mode has come.
 *
 * @param first questions that must be among them, those due for instance
 */
export function setExam(exam: Exam, seed: number, first: readonly ToAsk[] = []): readonly Asked[] {
  const random = seeded(seed);
  const row = rowOf(exam, first, random).filter((toAsk) => askable(toAsk).length > 0);
  const draw = () => row.flatMap((toAsk) => drawn(random, toAsk) ?? []);
  const wanted =
    first.length === 0 && coversModes(exam) ? new Set(cardsOf(exam).map(({ mode }) => mode)) : undefined;
  let cards = draw();
  for (let tries = 1; wanted && tries < DRAWS && hasLess(cards, wanted); tries += 1) cards = draw();
  let last: Fifths | undefined;
  return cards.map((card, nth) => {
    const homes = HOMES.filter((home) => last === undefined || soundOf(home) !== soundOf(last));
    const home = exam.moves ? (homes[Math.floor(random() * homes.length)] ?? exam.home) : exam.home;
    last = home;
    const { choices = exam.modes } = row[nth] ?? {};
    return {
      card,
      home,
      seed: Math.floor(random() * 2 ** 31),
      choices,
      octaves: exam.octaves,
      times: exam.times,
    };
  });
}

const hasLess = (cards: readonly Card[], wanted: ReadonlySet<string>): boolean =>
  new Set(cards.map(({ mode }) => mode)).size < wanted.size;

/** What is asked, in order: what must be, and then every kind of question once before one comes again. */
function rowOf(exam: Exam, first: readonly ToAsk[], random: Random): readonly ToAsk[] {
  const all = askedBy(exam);
  const row = first.slice(0, exam.count);
  while (row.length < exam.count && all.length > 0)
    row.push(...shuffled(random, all).slice(0, exam.count - row.length));
  return first.length > 0 ? shuffled(random, row) : row;
}
