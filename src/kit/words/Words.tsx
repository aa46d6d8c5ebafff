import type { Phrase } from "@/words";
import { Term } from "./Term";
import styles from "./Words.module.css";

interface WordsProps {
  /** The parts of a sentence. */
  readonly children: readonly Phrase[];
  /** Which of the notes that a part points at are to be shown; undefined when none are any more. */
  readonly onPoint?: ((notes: readonly number[] | undefined) => void) | undefined;
}

/** What stands at the end of a word without a space. */
const SIGN = /^[.,:;)]+/;

/** A sentence in parts: plain, strong, characteristic notes on amber, target notes outlined twice, and parts that point at notes when they are touched. */
export function Words({ children, onPoint }: WordsProps) {
  return children.map((phrase, at) => {
    const before = children[at - 1];
    // A term keeps the sign that follows it on its line.
    if (typeof phrase === "string")
      return typeof before === "object" && "term" in before ? phrase.replace(SIGN, "") : phrase;
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
    if ("term" in phrase) {
      const after = children[at + 1];
      const sign = typeof after === "string" ? SIGN.exec(after)?.[0] : undefined;
      return (
        <span key={at} className={styles.whole}>
          <Term of={phrase.term} />
          {sign}
        </span>
      );
    }
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
