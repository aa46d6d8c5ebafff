import type * as z from "zod/mini";

/** A stored record as it lies there, before it is known. */
export type Fields = Readonly<Record<string, unknown>>;

/** A schema with its number, and the way to it from every number since 1. */
export interface Versioned<T> {
  readonly version: number;
  readonly schema: z.ZodMiniType<T>;
  /** The first carries version 1 to 2, and so on; pure. */
  readonly migrations: readonly ((record: Fields) => Fields)[];
}

/** Why a record isn't understood: this version of Shade is older than the record, or the record is damaged. */
export type NotUnderstood = "newer" | "broken";

export type Understood<T> = { readonly value: T } | { readonly why: NotUnderstood };

/** A field that is text; nothing where it is anything else. */
export const textOf = (field: unknown): string => (typeof field === "string" ? field : "");

export const isFields = (record: unknown): record is Fields =>
  typeof record === "object" && record !== null && !Array.isArray(record);

/**
 * Reads a record of any version since 1. Never throws; a record is what the schema of today makes of it, carried over step by step.
 *
 * @example understand(SAVED, { version: 99 }) // { why: "newer" }
 */
export function understand<T>({ version, schema, migrations }: Versioned<T>, record: unknown): Understood<T> {
  if (!isFields(record) || !Number.isInteger(record.version)) return { why: "broken" };
  const from = record.version as number;
  if (from > version) return { why: "newer" };
  if (from < 1) return { why: "broken" };
  let carried = record;
  try {
    for (const carry of migrations.slice(from - 1)) carried = carry(carried);
  } catch {
    return { why: "broken" };
  }
  const read = schema.safeParse({ ...carried, version });
  return read.success ? { value: read.data } : { why: "broken" };
}
