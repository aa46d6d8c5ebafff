import type { KeyPassage, Passage } from "@/core/identify";
import { brightness } from "@/core/scale";
import type { BarRange, TuneBar } from "@/core/tune";
import { Button, NumberField } from "@/kit/controls";
import { shadeOf } from "@/kit/shade";
import {
  KEY_PASSAGES,
  keyPassageText,
  LOOK_AT_PASSAGE,
  passageBarsText,
  passageText,
  ONLY_THESE_BARS,
} from "@/words";
import styles from "./Passages.module.css";

interface PassagesProps {
  readonly passages: readonly Passage[];
  /** Keys on the way, while the mode stays. */
  readonly keys: readonly KeyPassage[];
  readonly bars: readonly TuneBar[];
  /** The bars that are looked at, where it is not all of them. */
  readonly chosen: BarRange | undefined;
  readonly onBars: (bars: BarRange | undefined) => void;
}

/** The places of bars by the numbers that players give them. */
function rangeOf(bars: readonly TuneBar[], fromBar: number, toBar: number): BarRange {
  const from = bars.findIndex(({ number }) => number >= fromBar);
  const to = bars.findLastIndex(({ number }) => number <= toBar);
  return { from: Math.max(0, from), to: Math.max(from, to) };
}

/** The passages of a tune in the shade of each; one can be looked at by itself, and so can any other bars. */
export function Passages({ passages, keys, bars, chosen, onBars }: PassagesProps) {
  const last = bars.at(-1)?.number ?? 1;
  const numberAt = (place: number) => Math.max(1, bars[place]?.number ?? 1);
  const [from, to] = chosen ? [numberAt(chosen.from), numberAt(chosen.to)] : [1, last];
  const choose = (first: number, end: number) =>
    onBars(first <= 1 && end >= last ? undefined : rangeOf(bars, first, Math.max(first, end)));
  return (
    <section aria-label="Passage by passage">
      <div className={styles.head}>
        <h2 className={styles.title}>Passage by passage</h2>
        <span className={styles.bars}>
          <span>bars</span>
          <NumberField
            label="From bar"
            value={from}
            least={1}
            most={last}
            onChange={(next) => choose(next, Math.max(next, to))}
          />
          <span>to</span>
          <NumberField
            label="To bar"
            value={to}
            least={1}
            most={last}
            onChange={(next) => choose(Math.min(from, next), next)}
          />
          {chosen && (
            <Button kind="quiet" onClick={() => onBars(undefined)}>
              The whole tune
            </Button>
          )}
        </span>
      </div>
      {!chosen && (
        <ol className={styles.strip}>
          {passages.map(({ fromBar, toBar, bars: range, homeMode }) => (
            <li key={fromBar} className={styles.item} style={{ flexGrow: toBar - fromBar + 1 }}>
              <button
                type="button"
                className={styles.passage}
                data-shade={shadeOf(brightness(homeMode.mode.intervals))}
                disabled={passages.length === 1}
                title={passages.length === 1 ? undefined : LOOK_AT_PASSAGE}
                onClick={() => onBars(range)}
              >
                <b>{passageText(homeMode)}</b> <span>{passageBarsText({ fromBar, toBar })}</span>
              </button>
            </li>
          ))}
        </ol>
      )}
      {!chosen && keys.length > 0 && (
        <ul className={styles.keys} aria-label={KEY_PASSAGES}>
          {keys.map((key) => (
            <li key={key.fromBar}>
              <Button kind="quiet" title={LOOK_AT_PASSAGE} onClick={() => onBars(key.bars)}>
                {`${keyPassageText(key)}, ${passageBarsText(key)}`}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {chosen && <p className={styles.said}>{ONLY_THESE_BARS}</p>}
    </section>
  );
}
