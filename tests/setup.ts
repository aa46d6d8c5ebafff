import { afterAll } from "vitest";

// Only a page needs what pages are tested with: loading it for every file took a tenth of all unit tests.
if (typeof window !== "undefined") {
  const { configure } = await import("@testing-library/react");
  // What is waited for on a page may be fetched first, on a busy machine.
  configure({ asyncUtilTimeout: 20_000 });
  // What a page does after its next frame, as the address bar that follows a change, has to come while there still is a page.
  afterAll(() => new Promise((done) => setTimeout(done, 100)));
}
