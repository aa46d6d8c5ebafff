// @ts-check
/** The built application and a browser, for as long as something is measured. */
import { chromium } from "@playwright/test";
import { CHROMIUM_FLAGS, ensureBuild, ensureChromium, freePort, startServer } from "../ready.mjs";

ensureBuild();
const executablePath = ensureChromium();
const server = await startServer(await freePort());

export const { address, pid } = server;
export const browser = await chromium.launch({ executablePath, args: CHROMIUM_FLAGS });

export async function end() {
  await browser.close();
  server.stop();
}
