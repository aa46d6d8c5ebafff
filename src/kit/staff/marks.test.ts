import { describe, expect, it } from "vitest";
import { readNotes, writeAbc } from "@/formats";
import { drawnNotes, type Engraved, nearestNote } from "./marks";

/** Stands for a drawn element; only its identity counts. */
const drawn = (name: string) => ({ name }) as unknown as SVGElement;
const note = (startChar: number, endChar: number, name: string) => ({
  el_type: "note",
  startChar,
  endChar,
  abselem: { elemset: [drawn(name)] },
});
const engraved = (...lines: readonly (readonly object[])[]) =>
  ({ lines: lines.map((voice) => ({ staff: [{ voices: [voice] }] })) }) as unknown as Engraved;

describe("the notes on the staff", () => {
  const { tune, text } = writeAbc(readNotes("A4 z C#5 | E5 A4").value);
  const places = tune.notes.map(({ from, to }) => [from, to] as const);
  const names = (map: ReadonlyMap<number, SVGElement>) =>
    [...map].map(([at, element]) => `${at} ${(element as unknown as { name: string }).name}`);

  it("are found by where both stand in the text, over lines and past rests", () => {
    const [a, c, e, again] = places.map(([from, to], at) => note(from - 1, to + 1, `n${at}`));
    const rest = note(text.indexOf("z"), text.indexOf("z") + 2, "rest");
    expect(names(drawnNotes(engraved([a!, rest, c!], [e!, again!]), tune.notes))).toEqual([
      "0 n0",
      "1 n1",
      "2 n2",
      "3 n3",
    ]);
  });

  it("that were tied on have no mark of their own; chords share one element", () => {
    const [a] = places;
    expect(names(drawnNotes(engraved([note(a![0], a![1], "a")]), tune.notes))).toEqual(["0 a"]);
    const chord = [0, 1].map(() => ({ ...tune.notes[0]!, from: 10, to: 14 }));
    expect(names(drawnNotes(engraved([note(10, 15, "chord")]), chord))).toEqual(["0 chord", "1 chord"]);
  });

  it("are none in an empty drawing", () => {
    expect(drawnNotes({ lines: [{}] }, tune.notes).size).toBe(0);
  });
});

describe("the note at a point", () => {
  const notes = [
    { at: 0, x: 100, y: 50 },
    { at: 1, x: 200, y: 60 },
    { at: 2, x: 105, y: 150 },
  ];
  it("is the nearest, on the line of music that the point is on", () => {
    expect(nearestNote(notes, 110, 60)).toBe(0);
    expect(nearestNote(notes, 190, 40)).toBe(1);
    expect(nearestNote(notes, 160, 140)).toBe(2);
    expect(nearestNote([], 0, 0)).toBeUndefined();
  });
});
