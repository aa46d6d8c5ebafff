import { atom, computed } from "nanostores";
import * as z from "zod/mini";
import { levelPlaced, levelReached, levelStandings, passedIn, PLACEMENT_QUESTIONS } from "@/core/training";
import { $attempts, $sittings } from "@/session";
import type { Sitting } from "@/storage";

/** The name under which a question is played. */
export const EAR_SOUND = "ear";

const opened = z.object({
  /** The sitting that goes on in this tab. */
  id: z.string(),
  /** The place of the question in front: it stays after its answer until the next is asked for. */
  nth: z.int().check(z.minimum(0)),
  /** How often it was heard, and when first, or when it was shown where nothing is heard; in milliseconds since 1970. */
  heard: z.int().check(z.minimum(0)),
  begun: z.number(),
});
export type Opened = z.infer<typeof opened>;

/** Where a tab keeps what is open in it, so that a reload comes back to it. */
const KEY = "shade-ear";

function kept(): Opened | undefined {
  try {
    const read = opened.safeParse(JSON.parse(sessionStorage.getItem(KEY) ?? ""));
    return read.success ? read.data : undefined;
  } catch {
    return undefined;
  }
}

/** The sitting and the question that are open in this tab. */
export const $opened = atom<Opened | undefined>(kept());

$opened.listen((now) => {
  try {
    if (now) sessionStorage.setItem(KEY, JSON.stringify(now));
    else sessionStorage.removeItem(KEY);
  } catch {
    // Without this store a reload leads back to Today, where the sitting can be gone on with.
  }
});

export const $nth = computed($opened, (now) => now?.nth ?? 0);

/** How often the question in front was heard. */
export const $heard = computed($opened, (now) => now?.heard ?? 0);

/** The sitting that is going on in this tab. */
export const $running = computed([$opened, $sittings], (now, all) => all.find((each) => each.id === now?.id));

/** What was answered to the question in front, once it is. */
export const $answered = computed([$running, $nth], (sitting, nth) =>
  sitting?.ear?.attempts.find((each) => each.nth === nth),
);

/** The latest sitting that was left in the middle, in this tab or another. */
export const $unfinished = computed([$sittings, $opened], (all, now) =>
  all.find((each) => each.ear && each.endedAt === undefined && each.id !== now?.id),
);

/** The answers of a placement, each with the level that its question belongs to. */
export const placementAnswers = ({ ear }: Sitting) =>
  (ear?.attempts ?? []).flatMap(({ nth, isRight }) => {
    const level = ear?.asked[nth]?.level;
    return level === undefined ? [] : [{ level, isRight }];
  });

/** The level that the last whole placement has found. */
const $placed = computed($sittings, (all) => {
  const last = all.find(({ ear }) => ear?.isPlacement === true && ear.attempts.length >= PLACEMENT_QUESTIONS);
  return last && levelPlaced(placementAnswers(last));
});

/** How far each level has come. */
export const $standings = computed($attempts, levelStandings);

export const $passed = computed($standings, passedIn);

/** The level that comes next: the first that isn't passed, from the one on that a placement has found. */
export const $level = computed([$passed, $placed], levelReached);
