import { answeredPart, identify, type PartAnswered, type PartAsked } from "./identify";
import { match } from "./match";
import { chordVoicings, neck } from "./neck";
import { problemResponse } from "./problem";
import { reshape } from "./reshape";

/** The endpoints whose work depends on what is asked, so that it is done in workers. */
const HEAVY = {
  match,
  identify,
  reshape,
  neck: (request: Request) => neck(new URL(request.url)),
  voicings: (request: Request) => chordVoicings(new URL(request.url)),
} as const;

/** One of the endpoints that are computed in workers. */
export type Heavy = keyof typeof HEAVY;

/** A request as it crosses to a worker: received whole. */
export interface SentRequest {
  readonly endpoint: Heavy;
  readonly method: string;
  readonly url: string;
  readonly headers: readonly (readonly [string, string])[];
  readonly body: Uint8Array<ArrayBuffer> | undefined;
}

/** An answer as it crosses back. */
interface SentAnswer {
  readonly status: number;
  readonly headers: readonly (readonly [string, string])[];
  readonly body: Uint8Array<ArrayBuffer>;
}

/** What workers do, by name. */
export interface Tasks {
  readonly answer: (asked: SentRequest) => Promise<SentAnswer>;
  readonly identifyPart: (asked: PartAsked) => Promise<PartAnswered>;
}

/** The largest answer: 8 MiB, the double of the largest body. */
const MAX_ANSWER = 8 * 1024 * 1024;

/**
 * Answers by an endpoint. What breaks is answered too: 422 where the input is nested deeper than can be followed, or 500.
 */
export async function answerHeavy(endpoint: Heavy, request: Request): Promise<Response> {
  try {
    return await HEAVY[endpoint](request);
  } catch (error) {
    return error instanceof RangeError
      ? problemResponse(422, [{ code: "too-deep" }])
      : problemResponse(500, [{ code: "broken" }]);
  }
}

export const TASKS: Tasks = {
  answer: async ({ endpoint, method, url, headers, body }) => {
    const request = new Request(url, {
      method,
      headers: Object.fromEntries(headers),
      ...(body ? { body } : {}),
    });
    const whole = await answerHeavy(endpoint, request);
    const bytes = new Uint8Array(await whole.arrayBuffer());
    const isFit = bytes.byteLength <= MAX_ANSWER;
    const response = isFit
      ? whole
      : problemResponse(422, [{ code: "answer-too-large", expected: `at most ${MAX_ANSWER} bytes` }]);
    return {
      status: response.status,
      headers: [...response.headers],
      body: isFit ? bytes : new Uint8Array(await response.arrayBuffer()),
    };
  },
  identifyPart: answeredPart,
};
