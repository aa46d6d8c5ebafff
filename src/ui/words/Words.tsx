import { Fragment } from "react";
import type { Phrase } from "./names";
import styles from "./Words.module.css";

interface WordsProps {
  /** A text, or the parts of a sentence; accidentals in it are set in the music font. */
  readonly children: string | readonly Phrase[];
}

/** Text with real accidentals that read as part of the name, and colour notes on amber. */
export function Words({ children }: WordsProps) {
  const phrases = typeof children === "string" ? [children] : children;
  return phrases.map((phrase, at) => {
    if (typeof phrase === "string") return <Signed key={at} text={phrase} />;
    if ("lit" in phrase) {
      return (
        <mark key={at} className={styles.lit}>
          <Signed text={phrase.lit} />
        </mark>
      );
    }
    return (
      <strong key={at}>
        <Signed text={phrase.strong} />
      </strong>
    );
  });
}

const SIGNS = /([♯♭♮𝄪𝄫]+)/u;

function Signed({ text }: { readonly text: string }) {
  return text.split(SIGNS).map((part, at) =>
    at % 2 === 1 ? (
      <span key={at} className={styles.sign}>
        {part}
      </span>
    ) : (
      <Fragment key={at}>{part}</Fragment>
    ),
  );
}
