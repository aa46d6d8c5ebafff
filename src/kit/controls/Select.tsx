import { memo } from "react";
import styles from "./TextField.module.css";

interface SelectProps<T extends string> {
  readonly label: string;
  readonly value: T;
  /** Options under one heading stand together. */
  readonly options: readonly { readonly value: T; readonly text: string; readonly under?: string }[];
  readonly onChange: (value: T) => void;
  /** `small` stands among facts, `word` in the sentence of a view. */
  readonly size?: "word" | "small";
}

/** The options under their headings; drawn anew only when there are others. */
const Options = memo(function Options({ options }: Pick<SelectProps<string>, "options">) {
  const headings = [...new Set(options.map(({ under }) => under))];
  return headings.map((heading) => {
    const ungrouped = options
      .filter(({ under }) => under === heading)
      .map((option) => (
        <option key={option.value} value={option.value}>
          {option.text}
        </option>
      ));
    return heading === undefined ? (
      ungrouped
    ) : (
      <optgroup key={heading} label={heading}>
        {ungrouped}
      </optgroup>
    );
  });
});

/** A word of a sentence that is chosen from a list. */
export function Select<T extends string>({ label, value, options, onChange, size = "word" }: SelectProps<T>) {
  return (
    <select
      className={styles.select}
      data-size={size}
      aria-label={label}
      value={value}
      onChange={(event) => {
        const chosen = options.find((option) => option.value === event.target.value);
        if (chosen) onChange(chosen.value);
      }}
    >
      <Options options={options} />
    </select>
  );
}
