import { type Ref, type ReactNode, useId, useImperativeHandle, useRef, useState } from "react";
import { beside, GAP } from "@/kit/beside";
import { Boundary, Waiting } from "@/kit/later";
import { LOADING } from "@/words";
import button from "@/kit/controls/Button.module.css";
import styles from "./Popover.module.css";

/** Opens a popover, or closes it. */
export interface PopoverSwitch {
  readonly toggle: () => void;
}

interface PopoverProps {
  /** What its button says, and what it is called. */
  readonly label: string;
  readonly keyName?: string | undefined;
  readonly children: ReactNode;
  readonly ref?: Ref<PopoverSwitch>;
}

/** How wide the sheet is, where the window is. */
const WIDTH = 720;

/**
 * A button with a sheet of controls that stands above it and leaves the rest in sight; where there is little room, at the foot of the
 * window. The browser's own popover: it closes at Escape and at a press elsewhere, and gives the focus back.
 */
export function Popover({ label, keyName, children, ref }: PopoverProps) {
  const id = useId();
  const opener = useRef<HTMLButtonElement>(null);
  const sheet = useRef<HTMLDivElement>(null);
  const [isOpen, setOpen] = useState(false);
  useImperativeHandle(ref, () => ({ toggle: () => sheet.current?.togglePopover() }), []);
  const place = () => {
    const button = opener.current;
    const style = sheet.current?.style;
    if (!button || !style) return;
    // The labels over the controls beside it stay in sight too.
    const top = button.parentElement?.getBoundingClientRect().top ?? 0;
    const { left, zoom } = beside(button.getBoundingClientRect(), WIDTH, "middle");
    style.setProperty("--left", `${left}px`);
    style.setProperty("--bottom", `${(window.innerHeight - top + GAP) / zoom}px`);
    style.setProperty("--tallest", `${(top - GAP * 2) / zoom}px`);
  };
  return (
    <>
      <button
        ref={opener}
        type="button"
        className={button.button}
        data-kind="quiet"
        aria-expanded={isOpen}
        aria-haspopup="dialog"
        aria-keyshortcuts={keyName}
        popoverTarget={id}
      >
        <span>{label}</span>
        {keyName !== undefined && (
          <kbd className={button.key} aria-hidden="true">
            {keyName}
          </kbd>
        )}
      </button>
      <div
        ref={sheet}
        id={id}
        className={styles.sheet}
        popover="auto"
        role="dialog"
        aria-label={label}
        tabIndex={-1}
        data-open={isOpen || undefined}
        onBeforeToggle={place}
        onToggle={({ newState }) => {
          setOpen(newState === "open");
          if (newState === "open") sheet.current?.focus();
        }}
      >
        {isOpen && (
          <>
            <header className={styles.head}>
              <h3>{label}</h3>
              <button
                type="button"
                aria-label={`Close ${label}`}
                popoverTarget={id}
                popoverTargetAction="hide"
              >
                Close
              </button>
            </header>
            <div className={styles.content}>
              <Boundary what={label}>
                <Waiting fallback={<p role="status">{LOADING}</p>}>{children}</Waiting>
              </Boundary>
            </div>
          </>
        )}
      </div>
    </>
  );
}
