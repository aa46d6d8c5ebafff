import fc from "fast-check";
import { strToU8, zipSync } from "fflate";
import { describe, expect, it, test } from "vitest";
import { printChord } from "@/core/chord";
import { printName, printPitch } from "@/core/pitch";
import type { Tune, TuneNote } from "@/core/tune";
import {
  engravingOf,
  openTuneFile,
  readAbc,
  readMidiTune,
  readMusicXmlTune,
  readNotes,
  readTunes,
  writeAbc,
  writeMidi,
  writeTuneMidi,
  writeTuneXml,
} from ".";

const line = (notes: readonly TuneNote[] = []) =>
  notes.map(({ pitch, onset, duration }) => `${printPitch(pitch)}@${onset}:${duration}`).join(" ");
const chordLine = ({ chords = [] }: Tune) =>
  chords.map(({ chord, onset, duration }) => `${printChord(chord)}@${onset}:${duration}`).join(" ");
const keyLine = ({ keys = [] }: Tune) =>
  keys.map(({ home, mode, bar }) => `${bar} ${printName(home)} ${mode.id}`).join(", ");
const signLine = ({ bars }: Tune) =>
  bars
    .map(
      ({ signs, endsSection }) =>
        `${signs?.opens ? ":" : ""}${signs?.endings.join("") ?? ""}.${(signs?.times ?? 1) > 1 ? ":" : ""}${endsSection ? "|" : ""}`,
    )
    .join(" ");
const abc = async (text: string) => (await readAbc(text)).value[0]?.tune;
const codes = (found: { readonly problems: readonly { readonly code: string }[] }) =>
  found.problems.map(({ code }) => code);

describe("ABC as it circulates", () => {
  test.each([
    ["no key field", "X:1\nL:1/4\nM:3/4\nABc|", "A4@0:1 B4@1:1 C5@2:1"],
    ["no number", "T:Gate\nL:1/4\nK:G\nFGA|", "F#4@0:1 G4@1:1 A4@2:1"],
    ["spaces in fields, CR LF", "X: 1\r\nT: Gate\r\nL: 1/4\r\nK: D Dor\r\nFGA|\r\n", "F4@0:1 G4@1:1 A4@2:1"],
    ["a comment behind the key", "X:1\nL:1/4\nK:AMix % by ear\nGc|", "G4@0:1 C#5@1:1"],
    ["ornaments", "X:1\nL:1/4\nK:C\n~A !trill!B {cd}e .f|", "A4@0:1 B4@1:1 E5@2:1 F5@3:1"],
    ["accidentals of its own", "X:1\nL:1/4\nK:D Phr ^f\nefeB|", "Eb5@0:1 F#5@1:1 Eb5@2:1 Bb4@3:1"],
    ["nothing but its own", "X:1\nL:1/4\nK:D exp _e ^f\nefcB|", "Eb5@0:1 F#5@1:1 C5@2:1 B4@3:1"],
    ["pipers' key", "X:1\nL:1/4\nK:Hp\nfcg|", "F#5@0:1 C#5@1:1 G5@2:1"],
    [
      "a key that changes inside",
      "X:1\nL:1/4\nK:D\nf c|[K:Dm]f b|\nK:G\nf|",
      "F#5@0:1 C#5@1:1 F5@2:1 Bb5@3:1 F#5@4:1",
    ],
    ["a tune of one tied note", "X:1\nL:1/4\nM:2/4\nK:C\nA2-|A2-|A2|", "A4@0:6"],
    ["double stops", "X:1\nL:1/4\nK:D\n[DA]2f2|", "D4@0:2 A4@0:2 F#5@2:2"],
  ])("%s", async (_, text, notes) => expect(line((await abc(text))?.notes)).toBe(notes));

  test.each([
    ["D Phr ^f", "0 D phrygian-dominant"],
    ["A exp ^g", "0 A harmonic-minor"],
    ["C#m", "0 C# aeolian"],
    ["Gb lydian", "0 Gb lydian"],
    ["Amin clef=bass", "0 A aeolian"],
    ["none", ""],
    ["HP", ""],
    ["", ""],
  ])("K:%s declares %j", async (field, declared) => {
    const tune = await abc(`X:1\nL:1/4\nK:${field}\nABc|`);
    expect(tune && keyLine(tune)).toBe(declared);
  });

  it("keeps where a key changes", async () => {
    const tune = await abc("X:1\nL:1/4\nM:2/4\nK:D\nfc|df|[K:Ddor]fa|\n");
    expect(tune && keyLine(tune)).toBe("0 D ionian, 2 D dorian");
  });

  it("reads chord symbols with how long they hold, and not what is only written above", async () => {
    const tune = await abc('X:1\nL:1/4\nM:4/4\nK:Am\n"Am"A2 "G"B2|"^slowly""E7/G#"e4|\n');
    expect(tune && chordLine(tune)).toBe("Am@0:2 G@2:2 E7/G#@4:4");
  });

  it("takes the first voice for the melody and lays the others beneath", async () => {
    const tune = await abc(
      "X:1\nL:1/4\nM:4/4\nV:1\nV:2 clef=bass\nK:Dm\nV:1\na2f2|d4|\nV:2\nD,4|D,2 A,,2|\n",
    );
    expect(line(tune?.notes)).toBe("A5@0:2 F5@2:2 D5@4:4");
    expect(line(tune?.beneath)).toBe("D3@0:4 D3@4:2 A2@6:2");
    expect(tune?.beneath?.map(({ bar }) => bar)).toEqual([0, 1, 1]);
  });

  it("reads repeats and endings", async () => {
    const tune = await abc("X:1\nL:1/4\nM:2/4\nK:C\n|:CD|1 EF:|2 EC||GA::GE|C2:|\n");
    expect(tune && signLine(tune)).toBe(". 1.:| 2.| .:| :. .:|".replace(/^\./, ":."));
  });
});

const score = (parts: string, list = '<score-part id="P1"><part-name>Fiddle</part-name></score-part>') =>
  `<?xml version="1.0"?><!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">
<score-partwise version="4.0"><work><work-title>Gate</work-title></work><part-list>${list}</part-list>${parts}</score-partwise>`;
const part = (measures: readonly string[], id = "P1") =>
  `<part id="${id}">${measures.map((each, at) => `<measure number="${at + 1}">${each}</measure>`).join("")}</part>`;
const ATTRIBUTES =
  "<attributes><divisions>2</divisions><time><beats>2</beats><beat-type>4</beat-type></time></attributes>";
const note = (step: string, octave: number, duration: number, more = "", alter = 0) =>
  `<note>${more.includes("<chord/>") ? "<chord/>" : ""}<pitch><step>${step}</step>${alter === 0 ? "" : `<alter>${alter}</alter>`}<octave>${octave}</octave></pitch><duration>${duration}</duration>${more.replace("<chord/>", "")}</note>`;

describe("MusicXML", () => {
  test.each([
    ["notes", [note("F", 4, 2, "", 1) + note("G", 4, 2)], "F#4@0:1 G4@1:1"],
    ["a rest", [`<note><rest/><duration>2</duration></note>${note("G", 4, 2)}`], "G4@1:1"],
    ["a chord", [note("D", 4, 4) + note("A", 4, 4, "<chord/>")], "D4@0:2 A4@0:2"],
    [
      "ties over the bar line",
      [note("A", 4, 4, '<tie type="start"/>'), note("A", 4, 2, '<tie type="stop"/>') + note("B", 4, 2)],
      "A4@0:3 B4@3:1",
    ],
    [
      "grace notes left out",
      [`<note><grace/><pitch><step>C</step><octave>5</octave></pitch></note>${note("B", 4, 4)}`],
      "B4@0:2",
    ],
    [
      "cue notes left out",
      [
        `<note><cue/><pitch><step>C</step><octave>5</octave></pitch><duration>2</duration></note>${note("B", 4, 4)}`,
      ],
      "B4@0:2",
    ],
  ])("%s", async (_, measures, notes) => {
    const [first = "", ...rest] = measures;
    const { value, problems } = await readMusicXmlTune(score(part([ATTRIBUTES + first, ...rest])));
    expect([line(value?.notes), problems, value?.title]).toEqual([notes, [], "Gate"]);
  });

  it("lays other voices and parts beneath the first", async () => {
    const first = `${ATTRIBUTES}${note("A", 4, 4, "<voice>1</voice>")}<backup><duration>4</duration></backup>${note("F", 4, 4, "<voice>2</voice>")}`;
    const { value } = await readMusicXmlTune(
      score(
        part([first]) + part([ATTRIBUTES + note("D", 3, 4)], "P2"),
        '<score-part id="P1"/><score-part id="P2"/>',
      ),
    );
    expect([line(value?.notes), line(value?.beneath)]).toEqual(["A4@0:2", "F4@0:2 D3@0:2"]);
  });

  it("sounds transposing instruments and their key as they sound", async () => {
    const clarinet = `<attributes><divisions>2</divisions><key><fifths>2</fifths><mode>dorian</mode></key><transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose></attributes>`;
    const { value } = await readMusicXmlTune(
      score(part([clarinet + note("E", 4, 2) + note("F", 4, 2, "", 1)])),
    );
    expect(line(value?.notes)).toBe("D4@0:1 E4@1:1");
    const low = clarinet.replace("</transpose>", "<octave-change>-1</octave-change></transpose>");
    const bass = await readMusicXmlTune(score(part([low + note("E", 4, 2)])));
    expect(line(bass.value?.notes)).toBe("D3@0:1");
    // The key may stand before the transposition: D major's signature under E, sounding C major's under D.
    expect(value && keyLine(value)).toBe("0 D dorian");
  });

  it("reads repeats, endings, chord symbols and changes of meter", async () => {
    const harmony = (step: string, kind: string) =>
      `<harmony><root><root-step>${step}</root-step></root><kind>${kind}</kind></harmony>`;
    const { value } = await readMusicXmlTune(
      score(
        part([
          `${ATTRIBUTES}<barline location="left"><repeat direction="forward"/></barline>${harmony("A", "minor")}${note("A", 4, 4)}`,
          `<barline location="left"><ending number="1" type="start"/></barline>${harmony("G", "major")}${note("B", 4, 4)}<barline location="right"><ending number="1" type="stop"/><repeat direction="backward"/></barline>`,
          `<barline location="left"><ending number="2" type="start"/></barline><attributes><time><beats>3</beats><beat-type>4</beat-type></time></attributes>${note("A", 4, 6)}<barline location="right"><bar-style>light-heavy</bar-style><ending number="2" type="stop"/></barline>`,
        ]),
      ),
    );
    expect(value && [signLine(value), chordLine(value)]).toEqual([":. 1.:| 2.|", "Am@0:2 G@2:5"]);
    expect(value?.bars.map(({ length }) => length)).toEqual([2, 2, 3]);
  });

  it("is read from a compressed file", async () => {
    const packed = zipSync({
      mimetype: strToU8("application/vnd.recordare.musicxml"),
      "META-INF/container.xml": strToU8("<container/>"),
      "gate.musicxml": strToU8(score(part([ATTRIBUTES + note("A", 4, 4)]))),
    });
    const { value } = await openTuneFile(packed, "gate.mxl");
    expect(value?.source).toBe("musicxml");
    const { value: tunes } = await readTunes(value!);
    expect(line(tunes[0]?.tune.notes)).toBe("A4@0:2");
  });

  it("says what is wrong with what is no score, is only drums, or has no notes", async () => {
    expect(codes(await readMusicXmlTune("<html><body/></html>"))).toEqual(["xml-unread"]);
    expect(codes(await readMusicXmlTune("<score-partwise><part><measure>"))).toEqual(["no-notes"]);
    const drums = `${ATTRIBUTES}<note><unpitched/><duration>4</duration></note>`;
    expect(codes(await readMusicXmlTune(score(part([drums]))))).toEqual(["only-drums"]);
  });

  it("is not blown up by entities that stand for one another", async () => {
    const entities = Array.from({ length: 12 }, (_, at) =>
      at === 0 ? '<!ENTITY e0 "aaaaaaaaaa">' : `<!ENTITY e${at} "${`&e${at - 1};`.repeat(10)}">`,
    ).join("");
    const bomb = score(part([ATTRIBUTES + note("A", 4, 4)]))
      .replace(/<!DOCTYPE[^>]*>/, `<!DOCTYPE score-partwise [${entities}]>`)
      .replace("Gate", "&e11;");
    const { value } = await readMusicXmlTune(bomb);
    expect((value?.title.length ?? 0) < 1000).toBe(true);
  });

  it("does not unpack an archive that would fill the memory", async () => {
    const bomb = zipSync({ "a.musicxml": new Uint8Array(30_000_000) }, { level: 9 });
    expect(bomb.length < 100_000).toBe(true);
    expect(codes(await openTuneFile(bomb, "a.mxl"))).toEqual(["zip-unread"]);
    // An archive that lies about its length is not unpacked past it.
    const lying = zipSync({ "a.musicxml": new Uint8Array(1_000_000) }, { level: 9 });
    for (let at = 0; at + 4 <= lying.length; at += 1)
      if (new DataView(lying.buffer).getUint32(at, true) === 1_000_000)
        new DataView(lying.buffer).setUint32(at, 10, true);
    const { value } = await openTuneFile(lying, "a.mxl");
    expect((value?.text.length ?? 0) <= 10).toBe(true);
  });
});

/** A MIDI file of bytes: header, then the tracks. */
function midi(format: number, tracks: readonly (readonly number[])[], ppq = 96): Uint8Array {
  const four = (n: number) => [(n >> 24) & 255, (n >> 16) & 255, (n >> 8) & 255, n & 255];
  const chars = (text: string) => [...text].map((letter) => letter.charCodeAt(0));
  return Uint8Array.from([
    ...chars("MThd"),
    ...four(6),
    0,
    format,
    0,
    tracks.length,
    ppq >> 8,
    ppq & 255,
    ...tracks.flatMap((track) => {
      const body = [...track, 0, 0xff, 0x2f, 0];
      return [...chars("MTrk"), ...four(body.length), ...body];
    }),
  ]);
}
/** Ticks in MIDI's seven bits a byte. */
const delta = (ticks: number) => (ticks < 128 ? [ticks] : [0x80 | (ticks >> 7), ticks & 127]);
const on = (wait: number, pitch: number, channel = 0) => [...delta(wait), 0x90 | channel, pitch, 80];
const off = (wait: number, pitch: number, channel = 0) => [...delta(wait), 0x80 | channel, pitch, 0];

describe("MIDI", () => {
  const read = async (bytes: Uint8Array) => (await readMidiTune(bytes, "Gate")).value;

  test.each([
    ["format 0", midi(0, [[...on(0, 69), ...off(96, 69), ...on(0, 71), ...off(96, 71)]]), "A4@0:1 B4@1:1"],
    [
      "format 1",
      midi(1, [
        [0, 0xff, 0x51, 3, 7, 161, 32],
        [...on(0, 69), ...off(96, 69)],
      ]),
      "A4@0:1",
    ],
    [
      "running status, a note ended by one of no loudness",
      midi(0, [[0, 0x90, 69, 80, 96, 69, 0, 0, 71, 80, 96, 71, 0]]),
      "A4@0:1 B4@1:1",
    ],
    [
      "drums left out",
      midi(1, [
        [...on(0, 69), ...off(96, 69)],
        [...on(0, 36, 9), ...off(48, 36, 9)],
      ]),
      "A4@0:1",
    ],
    [
      "a tempo that changes does not move the notes",
      midi(0, [[...on(0, 69), ...off(96, 69), 0, 0xff, 0x51, 3, 3, 13, 64, ...on(0, 71), ...off(96, 71)]]),
      "A4@0:1 B4@1:1",
    ],
    [
      "played a little early and late",
      midi(0, [[...on(3, 69), ...off(84, 69), ...on(7, 71), ...off(90, 71), ...on(8, 72), ...off(200, 72)]]),
      "A4@0:1 B4@1:1 C5@2:2",
    ],
    [
      "triplets",
      midi(0, [[0, 32, 64].flatMap((_, at) => [...on(0, 69 + at), ...off(32, 69 + at)])]),
      `A4@0:${1 / 3} Bb4@${1 / 3}:${1 / 3} B4@${2 / 3}:${1 - 2 / 3}`,
    ],
  ])("%s", async (_, bytes, notes) => expect(line((await read(bytes))?.notes)).toBe(notes));

  it("spells notes by what sounds around them", async () => {
    const run = (pitches: readonly number[]) =>
      midi(0, [pitches.flatMap((pitch) => [...on(0, pitch), ...off(96, pitch)])]);
    const names = async (pitches: readonly number[]) =>
      (await read(run(pitches)))?.notes.map(({ pitch }) => printName(pitch.name)).join(" ");
    expect(await names([63, 65, 67, 68, 70, 72, 74, 75])).toBe("Eb F G Ab Bb C D Eb");
    expect(await names([61, 63, 64, 66, 68, 69, 72, 73])).toBe("C# D# E F# G# A B# C#");
    expect(await names([66, 68, 70, 71, 73, 75, 77, 78])).toBe("F# G# A# B C# D# E# F#");
  });

  it("takes meters as they change, the key where one was set, and the highest full voice for melody", async () => {
    const header = [
      0,
      0xff,
      0x58,
      4,
      3,
      2,
      24,
      8,
      0,
      0xff,
      0x59,
      2,
      1,
      1,
      ...delta(288),
      0xff,
      0x58,
      4,
      2,
      2,
      24,
      8,
    ];
    const tune = await read(
      midi(1, [
        header,
        [...on(0, 40, 1), ...off(480, 40, 1)],
        [76, 79, 83, 81, 76].flatMap((pitch) => [...on(0, pitch), ...off(96, pitch)]),
      ]),
    );
    expect(tune?.bars.map(({ length }) => length)).toEqual([3, 2]);
    expect(tune && keyLine(tune)).toBe("0 E aeolian");
    expect([tune?.notes.length, line(tune?.beneath)]).toEqual([5, "E2@0:5"]);
  });

  it("parts a hand that accompanies from the tune above it", async () => {
    const tune = await read(
      midi(0, [[...on(0, 48), ...on(0, 72), ...off(96, 72), ...on(0, 76), ...off(96, 76), ...off(0, 48)]]),
    );
    expect([line(tune?.notes), line(tune?.beneath)]).toEqual(["C5@0:1 E5@1:1", "C3@0:2"]);
  });

  it("says what is wrong", async () => {
    expect(codes(await readMidiTune(midi(0, [[...on(0, 36, 9), ...off(48, 36, 9)]])))).toEqual([
      "only-drums",
    ]);
    expect(codes(await readMidiTune(midi(0, [[]])))).toEqual(["no-notes"]);
    const whole = midi(0, [[...on(0, 69), ...off(96, 69), ...on(0, 71), ...off(96, 71)]]);
    const torn = await readMidiTune(whole.subarray(0, 20));
    expect([codes(torn), torn.problems[0]?.found]).toEqual([["midi-unread"], "MThd"]);
  });
});

describe("a file is told by what is in it", () => {
  const open = async (bytes: Uint8Array, name: string) => {
    const { value, problems } = await openTuneFile(bytes, name);
    return [value?.source, value?.name, ...problems.map(({ code }) => code)].filter(Boolean).join(" ");
  };
  test.each([
    ["ABC under a wrong ending", strToU8("X:1\nT:Gate\nK:D\nDEF|"), "gate.mid", "abc gate"],
    ["typed notes", strToU8("A4 B4 C5 | D5 ||"), "gate.txt", "notes gate"],
    ["a score", strToU8("\ufeff<?xml version='1.0'?><score-partwise/>"), "gate.abc", "musicxml gate"],
    ["MIDI without an ending", midi(0, [[...on(0, 69), ...off(9, 69)]]), "gate", "midi gate"],
    [
      "MIDI wrapped in RIFF",
      Uint8Array.from([
        ...strToU8("RIFF"),
        ...[40, 0, 0, 0],
        ...strToU8("RMIDdata"),
        ...[20, 0, 0, 0],
        ...midi(0, [[...on(0, 69), ...off(9, 69)]]),
      ]),
      "gate.rmi",
      "midi gate",
    ],
    ["a recording under a wrong ending", strToU8("RIFF....WAVEfmt "), "gate.abc", "kind-of-file"],
    ["nothing", new Uint8Array(), "gate.abc", "file-empty"],
    [
      "a picture",
      Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13, 0, 1, 2, 3]),
      "gate.abc",
      "kind-of-file",
    ],
    ["an archive of something else", zipSync({ "a.txt": strToU8("A") }), "gate.mxl", "zip-unread"],
    ["a torn archive", zipSync({ "a.xml": strToU8("A") }).subarray(0, 30), "gate.mxl", "zip-unread"],
  ])("%s", async (_, bytes, name, found) => expect(await open(bytes, name)).toBe(found));

  it("reads what RIFF wraps", async () => {
    const plain = midi(0, [[...on(0, 69), ...off(96, 69)]]);
    const wrapped = Uint8Array.from([...strToU8("RIFF    RMIDdata    "), ...plain]);
    const { value } = await openTuneFile(wrapped, "gate.rmi");
    expect(line((await readTunes(value!)).value[0]?.tune.notes)).toBe("A4@0:1");
  });

  it("stops at a great many notes of ABC, and says so", async () => {
    const { value, problems } = await readAbc(
      `X:1\nL:1/8\nK:C\n${`${"CDEFGABc|".repeat(8)}\n`.repeat(1575)}`,
    );
    expect([value[0]?.tune.notes.length, codes({ problems })]).toEqual([100_000, ["too-long"]]);
  }, 30_000);

  it("leaves a line out that is longer than any, says so, and reads the others", async () => {
    const { value, problems } = await readAbc(`X:1\nL:1/8\nK:C\nCDE|\n${"F".repeat(12_001)}\nGAB|\n`);
    expect([value[0]?.tune.notes.length, codes({ problems })]).toEqual([6, ["line-too-long"]]);
    expect(problems[0]).toMatchObject({ offset: 19, found: "12001" });
  });

  it("reads titles in the encodings that tunes circulate in", async () => {
    const text = "X:1\nT:Küchenuhr\nK:D\nDEF|\n";
    const utf16 = (littleEndian: boolean) => {
      const view = new DataView(new ArrayBuffer(text.length * 2 + 2));
      for (const [at, letter] of ["\ufeff", ...text].entries())
        view.setUint16(at * 2, letter.charCodeAt(0), littleEndian);
      return new Uint8Array(view.buffer);
    };
    const western = Uint8Array.from(text, (letter) => letter.charCodeAt(0));
    for (const bytes of [strToU8(text), strToU8(`\ufeff${text}`), utf16(true), utf16(false), western]) {
      const { value } = await openTuneFile(bytes, "a.abc");
      const { value: tunes } = await readTunes(value!);
      expect(tunes[0]?.tune.title).toBe("Küchenuhr");
    }
  });
});

const PITCHES = ["C4", "D#4", "Eb5", "F#4", "G3", "Bb4", "B#3", "Cb5", "A4"];
/** Tunes of two to twelve bars in whole quarters, eighths and triplets, no two notes at once. */
const anyTune = fc
  .array(
    fc.tuple(
      fc.constantFrom(...PITCHES),
      fc.constantFrom("1", "2", "0.5", "1.5", "1/3", "3"),
      fc.constantFrom(" ", " ", " ", " | ", " || "),
    ),
    { minLength: 2, maxLength: 30 },
  )
  .map(
    (tokens) =>
      readNotes(tokens.map(([pitch, length, after]) => `${pitch}:${length}${after}`).join("")).value,
  );
const shape = (tune: Tune | undefined, bySound = false) =>
  tune?.notes.map(({ pitch, onset, duration }) => [
    bySound ? printPitch(pitch).replace(/.*/u, String(soundHeight(pitch))) : printPitch(pitch),
    onset.toFixed(3),
    duration.toFixed(3),
  ]);
const soundHeight = ({ name, octave }: TuneNote["pitch"]) => {
  const letters = "FCGDAEB".charAt((((name + 1) % 7) + 7) % 7);
  return 12 * octave + "C.D.EF.G.A.B".indexOf(letters) + Math.floor((name + 1) / 7);
};

describe("what is written is read back the same", () => {
  it("as MusicXML", () =>
    fc.assert(
      fc.asyncProperty(anyTune, async (tune) => {
        const { value, problems } = await readMusicXmlTune(await writeTuneXml(tune));
        expect([shape(value), problems]).toEqual([shape(tune), []]);
        expect(value?.bars.map(({ start, endsSection }) => [start.toFixed(3), endsSection])).toEqual(
          tune.bars.map(({ start, endsSection }) => [start.toFixed(3), endsSection]),
        );
      }),
      { numRuns: 30 },
    ));

  it("as MIDI, by sound", () =>
    fc.assert(
      fc.asyncProperty(
        anyTune.filter(({ notes }) =>
          notes.every(({ onset, duration }) => isEven(onset) && isEven(duration)),
        ),
        async (tune) => {
          const { value } = await readMidiTune(await writeTuneMidi(tune, 90));
          expect(shape(value, true)).toEqual(shape(tune, true));
        },
      ),
      { numRuns: 30 },
    ));

  it("as ABC with chords over the bars, ties, repeats and endings", async () => {
    const text = 'X:1\nT:Gate\nM:3/4\nL:1/8\nK:none\n|:"Am"A2 c2 [ce]2|"G"B6-|1B2 "E7"^G4:|2 B2 A4|]';
    const tune = await abc(text);
    const back = await abc(writeAbc(tune!).text);
    expect([shape(back), chordLine(back!), signLine(back!)]).toEqual([
      shape(tune),
      chordLine(tune!),
      signLine(tune!),
    ]);
    expect(shape(tune)).toContainEqual(["B4", "3.000", "4.000"]);
    const xml = (await readMusicXmlTune(await writeTuneXml(tune!))).value!;
    expect([shape(xml), chordLine(xml), signLine(xml)]).toEqual([
      shape(tune),
      chordLine(tune!),
      signLine(tune!),
    ]);
  });

  it("and engraved from any kind, with every note placed", async () => {
    const bytes = await writeMidi({
      title: "Held",
      tempos: [{ at: 0, tempo: 90 }],
      parts: [
        {
          name: "Melody",
          program: 0,
          notes: [
            { midi: 69, at: 0, length: 6 },
            { midi: 71, at: 6, length: 2 },
          ],
        },
      ],
    });
    const { value } = await openTuneFile(bytes, "held.mid");
    const [tune] = (await readTunes(value!)).value;
    const { text, tune: placed } = engravingOf(tune!);
    expect(placed.notes.map(({ from, to }) => text.slice(from, to))).toEqual(["A8-", "B4"]);
    expect(text).toContain("A8- | A4 B4 |]");
  });
});

const isEven = (time: number) => Math.abs(time * 4 - Math.round(time * 4)) < 1e-6;

describe("no file brings a reader down", () => {
  it("torn and altered files are answered, whatever they were", async () => {
    const good: readonly Uint8Array[] = [
      midi(1, [
        [...on(0, 69), ...off(96, 69)],
        [...on(0, 40, 1), ...off(96, 40, 1)],
      ]),
      strToU8(score(part([ATTRIBUTES + note("A", 4, 4), note("B", 4, 4)]))),
      zipSync({ "a.musicxml": strToU8(score(part([ATTRIBUTES + note("A", 4, 4)]))) }),
      strToU8('X:1\nT:Gate\nM:6/8\nK:EDor\n|:"Em"E2F G2A|1 B3:|2 {c}[EB]3|]\nV:2\nE,6|\n'),
    ];
    const torn = fc
      .tuple(fc.nat(good.length - 1), fc.double({ min: 0, max: 1, noNaN: true }))
      .map(([which, share]) => {
        const bytes = good[which] ?? new Uint8Array();
        return bytes.slice(0, Math.floor(bytes.length * share));
      });
    const altered = fc
      .tuple(
        fc.nat(good.length - 1),
        fc.array(fc.tuple(fc.nat(2000), fc.nat(255)), { minLength: 1, maxLength: 12 }),
      )
      .map(([which, changes]) => {
        const bytes = Uint8Array.from(good[which] ?? []);
        for (const [at, value] of changes) bytes[at % bytes.length] = value;
        return bytes;
      });
    await fc.assert(
      fc.asyncProperty(fc.oneof(torn, altered, fc.uint8Array({ maxLength: 300 })), async (bytes) => {
        const { value, problems } = await openTuneFile(bytes, "a.abc");
        const read = value ? await readTunes(value) : undefined;
        const tunes = read?.value ?? [];
        // Either something was read, or it is said why not.
        expect(tunes.length + problems.length + (read?.problems.length ?? 0)).toBeGreaterThan(0);
        for (const { tune } of tunes)
          for (const { onset, duration, bar } of tune.notes) {
            expect(Number.isFinite(onset) && duration > 0).toBe(true);
            expect(tune.bars[bar]).toBeDefined();
          }
      }),
      { numRuns: 400 },
    );
  }, 60_000);
});

describe("what a score may hold that a tune can't", () => {
  const part = (inside: string) =>
    `<score-partwise><part-list/><part id="P1"><measure number="1"><attributes><divisions>1</divisions></attributes>${inside}</measure></part></score-partwise>`;
  const show = (tune: Tune | undefined) =>
    (tune?.notes ?? []).map(({ pitch, duration }) => `${printPitch(pitch)}:${duration}`).join(" ");
  const one = (step: string, alter: string, duration = 1) =>
    `<note><pitch><step>${step}</step><alter>${alter}</alter><octave>4</octave></pitch><duration>${duration}</duration></note>`;

  it("names quarter tones by their bar, and takes the note beside each", async () => {
    const xml = await readMusicXmlTune(part(one("C", "0.5") + one("D", "-1.5") + one("E", "0")));
    expect(xml.value?.notes.map(({ pitch }) => printPitch(pitch))).toHaveLength(3);
    expect(xml.problems).toMatchObject([{ code: "quarter-tones", found: "C 0.5", expected: "1" }]);
    const abc = await readAbc("X:1\nK:C\nCDEF|^/CDEF|_/G4|\n");
    expect(abc.problems).toMatchObject([
      { code: "quarter-tones", found: "^/C", expected: "2", offset: 13 },
      { code: "quarter-tones", expected: "3" },
    ]);
    expect(show(abc.value[0]?.tune).split(" ")).toHaveLength(9);
  });

  it("cuts a note that would last for hours, and says where", async () => {
    const abc = await readAbc("X:1\nL:1/4\nK:C\nCDEF|G99999999999 z99999999999|C|\n");
    expect(abc.problems.map(({ code, expected }) => [code, expected])).toEqual([["note-too-long", "2"]]);
    expect(abc.value[0]?.tune.notes.map(({ duration }) => duration)).toEqual([1, 1, 1, 1, 64, 1]);
    const xml = await readMusicXmlTune(part(one("C", "0", 9_999_999_999)));
    expect([xml.value?.notes[0]?.duration, xml.problems[0]?.code]).toEqual([64, "note-too-long"]);
  });

  it("reads a score that is written bar by bar like one that is written part by part", async () => {
    const measure = (number: number, notes: readonly (readonly [string, string])[]) =>
      `<measure number="${number}">${notes.map(([id, step]) => `<part id="${id}">${one(step, "0", 4)}</part>`).join("")}</measure>`;
    const timewise = `<?xml version="1.0"?><score-timewise><work><work-title>Gate</work-title></work><part-list><score-part id="P1"><part-name>Fiddle</part-name></score-part></part-list>${measure(
      1,
      [
        ["P1", "D"],
        ["P2", "F"],
      ],
    )}${measure(2, [
      ["P1", "E"],
      ["P2", "G"],
    ])}</score-timewise>`;
    const opened = await openTuneFile(strToU8(timewise), "gate.xml");
    const { value, problems } = await readTunes(opened.value!);
    expect(problems).toEqual([]);
    const tune = value[0]?.tune;
    expect([tune?.title, show(tune), tune?.bars.length]).toEqual(["Gate", "D4:4 E4:4", 2]);
    expect(tune?.beneath?.map(({ pitch }) => printPitch(pitch))).toEqual(["F4", "G4"]);
  });
});
