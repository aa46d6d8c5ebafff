import type { ReactNode } from "react";
import { explanationOf, Term } from "@/words";
import styles from "./Labelled.module.css";

interface LabelledProps {
  /** What the control's own label says too: seen here, heard there. */
  readonly label: string;
  readonly children: ReactNode;
}

/** A control under its visible label; a term of the field explains itself. */
export function Labelled({ label, children }: LabelledProps) {
  const isTerm = explanationOf(label) !== undefined;
  return (
    <span className={styles.labelled}>
      <span className={styles.label} aria-hidden={!isTerm || undefined}>
        {isTerm ? <Term of={label} /> : label}
      </span>
      {children}
    </span>
  );
}
