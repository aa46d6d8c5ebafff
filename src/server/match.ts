import type { z } from "zod";
import { printDegree, printName } from "@/core/pitch";
import { chordNotes, readChart } from "@/core/chord";
import {
  type ChartAnalysis,
  type ChordFunction,
  chordFunctions,
  type Decision,
  decisions,
  modesForChord,
  type AnalysisKind,
  analyses,
  keyModeAt,
  openBetween,
  segmentAt,
  targetNotes,
} from "@/core/progression";
import type { HomeMode } from "@/core/scale";
import { chordsOfNumerals } from "@/formats/numerals";
import { names } from "./names";
import { jsonResponse, located, problemResponse } from "./problem";
import { askJson, mediaType } from "./request";
import { type matchAnswer, matchBody } from "./schemas";

const place = ({ home, mode }: HomeMode) => ({ home: printName(home), mode: mode.id });

function deciding({ between, by, first, second, differ }: Decision) {
  const both = between.map(place);
  const [holder] = [...first, ...second];
  const undecided = by === "open" ? { undecided: [...names(differ[0]), ...names(differ[1])] } : {};
  const holding = holder
    ? { note: printName(holder.note), chord: holder.at, role: printDegree(holder.role) }
    : {};
  return { between: both, by, ...holding, ...undecided };
}

const named = (what: ChordFunction) => ({
  code: what.code,
  ...("of" in what ? { of: printName(what.of) } : {}),
  ...("from" in what ? { from: what.from.id } : {}),
});

const analysis = ({ kind, segments, cost }: ChartAnalysis) => ({
  kind,
  segments: segments.map(({ from, to, homeMode, outside }) => ({
    from,
    to,
    ...place(homeMode),
    outside: [...new Set(names(outside.map(({ note }) => note)))],
  })),
  cost,
});

/** Chords of one chart: a song has a tenth of them. */
const MAX_CHORDS = 600;

/** The kinds in the order in which they are answered. */
const KINDS: readonly AnalysisKind[] = ["one-mode", "fewest-changes", "chord-by-chord"];

/** `POST /api/v1/match`: the modes that hold each chord, the three analyses of all of them, what decides. */
export async function match(request: Request): Promise<Response> {
  if (mediaType(request) !== "application/json") {
    return problemResponse(415, [
      { code: "kind-unread", found: mediaType(request), expected: "application/json" },
    ]);
  }
  const asked = await askJson(matchBody, request);
  if ("refused" in asked) return asked.refused;
  const { chords, naming, home, scales, most } = asked.value;
  const counted = home === undefined ? undefined : chordsOfNumerals(chords, home);
  const text = counted ?? chords;
  // Numerals are written out with English names.
  const { value: chart, problems } = readChart(text, counted === undefined ? naming : "english");
  if (chart.chords.length > MAX_CHORDS)
    return problemResponse(422, [
      { code: "too-long", found: String(chart.chords.length), expected: `at most ${MAX_CHORDS} chords` },
    ]);
  const found = analyses(chart, { home, scales, most });
  const [leader] = found["fewest-changes"];
  if (!leader)
    return problemResponse(
      422,
      problems.length > 0 ? located(problems, text) : [{ code: "no-chords", expected: "| Em9 | A13 |" }],
    );
  const fits = fitsBySymbol(scales);
  const homeModeAt = (at: number) => segmentAt(leader, at)?.homeMode;
  const functionsAt = (at: number) => {
    const key = keyModeAt(found.keys, at, homeModeAt(at));
    return key ? chordFunctions(chart, at, key, scales).map(named) : [];
  };
  const open = openBetween(found, chart.chords);
  return jsonResponse({
    chords: chart.chords.map(({ bar, length, times, symbol, chord }, at) => ({
      bar,
      length,
      times,
      symbol,
      tones: chord ? names(chordNotes(chord)) : [],
      targetNotes: names(targetNotes(chart, at, homeModeAt(at))),
      functions: functionsAt(at),
      modes: chord ? fits(symbol, chord) : [],
    })),
    order: [...chart.order],
    analyses: KINDS.flatMap((kind) => found[kind].map(analysis)),
    keys: found.keys.map(({ from, to, home: keyHome, isMinor, tonicized, pivot }) => ({
      from,
      to,
      home: printName(keyHome),
      minor: isMinor,
      tonicized: tonicized.map(({ at, home: goal }) => ({ chord: at, home: printName(goal) })),
      ...(pivot === undefined ? {} : { pivot }),
    })),
    deciding: leader.segments
      .flatMap((segment) => decisions(segment, chart.chords, { home, scales }))
      .map(deciding),
    ...(open ? { open: deciding(open) } : {}),
    problems: [...located(problems, text)],
  } satisfies z.infer<typeof matchAnswer>);
}

/** The modes that hold a chord, answering once for each symbol. */
function fitsBySymbol(scales: Parameters<typeof modesForChord>[1]) {
  const known = new Map<string, { home: string; mode: string; avoidNotes: string[]; outside: string[] }[]>();
  return (symbol: string, chord: Parameters<typeof modesForChord>[0]) => {
    const before = known.get(symbol);
    if (before) return before;
    const all = modesForChord(chord, scales).map(({ homeMode, avoidNotes, outside }) => ({
      ...place(homeMode),
      avoidNotes: names(avoidNotes),
      outside: names(outside),
    }));
    known.set(symbol, all);
    return all;
  };
}
