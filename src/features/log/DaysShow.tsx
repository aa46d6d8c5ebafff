import { useStore } from "@nanostores/react";
import { addMonths, format, isSameMonth, setHours, startOfDay } from "date-fns";
import { type ReactNode, useState } from "react";
import { $sittings, attemptsOf, dayName, openFileAs, openFiles, sittings, withPart } from "@/session";
import { FELT, type Felt, type Sitting } from "@/storage";
import { Button, FileButton, Select } from "@/kit/controls";
import { saveFile } from "@/kit/files";
import { later, Waiting } from "@/kit/later";
import { Panel, Saying } from "@/kit/panel";
import { useIncoming } from "@/session/place/useIncoming";
import { useKeys } from "@/session/place/useKeys";
import {
  answersText,
  broughtText,
  daysInARowText,
  DELETED_SITTING,
  durationText,
  FELT_TEXT,
  LOG_TOO_LARGE,
  NO_DAYS,
  problemText,
} from "@/words";
import view from "@/shell/frame/View.module.css";
import { $byDay, $pieces, $secondsOfDays, inARow, LOG, weeksOf } from "./log";
import { MinutesField, TempoOfField } from "./fields";
import styles from "./Log.module.css";

const GoOnLine = later(() => import("@/shell/practice/GoOn").then(({ GoOnLine }) => GoOnLine));

/** Seconds that fill a day's bar: an hour. */
const FULL = 3600;

/** A month of days, each with how long it was played, and the day that is selected. */
export function DaysShow({ tabs }: { readonly tabs: ReactNode }) {
  const all = useStore($sittings);
  const pieces = useStore($pieces);
  const seconds = useStore($secondsOfDays);
  const byDay = useStore($byDay);
  const [today] = useState(() => new Date());
  const latest = all[0] ? new Date(all[0].startedAt) : today;
  const [chosen, setChosen] = useState<Date>();
  const [turned, setTurned] = useState<Date>();
  const day = chosen ?? latest;
  const month = turned ?? day;
  const turn = (by: 1 | -1) => setTurned(addMonths(month, by));
  useKeys("Log", [
    { key: "[", says: "The month before", act: () => turn(-1) },
    { key: "]", says: "The next month", act: () => turn(1) },
  ]);
  const sat = byDay.get(dayName(day)) ?? [];
  const [brought, setBrought] = useState("");
  useIncoming(LOG, (files) => {
    const [file] = files;
    if (file) void bringIn(file).then(setBrought);
  });
  return (
    <div className={view.view}>
      <div className={view.answer}>
        {tabs}
        <div className={view.sentence}>
          <h1 className={styles.month}>{format(month, "MMMM yyyy")}</h1>
          <Button kind="quiet" keyName="[" aria-label="The month before" onClick={() => turn(-1)}>
            ‹
          </Button>
          <Button kind="quiet" keyName="]" aria-label="The next month" onClick={() => turn(1)}>
            ›
          </Button>
          <span className={view.right}>
            <FileButton
              kind="quiet"
              label="Log file"
              accept=".csv,text/csv"
              onFile={(file) => void openFiles([file])}
            >
              Import
            </FileButton>
            <Button kind="quiet" onClick={() => exportLog(all)}>
              Export as CSV
            </Button>
          </span>
        </div>
        <div className={styles.scroll}>
          <table className={styles.calendar}>
            <caption className="visually-hidden">{`Days of ${format(month, "MMMM yyyy")}`}</caption>
            <thead>
              <tr>
                {(weeksOf(month)[0] ?? []).map((each) => (
                  <th key={each.getDay()} scope="col">
                    {format(each, "EEE")}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {weeksOf(month).map((week) => (
                <tr key={dayName(week[0] ?? month)}>
                  {week.map((each) => {
                    const done = seconds.get(dayName(each)) ?? 0;
                    return (
                      <td key={dayName(each)}>
                        <button
                          type="button"
                          className={styles.day}
                          data-outside={!isSameMonth(each, month) || undefined}
                          data-today={dayName(each) === dayName(today) || undefined}
                          aria-pressed={dayName(each) === dayName(day)}
                          aria-label={`${format(each, "d MMMM")}, ${done === 0 ? "nothing" : durationText(done)}`}
                          onClick={() => setChosen(each)}
                        >
                          <span>{each.getDate()}</span>
                          <small>{done === 0 ? "" : durationText(done)}</small>
                          <i
                            aria-hidden="true"
                            style={{ inlineSize: `${Math.min(100, (100 * done) / FULL)}%` }}
                          />
                        </button>
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </div>
      <Panel title={format(day, "d MMMM yyyy")}>
        {pieces.length > 0 && (
          <Waiting fallback={null}>
            <GoOnLine />
          </Waiting>
        )}
        {all.length === 0 && <Saying>{NO_DAYS}</Saying>}
        {daysInARowText(inARow(pieces, today.getTime())) !== "" && (
          <Saying>{daysInARowText(inARow(pieces, today.getTime()))}</Saying>
        )}
        {brought !== "" && <p role="status">{brought}</p>}
        {sat.map((each) => (
          <OneSitting key={each.id} sitting={each} />
        ))}
        {!sat.some(isWordsOnly) && <WordsOfDay key={dayName(day)} day={day} />}
        <Deleted />
      </Panel>
    </div>
  );
}

/** A log is a few hundred characters a day. */
const MAX_BYTES = 20_000_000;

/** Takes a log file in, and says what came of it. */
async function bringIn(file: File): Promise<string> {
  if (file.size > MAX_BYTES) return LOG_TOO_LARGE;
  const read = await openFileAs("table", file);
  if ("stopped" in read) return problemText(read.stopped, "");
  const table = read.answer;
  let said = "";
  await withPart("The import", fetchLogFile, async ({ readLog }) => {
    const { value, unread, ear } = await readLog(table, sittings.$all.get(), new Date());
    if (value.length > 0) await sittings.takeIn(value);
    const pieces = value.reduce((sum, { played }) => sum + played.length, 0);
    said = broughtText(pieces, unread, ear);
  });
  return said;
}

/** What reads and writes logs as files. */
const fetchLogFile = () => import("./log-file");

/** Saves the log as a file. */
const exportLog = (all: readonly Sitting[]) =>
  void withPart("The export", fetchLogFile, ({ writeLog }) => saveFile("log.csv", writeLog(all), "text/csv"));

/** Words that were written on a day on which nothing else was. */
const isWordsOnly = ({ ear, played, words }: Sitting) => !ear && played.length === 0 && words !== "";

/** Words about a day, for what no routine and no exam has written down. */
function WordsOfDay({ day }: { readonly day: Date }) {
  const write = (words: string) => {
    if (words.trim() === "") return;
    // At noon, on whatever side of the date line it is read.
    const startedAt = setHours(startOfDay(day), 12).toISOString();
    const { id } = sittings.begin({ title: "", startedAt });
    sittings.change(id, () => ({ words: words.trim(), endedAt: startedAt }));
  };
  return (
    <textarea
      className={styles.words}
      aria-label="Your words about this day"
      placeholder="Your words about this day"
      maxLength={20_000}
      rows={2}
      onBlur={({ target }) => write(target.value)}
    />
  );
}

/** A sitting of the day: its pieces, which can be corrected one by one, and the user's words. */
function OneSitting({ sitting }: { readonly sitting: Sitting }) {
  const { id, title, startedAt, words } = sitting;
  const attempts = attemptsOf(sitting);
  const right = attempts.filter(({ isRight }) => isRight).length;
  const correct = (piece: string, part: { seconds?: number; tempo?: number; felt?: Felt }) =>
    sittings.change(id, ({ played }) => ({
      played: played.map((each) => (each.id === piece ? { ...each, ...part } : each)),
    }));
  return (
    <section className={styles.sitting} aria-label={title === "" ? "Sitting" : title}>
      <h3>
        <span>{format(new Date(startedAt), "HH:mm")}</span> {title}
      </h3>
      {attempts.length > 0 && <p>{`Ear: ${answersText(right, attempts.length)}`}</p>}
      {sitting.played.map((piece) => (
        <div key={piece.id} className={styles.piece}>
          <span>{piece.title}</span>
          <MinutesField
            of={piece.title}
            value={Math.max(1, Math.round(piece.seconds / 60))}
            most={600}
            onChange={(minutes) => correct(piece.id, { seconds: minutes * 60 })}
          />
          {piece.tempo !== undefined && (
            <TempoOfField
              of={piece.title}
              value={piece.tempo}
              onChange={(tempo) => correct(piece.id, { tempo })}
            />
          )}
          <Select
            label={`How ${piece.title} felt`}
            size="small"
            value={piece.felt ?? "none"}
            options={[
              { value: "none", text: "felt …" },
              ...FELT.map((felt) => ({ value: felt, text: FELT_TEXT[felt].toLowerCase() })),
            ]}
            onChange={(felt) => felt !== "none" && correct(piece.id, { felt })}
          />
        </div>
      ))}
      <textarea
        key={id}
        className={styles.words}
        aria-label={`Your words about ${title === "" ? "this sitting" : title}`}
        placeholder="Your words"
        defaultValue={words}
        maxLength={20_000}
        rows={2}
        onBlur={({ target }) =>
          target.value !== words && sittings.change(id, () => ({ words: target.value }))
        }
      />
      <Button kind="quiet" onClick={() => sittings.remove(id)}>
        Delete
      </Button>
    </section>
  );
}

/** What was deleted last can be brought back. */
function Deleted() {
  const all = useStore(sittings.$all);
  const [last] = all
    .filter(({ deletedAt }) => deletedAt !== undefined)
    .toSorted((a, b) => ((a.deletedAt ?? "") < (b.deletedAt ?? "") ? 1 : -1));
  if (!last) return null;
  return (
    <p role="status">
      {DELETED_SITTING}{" "}
      <Button kind="quiet" onClick={() => sittings.bringBack(last.id)}>
        Bring back
      </Button>
    </p>
  );
}
