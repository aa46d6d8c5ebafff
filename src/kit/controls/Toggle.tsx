import styles from "./Toggle.module.css";

interface ToggleProps {
  readonly isOn: boolean;
  readonly onChange: (isOn: boolean) => void;
  readonly children: string;
}

/** Words of a sentence that hold or do not: a native check box under the product's own look. */
export function Toggle({ isOn, onChange, children }: ToggleProps) {
  return (
    <label className={styles.toggle} data-on={isOn || undefined}>
      <input
        type="checkbox"
        aria-label={children}
        checked={isOn}
        onChange={(event) => onChange(event.target.checked)}
      />
      <span>{children}</span>
    </label>
  );
}
