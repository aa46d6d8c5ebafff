// @ts-check
import { fileURLToPath } from "node:url";
import { defineConfig, passthroughImageService } from "astro/config";
import node from "@astrojs/node";
import react from "@astrojs/react";

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

export default defineConfig({
  output: "server",
  adapter: node({ mode: "standalone" }),
  integrations: [react()],
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
      // The one style sheet that the engraver puts into its drawings.
      styleDirective: { hashes: ["sha256-BCpnf71gZdCsSCHDzyB1RsBbZ0qQdqseK6v+yJsgg30="] },
    },
  },
  vite: {
    plugins: [server],
    // Workers are bundled apart and do not see the alias of tsconfig.json.
    resolve: { alias: { "@": fileURLToPath(new URL("./src", import.meta.url)) } },
    worker: { format: "es" },
    optimizeDeps: {
      include: ["abcjs", "tone", "localforage", "nanostores", "@nanostores/react", "zod"],
    },
  },
});
