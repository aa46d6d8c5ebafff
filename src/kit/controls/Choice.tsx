import { useId, useRef, useState } from "react";
import { Note } from "@/kit/words";
import { explanationOf } from "@/words";
import styles from "./Choice.module.css";

interface Option<T extends string> {
  readonly value: T;
  readonly text: string;
  /** The term of the field that it names, which the help explains. */
  readonly term?: string;
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly Option<T>[];
  readonly onChange: (value: T) => void;
  readonly size?: "word" | "small";
}

/** One of a few, side by side: native radio buttons under the product's own look. */
export function Choice<T extends string>({ label, value, options, onChange, size = "word" }: ChoiceProps<T>) {
  return (
    <fieldset className={styles.choice} data-size={size}>
      <legend className="visually-hidden">{label}</legend>
      {options.map((option) => (
        <OptionLabel
          key={option.value}
          group={label}
          option={option}
          isChosen={option.value === value}
          onChoose={() => onChange(option.value)}
        />
      ))}
    </fieldset>
  );
}

interface OptionLabelProps<T extends string> {
  readonly group: string;
  readonly option: Option<T>;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}

/** One of them. A term explains itself under the pointer, where the keyboard has come to it, and after a touch. */
function OptionLabel<T extends string>({ group, option, isChosen, onChoose }: OptionLabelProps<T>) {
  const id = useId();
  const label = useRef<HTMLLabelElement>(null);
  const isTouched = useRef(false);
  const [isExplained, setExplained] = useState(false);
  const explanation = option.term === undefined ? undefined : explanationOf(option.term);
  return (
    <>
      <label ref={label} className={styles.option}>
        <input
          type="radio"
          className={styles.radio}
          name={group}
          checked={isChosen}
          title={explanation}
          onPointerDown={({ pointerType }) => {
            isTouched.current = pointerType === "touch";
          }}
          onFocus={({ target }) => setExplained(target.matches(":focus-visible"))}
          onBlur={() => setExplained(false)}
          onChange={() => {
            onChoose();
            if (isTouched.current) setExplained(true);
          }}
        />
        <span className={styles.text}>{option.text}</span>
      </label>
      {explanation !== undefined && (
        <Note id={id} of={label} text={explanation} isOpen={isExplained} onToggle={setExplained} />
      )}
    </>
  );
}
