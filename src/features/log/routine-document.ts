import { documentOf } from "@/session";
import { type RoutineItem, type RoutineValue, routineValue } from "@/storage";

/** The routine that is put together: links carry it, and every step can be undone. */
export const routineDocument = documentOf<RoutineValue>(
  {
    kind: "routine",
    isListed: true,
    stored: { version: 1, schema: routineValue, migrations: [] },
    blank: { title: "", items: [], order: "in-order" },
    isBlank: ({ title, items }) => title === "" && items.length === 0,
    titleOf: ({ title, items }) => title || (items[0]?.title ?? "").slice(0, 60),
  },
  "log/routine",
);

/** Things that a routine has at most. */
const MAX_ITEMS = 60;

/** Puts a thing at the end of the routine; false where it is too long for it, or the routine is full. */
export function addToRoutine(item: RoutineItem): boolean {
  const { items } = routineDocument.$value.get();
  const next = { ...routineDocument.$value.get(), items: [...items, item] };
  if (items.length >= MAX_ITEMS || !routineValue.safeParse(next).success) return false;
  routineDocument.change({ items: next.items });
  return true;
}
