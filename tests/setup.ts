import { afterAll } from "vitest";

// What a page does after its next frame, as the address bar that follows a change, has to come while there still is a page.
if (typeof window !== "undefined") afterAll(() => new Promise((done) => setTimeout(done, 100)));
