import { type ReactNode, useId, useRef, useState } from "react";
import { beside, GAP } from "@/kit/beside";
import { explanationOf } from "@/words";
import styles from "./Term.module.css";

interface TermProps {
  /** The term, as the page *Words* of the help lists it; its plural does too. */
  readonly of: string;
  readonly children?: ReactNode;
}

/** How wide an explanation is. */
const WIDTH = 300;

/**
 * A term of the field with its explanation: pressed, or with Enter, it opens beside the word; under the pointer it is shown as well. Plain
 * text where the help doesn't explain it.
 */
export function Term({ of, children = of }: TermProps) {
  const id = useId();
  const term = useRef<HTMLButtonElement>(null);
  const note = useRef<HTMLSpanElement>(null);
  const [isOpen, setOpen] = useState(false);
  const explanation = explanationOf(of);
  if (explanation === undefined) return children;
  const place = () => {
    const at = term.current?.getBoundingClientRect();
    const style = note.current?.style;
    if (!at || !style) return;
    const { left, zoom } = beside(at, WIDTH, "start");
    const isLow = at.bottom > window.innerHeight * 0.7;
    style.setProperty("--left", `${left}px`);
    style.setProperty("--top", isLow ? "auto" : `${(at.bottom + GAP) / zoom}px`);
    style.setProperty("--bottom", isLow ? `${(window.innerHeight - at.top + GAP) / zoom}px` : "auto");
  };
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
      <span
        ref={note}
        id={id}
        className={styles.note}
        role="note"
        popover="auto"
        onBeforeToggle={place}
        onToggle={({ newState }) => setOpen(newState === "open")}
      >
        {isOpen && explanation}
      </span>
    </>
  );
}
