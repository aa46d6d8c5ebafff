import type { CSSProperties } from "react";
import type { Interval } from "@/core/pitch";
import type { HomeMode, PitchClassSet } from "@/core/scale";
import { degreeText, noteText } from "@/words";
import { columnOf, type Cell, cellsOf } from "./cells";
import styles from "./PitchStrip.module.css";

interface PitchStripProps {
  readonly homeMode: HomeMode;
  /** What its characteristic notes tell it from. */
  /** Column of home, 0 at the left; cells pass round the right edge. */
  readonly homeColumn?: number;
  /** Sounds above home that this mode shares with others: shown plain, so that what differs stands out. */
  readonly shared?: PitchClassSet | undefined;
  /** Degrees to be lit in place of the characteristic ones. */
  readonly characteristic?: readonly Interval[] | undefined;
  /** Degrees in the order in which their cells open, one by one; all stand open where it is left out. */
  readonly opening?: readonly Interval[] | undefined;
}

/**
 * Twelve cells, a half step each: notes of the mode open, the others shut, home on its sill, characteristic notes lit and notched.
 * Hidden from readers; whoever shows it says the same in words.
 */
export function PitchStrip({ homeMode, homeColumn = 0, shared, characteristic, opening }: PitchStripProps) {
  return (
    <span className={styles.strip} aria-hidden="true">
      {cellsOf(homeMode, shared, characteristic).map((cell) => (
        <CellMark
          key={cell.step}
          cell={cell}
          column={columnOf(cell.step, homeColumn)}
          nth={cell.interval === undefined ? undefined : opening?.indexOf(cell.interval)}
        />
      ))}
    </span>
  );
}

/** An open cell: the note's name over its degree, one text of two lines. Shut cells are the strip's own ground. */
function CellMark({
  cell,
  column,
  nth,
}: {
  readonly cell: Cell;
  readonly column: number;
  /** Which of the cells it is that open one by one. */
  readonly nth: number | undefined;
}) {
  const place: CSSProperties & Record<`--${string}`, number> = { "--column": column, "--nth": nth ?? 0 };
  const { note, interval } = cell;
  if (note === undefined || interval === undefined) return null;
  return (
    <span
      className={styles.open}
      style={place}
      data-opening={nth !== undefined || undefined}
      data-home={cell.isHome || undefined}
      data-characteristic={cell.isCharacteristic || undefined}
      data-notched={(cell.isCharacteristic && !cell.isShared) || undefined}
      data-shared={cell.isShared || undefined}
    >
      {`${noteText(note)}\n${degreeText(interval)}`}
    </span>
  );
}
