import { type ReactNode, useId, useRef, useState } from "react";
import { explanationOf } from "@/words";
import { Note } from "./Note";
import styles from "./Term.module.css";

interface TermProps {
  /** The term, as the page *Words* of the help lists it; its plural does too. */
  readonly of: string;
  readonly children?: ReactNode;
}

/**
 * A term of the field with its explanation: pressed, or with Enter, it opens beside the word; under the pointer it is shown as well. Plain
 * text where the help doesn't explain it.
 */
export function Term({ of, children = of }: TermProps) {
  const id = useId();
  const term = useRef<HTMLButtonElement>(null);
  const [isOpen, setOpen] = useState(false);
  const explanation = explanationOf(of);
  if (explanation === undefined) return children;
  return (
    <>
      <button
        ref={term}
        type="button"
        className={styles.term}
        popoverTarget={id}
        title={explanation}
        aria-expanded={isOpen}
      >
        {children}
      </button>
      <Note id={id} of={term} text={explanation} onToggle={setOpen} />
    </>
  );
}
