import type { ReactNode } from "react";
import styles from "./FieldRow.module.css";

interface FieldRowProps {
  readonly name: string;
  /** The name stands before the fields, otherwise over them. */
  readonly isBeside?: boolean;
  readonly children: ReactNode;
}

/** Fields that belong together, under one name. */
export function FieldRow({ name, isBeside = false, children }: FieldRowProps) {
  return (
    <fieldset className={styles.row} data-beside={isBeside || undefined}>
      <legend>{name}</legend>
      <div>{children}</div>
    </fieldset>
  );
}
