import { memo, useEffect, useRef } from "react";
import { type Fifths, modulo, soundOf } from "@/core/pitch";
import {
  brightness,
  colourOn,
  type HomeMode,
  type Mode,
  notesOf,
  parentOf,
  type SoundSet,
  type Telling,
} from "@/core/scale";
import { Blind } from "@/kit/blind";
import { shadeOf } from "@/kit/shade";
import { useSchools, useWording } from "@/session/useSchools";
import { brightnessText, homeModeText, listText, modeText, noteText, parentText } from "@/words";
import styles from "./Ladder.module.css";

interface LadderProps {
  readonly rows: readonly HomeMode[];
  readonly selected: HomeMode;
  /** Sounding pitch class of the leftmost column, where the rows are lined up by notes. */
  readonly leftSound?: number;
  readonly lineUp: "homes" | "notes";
  /** Sounds above home that all rows share: they step back. */
  readonly shared?: SoundSet | undefined;
  /** The row that is heard at this moment, from 0. */
  readonly heard?: number | undefined;
  readonly label: string;
  readonly onSelect: (homeMode: HomeMode) => void;
}

/** The staircase of blinds from bright to dark, one row a mode. */
export function Ladder({
  rows,
  selected,
  leftSound = 0,
  lineUp,
  shared,
  heard,
  label,
  onSelect,
}: LadderProps) {
  const schools = useSchools();
  const list = useRef<HTMLUListElement>(null);
  // The row in hand is brought into sight where the ladder is longer than its room; the page itself stays where it is.
  // Measured in the frame that is drawn anyway, so that nothing is laid out twice.
  useEffect(() => {
    const frame = requestAnimationFrame(() => {
      const ladder = list.current;
      const row = ladder?.querySelector<HTMLElement>("[aria-pressed=true]");
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
      {rows.map(({ home, mode }, at) => (
        <LadderRow
          key={mode.id}
          home={home}
          mode={mode}
          homeColumn={lineUp === "homes" ? 0 : modulo(soundOf(home) - leftSound, 12)}
          lineUp={lineUp}
          shared={shared}
          telling={schools}
          isChosen={mode === selected.mode}
          isHeard={at === heard}
          onSelect={onSelect}
        />
      ))}
    </ul>
  );
}

interface LadderRowProps extends Pick<LadderProps, "lineUp" | "shared" | "onSelect"> {
  readonly home: Fifths;
  readonly mode: Mode;
  readonly homeColumn: number;
  readonly telling: Telling;
  readonly isChosen: boolean;
  readonly isHeard: boolean;
}

/** One mode of the ladder; drawn anew only when something of its own changes. */
const LadderRow = memo(function LadderRow(props: LadderRowProps) {
  const { home, mode, homeColumn, lineUp, shared, telling, isChosen, isHeard, onSelect } = props;
  useWording();
  const row: HomeMode = { home, mode };
  return (
    <li data-heard={isHeard || undefined}>
      <button
        type="button"
        className={styles.row}
        data-shade={shadeOf(brightness(mode.intervals))}
        aria-pressed={isChosen}
        aria-label={rowText(row, telling)}
        onClick={() => onSelect(row)}
      >
        <span className={styles.name} data-long={modeText(mode).length > 12 || undefined}>
          <strong>{modeText(mode)}</strong>
          <small>{lineUp === "homes" ? parentOfRow(row) : `from ${noteText(home)}`}</small>
        </span>
        <Blind homeMode={row} telling={telling} homeColumn={homeColumn} shared={shared} />
        <span className={styles.brightness}>{brightnessText(brightness(mode.intervals))}</span>
      </button>
    </li>
  );
});

function parentOfRow(row: HomeMode): string {
  const { tonic, family } = parentOf(row);
  return parentText(tonic, family);
}

/** The row in words: name, notes, colour notes, brightness. */
function rowText(row: HomeMode, telling: Telling): string {
  const colour = colourOn(row, telling).map(noteText);
  const notes = notesOf(row).map(noteText).join(" ");
  return `${homeModeText(row)}, notes of ${parentOfRow(row)}: ${notes}. Colour: ${colour.length === 0 ? "none" : listText(colour)}. Brightness ${brightnessText(brightness(row.mode.intervals))}`;
}
