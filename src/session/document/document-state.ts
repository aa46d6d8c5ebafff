import type { StoredDocument } from "@/storage";
import { begun, changed, type History, redone, undone } from "./history";

/**
 * What a tab knows of the documents of one kind: the one that is open, and those that were left for another before storage had them.
 * Never mutated.
 */
export interface DocumentState<T> {
  readonly id: string;
  readonly history: History<T>;
  /** "fresh" until something is opened or changed, "unsaved" until storage has what is open. */
  readonly phase: "fresh" | "saved" | "unsaved";
  /** Documents that were left and aren't written yet, by id. */
  readonly leaving: ReadonlyMap<string, History<T>>;
  /** The step that was changed last, and when: what follows closely is undone together with it. */
  readonly lastStep?: { readonly step: string; readonly at: number } | undefined;
}

/** What can happen to them. */
export type DocumentEvent<T> =
  /** The user changes part of it; changes of one step that follow closely are one. `at` is in milliseconds. */
  | {
      readonly type: "change";
      readonly part: Partial<T>;
      readonly step?: string | undefined;
      readonly at: number;
    }
  | { readonly type: "undo" }
  | { readonly type: "redo" }
  /** Another one begins with a value. */
  | { readonly type: "open"; readonly id: string; readonly value: T }
  /** Another one is shown as storage has it. */
  | { readonly type: "show"; readonly id: string; readonly stored: StoredDocument<T> }
  /** One is shown again that was left and isn't written yet. */
  | { readonly type: "return"; readonly id: string }
  /** What a page had when it was closed is gone on with. */
  | { readonly type: "resume"; readonly id: string; readonly value: T }
  /** Storage has a history of one, perhaps under another id, since another tab had changed it too. */
  | { readonly type: "written"; readonly id: string; readonly as: string; readonly history: History<T> }
  /** Another tab has written what is open here. */
  | { readonly type: "follow"; readonly id: string; readonly value: T };

/** What is to be done about it: the open document saved, at once or after a pause, or one saved that was left. */
type DocumentEffect<T> =
  | { readonly type: "save"; readonly when: "now" | "later" }
  | { readonly type: "save-left"; readonly id: string; readonly history: History<T> };

/** A state and what is to be done. */
export interface DocumentStep<T> {
  readonly state: DocumentState<T>;
  readonly effects: readonly DocumentEffect<T>[];
}

/** Milliseconds within which changes of one step are undone together. */
const SAME_STEP = 1200;

/** How it begins: a blank document that nobody has touched. */
export const fresh = <T>(id: string, blank: T): DocumentState<T> => ({
  id,
  history: begun(blank),
  phase: "fresh",
  leaving: new Map(),
});

/** What storage doesn't have yet, by id. */
export function unwritten<T>(
  { id, history, phase, leaving }: DocumentState<T>,
  isBlank: (value: T) => boolean,
): ReadonlyMap<string, History<T>> {
  return phase === "unsaved" && !isBlank(history.now) ? new Map([...leaving, [id, history]]) : leaving;
}

/**
 * What comes of an event. Where nothing changes the state is the same object.
 *
 * @example dispatch(fresh("a", blank), { type: "undo" }, isBlank).effects // [], there is nothing to undo
 */
export function dispatch<T>(
  state: DocumentState<T>,
  event: DocumentEvent<T>,
  isBlank: (value: T) => boolean,
): DocumentStep<T> {
  const { history, lastStep } = state;
  switch (event.type) {
    case "change": {
      const { part, step, at } = event;
      const isSame = step !== undefined && lastStep?.step === step && at - lastStep.at < SAME_STEP;
      const next = changed(history, { ...history.now, ...part }, isSame && history.past.length > 0);
      const after = { ...state, lastStep: step === undefined ? undefined : { step, at } };
      return edited(after, next, step === undefined ? "now" : "later");
    }
    case "undo":
      return edited({ ...state, lastStep: undefined }, undone(history));
    case "redo":
      return edited({ ...state, lastStep: undefined }, redone(history));
    case "open": {
      const { state: left, effects } = leave(state, isBlank);
      const phase = isBlank(event.value) ? "saved" : "unsaved";
      const opened = {
        ...left,
        id: event.id,
        history: begun(event.value),
        phase,
        lastStep: undefined,
      } as const;
      return { state: opened, effects: [...effects, { type: "save", when: "now" }] };
    }
    case "show": {
      const { value, past } = event.stored;
      const { state: left, effects } = leave(state, isBlank);
      const shown = {
        id: event.id,
        history: begun(value, past),
        phase: "saved",
        lastStep: undefined,
      } as const;
      return { state: { ...left, ...shown }, effects };
    }
    case "return": {
      const found = state.leaving.get(event.id);
      if (!found) return { state, effects: [] };
      const { state: left, effects } = leave(state, isBlank);
      const leaving = new Map(left.leaving);
      leaving.delete(event.id);
      const step = edited({ ...left, leaving, id: event.id, lastStep: undefined }, found);
      return { ...step, effects: [...effects, ...step.effects] };
    }
    case "resume": {
      if (JSON.stringify(event.value) === JSON.stringify(history.now)) return { state, effects: [] };
      if (event.id === state.id) return edited(state, changed(history, event.value));
      const { state: left, effects } = leave(state, isBlank);
      const step = edited({ ...left, id: event.id }, begun(event.value));
      return { ...step, effects: [...effects, ...step.effects] };
    }
    case "written": {
      const { id, as, history: written } = event;
      const leaving = new Map(state.leaving);
      if (leaving.get(id) === written) leaving.delete(id);
      if (state.id !== id) return { state: { ...state, leaving }, effects: [] };
      // This tab goes on with its own.
      const phase = history === written ? "saved" : state.phase;
      return { state: { ...state, leaving, id: as, phase }, effects: [] };
    }
    case "follow": {
      if (event.id !== state.id || state.phase === "unsaved") return { state, effects: [] };
      return { state: { ...state, history: changed(history, event.value) }, effects: [] };
    }
  }
}

/** A new history of the open document, which is to be saved; nothing where it is the same. */
function edited<T>(
  state: DocumentState<T>,
  history: History<T>,
  when: "now" | "later" = "now",
): DocumentStep<T> {
  if (history === state.history) return { state, effects: [] };
  return { state: { ...state, history, phase: "unsaved" }, effects: [{ type: "save", when }] };
}

/** The open document is left for another: it is written on its own, unless nothing is in it. */
function leave<T>(state: DocumentState<T>, isBlank: (value: T) => boolean): DocumentStep<T> {
  const { id, history, phase, leaving } = state;
  if (phase !== "unsaved") return { state, effects: [] };
  const left = { ...state, phase: "saved" } as const;
  if (isBlank(history.now)) return { state: left, effects: [] };
  return {
    state: { ...left, leaving: new Map([...leaving, [id, history]]) },
    effects: [{ type: "save-left", id, history }],
  };
}
