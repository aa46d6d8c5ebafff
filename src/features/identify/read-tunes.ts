import { computed } from "nanostores";
import type { Problem } from "@/core/problem";
import { allNotes, excerptOf, type Tune } from "@/core/tune";
import {
  engravingOf,
  type FileTune,
  sourceOfText,
  type TuneOrigin,
  type TuneSource,
  type TuneText,
  writeAbc,
} from "@/formats";
import { answering, readMusic, tuneDocument } from "@/session";

/** A tune as read, what it is kept as, and the same as ABC for the engraver with its notes placed in that. */
export interface ReadTune {
  readonly tune: Tune;
  readonly saved: Pick<TuneText, "source" | "text">;
  readonly abc: string;
  readonly engraved: Tune;
  /** Only so many bars are engraved of a long tune. */
  readonly isCut: boolean;
}

/** What came of a text: its tunes, and what in it was not understood. */
export interface ReadTunes {
  readonly source: TuneSource;
  readonly name: string;
  readonly origin?: TuneOrigin | undefined;
  readonly text: string;
  readonly tunes: readonly FileTune[];
  readonly problems: readonly Problem[];
}

/** Typed or pasted text as it is worked on. */
export const typedTune = (text: string, name: string) => ({ source: sourceOfText(text), text, name });

/** Bars that are engraved of one voice; a longer tune shows its beginning, of which no more than can be drawn in a tenth of a second. */
const [MOST_ENGRAVED, BEGINNING] = [160, 32];

/** The same for a tune: each voice takes its room. */
export function mostEngraved({ voices = [], bars }: Tune): number {
  const share = 1 / Math.min(4, Math.max(1, voices.length));
  return Math.floor((bars.length > MOST_ENGRAVED * share ? BEGINNING : MOST_ENGRAVED) * share);
}

/** One tune of a text, made ready for the staff. */
export function readyTune(file: FileTune, { source, text }: Pick<TuneText, "source" | "text">): ReadTune {
  const { tune, written } = file;
  const most = mostEngraved(tune);
  const isCut = tune.bars.length > most;
  const engraving = isCut ? writeAbc(excerptOf(tune, { from: 0, to: most - 1 })) : engravingOf(file);
  return {
    tune,
    saved: written ? { source: "abc", text: written.text } : { source, text },
    abc: engraving.engraving,
    engraved: engraving.tune,
    isCut,
  };
}

/** How far places of notes under the melody are moved where only the beginning of a tune is engraved. */
const shift = ({ tune, engraved }: ReadTune) => tune.notes.length - engraved.notes.length;

/** Places of a tune's notes as places of those that are engraved; others are left out. */
export function onStaff(shown: ReadTune, places: readonly number[]): readonly number[] {
  const { tune, engraved, isCut } = shown;
  if (!isCut) return places;
  const all = allNotes(engraved).length;
  return places.flatMap((place) => {
    const isMelody = place < tune.notes.length;
    const at = isMelody ? place : place - shift(shown);
    return at < (isMelody ? engraved.notes.length : all) ? [at] : [];
  });
}

/** The place in the tune of a note that is engraved. */
export const fromStaff = (shown: ReadTune, place: number): number =>
  place < shown.engraved.notes.length ? place : place + shift(shown);

const $source = computed(tuneDocument.$value, ({ source }) => source);
const $text = computed(tuneDocument.$value, ({ text }) => text);
const $name = computed(tuneDocument.$value, ({ name }) => name);
const $origin = computed(tuneDocument.$value, ({ origin }) => origin);

const $asked = computed([$source, $text, $name, $origin], (source, text, name, origin) =>
  text.trim() === "" ? undefined : { source, text, name, origin },
);

const $read = answering($asked, async (asked) => ({ answer: await readMusic(asked) }));

/** The tunes of what is worked on, read anew when its text changes; the last ones stay until then. */
export const $tunes = computed($read, (read): ReadTunes | undefined =>
  read ? { ...read.asked, tunes: read.answer.value, problems: read.answer.problems } : undefined,
);
