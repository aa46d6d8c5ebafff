import { useState } from "react";
import { shelf } from "@/session";
import {
  foldersOf,
  MAX_FOLDER,
  MAX_TAG,
  MAX_TAGS,
  readFolder,
  readTags,
  type Saved,
  SHELF_ORDERS,
  type ShelfQuery,
  tagsOf,
} from "@/storage";
import { Button, Select, TextField, Toggle } from "@/kit/controls";
import {
  chosenText,
  foundOnShelfText,
  movedText,
  NEEDS_FOLDER,
  NO_TAG,
  SHELF_ORDER_TEXT,
  taggedText,
} from "@/words";
import styles from "./Shelf.module.css";

interface ShelfToolsProps {
  /** All that is there, and what of it is found. */
  readonly things: readonly Saved[];
  readonly found: readonly Saved[];
  readonly query: ShelfQuery;
  readonly onQuery: (query: ShelfQuery) => void;
  /** Ids of several that something is done with at once; undefined while that isn't asked for. */
  readonly chosen: ReadonlySet<string> | undefined;
  readonly onChosen: (chosen: ReadonlySet<string> | undefined) => void;
}

/** Tags that are offered, the most used first. */
const TAGS = 12;

/** What is looked for on the Shelf, in which order it stands, and what is done with several things at once. */
export function ShelfTools({ things, found, query, onQuery, chosen, onChosen }: ShelfToolsProps) {
  const tags = tagsOf(things).slice(0, TAGS);
  return (
    <search className={styles.tools}>
      <label className={styles.field}>
        Search
        <input
          type="search"
          className={styles.written}
          value={query.text}
          maxLength={200}
          onChange={({ target }) => onQuery({ ...query, text: target.value })}
        />
      </label>
      {tags.length > 0 && (
        <div className={styles.acts} role="group" aria-label="Tags">
          {tags.map((tag) => (
            <Toggle
              key={tag}
              isOn={query.tags.includes(tag)}
              onChange={(isOn) =>
                onQuery({
                  ...query,
                  tags: isOn ? [...query.tags, tag] : query.tags.filter((each) => each !== tag),
                })
              }
            >
              {tag}
            </Toggle>
          ))}
        </div>
      )}
      <div className={styles.acts}>
        <Select
          label="Order"
          size="small"
          value={query.order}
          options={SHELF_ORDERS.map((order) => ({ value: order, text: SHELF_ORDER_TEXT[order] }))}
          onChange={(order) => onQuery({ ...query, order })}
        />
        <Button
          kind="quiet"
          aria-pressed={chosen !== undefined}
          onClick={() => onChosen(chosen === undefined ? new Set() : undefined)}
        >
          Choose several
        </Button>
        {(query.text !== "" || query.tags.length > 0) && (
          <span role="status">{foundOnShelfText(found.length, things.length)}</span>
        )}
      </div>
      {chosen !== undefined && <Several found={found} chosen={chosen} onChosen={onChosen} />}
    </search>
  );
}

type SeveralProps = Pick<ShelfToolsProps, "found" | "onChosen"> & { readonly chosen: ReadonlySet<string> };

/** What is done with all that are chosen: tagged, deleted. */
function Several({ found, chosen, onChosen }: SeveralProps) {
  const [said, setSaid] = useState("");
  const things = found.filter(({ id }) => chosen.has(id));
  return (
    <div className={styles.acts} role="group" aria-label="With all that are chosen">
      <span role="status">{said === "" ? chosenText(things.length) : said}</span>
      <Button kind="quiet" onClick={() => onChosen(new Set(found.map(({ id }) => id)))}>
        Choose all
      </Button>
      <TextField
        label="Tag for all that are chosen"
        value=""
        placeholder="Tag"
        width={12}
        size="small"
        onCommit={(text) => {
          const tags = readTags(text, MAX_TAGS, MAX_TAG);
          if (tags.length === 0) return NO_TAG;
          for (const thing of things)
            shelf.change(thing, { tags: [...new Set([...(thing.tags ?? []), ...tags])].slice(0, MAX_TAGS) });
          setSaid(taggedText(things.length, tags));
          return undefined;
        }}
      />
      <TextField
        label="Folder for all that are chosen"
        value=""
        placeholder="Folder"
        width={12}
        size="small"
        suggestions={foldersOf(found).map(({ name }) => name)}
        onCommit={(text) => {
          const folder = readFolder(text, MAX_FOLDER);
          if (folder === undefined) return NEEDS_FOLDER;
          for (const thing of things) shelf.change(thing, { folder });
          setSaid(movedText(things.length, folder));
          return undefined;
        }}
      />
      <Button
        kind="quiet"
        disabled={things.length === 0}
        onClick={() => {
          for (const { id } of things) shelf.remove(id);
          onChosen(undefined);
        }}
      >
        {`Delete ${things.length}`}
      </Button>
    </div>
  );
}
