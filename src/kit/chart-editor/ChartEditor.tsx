import { useEffect, useRef, useState } from "react";
import type { Problem } from "@/core/problem";
import { MAX_CHART_TEXT } from "@/storage";
import type { Completion } from "./completions";
import styles from "./ChartEditor.module.css";
import type { EditorHandle } from "./editor";

interface ChartEditorProps {
  readonly label: string;
  readonly value: string;
  /** `isTyped` where letters were typed or deleted one by one, as opposed to a paste or a completion. */
  readonly onChange: (text: string, isTyped: boolean) => void;
  readonly onUndo: () => void;
  readonly onRedo: () => void;
  /** What was not understood: underlined where it stands. */
  readonly problems: readonly Problem[];
  /** The sentence of a problem, shown at it. */
  readonly says: (problem: Problem) => string;
  /** What may stand where the text before the cursor ends, best first. */
  readonly complete: (before: string) => readonly Completion[];
  /** The cursor was moved to a place of the text by the user. */
  readonly onCursor: (offset: number) => void;
}

/**
 * The field for a chart: several lines, with completion and problems underlined in place; undo is the document’s. The editor loads when
 * it is first needed; it stands in a shadow tree, since it brings its styles along and the content policy lets none into the
 * page.
 */
export function ChartEditor(props: ChartEditorProps) {
  const host = useRef<HTMLDivElement>(null);
  const handle = useRef<EditorHandle>(undefined);
  const latest = useRef(props);
  const [isReady, setReady] = useState(false);
  useEffect(() => {
    latest.current = props;
  });
  const { label, value, problems } = props;

  useEffect(() => {
    let isCurrent = true;
    void import("./editor").then(({ openEditor }) => {
      const node = host.current;
      if (!isCurrent || !node) return;
      handle.current = openEditor(node, {
        label,
        value: latest.current.value,
        most: MAX_CHART_TEXT,
        onChange: (text, isTyped) => latest.current.onChange(text, isTyped),
        onUndo: () => latest.current.onUndo(),
        onRedo: () => latest.current.onRedo(),
        says: (problem) => latest.current.says(problem),
        complete: (before) => latest.current.complete(before),
        onCursor: (offset) => latest.current.onCursor(offset),
      });
      setReady(true);
    });
    return () => {
      isCurrent = false;
      handle.current?.close();
      handle.current = undefined;
    };
  }, [label]);

  useEffect(() => handle.current?.setText(value), [value, isReady]);
  useEffect(() => {
    const [first] = problems;
    handle.current?.setProblems(problems, first && latest.current.says(first));
  }, [problems, isReady]);

  return (
    <div className={styles.editor} data-ready={isReady || undefined}>
      {!isReady && <pre className={styles.waiting}>{value}</pre>}
      <div ref={host} />
    </div>
  );
}
