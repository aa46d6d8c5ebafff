import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

/** Rooms that keep nothing of their own between calls: their tests can share one set of modules. */
const PURE = ["core", "formats", "words", "devices", "demo", "kit"];
const pure = PURE.map((room) => `src/${room}/**/*.test.{ts,tsx}`);
const OUTSIDE = "tests/{accuracy,house,wording,fuzz}/*.test.ts";

export default defineConfig({
  resolve: { alias: { "@": fileURLToPath(new URL("./src", import.meta.url)) } },
  test: {
    environment: "node",
    pool: "threads",
    // One each core that machines for checks have.
    maxWorkers: 2,
    setupFiles: ["tests/setup.ts"],
    // A busy machine may be ten times slower: no test is told by the clock.
    testTimeout: 60_000,
    coverage: { include: ["src/**/*.{ts,tsx}"] },
    projects: [
      { extends: true, test: { name: "pure", include: [...pure, OUTSIDE], isolate: false } },
      { extends: true, test: { name: "page", include: ["src/**/*.test.{ts,tsx}"], exclude: pure } },
    ],
  },
});
