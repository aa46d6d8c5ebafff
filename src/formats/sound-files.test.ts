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

  it("has the title in ASCII and in UTF-8, key, meter, volumes and how hard notes are struck, byte for byte", async () => {
    const bytes = await writeMidi({
      title: "C♭ Lydian",
      tempos: [{ at: 0, tempo: 120 }],
      meters: [
        { at: 0, beats: 1, unit: 8 },
        { at: 0.5, beats: 6, unit: 8 },
      ],
      key: { tonic: -6, isMinor: false },
      parts: [
        { name: "Line", program: 110, level: -12, notes: [{ midi: 60, at: 0, length: 1, loud: 0.5 }] },
        { name: "Bass", program: 33, notes: [] },
        { name: "Click", program: undefined, notes: [{ midi: 76, at: 0, length: 0.1 }] },
      ],
    });
    const text = Buffer.from(bytes).toString("latin1");
    const hex = (codes: string) =>
      String.fromCharCode(...codes.split(" ").map((code) => Number.parseInt(code, 16)));
    // Three tracks at 480 ticks: the one without notes is left out.
    expect(text.startsWith(`MThd${hex("0 0 0 6 0 1 0 3 1 e0")}`)).toBe(true);
    expect(text).toContain(`${hex("ff 3 9")}Cb Lydian`);
    expect(text).toContain(`${hex("ff 1 b")}${Buffer.from("C♭ Lydian").toString("latin1")}`);
    // Six flats, major; half a million microseconds to the quarter; 1/8, then 6/8.
    for (const event of ["ff 59 2 fa 0", "ff 51 3 7 a1 20", "ff 58 4 1 3", "ff 58 4 6 3 24 8"])
      expect(text, event).toContain(hex(event));
    // Program, volume 12 dB down as General MIDI counts it, half as hard.
    for (const event of ["c0 6e", "b0 7 40", "90 3c 40", "99 4c"]) expect(text, event).toContain(hex(event));
    expect(text).not.toContain("Bass");
  });
});
