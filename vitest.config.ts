import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

export default defineConfig({
  resolve: { alias: { "@": fileURLToPath(new URL("./src", import.meta.url)) } },
  test: {
    include: ["src/**/*.test.{ts,tsx}", "tests/{accuracy,house,wording,fuzz}/*.test.ts"],
    environment: "node",
    setupFiles: ["tests/setup.ts"],
    // A busy machine may be ten times slower: no test is told by the clock.
    testTimeout: 60_000,
    coverage: { include: ["src/**/*.{ts,tsx}"] },
  },
});
