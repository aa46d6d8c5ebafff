import { type Fifths, soundOf } from "../pitch";
import { type Card, textureOf, cardId } from "./card";
import { maybeMode } from "../scale";
import type { Asked, Exam } from "./exam";
import { tunesFor } from "./tune-texture";
import { asksAbout } from "./question";
import { seeded, shuffled } from "./random";

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
