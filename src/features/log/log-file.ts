import { format, isValid, parse } from "date-fns";
import { maybeFifths } from "@/core/pitch";
import { maybeMode } from "@/core/scale";
import { type TableRow, writeCsv } from "@/formats";
import { attemptsOf } from "@/session";
import { FELT, type Played, PRACTICE_KINDS, type Sitting, SITTING_VERSION } from "@/storage";
import { KIND_TEXT } from "@/words";
import { nextTurn } from "@/workers";
import { piecesOf } from "./log";

const COLUMNS = [
  ...["day", "time", "kind", "what", "mode", "home", "instrument", "minutes", "tempo", "felt"],
  ...["right", "questions", "words", "begun", "rounds"],
];

/** Every piece as a row of a table. */
export const writeLog = (all: readonly Sitting[]): string =>
  writeCsv([
    COLUMNS,
    ...all.toReversed().flatMap((sitting) => {
      const attempts = attemptsOf(sitting);
      return piecesOf(sitting).map((piece) => {
        const { at, kind, title, mode, home, instrument, seconds, tempo, felt, tempoBegun, rounds } = piece;
        return [
          ...[format(at, "yyyy-MM-dd"), format(at, "HH:mm"), KIND_TEXT[kind], title],
          ...[mode ?? "", home ?? "", instrument ?? "", (seconds / 60).toFixed(1)],
          ...[tempo === undefined ? "" : String(tempo), felt ?? ""],
          ...(kind === "ear"
            ? [String(attempts.filter(({ isRight }) => isRight).length), String(attempts.length)]
            : ["", ""]),
          sitting.words,
          ...[String(tempoBegun ?? ""), String(rounds ?? "")],
        ];
      });
    }),
  ]);

/** What came of a log file. */
export interface ReadLog {
  /** A sitting for each day that something new was played on. */
  readonly value: readonly Sitting[];
  /** Rows that make no sense. */
  readonly unread: number;
  /** Rows of ear training: a table has its counts, and not the answers that they came from. */
  readonly ear: number;
}

/** Rows that are gone through before the page is drawn again. */
const A_STEP = 500;

/** What one of two is told from the other by. */
const keyOf = ({ at, title }: Pick<Played, "at" | "title">) => `${Math.floor(at / 60_000)} ${title}`;

/**
 * Reads the rows of a log: what was played becomes a sitting for each day. What is here already, by its minute and its title, is left
 * out, so that the same file can come in twice.
 */
export async function readLog(
  rows: readonly TableRow[],
  here: readonly Sitting[],
  now: Date,
): Promise<ReadLog> {
  const known = new Set(here.flatMap((each) => each.played).map(keyOf));
  const days = new Map<string, { words: string; played: Played[] }>();
  let [unread, ear] = [0, 0];
  for (const [at, row] of rows.entries()) {
    if (at % A_STEP === A_STEP - 1) await nextTurn();
    if (row.kind === KIND_TEXT.ear) {
      ear += 1;
      continue;
    }
    const piece = pieceOf(row);
    if (!piece) {
      unread += 1;
      continue;
    }
    if (known.has(keyOf(piece))) continue;
    known.add(keyOf(piece));
    const day = days.get(row.day ?? "") ?? { words: (row.words ?? "").slice(0, 20_000), played: [] };
    days.set(row.day ?? "", { ...day, played: [...day.played, piece] });
  }
  const value = [...days.values()].map(({ words, played }): Sitting => {
    const first = played.reduce((time, { at }) => Math.min(time, at), Infinity);
    const last = played.reduce((time, { at, seconds }) => Math.max(time, at + seconds * 1000), 0);
    return {
      version: SITTING_VERSION,
      id: `log-${first}`,
      title: played[0]?.title ?? "",
      startedAt: new Date(first).toISOString(),
      endedAt: new Date(last).toISOString(),
      changedAt: now.toISOString(),
      words,
      played,
    };
  });
  return { value, unread, ear };
}

const KINDS = new Map(PRACTICE_KINDS.map((kind) => [KIND_TEXT[kind], kind]));

function pieceOf(row: Readonly<Record<string, string>>): Played | undefined {
  const at = parse(`${row.day ?? ""} ${row.time ?? ""}`, "yyyy-MM-dd HH:mm", new Date(0));
  const [minutes, tempo] = [Number(row.minutes), Number(row.tempo)];
  const [begun, rounds] = [Number(row.begun), Number(row.rounds)];
  const title = (row.what ?? "").slice(0, 240);
  if (!isValid(at) || title === "" || !(minutes > 0 && minutes <= 1440)) return undefined;
  const mode = maybeMode(row.mode ?? "");
  const home = maybeFifths(row.home ?? "") === undefined ? undefined : row.home;
  const felt = FELT.find((each) => each === row.felt);
  return {
    id: `log-${at.getTime()}-${title.slice(0, 30)}`,
    at: at.getTime(),
    title,
    kind: KINDS.get(row.kind ?? "") ?? "free",
    ...(mode ? { mode: mode.id } : {}),
    ...(home === undefined ? {} : { home }),
    ...(row.instrument ? { instrument: row.instrument.slice(0, 60) } : {}),
    seconds: Math.round(minutes * 60),
    ...(tempo >= 1 && tempo <= 400 ? { tempo } : {}),
    ...(begun >= 1 && begun <= 400 ? { tempoBegun: begun } : {}),
    ...(rounds >= 1 && Number.isInteger(rounds) && rounds <= 100_000 ? { rounds } : {}),
    ...(felt ? { felt } : {}),
  };
}
