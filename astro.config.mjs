// @ts-check
import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { defineConfig, passthroughImageService } from "astro/config";
import node from "@astrojs/node";
import react from "@astrojs/react";
import { afterBuild } from "./scripts/after-build.mjs";

/** The server's process and its worker threads, built beside the pages that they share their code with. */
const server = {
  name: "shade-server",
  apply: /** @type {const} */ ("build"),
  /** @this {import("vite").Rollup.PluginContext} */
  buildStart() {
    if (this.environment.config.consumer !== "server") return;
    for (const name of ["serve", "worker"])
      this.emitFile({ type: "chunk", id: `/src/server/${name}.ts`, fileName: `${name}.mjs` });
  },
};

/** The chunks of the pages, with what each imports. */
const chunks = new Map();

/** The service worker, under a name that stays, and what of the pages imports what. */
const client = {
  name: "shade-client",
  apply: /** @type {const} */ ("build"),
  /** @this {import("vite").Rollup.PluginContext} */
  buildStart() {
    if (this.environment.config.consumer !== "client") return;
    this.emitFile({ type: "chunk", id: "/src/offline/service-worker.ts", fileName: "sw.js" });
  },
  /**
   * @this {import("vite").Rollup.PluginContext}
   * @param {unknown} _
   * @param {import("vite").Rollup.OutputBundle} bundle
   */
  generateBundle(_, bundle) {
    if (this.environment.config.consumer !== "client") return;
    for (const chunk of Object.values(bundle))
      if (chunk.type === "chunk")
        chunks.set(chunk.fileName, { imports: chunk.imports, modules: chunk.moduleIds });
  },
};

/** The script that stands in the head of every page. */
const firstPaint = readFileSync(new URL("./src/shell/frame/first-paint.js", import.meta.url));

export default defineConfig({
  output: "server",
  adapter: node({ mode: "standalone" }),
  integrations: [react(), afterBuild(chunks)],
  devToolbar: { enabled: false },
  image: { service: passthroughImageService() },
  // The server keeps nothing of anybody's and takes plain-text bodies from scripts.
  security: { checkOrigin: false },
  server: { host: "127.0.0.1" },
  experimental: {
    csp: {
      directives: [
        "default-src 'self'",
        "img-src 'self' data: blob:",
        "font-src 'self'",
        "connect-src 'self'",
        "worker-src 'self' blob:",
        "base-uri 'none'",
        "form-action 'self'",
        "object-src 'none'",
      ],
      scriptDirective: {
        hashes: [`sha256-${createHash("sha256").update(firstPaint).digest("base64")}`],
      },
      // The one style sheet that the engraver puts into its drawings.
      styleDirective: { hashes: ["sha256-BCpnf71gZdCsSCHDzyB1RsBbZ0qQdqseK6v+yJsgg30="] },
    },
  },
  vite: {
    plugins: [server, client],
    // Workers are bundled apart and do not see the alias of tsconfig.json.
    resolve: { alias: { "@": fileURLToPath(new URL("./src", import.meta.url)) } },
    worker: { format: "es" },
    optimizeDeps: {
      include: ["abcjs", "tone", "localforage", "nanostores", "@nanostores/react", "zod"],
    },
  },
});
