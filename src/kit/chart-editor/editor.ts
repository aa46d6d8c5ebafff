import {
  autocompletion,
  closeCompletion,
  completionKeymap,
  completionStatus,
  type CompletionContext,
  type CompletionResult,
} from "@codemirror/autocomplete";
import { defaultKeymap } from "@codemirror/commands";
import { type Diagnostic, setDiagnostics } from "@codemirror/lint";
import { Annotation, Compartment, EditorState, RangeSetBuilder } from "@codemirror/state";
import {
  Decoration,
  type DecorationSet,
  EditorView,
  keymap,
  placeholder,
  ViewPlugin,
  type ViewUpdate,
} from "@codemirror/view";
import { chartTokens } from "@/core/chord";
import type { Problem } from "@/core/problem";
import { type Completion, wordBefore } from "./completions";

/** What the field asks of the editor. */
export interface EditorHandle {
  /** Takes a text from outside. Nothing where it is the same. */
  readonly setText: (text: string) => void;
  /** Underlines what was not understood, and says the first of it with the field. */
  readonly setProblems: (problems: readonly Problem[], first: string | undefined) => void;
  readonly close: () => void;
}

interface EditorAsked {
  readonly label: string;
  readonly value: string;
  /** Characters that it may have. */
  readonly most: number;
  readonly onChange: (text: string, isTyped: boolean) => void;
  readonly onUndo: () => void;
  readonly onRedo: () => void;
  readonly says: (problem: Problem) => string;
  readonly complete: (before: string) => readonly Completion[];
  readonly onCursor: (offset: number) => void;
}

/** A key that always does something. */
const done = (act: () => void) => () => {
  act();
  return true;
};

/** Marks a change that came from outside. */
const FromOutside = Annotation.define<true>();

/** Tokens are told apart by weight and ink alone. */
const THEME = EditorView.theme({
  "&": { fontSize: "16px", color: "var(--ink)", backgroundColor: "transparent" },
  "&.cm-focused": { outline: "none" },
  ".cm-scroller": { fontFamily: "inherit", lineHeight: "1.5", maxHeight: "var(--most)" },
  ".cm-content": { padding: "6px 0", caretColor: "var(--ink)", fontWeight: "620" },
  ".cm-line": { padding: "0 14px" },
  ".cm-cursor": { borderLeftColor: "var(--ink)", borderLeftWidth: "2px" },
  ".cm-placeholder": { color: "var(--soft)", fontWeight: "400" },
  ".cm-soft": { color: "var(--soft)", fontWeight: "400" },
  ".cm-named": {
    fontWeight: "420",
    fontStyle: "normal",
    textDecoration: "underline",
    textUnderlineOffset: "3px",
  },
  ".cm-lintRange": { backgroundImage: "none", paddingBottom: "0" },
  ".cm-lintRange-error": {
    textDecoration: "underline wavy var(--outside)",
    textDecorationSkipInk: "none",
    textUnderlineOffset: "4px",
  },
  ".cm-tooltip": {
    color: "var(--ink)",
    backgroundColor: "var(--card)",
    border: "1px solid var(--ink)",
    fontFamily: "var(--text)",
    fontSize: "14px",
  },
  ".cm-tooltip.cm-tooltip-autocomplete > ul": { fontFamily: "inherit", maxHeight: "224px" },
  ".cm-tooltip.cm-tooltip-autocomplete > ul > li": {
    display: "flex",
    justifyContent: "space-between",
    gap: "18px",
    minHeight: "26px",
    alignItems: "center",
    padding: "2px 10px",
  },
  ".cm-tooltip-autocomplete ul li[aria-selected]": { color: "var(--card)", background: "var(--ink)" },
  ".cm-completionDetail": { marginLeft: "0", fontStyle: "normal", fontSize: "12.5px" },
  ".cm-completionMatchedText": { textDecoration: "none" },
  ".cm-diagnostic": { padding: "6px 10px", maxWidth: "420px", borderLeft: "3px solid var(--outside)" },
});

const SOFT = Decoration.mark({ class: "cm-soft" });
const NAMED = Decoration.mark({ class: "cm-named" });
const MARK: Readonly<Partial<Record<string, Decoration>>> = {
  "bar-line": SOFT,
  ending: SOFT,
  times: SOFT,
  meter: SOFT,
  beat: SOFT,
  comment: SOFT,
  "repeat-bar": SOFT,
  section: NAMED,
  lock: NAMED,
};

function marksOf(view: EditorView): DecorationSet {
  const marks = new RangeSetBuilder<Decoration>();
  for (const { kind, text, offset } of chartTokens(view.state.doc.toString())) {
    const mark = MARK[kind];
    if (mark) marks.add(offset, offset + text.length, mark);
  }
  return marks.finish();
}

const tokenMarks = ViewPlugin.fromClass(
  class {
    decorations: DecorationSet;
    constructor(view: EditorView) {
      this.decorations = marksOf(view);
    }
    update(update: ViewUpdate) {
      if (update.docChanged) this.decorations = marksOf(update.view);
    }
  },
  { decorations: (plugin) => plugin.decorations },
);

/** What the field says of itself while something in it can't be read: its problem stands outside the shadow tree. */
const invalidAttributes = (problem: string | undefined): Record<string, string> =>
  problem === undefined ? {} : { "aria-invalid": "true", "aria-description": problem };

/** Opens an editor in an element, in a shadow tree of its own. */
export function openEditor(host: HTMLElement, asked: EditorAsked): EditorHandle {
  const root = host.shadowRoot ?? host.attachShadow({ mode: "open" });
  root.replaceChildren();
  const parent = document.createElement("div");
  root.append(parent);

  const source = (context: CompletionContext): CompletionResult | null => {
    const before = context.state.sliceDoc(0, context.pos);
    const word = wordBefore(before);
    if (word === "" && !context.explicit) return null;
    const options = asked.complete(before);
    return options.length === 0
      ? null
      : {
          from: context.pos - word.length,
          options: options.map((each, at) => ({ ...each, boost: Math.max(-99, 99 - at) })),
          filter: true,
        };
  };

  const validity = new Compartment();

  // What was told and has not come back yet: an older text that comes back must not undo what was typed since.
  const problems: string[] = [];

  const view = new EditorView({
    root,
    parent,
    state: EditorState.create({
      doc: asked.value,
      extensions: [
        keymap.of([
          {
            key: "Escape",
            run: (here) => {
              if (completionStatus(here.state) !== null) return closeCompletion(here);
              here.contentDOM.blur();
              return true;
            },
          },
          { key: "Mod-z", run: done(asked.onUndo), preventDefault: true },
          { key: "Shift-Mod-z", run: done(asked.onRedo), preventDefault: true },
          { key: "Mod-y", run: done(asked.onRedo), preventDefault: true },
          ...completionKeymap,
          ...defaultKeymap,
        ]),
        autocompletion({
          override: [source],
          icons: false,
          selectOnOpen: false,
          interactionDelay: 0,
          maxRenderedOptions: 40,
        }),
        EditorState.changeFilter.of((change) => change.newDoc.length <= asked.most),
        EditorView.lineWrapping,
        EditorView.contentAttributes.of({
          "aria-label": asked.label,
          tabindex: "0",
          spellcheck: "false",
          autocapitalize: "off",
        }),
        validity.of([]),
        placeholder("| Em9 | A13 |"),
        tokenMarks,
        THEME,
        EditorView.updateListener.of((update) => {
          const isOutside = update.transactions.some((each) => each.annotation(FromOutside) === true);
          if (update.docChanged && !isOutside) {
            problems.push(update.state.doc.toString());
            const isTyped = update.transactions.some(
              (each) => each.isUserEvent("input.type") || each.isUserEvent("delete"),
            );
            asked.onChange(update.state.doc.toString(), isTyped);
          }
          const isMoved = update.selectionSet && update.view.hasFocus;
          if (isMoved || (update.docChanged && !isOutside)) asked.onCursor(update.state.selection.main.head);
        }),
      ],
    }),
  });

  return {
    setText: (text) => {
      const place = problems.indexOf(text);
      problems.splice(0, place < 0 ? problems.length : place + 1);
      const now = view.state.doc.toString();
      if (place >= 0 || text === now) return;
      let from = 0;
      while (from < now.length && from < text.length && now[from] === text[from]) from += 1;
      let [end, newEnd] = [now.length, text.length];
      while (end > from && newEnd > from && now[end - 1] === text[newEnd - 1])
        [end, newEnd] = [end - 1, newEnd - 1];
      view.dispatch({
        changes: { from, to: end, insert: text.slice(from, newEnd) },
        annotations: FromOutside.of(true),
      });
    },
    setProblems: (problems, first) => {
      const { length } = view.state.doc;
      const diagnostics = problems
        .filter(({ offset }) => offset <= length)
        .map((problem): Diagnostic => ({
          from: Math.min(problem.offset, Math.max(0, length - 1)),
          to: Math.min(length, problem.offset + Math.max(1, problem.length)),
          severity: "error",
          message: asked.says(problem),
        }));
      view.dispatch(setDiagnostics(view.state, diagnostics), {
        effects: validity.reconfigure(EditorView.contentAttributes.of(invalidAttributes(first))),
      });
    },
    close: () => view.destroy(),
  };
}
