import type { CSSProperties } from "react";
import type { Chart } from "@/core/chord";
import { type ChartReading, segmentAt } from "@/core/progression";
import { brightness } from "@/core/scale";
import { shadeOf } from "@/ui/shade";
import { homeModeText } from "@/ui/words";
import styles from "./ChartMap.module.css";

interface ChartMapProps {
  readonly chart: Chart;
  readonly reading: ChartReading;
  readonly chosen: number;
  readonly onChoose: (at: number) => void;
}

/** The whole of a long chart in one strip: a bar each in the shade of its mode, sections parted, the chord in hand marked. */
export function ChartMap({ chart, reading, chosen, onChoose }: ChartMapProps) {
  return (
    <nav
      className={styles.map}
      aria-label="The whole chart"
      style={{ "--count": chart.bars.length } as CSSProperties}
    >
      {chart.bars.map((bar) => {
        const homeMode = segmentAt(reading, bar.from)?.homeMode;
        const isHere = chosen >= bar.from && chosen < bar.to;
        const said = [`Bar ${bar.number}`, homeMode && homeModeText(homeMode), bar.section];
        return (
          <button
            key={bar.number}
            type="button"
            className={styles.bar}
            tabIndex={isHere || (chosen < 0 && bar.number === 1) ? 0 : -1}
            data-shade={homeMode && shadeOf(brightness(homeMode.mode.intervals))}
            data-begins={bar.section !== undefined || undefined}
            aria-current={isHere || undefined}
            title={said.filter((part) => part !== undefined).join(", ")}
            aria-label={said.filter((part) => part !== undefined).join(", ")}
            onClick={() => onChoose(bar.from)}
          />
        );
      })}
    </nav>
  );
}
