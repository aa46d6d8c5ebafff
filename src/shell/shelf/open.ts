import { fifthsOf } from "@/core/pitch";
import { mode } from "@/core/scale";
import { changeDraft, goTo, takeVoicing } from "@/session";
import type { Kept } from "@/storage";

/** Takes a kept thing into the view that it belongs to. */
export function openKept(thing: Kept): void {
  if (thing.kind === "mode") {
    goTo("derive", { home: fifthsOf(thing.home), mode: mode(thing.mode) });
  } else if (thing.kind === "words") {
    goTo("derive", { mode: mode(thing.mode) });
  } else if (thing.kind === "progression") {
    changeDraft({ chords: thing.chords, chartTitle: thing.title });
    goTo("match");
  } else if (thing.kind === "voicing") {
    takeVoicing(thing.chord, thing.frets);
  } else {
    changeDraft({ tune: { source: thing.source, text: thing.text, name: thing.title } });
    goTo("identify");
  }
}
