// @ts-check
/** `npm run demo`: installs, builds, starts, opens with the demo data, prints the address. */
import { createServer } from "node:net";
import { ensureBuild, ensurePackages, startServer } from "./ready.mjs";

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

const { address } = await startServer(port, { env: { SHADE_DEMO: "1" }, ends: true });
console.log(`Shade is at ${address}/ with the demo on its Shelf. Ctrl+C ends it.`);
