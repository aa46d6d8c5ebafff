import { type MouseEvent, type ReactNode, type RefObject, useLayoutEffect, useId, useRef } from "react";
import { Boundary, Waiting } from "@/kit/later";
import { LOADING } from "@/words";
import styles from "./Dialog.module.css";

interface DialogProps {
  readonly title: string;
  /** One sentence under the title. */
  readonly says: string;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly children: ReactNode;
  /** `side` stands at the right edge, full height; `middle` is a small sheet. */
  readonly place?: "middle" | "side";
}

/**
 * A sheet over the view: the browser's own modal dialog, which keeps the focus inside, closes at Escape and gives the
 * focus back. What is marked `data-first` has the focus first, otherwise the first thing that can. A press beside the sheet closes it too.
 */
export function Dialog({ title, says, open, onClose, children, place = "middle" }: DialogProps) {
  const sheet = useRef<HTMLDialogElement>(null);
  const id = useId();
  // At once: what is typed after the key that opens it goes into it.
  useLayoutEffect(() => {
    if (open && sheet.current?.open === false) {
      sheet.current.showModal();
      focusFirst(sheet.current);
    }
    if (!open && sheet.current?.open === true) sheet.current.close();
  }, [open]);
  const onBackdrop = (event: MouseEvent) => {
    if (event.target === sheet.current) onClose();
  };
  return (
    // The press beside the sheet is for the pointer alone; keys have Escape.
    // eslint-disable-next-line jsx-a11y-x/no-noninteractive-element-interactions
    <dialog
      ref={sheet}
      className={styles.sheet}
      data-place={place}
      aria-labelledby={`${id}-title`}
      aria-describedby={`${id}-says`}
      onClose={onClose}
      onMouseDown={onBackdrop}
    >
      {open && (
        <div className={styles.content}>
          <header className={styles.head}>
            <h2 id={`${id}-title`} className={styles.title}>
              {title}
            </h2>
            <button type="button" className={styles.close} aria-label="Close" onClick={onClose}>
              <kbd>esc</kbd>
            </button>
          </header>
          <p id={`${id}-says`} className={styles.says}>
            {says}
          </p>
          <Boundary what={title}>
            <Waiting fallback={<p role="status">{LOADING}</p>}>
              {children}
              <Arrived sheet={sheet} />
            </Waiting>
          </Boundary>
        </div>
      )}
    </dialog>
  );
}

const focusFirst = (sheet: HTMLElement): void => sheet.querySelector<HTMLElement>("[data-first]")?.focus();

/** What is fetched after the sheet has opened has the focus as if it had been there. */
function Arrived({ sheet }: { readonly sheet: RefObject<HTMLDialogElement | null> }) {
  useLayoutEffect(() => {
    if (sheet.current?.open) focusFirst(sheet.current);
  }, [sheet]);
  return null;
}
