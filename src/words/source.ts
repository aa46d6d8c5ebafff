import type { TuneSource } from "@/formats";

/** How music came in. */
export const SOURCE_TEXT: Readonly<Record<TuneSource, string>> = {
  abc: "from ABC",
  notes: "typed",
  musicxml: "from MusicXML",
  midi: "from MIDI",
};
