import { atom, computed, onMount, type ReadableAtom } from "nanostores";
import type { Outcome } from "@/workers";

/** The last answer, and what it answers. */
export interface Answered<A, R> {
  readonly asked: A;
  readonly answer: R;
}

/** Whether the answer to what is asked is still on its way. */
export const isAwaited = <A extends object>(
  $asked: ReadableAtom<A | undefined>,
  $answered: ReadableAtom<{ readonly asked: A } | undefined>,
): ReadableAtom<boolean> =>
  computed([$asked, $answered], (asked, answered) => asked !== undefined && answered?.asked !== asked);

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
          if ("answer" in outcome && $asked.get() === asked) $answered.set({ asked, answer: outcome.answer });
        });
    }),
  );
  return $answered;
}
