import type { OneModeReading } from "@/core/progression";
import type { HomeMode } from "@/core/scale";
import { ShadeRow } from "@/ui/controls";
import { readingText } from "@/ui/words";
import styles from "./Readings.module.css";

interface ReadingsProps {
  readonly readings: readonly OneModeReading[];
  readonly chosen: OneModeReading;
  readonly onChoose: (homeMode: HomeMode) => void;
}

/** The single modes that leave least outside, best first; each can be taken instead. */
export function Readings({ readings, chosen, onChoose }: ReadingsProps) {
  return (
    <section className={styles.readings} aria-label="Which single mode">
      <h2 className={styles.title}>Which single mode, the one that leaves least outside first</h2>
      <ul className={styles.list}>
        {readings.map((reading) => (
          <li key={`${reading.homeMode.home} ${reading.homeMode.mode.id}`}>
            <ShadeRow
              mode={reading.homeMode.mode}
              isChosen={reading === chosen}
              onChoose={() => onChoose(reading.homeMode)}
            >
              <span>{readingText(reading)}</span>
            </ShadeRow>
          </li>
        ))}
      </ul>
    </section>
  );
}
