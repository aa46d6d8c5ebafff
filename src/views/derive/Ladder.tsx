import { modulo, soundOf } from "@/core/pitch";
import { brightness, colourNotes, type HomeMode, notesOf, parentOf } from "@/core/scale";
import { Blind } from "@/ui/blind";
import { shadeOf } from "@/ui/shade";
import { brightnessText, homeModeText, listText, noteText, parentText, Words } from "@/ui/words";
import styles from "./Ladder.module.css";

interface LadderProps {
  readonly rows: readonly HomeMode[];
  readonly selected: HomeMode;
  /** Sounding pitch class of the leftmost column. */
  readonly leftSound: number;
  readonly lineUp: "homes" | "notes";
  readonly label: string;
  readonly onSelect: (homeMode: HomeMode) => void;
}

/** The staircase of blinds from bright to dark, one row a mode. */
export function Ladder({ rows, selected, leftSound, lineUp, label, onSelect }: LadderProps) {
  return (
    <ul className={styles.ladder} aria-label={label}>
      {rows.map((row) => (
        <li key={row.mode.id}>
          <button
            type="button"
            className={styles.row}
            data-shade={shadeOf(brightness(row.mode.intervals))}
            aria-pressed={row.mode === selected.mode}
            aria-label={rowText(row)}
            onClick={() => onSelect(row)}
          >
            <span className={styles.name} data-long={row.mode.name.length > 12 || undefined}>
              <strong>
                <Words>{row.mode.name}</Words>
              </strong>
              <small>
                <Words>{lineUp === "homes" ? parentOfRow(row) : `from ${noteText(row.home)}`}</Words>
              </small>
            </span>
            <Blind homeMode={row} homeColumn={modulo(soundOf(row.home) - leftSound, 12)} />
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
function rowText(row: HomeMode): string {
  const colour = (colourNotes(row.mode)[0] ?? []).map((interval) => noteText(row.home + interval));
  const notes = notesOf(row).map(noteText).join(" ");
  return `${homeModeText(row)}, notes of ${parentOfRow(row)}: ${notes}. Colour: ${listText(colour)}. Brightness ${brightnessText(brightness(row.mode.intervals))}`;
}
