/** The sheets that are printed. */
export const LEAD_SHEET = "Lead sheet";
export const TUNE_SHEET = "Tune sheet";

/** "Orchard Gate, page 1 of 2". */
export const pageText = (name: string, page: number, pages: number): string =>
  `${name}, page ${page} of ${pages}`;
