import { useStore } from "@nanostores/react";
import { format } from "date-fns";
import { type ReactNode, useState } from "react";
import { maybeMode } from "@/core/scale";
import { secondsBy } from "@/core/training";
import { Chart } from "@/kit/chart";
import { Select } from "@/kit/controls";
import { Facts, Panel, Saying } from "@/kit/panel";
import { capital, durationText, KIND_TEXT, modeText, NO_DAYS, TEMPO_SAYS, tempoFromToText } from "@/words";
import view from "@/shell/frame/View.module.css";
import { $pieces, type Piece, secondsIn, spans } from "./log";
import { AsTable } from "./AsTable";
import styles from "./Log.module.css";

/** Minutes by kind and by mode, and how the tempo of one thing went up. */
export function TempoShow({ tabs }: { readonly tabs: ReactNode }) {
  const pieces = useStore($pieces);
  const [now] = useState(Date.now);
  const all = spans(pieces[0]?.at ?? now, now);
  const kinds = secondsBy(pieces, ({ kind }) => kind);
  const modes = secondsBy(pieces, ({ mode }) => mode);
  const titles = secondsBy(
    pieces.filter(({ tempo }) => tempo !== undefined),
    ({ title }) => title,
  );
  const [chosen, setChosen] = useState<string>();
  const title = titles.find(({ name }) => name === chosen)?.name ?? titles[0]?.name;
  const tempos = pieces.filter((piece) => piece.title === title && piece.tempo !== undefined);
  const days = tempos.map(({ at }) => format(at, "d MMM yy"));
  const minutes = kinds.map(({ name: kind }) => ({
    name: KIND_TEXT[kind as Piece["kind"]],
    kind: "bar" as const,
    values: secondsIn(
      pieces.filter((piece) => piece.kind === kind),
      all,
    ).map((seconds) => seconds / 60),
  }));
  return (
    <div className={view.view}>
      <div className={view.answer}>
        {tabs}
        <div className={styles.scroll}>
          <h1 className={styles.heading}>Minutes</h1>
          {pieces.length === 0 ? (
            <p>{NO_DAYS}</p>
          ) : (
            <>
              <Chart names={all.map(({ name }) => name)} unit="minutes" series={minutes} />
              <AsTable
                head={["From", ...minutes.map(({ name }) => capital(name))]}
                rows={all.map(({ name }, at) => [
                  name,
                  ...minutes.map(({ values }) => String(Math.round(values[at] ?? 0))),
                ])}
              />
            </>
          )}
          <h2 className={styles.heading}>Tempo</h2>
          {title === undefined ? (
            <p>{TEMPO_SAYS}</p>
          ) : (
            <>
              <Select
                label="Tempo of"
                size="small"
                value={title}
                options={titles.map(({ name }) => ({ value: name, text: name }))}
                onChange={setChosen}
              />
              <Chart
                names={days}
                unit="bpm"
                series={[
                  { name: "Reached", kind: "line", values: tempos.map(({ tempo }) => tempo) },
                  { name: "Begun", kind: "line", values: tempos.map(({ tempoBegun }) => tempoBegun) },
                ]}
              />
              <AsTable
                head={["Day", "Begun", "Reached", "Rounds"]}
                rows={tempos.map(({ tempo, tempoBegun, rounds }, at) => [
                  days[at] ?? "",
                  ...[tempoBegun, tempo].map((each) => (each === undefined ? "" : `${each} bpm`)),
                  rounds === undefined ? "" : String(rounds),
                ])}
              />
            </>
          )}
        </div>
      </div>
      <Panel title="Minutes and tempo">
        {title !== undefined && tempos.length > 1 && (
          <Saying>
            {tempoFromToText(title, tempos[0]?.tempo ?? 0, tempos.at(-1)?.tempo ?? 0, tempos.length)}
          </Saying>
        )}
        <h3 className={styles.heading}>By kind</h3>
        <Facts
          rows={kinds.map(({ name, seconds }) => [
            capital(KIND_TEXT[name as Piece["kind"]]),
            durationText(seconds),
          ])}
        />
        {modes.length > 0 && <h3 className={styles.heading}>By mode</h3>}
        <Facts
          rows={modes.slice(0, 14).flatMap(({ name, seconds }) => {
            const mode = maybeMode(name);
            return mode ? [[capital(modeText(mode)), durationText(seconds)] as const] : [];
          })}
        />
      </Panel>
    </div>
  );
}
