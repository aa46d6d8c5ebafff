import { computed } from "nanostores";
import { type Chord, readChart } from "@/core/chord";
import { type Fifths, maybeDegree, maybeFifthsIn, type NoteNaming } from "@/core/pitch";
import type { HomeMode } from "@/core/scale";
import type { Settings } from "@/storage";
import { $placeMode, $settings, answering, steady } from "@/session";
import { modeQuestion, type Question } from "./question-document";
import { type AskedOf, askAllModes } from "@/workers";

/** Notes by name, or degrees counted from home; the word that is neither is given back. */
export function readNotesOrDegrees(
  text: string,
  home: Fifths,
  noteNames: NoteNaming,
): { readonly notes: readonly Fifths[]; readonly unread?: string } {
  const words = text.split(/[\s,;]+/u).filter((word) => word !== "");
  const read = words.map((word) => {
    const degree = maybeDegree(word);
    return maybeFifthsIn(word, noteNames) ?? (degree === undefined ? undefined : home + degree);
  });
  const unread = words.find((_, at) => read[at] === undefined);
  const notes = read.filter((note) => note !== undefined);
  return unread === undefined ? { notes } : { notes, unread };
}

/** Chords parted by spaces, commas or "and". */
export const readChords = (text: string, noteNames: NoteNaming) => {
  const { value, problems } = readChart(
    text.replaceAll(/,|\band\b/gu, " "),
    noteNames === "german" ? "german" : "english",
  );
  return { value: value.chords, problems };
};

function asked(question: Question, { home, mode }: HomeMode, { noteNames }: Settings): AskedOf {
  const chords = readChords(question.chords, noteNames).value.flatMap(({ chord }): readonly Chord[] =>
    chord ? [chord] : [],
  );
  return {
    among: question.among,
    home: question.anyHome ? undefined : home,
    holds: readNotesOrDegrees(question.holds, home, noteNames).notes,
    lacks: readNotesOrDegrees(question.lacks, home, noteNames).notes,
    chords,
    claims: question.claims,
    ...(question.near ? { near: mode.id } : {}),
  };
}

const $asked = steady(computed([modeQuestion.$value, $placeMode, $settings], asked), (question) => question);

const $answered = answering($asked, askAllModes);

/** The answer to the question about all modes; undefined while it is not there yet. */
export const $answer = computed([$answered, $asked], (answered, question) =>
  answered?.asked === question ? answered.answer : undefined,
);
