import { readFile } from "node:fs/promises";
import { expect, test } from "./test";

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

test("a book of tunes is answered in lines, one a tune, in order", async ({ request }) => {
  const book = await readFile("tests/fixtures/mill-race.abc", "utf8");
  const response = await request.post("/api/v1/identify", {
    headers: { "content-type": "text/vnd.abc", accept: "application/x-ndjson" },
    data: book.repeat(30),
  });
  expect(response.headers()["content-type"]).toBe("application/x-ndjson");
  const lines = (await response.text()).trim().split("\n");
  const titles = lines.map((line) => (JSON.parse(line) as { title: string }).title);
  expect([lines.length, titles[0], titles[59]]).toEqual([60, "The Mill Race", "Copper Weir"]);
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
  expect(await match.json()).toHaveProperty("analyses.0.segments.0.mode", "dorian");
  const refused = await request.post("/api/v1/identify", {
    headers: { "content-type": "image/png" },
    data: "MThd",
  });
  expect([refused.status(), refused.headers()["content-type"]]).toEqual([415, "application/problem+json"]);
  const torn = await request.post("/api/v1/identify", {
    headers: { "content-type": "audio/midi" },
    data: "MThd",
  });
  expect([torn.status(), await torn.json()]).toMatchObject([422, { errors: [{ code: "midi-unread" }] }]);
});

test("the page’s content policy lets nothing in from elsewhere", async ({ request }) => {
  const page = await request.get("/derive");
  expect(page.headers()["content-security-policy"]).toContain("frame-ancestors 'none'");
  const policy = /http-equiv="content-security-policy" content="([^"]*)"/u.exec(await page.text())?.[1] ?? "";
  expect(policy).toContain("default-src 'self'");
  expect(policy).not.toMatch(/script-src[^;]*unsafe-inline|https?:/);
});
