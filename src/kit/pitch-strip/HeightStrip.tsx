import type { CSSProperties } from "react";
import { type Fifths, soundOf } from "@/core/pitch";
import type { HomeMode } from "@/core/scale";
import { degreeText, noteText } from "@/words";
import { cellsOf } from "./cells";
import styles from "./HeightStrip.module.css";

interface HeightStripProps {
  readonly homeMode: HomeMode;
  /** What its characteristic notes tell it from. */
  /** Share of sounding time by sounding pitch class, 0 is C. */
  readonly sounding: readonly number[];
  /** Names of heard notes that the mode does not have. */
  readonly outside: readonly Fifths[];
  /** Half steps above home of degrees that are undecided. */
  readonly undecided: readonly number[];
}

/** What a half step is called where the mode has no note for it. */
const OUTSIDE_DEGREES = ["1", "♭2", "2", "♭3", "3", "4", "♭5", "5", "♭6", "6", "♭7", "7"];

/** Shares of the highest bar below which a name doesn't fit into a bar. */
const LOW = 0.22;

/** The strip with heights: how long each note sounds, counted from home. Open stripes where a note was never heard. */
export function HeightStrip({ homeMode, sounding, outside, undecided }: HeightStripProps) {
  const home = soundOf(homeMode.home);
  const share = (step: number) => sounding[(step + home) % 12] ?? 0;
  const most = Math.max(...sounding);
  return (
    <figure className={styles.figure}>
      <figcaption className={styles.caption}>
        How long each note sounds, counted from the home note
      </figcaption>
      <ol className={styles.bars}>
        {cellsOf(homeMode).map(({ step, note, isHome, isCharacteristic, interval }) => {
          const guest = outside.find((each) => soundOf(each) === (step + home) % 12);
          const name = note ?? guest;
          const height: CSSProperties & Record<"--height", string> = {
            "--height": `${(share(step) / most) * 100}%`,
          };
          const kind = undecided.includes(step)
            ? "open"
            : share(step) === 0
              ? "shut"
              : note === undefined
                ? "passing"
                : "heard";
          const said = `${name === undefined ? "not heard" : noteText(name)}, ${Math.round(share(step) * 100)}%${kind === "passing" ? ", outside the mode" : ""}${kind === "open" ? ", never heard" : ""}`;
          return (
            <li key={step} className={styles.place}>
              <span className={styles.room}>
                <span
                  className={styles.bar}
                  style={height}
                  data-kind={kind}
                  data-low={(kind !== "open" && share(step) / most < LOW) || undefined}
                  data-home={isHome || undefined}
                  data-notched={(isCharacteristic && kind === "heard") || undefined}
                  role="img"
                  aria-label={said}
                >
                  {name !== undefined && share(step) > 0 && (
                    <span className={styles.name}>{noteText(name)}</span>
                  )}
                </span>
              </span>
              <span className={styles.degree}>
                {interval === undefined ? (OUTSIDE_DEGREES[step] ?? "") : degreeText(interval)}
              </span>
            </li>
          );
        })}
      </ol>
    </figure>
  );
}
