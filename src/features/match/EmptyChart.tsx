import { DEMO_PROGRESSIONS } from "@/demo";
import { Button } from "@/kit/controls";
import own from "./ChartShow.module.css";

/** The first line of bars of a chart. */
const beginningOf = (chords: string) => chords.split("\n").find((line) => line.startsWith("|")) ?? chords;

/** What can be typed, and charts to try. */
export function EmptyChart({ onTake }: { readonly onTake: (chords: string, title: string) => void }) {
  return (
    <div className={own.empty}>
      <p>
        Type chords as you would write them: bars between bar lines, or each chord a bar of its own; repeats,
        endings, slash beats and sections as on paper. Try one:
      </p>
      {DEMO_PROGRESSIONS.map(({ id, title, chords }) => (
        <Button key={id} onClick={() => onTake(chords, title)}>{`${title}: ${beginningOf(chords)}`}</Button>
      ))}
    </div>
  );
}
