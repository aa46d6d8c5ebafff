import { z } from "zod";
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
    items: z.array(routineItem).min(1).max(60),
    at: z.int().min(0),
    piece: z.string().min(1),
    stretches: z
      .array(z.object({ from: z.number(), to: z.number().optional(), item: z.int().min(0) }))
      .max(10_000),
    rounds: z.int().min(0),
  }),
});

type Entry = z.infer<typeof entry>;

/** A routine as it was when its tab was last seen: it can be gone on with in another. */
export const left = {
  read: (): Entry | undefined => {
    const found = atOnce.under(PREFIX).find(({ id }) => id === KEY);
    const read = entry.safeParse(found?.entry);
    return read.success ? read.data : undefined;
  },
  write: (practising: object, at: number, isOpen: boolean): void =>
    atOnce.write(PREFIX + KEY, { at, isOpen, practising }),
  forget: (): void => atOnce.remove(PREFIX + KEY),
};
