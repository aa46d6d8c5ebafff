import { DOCUMENT, isFields, SAVED, SHELF, understand, type AsideRecord } from "@/storage";
import { aside, newId } from "../records/records";
import { shelf } from "./shelf";

/** Whether a text is a record that this version understands; the reason where it isn't. */
export type Mended = "taken" | "not-json" | "not-understood";

/**
 * Takes a record that was set aside back, as it is or as the user has mended its text. It goes to the Shelf; what is there under its
 * id stays, and it comes under another.
 */
export async function takeBack({ key }: Pick<AsideRecord, "key">, text: string): Promise<Mended> {
  let record: unknown;
  try {
    record = JSON.parse(text);
  } catch {
    return "not-json";
  }
  const read = understand(SAVED, record);
  if (!("value" in read)) return "not-understood";
  const isTaken = shelf.$saved.get().some(({ id }) => id === read.value.id);
  await shelf.putAll([isTaken ? { ...read.value, id: newId() } : read.value]);
  await aside.remove(key);
  return "taken";
}

/** What was set aside by another version and can be read by this one comes back by itself. */
export async function takeBackUnderstood(): Promise<void> {
  for (const each of aside.$records.get())
    if (each.from.startsWith(SHELF) || each.from === "import")
      await takeBack(each, JSON.stringify(each.record));
}

/** What a record that was set aside seems to be, from what can be read of it. */
export function seemsToBe({ from, record }: AsideRecord): { readonly kind: string; readonly title: string } {
  const { kind, title } = isFields(record) ? record : {};
  return {
    kind:
      typeof kind === "string" ? kind : from.startsWith(DOCUMENT) ? "document" : (from.split(":")[0] ?? ""),
    title: typeof title === "string" ? title.slice(0, 80) : "",
  };
}
