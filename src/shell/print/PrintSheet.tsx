import { sheetFailedText } from "@/words";
import { useStore } from "@nanostores/react";
import { type ReactNode, useLayoutEffect, useRef, useState } from "react";
import { createPortal } from "react-dom";
import { $settings } from "@/session";
import { Button } from "@/kit/controls";
import { saveFiles } from "@/kit/files";
import { PAPERS, sheetFiles } from "@/kit/sheet";
import { PaperChoice } from "./PaperChoice";
import styles from "./PrintSheet.module.css";

interface PrintSheetProps {
  /** What is printed: "Lead sheet". */
  readonly title: string;
  /** Begins the names of its files. */
  readonly fileName: string;
  readonly open: boolean;
  readonly onClose: () => void;
  /** The pages, each a drawing, for pages of a height. */
  readonly pages: (pageHeight: number) => readonly ReactNode[];
  /** Other sheets of the same thing. */
  readonly others?: ReactNode;
}

/** A sheet as it will be printed, over the whole window: print it, or save its pages as pictures. */
export function PrintSheet(props: PrintSheetProps) {
  const { title, open, onClose } = props;
  const dialog = useRef<HTMLDialogElement>(null);
  useLayoutEffect(() => {
    if (open && dialog.current?.open === false) dialog.current.showModal();
    if (!open && dialog.current?.open === true) dialog.current.close();
  }, [open]);
  return createPortal(
    <dialog ref={dialog} className={styles.sheet} data-print-sheet aria-label={title} onClose={onClose}>
      {open && <Sheet {...props} />}
    </dialog>,
    document.body,
  );
}

function Sheet({ title, fileName, onClose, pages, others }: PrintSheetProps) {
  const { paper } = useStore($settings);
  const room = useRef<HTMLDivElement>(null);
  const [trouble, setTrouble] = useState("");
  const save = (kind: "svg" | "png") => {
    setTrouble("");
    sheetFiles(
      [...(room.current?.querySelectorAll<SVGSVGElement>("[data-page] > svg") ?? [])],
      fileName,
      kind,
    )
      .then((files) => saveFiles(fileName, files))
      .catch((error: unknown) => setTrouble(sheetFailedText(error)));
  };
  return (
    <>
      <header className={styles.head}>
        <h2>{title}</h2>
        <Button kind="main" data-first onClick={() => window.print()}>
          Print
        </Button>
        <PaperChoice />
        <Button onClick={() => save("svg")}>Save as SVG</Button>
        <Button onClick={() => save("png")}>Save as PNG</Button>
        {others}
        <Button kind="quiet" onClick={onClose}>
          Close
        </Button>
        {trouble !== "" && <p role="alert">{trouble}</p>}
      </header>
      {/* The pages scroll, so the keyboard must reach them. */}
      {/* eslint-disable-next-line jsx-a11y-x/no-noninteractive-tabindex */}
      <div ref={room} className={styles.pages} role="region" aria-label="Pages" tabIndex={0}>
        {pages(PAPERS[paper]).map((page, at) => (
          <div key={at} className={styles.page} data-page>
            {page}
          </div>
        ))}
      </div>
    </>
  );
}
