import { useStore } from "@nanostores/react";
import type { ReactNode } from "react";
import { $place, addressOf } from "@/session";
import { Button } from "@/kit/controls";
import styles from "./SheetPage.module.css";

interface SheetActsProps {
  readonly onSvg: () => void;
  readonly onPng: () => void;
  /** Why it could not be saved; empty where it could. */
  readonly trouble: string;
  readonly children?: ReactNode;
}

/** What can be done with a sheet: back from it, print it, save it. */
export function SheetActs({ onSvg, onPng, trouble, children }: SheetActsProps) {
  const place = useStore($place);
  return (
    <div className={styles.acts}>
      <a className={styles.back} href={addressOf({ ...place, view: "derive" })}>
        Back to Derive
      </a>
      <Button kind="main" onClick={() => window.print()}>
        Print
      </Button>
      <Button onClick={onSvg}>Save as SVG</Button>
      <Button onClick={onPng}>Save as PNG</Button>
      {children}
      {trouble !== "" && <p role="alert">{trouble}</p>}
    </div>
  );
}

/** Why a sheet could not be saved. */
export const troubleText = (error: unknown): string =>
  `It could not be saved: ${error instanceof Error ? error.message : String(error)}. Print it to a file instead.`;
