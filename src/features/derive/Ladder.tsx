import { useStore } from "@nanostores/react";
import { memo, useEffect, useRef } from "react";
import { type Fifths, modulo, soundOf } from "@/core/pitch";
import {
  brightness,
  characteristicOn,
  type HomeMode,
  type Mode,
  notesOf,
  parentOf,
  type PitchClassSet,
  type Swap,
  withSwapped,
} from "@/core/scale";
import { $isSwapHeard, $selection, type Selection } from "@/session";
import { PitchStrip } from "@/kit/pitch-strip";
import { shadeOf } from "@/kit/shade";
import { useWording } from "@/session/settings/useConventions";
import { brightnessText, homeModeText, listText, modeText, noteText, parentText } from "@/words";
import styles from "./Ladder.module.css";

interface LadderProps {
  readonly rows: readonly HomeMode[];
  readonly selected: HomeMode;
  /** Sounding pitch class of the leftmost column, where the rows are relative. */
  readonly leftSound?: number;
  readonly alignment: "parallel" | "relative";
  /** Sounds above home that all rows share: they step back. */
  readonly shared?: PitchClassSet | undefined;
  /** The mode that is heard, while the rows are played through. */
  readonly heard?: Mode | undefined;
  readonly label: string;
  readonly onSelect: (homeMode: HomeMode) => void;
}

/** The staircase of strips from bright to dark, one row a mode. */
export function Ladder({
  rows,
  selected,
  leftSound = 0,
  alignment,
  shared,
  heard,
  label,
  onSelect,
}: LadderProps) {
  const swap = useSwapHeard();
  const list = useRef<HTMLUListElement>(null);
  // The selected row is brought into sight where the ladder is longer than its room; the page itself stays where it is.
  // Measured in the frame that is drawn anyway, so that nothing is laid out twice.
  useEffect(() => {
    const frame = requestAnimationFrame(() => {
      const ladder = list.current;
      const row = ladder?.querySelector<HTMLElement>("[aria-pressed=true]");
      // The rows are one stop for the tab key: the focus goes with the arrows.
      if (row && ladder?.contains(document.activeElement)) row.focus({ preventScroll: true });
      if (!ladder || !row || ladder.scrollHeight <= ladder.clientHeight + 1) return;
      const above = row.getBoundingClientRect().top - ladder.getBoundingClientRect().top;
      if (above < 0) ladder.scrollTop += above - 6;
      const below = above + row.offsetHeight - ladder.clientHeight;
      if (below > 0) ladder.scrollTop += below + 6;
    });
    return () => cancelAnimationFrame(frame);
  }, [selected]);
  return (
    <ul ref={list} className={styles.ladder} aria-label={label}>
      {rows.map(({ home, mode }) => (
        <LadderRow
          key={mode.id}
          home={home}
          mode={mode}
          homeColumn={alignment === "parallel" ? 0 : modulo(soundOf(home) - leftSound, 12)}
          alignment={alignment}
          shared={shared}
          isChosen={mode === selected.mode}
          isHeard={mode === heard}
          swap={mode === selected.mode ? swap : undefined}
          onSelect={onSelect}
        />
      ))}
    </ul>
  );
}

interface LadderRowProps extends Pick<LadderProps, "alignment" | "shared" | "onSelect"> {
  readonly home: Fifths;
  readonly mode: Mode;
  readonly homeColumn: number;
  readonly isChosen: boolean;
  readonly isHeard: boolean;
  /** The swap that is heard in this row. */
  readonly swap: Pick<Swap, "from" | "to"> | undefined;
}

/** One mode of the ladder; drawn anew only when something of its own changes. */
const LadderRow = memo(function LadderRow(props: LadderRowProps) {
  const { home, mode, homeColumn, alignment, shared, isChosen, isHeard, swap, onSelect } = props;
  useWording();
  const row: HomeMode = { home, mode };
  return (
    <li data-heard={isHeard || undefined}>
      <button
        type="button"
        className={styles.row}
        data-shade={shadeOf(brightness(mode.intervals))}
        aria-pressed={isChosen}
        tabIndex={isChosen ? 0 : -1}
        aria-label={rowText(row)}
        onClick={() => onSelect(row)}
      >
        <span className={styles.name} data-long={modeText(mode).length > 12 || undefined}>
          <strong>{modeText(mode)}</strong>
          <small>{rowSmall(row, alignment, swap)}</small>
        </span>
        <PitchStrip
          homeMode={swap ? { home, mode: withSwapped(mode, swap) } : row}
          homeColumn={homeColumn}
          shared={shared}
          characteristic={swap && [swap.to]}
        />
        <span className={styles.brightness}>{brightnessText(brightness(mode.intervals))}</span>
      </button>
    </li>
  );
});

/** Under a row's name: whose notes it has, or where it starts; while one note is swapped, which. */
function rowSmall(row: HomeMode, alignment: "parallel" | "relative", swap: LadderRowProps["swap"]): string {
  const { home } = row;
  if (swap) return `${noteText(home + swap.to)} for ${noteText(home + swap.from)}`;
  return alignment === "parallel" ? parentOfRow(row) : `from ${noteText(home)}`;
}

/** The swap of the selected mode while the neighbour of its characteristic note is heard. */
function useSwapHeard(): Selection["swap"] {
  const { swap } = useStore($selection);
  return useStore($isSwapHeard) ? swap : undefined;
}

function parentOfRow(row: HomeMode): string {
  const { tonic, family } = parentOf(row);
  return parentText(tonic, family);
}

/** The row in words: name, notes, characteristic notes, brightness. */
function rowText(row: HomeMode): string {
  const characteristic = characteristicOn(row).map(noteText);
  const notes = notesOf(row).map(noteText).join(" ");
  return `${homeModeText(row)}, notes of ${parentOfRow(row)}: ${notes}. Characteristic: ${characteristic.length === 0 ? "none" : listText(characteristic)}. Brightness ${brightnessText(brightness(row.mode.intervals))}`;
}
