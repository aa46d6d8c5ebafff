import { $features } from "../place/feature";
import { withPart } from "../place/fetched";
import { shelf } from "./shelf";
import { sittings } from "../playing/sittings";

/** Fetches the demo, and puts it in. */
const bringIn = (isWanted: (known: ReadonlySet<string>, ids: readonly string[]) => boolean): Promise<void> =>
  withPart(
    "The demo",
    () => Promise.all([import("@/demo"), import("@/demo/sittings")]),
    async ([{ DEMO }, { DEMO_SITTINGS }]) => {
      const present = new Map(shelf.$saved.get().map((each) => [each.id, each]));
      const ids = DEMO.map(({ id }) => id);
      if (!isWanted(new Set(present.keys()), ids)) return;
      await sittings.takeIn(DEMO_SITTINGS);
      await shelf.putAll(
        DEMO.filter(({ id }) => present.get(id)?.deletedAt !== undefined || !present.has(id)),
      );
      for (const { opensDemo } of $features.get()) await opensDemo?.();
    },
  );

/** Puts the demo on the Shelf and into the Log and, where nothing is under way, into the views. What the user has changed of it stays. */
export const bringInDemo = (): Promise<void> => bringIn(() => true);

/** Brings the demo in where it never was: what the user has deleted from it stays deleted. */
export const bringInDemoOnce = (): Promise<void> => bringIn((known, ids) => !ids.some((id) => known.has(id)));
