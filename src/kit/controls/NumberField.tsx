import { useState } from "react";
import styles from "./NumberField.module.css";

interface NumberFieldProps {
  /** What is counted, with its bounds: read out, not shown. */
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly onChange: (value: number) => void;
  /** What stands behind the number: "per minute", "mm". */
  readonly unit?: string;
}

/** A whole number, taken as soon as it is within its bounds; what is not is put back on leaving. */
export function NumberField({ label, value, least, most, onChange, unit }: NumberFieldProps) {
  const [draft, setDraft] = useState<string>();
  const isBad = draft !== undefined;
  return (
    <label className={styles.field}>
      <input
        type="number"
        min={least}
        max={most}
        value={draft ?? value}
        aria-label={`${label}, ${least} to ${most}`}
        aria-invalid={isBad || undefined}
        onChange={(event) => {
          const next = event.target.valueAsNumber;
          if (next >= least && next <= most && Number.isInteger(next)) {
            onChange(next);
            setDraft(undefined);
          } else setDraft(event.target.value);
        }}
        onBlur={() => setDraft(undefined)}
      />
      {unit !== undefined && <span>{unit}</span>}
      {isBad && (
        <span className={styles.bounds} role="status">
          {least} to {most}
        </span>
      )}
    </label>
  );
}
