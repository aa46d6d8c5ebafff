import { maybeMode, type Mode, modeOf } from "@/core/scale";

const isMode = (value: object): value is Mode =>
  "intervals" in value && "sounds" in value && "family" in value;

/**
 * The same value with the modes of the catalogue in place of their copies: what crosses between threads is copied, and modes are told
 * apart by identity.
 */
export function withOwnModes<T>(value: T): T {
  if (typeof value !== "object" || value === null) return value;
  if (Array.isArray(value))
    return (typeof value[0] === "number" ? value : value.map((each: unknown) => withOwnModes(each))) as T;
  if (isMode(value)) return (maybeMode(value.id) ?? modeOf(value.sounds)) as T;
  if (Object.getPrototypeOf(value) !== Object.prototype) return value;
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, withOwnModes(each)])) as T;
}
