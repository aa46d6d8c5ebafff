import { useStore } from "@nanostores/react";
import { $settings, changeSettings } from "@/session";
import { brightnessText, type MarkKind, MARKS, SHADES_TEXT, SHORT_MARKS, SHORT_SHADES } from "@/words";
import styles from "./Legend.module.css";

/** A note marker as it is drawn everywhere. */
const MarkSample = ({ mark }: { readonly mark: MarkKind }) => (
  <span
    className={styles.mark}
    data-mark={mark}
    data-notched={mark === "characteristic" || undefined}
    aria-hidden="true"
  />
);

const SHADES = [3, 2, 1, 0, -1, -2, -3];

/** What marks and shades mean, in full: a page of the help. */
export function Legend() {
  return (
    <>
      <dl className={styles.legend}>
        {MARKS.map(([mark, says]) => (
          <div key={mark}>
            <dt>
              <MarkSample mark={mark} />
            </dt>
            <dd>{says}</dd>
          </div>
        ))}
      </dl>
      <p className={styles.shades} aria-hidden="true">
        {SHADES.map((shade) => (
          <span key={shade} data-shade={shade}>
            {brightnessText(shade)}
          </span>
        ))}
      </p>
      <p>{SHADES_TEXT}</p>
    </>
  );
}

/** The same in a line that stands on the screen until it is dismissed. */
export function LegendLine() {
  const { legend } = useStore($settings);
  if (!legend) return null;
  return (
    <section className={styles.line} aria-label="Legend">
      <ul>
        {SHORT_MARKS.map(([mark, says]) => (
          <li key={mark}>
            <MarkSample mark={mark} />
            {says}
          </li>
        ))}
        <li>
          <span className={styles.ramp} aria-hidden="true">
            {SHADES.map((shade) => (
              <span key={shade} data-shade={shade} />
            ))}
          </span>
          {SHORT_SHADES}
        </li>
      </ul>
      <button type="button" onClick={() => changeSettings({ legend: false })}>
        Hide legend
      </button>
    </section>
  );
}
