import { describe, expect, it, test } from "vitest";
import { draftOf, readTunes } from "./useTunes";

describe("a tune from text", () => {
  test.each([
    ["X:1\nK:D\nDEF|", "abc"],
    ["T:Pasted\nK:Am\nABc", "abc"],
    ["A4 B4 C#5 | D5:2 ||", "notes"],
    ["A4:1 B4:2", "notes"],
    ["", "notes"],
  ])("%j is %s", (text, source) => expect(draftOf(text, "x").source).toBe(source));

  it("is engraved from what it was typed as, with every note placed", async () => {
    const read = await readTunes(draftOf("A4 C#5 E5", "Three"));
    const [tune] = read.tunes;
    expect(tune?.abc).toContain("T:Three");
    expect(tune?.engraved.notes.map(({ from, to }) => tune.abc.slice(from, to))).toEqual(["A2", "^c2", "e2"]);
    expect(tune?.text).toBe("A4 C#5 E5");
  });

  it("says what it could not read and gives the rest", async () => {
    const read = await readTunes(draftOf("A4 ?? C5", ""));
    expect([read.tunes.length, read.problems[0]?.code]).toEqual([1, "note-unread"]);
    expect((await readTunes(draftOf("??", ""))).tunes).toEqual([]);
  });
});
