import { computed } from "nanostores";
import { type Attempt, type Schedule, scheduled } from "@/core/training";
import { $attempts } from "./sittings";

let lastSchedule: { readonly attempts: readonly Attempt[]; readonly schedule: Schedule } | undefined;

const isSame = (one: Attempt | undefined, other: Attempt | undefined) =>
  one?.at === other?.at && one?.card === other?.card && one?.isRight === other?.isRight;

/** When each card comes back. An answer that is new is added to what was worked out before. */
export const $schedule = computed($attempts, (attempts): Schedule => {
  const before = lastSchedule;
  const known = before?.attempts.length ?? 0;
  const goesOn =
    before !== undefined &&
    known <= attempts.length &&
    before.attempts.every((each, at) => isSame(each, attempts[at]));
  const schedule = goesOn ? scheduled(attempts.slice(known), before.schedule) : scheduled(attempts);
  lastSchedule = { attempts, schedule };
  return schedule;
});
