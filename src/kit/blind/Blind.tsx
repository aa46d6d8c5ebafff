import type { CSSProperties } from "react";
import type { HomeMode, SoundSet, Telling } from "@/core/scale";
import { degreeText, noteText } from "@/words";
import { columnOf, type Slat, slatsOf } from "./slats";
import styles from "./Blind.module.css";

interface BlindProps {
  readonly homeMode: HomeMode;
  /** What its characteristic notes tell it from. */
  readonly telling: Telling;
  /** Column of home, 0 at the left; slats pass round the right edge. */
  readonly homeColumn?: number;
  /** Sounds above home that this mode shares with others: shown plain, so that what differs stands out. */
  readonly shared?: SoundSet | undefined;
}

/**
 * Twelve slats, a half step each: notes of the mode open, the others shut, home on its sill, colour notes lit and notched.
 * Hidden from readers; whoever shows it says the same in words.
 */
export function Blind({ homeMode, telling, homeColumn = 0, shared }: BlindProps) {
  return (
    <span className={styles.blind} aria-hidden="true">
      {slatsOf(homeMode, telling, shared).map((slat) => (
        <SlatMark key={slat.step} slat={slat} column={columnOf(slat.step, homeColumn)} />
      ))}
    </span>
  );
}

/** An open slat: the note's name over its degree, one text of two lines. Shut slats are the blind's own ground. */
function SlatMark({ slat, column }: { readonly slat: Slat; readonly column: number }) {
  const place: CSSProperties & Record<"--column", number> = { "--column": column };
  const { note, interval } = slat;
  if (note === undefined || interval === undefined) return null;
  return (
    <span
      className={styles.open}
      style={place}
      data-home={slat.isHome || undefined}
      data-colour={slat.isColour || undefined}
      data-shared={slat.isShared || undefined}
    >
      {`${noteText(note)}\n${degreeText(interval)}`}
    </span>
  );
}
