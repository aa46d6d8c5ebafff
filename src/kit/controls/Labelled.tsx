import type { ReactNode } from "react";
import styles from "./Labelled.module.css";

interface LabelledProps {
  /** What the control's own label says too: seen here, heard there. */
  readonly label: string;
  readonly children: ReactNode;
}

/** A control under its visible label. */
export function Labelled({ label, children }: LabelledProps) {
  return (
    <span className={styles.labelled}>
      <span className={styles.label} aria-hidden="true">
        {label}
      </span>
      {children}
    </span>
  );
}
