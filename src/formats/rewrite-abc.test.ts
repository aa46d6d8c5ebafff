import { describe, expect, it } from "vitest";
import { DEMO_TUNES } from "@/demo";
import { readAbc } from "./abc";
import { rewriteAbc } from "./rewrite-abc";

const tunesOf = async (text: string) => (await readAbc(text)).value.map(({ tune }) => tune);

describe("ABC whose first tune is written anew", () => {
  const book = [
    "% Music for the orchard",
    "",
    "X:7",
    "T:Gate",
    "C:Somebody",
    "R:jig",
    "% slowly at first",
    "M:6/8",
    "L:1/8",
    "Q:3/8=60",
    "K:EDor",
    "E2F G2A|B3 e3|",
    "",
    "X:8",
    "T:Stair",
    "K:AMix",
    "A2 ce|g4|",
    "",
  ].join("\n");

  it("keeps what its head says beside the notes, and the other tunes", async () => {
    const [gate, stair] = await tunesOf(book);
    const anew = rewriteAbc(book, { ...gate!, notes: gate!.notes.slice(0, 3) });
    for (const line of [
      "% Music for the orchard",
      "C:Somebody",
      "R:jig",
      "% slowly at first",
      "Q:3/8=60",
      "T:Stair",
    ])
      expect(anew.split("\n").filter((each) => each === line)).toHaveLength(1);
    const [first, second] = await tunesOf(anew);
    expect(first!.notes.map(({ pitch }) => pitch)).toEqual(gate!.notes.slice(0, 3).map(({ pitch }) => pitch));
    expect(first!.meter).toEqual(gate!.meter);
    expect(second!.notes.map(({ pitch, onset }) => [pitch, onset])).toEqual(
      stair!.notes.map(({ pitch, onset }) => [pitch, onset]),
    );
    // Written again it is the same: nothing is doubled.
    expect(rewriteAbc(anew, first!)).toBe(anew);
  });

  it("passes over a tune without notes", async () => {
    const text = `X:1\nT:Nothing yet\nK:C\nz4|\n\n${book}`;
    const [gate] = await tunesOf(text);
    expect(gate!.title).toBe("Gate");
    const anew = rewriteAbc(text, gate!);
    expect(anew).toContain("T:Nothing yet\nK:C\nz4|");
    expect((await tunesOf(anew)).map(({ title }) => title)).toEqual(["Gate", "Stair"]);
  });

  it("of text without a head is the tune alone", async () => {
    const [tune] = await tunesOf("K:D\nDEF|");
    expect(rewriteAbc("", tune!)).toBe(rewriteAbc("K:D\nDEF|", tune!));
  });

  it.each(DEMO_TUNES.map((each) => [each.title, each] as const))(
    "reads back as it was: %s",
    async (_, { text }) => {
      const [tune] = await tunesOf(text);
      const [again] = await tunesOf(rewriteAbc(text, tune!));
      const told = (one: typeof tune) =>
        one!.notes.map(({ pitch, onset, duration, bar }) => [pitch, onset, duration, bar]);
      expect(told(again)).toEqual(told(tune));
    },
  );
});
