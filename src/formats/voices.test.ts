import { readFileSync } from "node:fs";
import { describe, expect, it, test } from "vitest";
import { identify } from "@/core/identify";
import { printName, printPitch } from "@/core/pitch";
import { allNotes, noteAcross, noteBeside, phraseEnds, type Tune, voiceNotes } from "@/core/tune";
import { openTuneFile, readAbc, readTunes, writeAbc } from ".";

const opened = async (name: string): Promise<Tune> => {
  const file = new URL(`../../tests/fixtures/${name}`, import.meta.url);
  const { value } = await openTuneFile(new Uint8Array(readFileSync(file)), name);
  const [first] = (await readTunes(value!)).value;
  return first!.tune;
};
const answer = (tune: Tune) => {
  const found = identify(tune)!;
  return `${printName(found.homeMode.home)} ${found.homeMode.mode.id}`;
};
const names = (tune: Tune, places: readonly number[]) =>
  places.map((at) => printName(allNotes(tune)[at]!.pitch.name)).join(" ");

describe("pieces in several voices", () => {
  test.each([
    ["chorale.musicxml", "E aeolian", ["treble", "treble", "bass", "bass"], [0, 0, 1, 1]],
    ["piano.musicxml", "D dorian", ["treble", "bass"], [0, 1]],
    ["guitar.musicxml", "A mixolydian", ["treble-8", "treble-8"], [0, 0]],
    ["band.mid", "G mixolydian", ["treble", "bass", "treble"], [0, 1, 2]],
  ])("%s is in %s, its voices on their staves in their clefs", async (name, expected, clefs, staves) => {
    const tune = await opened(name);
    expect(answer(tune)).toBe(expected);
    expect(tune.voices?.map(({ clef }) => clef)).toEqual(clefs);
    expect(tune.voices?.map(({ staff }) => staff)).toEqual(staves);
    for (const [voice] of tune.voices?.entries() ?? [])
      expect(voiceNotes(tune, voice).length).toBeGreaterThan(7);
  });

  it("a chorale: its fermatas are its phrases, its bars are numbered as printed, raised notes pass", async () => {
    const tune = await opened("chorale.musicxml");
    expect(names(tune, phraseEnds(tune))).toBe("E B A F# E");
    expect(tune.bars.map(({ number }) => number)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10]);
    const found = identify(tune)!;
    expect(found.outside.map(({ note, role }) => [printName(note), role])).toEqual([
      ["D#", "leading"],
      ["G#", "raised-third"],
    ]);
    // What speaks in the bass points at notes of the bass.
    const bass = found.evidence.find(({ code }) => code === "last-bass");
    expect([bass && printName(bass.from!), allNotes(tune)[bass!.notes.at(-1)!]?.voice]).toEqual(["B", 3]);
  });

  it("a band: drums are left out, and the whistle is its melody", async () => {
    const tune = await opened("band.mid");
    expect(tune.voices?.map(({ name }) => name)).toEqual(["Whistle", "Bass", "Guitar"]);
    expect(names(tune, [0, 1, 2, 3])).toBe("D B G B");
  });

  it("a broken chord at the end rests on its lowest note", async () => {
    const found = identify(await opened("piano.musicxml"))!;
    expect(printName(found.hearing.voices!.last.to.note.pitch.name)).toBe("D");
  });

  it("without a voice it is another piece: without the bass, without the melody", async () => {
    const tune = await opened("chorale.musicxml");
    const places = (voice: number) =>
      allNotes(tune).flatMap((note, at) => ((note.voice ?? 0) === voice ? [at] : []));
    const without = (...voices: number[]) => identify(tune, { without: new Set(voices.flatMap(places)) })!;
    expect(without(3).evidence.find(({ code }) => code === "last-bass")?.notes[0]).not.toBe(
      identify(tune)?.evidence.find(({ code }) => code === "last-bass")?.notes[0],
    );
    expect(without(1, 2, 3).hearing.voices).toBeUndefined();
    const lower = without(0);
    expect(lower.hearing.notes).toBe(allNotes(tune).length - tune.notes.length);
    expect(identify(tune, { without: new Set(allNotes(tune).keys()) })).toBeUndefined();
  });

  it("goes from note to note in a voice, and to what sounds at the same time in another", async () => {
    const tune = await opened("chorale.musicxml");
    const below = noteAcross(tune, 2, 1);
    expect(allNotes(tune)[below]).toMatchObject({ voice: 1, onset: tune.notes[2]?.onset });
    expect(noteAcross(tune, below, -1)).toBe(2);
    expect(allNotes(tune)[noteBeside(tune, below, 1)]?.voice).toBe(1);
    expect([noteBeside(tune, 0, -1), noteAcross(tune, 0, -1)]).toEqual([0, 0]);
  });

  test.each(["chorale.musicxml", "piano.musicxml", "guitar.musicxml", "band.mid"])(
    "%s comes back from ABC with its voices, clefs, key and phrases, every note in its place",
    async (name) => {
      const tune = await opened(name);
      const written = writeAbc(tune);
      const [back] = (await readAbc(written.text)).value;
      const told = (each: Tune) =>
        each.voices?.map((voice, at) => ({
          ...voice,
          notes: voiceNotes(each, at).map(
            ({ pitch, onset }) => `${printName(pitch.name)}${pitch.octave} ${onset}`,
          ),
        }));
      const sounding = told(back!.tune)?.map(({ notes, clef, staff, name: called }) => ({
        called,
        clef,
        staff,
        notes,
      }));
      expect(sounding).toEqual(
        told(tune)?.map(({ notes, clef, staff, name: called }) => ({ called, clef, staff, notes })),
      );
      expect(back?.tune.phraseMarks).toEqual(tune.phraseMarks);
      const plain = (each: Tune) => each.keys?.map(({ home, mode, bar }) => [home, mode.id, bar]);
      expect(plain(back!.tune)).toEqual(plain(tune));
      const all = allNotes(written.tune);
      expect(all.every(({ from, to }) => to > from && to <= written.text.length)).toBe(true);
    },
  );
});

describe("where phrases end", () => {
  const abc = async (text: string) => (await readAbc(text)).value[0]!.tune;

  it("fermatas and breath marks of ABC; one alone is a pause", async () => {
    const marked = await abc("X:1\nL:1/4\nM:4/4\nK:C\nCD!fermata!E2|FG!breath!A2|AGFE|C4|]");
    expect(names(marked, phraseEnds(marked))).toBe("E A C");
    const paused = await abc("X:1\nL:1/4\nM:4/4\nK:C\nCD!fermata!E2|FGA2|AGFE|D4|EFGA|C4|]");
    expect(names(paused, phraseEnds(paused))).toBe("A D C");
  });
});

describe("what a text is", () => {
  const kind = async (text: string) => {
    const { value, problems } = await openTuneFile(new TextEncoder().encode(text), "x.txt");
    const read = value && (await readTunes(value));
    return [
      value?.source,
      read?.value.length,
      [...problems, ...(read?.problems ?? [])].map(({ code }) => code),
    ];
  };

  test.each([
    ["C:2 D:1 E:1 | C:4 ||", ["notes", 1, []]],
    ["A4 B4\nG:1 F:2 E:1", ["notes", 1, []]],
    ["T:Stair\nK:C\nCDE|", ["abc", 1, []]],
    [
      "**kern **kern\n*M4/4 *M4/4\n=1 =1\n4c 4e\n4d 4f\n4e 4g\n=2 =2\n4f 4a\n*- *-",
      ["notes", 0, ["not-music"]],
    ],
    ['{"notes": ["A", "B"], "title": "x", "tempo": 96, "key": "C", "by": "me"}', ["notes", 0, ["not-music"]]],
    ["Dear friend, a letter is no tune, but A and B and C are in it.", ["notes", 0, ["not-music"]]],
  ])("%j", async (text, expected) => expect(await kind(text)).toEqual(expected));
});

describe("a clef with an 8 below", () => {
  it("is written an octave above its sound, and read back at its sound", async () => {
    const written = await readAbc("X:1\nL:1/4\nK:EDor\nV:1 clef=treble-8\nEGBe|\nV:2 clef=bass\nE,4|\n");
    const tune = written.value[0]!.tune;
    expect(tune.notes.map(({ pitch }) => printPitch(pitch))).toEqual(["E3", "G3", "B3", "E4"]);
    const { text } = writeAbc(tune);
    expect(text).toMatch(/V:1 clef=treble-8\nE2 G2 B2 e2/u);
    const again = (await readAbc(text)).value[0]!.tune;
    expect(again.notes.map(({ pitch }) => pitch)).toEqual(tune.notes.map(({ pitch }) => pitch));
    expect(again.beneath?.map(({ pitch }) => pitch)).toEqual(tune.beneath?.map(({ pitch }) => pitch));
  });
});
