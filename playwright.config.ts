import { defineConfig } from "@playwright/test";

const port = 4399;

export default defineConfig({
  testDir: "tests/e2e",
  outputDir: "test-results",
  // One each core that machines for checks have: most of a test is waiting.
  workers: 2,
  // A busy machine is slow, not wrong: what hangs is told apart from what waits by minutes, not by seconds.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  // Sound is measured in real time, on machines that may be busy with other things.
  retries: 1,
  reporter: [["list"], ["json", { outputFile: ".reports/e2e.json" }]],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.SHADE_CHROMIUM ?? "/usr/bin/chromium",
      args: [
        "--headless",
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
  webServer: {
    command: "node dist/server/serve.mjs",
    env: { HOST: "127.0.0.1", PORT: String(port) },
    url: `http://127.0.0.1:${port}/derive`,
    reuseExistingServer: false,
  },
});
