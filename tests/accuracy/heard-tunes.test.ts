import { describe, expect, it, test } from "vitest";
import { identify } from "../../src/core/identify";
import { readNotes } from "../../src/formats";
import { HEARD_TUNES } from "./heard-tunes";
import { panelText } from "./panel-text";

describe("tunes as a good ear hears them", () => {
  it("are sixty and more, each once", () => {
    expect(HEARD_TUNES.length).toBeGreaterThanOrEqual(60);
    expect(new Set(HEARD_TUNES.map(({ notes }) => notes)).size).toBe(HEARD_TUNES.length);
  });

  test.each(HEARD_TUNES)("$about", ({ notes, headline, says, never }) => {
    const { value, problems } = readNotes(notes);
    expect(problems).toEqual([]);
    const told = panelText(identify(value)!);
    expect(told.headline).toMatch(headline);
    if (says) expect(told.text).toMatch(says);
    if (never) expect(told.text).not.toMatch(never);
  });
});
