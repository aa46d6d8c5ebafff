import type { z } from "zod";
import { printChord } from "@/core/chord";
import {
  ownTuning,
  pitchesOfVoicing,
  type PositionName,
  type PositionNote,
  positions,
  type Tuning,
  voicings,
} from "@/core/instrument";
import { type Pitch, printDegree, printPitch } from "@/core/pitch";
import { jsonResponse, problemResponse } from "./problem";
import { askQuery } from "./request";
import { type neckAnswer, neckQuery, type voicingsAnswer, voicingsQuery } from "./schemas";

/** The neck that a query names: an instrument's, or any strings on its measures, over the capo. */
function neckOf(query: {
  readonly instrument: Tuning;
  readonly tuning?: readonly Pitch[] | undefined;
  readonly capo: number;
}): Tuning {
  const { instrument, tuning, capo } = query;
  const base = tuning ? ownTuning(tuning, { ...instrument, capo: 0 }, instrument) : instrument;
  return { ...base, capo: Math.min(capo, base.frets - 4) };
}

const stringsOf = ({ strings }: Tuning): string[] => strings.map((pitch) => printPitch(pitch));

function nameOf(name: PositionName): string {
  if (name.code === "shape") return `${name.shape} shape`;
  if (name.code === "position") return `position ${name.number}`;
  if (name.code === "pairs") return `from ${printDegree(name.interval)}, ${name.division.join("+")}`;
  if (name.code === "from") return `from ${printDegree(name.interval)}`;
  return name.code === "string" ? `string ${name.string}` : "open strings";
}

/** `GET /api/v1/neck`: the positions of a mode on a neck. */
export function neck(url: URL): Response {
  const asked = askQuery(neckQuery, url);
  if ("refused" in asked) return asked.refused;
  const { home, mode, system, stretch } = asked.value;
  const tuning = neckOf(asked.value);
  const found = positions(tuning, { home, mode }, system, stretch);
  if (found.length === 0)
    return problemResponse(422, [
      { code: "no-room", found: system, expected: "another system, or a neck with more frets" },
    ]);
  const noted = ({ string, fret, finger, pitch, interval, isShift, isFrame }: PositionNote) => ({
    string,
    fret,
    finger,
    note: printPitch(pitch),
    degree: printDegree(interval),
    shift: isShift,
    ...(system === "pentatonic-frame" ? { frame: isFrame } : {}),
  });
  const answer: z.infer<typeof neckAnswer> = {
    strings: stringsOf(tuning),
    positions: found.map(({ name, fromFret, toFret, stretchMm, notes, easier }) => ({
      name: nameOf(name),
      fromFret,
      toFret,
      stretchMm: Math.round(stretchMm),
      notes: notes.map(noted),
      ...(easier
        ? { easier: { stretchMm: Math.round(easier.stretchMm), notes: easier.notes.map(noted) } }
        : {}),
    })),
  };
  return jsonResponse(answer);
}

/** Strings past which a search takes longer than an answer may. */
const MAX_STRINGS = 8;

/** `GET /api/v1/voicings`: the ways to finger a chord, easiest first. */
export function chordVoicings(url: URL): Response {
  const asked = askQuery(voicingsQuery, url);
  if ("refused" in asked) return asked.refused;
  const { chord, stretch, fromFret, toFret, kind, most } = asked.value;
  const tuning = neckOf(asked.value);
  if (tuning.strings.length > MAX_STRINGS)
    return problemResponse(422, [
      { code: "too-many-strings", found: String(tuning.strings.length), expected: `at most ${MAX_STRINGS}` },
    ]);
  const found = voicings(tuning, { chord, limit: stretch, fromFret, toFret, kind, most });
  if (found.length === 0)
    return problemResponse(422, [
      {
        code: "no-fingering",
        found: printChord(chord),
        expected: "fewer tones, other strings, or a wider stretch",
      },
    ]);
  const answer: z.infer<typeof voicingsAnswer> = {
    chord: printChord(chord),
    strings: stringsOf(tuning),
    voicings: found.map((voicing) => ({
      frets: [...voicing.frets],
      fingers: [...voicing.fingers],
      notes: pitchesOfVoicing(chord, voicing).map((pitch) => printPitch(pitch)),
      omitted: voicing.omitted.map((interval) => printDegree(interval)),
      kind: voicing.kind,
      stretchMm: Math.round(voicing.stretchMm),
    })),
  };
  return jsonResponse(answer);
}
