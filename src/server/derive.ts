import { z } from "zod";
import { type Fifths, halfSteps, printDegree, printName } from "@/core/pitch";
import { chordNotes, diatonicChords, fullChord, fullChordSuffix, printChord, vamps } from "@/core/chord";
import {
  brightness,
  colourNotes,
  type HomeMode,
  type Neighbour,
  notesOf,
  oneNoteAway,
  parallels,
  parentOf,
  reference,
  relatives,
  stepsOf,
  syllable,
} from "@/core/scale";
import { jsonResponse, problemResponse } from "./problem";
import { askQuery, familyId, modeId, noteName } from "./request";

const names = (notes: readonly Fifths[]) => notes.map((note) => printName(note));
const degrees = (intervals: readonly number[]) => intervals.map((interval) => printDegree(interval));

/** How many vamps an answer lists. */
const VAMPS = 6;

/** A mode on its home in short, as lists show it. */
function short({ home, mode }: HomeMode) {
  const parent = parentOf({ home, mode });
  return {
    home: printName(home),
    mode: { id: mode.id, name: mode.name, aliases: mode.aliases },
    parent: { id: parent.family.id, tonic: printName(parent.tonic), degree: parent.degree },
    notes: names(notesOf({ home, mode })),
    degrees: degrees(mode.intervals),
    brightness: brightness(mode.intervals),
    colour: colourNotes(mode).map(degrees),
  };
}

function whole(homeMode: HomeMode) {
  const { home, mode } = homeMode;
  const semitones = mode.intervals.map(halfSteps);
  const told = reference(mode);
  const { tonic } = parentOf(homeMode);
  const away = ({ mode: { id }, from, to }: Neighbour) => ({
    id,
    from: printDegree(from),
    to: printDegree(to),
  });
  const full = fullChord(mode);
  return {
    ...short(homeMode),
    semitones,
    steps: stepsOf(semitones),
    solfege: {
      home: mode.intervals.map(syllable),
      parent: notesOf(homeMode).map((note) => syllable(note - tonic)),
    },
    reference: {
      id: told.mode.id,
      changes: told.changes.map(({ from, to }) => ({ from: printDegree(from), to: printDegree(to) })),
    },
    brighter: oneNoteAway(mode, "brighter").map(away),
    darker: oneNoteAway(mode, "darker").map(away),
    chords: diatonicChords(homeMode).map(({ degree, triad, seventh, roman }) => ({
      degree: printDegree(degree),
      triad: printChord(triad),
      seventh: printChord(seventh),
      roman,
    })),
    full: {
      name: printName(home) + fullChordSuffix(mode, "ascii"),
      notes: names(chordNotes({ root: home, tones: full.tones, optional: [] })),
      fifths: full.fifths,
    },
    vamps: vamps(homeMode)
      .slice(0, VAMPS)
      .map(({ chords }) => chords.map((chord) => printChord(chord))),
  };
}

const deriveQuery = z.object({ home: noteName, mode: modeId });

/** `GET /api/v1/derive?home=D&mode=dorian`: one mode on one home, with everything that makes it. */
export function derive(url: URL): Response {
  const asked = askQuery(deriveQuery, url);
  return "refused" in asked ? asked.refused : jsonResponse(whole(asked.value));
}

const modesQuery = z.object({ parent: familyId, tonic: noteName.optional(), home: noteName.optional() });

/** `GET /api/v1/modes?parent=major&tonic=C` (relative) or `&home=C` (parallel): the modes of a parent, in short. */
export function modes(url: URL): Response {
  const asked = askQuery(modesQuery, url);
  if ("refused" in asked) return asked.refused;
  const { parent, tonic, home } = asked.value;
  if (tonic !== undefined && home === undefined)
    return jsonResponse({ modes: relatives(parent, tonic).map(short) });
  if (home !== undefined && tonic === undefined)
    return jsonResponse({ modes: parallels(parent, home).map(short) });
  return problemResponse(400, [
    { code: "value-unfit", found: "tonic, home", expected: "one of tonic and home" },
  ]);
}
