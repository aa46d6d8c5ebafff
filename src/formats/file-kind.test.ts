import { strToU8 } from "fflate";
import { expect, test } from "vitest";
import { fileKind } from ".";

const bytes = (...codes: readonly number[]) => Uint8Array.from(codes);

test.each([
  ["X:1\nT:Gate\nK:Dm\nA2|", "abc"],
  ["T:Gate\nK:D\nA2|", "abc"],
  ["MThd\u0000\u0000\u0000\u0006", "midi"],
  ["RIFF....RMID", "midi"],
  ["RIFF....WAVEfmt ", "recording"],
  ["OggS....", "recording"],
  ["ID3\u0004", "recording"],
  ["PK\u0003\u0004", "musicxml"],
  ['<?xml version="1.0"?><score-partwise>', "musicxml"],
  ["  <score-timewise>", "musicxml"],
  ['{\n "format": "shade-backup",\n "version": 2', "backup"],
  ['{\n "format": "shade-exam",', "exam"],
  ["exam,started,question,texture\r\n", "exam-result"],
  ['"Day";"Time";"Kind"\n', "log"],
  ["{title: Gate}\n[Am]Rain on [G]tin", "chordpro"],
  ["[Am]Rain on the [G]tin roof, all [F]night [E7]long", "chordpro"],
  ["| Em9 | A13 | Em9 | A13 |", "chart"],
  ["Dm7 G7 Cmaj7", "chart"],
  ["[Gate]\n3/4 |: Em9 | A13/C# |1. D6 :|2. Cmaj7 ||", "chart"],
  ["# The gate\n| Am | G |", "chart"],
  ["A4:1 B4:0.5 C#5 | D5:2 ||", "notes"],
  ["! gate.scl\n!\nA scale\n 2\n", "scala"],
] as const)("%j is %s, whatever it is called", (text, kind) => {
  for (const name of ["x", "x.bin", "x.doc"]) expect(fileKind(strToU8(text, true), name)).toBe(kind);
});

test.each([
  ["A scale\n2\n5/4\n2/1\n", "fifths.scl", "scala"],
  ["Rain on tin", "rain.cho", "chordpro"],
  ["a", "letter.txt", "notes"],
  ["", "empty.abc", "notes"],
  ["Dear all, the rehearsal is on Friday.", "letter.md", "unknown"],
  ["%PDF-1.7", "gate.pdf", "unknown"],
] as const)("%j called %s is %s", (text, name, kind) => expect(fileKind(strToU8(text), name)).toBe(kind));

test("sound without a name of its own is told by its bytes", () => {
  expect(fileKind(bytes(0xff, 0xfb, 0x90, 0), "x")).toBe("recording");
  expect(fileKind(bytes(0x1a, 0x45, 0xdf, 0xa3), "x")).toBe("recording");
  // UTF-16 begins much as an MP3 frame does.
  expect(fileKind(bytes(0xff, 0xfe, 0x41, 0, 0x34, 0, 0x20, 0, 0x42, 0, 0x34, 0), "x.txt")).toBe("notes");
});
