import { describe, expect, it, test } from "vitest";
import { isRecording, onlyTextIn, textAt, textsIn } from "./files";

const BOOK = "% a book\nX:1\nT:Gate\nK:C\nCDE|\n\nX:2\nT:Moon\nK:D\nDEF|\n";
const file = (content: BlobPart, name: string) => new File([content], name);

async function told(given: File): Promise<readonly string[]> {
  const all: string[] = [];
  for await (const found of textsIn(given))
    all.push("text" in found ? `${found.text.source} ${found.from}-${found.to}` : found.code);
  return all;
}

describe("what is in a file", () => {
  test.each([
    ["a book, tune by tune", file(BOOK, "book.abc"), ["abc 9-30", "abc 30-50"]],
    ["typed notes", file("A4 B4", "a.txt"), ["notes 0-5"]],
    ["nothing", file("", "a.abc"), ["file-empty"]],
    ["a picture", file(Uint8Array.from([137, 80, 78, 71, 0, 1, 2, 3]), "a.abc"), ["kind-of-file"]],
    ["too much for a score", file(new Uint8Array(16_000_001), "a.xml"), ["file-too-large"]],
    [
      "a tune without an end",
      file(`X:1\nK:C\n${"CDEF|".repeat(300_000)}\nX:2\nK:D\nD4|\n`, "a.abc"),
      ["abc 0-1048576", "tune-cut", "abc 1500009-1500021"],
    ],
  ])("%s", async (_, given, expected) => expect(await told(given)).toEqual(expected));

  it("that cannot be opened any more is told, and not thrown", async () => {
    const gone = file("A4", "gone.abc");
    const unreadable = () => Promise.reject(new DOMException("gone", "NotReadableError"));
    Object.defineProperty(gone, "slice", { value: () => ({ arrayBuffer: unreadable }) });
    expect(await told(gone)).toEqual(["file-unreadable"]);
  });

  it("is one thing, or several", async () => {
    expect(await onlyTextIn(file(BOOK, "book.abc"))).toBe("several");
    expect(await onlyTextIn(file("A4 B4", "a.txt"))).toEqual({ source: "notes", text: "A4 B4", name: "a" });
    expect(await onlyTextIn(file("", "a.abc"))).toMatchObject({ code: "file-empty" });
  });

  it("is found again by where it stood", async () => {
    const book = file(BOOK, "book.abc");
    expect(await textAt(book, 30, 50)).toEqual({
      source: "abc",
      text: "X:2\nT:Moon\nK:D\nDEF|\n",
      name: "book",
    });
    const notes = file("A4 B4", "a.txt");
    expect((await textAt(notes, 0, 5))?.text).toBe("A4 B4");
  });
});

describe("a recording", () => {
  test.each([
    ["a.wav", "", true],
    ["a.MP3", "", true],
    ["a", "audio/ogg", true],
    ["a.mid", "audio/midi", false],
    ["a.mid", "audio/mid", false],
    ["a.abc", "text/plain", false],
  ])("%s of type %j: %s", (name, type, is) => expect(isRecording({ name, type })).toBe(is));
});
