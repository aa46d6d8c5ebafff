import { readFile } from "node:fs/promises";
import { expect, test } from "@playwright/test";

test("a tune sent as a script would send it gives its mode", async ({ request }) => {
  const response = await request.post("/api/v1/identify", {
    headers: { "content-type": "text/vnd.abc" },
    data: await readFile("tests/fixtures/mill-race.abc"),
  });
  expect(response.status()).toBe(200);
  const { tunes } = (await response.json()) as { tunes: { title: string; candidates: unknown[] }[] };
  expect(tunes.map(({ title, candidates }) => [title, candidates[0]])).toEqual([
    ["The Mill Race", expect.objectContaining({ home: "A", mode: "dorian" })],
    ["Copper Weir", expect.objectContaining({ home: "F#", mode: "aeolian" })],
  ]);
});

test("the endpoints answer, refuse in problem details, and carry the security headers", async ({
  request,
}) => {
  const derive = await request.get("/api/v1/derive?home=Gb&mode=phrygian");
  expect(await derive.json()).toMatchObject({ notes: ["Gb", "Abb", "Bbb", "Cb", "Db", "Ebb", "Fb"] });
  expect(derive.headers()["x-content-type-options"]).toBe("nosniff");
  const modes = await request.get("/api/v1/modes?parent=melodic-minor&home=C%23");
  expect(await modes.json()).toHaveProperty("modes.length", 7);
  const match = await request.post("/api/v1/match", { data: { chords: "| Em9 | A13 |" } });
  expect(await match.json()).toHaveProperty("readings.0.segments.0.mode", "dorian");
  const refused = await request.post("/api/v1/identify", {
    headers: { "content-type": "audio/midi" },
    data: "MThd",
  });
  expect([refused.status(), refused.headers()["content-type"]]).toEqual([415, "application/problem+json"]);
});

test("the page's content policy lets nothing in from elsewhere", async ({ request }) => {
  const policy = (await request.get("/derive")).headers()["content-security-policy"] ?? "";
  expect(policy).toContain("default-src 'self'");
  expect(policy).not.toMatch(/script-src[^;]*unsafe-inline|https?:/);
});
