import { computed } from "nanostores";
import type { Problem } from "@/core/problem";
import {
  engravingOf,
  type FileTune,
  sourceOfText,
  type TuneOrigin,
  type TuneSource,
  type TuneText,
  writeAbc,
} from "@/formats";
import { answering, readMusic } from "@/session";
import { tuneDocument } from "./tune-document";
import { type StaffPart, staffPart } from "@/session/stage/staff-part";

/** A tune as read and as it is engraved, and what it is kept as. */
export interface ReadTune extends StaffPart {
  readonly saved: Pick<TuneText, "source" | "text">;
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

/** One tune of a text, made ready for the staff: the part of a long one that has a bar in it. */
export function readyTune(
  file: FileTune,
  { source, text }: Pick<TuneText, "source" | "text">,
  bar = 0,
): ReadTune {
  const { tune, written } = file;
  return {
    ...staffPart(tune, bar, (part, isPart) => (isPart ? writeAbc(part) : engravingOf(file))),
    saved: written ? { source: "abc", text: written.text } : { source, text },
  };
}

const $source = computed(tuneDocument.$value, ({ source }) => source);
const $text = computed(tuneDocument.$value, ({ text }) => text);
const $name = computed(tuneDocument.$value, ({ name }) => name);
const $origin = computed(tuneDocument.$value, ({ origin }) => origin);

export const $toRead = computed([$source, $text, $name, $origin], (source, text, name, origin) =>
  text.trim() === "" ? undefined : { source, text, name, origin },
);

/** Reading the text. */
export const $reading = answering($toRead, async (asked) => ({ answer: await readMusic(asked) }));

/** The tunes of what is worked on, read anew when its text changes; the last ones stay until then. */
export const $tunes = computed($reading, (read): ReadTunes | undefined =>
  read ? { ...read.asked, tunes: read.answer.value, problems: read.answer.problems } : undefined,
);
