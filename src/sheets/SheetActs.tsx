import { useStore } from "@nanostores/react";
import type { ReactNode } from "react";
import { $place, addressOf, sheetAddress } from "@/session";
import { Button } from "@/kit/controls";
import { PaperChoice } from "@/shell/print";
import styles from "./SheetPage.module.css";

const SHEETS = [
  ["sheet", "Mode sheet"],
  ["practice", "Practice sheet"],
] as const;

interface SheetActsProps {
  /** Which sheet this is. */
  readonly kind: "sheet" | "practice";
  readonly onSvg: () => void;
  readonly onPng: () => void;
  /** Why it could not be saved; empty where it could. */
  readonly trouble: string;
  readonly children?: ReactNode;
}

/** What can be done with a sheet: back from it, print it, save it. */
export function SheetActs({ kind, onSvg, onPng, trouble, children }: SheetActsProps) {
  const place = useStore($place);
  return (
    <div className={styles.acts}>
      <a className={styles.back} href={addressOf({ ...place, view: "derive" })}>
        Back to Derive
      </a>
      <nav className={styles.kinds} aria-label="Sheets">
        {SHEETS.map(([id, name]) => (
          <a key={id} href={sheetAddress(id, place)} aria-current={id === kind ? "page" : undefined}>
            {name}
          </a>
        ))}
      </nav>
      <Button kind="main" onClick={() => window.print()}>
        Print
      </Button>
      <PaperChoice />
      <Button onClick={onSvg}>Save as SVG</Button>
      <Button onClick={onPng}>Save as PNG</Button>
      {children}
      {trouble !== "" && <p role="alert">{trouble}</p>}
    </div>
  );
}
