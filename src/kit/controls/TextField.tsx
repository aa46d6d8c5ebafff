import { type KeyboardEvent, memo, useId, useState } from "react";
import styles from "./TextField.module.css";

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  /** Takes the text, or says why not: what is wrong and what would do. */
  readonly onCommit: (text: string) => string | undefined;
  readonly suggestions?: readonly string[];
  /** Width in characters. */
  readonly width?: number;
  /** `small` stands among facts, `word` in the sentence of a view. */
  readonly size?: "word" | "small";
  readonly placeholder?: string;
}

const NONE: readonly string[] = [];

const Suggestions = memo(function Suggestions(props: {
  readonly id: string;
  readonly suggestions: readonly string[];
}) {
  return (
    <datalist id={props.id}>
      {props.suggestions.map((each) => (
        <option key={each} value={each} />
      ))}
    </datalist>
  );
});

/** A word of a sentence that can be typed over: taken at Enter or on leaving, put back with Escape. */
export function TextField({
  label,
  value,
  onCommit,
  suggestions = NONE,
  width = 4,
  size = "word",
  placeholder,
}: TextFieldProps) {
  const [draft, setDraft] = useState<string>();
  const [refusal, setRefusal] = useState<string>();
  const id = useId();

  const commit = () => {
    if (draft === undefined) return;
    const refused = onCommit(draft);
    setRefusal(refused);
    if (refused === undefined) setDraft(undefined);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Enter") commit();
    if (event.key === "Escape") {
      setDraft(undefined);
      setRefusal(undefined);
    }
  };

  return (
    <span className={styles.field}>
      <input
        className={styles.input}
        data-size={size}
        placeholder={placeholder}
        style={{ width: `calc(${width}ch + 22px)` }}
        aria-label={label}
        aria-invalid={refusal !== undefined}
        aria-describedby={refusal === undefined ? undefined : `${id}-why`}
        list={`${id}-list`}
        value={draft ?? value}
        spellCheck={false}
        autoComplete="off"
        onChange={(event) => setDraft(event.target.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
        onFocus={(event) => event.target.select()}
      />
      <Suggestions id={`${id}-list`} suggestions={suggestions} />
      {refusal !== undefined && (
        <span id={`${id}-why`} className={styles.refusal} role="alert">
          {refusal}
        </span>
      )}
    </span>
  );
}
