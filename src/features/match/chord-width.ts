import type { CSSProperties } from "react";
import type { Placed } from "./lines";

/** The share that a chord has of a bar, or of so many of them. */
export const widthOf = ({ each }: Placed, bars = 1): CSSProperties => ({
  flex: "none",
  width: `${(each.length / bars) * 100}%`,
});

/** The share of a bar from which a chord has room for its symbol as it is. */
export const SHORT = 0.75;
