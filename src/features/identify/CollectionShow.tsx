import { useStore } from "@nanostores/react";
import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from "@tanstack/react-table";
import { useVirtualizer } from "@tanstack/react-virtual";
import { memo, useMemo, useRef } from "react";
import { soundOf } from "@/core/pitch";
import { brightness, mode as modeById } from "@/core/scale";
import { Button, Select } from "@/kit/controls";
import { shadeOf } from "@/kit/shade";
import {
  countText,
  homeModeText,
  modeText,
  noteText,
  ONLY_TEXT,
  problemText,
  weightText,
  COLLECTION_ASKS,
  NO_TUNE_LIKE_THAT,
  figureText,
} from "@/words";
import view from "@/shell/frame/View.module.css";
import { useWording } from "@/session/settings/useConventions";
import { $collection, $table, setTable } from "./collection";
import { type Collection } from "./collection-rows";
import { type Row } from "./collection-rows";
import { CollectionPanel } from "./CollectionPanel";
import styles from "./CollectionShow.module.css";
import { countByMode, ONLY, passes, type RowFilter } from "./results";

const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel() });
const helper = createColumnHelper<typeof features, Row>();

type Compared = { readonly original: Row };
/** Rows in the order of what they give; those that give nothing last. */
const by =
  (value: (row: Row) => string | number | undefined) =>
  (a: Compared, b: Compared): number => {
    const [one, other] = [value(a.original), value(b.original)];
    if (one === other) return 0;
    if (one === undefined) return 1;
    if (other === undefined) return -1;
    return one < other ? -1 : 1;
  };

const titleOf = ({ title }: Row) => title.toLowerCase();
const columns = helper.columns([
  helper.accessor(titleOf, { id: "title", sortFn: by(titleOf) }),
  helper.accessor(({ found }) => found?.mode, {
    id: "mode",
    // From the brightest mode to the darkest, and on the homes of each.
    sortFn: by(({ found }) =>
      found ? -brightness(modeById(found.mode).intervals) * 100 + soundOf(found.home) : undefined,
    ),
  }),
  helper.accessor(({ found }) => found?.weight, { id: "weight", sortFn: by(({ found }) => found?.weight) }),
  helper.accessor(({ found }) => found?.undecided.length, {
    id: "undecided",
    sortFn: by(({ found }) => found?.undecided.length),
  }),
  helper.accessor(({ agrees }) => agrees, { id: "key", sortFn: by(({ agrees }) => agrees) }),
  helper.accessor(({ notes }) => notes, { id: "notes", sortFn: by(({ notes }) => notes) }),
]);

const HEADS: readonly (readonly [id: string, text: string])[] = [
  ["title", "Tune"],
  ["mode", "Home and mode"],
  ["weight", "Likely"],
  ["undecided", "Undecided"],
  ["key", "Key field"],
  ["notes", "Notes"],
];

const ROW_HEIGHT = 32;
const ANY = "any";

interface CollectionShowProps {
  readonly collection: Collection;
  readonly onOpen: (row: Row) => void;
  /** Back to the tune that was selected. */
  readonly onBack: () => void;
}

/** A collection as a table: sorted and filtered, its results to be saved, any row to be opened. */
export function CollectionShow({ collection, onOpen, onBack }: CollectionShowProps) {
  const { rows, state } = collection;
  const { filter } = useStore($table);
  const shown = useMemo(() => rows.filter((row) => passes(row, filter)), [rows, filter]);
  const set = (part: RowFilter) => setTable({ filter: { ...filter, ...part }, offset: 0 });
  const modes = useMemo(() => countByMode(rows), [rows]);
  const homes = useMemo(
    () =>
      [...new Map(rows.flatMap(({ found }) => (found ? [[soundOf(found.home), found.home]] : [])))].sort(
        ([a], [b]) => a - b,
      ),
    [rows],
  );
  return (
    <div className={view.view}>
      <div className={view.answer}>
        <div className={view.sentence}>
          <h1 className={styles.ask}>{COLLECTION_ASKS}</h1>
          <span className={view.right}>
            <Button kind="quiet" onClick={onBack}>
              Back to one tune
            </Button>
          </span>
        </div>
        <div className={styles.filters} role="search" aria-label="Which tunes are shown">
          <input
            type="search"
            className={styles.search}
            aria-label="Letters in the title"
            placeholder="in the title"
            maxLength={100}
            value={filter.title ?? ""}
            onChange={(event) => set({ title: event.target.value })}
          />
          <Select
            label="Mode"
            size="small"
            value={filter.mode ?? ANY}
            options={[
              { value: ANY, text: "any mode" },
              ...modes.map(({ mode, count }) => ({
                value: mode.id,
                text: `${modeText(mode)}, ${figureText(count)}`,
              })),
            ]}
            onChange={(id) => set({ mode: id === ANY ? undefined : id })}
          />
          <Select
            label="Home"
            size="small"
            value={filter.home === undefined ? ANY : String(filter.home)}
            options={[
              { value: ANY, text: "any home" },
              ...homes.map(([sound, home]) => ({ value: String(sound), text: `home ${noteText(home)}` })),
            ]}
            onChange={(sound) => set({ home: sound === ANY ? undefined : Number(sound) })}
          />
          <Select
            label="Only"
            size="small"
            value={filter.only ?? ANY}
            options={[
              { value: ANY, text: "all of them" } as const,
              ...ONLY.map((only) => ({ value: only, text: ONLY_TEXT[only] })),
            ]}
            onChange={(only) => set({ only: only === ANY ? undefined : only })}
          />
          <span className={styles.count} role="status">
            {shown.length === rows.length
              ? countText(rows.length, "tune")
              : `${figureText(shown.length)} of ${figureText(rows.length)} tunes`}
          </span>
        </div>
        <Rows rows={shown} onOpen={onOpen} />
      </div>
      <CollectionPanel collection={collection} shown={shown} isReading={state === "reading"} />
    </div>
  );
}

const Rows = memo(function Rows({
  rows,
  onOpen,
}: {
  readonly rows: readonly Row[];
  readonly onOpen: (row: Row) => void;
}) {
  useWording();
  const data = useMemo(() => [...rows], [rows]);
  const { sorting } = useStore($table);
  const state = useMemo(() => ({ sorting: [...sorting] }), [sorting]);
  const table = useTable({
    features,
    columns,
    data,
    enableSortingRemoval: true,
    state,
    onSortingChange: (change) =>
      setTable({ sorting: typeof change === "function" ? change(state.sorting) : change }),
  });
  const sorted = table.getRowModel().rows;
  const room = useRef<HTMLDivElement>(null);
  // What it answers changes while it stays the same object: the compiler leaves this component as it is, and may.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: sorted.length,
    getScrollElement: () => room.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 8,
    // Where the table was left: it comes back to that row.
    initialOffset: () => $table.get().offset,
    onChange: ({ scrollOffset, isScrolling }) => {
      if (!isScrolling && scrollOffset !== null) setTable({ offset: scrollOffset });
    },
  });
  const orderOf = (id: string) => table.getColumn(id)?.getIsSorted() ?? false;
  return (
    // A table that scrolls must be reached by the keyboard.
    // eslint-disable-next-line jsx-a11y-x/no-noninteractive-tabindex
    <div ref={room} className={styles.room} tabIndex={0} role="region" aria-label="Tunes">
      <div role="table" aria-label="Tunes" aria-rowcount={sorted.length + 1}>
        <div className={styles.head} role="row" aria-rowindex={1}>
          {HEADS.map(([id, text]) => {
            const order = orderOf(id);
            return (
              <div
                key={id}
                role="columnheader"
                aria-sort={order === "asc" ? "ascending" : order === "desc" ? "descending" : "none"}
              >
                <button
                  type="button"
                  className={styles.sort}
                  onClick={() => table.getColumn(id)?.toggleSorting()}
                >
                  {text}
                  <span aria-hidden="true">{order === "asc" ? " ↑" : order === "desc" ? " ↓" : ""}</span>
                </button>
              </div>
            );
          })}
        </div>
        <div role="rowgroup" className={styles.body} style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map(({ index, start }) => {
            const row = sorted[index]?.original;
            return row && <TuneRow key={row.at} row={row} index={index} start={start} onOpen={onOpen} />;
          })}
        </div>
      </div>
      {rows.length === 0 && <p className={styles.none}>{NO_TUNE_LIKE_THAT}</p>}
    </div>
  );
});

interface TuneRowProps {
  readonly row: Row;
  readonly index: number;
  readonly start: number;
  readonly onOpen: (row: Row) => void;
}

const TuneRow = memo(function TuneRow({ row, index, start, onOpen }: TuneRowProps) {
  const { title, found, declared, agrees, notes, problems } = row;
  useWording();
  const homeMode = found && { home: found.home, mode: modeById(found.mode) };
  const [problem] = problems;
  return (
    <div
      role="row"
      aria-rowindex={index + 2}
      className={styles.row}
      style={{ transform: `translateY(${start}px)` }}
    >
      <div role="cell" className={styles.name}>
        {found ? (
          <button type="button" className={styles.open} onClick={() => onOpen(row)}>
            {title || "without a title"}
          </button>
        ) : (
          <span>{title || row.file.name}</span>
        )}
      </div>
      <div
        role="cell"
        className={styles.mode}
        data-shade={homeMode ? shadeOf(brightness(homeMode.mode.intervals)) : undefined}
      >
        {homeMode ? homeModeText(homeMode) : problem ? problemText(problem, "") : "no notes"}
        {(found?.passages ?? 1) > 1 && ` and ${countText((found?.passages ?? 1) - 1, "change")}`}
      </div>
      <div role="cell">{found ? weightText(found.weight) : ""}</div>
      <div role="cell">{found?.undecided.join(" ") ?? ""}</div>
      <div
        role="cell"
        data-differs={agrees !== undefined && agrees !== "same" ? true : undefined}
        className={styles.key}
      >
        {declared ? homeModeText({ home: declared.home, mode: modeById(declared.mode) }) : ""}
      </div>
      <div role="cell">{notes}</div>
    </div>
  );
});

/** The collection that is open, or undefined. */
export const useCollection = (): Collection | undefined => useStore($collection);
