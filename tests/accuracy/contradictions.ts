import type { Identification } from "../../src/core/identify";
import { degreeNumber, soundOf } from "../../src/core/pitch";
import { holds } from "../../src/core/scale";
import { allNotes, type Tune } from "../../src/core/tune";
import { noteText } from "../../src/words";
import { panelText } from "./panel-text";

const ORDINALS = ["first", "second", "third", "fourth", "fifth", "sixth", "seventh"];

/** The bars that the sentences are about. */
const heardIn = (tune: Tune, { bars }: Identification) =>
  allNotes(tune).filter(({ bar }) => !bars || (bar >= bars.from && bar <= bars.to));

/**
 * Where the sentences about a tune contradict its notes: a degree that is said not to be heard and is, in whatever form; a note that is named and never sounds; "only", "all"
 * and counts are checked by `sentences.test.ts`.
 */
export function contradictions(tune: Tune, found: Identification): readonly string[] {
  const { text } = panelText(found);
  const notes = heardIn(tune, found);
  const { home } = found.homeMode;
  // A note that is written as one degree and sounds as another of the mode’s own is that other.
  const { sounds: own } = found.homeMode.mode;
  const isHeard = (number: number) =>
    notes.some(
      ({ pitch, quarter }) =>
        degreeNumber(pitch.name - home) === number &&
        (quarter !== undefined || !holds(own, soundOf(pitch.name - home))),
    ) ||
    found.homeMode.mode.intervals.some(
      (interval) => degreeNumber(interval) === number && sounds.has(soundOf(home + interval)),
    );
  const sounds = new Set(notes.filter(({ quarter }) => !quarter).map(({ pitch }) => soundOf(pitch.name)));
  const wrong: string[] = [];
  const unheard = [
    ...[...text.matchAll(/No ([\d, or]+) is heard/gu)].flatMap(([, list = ""]) =>
      (list.match(/\d/gu) ?? []).map(Number),
    ),
    ...[...text.matchAll(/The ([a-z, ]+) above \S+ (?:is|are) never heard/gu)].flatMap(([, list = ""]) =>
      ORDINALS.flatMap((word, at) => (list.includes(word) ? [at + 1] : [])),
    ),
    ...[...text.matchAll(/sound, and no (\d)/gu)].map(([, number]) => Number(number)),
  ];
  for (const number of unheard) if (isHeard(number)) wrong.push(`no ${number} on ${noteText(home)}: ${text}`);
  for (const { note } of found.outside)
    if (!notes.some(({ pitch }) => pitch.name === note))
      wrong.push(`${noteText(note)} isn’t written: ${text}`);
  const [, inChords = ""] = /are used, (.+?) only in the chords/u.exec(text) ?? [];
  const played = found.homeMode.mode.intervals.map((interval) => ({
    isPlayed: sounds.has(soundOf(home + interval)),
    isInChords: inChords.split(/, | and /u).includes(noteText(home + interval)),
  }));
  if (/All seven are used/u.test(text) && played.some(({ isPlayed, isInChords }) => !isPlayed && !isInChords))
    wrong.push(`not all are used: ${text}`);
  if (played.some(({ isPlayed, isInChords }) => isPlayed && isInChords))
    wrong.push(`not in the chords alone: ${text}`);
  return wrong;
}
