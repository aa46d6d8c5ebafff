import { computed, type ReadableAtom } from "nanostores";

/**
 * Part of a value, the same object for as long as it says the same: what is computed from it, or asked about it, is not computed again
 * when something else changes.
 *
 * @param of answers plain values, as JSON has them
 */
export function steady<T, V>($from: ReadableAtom<T>, of: (value: T) => V): ReadableAtom<V> {
  let last: { readonly value: V; readonly says: string } | undefined;
  return computed($from, (from) => {
    const value = of(from);
    const says = JSON.stringify(value);
    if (last?.says !== says) last = { value, says };
    return last.value;
  });
}
