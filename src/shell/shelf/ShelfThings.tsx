import { useStore } from "@nanostores/react";
import { useState } from "react";
import { printFingering } from "@/core/instrument";
import { demoCounts } from "@/demo";
import { $features, bringInDemo, openSaved, savedOpener, type SavedOpener, shelf } from "@/session";
import { foundOn, KEEP_DELETED_DAYS, type Saved, type ShelfQuery } from "@/storage";
import { Button } from "@/kit/controls";
import { emptyShelfText } from "@/words";
import { AsideList } from "./AsideList";
import { Backup } from "./Backup";
import { Folders } from "./Folders";
import { SavedRow } from "./SavedRow";
import { ShelfTools } from "./ShelfTools";
import styles from "./Shelf.module.css";

interface ShelfThingsProps {
  readonly query: ShelfQuery;
  readonly onQuery: (query: ShelfQuery) => void;
  readonly onClose: () => void;
}

const VOICINGS: SavedOpener = savedOpener({
  kind: "voicing",
  plural: "Voicings",
  line: ({ chord, frets }) => `${chord}, ${printFingering(frets)}`,
  open: openSaved,
});

/** Rows of a kind that are shown before more are asked for. */
const ROWS = 60;

/** The Shelf: what was saved, with the user's words; opened, renamed, deleted, brought back, exported and imported. */
export function ShelfThings({ query, onQuery, onClose }: ShelfThingsProps) {
  const saved = useStore(shelf.$saved);
  const kinds = [...useStore($features).flatMap((each) => each.saved ?? []), VOICINGS];
  const [edited, setEdited] = useState<Saved>();
  const [chosen, setChosen] = useState<ReadonlySet<string>>();
  // What is being reworded stays in the list, whatever another tab does with it.
  const living = saved.filter(({ id, deletedAt }) => deletedAt === undefined || id === edited?.id);
  const deleted = saved.filter(({ id, deletedAt }) => deletedAt !== undefined && id !== edited?.id);
  const isGone = edited !== undefined && !saved.some(({ id }) => id === edited.id);
  const lines = new Map(kinds.map((each) => [each.kind, each.line]));
  const found = foundOn(
    isGone ? [...living, edited] : living,
    query,
    (thing) => lines.get(thing.kind)?.(thing) ?? "",
  );
  const choose = (id: string) => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
  };
  return (
    <>
      {living.length === 0 && !isGone ? (
        <EmptyShelf />
      ) : (
        <ShelfTools
          things={living}
          found={found}
          query={query}
          onQuery={onQuery}
          chosen={chosen}
          onChosen={setChosen}
        />
      )}
      <Folders
        things={living}
        folder={query.folder}
        onFolder={(folder) => onQuery({ ...query, folder })}
        onMove={(id, folder) => {
          const thing = living.find((each) => each.id === id);
          if (thing && thing.folder !== folder) shelf.change(thing, { folder });
        }}
      >
        {kinds.map(({ kind, plural, line }) => {
          const things = found.filter((thing) => thing.kind === kind);
          return things.length === 0 ? null : (
            <section key={kind}>
              <h3 className={styles.kind}>{plural}</h3>
              <Rows
                things={things}
                row={(thing) => (
                  <SavedRow
                    key={thing.id}
                    thing={thing}
                    line={line(thing)}
                    edited={edited?.id === thing.id ? edited : undefined}
                    onEdit={setEdited}
                    onOpen={onClose}
                    isChosen={chosen?.has(thing.id)}
                    onChoose={() => choose(thing.id)}
                  />
                )}
              />
            </section>
          );
        })}
      </Folders>
      {deleted.length > 0 && (
        <section>
          <h3 className={styles.kind}>Deleted in the last {KEEP_DELETED_DAYS} days</h3>
          <Rows
            things={deleted}
            row={({ id, title }) => (
              <li key={id} className={styles.gone}>
                <span>{title}</span>
                <Button kind="quiet" onClick={() => shelf.bringBack(id)} aria-label={`Bring back ${title}`}>
                  Bring back
                </Button>
              </li>
            )}
          />
        </section>
      )}
      <AsideList />
      <Backup />
    </>
  );
}

interface RowsProps {
  readonly things: readonly Saved[];
  readonly row: (thing: Saved) => React.ReactNode;
}

/** The first of many; the rest when they are asked for. */
function Rows({ things, row }: RowsProps) {
  const [shown, setShown] = useState(ROWS);
  const rest = things.length - shown;
  return (
    <>
      <ul className={styles.list}>{things.slice(0, shown).map(row)}</ul>
      {rest > 0 && (
        <Button kind="quiet" onClick={() => setShown(shown + 5 * ROWS)}>
          {`Show more (${rest})`}
        </Button>
      )}
    </>
  );
}

function EmptyShelf() {
  return (
    <div className={styles.empty}>
      <p>{emptyShelfText(demoCounts)}</p>
      <Button onClick={() => void bringInDemo()}>Load the demo</Button>
    </div>
  );
}
