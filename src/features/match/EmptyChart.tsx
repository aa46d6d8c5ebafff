import { DEMO_PROGRESSIONS } from "@/demo";
import { Button } from "@/kit/controls";
import own from "./ChartShow.module.css";
import { EMPTY_CHART } from "@/words";

/** The first line of bars of a chart. */
const beginningOf = (chords: string) => chords.split("\n").find((line) => line.startsWith("|")) ?? chords;

/** What can be typed, and charts to try. */
export function EmptyChart({ onTake }: { readonly onTake: (chords: string, title: string) => void }) {
  return (
    <div className={own.empty}>
      <p>{EMPTY_CHART}</p>
      {DEMO_PROGRESSIONS.map(({ id, title, chords }) => (
        <Button key={id} onClick={() => onTake(chords, title)}>{`${title}: ${beginningOf(chords)}`}</Button>
      ))}
    </div>
  );
}
