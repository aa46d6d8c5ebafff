import * as z from "zod/mini";
import { documentValues } from "@/session";
import { understand, type Versioned } from "@/storage";
import type { SentTune } from "@/workers";
import type { Collection } from "./collection-rows";
import type { Row } from "./collection-rows";
import { ONLY, type RowFilter } from "./results";

/** How the table of a collection is looked at. */
export interface TableView {
  readonly filter: RowFilter;
  readonly sorting: readonly { readonly id: string; readonly desc: boolean }[];
  /** Pixels that it is scrolled down. */
  readonly offset: number;
}

/** Unsorted and whole, from the top. */
export const FIRST_LOOK: TableView = { filter: {}, sorting: [], offset: 0 };

const COLLECTION = "collection";
const TABLE = "shade-collection-table";

/** Files of more bytes than this are not saved: they would take the room that the user's own work needs. */
const MAX_SAVED = 64 * 1024 * 1024;

const row = z.object({
  title: z.string(),
  notes: z.number(),
  bars: z.number(),
  found: z.optional(
    z.object({
      home: z.int(),
      mode: z.string(),
      weight: z.number(),
      undecided: z.array(z.int()),
      modesLeft: z.number(),
      passages: z.number(),
    }),
  ),
  declared: z.optional(z.object({ home: z.int(), mode: z.string() })),
  agrees: z.optional(z.enum(["same", "other-home", "other-notes"])),
  problems: z.array(z.custom<SentTune["problems"][number]>((problem) => typeof problem === "object")),
  /** Which of the files, from 0, and where in it. */
  file: z.int().check(z.minimum(0)),
  from: z.number(),
  to: z.number(),
});

const collection = z.object({
  version: z.literal(1),
  files: z.array(z.instanceof(File)),
  rows: z.array(row),
  state: z.enum(["done", "cancelled"]),
  problems: z.array(z.custom<Collection["problems"][number]>((stored) => typeof stored === "object")),
  of: z.number(),
});
const COLLECTIONS: Versioned<z.infer<typeof collection>> = {
  version: 1,
  schema: collection,
  migrations: [],
};

const table = z.object({
  version: z.literal(1),
  filter: z.object({
    mode: z.optional(z.string()),
    home: z.optional(z.int()),
    only: z.optional(z.enum(ONLY)),
    title: z.optional(z.string().check(z.maxLength(100))),
  }),
  sorting: z.array(z.object({ id: z.string(), desc: z.boolean() })).check(z.maxLength(3)),
  offset: z.number().check(z.minimum(0)),
});
const TABLES: Versioned<z.infer<typeof table>> = { version: 1, schema: table, migrations: [] };

/** Saves a collection with its files, so that it is there again after a reload; whether storage took it. */
export async function saveCollection({ rows, state, problems, of }: Collection): Promise<boolean> {
  const files = [...new Set(rows.map(({ file }) => file))];
  if (state === "reading" || files.reduce((sum, { size }) => sum + size, 0) > MAX_SAVED) {
    await forgetCollection();
    return false;
  }
  const places = new Map(files.map((file, at) => [file, at]));
  const saved = rows.map((each) => ({ ...each, file: places.get(each.file) }));
  return documentValues.write(COLLECTION, { version: 1, files, rows: saved, state, problems, of }).then(
    () => true,
    () => false,
  );
}

/** The collection that was saved last, and how its table was looked at; none where nothing was, or it can't be read. */
export async function savedCollection(): Promise<
  { readonly collection: Collection; readonly table: TableView } | undefined
> {
  const stored = understand(COLLECTIONS, await documentValues.read(COLLECTION).catch(() => null));
  if (!("value" in stored)) return undefined;
  const { files, rows, state, problems, of } = stored.value;
  const placed = rows.flatMap(({ file: which, ...each }): readonly Omit<Row, "at">[] => {
    const file = files[which];
    return file ? [{ ...each, file } as Omit<Row, "at">] : [];
  });
  return {
    collection: {
      state,
      rows: placed.map((each, at) => ({ ...each, at })),
      problems,
      done: of,
      of,
      isSaved: true,
    },
    table: savedTable(),
  };
}

export async function forgetCollection(): Promise<void> {
  await documentValues.remove(COLLECTION).catch(() => undefined);
}

/** Saves how this tab looks at the table: at once, since a reload may follow. */
export function saveTable(look: TableView): void {
  try {
    sessionStorage.setItem(TABLE, JSON.stringify({ version: 1, ...look }));
  } catch {
    // After a reload it is looked at anew.
  }
}

function savedTable(): TableView {
  try {
    const look = understand(TABLES, JSON.parse(sessionStorage.getItem(TABLE) ?? ""));
    return "value" in look ? look.value : FIRST_LOOK;
  } catch {
    return FIRST_LOOK;
  }
}
