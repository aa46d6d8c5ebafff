import type { z } from "zod";
import { ABC, MIDI, MUSICXML, NDJSON, TUNE_CONTENTS } from "./media";
import type { Refusal } from "./problem";
import {
  deriveQuery,
  identifyAnswer,
  identifyBody,
  identifyLine,
  healthAnswer,
  identifyQuery,
  reshapeAnswer,
  reshapeQuery,
  matchAnswer,
  matchBody,
  modesAnswer,
  modesQuery,
  neckAnswer,
  neckQuery,
  scalesAnswer,
  scalesQuery,
  shapesAnswer,
  shapesQuery,
  voicingsAnswer,
  voicingsQuery,
  wholeMode,
} from "./schemas";

/** What a body holds: JSON that fits a schema, one such line after another, text, or bytes. */
export type Content = z.ZodObject | { readonly lines: z.ZodObject } | "text" | "bytes";

/** An endpoint as its description says it. */
export interface Endpoint {
  readonly method: "get" | "post";
  readonly path: string;
  /** What it answers, in one line. */
  readonly summary: string;
  readonly query?: z.ZodObject;
  /** Bodies that it takes, by media type. */
  readonly bodies?: Readonly<Record<string, Content>>;
  readonly answer: z.ZodObject;
  /** What it answers instead where `Accept` asks for it, by media type. */
  readonly others?: Readonly<Record<string, Content>>;
  readonly refuses: readonly Refusal[];
  /** What can be typed into a shell as it stands, after the server's address. */
  readonly example: string;
}

/** Bodies that hold tunes. */
const TUNE_BODIES = { ...TUNE_CONTENTS, "application/json": identifyBody } as const;

/** All endpoints, in the order of the work. */
export const ENDPOINTS: readonly Endpoint[] = [
  {
    method: "get",
    path: "/api/v1/derive",
    summary: "One mode on one home: notes, degrees, what makes it that mode, neighbours, chords.",
    query: deriveQuery,
    answer: wholeMode,
    refuses: [400],
    example: "/api/v1/derive?home=D&mode=dorian",
  },
  {
    method: "get",
    path: "/api/v1/modes",
    summary: "The modes of a parent scale, from each of its notes or all on one home.",
    query: modesQuery,
    answer: modesAnswer,
    refuses: [400],
    example: "/api/v1/modes?parent=major&tonic=C",
  },
  {
    method: "get",
    path: "/api/v1/scales",
    summary: "What a set of notes is called, and the named scales near it.",
    query: scalesQuery,
    answer: scalesAnswer,
    refuses: [400],
    example: "/api/v1/scales?notes=A,B,C,D,E,F%23,G&home=A",
  },
  {
    method: "get",
    path: "/api/v1/shapes",
    summary: "One chord quality at all twelve places over a bass that stays.",
    query: shapesQuery,
    answer: shapesAnswer,
    refuses: [400],
    example: "/api/v1/shapes?bass=A&chord=maj9",
  },
  {
    method: "get",
    path: "/api/v1/neck",
    summary: "The positions of a mode on a neck, each pitch once, with fingers and stretch.",
    query: neckQuery,
    answer: neckAnswer,
    refuses: [400, 422, 503],
    example: "/api/v1/neck?home=E&mode=phrygian&instrument=guitar&system=five-positions",
  },
  {
    method: "get",
    path: "/api/v1/voicings",
    summary: "The ways to finger a chord, easiest first.",
    query: voicingsQuery,
    answer: voicingsAnswer,
    refuses: [400, 422, 503],
    example: "/api/v1/voicings?chord=Em9&instrument=guitar&most=20",
  },
  {
    method: "post",
    path: "/api/v1/match",
    summary: "The modes that hold each chord of a chart, one mode for all of it, and what decides.",
    bodies: { "application/json": matchBody },
    answer: matchAnswer,
    refuses: [400, 408, 413, 415, 422, 503],
    example: "/api/v1/match",
  },
  {
    method: "post",
    path: "/api/v1/identify",
    summary:
      "The mode of each tune of an ABC, MusicXML or MIDI file, or of typed notes, with the reasons. With Accept: application/x-ndjson one line a tune, as it is done, from ABC of any length.",
    query: identifyQuery,
    bodies: TUNE_BODIES,
    answer: identifyAnswer,
    others: { [NDJSON]: { lines: identifyLine } },
    refuses: [400, 408, 413, 415, 422, 503],
    example: "/api/v1/identify",
  },
  {
    method: "post",
    path: "/api/v1/reshape",
    summary:
      "A tune in another mode, with chords found for it. The first tune of an ABC, MusicXML or MIDI file, or typed notes; answered in the type of Accept: JSON, text/vnd.abc, application/vnd.recordare.musicxml+xml or audio/midi.",
    query: reshapeQuery,
    bodies: TUNE_BODIES,
    answer: reshapeAnswer,
    others: { [ABC]: "text", [MUSICXML]: "text", [MIDI]: "bytes" },
    refuses: [400, 408, 413, 415, 422, 503],
    example: "/api/v1/reshape",
  },
  {
    method: "get",
    path: "/api/v1/health",
    summary: "That the server answers, and for how many seconds it has run.",
    answer: healthAnswer,
    refuses: [],
    example: "/api/v1/health",
  },
];
