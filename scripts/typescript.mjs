// @ts-check
/** Loads the project's own modules into a script: what the build does for the pages, done in memory. */
import { join } from "node:path";
import { createServer } from "vite";
import { root } from "./ready.mjs";

/**
 * Loads a module of the project, gives it to a function, and puts everything away after.
 *
 * @template T
 * @param {string} path from the root of the project
 * @param {(module: any) => Promise<T>} use
 * @param {string} from the checkout, this one unless said
 * @returns {Promise<T>}
 */
export async function withModule(path, use, from = root) {
  // Loading modules in memory counts as development; what this script starts later must not.
  const { NODE_ENV } = process.env;
  const server = await createServer({
    configFile: false,
    root: from,
    appType: "custom",
    logLevel: "error",
    server: { middlewareMode: true, hmr: false, watch: null },
    optimizeDeps: { noDiscovery: true },
    resolve: { alias: { "@": join(from, "src") } },
  });
  try {
    return await use(await server.ssrLoadModule(`/${path}`));
  } finally {
    await server.close();
    if (NODE_ENV === undefined) delete process.env.NODE_ENV;
    else process.env.NODE_ENV = NODE_ENV;
  }
}
