import type { Problem } from "@/core/problem";
import type { Tune } from "@/core/tune";
import { openTuneFile, readNotes, readTunes } from "@/formats";
import { TUNE_KINDS } from "./media";
import { located, problemResponse } from "./problem";
import { type Asked, askBytes, askJson, mediaType } from "./request";
import { identifyBody } from "./schemas";

export const kindRefused = (kind: string): Response =>
  problemResponse(415, [
    { code: "kind-unread", found: kind, expected: [...TUNE_KINDS, "application/json"].join(", ") },
  ]);

/** A tune of a body, what in it was not understood, and the text that this is located in. */
export interface TuneInBody {
  readonly tune: Tune;
  readonly problems: readonly Problem[];
  readonly text: string;
}

/** The first tune of a file. */
export async function firstTuneIn(bytes: Uint8Array): Promise<Asked<TuneInBody>> {
  const { value: file, problems } = await openTuneFile(bytes, "");
  if (!file) return { refused: problemResponse(422, located(problems, "")) };
  const read = await readTunes(file);
  const [first] = read.value;
  const text = file.source === "midi" ? "" : file.text;
  if (!first) return { refused: problemResponse(422, located(read.problems, text)) };
  return { value: { tune: first.tune, problems: read.problems, text } };
}

/** The first tune of a request, whatever kind its body is of. */
export async function askTune(request: Request): Promise<Asked<TuneInBody>> {
  const kind = mediaType(request);
  if (kind === "application/json") {
    const asked = await askJson(identifyBody, request);
    if ("refused" in asked) return asked;
    const { notes, title } = asked.value;
    const { value: tune, problems } = readNotes(notes, title);
    return { value: { tune, problems, text: notes } };
  }
  if (!TUNE_KINDS.includes(kind)) return { refused: kindRefused(kind) };
  const body = await askBytes(request);
  return "refused" in body ? body : firstTuneIn(body.value);
}
