import { useStore } from "@nanostores/react";
import { plainestInterval, transposeChart } from "@/core/chord";
import { type Fifths, soundOf } from "@/core/pitch";
import { $settings, changeSettings } from "@/session";
import { chartDocument } from "./chart-document";
import { DocumentTools } from "@/shell/documents";
import { Button, Select, Toggle } from "@/kit/controls";
import { countText, noteText } from "@/words";
import own from "./ChartShow.module.css";

interface ChartToolsProps {
  readonly text: string;
  /** The home at the selected chord: another one moves the whole chart. */
  readonly home: Fifths | undefined;
  readonly scales: number;
  readonly onText: (text: string) => void;
  readonly onAnalysis: () => void;
  readonly onFiles: () => void;
  readonly onPrint: () => void;
}

/** The homes that a chart can be moved to: those that players use, and the one that it is on. */
const homesRound = (home: Fifths): readonly Fifths[] =>
  [...new Set([...Array.from({ length: 15 }, (_, at) => at - 6), home])].toSorted(
    (a, b) => soundOf(a) - soundOf(b) || b - a,
  );

/** What is done with the chart as a whole: its analyses, its key, files, following it. */
export function ChartTools({ text, home, scales, onText, onAnalysis, onFiles, onPrint }: ChartToolsProps) {
  const { follow } = useStore($settings);
  const moved = (by: 1 | -1) => onText(transposeChart(text, plainestInterval(text, by)));
  return (
    <div className={own.tools}>
      <DocumentTools document={chartDocument} name="chart" />
      <Button kind="quiet" aria-haspopup="dialog" onClick={onAnalysis}>
        {`Analysis, ${countText(scales, "scale")}`}
      </Button>
      <span className={own.transpose}>
        <Button kind="quiet" aria-label="A half step lower" onClick={() => moved(-1)}>
          −
        </Button>
        {home === undefined ? (
          <span>half step</span>
        ) : (
          <Select
            label="Home here: another one moves the whole chart"
            size="small"
            value={String(home)}
            options={homesRound(home).map((each) => ({
              value: String(each),
              text: `home ${noteText(each)}`,
            }))}
            onChange={(next) => onText(transposeChart(text, Number(next) - home))}
          />
        )}
        <Button kind="quiet" aria-label="A half step higher" onClick={() => moved(1)}>
          +
        </Button>
      </span>
      <Button kind="quiet" keyName="e" aria-haspopup="dialog" onClick={onFiles}>
        Files
      </Button>
      <Button kind="quiet" keyName="P" aria-haspopup="dialog" disabled={text.trim() === ""} onClick={onPrint}>
        Print
      </Button>
      <Toggle isOn={follow} onChange={(isOn) => changeSettings({ follow: isOn })}>
        Follow
      </Toggle>
    </div>
  );
}
