import type { OneModeReading } from "@/core/progression";
import { brightness, type HomeMode } from "@/core/scale";
import { shadeOf } from "@/ui/shade";
import { readingText, Words } from "@/ui/words";
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
            <button
              type="button"
              className={styles.reading}
              data-shade={shadeOf(brightness(reading.homeMode.mode.intervals))}
              aria-pressed={reading === chosen}
              onClick={() => onChoose(reading.homeMode)}
            >
              <Words>{readingText(reading)}</Words>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
