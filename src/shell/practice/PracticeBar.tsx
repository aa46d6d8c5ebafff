import { useStore } from "@nanostores/react";
import {
  $leftOff,
  $practiced,
  endPractice,
  goOnPractising,
  leaveOff,
  nextItem,
  pauseOrGoOn,
  stayOrNot,
} from "@/session";
import { FELT } from "@/storage";
import { Button, Toggle } from "@/kit/controls";
import { useKeys } from "@/session/place/useKeys";
import {
  clockText,
  FELT_TEXT,
  goesOnText,
  itemOfText,
  leftOffText,
  REST_NOW,
  roundsText,
  TIME_IS_UP,
} from "@/words";
import styles from "./PracticeBar.module.css";

/** While a routine is practised: the item in front, its clock, what comes next. It stays while views change. */
export function PracticeBar() {
  const practiced = useStore($practiced);
  const isOn = practiced !== undefined;
  useKeys(
    "Practice",
    isOn
      ? [
          { key: "PageDown", says: "Next item of the routine", act: () => void nextItem() },
          { key: "PageUp", says: "Stay with this item, or let the next one come", act: stayOrNot },
          { key: "Ctrl+Enter", says: "Pause the practice, or go on", act: pauseOrGoOn },
        ]
      : [],
  );
  const leftOff = useStore($leftOff);
  if (!practiced) return leftOff ? <LeftOff title={leftOff.items[leftOff.at]?.title ?? ""} /> : null;
  const { item, next, nth, of, left, isPaused, restNow, rounds, stays, goesOn } = practiced;
  return (
    <section className={styles.bar} aria-label="Practice">
      <p className={styles.item}>
        <small>{itemOfText(nth, of) + roundsText(rounds, item)}</small>
        <strong>{item.title}</strong>
      </p>
      <p className={styles.clock} role="timer" data-up={left <= 0 || undefined}>
        {left <= 0 ? TIME_IS_UP : clockText(left)}
      </p>
      <Button keyName="Ctrl+Enter" aria-pressed={isPaused} onClick={pauseOrGoOn}>
        {isPaused ? "Go on" : "Pause"}
      </Button>
      <Toggle isOn={stays} onChange={stayOrNot}>
        Stay
      </Toggle>
      {goesOn && (
        <p className={styles.coming} role="status">
          {goesOnText(next?.title)}
        </p>
      )}
      {restNow && (
        <p className={styles.rest} role="status">
          {REST_NOW}
        </p>
      )}
      <span className={styles.gap} />
      <span className={styles.felt} role="group" aria-label="How it felt">
        {FELT.map((felt) => (
          <Button key={felt} onClick={() => void nextItem(felt)}>
            {FELT_TEXT[felt]}
          </Button>
        ))}
      </span>
      <Button kind="main" keyName="PageDown" onClick={() => void nextItem()}>
        {next ? `Next: ${next.title.slice(0, 40)}` : "Finish"}
      </Button>
      {next && (
        <Button kind="quiet" onClick={() => endPractice()}>
          End
        </Button>
      )}
    </section>
  );
}

/** A routine whose tab was closed in the middle of it. */
function LeftOff({ title }: { readonly title: string }) {
  return (
    <section className={styles.bar} aria-label="Practice">
      <p>{leftOffText(title)}</p>
      <span className={styles.gap} />
      <Button onClick={goOnPractising}>Go on</Button>
      <Button kind="quiet" onClick={leaveOff}>
        Leave it
      </Button>
    </section>
  );
}
