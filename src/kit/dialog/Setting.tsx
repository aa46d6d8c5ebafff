import type { ReactNode } from "react";
import styles from "./Setting.module.css";

interface SettingProps {
  readonly name: string;
  /** A word about it. */
  readonly says?: string;
  readonly children: ReactNode;
}

/** One thing that can be set, on a sheet of such things. */
export function Setting({ name, says, children }: SettingProps) {
  return (
    <section className={styles.setting}>
      <h3 className={styles.name}>{name}</h3>
      {says !== undefined && <p className={styles.says}>{says}</p>}
      <div className={styles.controls}>{children}</div>
    </section>
  );
}
