import { useStore } from "@nanostores/react";
import { useState } from "react";
import { $bindings } from "@/session";
import { Choice } from "@/kit/controls";
import { Legend } from "@/shell/legend";
import { TERMS, KEYS_SAY } from "@/words";
import styles from "./HelpDialog.module.css";

const PAGES = [
  { value: "keys", text: "Keys" },
  { value: "legend", text: "Legend" },
  { value: "words", text: "Words" },
] as const;
type Page = (typeof PAGES)[number]["value"];

/** The pages of the help. */
export function HelpPages() {
  const [page, setPage] = useState<Page>("keys");
  return (
    <>
      <Choice label="Page of the help" value={page} options={PAGES} onChange={setPage} />
      {page === "keys" ? <Keys /> : page === "legend" ? <Legend /> : <Terms />}
    </>
  );
}

const NAMES: Readonly<Record<string, string>> = {
  " ": "space",
  Escape: "esc",
  ArrowUp: "↑",
  ArrowDown: "↓",
  ArrowLeft: "←",
  ArrowRight: "→",
  "Ctrl+z": "Ctrl+Z",
  "Ctrl+Shift+z": "Ctrl+Shift+Z",
};

/** The keys of what is in front. */
function Keys() {
  const bindings = useStore($bindings);
  return (
    <>
      <p className={styles.aside}>{KEYS_SAY}</p>
      {[...bindings].map(([part, keys]) => (
        <section key={part}>
          <h3 className={styles.part}>{part}</h3>
          <dl className={styles.list}>
            {keys.map(({ key, says }) => (
              <div key={key} className={styles.row}>
                <dt>
                  <kbd>{NAMES[key] ?? key}</kbd>
                </dt>
                <dd>{says}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </>
  );
}

/** The terms of the field. */
const Terms = () => (
  <dl className={styles.terms}>
    {TERMS.map(([term, explanation]) => (
      <div key={term}>
        <dt>{term}</dt>
        <dd>{explanation}</dd>
      </div>
    ))}
  </dl>
);
