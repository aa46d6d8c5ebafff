import { type Fifths, printDegree, printName } from "@/core/pitch";
import { chordNotes, readChart } from "@/core/chord";
import { type Decision, decisions, modesForChord, oneModeReadings, signalNotes } from "@/core/progression";
import type { HomeMode } from "@/core/scale";
import { jsonResponse, located, problemResponse } from "./problem";
import { askJson, mediaType } from "./request";
import { matchBody } from "./schemas";

const names = (notes: readonly Fifths[]) => notes.map((note) => printName(note));
const place = ({ home, mode }: HomeMode) => ({ home: printName(home), mode: mode.id });

function deciding({ between, by, first, second, differ }: Decision) {
  const [a, b] = between.map(place);
  const [holder] = [...first, ...second];
  const undecided = by === "open" ? { undecided: [...names(differ[0]), ...names(differ[1])] } : {};
  const told = holder
    ? { note: printName(holder.note), chord: holder.at, role: printDegree(holder.role) }
    : {};
  return { between: [a, b], by, ...told, ...undecided };
}

/** `POST /api/v1/match`: the modes that hold each chord, one mode for all of them, what decides. */
export async function match(request: Request): Promise<Response> {
  if (mediaType(request) !== "application/json") {
    return problemResponse(415, [
      { code: "kind-unread", found: mediaType(request), expected: "application/json" },
    ]);
  }
  const asked = await askJson(matchBody, request);
  if ("refused" in asked) return asked.refused;
  const { chords: text, home, scales, most } = asked.value;
  const { value: chart, problems } = readChart(text);
  const readings = oneModeReadings(chart, { home, scales, most });
  const [leader] = readings;
  if (!leader) return problemResponse(422, located(problems, text));
  const chords = chart.map(({ chord }) => chord);
  return jsonResponse({
    chords: chart.map(({ bar, symbol, chord }, at) => ({
      bar,
      symbol,
      tones: chord ? names(chordNotes(chord)) : [],
      signal: names(signalNotes(chords, at)),
      modes: chord
        ? modesForChord(chord, scales).map(({ homeMode, rubs, outside }) => ({
            ...place(homeMode),
            rubs: names(rubs),
            outside: names(outside),
          }))
        : [],
    })),
    readings: readings.map(({ homeMode, outside, cost }) => ({
      kind: "one-mode",
      segments: [
        {
          from: 0,
          to: chart.length - 1,
          ...place(homeMode),
          outside: [...new Set(names(outside.map(({ note }) => note)))],
        },
      ],
      cost,
    })),
    deciding: decisions(leader.homeMode, chart, { home, scales }).map(deciding),
    problems: located(problems, text),
  });
}
