import { fifthsOf } from "@/core/pitch";
import { mode } from "@/core/scale";
import { BLANK_TUNE, chartDocument, goTo, takeVoicing, tuneDocument } from "@/session";
import type { Saved } from "@/storage";

/** Takes a kept thing into the view that it belongs to. */
export function openSaved(thing: Saved): void {
  if (thing.kind === "mode") {
    goTo("derive", { home: fifthsOf(thing.home), mode: mode(thing.mode) });
  } else if (thing.kind === "words") {
    goTo("derive", { mode: mode(thing.mode) });
  } else if (thing.kind === "progression") {
    goTo("match");
    chartDocument.open({ chords: thing.chords, title: thing.title });
  } else if (thing.kind === "voicing") {
    takeVoicing(thing.chord, thing.frets);
  } else {
    goTo("identify");
    tuneDocument.open({ ...BLANK_TUNE, source: thing.source, text: thing.text, name: thing.title });
  }
}
