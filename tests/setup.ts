import { configure } from "@testing-library/react";
import { afterAll } from "vitest";

// What is waited for on a page may be fetched first, on a busy machine.
if (typeof window !== "undefined") configure({ asyncUtilTimeout: 20_000 });

// What a page does after its next frame, as the address bar that follows a change, has to come while there still is a page.
if (typeof window !== "undefined") afterAll(() => new Promise((done) => setTimeout(done, 100)));
