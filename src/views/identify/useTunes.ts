import { useEffect, useState } from "react";
import type { Problem } from "@/core/problem";
import type { Tune } from "@/core/tune";
import { type AbcTune, readAbc, readNotes, writeAbc } from "@/formats";
import type { Draft } from "@/store";

/** A tune as read, the text it came from, and the same as ABC for the engraver with its notes placed in that. */
export interface ReadTune {
  readonly tune: Tune;
  readonly text: string;
  readonly abc: string;
  readonly engraved: Tune;
}

/** What came of a text: its tunes, and what in it was not understood. */
export interface ReadTunes {
  /** Changes with the text, so that what was chosen for one text is not carried over to another. */
  readonly key: string;
  readonly source: "abc" | "notes";
  readonly name: string;
  readonly text: string;
  readonly tunes: readonly ReadTune[];
  readonly problems: readonly Problem[];
}

type TuneDraft = NonNullable<Draft["tune"]>;

/** Text with an ABC field at the start of a line is ABC; anything else is typed notes. */
export function draftOf(text: string, name: string): TuneDraft {
  return { source: /^[A-Za-z]:/m.test(text) && /^[XKTML]:/m.test(text) ? "abc" : "notes", text, name };
}

/** Reads a draft into tunes. Never throws. */
export async function readTunes({ source, text, name }: TuneDraft): Promise<Omit<ReadTunes, "key">> {
  if (source === "notes") {
    const { value, problems } = readNotes(text, name);
    return {
      source,
      name,
      text,
      problems,
      tunes: value.notes.length === 0 ? [] : [readTune(writeAbc(value), value, text)],
    };
  }
  const { value, problems } = await readAbc(text);
  return { source, name, text, problems, tunes: value.map((each) => readTune(each, each.tune, each.text)) };
}

const readTune = ({ tune: engraved, engraving: abc }: AbcTune, tune: Tune, text: string): ReadTune => ({
  tune,
  text,
  abc,
  engraved,
});

/** The tunes of a draft, read anew when it changes; the last ones stay until then. */
export function useTunes(draft: TuneDraft | undefined): ReadTunes | undefined {
  const [read, setRead] = useState<ReadTunes>();
  useEffect(() => {
    let isCurrent = true;
    if (draft) {
      void readTunes(draft).then((next) => {
        if (isCurrent) setRead({ ...next, key: next.tunes.map(({ tune }) => tune.title).join("\n") });
      });
    }
    return () => {
      isCurrent = false;
    };
  }, [draft]);
  return draft && read;
}
