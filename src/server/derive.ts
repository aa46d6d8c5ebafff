import type { z } from "zod";
import { type Fifths, halfSteps, type Interval, printDegree, printName, soundOf } from "@/core/pitch";
import {
  CHORD_KINDS,
  type DegreeChords,
  diatonicChords,
  FOURTH_COUNTS,
  fourthStacks,
  fullChord,
  fullChordSuffix,
  printChord,
  printFifth,
  reducedChord,
  chordPairs,
} from "@/core/chord";
import { vamps } from "@/core/progression";
import {
  brightness,
  characteristicOf,
  type Comparison,
  comparisonOf,
  distinguishing,
  type HomeMode,
  isNamed,
  modeOf,
  type Near,
  nearestNamed,
  type Neighbour,
  notesOf,
  oneNoteAway,
  parallels,
  parentOf,
  reference,
  type ReferenceConvention,
  relatives,
  soundsOf,
  stepsOf,
  syllable,
} from "@/core/scale";
import { degrees, names } from "./names";
import { jsonResponse, problemResponse } from "./problem";
import { askQuery } from "./request";
import {
  deriveQuery,
  type modesAnswer,
  modesQuery,
  type scalesAnswer,
  scalesQuery,
  type shortMode,
  type wholeMode,
} from "./schemas";

/** How many vamps an answer lists. */
const VAMPS = 6;

/** A mode on its home in short, as lists show it. */
function short({ home, mode }: HomeMode): z.infer<typeof shortMode> {
  const parent = parentOf({ home, mode });
  return {
    home: printName(home),
    mode: { id: mode.id, name: mode.name, aliases: [...mode.aliases] },
    parent: { id: parent.family.id, tonic: printName(parent.tonic), degree: parent.degree },
    notes: names(notesOf({ home, mode })),
    degrees: degrees(mode.intervals),
    brightness: brightness(mode.intervals),
    characteristic: degrees(characteristicOf(mode)),
  };
}

const away = ({ mode: { id }, from, to }: Neighbour) => ({
  id,
  from: printDegree(from),
  to: printDegree(to),
});

const degreeChords = ({ degree, chords, roman }: DegreeChords) => ({
  degree: printDegree(degree),
  roman,
  ...Object.fromEntries(
    CHORD_KINDS.flatMap((kind) => (chords[kind] ? [[kind, printChord(chords[kind])] as const] : [])),
  ),
});

function whole(
  homeMode: HomeMode,
  comparison: Comparison,
  convention: ReferenceConvention,
): z.infer<typeof wholeMode> {
  const { home, mode } = homeMode;
  const semitones = mode.intervals.map(halfSteps);
  const referenceMode = reference(mode, convention);
  const { tonic } = parentOf(homeMode);
  const full = fullChord(mode);
  const named = (intervals: readonly Interval[]) => names(intervals.map((interval) => home + interval));
  return {
    ...short(homeMode),
    semitones,
    steps: [...stepsOf(semitones)],
    solfege: {
      home: mode.intervals.map(syllable),
      parent: notesOf(homeMode).map((note) => syllable(note - tonic)),
    },
    reference: {
      id: referenceMode.mode.id,
      changes: referenceMode.moved.map(({ from, to }) => ({ from: printDegree(from), to: printDegree(to) })),
      drop: degrees(referenceMode.dropped),
      add: degrees(referenceMode.added),
    },
    distinguishing: {
      comparison: comparisonOf(mode, comparison).map(({ id }) => id),
      sets: distinguishing(mode, comparison).map(degrees),
    },
    brighter: oneNoteAway(mode, "brighter").map(away),
    darker: oneNoteAway(mode, "darker").map(away),
    chords: diatonicChords(homeMode).map(degreeChords),
    full: {
      name: printName(home) + fullChordSuffix(mode, "ascii"),
      notes: named(full.tones),
      fifths: full.fifths.map(printFifth),
      reduced: named(reducedChord(mode)),
    },
    vamps: vamps(homeMode)
      .slice(0, VAMPS)
      .map(({ chords }) => chords.map((chord) => printChord(chord))),
    chordPairs: chordPairs(homeMode).map(({ chords, missing }) => ({
      chords: chords.map((chord) => printChord(chord)),
      missing: degrees(missing),
    })),
    fourths: FOURTH_COUNTS.flatMap((count) => fourthStacks(mode, count)).map((stack) => ({
      degree: printDegree(stack.degree),
      notes: named(stack.notes),
      perfect: stack.perfect,
    })),
  };
}

/** `GET /api/v1/derive?home=D&mode=dorian`: one mode on one home, with everything that makes it. */
export function derive(url: URL): Response {
  const asked = askQuery(deriveQuery, url);
  if ("refused" in asked) return asked.refused;
  const { home, mode, comparison, reference: convention } = asked.value;
  return jsonResponse(whole({ home, mode }, comparison, convention));
}

/** `GET /api/v1/modes?parent=major&tonic=C` (relative) or `&home=C` (parallel): the modes of a parent, in short. */
export function modes(url: URL): Response {
  const asked = askQuery(modesQuery, url);
  if ("refused" in asked) return asked.refused;
  const { parent, tonic, home } = asked.value;
  const answer = (all: readonly HomeMode[]) =>
    jsonResponse({ modes: all.map((each) => short(each)) } satisfies z.infer<typeof modesAnswer>);
  if (tonic !== undefined && home === undefined) return answer(relatives(parent, tonic));
  if (home !== undefined && tonic === undefined) return answer(parallels(parent, home));
  return problemResponse(400, [
    { code: "value-unfit", found: "tonic, home", expected: "one of tonic and home" },
  ]);
}

/** `GET /api/v1/scales?notes=A,B,C,D,E,F%23,G&home=A`: what a set of notes is called, and what is near it. */
export function scales(url: URL): Response {
  const asked = askQuery(scalesQuery, url);
  if ("refused" in asked) return asked.refused;
  const { notes, home = notes[0] ?? 0 } = asked.value;
  const mode = modeOf(soundsOf([0, ...notes.map((note) => note - home)]));
  /** A note of the set by the name that it was asked by. */
  const called = (note: Fifths) => notes.find((each) => soundOf(each) === soundOf(note)) ?? note;
  const near = ({ mode: { id }, difference: { moved, dropped, added } }: Near) => ({
    id,
    add: names([...moved.map(({ from }) => from), ...dropped].map((interval) => home + interval)),
    drop: names([...moved.map(({ to }) => to), ...added].map((interval) => called(home + interval))),
  });
  return jsonResponse({
    home: printName(home),
    id: mode.id,
    degrees: degrees(mode.intervals),
    scales: isNamed(mode)
      ? [{ id: mode.id, name: mode.name, aliases: [...mode.aliases], degrees: degrees(mode.intervals) }]
      : [],
    nearest: nearestNamed(mode).map(near),
  } satisfies z.infer<typeof scalesAnswer>);
}
