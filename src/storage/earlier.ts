import { contentFields, type Earlier, MAX_EARLIER, SAVED, type Saved } from "./saved";

/** Characters that what a thing was before may take; the oldest states go first. */
const MAX_TEXT = 400_000;

/** A thing's next state, which remembers the one before: only what it had otherwise. */
export function rememberingEarlier(before: Saved, after: Saved): Saved {
  const [had, has] = [before, after].map((each) => new Map(contentFields(each))) as [
    Map<string, unknown>,
    Map<string, unknown>,
  ];
  const was: Record<string, unknown> = {};
  for (const field of new Set([...had.keys(), ...has.keys()]))
    if (JSON.stringify(had.get(field)) !== JSON.stringify(has.get(field)))
      was[field] = had.get(field) ?? null;
  const known = before.earlier ?? [];
  const all = Object.keys(was).length === 0 ? known : [...known, { changedAt: before.changedAt, was }];
  return all.length === 0 ? after : { ...after, earlier: newestWithin(all) };
}

/** The newest states that there is room for. */
function newestWithin(all: readonly Earlier[]): Earlier[] {
  const kept: Earlier[] = [];
  let characters = 0;
  for (const each of all.toReversed()) {
    characters += JSON.stringify(each).length;
    if (kept.length === MAX_EARLIER || characters > MAX_TEXT) break;
    kept.unshift(each);
  }
  return kept;
}

/**
 * The states that a thing was in before, the latest first, each as it can be put back. One that makes no sense any more is left out.
 *
 * @example earlierStates(renamed)[0]?.title // what it was called before
 */
export function earlierStates(thing: Saved): readonly Saved[] {
  const { earlier = [], ...present } = thing;
  const states: Saved[] = [];
  let state: Record<string, unknown> = present;
  for (const { changedAt, was } of earlier.toReversed()) {
    const fields = Object.entries({ ...state, ...was }).filter(([, held]) => held !== null);
    state = { ...Object.fromEntries(fields), changedAt };
    const read = SAVED.schema.safeParse(state);
    if (read.success) states.push(read.data);
  }
  return states;
}
