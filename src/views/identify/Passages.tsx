import type { Passage } from "@/core/identify";
import { brightness } from "@/core/scale";
import { shadeOf } from "@/ui/shade";
import { passageText } from "@/ui/words";
import styles from "./Passages.module.css";

/** The passages of a tune in the shade of each; a tune that stays in its mode is one. */
export function Passages({ passages }: { readonly passages: readonly Passage[] }) {
  return (
    <section aria-label="Passage by passage">
      <h2 className={styles.title}>Passage by passage</h2>
      <ol className={styles.strip}>
        {passages.map(({ fromBar, toBar, homeMode }) => (
          <li
            key={fromBar}
            className={styles.passage}
            style={{ flexGrow: toBar - fromBar + 1 }}
            data-shade={shadeOf(brightness(homeMode.mode.intervals))}
          >
            <b>{passageText(homeMode)}</b>{" "}
            <span>{fromBar === toBar ? `bar ${fromBar}` : `bars ${fromBar} to ${toBar}`}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}
