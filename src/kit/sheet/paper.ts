import { useEffect } from "react";
import { WIDTH } from "./drawing";

/** Papers that are printed on. */
export type PaperKind = "a4" | "letter";

/** Heights of their pages, in units of the drawing, all as wide as each other: 210 by 297 mm, 8.5 by 11 inches. */
export const PAPERS: Readonly<Record<PaperKind, number>> = {
  a4: Math.round((WIDTH * 297) / 210),
  letter: Math.round((WIDTH * 11) / 8.5),
};

/** While a sheet is shown, the browser prints on its paper, to the edges. */
export function usePaper(paper: PaperKind): void {
  useEffect(() => {
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(`@page { size: ${paper === "a4" ? "A4" : "letter"}; margin: 0; }`);
    document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet];
    return () => {
      document.adoptedStyleSheets = document.adoptedStyleSheets.filter((each) => each !== sheet);
    };
  }, [paper]);
}
