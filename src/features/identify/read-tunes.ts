import { computed } from "nanostores";
import type { Problem } from "@/core/problem";
import { allNotes, type BarRange, excerptOf, firstPlace, type Tune } from "@/core/tune";
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
  /** The tune that is engraved: all of it, or so many bars of a long one. */
  readonly engraved: Tune;
  /** The first bar that is engraved; undefined where all are. */
  readonly from: number | undefined;
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

/** Bars that are engraved of one voice at once; of a longer tune no more than can be drawn between two frames. */
const [MOST_ENGRAVED, A_PART] = [160, 16];

/** The same for a tune: each voice takes its room. */
export function mostEngraved({ voices = [], bars }: Tune): number {
  const share = 1 / Math.min(4, Math.max(1, voices.length));
  return Math.floor((bars.length > MOST_ENGRAVED * share ? A_PART : MOST_ENGRAVED) * share);
}

/** One tune of a text, made ready for the staff: the part of a long one that has a bar in it. */
export function readyTune(
  file: FileTune,
  { source, text }: Pick<TuneText, "source" | "text">,
  bar = 0,
): ReadTune {
  const { tune, written } = file;
  const most = mostEngraved(tune);
  const from = tune.bars.length > most ? Math.floor(bar / most) * most : undefined;
  const part = from === undefined ? undefined : excerptOf(tune, { from, to: from + most - 1 });
  // A part of it that isn't the end has no closing bar line.
  const isEnd = from === undefined || from + most >= tune.bars.length;
  const engraving = part ? writeAbc(part) : engravingOf(file);
  return {
    tune,
    saved: written ? { source: "abc", text: written.text } : { source, text },
    abc: isEnd ? engraving.engraving : engraving.engraving.replaceAll("|]", "| "),
    engraved: engraving.tune,
    from,
  };
}

/** More bars are not printed at once: they would be a book. */
const MOST_PRINTED = 640;

/** What is printed as ABC, and which bars that is where it isn't all: of a very long tune what is on the staff. */
export function printedText({ from, tune, abc, engraved }: ReadTune): {
  readonly text: string;
  readonly bars?: BarRange;
} {
  if (from === undefined) return { text: abc };
  return tune.bars.length <= MOST_PRINTED
    ? { text: writeAbc(tune).engraving }
    : { text: abc, bars: { from, to: from + engraved.bars.length - 1 } };
}

/** How many notes stand before what is engraved: of the melody, and of what lies beneath it. */
function before({ tune, from = 0 }: ReadTune): readonly [melody: number, beneath: number] {
  const isIn = ({ bar }: { readonly bar: number }) => bar >= from;
  return [firstPlace(tune.notes, isIn), firstPlace(tune.beneath ?? [], isIn)];
}

/** Places of a tune's notes as places of those that are engraved; others are left out. */
export function onStaff(shown: ReadTune, places: readonly number[]): readonly number[] {
  const { tune, engraved, from } = shown;
  if (from === undefined) return places;
  const [melody, beneath] = before(shown);
  const [count, own] = [tune.notes.length, engraved.notes.length];
  const all = allNotes(engraved).length;
  return places.flatMap((place) => {
    const isMelody = place < count;
    const at = isMelody ? place - melody : place - count - beneath + own;
    return at >= (isMelody ? 0 : own) && at < (isMelody ? own : all) ? [at] : [];
  });
}

/** The place in the tune of a note that is engraved. */
export function fromStaff(shown: ReadTune, place: number): number {
  const { tune, engraved, from } = shown;
  if (from === undefined) return place;
  const [melody, beneath] = before(shown);
  const own = engraved.notes.length;
  return place < own ? place + melody : place - own + tune.notes.length + beneath;
}

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
