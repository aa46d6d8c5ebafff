import * as z from "zod/mini";
import { routineItem } from "@/storage";
import { atOnce } from "../records/at-once";

const PREFIX = "shade-practising:";
const KEY = "routine";

const entry = z.object({
  /** When it was written, in milliseconds since 1970, and whether its tab was open then. */
  at: z.number(),
  isOpen: z.boolean(),
  practising: z.object({
    sitting: z.string(),
    items: z.array(routineItem).check(z.minLength(1), z.maxLength(60)),
    at: z.int().check(z.minimum(0)),
    piece: z.string().check(z.minLength(1)),
    stretches: z
      .array(z.object({ from: z.number(), to: z.optional(z.number()), item: z.int().check(z.minimum(0)) }))
      .check(z.maxLength(10_000)),
    rounds: z.int().check(z.minimum(0)),
    clean: z.int().check(z.minimum(0)),
    tempo: z.object({ begun: z.number(), set: z.number(), reached: z.number() }),
    upAt: z.optional(z.number()),
    stays: z.boolean(),
  }),
});

type Entry = z.infer<typeof entry>;

/** A routine as it was when its tab was last seen: it can be gone on with in another. */
export const left = {
  isThere: (): boolean => atOnce.under(PREFIX).length > 0,
  read: (): Entry | undefined => {
    const found = atOnce.under(PREFIX).find(({ id }) => id === KEY);
    const read = entry.safeParse(found?.entry);
    return read.success ? read.data : undefined;
  },
  write: (practising: object, at: number, isOpen: boolean): void =>
    atOnce.write(PREFIX + KEY, { at, isOpen, practising }),
  forget: (): void => atOnce.remove(PREFIX + KEY),
};
