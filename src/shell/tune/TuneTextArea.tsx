import { useEffect, useRef, useState } from "react";
import type { ToUndo } from "@/session";
import styles from "./TuneTextArea.module.css";

interface TuneTextAreaProps {
  readonly text: string;
  readonly rows: number;
  readonly onText: (text: string) => void;
  /** The document that it is the text of: undone there, not by the browser. */
  readonly of: Pick<ToUndo, "undo" | "redo">;
  readonly isInvalid: boolean;
  /** Where it is said what can't be read. */
  readonly describedBy: string;
  /** It is typed in as soon as it stands, at the end of the text. */
  readonly takesFocus?: boolean;
}

/** A tune as text: ABC, or the names of notes. */
export function TuneTextArea({
  text,
  rows,
  onText,
  of,
  isInvalid,
  describedBy,
  takesFocus = false,
}: TuneTextAreaProps) {
  const field = useRef<HTMLTextAreaElement>(null);
  const [takes] = useState(takesFocus);
  useEffect(() => {
    if (!takes) return;
    field.current?.focus();
    field.current?.setSelectionRange(field.current.value.length, field.current.value.length);
  }, [takes]);
  return (
    <textarea
      ref={field}
      className={styles.text}
      aria-label="The tune, as ABC or note names"
      aria-invalid={isInvalid || undefined}
      aria-describedby={describedBy}
      value={text}
      rows={rows}
      spellCheck={false}
      placeholder={"A4:1 B4:0.5 C#5:0.5 | D5:2 ||\nor ABC:\nX:1\nK:AMix\nA2 c2 B2 d2 |"}
      onChange={({ target }) => onText(target.value)}
      onKeyDown={(event) => {
        const key = event.key.toLowerCase();
        if (!(event.ctrlKey || event.metaKey) || !["z", "y"].includes(key)) return;
        event.preventDefault();
        if (key === "y" || event.shiftKey) of.redo();
        else of.undo();
      }}
    />
  );
}
