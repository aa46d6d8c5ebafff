import { computed } from "nanostores";
import type { Attempt } from "@/core/training";
import { openSittings, SITTING, type Sitting, type SittingsJournal } from "@/storage";
import { atOnce } from "../records/at-once";
import { aside, hearTabs, newId, records, saving, tellTabs } from "../records/records";

const JOURNAL = "shade-sitting:";

/** Without this a tab that is closed would lose its last answer. */
const journal: SittingsJournal = {
  read: () => atOnce.under(JOURNAL).map(({ entry }) => entry),
  write: (id, sitting) => atOnce.write(JOURNAL + id, sitting),
  remove: (id) => atOnce.remove(JOURNAL + id),
};

/** What was trained and practised in this browser. Other tabs are told of every change. */
export const sittings = openSittings({
  store: records,
  saving,
  aside,
  now: () => new Date(),
  newId,
  tell: tellTabs,
  journal,
});

hearTabs(async (key) => {
  if (key === SITTING || key === `${SITTING} many`) await sittings.load();
  else if (key.startsWith(SITTING)) await sittings.reload(key);
});

/** All of them that are not deleted, the latest first. */
export const $sittings = computed(sittings.$all, (all) =>
  all.filter(({ deletedAt }) => deletedAt === undefined),
);

/** Whether anything was practised with the hand: there may be something to go on with. */
export const $hasPlayed = computed($sittings, (all) => all.some(({ played }) => played.length > 0));

/** What was answered in a sitting, in order. */
export const attemptsOf = ({ ear }: Sitting): readonly Attempt[] =>
  ear?.attempts.flatMap(({ nth, ...attempt }) => {
    const asked = ear.asked[nth];
    return asked ? [{ ...attempt, card: asked.card, choices: asked.choices, octaves: asked.octaves }] : [];
  }) ?? [];

/** Every answer ever given, in the order of their times. */
export const $attempts = computed($sittings, (all) =>
  all.flatMap(attemptsOf).toSorted((a, b) => a.at - b.at),
);
