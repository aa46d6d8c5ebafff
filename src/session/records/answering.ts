import { atom, computed, onMount, type ReadableAtom } from "nanostores";
import type { Outcome } from "@/workers";

/** The last answer, and what it answers. */
export interface Answered<A, R> {
  readonly asked: A;
  readonly answer: R;
}

/** Where the answer to a question is: on its way, never to come, or here (undefined), as where nothing is asked. */
export type AnswerState = "coming" | "failed" | undefined;

/** The question whose answer failed last. */
const $failed = atom<object | undefined>();

/** A question, and what `answering` has of it. */
type Question = readonly [
  $asked: ReadableAtom<object | undefined>,
  $answered: ReadableAtom<{ readonly asked: object } | undefined>,
];

/** Where the answer to some questions is, each asked with the answer to the one before: that of the first that isn’t answered. */
export const answerState = (...questions: readonly Question[]): ReadableAtom<AnswerState> =>
  computed([$failed, ...questions.flat()], (failed, ...each): AnswerState => {
    const open = questions.flatMap((_, at) => {
      const [asked, answered] = [each[2 * at], each[2 * at + 1]];
      const isHere = asked === undefined || (answered && "asked" in answered && answered.asked === asked);
      return isHere ? [] : [asked];
    });
    return open.length === 0 ? undefined : open[0] === failed ? "failed" : "coming";
  });

/**
 * The answer to what is asked, where that takes its time: computed like any other value, only later. While a new one is on its way the
 * last stays, so that a view goes on showing something that belongs together. Undefined before the first, and while nothing is asked.
 *
 * @param $asked the same object for as long as the question is the same
 */
export function answering<A extends object, R>(
  $asked: ReadableAtom<A | undefined>,
  ask: (asked: A) => Promise<Outcome<R>>,
): ReadableAtom<Answered<A, R> | undefined> {
  const $answered = atom<Answered<A, R> | undefined>();
  onMount($answered, () =>
    $asked.subscribe((asked) => {
      if (asked === undefined) $answered.set(undefined);
      else if (asked !== $answered.get()?.asked)
        void ask(asked).then((outcome) => {
          if ($asked.get() !== asked) return;
          if ("answer" in outcome) $answered.set({ asked, answer: outcome.answer });
          else if (outcome.none === "failed") $failed.set(asked);
        });
    }),
  );
  return $answered;
}
