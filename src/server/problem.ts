import { placeOf, type Problem } from "@/core/problem";

/** An entry of `errors` in an answer: a closed code, the place, what was found and what would do. */
export interface ApiError {
  readonly code: string;
  readonly line?: number;
  readonly column?: number;
  readonly found?: string;
  readonly expected?: string;
}

/** What each refusal means, in a few words. */
export const REFUSALS = {
  400: "Not understood",
  404: "Not here",
  405: "Not this way",
  408: "Sent too slowly",
  413: "Too large",
  415: "Not a kind that is read here",
  416: "No such part of it",
  422: "Read, but nothing could be made of it",
  500: "Something broke here",
  503: "Busy",
} as const;

/** The statuses that the endpoints refuse with. */
export type Refusal = keyof typeof REFUSALS;

/** An answer as RFC 9457 problem details. */
export function problemResponse(status: Refusal, errors: readonly ApiError[]): Response {
  const body = { type: "about:blank", title: REFUSALS[status], status, errors };
  return new Response(JSON.stringify(body), {
    status,
    headers: { "content-type": "application/problem+json", "cache-control": "no-store" },
  });
}

/** The answer to a method that an address doesn't take. */
export function methodRefused(found: string, allowed: string): Response {
  const response = problemResponse(405, [{ code: "method", found, expected: allowed }]);
  response.headers.set("allow", allowed);
  return response;
}

/** The seconds after which someone who found the server busy or closing may ask again. */
const RETRY_SECONDS = 5;

/** The answer where the server has no time now: 503 with `Retry-After`. */
export function busyResponse(code: string): Response {
  const response = problemResponse(503, [{ code }]);
  response.headers.set("retry-after", String(RETRY_SECONDS));
  return response;
}

/** An answer of plain JSON. */
export function jsonResponse(body: unknown): Response {
  return new Response(JSON.stringify(body), {
    headers: { "content-type": "application/json; charset=utf-8", "cache-control": "no-store" },
  });
}

/** A reader's problems with their offsets turned into line and column. */
export function located(problems: readonly Problem[], text: string): readonly ApiError[] {
  // The place of each is counted from the start of the text.
  return problems.slice(0, MAX_LOCATED).map(({ code, offset, found, expected }) => ({
    code,
    ...placeOf(text, offset),
    found: found.slice(0, MAX_FOUND),
    ...(expected === undefined ? {} : { expected }),
  }));
}

const MAX_FOUND = 80;

/** Problems that are answered: more say nothing new. */
const MAX_LOCATED = 200;
