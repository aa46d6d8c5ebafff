import { strToU8 } from "fflate";
import { describe, expect, it, test } from "vitest";
import { readChart } from "@/core/chord";
import { readChartFile } from "@/formats";
import { ENSEMBLES } from "@/core/instrument";
import { midiOf } from "@/core/pitch";
import { chartFile, SAVED_AS, type WrittenFor, writtenParts } from "./chartFiles";
import { fitting } from "./useChartFile";

const TEXT = "[Gate]\n3/4 |: Em9 | A13/C# |1. D6 :|2. Cmaj7 ||";
const chart = readChart(TEXT).value;

const file = (as: (typeof SAVED_AS)[number], writtenFor: WrittenFor = "chords") =>
  chartFile(chart, TEXT, "The gate, at dark!", as, writtenFor, 90);
const bytesOf = ({ content }: { readonly content: string | Uint8Array }) =>
  typeof content === "string" ? strToU8(content) : content;

/** Tracks of a MIDI file: names, and notes with onset and length in quarters. */
async function tracksOf(bytes: Uint8Array) {
  const { default: library } = await import("@tonejs/midi");
  const { header, tracks } = new library.Midi(bytes);
  return {
    meter: header.timeSignatures[0]?.timeSignature,
    tempo: Math.round(header.tempos[0]?.bpm ?? 0),
    tracks: tracks.map(({ name, notes }) => ({
      name,
      notes: notes.map(({ midi, ticks, durationTicks }) => ({
        midi,
        at: ticks / header.ppq,
        length: durationTicks / header.ppq,
      })),
    })),
  };
}

describe("a chart in a file", () => {
  test.each([
    ["chordpro", "the-gate-at-dark.cho"],
    ["text", "the-gate-at-dark.txt"],
    ["musicxml", "the-gate-at-dark.musicxml"],
    ["midi", "the-gate-at-dark.mid"],
  ] as const)("as %s is called %s", async (as, name) => expect((await file(as)).name).toBe(name));

  it("comes back as it is played, with its title where the kind has one", async () => {
    const played = (text: string) => {
      const { chords, order } = readChart(text).value;
      return order.map((at) => chords[at]?.symbol);
    };
    for (const as of ["chordpro", "text", "musicxml"] as const) {
      const saved = await file(as);
      const { value, problems } = await readChartFile(bytesOf(saved), saved.name);
      expect([as, problems, played(value.text)]).toEqual([as, [], played(TEXT)]);
    }
    const xml = await file("musicxml");
    expect((await readChartFile(bytesOf(xml), "x.xml")).value.title).toBe("The gate, at dark!");
  });

  it("as MIDI has repeats and endings played out, in its meter and tempo, bass and chords apart", async () => {
    const { meter, tempo, tracks } = await tracksOf(bytesOf(await file("midi")));
    expect([meter, tempo, tracks.map(({ name }) => name)]).toEqual([[3, 4], 90, ["Chords", "Bass"]]);
    expect(tracks[1]?.notes.map(({ midi, at }) => [midi % 12, at])).toEqual([
      [4, 0],
      [1, 3],
      [2, 6],
      [4, 9],
      [1, 12],
      [0, 15],
    ]);
  });

  it("as MIDI in 6/8 lasts as long as it is heard: the tempo counts dotted quarters", async () => {
    const text = "6/8 | Em | C |";
    const made = await chartFile(readChart(text).value, text, "", "midi", "chords", 60);
    const { tempo, meter } = await tracksOf(bytesOf(made));
    expect([meter, tempo]).toEqual([[6, 8], 90]);
  });

  it("as MIDI for strings has a track for each, one note at a time, inside its range", async () => {
    const { tracks } = await tracksOf(bytesOf(await file("midi", "strings")));
    expect(tracks.map(({ name }) => name)).toEqual(["Violin 1", "Violin 2", "Viola", "Cello"]);
    for (const [at, { notes }] of tracks.entries()) {
      const part = ENSEMBLES.strings[at]!;
      expect(notes).toHaveLength(6);
      expect(notes.every(({ midi, length }) => midi >= part.low && midi <= part.high && length === 3)).toBe(
        true,
      );
    }
  });

  it("as MusicXML for a keyboard has both hands over the bars as they are written", async () => {
    const [right, left] = writtenParts(chart, "keyboard");
    expect([right?.notes.length, left?.notes.length]).toEqual([4, 4]);
    expect(right?.notes.every(({ pitches }) => pitches.length === 3)).toBe(true);
    expect(left?.notes.map(({ pitches }) => pitches.map(midiOf).map((midi) => midi % 12))).toEqual([
      [4],
      [1],
      [2],
      [0],
    ]);
    const { content } = await file("musicxml", "keyboard");
    expect(String(content)).toContain("<part-name>Left hand</part-name>");
  });

  test.each([
    ["gate.pdf", "%PDF", "kind-of-file"],
    ["gate", "just words here", "kind-of-file"],
    ["gate.mid", "MThd", "midi-unread"],
    ["gate.mxl", "PK\u0003\u0004", "xml-unread"],
    ["gate.xml", "<?xml", "xml-unread"],
    ["gate.cho", "", "no-chords"],
    ["gate.txt", "just words here", "kind-of-file"],
    ["gate.txt", `| ${"C ".repeat(150_000)}|`, "file-too-large"],
  ])("%s with %j is refused", async (name, content, code) => {
    const { value, problems } = fitting(await readChartFile(strToU8(content), name), name);
    expect(problems.map((problem) => problem.code)).toContain(code);
    if (code !== "no-chords") expect(value.text).toBe("");
  });

  it("named .txt is ChordPro where it says so", async () => {
    const { value } = await readChartFile(strToU8("{title: Gate}\n[Em9]Lanterns"), "gate.txt");
    expect(value.title).toBe("Gate");
  });
});
