import { type RefObject, useEffect, useRef, useState } from "react";
import { beside, GAP } from "@/kit/beside";
import styles from "./Term.module.css";

/** How wide a note is. */
const WIDTH = 300;

interface NoteProps {
  readonly id: string;
  /** What it explains: the note stands under it, or over it where the window ends. */
  readonly of: RefObject<HTMLElement | null>;
  readonly text: string;
  readonly onToggle?: (isOpen: boolean) => void;
  /** Open or shut by its owner; without it, by the button that names it. */
  readonly isOpen?: boolean;
}

/** An explanation beside what it explains, over everything else. Escape and a press elsewhere close it. */
export function Note({ id, of, text, onToggle, isOpen }: NoteProps) {
  const note = useRef<HTMLSpanElement>(null);
  const [isShown, setShown] = useState(false);
  useEffect(() => {
    if (isOpen !== undefined && isOpen !== isShown) note.current?.togglePopover(isOpen);
  }, [isOpen, isShown]);
  const place = () => {
    const at = of.current?.getBoundingClientRect();
    const style = note.current?.style;
    if (!at || !style) return;
    const { left, zoom } = beside(at, WIDTH, "start");
    const isLow = at.bottom > window.innerHeight * 0.7;
    style.setProperty("--left", `${left}px`);
    style.setProperty("--top", isLow ? "auto" : `${(at.bottom + GAP) / zoom}px`);
    style.setProperty("--bottom", isLow ? `${(window.innerHeight - at.top + GAP) / zoom}px` : "auto");
  };
  return (
    <span
      ref={note}
      id={id}
      className={styles.note}
      role="note"
      popover="auto"
      data-open={isShown || undefined}
      onBeforeToggle={place}
      onToggle={({ newState }) => {
        setShown(newState === "open");
        onToggle?.(newState === "open");
      }}
    >
      {isShown && text}
    </span>
  );
}
