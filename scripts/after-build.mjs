// @ts-check
/**
 * What is done to the pages once they are built: scripts are minified once more; those that a view needs are named in its page, so that they
 * are fetched at once; the content policy gets the one line that the build cannot be told; the service worker gets its list of files; and everything that is text
 * is packed as Brotli and gzip. Prints what each view loads.
 */
import { createHash } from "node:crypto";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join, relative } from "node:path";
import { fileURLToPath } from "node:url";
import { brotliCompressSync, constants, gzipSync } from "node:zlib";
import { minify } from "terser";

/** The engraver measures its text in elements that it hides by a style attribute. */
const STYLE_ATTRIBUTES = " style-src-attr 'unsafe-inline';";

const TEXT = /\.(?:html|js|css|svg|txt|json|webmanifest)$/;

/** Scripts that are longer are a library's alone: it would take a minute and gain nothing. */
const MAX_MINIFIED = 225_000;

/** Smaller files don't gain by it. */
const LEAST_PACKED = 512;

/**
 * @typedef {{ readonly imports: readonly string[], readonly modules: readonly string[] }} Chunk
 * @typedef {Map<string, Chunk>} Chunks
 */

/** @param {string} folder @returns {string[]} */
const filesIn = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesIn(join(folder, entry.name)) : [join(folder, entry.name)],
  );

/**
 * A chunk and everything that it imports before it runs.
 *
 * @param {Chunks} chunks
 * @param {string} file
 * @returns {Set<string>}
 */
function closure(chunks, file, seen = new Set()) {
  if (seen.has(file)) return seen;
  seen.add(file);
  for (const each of chunks.get(file)?.imports ?? []) closure(chunks, each, seen);
  return seen;
}

/** @param {Chunks} chunks @param {string} end How the name of a module in it ends. */
const chunkOf = (chunks, end) =>
  [...chunks].find(([, { modules }]) => modules.some((id) => id.endsWith(end)))?.[0];

/** @param {Uint8Array} bytes */
const digest = (bytes) => createHash("sha256").update(bytes).digest("hex").slice(0, 16);

/**
 * @param {Chunks} chunks the chunks of the client, filled while it is built
 * @returns {import("astro").AstroIntegration}
 */
export const afterBuild = (chunks) => ({
  name: "shade-after-build",
  hooks: {
    "astro:build:done": async ({ dir, logger }) => {
      const client = fileURLToPath(dir);
      await minifyScripts(client);
      const pages = namePages(client);
      /** @type {string[]} */
      const sizes = [];
      for (const [path, file] of Object.entries(pages)) {
        const html = readFileSync(join(client, file), "utf8");
        const scripts = scriptsOf(html, path, chunks);
        writeFileSync(join(client, file), finished(html, scripts));
        const bytes = scripts.reduce(
          (sum, script) => sum + gzipSync(readFileSync(join(client, script)), { level: 9 }).length,
          0,
        );
        if (scripts.length > 0) sizes.push(`${path} ${(bytes / 1000).toFixed(0)}`);
      }
      writeWorker(client, pages);
      pack(client);
      logger.info(`Script before the first key, kB (gzip): ${sizes.join(", ")}`);
    },
  },
});

/**
 * Minifies scripts once more: the bundler's minifier is quick, this one leaves a twentieth less to fetch.
 *
 * @param {string} client
 */
async function minifyScripts(client) {
  for (const file of filesIn(join(client, "_astro")).filter((each) => each.endsWith(".js"))) {
    const script = readFileSync(file, "utf8");
    if (script.length > MAX_MINIFIED) continue;
    const { code } = await minify(script, { ecma: 2020, module: true, compress: { ecma: 2020 } });
    if (code !== undefined && code.length < script.length) writeFileSync(file, code);
  }
}

/**
 * The pages, by the paths that they are asked for with.
 *
 * @param {string} client
 * @returns {Record<string, string>}
 */
function namePages(client) {
  const html = filesIn(client)
    .map((file) => relative(client, file).replaceAll("\\", "/"))
    .filter((file) => file.endsWith(".html"))
    .sort();
  return Object.fromEntries(html.map((file) => [`/${file.replace(/(?:\/index)?\.html$/, "")}`, file]));
}

/**
 * The scripts that a page needs before it takes a key, those that its own HTML names first.
 *
 * @param {string} html
 * @param {string} path
 * @param {Chunks} chunks
 */
function scriptsOf(html, path, chunks) {
  const named = [...html.matchAll(/(?:component|renderer)-url="\/([^"]+)"/g)].map(([, url]) => url ?? "");
  const view = path.slice(1);
  const own = chunkOf(chunks, `/features/${view}/${view.charAt(0).toUpperCase()}${view.slice(1)}View.tsx`);
  const first = [...new Set([...named, ...(own ? [own] : [])])];
  return [...new Set(first.flatMap((file) => [...closure(chunks, file)]))];
}

/** @param {string} html @param {readonly string[]} scripts */
const finished = (html, scripts) =>
  html
    .replace(
      /(<meta http-equiv="content-security-policy" content="[^"]*?);?"/,
      (_, start) => `${start};${STYLE_ATTRIBUTES}"`,
    )
    .replace(
      "</head>",
      () => `${scripts.map((file) => `<link rel="modulepreload" href="/${file}">`).join("")}</head>`,
    );

/** @param {string} client @param {Record<string, string>} pages */
function writeWorker(client, pages) {
  const worker = join(client, "sw.js");
  const files = filesIn(client)
    .map((file) => `/${relative(client, file).replaceAll("\\", "/")}`)
    .filter((path) => !path.endsWith(".html") && !path.endsWith(".bin") && path !== "/sw.js")
    .sort();
  const text = readFileSync(worker, "utf8");
  const contents = [...files, ...Object.values(pages).map((page) => `/${page}`)].map((path) =>
    digest(readFileSync(join(client, path))),
  );
  const build = {
    version: digest(Buffer.from([text, ...contents].join("\n"))),
    start: JSON.parse(readFileSync(join(client, "manifest.webmanifest"), "utf8")).start_url,
    pages: Object.fromEntries(
      Object.entries(pages).map(([path]) => [path, path === "/404" ? "/404.html" : path]),
    ),
    files,
  };
  writeFileSync(worker, text.replaceAll("__SHADE_BUILD__", JSON.stringify(build)));
  writeFileSync(join(client, "version.json"), JSON.stringify({ version: build.version }));
  for (const page of Object.values(pages)) {
    const file = join(client, page);
    writeFileSync(file, readFileSync(file, "utf8").replace("<html", `<html data-version="${build.version}"`));
  }
}

/** @param {string} client */
function pack(client) {
  for (const file of filesIn(client).filter((each) => TEXT.test(each))) {
    const bytes = readFileSync(file);
    if (bytes.length < LEAST_PACKED) continue;
    writeFileSync(`${file}.gz`, gzipSync(bytes, { level: 9 }));
    writeFileSync(
      `${file}.br`,
      brotliCompressSync(bytes, {
        params: {
          [constants.BROTLI_PARAM_QUALITY]: 9,
          [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
        },
      }),
    );
  }
}
