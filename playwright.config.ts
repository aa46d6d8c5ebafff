import { defineConfig } from "@playwright/test";
import { CHROMIUM_FLAGS, freePort } from "./scripts/ready.mjs";

// Found once: the workers of the run read this file again, with the environment of the first reading.
process.env.SHADE_TEST_PORT ??= String(await freePort());
const port = process.env.SHADE_TEST_PORT;

/** Files whose tests take longest begin first, so that no worker is left alone with one of them at the end. */
const LONG = ["server", "access", "storage", "files", "identify"].map((name) => `**/${name}.spec.ts`);

export default defineConfig({
  testDir: "tests/e2e",
  outputDir: "test-results",
  fullyParallel: true,
  // One each core that machines for checks have.
  workers: 2,
  // A busy machine is slow, not wrong: what hangs is told apart from what waits by minutes, not by seconds.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  // What is flaky is mended. Where a whole submission hangs on one run, a second try is made, and what needed it is named in the log.
  retries: process.env.CI ? 1 : 0,
  reporter: process.env.SHADE_QUIET
    ? [["./scripts/quiet-reporter.mjs"], ["json", { outputFile: ".reports/e2e.json" }]]
    : [["list"], ["json", { outputFile: ".reports/e2e.json" }]],
  projects: [
    { name: "long", testMatch: LONG },
    { name: "short", testIgnore: LONG },
  ],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.SHADE_CHROMIUM ?? "/usr/bin/chromium",
      // Pages of one profile share a process, and so its compiled scripts.
      args: [...CHROMIUM_FLAGS, "--process-per-site"],
    },
  },
  webServer: {
    command: "node dist/server/serve.mjs",
    env: { HOST: "127.0.0.1", PORT: port },
    url: `http://127.0.0.1:${port}/derive`,
    reuseExistingServer: false,
  },
});
