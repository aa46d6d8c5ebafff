import { useEffect, useRef } from "react";
import { modulo, soundOf } from "@/core/pitch";
import { brightness, colourNotes, type HomeMode, notesOf, parentOf, type SoundSet } from "@/core/scale";
import { Blind } from "@/ui/blind";
import { shadeOf } from "@/ui/shade";
import { useSchools } from "@/ui/useSchools";
import {
  brightnessText,
  homeModeText,
  listText,
  modeText,
  noteText,
  parentText,
  type Schools,
  Words,
} from "@/ui/words";
import styles from "./Ladder.module.css";

interface LadderProps {
  readonly rows: readonly HomeMode[];
  readonly selected: HomeMode;
  /** Sounding pitch class of the leftmost column. */
  readonly leftSound: number;
  readonly lineUp: "homes" | "notes";
  /** Sounds above home that all rows share: they step back. */
  readonly shared?: SoundSet | undefined;
  /** The row that is heard at this moment, from 0. */
  readonly heard?: number | undefined;
  readonly label: string;
  readonly onSelect: (homeMode: HomeMode) => void;
}

/** The staircase of blinds from bright to dark, one row a mode. */
export function Ladder({ rows, selected, leftSound, lineUp, shared, heard, label, onSelect }: LadderProps) {
  const schools = useSchools();
  const list = useRef<HTMLUListElement>(null);
  // The row in hand is brought into sight where the ladder is longer than its room; the page itself stays where it is.
  useEffect(() => {
    const ladder = list.current;
    const row = ladder?.querySelector<HTMLElement>("[aria-pressed=true]");
    if (!ladder || !row || ladder.scrollHeight <= ladder.clientHeight + 1) return;
    const above = row.getBoundingClientRect().top - ladder.getBoundingClientRect().top;
    if (above < 0) ladder.scrollTop += above - 6;
    const below = above + row.offsetHeight - ladder.clientHeight;
    if (below > 0) ladder.scrollTop += below + 6;
  }, [selected]);
  return (
    <ul ref={list} className={styles.ladder} aria-label={label}>
      {rows.map((row, at) => (
        <li key={row.mode.id} data-heard={at === heard || undefined}>
          <button
            type="button"
            className={styles.row}
            data-shade={shadeOf(brightness(row.mode.intervals))}
            aria-pressed={row.mode === selected.mode}
            aria-label={rowText(row, schools)}
            onClick={() => onSelect(row)}
          >
            <span className={styles.name} data-long={modeText(row.mode).length > 12 || undefined}>
              <strong>
                <Words>{modeText(row.mode)}</Words>
              </strong>
              <small>
                <Words>{lineUp === "homes" ? parentOfRow(row) : `from ${noteText(row.home)}`}</Words>
              </small>
            </span>
            <Blind homeMode={row} homeColumn={modulo(soundOf(row.home) - leftSound, 12)} shared={shared} />
            <span className={styles.brightness}>{brightnessText(brightness(row.mode.intervals))}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

function parentOfRow(row: HomeMode): string {
  const { tonic, family } = parentOf(row);
  return parentText(tonic, family);
}

/** The row in words: name, notes, colour notes, brightness. */
function rowText(row: HomeMode, { comparison, reference }: Schools): string {
  const colour = (colourNotes(row.mode, comparison, reference)[0] ?? []).map((interval) =>
    noteText(row.home + interval),
  );
  const notes = notesOf(row).map(noteText).join(" ");
  return `${homeModeText(row)}, notes of ${parentOfRow(row)}: ${notes}. Colour: ${colour.length === 0 ? "none" : listText(colour)}. Brightness ${brightnessText(brightness(row.mode.intervals))}`;
}
