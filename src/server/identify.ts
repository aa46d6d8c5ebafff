import type { Fifths } from "@/core/pitch";
import type { Problem } from "@/core/problem";
import type { Expectation } from "@/core/identify";
import type { Tune } from "@/core/tune";
import { type AbcPart, abcParts, decoded, readAbc, readNotes, sourceOfText } from "@/formats";
import { type Answer, answer, identified, nothing } from "./identify-answer";
import { ABC, NDJSON, PLAIN, TUNE_KINDS } from "./media";
import { type ApiError, jsonResponse, located, problemResponse } from "./problem";
import { askBytes, askJson, askQuery, mediaType } from "./request";
import { identifyBody, identifyQuery } from "./schemas";
import { firstTuneIn, kindRefused } from "./tune-body";

/** Whether a request asks for one line a tune. */
export const acceptsLines = (request: Request): boolean =>
  (request.headers.get("accept") ?? "").includes(NDJSON);

/** What may be set for the answer. */
export interface Asked {
  readonly home?: Fifths | undefined;
  readonly expects?: Expectation | undefined;
}

/** One tune with its own problems, located in its own text. */
export interface Answered {
  readonly answer: Answer;
  readonly errors: readonly ApiError[];
}

const answered = (tune: Tune, asked: Asked, problems: readonly Problem[], text: string): Answered => ({
  answer: answer(tune.title, identified(tune, asked)),
  errors: located(problems, text),
});

/** A piece of an ABC body, how many lines stand before it, and what is set for the answer. */
export interface PartAsked {
  readonly part: AbcPart;
  readonly asked: Asked;
  readonly lines: number;
}

/** What a piece of an ABC body comes to: mostly one tune; text whose tunes could not be told apart by its bytes has more. */
export type PartAnswered = readonly Answered[];

/** The answer to one piece of an ABC body. */
export async function answeredPart({
  part: { text, isCut, header },
  asked,
  lines,
}: PartAsked): Promise<PartAnswered> {
  const { value, problems } = await readAbc(text, header);
  const cut: readonly ApiError[] = isCut ? [{ code: "too-long", line: lines + 1 }] : [];
  const errors = [...located(problems, text).map((error) => shifted(error, lines)), ...cut];
  if (value.length === 0) return unidentified(text, errors);
  return value.map(({ tune }, at) => ({
    answer: answer(tune.title, identified(tune, asked)),
    errors: at === 0 ? errors : [],
  }));
}

/** The answer to a piece of an ABC body without a tune that can be identified, by its title where it has one. */
export const unidentified = (text: string, errors: readonly ApiError[]): PartAnswered => [
  { answer: nothing(/^T:[ \t]*(.*)$/mu.exec(text)?.[1]?.trim() ?? ""), errors },
];

/** A place in one tune as a place in the whole file. */
const shifted = (error: ApiError, lines: number): ApiError =>
  error.line === undefined ? error : { ...error, line: error.line + lines };

const linesIn = (text: string) => text.match(/\r\n|\r|\n/gu)?.length ?? 0;

/** Each tune of an ABC body as it is done. */
export async function* abcAnswers(
  chunks: AsyncIterable<Uint8Array>,
  asked: Asked,
  answerPart: (asked: PartAsked) => Promise<PartAnswered> = answeredPart,
): AsyncGenerator<Answered> {
  let lines = 0;
  for await (const part of abcParts(chunks)) {
    yield* await answerPart({ part, asked, lines });
    lines += linesIn(part.text);
  }
}

/** All tunes in one answer; 422 where none has a note. */
function inOne(all: readonly Answered[]): Response {
  const errors = all.flatMap((each) => each.errors).slice(0, MAX_PROBLEMS);
  if (all.every(({ answer: { candidates } }) => candidates.length === 0))
    return problemResponse(422, errors.length > 0 ? errors : [{ code: "no-tune" }]);
  return jsonResponse({ tunes: all.map((each) => each.answer), problems: errors });
}

/** Past these, more problems say nothing new. */
const MAX_PROBLEMS = 200;

/** One line of JSON a tune, each written when the reader is ready for it. */
export function inLines(all: AsyncGenerator<Answered>): Response {
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const next = await all.next();
      if (next.done === true) {
        controller.close();
        return;
      }
      const { answer, errors } = next.value;
      controller.enqueue(encoder.encode(`${JSON.stringify({ ...answer, problems: errors })}\n`));
    },
    async cancel() {
      await all.return(undefined);
    },
  });
  return new Response(body, { headers: { "content-type": NDJSON, "cache-control": "no-store" } });
}

/** A body as chunks; what has been read whole is one. */
export async function* chunksOf(
  body: ReadableStream<Uint8Array> | Uint8Array | null,
): AsyncGenerator<Uint8Array> {
  if (body instanceof Uint8Array) yield body;
  else if (body) {
    const reader = body.getReader();
    for (let next = await reader.read(); !next.done; next = await reader.read()) yield next.value;
  }
}

async function* each(all: readonly Answered[]): AsyncGenerator<Answered> {
  await Promise.resolve();
  yield* all;
}

/**
 * `POST /api/v1/identify`: the mode of each tune of an ABC, MusicXML or MIDI body, or of typed notes in JSON; in one answer, or
 * in lines as they are done.
 */
export async function identify(request: Request): Promise<Response> {
  const kind = mediaType(request);
  const wantsLines = acceptsLines(request);
  if (kind === "application/json") {
    const asked = await askJson(identifyBody, request);
    if ("refused" in asked) return asked.refused;
    const { notes, title, ...rest } = asked.value;
    const { value, problems } = readNotes(notes, title);
    const all = [answered(value, rest, problems, notes)];
    return wantsLines ? inLines(each(all)) : inOne(all);
  }
  if (!TUNE_KINDS.includes(kind)) return kindRefused(kind);
  const query = askQuery(identifyQuery, new URL(request.url));
  if ("refused" in query) return query.refused;
  const body = await askBytes(request);
  if ("refused" in body) return body.refused;
  if (kind === ABC || (kind === PLAIN && sourceOfText(decoded(body.value)) === "abc")) {
    const answers = abcAnswers(chunksOf(body.value), query.value);
    if (wantsLines) return inLines(answers);
    const all: Answered[] = [];
    for await (const one of answers) all.push(one);
    return inOne(all);
  }
  const read = await firstTuneIn(body.value);
  if ("refused" in read) return read.refused;
  const { tune, problems, text } = read.value;
  const all = [answered(tune, query.value, problems, text)];
  return wantsLines ? inLines(each(all)) : inOne(all);
}
