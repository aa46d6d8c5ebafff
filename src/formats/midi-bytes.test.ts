import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { openTuneFile, readMidiChords, readMidiTune } from ".";
import { wholeMidi } from "./midi-bytes";

const hex = (text: string) =>
  Uint8Array.from(text.match(/[0-9a-f]{2}/giu) ?? [], (byte) => Number.parseInt(byte, 16));
const HEAD = "4D546864 00000006 0001 0001 0060";
const file = (track: string, head = HEAD) => {
  const bytes = hex(track);
  const length = bytes.length.toString(16).padStart(8, "0");
  return hex(`${head} 4D54726B ${length} ${track}`);
};
/** D, E and F, a quarter each. */
const THREE = "00 903E50 60 803E00 00 904050 60 804000 00 904150 60 804100";
const END = "00 FF2F00";
const notes = async (bytes: Uint8Array) => {
  const { value, problems } = await readMidiTune(bytes);
  return [value?.notes.length ?? 0, problems.map(({ code }) => code).join(" ")];
};

describe("a MIDI file is checked before a library reads it", () => {
  it("is the same where it is whole", async () => {
    const whole = file(`${THREE} ${END}`);
    expect(wholeMidi(whole)).toEqual({ bytes: whole, torn: 0 });
    expect(await notes(whole)).toEqual([3, ""]);
  });

  test.each([
    [
      "a length of five bytes, which turns negative in the library and never ends",
      `${THREE} 00 FF01 8880808000 ${END}`,
    ],
    ["a text longer than its track", `${THREE} 00 FF01 7F 4142`],
    ["a length that doesn't end", `${THREE} 00 FF01 FFFFFFFF`],
    ["a message of the system among the notes", `${THREE} 00 F1 00 ${END}`],
    ["a note without its strength", `${THREE} 00 9040`],
    ["a value beyond 127", `${THREE} 00 9040FF ${END}`],
    ["an exclusive message that doesn't end", `${THREE} 00 F0 7F 0102`],
  ])("keeps the notes before %s", async (_, track) =>
    expect(await notes(file(track))).toEqual([3, "tracks-torn"]),
  );

  it("ends the file that hung everything: 38 bytes", async () => {
    const killer = hex(
      "4D546864 00000006 0000 0001 01E0 4D54726B 00000010 00 903C40 00 FF01 8880808000 00 FF2F00",
    );
    expect(killer).toHaveLength(38);
    for (const read of [readMidiTune, readMidiChords])
      expect((await read(killer)).problems.length).toBeGreaterThan(0);
  });

  test.each([
    ["a track without its end", file(THREE)],
    [
      "running status after a text",
      file(`00 903E50 60 3E00 00 FF01 0141 00 4050 60 4000 00 4150 60 4100 ${END}`),
    ],
    ["a time signature of one byte, which says nothing", file(`00 FF58 0104 ${THREE} ${END}`)],
    [
      "chunks of other kinds",
      hex(`${HEAD} 58585858 00000002 0102 4D54726B 0000001B ${THREE.replaceAll(" ", "")}00FF2F`.concat("00")),
    ],
    ["a longer header", file(`${THREE} ${END}`, "4D546864 00000008 0001 0001 0060 0000")],
    ["format 2", file(`${THREE} ${END}`, "4D546864 00000006 0002 0001 0060")],
    [
      "a RIFF around it",
      hex(`52494646 00000000 524D4944 64617461 00000000 ${HEAD} 4D54726B 0000001C ${THREE} ${END}`),
    ],
  ])("reads %s", async (_, bytes) => expect((await notes(bytes))[0]).toBe(3));

  test.each([
    ["nothing", ""],
    ["a header alone", HEAD],
    ["a header that breaks off", "4D546864 0000"],
    ["another file", "504B0304"],
    ["a division of nothing", "4D546864 00000006 0000 0001 0000 4D54726B 00000004 00FF2F00"],
  ])("says that %s is none", async (_, text) => {
    expect((await readMidiTune(hex(text))).problems.map(({ code }) => code)).toEqual(["midi-unread"]);
  });

  it("reads film time at 120 quarters a minute, and says so: 25 frames of 40 ticks are two quarters", async () => {
    const film = file(`00 903E50 8374 803E00 ${END}`, "4D546864 00000006 0000 0001 E728");
    const { value, problems } = await readMidiTune(film);
    expect(value?.notes.map(({ duration }) => duration)).toEqual([1]);
    expect(problems.map(({ code }) => code)).toEqual(["film-time"]);
  });

  it("lays the patterns of format 2 one after another", async () => {
    const two = hex(
      `4D546864 00000006 0002 0002 0060 ${`4D54726B 0000001C ${THREE} ${END}`.repeat(2)}`.replaceAll(" ", ""),
    );
    const { value } = await readMidiTune(two);
    const all = [...(value?.notes ?? []), ...(value?.beneath ?? [])];
    expect(all.map(({ onset }) => onset).sort((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 5]);
  });

  test.each([
    [
      "a note struck twice and let go twice: each its own end",
      "00 903E50 60 903E50 60 803E00 60 803E00",
      [2, 2],
    ],
    ["a note that is never let go sounds to the end", "00 903E50 60 904050 60 804000", [2, 1]],
    ["an end without a beginning says nothing", "00 803E00 00 903E50 60 803E00", [1]],
    ["a note let go at once is none", "00 903E50 00 803E00 00 904050 60 804000", [1]],
  ])("%s", async (_, track, lengths) => {
    const { value } = await readMidiTune(file(`${track} ${END}`));
    const all = [...(value?.notes ?? []), ...(value?.beneath ?? [])].sort((a, b) => a.onset - b.onset);
    expect(all.map(({ duration }) => duration)).toEqual(lengths);
  });

  it("keeps the time of what follows an event that says nothing", () => {
    const { bytes } = wholeMidi(file(`8000 FF59 0100 60 903E50 60 803E00 ${END}`))!;
    expect(Buffer.from(bytes.subarray(22)).toString("hex")).toBe(
      "60 903E50 60 803E00 00 FF2F00".replaceAll(" ", "").toLowerCase(),
    );
  });

  it("answers every damaged file in time, with no error", async () => {
    const whole = file(`00 FF5103 07A120 00 FF5804 04021808 ${THREE} 00 F0 02 01F7 ${THREE} ${END}`);
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat(whole.length - 1), fc.nat(255)), { minLength: 1, maxLength: 6 }),
        fc.nat(whole.length),
        async (hits, cut) => {
          const bytes = whole.slice(0, cut < 30 ? whole.length : cut);
          for (const [at, value] of hits) if (at < bytes.length) bytes[at] = value;
          const begun = performance.now();
          for (const read of [readMidiTune, readMidiChords]) {
            const { problems } = await read(bytes);
            expect(Array.isArray(problems)).toBe(true);
          }
          await openTuneFile(bytes, "x.mid");
          expect(performance.now() - begun).toBeLessThan(20_000);
        },
      ),
      { numRuns: 500 },
    );
  }, 240_000);
});
