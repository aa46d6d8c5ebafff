import { readFileSync } from "node:fs";
import { createServer, type IncomingMessage, type ServerResponse } from "node:http";
import { availableParallelism } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import compression from "compression";
import sirv from "sirv";
import { z } from "zod";
import { CLIENT, computeIn } from "./elsewhere";
import { SECURITY_HEADERS } from "./headers";
import { workerPool } from "./pool";
import { busyResponse, methodRefused, problemResponse } from "./problem";

/** The settings of a server, from its environment. */
const settings = z.object({
  HOST: z.string().default("127.0.0.1"),
  PORT: z.coerce.number().int().min(0).max(65_535).default(4321),
  SHADE_WORKERS: z.coerce
    .number()
    .int()
    .min(1)
    .max(64)
    .default(Math.max(2, availableParallelism() - 1)),
  /** Proxies in front, each of which adds the address that it was asked from. */
  SHADE_PROXIES: z.coerce.number().int().min(0).max(8).default(0),
  /** Seconds of a processor that a small request may have. */
  SHADE_SMALL_SECONDS: z.coerce.number().positive().max(600).default(1),
  SHADE_SECONDS: z.coerce.number().positive().max(600).default(10),
  SHADE_MEGABYTES: z.coerce.number().int().min(64).default(512),
  SHADE_WAITING: z.coerce.number().int().min(1).default(64),
});

/** A whole collection may be on its way this long; the head of a request, this; a connection may be idle this long. In milliseconds. */
const MAX_SENDING = 600_000;
const MAX_HEAD = 10_000;
const MAX_IDLE = 60_000;

/** Each may hold a body of the largest size. */
const MAX_CONNECTIONS = 400;

/** The longest that what is under way may take when the server is told to go, in milliseconds. */
const MAX_CLOSING = 9_000;

/** Files whose names change with what is in them are kept for good; all others are asked for again, the service worker above all. */
const LASTING = "public, max-age=31536000, immutable";
const ASKED_AGAIN = "no-cache";

/** The longest that answering what is still under way at the end takes, in milliseconds. */
const LAST_WORDS = 500;

/** Pages that are files can carry only part of their policy in themselves. */
const FRAMES = "frame-ancestors 'none'";

const say = (line: Readonly<Record<string, unknown>>) =>
  void process.stdout.write(`${JSON.stringify({ time: new Date().toISOString(), ...line })}\n`);

const pathOf = (url = ""): string => url.split("?")[0] ?? "";

/** One line of JSON a request, when it is over: no query, no body. */
function log(request: IncomingMessage, response: ServerResponse) {
  const began = performance.now();
  const path = pathOf(request.url).slice(0, 200);
  response.once("close", () => {
    const { statusCode: status, writableFinished } = response;
    const outcome = !writableFinished
      ? "left"
      : status >= 500 && status !== 503
        ? "failed"
        : status >= 400
          ? "refused"
          : "answered";
    say({ method: request.method, path, status, ms: Math.round(performance.now() - began), outcome });
  });
}

async function send(response: ServerResponse, answer: Response) {
  response.writeHead(answer.status, Object.fromEntries(answer.headers));
  response.end(await answer.text());
}

/** Whether a range is one that the file server reads: from one byte on, or up to another. All others get the whole file. */
function isOnePart(range = ""): boolean {
  const [, from, to] = /^bytes=(\d{1,15})-(\d{0,15})$/u.exec(range) ?? [];
  return from !== undefined && (!to || Number(from) <= Number(to));
}

/** Where a file has no such part, the file server says only the status and the file's length: the reason is added. */
function sayPartMissing(response: ServerResponse): void {
  const end = response.end.bind(response);
  response.end = () => {
    response.end = end;
    if (response.statusCode !== 416) return end();
    const found = String(response.getHeader("content-range") ?? "");
    const answer = problemResponse(416, [{ code: "part-missing", found }]);
    for (const [name, value] of answer.headers) response.setHeader(name, value);
    void answer.text().then((text) => end(text));
    return response;
  };
}

/** Who asks: the address at the other end, or the one that the outermost of our own proxies was asked from. */
function clientAddress({ headers, socket }: IncomingMessage, proxies: number): string {
  const passed = String(headers["x-forwarded-for"] ?? "").split(",");
  const said = proxies > 0 ? passed.at(-proxies)?.trim() : undefined;
  return said === undefined || said === "" ? (socket.remoteAddress ?? "") : said;
}

/** What is answered before anything else is asked: the framework and the file server would break on it, or say it in their own way. */
function refusal({ method = "", url = "" }: IncomingMessage): Response | undefined {
  const path = pathOf(url);
  if (!METHODS.includes(method)) return methodRefused(method, METHODS.join(", "));
  if (!isReadable(path)) return problemResponse(400, [{ code: "address-unread", found: path.slice(0, 80) }]);
  // Without the service worker nobody is there to take what is shared: the page opens empty.
  if (method === "POST" && path === "/share")
    return new Response(null, { status: 303, headers: { location: "/identify" } });
  if (!isComputed(path) && !READING.includes(method)) return methodRefused(method, READING.join(", "));
  return undefined;
}

/** Whether an address can be decoded. */
function isReadable(path: string): boolean {
  try {
    decodeURIComponent(path);
    return true;
  } catch {
    return false;
  }
}

/** Whether an address is answered by the application; everything else is a file. */
const isComputed = (path: string) => path === "/" || path === "/api" || path.startsWith("/api/");

/** What can be done with a file. */
const READING = ["GET", "HEAD"];

const METHODS = ["GET", "HEAD", "POST", "PUT", "PATCH", "DELETE", "OPTIONS"];

/**
 * The application as a process: files, pages and endpoints, with its workers, limits and log. On SIGTERM or SIGINT it takes no more,
 * finishes what is under way and goes, within ten seconds.
 */
async function serve() {
  const { HOST, PORT, ...limits } = settings.parse(process.env);
  process.env.ASTRO_NODE_AUTOSTART = "disabled";
  // Beside this file in the build, where nothing can be checked before it is built.
  const application = (await import(/* @vite-ignore */ new URL("./entry.mjs", import.meta.url).href)) as {
    readonly handler: (request: IncomingMessage, response: ServerResponse) => void;
  };
  const file = new URL("./worker.mjs", import.meta.url);
  const within = {
    seconds: limits.SHADE_SECONDS,
    megabytes: limits.SHADE_MEGABYTES,
    requests: limits.SHADE_WAITING,
  };
  const pools = {
    small: workerPool(file, {
      ...within,
      processorSeconds: limits.SHADE_SMALL_SECONDS,
      threads: limits.SHADE_WORKERS,
      niceness: 1,
    }),
    // Large bodies never have every core, and give way where there are few.
    large: workerPool(file, { ...within, threads: Math.max(1, limits.SHADE_WORKERS - 1), niceness: 4 }),
  };
  computeIn(pools);
  const client = fileURLToPath(new URL("../client/", import.meta.url));
  const answerFile = sirv(client, {
    gzip: true,
    brotli: true,
    etag: true,
    setHeaders: (response, path) =>
      response.setHeader("cache-control", path.startsWith("/_astro/") ? LASTING : ASKED_AGAIN),
  });
  const missing = readFileSync(join(client, "404.html"));
  /** That there is none: a page for those who read pages, a problem for all others. */
  const answerMissing = (request: IncomingMessage, response: ServerResponse) => {
    if (!request.headers.accept?.includes("text/html")) {
      const found = pathOf(request.url).slice(0, 80);
      void send(response, problemResponse(404, [{ code: "file-missing", found }]));
      return;
    }
    response.writeHead(404, { "content-type": "text/html; charset=utf-8", "cache-control": ASKED_AGAIN });
    response.end(missing);
  };
  // Its types are those of a framework that calls it; it works on plain requests.
  const pack = compression() as unknown as (
    request: IncomingMessage,
    response: ServerResponse,
    next: () => void,
  ) => void;
  let isClosing = false;
  const underWay = new Set<ServerResponse>();
  const server = createServer(
    { headersTimeout: MAX_HEAD, requestTimeout: MAX_SENDING, connectionsCheckingInterval: 2_000 },
    (request, response) => {
      log(request, response);
      underWay.add(response);
      response.once("close", () => underWay.delete(response));
      for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.setHeader(name, value);
      response.setHeader("content-security-policy", FRAMES);
      if (isClosing) response.setHeader("connection", "close");
      request.headers[CLIENT] = clientAddress(request, limits.SHADE_PROXIES);
      const refused = refusal(request);
      if (refused) void send(response, refused);
      else if (isComputed(pathOf(request.url)))
        pack(request, response, () => application.handler(request, response));
      else {
        if (isOnePart(request.headers.range)) sayPartMissing(response);
        else delete request.headers.range;
        answerFile(request, response, () => answerMissing(request, response));
      }
    },
  );
  server.timeout = MAX_IDLE;
  server.maxConnections = MAX_CONNECTIONS;
  const leave = () => {
    if (isClosing) return;
    isClosing = true;
    say({ event: "closing" });
    const go = () => void Promise.all([pools.small.end(), pools.large.end()]).finally(() => process.exit(0));
    server.close(go);
    setTimeout(() => {
      for (const response of underWay)
        if (!response.headersSent) void send(response, busyResponse("closing"));
      setTimeout(() => {
        server.closeAllConnections();
        go();
      }, LAST_WORDS).unref();
    }, MAX_CLOSING).unref();
  };
  for (const signal of ["SIGTERM", "SIGINT"] as const) process.on(signal, leave);
  server.on("error", ({ message }) => {
    say({ event: "failed", message });
    process.exit(1);
  });
  server.listen(PORT, HOST, () => {
    const address = server.address();
    const port = typeof address === "object" && address ? address.port : PORT;
    say({ event: "listening", address: `http://${HOST}:${port}`, workers: limits.SHADE_WORKERS });
  });
}

await serve();
