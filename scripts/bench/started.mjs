// @ts-check
/** The built application and a browser, for as long as something is measured. */
import { chromium } from "@playwright/test";
import { CHROMIUM_FLAGS, ensureBuild, ensureChromium, freePort, root, startServer } from "../ready.mjs";

/** The checkout whose build is measured: this one, unless said. */
export const built = process.env.SHADE_BUILT ?? root;

if (built === root) ensureBuild();
const executablePath = ensureChromium();
const server = await startServer(await freePort(), {
  from: built,
  // What a client says of its address counts, so that one machine can be many clients.
  env: { SHADE_PROXIES: "1" },
});

export const { address, pid } = server;
export const browser = await chromium.launch({ executablePath, args: CHROMIUM_FLAGS });

export async function end() {
  await browser.close();
  server.stop();
}
