import styles from "./Choice.module.css";

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly text: string }[];
  readonly onChange: (value: T) => void;
  readonly size?: "word" | "small";
}

/** One of a few, side by side: native radio buttons under the product's own look. */
export function Choice<T extends string>({ label, value, options, onChange, size = "word" }: ChoiceProps<T>) {
  return (
    <fieldset className={styles.choice} data-size={size}>
      <legend className="visually-hidden">{label}</legend>
      {options.map((option) => (
        <label key={option.value} className={styles.option}>
          <input
            type="radio"
            className={styles.radio}
            name={label}
            checked={option.value === value}
            onChange={() => onChange(option.value)}
          />
          <span className={styles.text}>{option.text}</span>
        </label>
      ))}
    </fieldset>
  );
}
