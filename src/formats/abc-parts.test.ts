import fc from "fast-check";
import { strToU8 } from "fflate";
import { describe, expect, it, test } from "vitest";
import { abcHeader, abcParts, type AbcPart, readAbc, withAbcHeader } from ".";

async function* inChunks(bytes: Uint8Array, length: number): AsyncGenerator<Uint8Array> {
  await Promise.resolve();
  for (let at = 0; at < bytes.length; at += length) yield bytes.subarray(at, at + length);
}

async function parts(text: string, length = 7, most?: number): Promise<readonly AbcPart[]> {
  const found: AbcPart[] = [];
  for await (const part of abcParts(inChunks(strToU8(text), length), most)) found.push(part);
  return found;
}

describe("an ABC file as it comes in", () => {
  it("is parted at the number of each tune, however the chunks fall", async () => {
    const tune = fc.constantFrom(
      "X:1\nT:A\nK:C\nCDE|\n",
      "X: 2\nK:D\nX\nXYZ:|\n",
      "X:3\r\nT:Größe\r\nK:E\r\nE4|\r\n",
    );
    await fc.assert(
      fc.asyncProperty(
        fc.array(tune, { maxLength: 8 }),
        fc.constantFrom("", "% a book\n\n"),
        fc.integer({ min: 1, max: 40 }),
        async (tunes, head, length) => {
          const text = head + tunes.join("");
          const found = await parts(text, length);
          const expected = tunes.length > 0 ? tunes : head === "" ? [] : [head];
          expect(found.map((part) => part.text)).toEqual(expected);
          const bytes = strToU8(text);
          for (const { text: own, from, to } of found)
            expect(new TextDecoder().decode(bytes.subarray(from, to))).toBe(own);
        },
      ),
    );
  });

  it("without a number is one tune", async () =>
    expect((await parts("T:A\nK:C\nCDE|")).map(({ text }) => text)).toEqual(["T:A\nK:C\nCDE|"]));

  it("cuts a tune that is longer than any, and finds the next", async () => {
    const found = await parts(`X:1\nK:C\n${"CDEF|".repeat(100)}\nX:2\nK:D\nDEF|\n`, 16, 60);
    expect(found.map(({ text, isCut }) => [text.length, isCut])).toEqual([
      [60, true],
      [13, false],
    ]);
    expect(found[1]?.from).toBe(509);
  });
});

describe("the fields at the head of a file", () => {
  const BOOK =
    "%abc-2.1\nM:6/8\nL:1/16\nZ:a scribe\n\nSome words that are no field.\n\nX:1\nT:One\nK:D\nD4|\n\nX:2\nT:Two\nM:3/4\nL:1/4\nK:G\nG2B xx|\n";

  it("apply to every tune, and those of the tune count for more", async () => {
    const { value, problems } = await readAbc(BOOK);
    expect(value.map(({ tune }) => [tune.meter, tune.notes[0]?.duration])).toEqual([
      [{ beats: 6, unit: 8 }, 1],
      [{ beats: 3, unit: 4 }, 2],
    ]);
    expect(value[0]?.text.startsWith("X:1\nM:6/8\nL:1/16\nZ:a scribe\nT:One")).toBe(true);
    const [note] = value[0]?.tune.notes ?? [];
    expect(value[0]?.text.slice(note?.from, note?.to).trim()).toBe("D4");
    // Places of problems are those of the file.
    for (const { offset = 0, found = "" } of problems)
      expect(BOOK.slice(offset).startsWith(found.slice(0, 1))).toBe(true);
  });

  it("go with each tune that a file is parted into", async () => {
    const found = await parts(BOOK);
    expect(
      found.map(({ text, header }) => withAbcHeader(text, header).text.includes("L:1/16\nZ:a scribe")),
    ).toEqual([true, true]);
  });

  test.each([
    ["X:1\nM:6/8\nK:D\nD|", ""],
    ["M:6/8\nK:D\nD|", ""],
    ["words\nM:6/8\n\nL:1/8\nX:1\nK:D\nD|", "M:6/8\n"],
    ["", ""],
  ])("of %j are %j", (text, header) => expect(abcHeader(text)).toBe(header));
});
