import { DEMO, DEMO_SITTINGS } from "@/demo";
import type { SavedKind } from "@/storage";
import { $features } from "../place/feature";
import { shelf } from "./shelf";
import { sittings } from "../playing/sittings";

/** Puts the demo on the Shelf and into the Log and, where nothing is under way, into the views. What the user has changed of it stays. */
export async function bringInDemo(): Promise<void> {
  await sittings.takeIn(DEMO_SITTINGS);
  const here = new Map(shelf.$saved.get().map((each) => [each.id, each]));
  await shelf.putAll(DEMO.filter(({ id }) => here.get(id)?.deletedAt !== undefined || !here.has(id)));
  for (const { opensDemo } of $features.get()) opensDemo?.();
}

/** Brings the demo in where it never was: what the user has deleted from it stays deleted. */
export async function bringInDemoOnce(): Promise<void> {
  const known = new Set(shelf.$saved.get().map(({ id }) => id));
  if (!DEMO.some(({ id }) => known.has(id))) await bringInDemo();
}

/** How many things of each kind the demo brings. */
export const demoCounts: Readonly<Partial<Record<SavedKind, number>>> = Object.fromEntries(
  [...new Set(DEMO.map(({ kind }) => kind))].map((kind) => [
    kind,
    DEMO.filter((each) => each.kind === kind).length,
  ]),
);
