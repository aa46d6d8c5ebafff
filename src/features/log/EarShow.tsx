import { useStore } from "@nanostores/react";
import type { ReactNode } from "react";
import { useState } from "react";
import { brightness, mode as modeById } from "@/core/scale";
import { forecast, habits, halvesOf, namesMode, trend, typicalTime } from "@/core/training";
import { $attempts, $schedule, dayNumber } from "@/session";
import { Chart } from "@/kit/chart";
import { Facts, Panel, Saying } from "@/kit/panel";
import { shortName } from "@/words/names";
import {
  capital,
  forecastText,
  habitText,
  habitTrendText,
  modeText,
  NO_HABITS,
  TOO_FEW_ANSWERS,
} from "@/words";
import view from "@/shell/frame/View.module.css";
import { spans } from "./log";
import { AsTable } from "./AsTable";
import styles from "./Log.module.css";

/** What the ear knows and mixes up: the share of right answers over time, what is taken for what, what comes back when. */
export function EarShow({ tabs }: { readonly tabs: ReactNode }) {
  const attempts = useStore($attempts);
  const schedule = useStore($schedule);
  const [now] = useState(Date.now);
  const first = attempts[0]?.at ?? now;
  const all = spans(first, now);
  const counts = all.map(({ from, to }) => trend(attempts, from, to, 1)[0] ?? { right: 0, of: 0 });
  const shares = counts.map(({ right, of }) => (of === 0 ? undefined : (100 * right) / of));
  const named = attempts.filter(namesMode);
  const found = habits(attempts);
  const typical = typicalTime(attempts.slice(-100));
  const right = attempts.filter(({ isRight }) => isRight).length;
  return (
    <div className={view.view}>
      <div className={view.answer}>
        {tabs}
        <div className={styles.scroll}>
          <h1 className={styles.heading}>Right answers</h1>
          <Chart
            names={all.map(({ name }) => name)}
            unit="%"
            height={160}
            series={[{ name: "Right", kind: "line", values: shares }]}
          />
          <AsTable
            head={["From", "Right", "Questions"]}
            rows={all.map(({ name }, at) => [
              name,
              String(counts[at]?.right ?? 0),
              String(counts[at]?.of ?? 0),
            ])}
          />
          <h2 className={styles.heading}>Taken for</h2>
          {named.length === 0 ? <p>{TOO_FEW_ANSWERS}</p> : <Confusions />}
        </div>
      </div>
      <Panel title="What you hear">
        {found.length > 0 ? (
          found
            .slice(0, 4)
            .map((each) => (
              <Saying key={`${each.right} ${each.given}`}>
                {`${habitText(each)} ${habitTrendText(halvesOf(attempts, each) ?? [])}`.trim()}
              </Saying>
            ))
        ) : (
          <Saying>{named.length < 10 ? TOO_FEW_ANSWERS : NO_HABITS}</Saying>
        )}
        <Facts
          rows={[
            ["Answered", `${attempts.length}, ${right} of them right`],
            ...(typical === undefined
              ? []
              : [["Typical time", `${(typical / 1000).toFixed(1)} s to a right answer`] as const]),
            ["Due", forecastText(forecast(schedule, now, 7, dayNumber))],
          ]}
        />
      </Panel>
    </div>
  );
}

/** What was asked against what was answered. */
function Confusions() {
  const attempts = useStore($attempts).filter(namesMode);
  const ids = [...new Set(attempts.flatMap(({ right, given }) => [right, given]))].toSorted(
    (a, b) => brightness(modeById(b).intervals) - brightness(modeById(a).intervals),
  );
  const counts = new Map<string, number>();
  for (const { right, given, isRight } of attempts) {
    const key = `${right} ${isRight ? right : given}`;
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  return (
    <table className={styles.matrix}>
      <caption>Rows are what was played, columns what was answered.</caption>
      <thead>
        <tr>
          <td />
          {ids.map((id) => (
            <th key={id} scope="col">
              {shortName(modeById(id))}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {ids.map((right) => (
          <tr key={right}>
            <th scope="row">{capital(modeText(modeById(right)))}</th>
            {ids.map((given) => {
              const count = counts.get(`${right} ${given}`) ?? 0;
              return (
                <td
                  key={given}
                  data-right={right === given || undefined}
                  data-some={(right !== given && count > 0) || undefined}
                >
                  {count === 0 ? "" : count}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
