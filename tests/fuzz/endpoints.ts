import { derive, match, identify, modes, neck, chordVoicings, reshape, scales, shapes } from "@/server";
import { problemAnswer } from "@/server/schemas";

const tuneKinds = [
  ["abc", "text/vnd.abc"],
  ["plain", "text/plain"],
  ["xml", "application/vnd.recordare.musicxml+xml"],
  ["mxl", "application/vnd.recordare.musicxml"],
  ["midi", "audio/midi"],
  ["json", "application/json"],
] as const;
const KIND_OF = new Map<string, string>(tuneKinds.map(([name, kind]) => [name, kind]));

const QUERIES = ["derive", "modes", "scales", "shapes", "neck", "voicings"] as const;

/** An endpoint, and how the bytes come to it. */
export type EndpointPath = `/${(typeof QUERIES)[number]}` | `/${keyof typeof POST}/${string}`;

export const ASKED: readonly EndpointPath[] = [
  ...QUERIES.map((name): EndpointPath => `/${name}`),
  "/match/json",
  ...tuneKinds.flatMap(([kind]): EndpointPath[] => [`/identify/${kind}`, `/reshape/${kind}`]),
];

const GET = { derive, modes, scales, shapes, neck, voicings: chordVoicings };
const POST = { match, identify, reshape };
const NAMES: Readonly<Record<string, readonly string[]>> = {
  derive: ["home", "mode"],
  modes: ["parent", "tonic", "home"],
  scales: ["notes", "home"],
  shapes: ["bass", "chord"],
  neck: ["home", "mode", "instrument", "system", "tuning", "capo"],
  voicings: ["chord", "instrument", "most", "tuning"],
};

/** Statuses that an endpoint may answer with. */
const ANSWERS = [200, 400, 413, 415, 422];

/**
 * Sends bytes to an endpoint: as the values of its query, as a body, or as the text in one.
 *
 * @throws Error where the answer is none that the description promises.
 */
export async function askEndpoint(path: EndpointPath, bytes: Uint8Array): Promise<void> {
  const [, name = "", kind = ""] = path.split("/");
  const text = Buffer.from(bytes).toString("utf8");
  const response = await (name in GET
    ? asked(name as keyof typeof GET, text)
    : posted(name, kind, bytes, text));
  if (!ANSWERS.includes(response.status)) throw new Error(`${path} answers ${response.status}`);
  const answer: unknown =
    response.headers.get("content-type")?.includes("json") === true ? await response.json() : undefined;
  if (response.status !== 200) problemAnswer.parse(answer);
}

/** The values of a query: pieces of the text. */
async function asked(name: keyof typeof GET, text: string): Promise<Response> {
  const url = new URL(`http://127.0.0.1/api/v1/${name}`);
  const words = text.slice(0, 600).split(/\s+/u);
  for (const [at, key] of (NAMES[name] ?? []).entries()) url.searchParams.set(key, words[at] ?? "");
  await Promise.resolve();
  return GET[name](url);
}

async function posted(name: string, kind: string, bytes: Uint8Array, text: string): Promise<Response> {
  const body =
    name === "match"
      ? JSON.stringify({ chords: text })
      : kind === "json"
        ? JSON.stringify({ notes: text })
        : Buffer.from(bytes);
  const query = name === "reshape" ? "?to=lydian&way=parallel&chords=rebuilt" : "";
  const request = new Request(`http://127.0.0.1/api/v1/${name}${query}`, {
    method: "POST",
    body: new Uint8Array(Buffer.from(body)),
    headers: { "content-type": name === "match" ? "application/json" : (KIND_OF.get(kind) ?? kind) },
  });
  return POST[name as keyof typeof POST](request);
}
