import { describe, expect, it } from "vitest";
import { writeMidi, writeWav } from ".";

describe("WAV", () => {
  it("has the samples at their rate, one channel, 16 bits, clipped at full scale", async () => {
    const samples = Float32Array.from([0, 0.5, -0.5, 1, -1, 2, -2]);
    const bytes = await writeWav({ samples, rate: 44_100 });
    const view = new DataView(bytes.buffer);
    const text = (at: number) => String.fromCharCode(...bytes.slice(at, at + 4));
    expect([text(0), text(8), text(12), text(36)]).toEqual(["RIFF", "WAVE", "fmt ", "data"]);
    expect([view.getUint16(22, true), view.getUint32(24, true), view.getUint16(34, true)]).toEqual([
      1, 44_100, 16,
    ]);
    expect(view.getUint32(40, true)).toBe(samples.length * 2);
    const read = [...samples].map((_, at) => view.getInt16(44 + 2 * at, true));
    expect(read).toEqual([0, 16_384, -16_383, 32_767, -32_767, 32_767, -32_767]);
  });
});

describe("MIDI", () => {
  it("reads back as it was written: tracks, programs, notes in beats, the climbing tempo", async () => {
    const bytes = await writeMidi({
      title: "D Dorian",
      tempos: [
        { at: 0, tempo: 96 },
        { at: 8, tempo: 100 },
      ],
      parts: [
        {
          name: "Line",
          program: 24,
          notes: [62, 64].map((midi, at) => ({ midi, at: at / 3, length: 1 / 3 })),
        },
        { name: "Click", program: undefined, notes: [{ midi: 96, at: 0, length: 0.1 }] },
      ],
    });
    const { default: library } = await import("@tonejs/midi");
    const { header, tracks } = new library.Midi(bytes);
    expect(header.name).toBe("D Dorian");
    expect(header.tempos.map(({ bpm, ticks }) => [Math.round(bpm), ticks / header.ppq])).toEqual([
      [96, 0],
      [100, 8],
    ]);
    expect(header.timeSignatures[0]?.timeSignature).toEqual([4, 4]);
    expect(tracks.map(({ name, channel }) => [name, channel])).toEqual([
      ["Line", 0],
      ["Click", 9],
    ]);
    expect(tracks[0]?.instrument.number).toBe(24);
    expect(tracks[0]?.notes.map(({ midi, ticks }) => [midi, ticks / header.ppq])).toEqual([
      [62, 0],
      [64, 1 / 3],
    ]);
  });
});
