import type { Saved } from "@/storage";
import { $features } from "./feature";
import { takeVoicing } from "../stage/stage";

/** Opens a saved thing: in the view that takes its kind, a voicing on the stage. */
export function openSaved(thing: Saved): void {
  if (thing.kind === "voicing") {
    takeVoicing(thing.chord, thing.frets, thing.strings);
    return;
  }
  const opener = $features
    .get()
    .flatMap(({ saved = [] }) => saved)
    .find(({ kind }) => kind === thing.kind);
  opener?.open(thing);
}
