import type { Phrase } from "./names";
import styles from "./Words.module.css";

interface WordsProps {
  /** The parts of a sentence. */
  readonly children: readonly Phrase[];
}

/** A sentence in parts: plain, strong, and colour notes on amber. */
export function Words({ children }: WordsProps) {
  return children.map((phrase, at) => {
    if (typeof phrase === "string") return phrase;
    if ("lit" in phrase) {
      return (
        <mark key={at} className={styles.lit}>
          {phrase.lit}
        </mark>
      );
    }
    return <strong key={at}>{phrase.strong}</strong>;
  });
}
