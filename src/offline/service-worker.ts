/// <reference lib="webworker" />
/**
 * The worker that stands between the pages and the network, so that everything works without one. It keeps the pages and files of its own
 * version together: a page never gets the HTML of one version and the scripts of another. It holds nothing of the user's.
 */
export {};

declare const self: ServiceWorkerGlobalScope;

/** What the build has made: its version, pages by their paths, and all files that they need. Written in when the build is done. */
declare const __SHADE_BUILD__: {
  readonly version: string;
  /** Where the application begins. */
  readonly start: string;
  readonly pages: Readonly<Record<string, string>>;
  readonly files: readonly string[];
};

const BUILD = __SHADE_BUILD__;
const PREFIX = "shade-version-";
const OWN = PREFIX + BUILD.version;
/** Recordings of instruments: their names change with what is in them, so that versions share them. */
const SOUNDS = "shade-sounds";
/** Files that another program has shared, until the page has taken them. */
const SHARED = "shade-shared";

const isSound = (path: string) => path.endsWith(".bin");

self.addEventListener("install", (event) => {
  event.waitUntil(install());
});

async function install(): Promise<void> {
  const cache = await caches.open(OWN);
  // Past the browser's own cache: what it holds may be of another version.
  const fresh = (path: string) => new Request(path, { cache: "reload" });
  await cache.addAll([
    ...Object.values(BUILD.pages).map(fresh),
    ...BUILD.files.map((path) => new Request(path)),
  ]);
  // The first of all takes over at once. A newer one waits until the user says so, or until no tab of the older is left.
  if (!self.registration.active) await self.skipWaiting();
}

self.addEventListener("activate", (event) => {
  event.waitUntil(self.clients.claim().then(forgetOld));
});

/** What a page says to the worker. */
export type ToWorker =
  | { readonly type: "take-over" }
  /** Keep these files too: recordings that the page has chosen. */
  | { readonly type: "keep"; readonly files: readonly string[] };

/** What the worker asks a page: which version it is of. */
export interface VersionAsked {
  readonly type: "version";
}

self.addEventListener("message", (event) => {
  const said = event.data as ToWorker;
  if (said.type === "take-over") event.waitUntil(self.skipWaiting());
  else event.waitUntil(keep(said.files));
});

async function keep(files: readonly string[]): Promise<void> {
  const cache = await caches.open(SOUNDS);
  for (const file of files) if (isSound(file) && !(await cache.match(file))) await cache.add(file);
}

/** Milliseconds in which a page that lives says which version it is of. */
const PATIENCE = 3000;

/** The version of a page; undefined where it doesn't say. */
const versionOf = (client: Client) =>
  new Promise<string | undefined>((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = ({ data }: MessageEvent<string>) => resolve(data);
    setTimeout(() => resolve(undefined), PATIENCE);
    client.postMessage({ type: "version" } satisfies VersionAsked, [port2]);
  });

/** Deletes the files of versions that no page is of any more. */
async function forgetOld(): Promise<void> {
  const others = (await caches.keys()).filter((name) => name.startsWith(PREFIX) && name !== OWN);
  if (others.length === 0) return;
  const pages = await self.clients.matchAll({ type: "window", includeUncontrolled: true });
  const versions = await Promise.all(pages.map(versionOf));
  if (versions.includes(undefined)) return;
  await Promise.all(
    others.filter((name) => !versions.includes(name.slice(PREFIX.length))).map((name) => caches.delete(name)),
  );
}

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (url.origin !== self.location.origin) return;
  if (url.pathname === "/share" && request.method === "POST") {
    event.respondWith(takeShared(request));
    return;
  }
  if (request.method !== "GET" || url.pathname.startsWith("/api/") || url.pathname === "/sw.js") return;
  event.respondWith(
    request.mode === "navigate" ? answerPage(request, url, event) : answerFile(request, url.pathname),
  );
});

/** A page of this version, whatever stands behind its path; what is none comes from the network. */
async function answerPage(request: Request, url: URL, event: FetchEvent): Promise<Response> {
  event.waitUntil(forgetOld());
  const path = url.pathname.replace(/(?<=.)\/$/u, "");
  if (path === "/") return Response.redirect(`${BUILD.start}${url.search}`, 302);
  const page = BUILD.pages[path];
  const kept = page === undefined ? undefined : await (await caches.open(OWN)).match(page);
  if (kept) return kept;
  try {
    return await fetch(request);
  } catch {
    return (await caches.match(BUILD.pages["/404"] ?? "")) ?? Response.error();
  }
}

/** A file of whatever version has it, so that a tab of the version before goes on; recordings are kept once they were fetched. */
async function answerFile(request: Request, path: string): Promise<Response> {
  const kept = await caches.match(path, { ignoreVary: true });
  if (kept) return kept;
  const answer = await fetch(request);
  if (answer.ok && isSound(path)) {
    const copy = answer.clone();
    await caches
      .open(SOUNDS)
      .then((cache) => cache.put(path, copy))
      .catch(() => undefined);
  }
  return answer;
}

/** Files that another program shares: put down for the page, which is opened with a word that there are some. */
async function takeShared(request: Request): Promise<Response> {
  const form = await request.formData();
  const files = form.getAll("files").filter((each) => each instanceof File);
  const cache = await caches.open(SHARED);
  for (const key of await cache.keys()) await cache.delete(key);
  await Promise.all(
    files.map((file, at) =>
      cache.put(
        `/shared/${at}`,
        new Response(file, {
          headers: { "content-type": file.type, "x-name": encodeURIComponent(file.name) },
        }),
      ),
    ),
  );
  return Response.redirect("/identify?shared", 303);
}
