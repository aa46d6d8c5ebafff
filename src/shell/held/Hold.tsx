import { type Held, heldText } from "./held";
import styles from "./Hold.module.css";

interface HoldProps {
  readonly what: Held;
  readonly held: Held | undefined;
  readonly onHold: (held: Held) => void;
  readonly children?: string;
}

/** A chord, or several, to be taken in hand. */
export function Hold({ what, held, onHold, children }: HoldProps) {
  const text = heldText(what);
  return (
    <button
      type="button"
      className={styles.hold}
      aria-pressed={held !== undefined && heldText(held) === text}
      onClick={() => onHold(what)}
    >
      {children ?? text}
    </button>
  );
}
