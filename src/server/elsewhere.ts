import {
  abcAnswers,
  acceptsLines,
  chunksOf,
  inLines,
  type PartAnswered,
  type PartAsked,
  unidentified,
} from "./identify";
import { answerHeavy, type Heavy } from "./jobs";
import { ABC } from "./media";
import type { By, Stopped, WorkerPool } from "./pool";
import { busyResponse, problemResponse, type Refusal } from "./problem";
import { askBytes, askQuery, mediaType } from "./request";
import { identifyQuery } from "./schemas";

/** Workers apart for small and for large bodies: whoever asks for a mode or a chart doesn't wait behind a whole book. */
export interface Workers {
  readonly small: WorkerPool;
  readonly large: WorkerPool;
}

/** A body of so many bytes is large: a tune is a hundredth of it, a score in MusicXML more. */
const LARGE = 64_000;

/** The workers of this process. None in the development server and in unit tests: there all is computed in place. */
let workers: Workers | undefined;

/** From here on requests are computed by these workers; by none, in place. */
export function computeIn(these: Workers | undefined): void {
  workers = these;
}

const poolFor = ({ small, large }: Workers, size: number): WorkerPool => (size > LARGE ? large : small);

/** The status of each refusal. Nobody reads the one of a client that left. */
const STATUS: Readonly<Record<Stopped, Refusal>> = {
  busy: 503,
  left: 503,
  broken: 500,
  "too-slow": 503,
  "too-much-memory": 422,
};

const stoppedResponse = (stopped: Stopped): Response =>
  STATUS[stopped] === 503 ? busyResponse(stopped) : problemResponse(STATUS[stopped], [{ code: stopped }]);

/**
 * Answers a request in a worker, within the limits of the pool: 503 with Retry-After while too many wait or where it takes too long, 422
 * where it takes too much memory. The body is received whole first, with its own limits; a request takes its place only then, so that whoever sends
 * slowly is in nobody's way.
 *
 * @example answerElsewhere("match", request)
 */
export async function answerElsewhere(endpoint: Heavy, request: Request): Promise<Response> {
  if (!workers) return answerHeavy(endpoint, request);
  const body = await askBytes(request);
  if ("refused" in body) return body.refused;
  const pool = poolFor(workers, body.value.byteLength);
  const client = clientOf(request);
  const leave = pool.admit(client);
  if (!leave) return stoppedResponse("busy");
  const sent = {
    endpoint,
    method: request.method,
    url: request.url,
    headers: [...request.headers].filter(([name]) => SENT_HEADERS.includes(name)),
    body: request.body ? body.value : undefined,
  };
  const worked = await pool.run("answer", sent, { client, left: request.signal });
  leave();
  if ("stopped" in worked) return stoppedResponse(worked.stopped);
  const { status, headers, body: answer } = worked.result;
  return new Response(answer, { status, headers: Object.fromEntries(headers) });
}

/** The header in which the server's process hands on who asks; what a client sends under this name is overwritten. */
export const CLIENT = "x-shade-client";

/** Who asks, as far as the server's process knows. */
const clientOf = (request: Request): string => request.headers.get(CLIENT) ?? "";

/** What endpoints read of a request's headers. */
const SENT_HEADERS: readonly string[] = ["accept", "content-type"];

/**
 * `POST /api/v1/identify` in workers. ABC that is to be answered in lines is never received whole: each tune goes to a worker as it
 * arrives, so that a collection of any size takes no more memory than its longest tune.
 */
export async function identifyElsewhere(request: Request): Promise<Response> {
  if (mediaType(request) !== ABC || !acceptsLines(request)) return answerElsewhere("identify", request);
  const query = askQuery(identifyQuery, new URL(request.url));
  if ("refused" in query) return query.refused;
  const these = workers;
  return inLines(
    abcAnswers(
      chunksOf(request.body),
      query.value,
      these &&
        ((asked) =>
          partElsewhere(poolFor(these, asked.part.text.length), asked, {
            client: clientOf(request),
            left: request.signal,
          })),
    ),
  );
}

/** A tune that takes too much is an entry without an answer, and the collection goes on. While all workers are busy it waits. */
async function partElsewhere(pool: WorkerPool, asked: PartAsked, by: By): Promise<PartAnswered> {
  const worked = await pool.run("identifyPart", asked, by);
  if ("result" in worked) return worked.result;
  if (worked.stopped === "busy") return partElsewhere(pool, asked, by);
  return unidentified(asked.part.text, [{ code: worked.stopped, line: asked.lines + 1 }]);
}
