import { useEffect, useState } from "react";
import type { Problem } from "@/core/problem";
import { excerptOf, type Tune } from "@/core/tune";
import {
  engravingOf,
  type FileTune,
  readTunes,
  sourceOfText,
  type TuneSource,
  type TuneText,
  writeAbc,
} from "@/formats";
import type { Draft } from "@/store";

/** A tune as read, what it is kept as, and the same as ABC for the engraver with its notes placed in that. */
export interface ReadTune {
  readonly tune: Tune;
  readonly kept: Pick<TuneText, "source" | "text">;
  readonly abc: string;
  readonly engraved: Tune;
  /** Only so many bars are engraved of a long tune. */
  readonly isCut: boolean;
}

/** What came of a text: its tunes, and what in it was not understood. */
export interface ReadTunes {
  /** Changes with the text, so that what was chosen for one text is not carried over to another. */
  readonly key: string;
  readonly source: TuneSource;
  readonly name: string;
  readonly text: string;
  readonly tunes: readonly FileTune[];
  readonly problems: readonly Problem[];
}

export type TuneDraft = NonNullable<Draft["tune"]>;

/** Typed or pasted text as it is worked on. */
export const draftOf = (text: string, name: string): TuneDraft => ({
  source: sourceOfText(text),
  text,
  name,
});

/** Bars that are engraved at once; a longer tune shows its beginning. */
export const MOST_ENGRAVED = 160;

/** One tune of a text, made ready for the staff. */
export function readyTune(file: FileTune, { source, text }: Pick<TuneText, "source" | "text">): ReadTune {
  const { tune, written } = file;
  const isCut = tune.bars.length > MOST_ENGRAVED;
  const engraving = isCut ? writeAbc(excerptOf(tune, { from: 0, to: MOST_ENGRAVED - 1 })) : engravingOf(file);
  return {
    tune,
    kept: written ? { source: "abc", text: written.text } : { source, text },
    abc: engraving.engraving,
    engraved: engraving.tune,
    isCut,
  };
}

/** The tunes of a draft, read anew when it changes; the last ones stay until then. */
export function useTunes(draft: TuneDraft | undefined): ReadTunes | undefined {
  const [read, setRead] = useState<ReadTunes>();
  useEffect(() => {
    let isCurrent = true;
    if (draft) {
      void readTunes(draft).then(({ value: tunes, problems }) => {
        if (!isCurrent) return;
        const { source, text, name } = draft;
        setRead({ source, text, name, tunes, problems, key: tunes.map(({ tune }) => tune.title).join("\n") });
      });
    }
    return () => {
      isCurrent = false;
    };
  }, [draft]);
  return draft && read;
}
