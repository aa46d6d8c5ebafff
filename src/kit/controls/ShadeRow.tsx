import type { ReactNode } from "react";
import { brightness, type Mode } from "@/core/scale";
import { shadeOf } from "@/kit/shade";
import styles from "./ShadeRow.module.css";

interface ShadeRowProps {
  /** The mode whose shade the row has. */
  readonly mode: Mode;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
  readonly children: ReactNode;
}

/** A row in the shade of a mode, one of several to choose from. */
export function ShadeRow({ mode, isChosen, onChoose, children }: ShadeRowProps) {
  return (
    <button
      type="button"
      className={styles.row}
      data-shade={shadeOf(brightness(mode.intervals))}
      aria-pressed={isChosen}
      onClick={onChoose}
    >
      {children}
    </button>
  );
}
