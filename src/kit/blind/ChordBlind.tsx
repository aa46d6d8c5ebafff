import type { Fifths } from "@/core/pitch";
import type { Fit } from "@/core/progression";
import { chordSlats } from "./slats";
import styles from "./ChordBlind.module.css";

interface ChordBlindProps {
  readonly fit: Fit;
  /** The chord's notes. */
  readonly tones: readonly Fifths[];
}

/** The small blind under a chord: tall dark chord tones, lit colour notes, hatched rubs, short free notes. */
export function ChordBlind({ fit, tones }: ChordBlindProps) {
  return (
    <span className={styles.blind} aria-hidden="true">
      {chordSlats(fit, tones).map((kind, step) => (
        <span key={step} className={styles.slat} data-kind={kind} data-home={step === 0 || undefined} />
      ))}
    </span>
  );
}
