import type { CSSProperties } from "react";
import type { Chart } from "@/core/chord";
import { type ChartAnalysis, segmentAt } from "@/core/progression";
import { brightness } from "@/core/scale";
import { shadeOf } from "@/kit/shade";
import { homeModeText } from "@/words";
import styles from "./ChartMap.module.css";

interface ChartMapProps {
  readonly chart: Chart;
  readonly analysis: ChartAnalysis;
  readonly chosen: number;
  readonly onChoose: (at: number) => void;
}

/**
 * The whole of a long chart in one strip: a bar each in the shade of its mode, sections parted, the selected bar marked. A
 * slider lies over it: a press anywhere, or the arrows, go to that bar.
 */
export function ChartMap({ chart: { bars }, analysis, chosen, onChoose }: ChartMapProps) {
  const current = Math.max(
    0,
    bars.findIndex(({ from, to }) => chosen >= from && chosen < to),
  );
  const modeAt = (bar: (typeof bars)[number] | undefined) => bar && segmentAt(analysis, bar.from)?.homeMode;
  const homeMode = modeAt(bars[current]);
  return (
    <div className={styles.map} style={{ "--count": bars.length } as CSSProperties}>
      {bars.map((bar, at) => {
        const mode = modeAt(bar)?.mode;
        return (
          <span
            key={bar.number}
            className={styles.bar}
            data-shade={mode && shadeOf(brightness(mode.intervals))}
            data-begins={bar.section !== undefined || undefined}
            data-here={at === current || undefined}
          />
        );
      })}
      <input
        type="range"
        className={styles.slider}
        aria-label="The whole chart, by bars"
        aria-valuetext={`Bar ${bars[current]?.number ?? 1}${homeMode ? `, ${homeModeText(homeMode)}` : ""}`}
        min={1}
        max={bars.length}
        value={current + 1}
        onChange={(event) => onChoose(bars[Number(event.target.value) - 1]?.from ?? 0)}
      />
    </div>
  );
}
