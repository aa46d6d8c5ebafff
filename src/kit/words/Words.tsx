import type { Phrase } from "@/words";
import { Term } from "./Term";
import styles from "./Words.module.css";

interface WordsProps {
  /** The parts of a sentence. */
  readonly children: readonly Phrase[];
  /** Which of the notes that a part points at are to be shown; undefined when none are any more. */
  readonly onPoint?: ((notes: readonly number[] | undefined) => void) | undefined;
}

/** A sentence in parts: plain, strong, characteristic notes on amber, target notes outlined twice, and parts that point at notes when they are touched. */
export function Words({ children, onPoint }: WordsProps) {
  return children.map((phrase, at) => {
    if (typeof phrase === "string") return phrase;
    if ("lit" in phrase) {
      return (
        <mark key={at} className={styles.lit}>
          {phrase.lit}
        </mark>
      );
    }
    if ("target" in phrase) {
      return (
        <b key={at} className={styles.target}>
          {phrase.target}
        </b>
      );
    }
    if ("term" in phrase) return <Term key={at} of={phrase.term} />;
    if ("says" in phrase) {
      const { says, points } = phrase;
      if (points.length === 0 || !onPoint) return says;
      const show = () => onPoint(points);
      const hide = () => onPoint(undefined);
      return (
        // Not a button element: its words must break with the sentence.
        <span
          key={at}
          role="button"
          tabIndex={0}
          className={styles.points}
          title="Shows these notes on the staff"
          onPointerEnter={show}
          onPointerLeave={hide}
          onFocus={show}
          onBlur={hide}
          onClick={show}
          onKeyDown={(event) => {
            if (event.key === "Enter") show();
          }}
        >
          {says}
        </span>
      );
    }
    return <strong key={at}>{phrase.strong}</strong>;
  });
}
