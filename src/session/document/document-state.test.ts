import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { dispatch, type DocumentEvent, type DocumentState, fresh, unwritten } from "./document-state";

interface Text {
  readonly text: string;
  readonly title: string;
}
const BLANK: Text = { text: "", title: "" };
const isBlank = ({ text }: Text) => text === "";
const of = (text: string): Text => ({ text, title: "" });

/** The state after some events, and what was to be done in all. */
function after(...events: readonly DocumentEvent<Text>[]) {
  let state = fresh("a", BLANK);
  const effects: string[] = [];
  for (const event of events) {
    const step = dispatch(state, event, isBlank);
    state = step.state;
    for (const effect of step.effects)
      effects.push(effect.type === "save" ? `save ${effect.when}` : `save-left ${effect.id}`);
  }
  return { state, effects };
}
const typed = (text: string, at: number): DocumentEvent<Text> => ({
  type: "change",
  part: { text },
  step: "typing",
  at,
});

describe("a document’s state", () => {
  it("takes typing in one go as one step, saved after a pause; another change is saved at once", () => {
    const { state, effects } = after(
      typed("C", 0),
      typed("CG", 500),
      typed("CGA", 1000),
      { type: "change", part: { title: "Gate" }, at: 1100 },
      typed("CGAF", 1200),
    );
    expect(state.history.past.map(({ text, title }) => text + title)).toEqual(["", "CGA", "CGAGate"]);
    expect(effects).toEqual(["save later", "save later", "save later", "save now", "save later"]);
  });

  it("typed on after a while, or after an undo, is another step", () => {
    expect(after(typed("C", 0), typed("CG", 1300)).state.history.past).toHaveLength(2);
    const undone = after(typed("C", 0), typed("CG", 100), { type: "undo" }, typed("D", 200));
    expect(undone.state.history.past).toEqual([BLANK]);
    expect(after({ type: "undo" }, { type: "redo" }).effects).toEqual([]);
  });

  it("left for another before it is saved is written on its own, and can be returned to until then", () => {
    const left = after(typed("C", 0), { type: "open", id: "b", value: of("G") });
    expect(left.effects).toEqual(["save later", "save-left a", "save now"]);
    expect([...unwritten(left.state, isBlank).keys()]).toEqual(["a", "b"]);
    const back = dispatch(left.state, { type: "return", id: "a" }, isBlank).state;
    expect([back.id, back.history.now.text, back.phase, [...back.leaving.keys()]]).toEqual([
      "a",
      "C",
      "unsaved",
      ["b"],
    ]);
  });

  it("that is blank is left without a trace", () => {
    expect(after(typed("C", 0), typed("", 10), { type: "open", id: "b", value: of("G") }).effects).toEqual([
      "save later",
      "save later",
      "save now",
    ]);
  });

  it("changed while it was being written stays unsaved; as it was written it is saved, perhaps under another name", () => {
    const { state } = after(typed("C", 0));
    const { history } = state;
    const typedOn = dispatch(state, typed("CG", 10), isBlank).state;
    const written = { type: "written", id: "a", as: "a", history } as const;
    expect(dispatch(typedOn, written, isBlank).state.phase).toBe("unsaved");
    const beside = dispatch(state, { ...written, as: "copy" }, isBlank).state;
    expect([beside.id, beside.phase]).toEqual(["copy", "saved"]);
  });

  it("follows another tab only where nothing of its own is unsaved, and can go back", () => {
    const shown = after({ type: "show", id: "a", stored: { revision: "1", value: of("C"), past: [] } });
    const follow = { type: "follow", id: "a", value: of("D") } as const;
    const followed = dispatch(shown.state, follow, isBlank).state;
    expect([followed.history.now.text, followed.phase]).toEqual(["D", "saved"]);
    expect(dispatch(followed, { type: "undo" }, isBlank).state.history.now.text).toBe("C");
    expect(dispatch(after(typed("C", 0)).state, follow, isBlank).state.history.now.text).toBe("C");
  });

  it("goes on with what a closed page had, beside what is open, and not twice", () => {
    const open = after({ type: "open", id: "b", value: of("G") }).state;
    const resume = { type: "resume", id: "a", value: of("C") } as const;
    const resumed = dispatch(open, resume, isBlank);
    expect([resumed.state.id, resumed.state.history.now.text, [...resumed.state.leaving.keys()]]).toEqual([
      "a",
      "C",
      ["b"],
    ]);
    expect(dispatch(resumed.state, resume, isBlank).state).toBe(resumed.state);
  });

  it("never loses what was typed: it is open, in its past, or waits to be written, until storage has it", () => {
    const event = fc.oneof(
      fc.record({
        type: fc.constant("change" as const),
        part: fc.record({ text: fc.string({ minLength: 1, maxLength: 3 }) }),
        at: fc.nat(9000),
      }),
      fc.constantFrom({ type: "undo" as const }, { type: "redo" as const }),
      fc.record({
        type: fc.constant("open" as const),
        id: fc.constantFrom("b", "c", "d"),
        value: fc.record({ text: fc.constantFrom("", "x", "y"), title: fc.constant("") }),
      }),
      fc.record({ type: fc.constant("return" as const), id: fc.constantFrom("a", "b", "c", "d") }),
    );
    fc.assert(
      fc.property(fc.array(event, { maxLength: 12 }), (events) => {
        let state: DocumentState<Text> = fresh("a", BLANK);
        let ids = 0;
        for (const each of events) {
          const before = state;
          // Ids are new ones, as they are in the application.
          const step = each.type === "open" ? { ...each, id: `${each.id}${(ids += 1)}` } : each;
          state = dispatch(state, step, isBlank).state;
          if (before.phase === "unsaved" && !isBlank(before.history.now) && state.id !== before.id)
            expect(unwritten(state, isBlank).get(before.id)).toBe(before.history);
          if (step.type === "undo" || step.type === "redo")
            expect([...state.history.past, state.history.now, ...state.history.future]).toEqual([
              ...before.history.past,
              before.history.now,
              ...before.history.future,
            ]);
        }
      }),
    );
  });
});
