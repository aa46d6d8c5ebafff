import type { ReactNode } from "react";
import styles from "./Panel.module.css";

interface FoldProps {
  /** What is folded. */
  readonly name: string;
  readonly isOpen: boolean;
  readonly onOpen: (isOpen: boolean) => void;
  readonly children: ReactNode;
}

/** Part of a panel that folds, and stays as it was left. */
export function Fold({ name, isOpen, onOpen, children }: FoldProps) {
  return (
    <details
      className={styles.fold}
      open={isOpen}
      onToggle={(event) => {
        if (event.currentTarget.open !== isOpen) onOpen(event.currentTarget.open);
      }}
    >
      <summary>{name}</summary>
      {isOpen && <div className={styles.folded}>{children}</div>}
    </details>
  );
}
