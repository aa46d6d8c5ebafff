import fc from "fast-check";
import { strToU8 } from "fflate";
import { describe, expect, it } from "vitest";
import { abcParts, type AbcPart } from ".";

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
