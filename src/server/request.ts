import { z } from "zod";
import { readSymbol } from "@/core/chord";
import { INSTRUMENTS, maybeTuning, readStrings } from "@/core/instrument";
import { maybeFifths, soundOf } from "@/core/pitch";
import { decoded } from "@/formats";
import { maybeFamily, maybeMode, nearestFamily, nearestMode } from "@/core/scale";
import { type ApiError, problemResponse } from "./problem";

/** The largest body that is read: 4 MiB. */
export const MAX_BYTES = 4 * 1024 * 1024;

/** A value asked for, or the answer that refuses it. */
export type Asked<T> = { readonly value: T } | { readonly refused: Response };

/** A note name, read onto the line of fifths; double accidentals at most. */
export const noteName = z.string().transform((text, context) => {
  const fifths = maybeFifths(text);
  if (fifths !== undefined && Math.abs(fifths) <= 19) return fifths;
  context.addIssue({ code: "custom", message: "C, F#, Bb", params: { code: "note-unread", found: text } });
  return z.NEVER;
});

/** The id of a mode. */
export const modeId = z.string().transform((text, context) => {
  const mode = maybeMode(text);
  if (mode) return mode;
  const { id } = nearestMode(text).found;
  context.addIssue({ code: "custom", message: id, params: { code: "mode-unknown", found: text } });
  return z.NEVER;
});

/** The id of a parent scale. */
export const familyId = z.string().transform((text, context) => {
  const family = maybeFamily(text);
  if (family) return family;
  const { id } = nearestFamily(text).found;
  context.addIssue({ code: "custom", message: id, params: { code: "parent-unknown", found: text } });
  return z.NEVER;
});

/** Two to twelve notes, parted by commas or spaces. */
export const noteList = z.string().transform((text, context) => {
  const words = text.split(/[\s,;]+/u).filter((word) => word !== "");
  const notes = words.map((word) => maybeFifths(word));
  const unread = words.find((_, at) => notes[at] === undefined || Math.abs(notes[at]) > 19);
  const refuse = (code: string, found: string, expected: string) => {
    context.addIssue({ code: "custom", message: expected, params: { code, found } });
    return z.NEVER;
  };
  if (unread !== undefined) return refuse("note-unread", unread, "C, F#, Bb");
  const sounds = [
    ...new Map(notes.flatMap((note) => (note === undefined ? [] : [[soundOf(note), note]]))).values(),
  ];
  return sounds.length < 2 ? refuse("too-few-notes", text, "two to twelve different notes") : sounds;
});

/** What stands behind the root of a chord symbol, read as the chord's tones from its root. */
export const chordQuality = z.string().transform((text, context) => {
  const reading = readSymbol(`C${text}`);
  if ("chord" in reading && reading.chord.bass === undefined) return reading.chord.tones;
  context.addIssue({
    code: "custom",
    message: "m7, maj9, 7sus4",
    params: { code: "quality-unread", found: text },
  });
  return z.NEVER;
});

/** A chord symbol, read. */
export const chordSymbol = z.string().transform((text, context) => {
  const reading = readSymbol(text.slice(0, 60));
  if ("chord" in reading) return reading.chord;
  context.addIssue({ code: "custom", message: "Em9", params: { code: "chord-unread", found: text } });
  return z.NEVER;
});

/** An instrument with strings, or one of its tunings: "guitar", "guitar/drop-d". */
export const tuningId = z.string().transform((text, context) => {
  const tuning = maybeTuning(text);
  if (tuning) return tuning;
  const known = INSTRUMENTS.filter(({ tunings }) => tunings.length > 0).map(({ id }) => id);
  context.addIssue({
    code: "custom",
    message: known.join(", "),
    params: { code: "instrument-unknown", found: text },
  });
  return z.NEVER;
});

/** Open strings, from the one that lies lowest: "E2,A2,D3,G3,B3,E4". */
export const openStrings = z.string().transform((text, context) => {
  const { value, problems } = readStrings(text);
  const [first] = problems;
  if (!first) return value;
  context.addIssue({
    code: "custom",
    message: first.expected ?? "E2",
    params: { code: first.code, found: first.found },
  });
  return z.NEVER;
});

/** Checks a value against a schema; what does not fit is refused with 400 and a list of what was found and expected. */
function ask<T>(schema: z.ZodType<T>, value: unknown): Asked<T> {
  const result = schema.safeParse(value);
  if (result.success) return { value: result.data };
  return { refused: problemResponse(400, result.error.issues.map(apiError)) };
}

function apiError(issue: z.core.$ZodIssue): ApiError {
  const params = issue.code === "custom" ? issue.params : undefined;
  const code = typeof params?.code === "string" ? params.code : "value-unfit";
  const found = typeof params?.found === "string" ? params.found : issue.path.join(".");
  return { code, found: found.slice(0, 80), expected: issue.message };
}

/** Checks the query of a request. A name that the endpoint has not is refused; one given twice counts once, the last time. */
export function askQuery<S extends z.ZodObject>(schema: S, url: URL): Asked<z.output<S>> {
  const known = Object.keys(schema.shape);
  const unknown = [...url.searchParams.keys()].filter((name) => !known.includes(name));
  if (unknown.length > 0)
    return {
      refused: problemResponse(
        400,
        unknown.map((name) => ({
          code: "query-unknown",
          found: name.slice(0, 80),
          expected: known.join(", "),
        })),
      ),
    };
  return ask(schema as unknown as z.ZodType<z.output<S>>, Object.fromEntries(url.searchParams));
}

/** The media type of a request's body, without its parameters. */
export function mediaType(request: Request): string {
  return (request.headers.get("content-type") ?? "").split(";")[0]?.trim().toLowerCase() ?? "";
}

/** The longest that a body of the largest size may take on its way, in milliseconds. */
const MAX_RECEIVING = 30_000;

/** The body as bytes, refused past the size limit without reading the rest, and where it comes too slowly. */
export async function askBytes(request: Request): Promise<Asked<Uint8Array<ArrayBuffer>>> {
  const reader = request.body?.getReader();
  const chunks: Uint8Array[] = [];
  let length = 0;
  const slow = new AbortController();
  slow.signal.addEventListener("abort", () => void reader?.cancel());
  const limit = setTimeout(() => slow.abort(), MAX_RECEIVING);
  try {
    while (reader) {
      const { done, value } = await reader.read();
      if (done) break;
      length += value.byteLength;
      if (length > MAX_BYTES) {
        await reader.cancel();
        return {
          refused: problemResponse(413, [{ code: "too-large", expected: `at most ${MAX_BYTES} bytes` }]),
        };
      }
      chunks.push(value);
    }
  } catch {
    // The sender is gone: nobody reads this.
    return { refused: problemResponse(400, [{ code: "broken-off" }]) };
  } finally {
    clearTimeout(limit);
  }
  if (slow.signal.aborted) return { refused: problemResponse(408, [{ code: "slow-sender" }]) };
  const bytes = new Uint8Array(length);
  let at = 0;
  for (const chunk of chunks) {
    bytes.set(chunk, at);
    at += chunk.byteLength;
  }
  return { value: bytes };
}

/** The body as text. */
async function askText(request: Request): Promise<Asked<string>> {
  const bytes = await askBytes(request);
  return "refused" in bytes ? bytes : { value: decoded(bytes.value) };
}

/** The body as JSON that fits a schema. */
export async function askJson<T>(schema: z.ZodType<T>, request: Request): Promise<Asked<T>> {
  const text = await askText(request);
  if ("refused" in text) return text;
  try {
    return ask(schema, JSON.parse(text.value) as unknown);
  } catch {
    return {
      refused: problemResponse(400, [
        { code: "json-unread", found: text.value.slice(0, 40), expected: "JSON" },
      ]),
    };
  }
}
