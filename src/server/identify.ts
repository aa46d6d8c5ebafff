import { type Fifths, printDegree, printName } from "@/core/pitch";
import type { Problem } from "@/core/problem";
import { type Identification, identify as identifyTune } from "@/core/identify";
import { notesOf } from "@/core/scale";
import type { Tune } from "@/core/tune";
import { readAbc, readNotes } from "@/formats";
import { jsonResponse, located, problemResponse } from "./problem";
import { askJson, askQuery, askText, mediaType } from "./request";
import { identifyBody, identifyQuery } from "./schemas";

/** Kinds read as ABC; plain text is what a script sends that knows no better. */
const ABC_KINDS = ["text/vnd.abc", "text/plain"];

const round = (share: number) => Math.round(share * 1e4) / 1e4;

function answer({ title }: Tune, found: Identification) {
  const { candidates, homeMode, open, visiting, evidence, passages } = found;
  return {
    title,
    candidates: candidates.map(({ homeMode: { home, mode }, weight }) => ({
      home: printName(home),
      mode: mode.id,
      weight: round(weight),
    })),
    notes: notesOf(homeMode).map((note) => printName(note)),
    open: open.map(({ interval, modes }) => ({
      degree: printDegree(interval),
      modes: modes.map((each) => ({ mode: each.mode.id, degree: printDegree(each.interval) })),
    })),
    visiting: visiting.map(({ note, share }) => ({ note: printName(note), share: round(share) })),
    evidence: evidence.map(({ code, note, count, of }) => ({ code, note: printName(note), count, of })),
    passages: passages.map(({ fromBar, toBar, homeMode: { home, mode } }) => ({
      fromBar,
      toBar,
      home: printName(home),
      mode: mode.id,
    })),
  };
}

function answers(
  tunes: readonly Tune[],
  home: Fifths | undefined,
  problems: readonly Problem[],
  text: string,
): Response {
  const found = tunes.flatMap((tune) => {
    const identification = identifyTune(tune, { home });
    return identification ? [answer(tune, identification)] : [];
  });
  if (found.length === 0) return problemResponse(422, located(problems, text));
  return jsonResponse({ tunes: found, problems: located(problems, text) });
}

/** `POST /api/v1/identify`: the mode of each tune of an ABC body, or of typed notes in JSON. */
export async function identify(request: Request): Promise<Response> {
  const kind = mediaType(request);
  if (kind === "application/json") {
    const asked = await askJson(identifyBody, request);
    if ("refused" in asked) return asked.refused;
    const { notes, home, title } = asked.value;
    const { value, problems } = readNotes(notes, title);
    return answers([value], home, problems, notes);
  }
  if (!ABC_KINDS.includes(kind)) {
    return problemResponse(415, [
      { code: "kind-unread", found: kind, expected: [...ABC_KINDS, "application/json"].join(", ") },
    ]);
  }
  const query = askQuery(identifyQuery, new URL(request.url));
  if ("refused" in query) return query.refused;
  const body = await askText(request);
  if ("refused" in body) return body.refused;
  const { value, problems } = await readAbc(body.value);
  return answers(
    value.map(({ tune }) => tune),
    query.value.home,
    problems,
    body.value,
  );
}
