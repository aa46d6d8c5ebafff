// @ts-check
/** `npm run demo`: installs, builds, starts, opens with the demo data, prints the address. */
import { spawn } from "node:child_process";
import { createServer } from "node:net";
import { join } from "node:path";
import { ensureBuild, ensurePackages, root } from "./ready.mjs";

ensurePackages();
ensureBuild();

/** @param {number} port @returns {Promise<boolean>} */
const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once("error", () => resolve(false));
    probe.listen(port, "127.0.0.1", () => probe.close(() => resolve(true)));
  });

let port = Number(process.env.PORT ?? 4321);
while (!(await isFree(port))) port += 1;

const server = spawn(process.execPath, [join(root, "dist/server/entry.mjs")], {
  env: { ...process.env, HOST: "127.0.0.1", PORT: String(port), SHADE_DEMO: "1" },
  stdio: ["ignore", "ignore", "inherit"],
});
server.on("exit", (code) => process.exit(code ?? 0));
for (const signal of /** @type {const} */ (["SIGINT", "SIGTERM"]))
  process.on(signal, () => server.kill(signal));

const address = `http://127.0.0.1:${port}/`;
for (let tries = 0; tries < 100; tries += 1) {
  try {
    await fetch(address, { redirect: "manual" });
    break;
  } catch {
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}
console.log(`Shade is at ${address} with the demo on its Shelf. Ctrl+C ends it.`);
