import type { Fifths } from "@/core/pitch";
import type { Fit } from "@/core/progression";
import { chordCells } from "./cells";
import styles from "./ChordStrip.module.css";

interface ChordStripProps {
  readonly fit: Fit;
  /** The chord's notes. */
  readonly tones: readonly Fifths[];
}

/** The small strip under a chord: tall dark chord tones, lit characteristic notes, hatched avoid notes, short other scale notes. */
export function ChordStrip({ fit, tones }: ChordStripProps) {
  return (
    <span className={styles.strip} aria-hidden="true">
      {chordCells(fit, tones).map((kind, step) => (
        <span key={step} className={styles.cell} data-kind={kind} data-home={step === 0 || undefined} />
      ))}
    </span>
  );
}
