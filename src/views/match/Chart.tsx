import type { CSSProperties } from "react";
import { type ChartChord, chordNotes, romanNumeral } from "@/core/chord";
import { fitOf, type OneModeReading } from "@/core/progression";
import { brightness } from "@/core/scale";
import { ChordBlind } from "@/ui/blind";
import { shadeOf } from "@/ui/shade";
import { useNarrow } from "@/ui/useNarrow";
import { useSchools } from "@/ui/useSchools";
import { outsideText, readingText, symbolText } from "@/ui/words";
import styles from "./Chart.module.css";
import { linesOf, type Placed } from "./lines";

interface ChartProps {
  readonly chart: readonly ChartChord[];
  readonly reading: OneModeReading | undefined;
  readonly chosen: number;
  readonly onChoose: (at: number) => void;
}

/** The chords in columns a bar, and under them the band of the one mode with a blind for each chord. */
export function Chart({ chart, reading, chosen, onChoose }: ChartProps) {
  const barsPerLine = useNarrow() ? 4 : 8;
  const lines = linesOf(chart, barsPerLine);
  const columns: CSSProperties & Record<"--bars", number> = {
    "--bars": Math.min(barsPerLine, lines[0]?.length ?? 1),
  };
  return (
    <div className={styles.chart} style={columns}>
      {reading && (
        <p className={styles.kind}>
          <b>One mode</b> {readingText(reading)}
        </p>
      )}
      {lines.map((line, at) => (
        <div key={at} className={styles.line}>
          <ol className={styles.bars} aria-label={`Bars from ${line[0]?.[0]?.each.bar ?? 0}`}>
            {line.map((bar) => (
              <li key={bar[0]?.at} className={styles.bar}>
                {bar.map((placed) => (
                  <ChordCell
                    key={placed.at}
                    placed={placed}
                    reading={reading}
                    isChosen={placed.at === chosen}
                    onChoose={onChoose}
                  />
                ))}
              </li>
            ))}
          </ol>
          {reading && (
            <div className={styles.band} data-shade={shadeOf(brightness(reading.homeMode.mode.intervals))}>
              {line.map((bar) => (
                <div key={bar[0]?.at} className={styles.bar}>
                  {bar.map((placed) => (
                    <BandCell key={placed.at} placed={placed} reading={reading} />
                  ))}
                </div>
              ))}
            </div>
          )}
        </div>
      ))}
      <p className={styles.key} aria-hidden="true">
        <span data-kind="tone">chord tone</span>
        <span data-kind="colour">colour note in the chord</span>
        <span data-kind="rub">rub, a half step above a chord tone</span>
        <span data-kind="free">free note</span>
        <span data-kind="outside">outside the mode</span>
      </p>
    </div>
  );
}

const widthOf = ({ each }: Placed): CSSProperties => ({ flexGrow: each.length, flexBasis: 0 });

interface ChordCellProps {
  readonly placed: Placed;
  readonly reading: OneModeReading | undefined;
  readonly isChosen: boolean;
  readonly onChoose: (at: number) => void;
}

function ChordCell({ placed, reading, isChosen, onChoose }: ChordCellProps) {
  const { at, each } = placed;
  const { chord, symbol } = each;
  const roman =
    chord && reading ? romanNumeral(chord.root - reading.homeMode.home, chord.tones, "signs") : "";
  const isUnread = !chord && symbol !== "N.C.";
  return (
    <button
      type="button"
      className={styles.cell}
      style={widthOf(placed)}
      aria-pressed={isChosen}
      aria-label={`Bar ${each.bar}, ${symbolText(symbol)}${isUnread ? ", not read" : `, ${roman}`}`}
      data-unread={isUnread || undefined}
      onClick={() => onChoose(at)}
    >
      <span className={styles.symbol}>{symbolText(symbol)}</span>
      <span className={styles.roman}>{isUnread ? "not read" : roman}</span>
    </button>
  );
}

function BandCell({ placed, reading }: { readonly placed: Placed; readonly reading: OneModeReading }) {
  const schools = useSchools();
  const { chord } = placed.each;
  if (!chord) return <span className={styles.under} style={widthOf(placed)} />;
  const fit = fitOf(chord, reading.homeMode, schools);
  return (
    <span className={styles.under} style={widthOf(placed)}>
      <ChordBlind fit={fit} tones={chordNotes(chord)} />
      {fit.outside.length > 0 && <span className={styles.outside}>{`${outsideText(fit)} outside`}</span>}
    </span>
  );
}
