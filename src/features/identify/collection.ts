import { atom } from "nanostores";
import { type Problem, wholeProblem } from "@/core/problem";
import type { TuneText } from "@/formats";
import { $settings } from "@/session";
import { type CollectionPool, collectionPool, type SentTune } from "@/workers";
import { textAt, type TextInFile, textsIn } from "./files";
import {
  FIRST_LOOK,
  forgetCollection,
  saveCollection,
  savedCollection,
  saveTable,
  type TableView,
} from "./saved-collection";
import { showPart } from "./route";
import type { Collection, Row } from "./collection-rows";

/** The collection that is open; it stays while the views change, and comes back after a reload. */
export const $collection = atom<Collection | undefined>(undefined);

/** How its table is looked at. */
export const $table = atom<TableView>(FIRST_LOOK);
export const setTable = (part: Partial<TableView>): void => {
  $table.set({ ...$table.get(), ...part });
  saveTable($table.get());
};

/** Brings the collection back that was open before a reload. */
export async function bringBackCollection(): Promise<void> {
  if ($collection.get() || reading > 0) return;
  const saved = await savedCollection();
  if (!saved || $collection.get() || reading > 0) return;
  $table.set(saved.table);
  $collection.set(saved.collection);
}

/** Tunes that are sent to a worker at a time: few at first, so that the first rows come soon. */
const [FIRST_BATCH, BATCH] = [4, 24];
/** Rows are shown no oftener than this, in milliseconds. */
const SHOW_EVERY = 120;
/** Longer batches are sent before they are full: a worker gets about as much at a time. */
const BATCH_CHARS = 60_000;

let pool: CollectionPool | undefined;
/** Which reading is under way: what an earlier one still has to say is not taken. */
let reading = 0;

function stop(): void {
  reading += 1;
  pool?.end();
  pool = undefined;
}

/** Ends the reading that is under way; the rows so far stay. */
export function cancelCollection(): void {
  stop();
  const now = $collection.get();
  if (now?.state === "reading") end({ ...now, state: "cancelled" });
}

/** Shows what a reading came to, and saves it. */
function end(collection: Collection): void {
  $collection.set(collection);
  void saveCollection(collection).then((isSaved) => {
    if ($collection.get() === collection) $collection.set({ ...collection, isSaved });
  });
}

/** Closes the collection. */
export function closeCollection(): void {
  stop();
  $collection.set(undefined);
  showPart("tune");
  void forgetCollection();
}

/** Opens files as a collection: read one after another, identified by several workers, rows in the order of the files. */
export async function openCollection(files: readonly File[]): Promise<void> {
  stop();
  const mine = reading;
  setTable(FIRST_LOOK);
  const { expects } = $settings.get();
  const workers = collectionPool(navigator.hardwareConcurrency);
  pool = workers;
  const of = files.reduce((sum, { size }) => sum + size, 0);
  const batches: (readonly Row[] | undefined)[] = [];
  const problems: Problem[] = [];
  let done = 0;
  let rows: readonly Row[] = [];
  let shown = 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const show = (state: Collection["state"]) => {
    clearTimeout(timer);
    timer = undefined;
    if (mine !== reading) return;
    // Rows stand in the order of the files: a batch waits for those before it.
    const ready: Row[] = [];
    for (; batches[shown] !== undefined; shown += 1) {
      ready.push(...(batches[shown] ?? []));
      batches[shown] = [];
    }
    rows = [...rows, ...ready.map((row, at) => ({ ...row, at: rows.length + at }))];
    const now: Collection = { state, rows, problems: [...problems], done, of };
    if (state === "reading") $collection.set(now);
    else end(now);
  };
  const showSoon = () => {
    // The longer the table, the more there is to put in order each time.
    timer ??= setTimeout(
      () => show("reading"),
      rows.length === 0 ? 0 : Math.max(SHOW_EVERY, rows.length / 20),
    );
  };
  const running = new Set<Promise<void>>();
  const send = async (file: File, batch: readonly TextInFile[]) => {
    const place = batches.push(undefined) - 1;
    await workers.ready();
    const job = workers
      .identify(batch.map(({ text }) => ({ ...text, expects })))
      .then((outcome) => {
        const tunesByText =
          "answer" in outcome
            ? outcome.answer
            : batch.map(({ text }) => [notIdentified(text.name, file.name)]);
        batches[place] = tunesByText.flatMap((tunes, at) =>
          tunes.map((tune) => ({ ...tune, at: 0, file, from: batch[at]?.from ?? 0, to: batch[at]?.to ?? 0 })),
        );
        done += batch.reduce((sum, { from, to }) => sum + to - from, 0);
        showSoon();
      })
      .finally(() => running.delete(job));
    running.add(job);
  };
  show("reading");
  for (const file of files) {
    let batch: TextInFile[] = [];
    let chars = 0;
    for await (const found of textsIn(file)) {
      if (mine !== reading) return;
      if (!("text" in found)) {
        problems.push(found);
        done += file.size;
        showSoon();
        continue;
      }
      batch.push(found);
      chars += found.text.text.length;
      const most = batches.length < FIRST_BATCH ? FIRST_BATCH : BATCH;
      if (batch.length >= most || chars > BATCH_CHARS) {
        await send(file, batch);
        [batch, chars] = [[], 0];
      }
    }
    if (batch.length > 0) await send(file, batch);
    if (mine !== reading) return;
  }
  await Promise.all(running);
  done = of;
  show("done");
  workers.end();
  if (pool === workers) pool = undefined;
}

/** A row for a tune that no worker came through with. */
const notIdentified = (title: string, found: string): SentTune => ({
  title,
  notes: 0,
  bars: 0,
  problems: [wholeProblem("not-identified", found)],
});

/** The text of a row's tune, read again from its file. */
export const textOf = ({ file, from, to }: Row): Promise<TuneText | undefined> => textAt(file, from, to);
