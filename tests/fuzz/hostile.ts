/** Inputs that are made to take long, by construction: each grows with a number, so that time can be held against size. */
import { strToU8, zipSync } from "fflate";

/** When every archive was packed: the same bytes at every run. */
export const PACKED = "2026-01-01T00:00:00Z";

/** How an input is read. */
export type Kind = "abc" | "musicxml" | "mxl" | "midi" | "notes" | "chart" | "chordpro" | "scala" | "csv";

/** A hostile shape: twice the number is twice the bytes, before they are packed. */
export interface Hostile {
  readonly name: string;
  readonly kind: Kind;
  readonly make: (count: number) => Uint8Array<ArrayBuffer>;
}

const bytes = (text: string): Uint8Array<ArrayBuffer> => Uint8Array.from(strToU8(text));
const HEAD = "X:1\nT:Hostile\nL:1/8\nM:4/4\nK:D\n";

/** A text that is a beginning, something many times, and an end. */
const text =
  (kind: Kind, before: string, again: string, after = "") =>
  (name: string): Hostile => ({
    name,
    kind,
    make: (count) => bytes(before + again.repeat(Math.ceil(count / again.length)) + after),
  });

const note = (inside: string) =>
  `<note><pitch><step>D</step><octave>4</octave></pitch><duration>1</duration>${inside}</note>`;
const score = (inside: string) =>
  `<?xml version="1.0"?><score-partwise><part-list><score-part id="P1"><part-name>x</part-name></score-part></part-list><part id="P1">${inside}</part></score-partwise>`;

/** A number of variable length. */
const four = (value: number) => [24, 16, 8, 0].map((shift) => (value >>> shift) & 0xff);

/** A MIDI file of one track with some events. */
const midiFile = (events: readonly number[], division = 480, format = 0): Uint8Array<ArrayBuffer> =>
  Uint8Array.from([
    ...strToU8("MThd"),
    ...four(6),
    0,
    format,
    0,
    1,
    division >> 8,
    division & 0xff,
    ...strToU8("MTrk"),
    ...four(events.length),
    ...events,
  ]);

const midi = (name: string, again: readonly number[], before: readonly number[] = []): Hostile => ({
  name,
  kind: "midi",
  make: (count) =>
    midiFile([
      ...before,
      ...Array.from({ length: Math.ceil(count / again.length) }, () => again).flat(),
      0,
      0xff,
      0x2f,
      0,
    ]),
});

/** The number of five bytes that a library takes for a negative one and reads backwards by, without end: 38 bytes. */
export const ENDLESS_MIDI: Uint8Array<ArrayBuffer> = midiFile([
  ...[0x00, 0x90, 0x3c, 0x40],
  ...[0x00, 0xff, 0x01, 0x88, 0x80, 0x80, 0x80, 0x00],
  ...[0x00, 0xff, 0x2f, 0x00],
]);

const packed = (name: string, make: (count: number) => Record<string, Uint8Array>): Hostile => ({
  name,
  kind: "mxl",
  make: (count) => Uint8Array.from(zipSync(make(count), { level: 6, mtime: PACKED })),
});

export const HOSTILE: readonly Hostile[] = [
  text("abc", HEAD, "CDEF ")("notes in one line"),
  text("abc", HEAD, "CDEF GABc|\n")("lines of notes"),
  text("abc", HEAD, "(")("open slurs"),
  text("abc", HEAD, "(C")("slurs that never close"),
  text("abc", HEAD, "(C D)")("slurs"),
  text("abc", HEAD, "{")("open grace notes"),
  text("abc", HEAD, "{C}D\n")("grace notes"),
  text("abc", HEAD, '"')("quotes"),
  text("abc", HEAD, '"Am"C\n')("chord symbols"),
  text("abc", HEAD, "[")("open chords"),
  text("abc", HEAD, "[CEG]\n")("chords"),
  text("abc", HEAD, "(3")("triplets of nothing"),
  text("abc", HEAD, "C-\n")("ties without end"),
  text("abc", HEAD, "C>")("broken rhythms"),
  text("abc", HEAD, "^")("accidentals"),
  text("abc", HEAD, "!")("exclamation marks"),
  text("abc", HEAD, "!trill!C\n")("ornaments"),
  text("abc", HEAD, "|: C |1 D :|2 E ||\n")("repeats with endings"),
  text("abc", HEAD, "C & E |\n")("voices within a bar"),
  text("abc", HEAD, "C&")("voices within one bar"),
  text("abc", HEAD, "-")("ties without a note"),
  text("abc", "", "X:1 K:C ")("fields in one line"),
  text("abc", HEAD, "[K:G] C\n")("changes of key"),
  text("abc", HEAD, "K:G\nC\n")("lines of key"),
  text("abc", HEAD, "M:3/4\nC\n")("lines of meter"),
  text("abc", HEAD, "w: a-b-c\n")("words without notes"),
  text("abc", HEAD, "CDE|\nw: a-b-c\n")("words"),
  text("abc", HEAD, "%%x y\n")("directives"),
  text("abc", `${HEAD}C`, "9")("a long number"),
  text("abc", HEAD, "V:x\nC\n")("a voice again and again"),
  text("abc", "", "X:1\nK:C\nC|\n")("tunes"),
  text("abc", "", "X:1\n")("tunes of nothing"),
  text("abc", HEAD, "\n")("empty lines"),
  text("abc", HEAD, "\\\n")("lines that go on"),
  {
    name: "ever more voices",
    kind: "abc",
    make: (count) =>
      bytes(HEAD + Array.from({ length: Math.ceil(count / 12) }, (_, at) => `V:${at}\nCDE|\n`).join("")),
  },
  text("musicxml", "", "<!DOCTYPE ")("document types"),
  text(
    "musicxml",
    "<?xml version='1.0'?><!DOCTYPE score [",
    "<!ENTITY a 'b'>",
    "]><score-partwise/>",
  )("entities"),
  text("musicxml", "<?xml version='1.0'?>", "<a>")("elements in one another"),
  text("musicxml", "<?xml version='1.0'?><score-partwise>", "<part>")("parts in one another"),
  text("musicxml", "<?xml version='1.0'?><score-partwise a='", "x")("an attribute without end"),
  text("musicxml", "<?xml version='1.0'?><score-partwise ", "a='1' ", "/>")("attributes"),
  text("musicxml", "<?xml version='1.0'?><score-partwise>", "<!-- ")("comments without end"),
  text("musicxml", "<?xml version='1.0'?><score-partwise>", "<![CDATA[")("raw text without end"),
  text("musicxml", "<?xml version='1.0'?><score-partwise>", "&amp;")("signs for signs"),
  text("musicxml", "<?xml version='1.0'?><score-partwise>", "<?x ")("instructions without end"),
  text("musicxml", score("").slice(0, 170), `<measure>${note("")}</measure>`)("measures"),
  text("musicxml", score("").slice(0, 170), note("<tie type='start'/>"))("notes outside measures"),
  {
    name: "notes in one measure, tied",
    kind: "musicxml",
    make: (count) =>
      bytes(score(`<measure>${note("<tie type='start'/>").repeat(Math.ceil(count / 100))}</measure>`)),
  },
  {
    name: "chords in one measure",
    kind: "musicxml",
    make: (count) =>
      bytes(
        score(
          `<measure>${"<harmony><root><root-step>A</root-step></root><kind>minor</kind></harmony>".repeat(Math.ceil(count / 76))}${note("")}</measure>`,
        ),
      ),
  },
  {
    name: "degrees of one chord",
    kind: "musicxml",
    make: (count) =>
      bytes(
        score(
          `<measure><harmony><root><root-step>A</root-step></root><kind>minor</kind>${"<degree><degree-value>9</degree-value><degree-alter>0</degree-alter><degree-type>add</degree-type></degree>".repeat(Math.ceil(count / 104))}</harmony>${note("")}</measure>`,
        ),
      ),
  },
  {
    name: "an accidental as high as a tower",
    kind: "musicxml",
    make: (count) =>
      bytes(
        score(
          `<measure><harmony><root><root-step>A</root-step><root-alter>${count}</root-alter></root><kind>minor</kind></harmony>${note("")}</measure>`,
        ),
      ),
  },
  packed("spaces", (count) => ({ "a.xml": new Uint8Array(count).fill(0x20) })),
  packed("a score of spaces", (count) => ({ "a.xml": strToU8(score(" ".repeat(count))) })),
  packed("many entries", (count) =>
    Object.fromEntries(Array.from({ length: Math.ceil(count / 60) }, (_, at) => [`${at}.txt`, strToU8("x")])),
  ),
  packed("a packed score", (count) => ({
    "a.xml": strToU8(score(`<measure>${note("")}</measure>`.repeat(Math.ceil(count / 120)))),
  })),
  midi("notes", [0, 0x90, 60, 64, 10, 0x80, 60, 0]),
  midi("notes that never end", [0, 0x90, 60, 64]),
  midi("ends without notes", [0, 0x80, 60, 0]),
  midi("running status", [1, 60, 64, 1, 60, 0], [0, 0x90, 60, 0]),
  midi("tempos", [0, 0xff, 0x51, 3, 7, 0xa1, 0x20]),
  midi("meters", [1, 0xff, 0x58, 4, 3, 2, 24, 8]),
  midi("keys", [0, 0xff, 0x59, 2, 1, 0]),
  midi("texts", [0, 0xff, 1, 1, 65]),
  midi("long waits", [0xff, 0xff, 0xff, 0x7f, 0x90, 60, 64]),
  midi("controllers", [0, 0xb0, 64, 127]),
  {
    name: "ever more tracks",
    kind: "midi",
    make: (count) =>
      Uint8Array.from([
        ...midiFile([0, 0xff, 0x2f, 0], 480, 1),
        ...Array.from({ length: Math.ceil(count / 20) }, () => [
          ...strToU8("MTrk"),
          ...four(12),
          ...[0, 0x90, 60, 64, 9, 0x80, 60, 0, 0, 0xff, 0x2f, 0],
        ]).flat(),
      ]),
  },
  text("notes", "", "C ")("notes"),
  text("notes", "A", "#")("sharps"),
  text("notes", "", "| ")("bar lines"),
  text("notes", "C:", "9")("a long length"),
  text("notes", "", "Q")("one word"),
  text("chart", "", "Am ")("chords"),
  text("chart", "", "| Am | % ")("repeats of the bar before"),
  text("chart", "", "(")("brackets"),
  text("chart", "", "[")("square brackets"),
  text("chart", "", "|: Am :| x99 ")("repeats"),
  text("chart", "", "|: Am ")("repeats that never close"),
  text("chart", "", "{E Dorian} Em ")("modes"),
  text("chart", "C", "b9")("one long symbol"),
  text("chart", "", "Am7b5#11/Gx ")("odd symbols"),
  text("chordpro", "{title: x}\n", "[Am]la ")("chords over words"),
  text("chordpro", "{title: x}\n", "[")("open brackets"),
  text("chordpro", "{title: x}\n", "{")("open braces"),
  text("chordpro", "{title: x}\n", "{start_of_chorus}\n")("choruses that never end"),
  text("chordpro", "{title: x}\n", "e|--0--2--|\n")("tablature"),
  text("chordpro", "{title: x}\n", "Intro: Am - G (x2)\n")("lines with a label"),
  text("scala", "! x.scl\nx\n7\n", "9/8\n")("pitches"),
  text("scala", "! x.scl\nx\n7\n", "9")("a long pitch"),
  text("csv", "day,time,kind\n", '"')("quotes in a table"),
  text("csv", "day,time,kind\n", ",")("commas in a table"),
];
