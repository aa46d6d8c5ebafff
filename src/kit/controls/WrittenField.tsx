import { useState } from "react";
import styles from "./WrittenField.module.css";

interface WrittenFieldProps {
  readonly label: string;
  readonly value: string;
  /** Takes what was written, at leaving the field (or at Enter where it is one line). */
  readonly onCommit: (text: string) => void;
  readonly rows?: number;
  readonly most: number;
  readonly placeholder?: string;
  readonly suggestions?: readonly string[];
}

/** Something that the user writes down, on one line or several, kept without a button. */
export function WrittenField({
  label,
  value,
  onCommit,
  rows = 1,
  most,
  placeholder,
  suggestions = [],
}: WrittenFieldProps) {
  const [draft, setDraft] = useState<string>();
  const commit = () => {
    if (draft !== undefined && draft.trim() !== value) onCommit(draft.trim());
    setDraft(undefined);
  };
  const shared = {
    className: styles.written,
    value: draft ?? value,
    maxLength: most,
    placeholder,
    onBlur: commit,
  };
  const listId = `${label.replaceAll(/\W+/g, "-")}-list`;
  return (
    <label className={styles.field}>
      <span className={styles.label}>{label}</span>
      {rows > 1 ? (
        <textarea {...shared} rows={rows} onChange={(event) => setDraft(event.target.value)} />
      ) : (
        <input
          {...shared}
          list={suggestions.length > 0 ? listId : undefined}
          autoComplete="off"
          onChange={(event) => setDraft(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Enter") commit();
          }}
        />
      )}
      {suggestions.length > 0 && (
        <datalist id={listId}>
          {suggestions.map((each) => (
            <option key={each} value={each} />
          ))}
        </datalist>
      )}
    </label>
  );
}
