import fc from "fast-check";
import { strToU8, zipSync } from "fflate";
import { describe, expect, it, test } from "vitest";
import { type Chart, chartTokens, chordNotes, readChart, readSymbol } from "@/core/chord";
import { printName } from "@/core/pitch";
import {
  readChordPro,
  readMidiChords,
  readMusicXml,
  readPlainChart,
  writeChordPro,
  writeMidi,
  writeMusicXml,
} from ".";

/** What a chart plays: notes and bass of each chord, its length, in playing order. */
const played = ({ chords, order }: Chart) =>
  order.map((at) => {
    const place = chords[at];
    const notes = place?.chord
      ? chordNotes(place.chord)
          .map((note) => printName(note))
          .sort()
          .join(" ")
      : "-";
    const bass = place?.chord?.bass === undefined ? "" : `/${printName(place.chord.bass)}`;
    return `${notes}${bass} ${place?.length.toFixed(3) ?? ""}`;
  });

const CHARTS = [
  "| Em9 | A13 | Cmaj7 D6 | B7sus4 |",
  "[Gate]\n3/4 |: Em / A7 | D6 :| x3\n[Orchard]\n| G | C |",
  "|: G#m7b5 | C#7alt |1. F#m(maj7) :|2. Emaj7#11/A# || Gb6/9 | N.C. |",
  "| C7(b9,#11) | Dbmaj13 | F#dim7/A | Aadd9 | Gsus2 | E5 | Bb13#11 | Cm11 |",
];

const any = fc.array(
  fc.constantFrom(
    "Em9",
    "A13",
    "C#m7b5",
    "Gb7#9",
    "Dsus4",
    "Bbmaj7#11/A",
    "F6",
    "N.C.",
    "E / / B7",
    "Fadd9 G",
  ),
  { minLength: 1, maxLength: 12 },
);

describe("ChordPro", () => {
  it("has title, sections, lyrics as comments and grids bar by bar", () => {
    const { value, problems } = readChordPro(
      "{title: Lanterns}\n{key: Em}\n{start_of_verse: One}\n[Em9]Lanterns are [A13]lit\nno chords here\n{end_of_verse}\n{sog}\nA | Em9 . A13 . | % | x2\n{eog}\n{c: 2nd part}\n# kept\n|: D6 . . . :| x3",
    );
    expect(problems).toEqual([]);
    expect(value).toEqual({
      title: "Lanterns",
      text: "[One]\n# Lanterns are lit\n| Em9 | A13 |\n# no chords here\n[A] | Em9 . A13 . | % | x2\n[Part 2nd part]\n# kept\n|: D6 . . . :| x3",
    });
    expect(readChart(value.text).problems).toEqual([]);
  });

  test.each(CHARTS)("brings %j back as it is played", (text) => {
    const chart = readChart(text).value;
    const back = readChordPro(writeChordPro(chart, "Gate {x}"));
    expect(back.value.title).toBe("Gate x");
    expect(played(readChart(back.value.text).value)).toEqual(played(chart));
  });

  it("brings any chart back, and says where there are no chords", () => {
    fc.assert(
      fc.property(any, (bars) => {
        const chart = readChart(`| ${bars.join(" | ")} |`).value;
        expect(played(readChart(readChordPro(writeChordPro(chart, "")).value.text).value)).toEqual(
          played(chart),
        );
      }),
    );
    expect(readChordPro("{title: Nothing}").problems[0]?.code).toBe("no-chords");
    fc.assert(fc.property(fc.string(), (text) => void readChordPro(text)));
  });
});

describe("plain text", () => {
  it("takes lines of chords as bars, and words as comments", () => {
    expect(
      readPlainChart(
        "Verse:\nEm9      A13\nLanterns are lit\n| D6 | C |\n\n# mine\nAm  G/B  a bad day here now",
      ).value.text,
    ).toBe("Verse:\n| Em9 | A13 |\n# Lanterns are lit\n| D6 | C |\n\n# mine\n# Am  G/B  a bad day here now");
    expect(readPlainChart("only words\nand more").problems[0]?.code).toBe("no-chords");
  });
});

describe("charts as people write them", () => {
  const pro = (text: string) => readChordPro(text).value.text;
  const plain = (text: string) => readPlainChart(text).value.text;
  it.each([
    ["[Am] | [Dm] | [G]", "| Am | Dm | G |"],
    ["| [Am] [C] | [Dm] |", "| Am C | Dm |"],
    ["[Am7|Dm7] all night", "# all night\n| Am7 | Dm7 |"],
    ["{start_of_tab}\ne|--0--2--3--|\nA|--0--------|\n{end_of_tab}\n[Am]Rain", "# Rain\n| Am |"],
    ["e|--0--2--3--|\n[Am]Rain", "# Rain\n| Am |"],
    ["{capo: 2}\n[Am]Rain", "# Capo 2\n# Rain\n| Am |"],
    ["{transpose: 2}\n[Am]Rain [F]on", "# Rain on\n| Bm | G |"],
    ["{transpose: -1}\n[Am]Rain [F]on", "# Rain on\n| G#m | E |"],
    ["[Verse]\n[Am]Rain", "[Verse]\n# Rain\n| Am |"],
  ])("ChordPro: %j", (text, chart) => {
    expect(pro(text)).toBe(chart);
  });

  it.each([
    ["Intro: Am - G - F - E7 (x2)", "[Intro]\n|: Am | G | F | E7 :|"],
    ["Verse: Am G", "[Verse]\n| Am | G |"],
    ["Bridge 2: Dm, Am, E7 x3", "[Bridge 2]\n|: Dm | Am | E7 :| x3"],
    ["Am – G – F", "| Am | G | F |"],
    ["Am G F E7 4x", "|: Am | G | F | E7 :| x4"],
    ["Remember: play it slowly", "# Remember: play it slowly"],
    ["E|----0-2-3-|\nAm G", "| Am | G |"],
    ["Chorus:\nAm G", "Chorus:\n| Am | G |"],
  ])("plain: %j", (text, chart) => {
    expect(plain(text)).toBe(chart);
    for (const { text: token } of chartTokens(plain(text)).filter(({ kind }) => kind === "other"))
      expect("chord" in readSymbol(token), token).toBe(true);
  });

  it("a second song is said, and the first is read", () => {
    const { value, problems } = readChordPro("{title: Gate}\n[Am]Rain\n{new_song}\n{title: Stair}\n[C]Sun");
    expect(value).toEqual({ title: "Gate", text: "# Rain\n| Am |" });
    expect(problems).toMatchObject([{ code: "more-songs", found: "Gate", offset: 23 }]);
  });
});

describe("MusicXML", () => {
  test.each(CHARTS)("brings %j back as it is played", async (text) => {
    const chart = readChart(text).value;
    const { value, problems } = await readMusicXml(await writeMusicXml(chart, "The gate & the <tree>"));
    expect(problems).toEqual([]);
    expect(value.title).toBe("The gate & the <tree>");
    const back = readChart(value.text).value;
    expect(played(back)).toEqual(played(chart));
    expect(back.bars.map(({ section, meter }) => [section, meter])).toEqual(
      chart.bars.map(({ section, meter }) => [section, meter]),
    );
  });

  it("brings any chart back", async () => {
    await fc.assert(
      fc.asyncProperty(any, async (bars) => {
        const chart = readChart(`| ${bars.join(" | ")} |`).value;
        const { value } = await readMusicXml(await writeMusicXml(chart, ""));
        expect(played(readChart(value.text).value)).toEqual(played(chart));
      }),
      { numRuns: 30 },
    );
  });

  it("reads harmonies where notes put them, holds a chord over an empty bar, and reads compressed files", async () => {
    const measure = (inside: string) => `<measure number="1">${inside}</measure>`;
    const harmony = (step: string, kind: string, more = "") =>
      `<harmony><root><root-step>${step}</root-step></root><kind>${kind}</kind>${more}</harmony>`;
    const note = (duration: number) =>
      `<note><pitch><step>C</step><octave>4</octave></pitch><duration>${duration}</duration></note>`;
    const xml = `<?xml version="1.0"?><score-partwise><movement-title>Gate</movement-title><part id="P1">${
      measure(
        `<attributes><divisions>2</divisions></attributes>${harmony("E", "minor-ninth")}${note(6)}${harmony("A", "dominant-13th")}${note(2)}`,
      ) +
      measure(note(8)) +
      measure(
        `${harmony("D", "major", "<degree><degree-value>9</degree-value><degree-alter>0</degree-alter><degree-type>add</degree-type></degree>")}${note(8)}`,
      ) +
      measure(`${harmony("D", "pelog")}${note(8)}`)
    }</part></score-partwise>`;
    const read = await readMusicXml(xml);
    expect(read.value).toEqual({ title: "Gate", text: "| Em9 / / A13 | / | Dadd9 | ?pelog |" });
    expect(read.problems[0]).toMatchObject({ code: "kind-unread", found: "pelog", expected: "4" });
    const zipped = zipSync({ "META-INF/container.xml": strToU8("<container/>"), "score.xml": strToU8(xml) });
    expect(await readMusicXml(zipped)).toEqual(read);
  });

  test.each([
    ["", "xml-unread"],
    ["not xml", "xml-unread"],
    ["<html><body/></html>", "xml-unread"],
    ["<score-partwise><part><measure/></part></score-partwise>", "no-chords"],
  ])("%j is %s", async (text, code) => expect((await readMusicXml(text)).problems[0]?.code).toBe(code));

  it("writes parts with their clefs, pitches and lengths", async () => {
    const chart = readChart("| Bb | Eb |").value;
    const notes = [
      {
        pitches: [
          { name: -2, octave: 4 },
          { name: 2, octave: 5 },
        ],
        at: 0,
        length: 4,
      },
      { pitches: [], at: 4, length: 4 },
    ];
    const xml = await writeMusicXml(chart, "", [{ name: "Viola", clef: "alto", notes }]);
    expect(xml).toContain("<part-name>Viola</part-name>");
    expect(xml).toMatch(/<sign>C<\/sign>\s*<line>3<\/line>/u);
    expect(xml).toMatch(/<step>B<\/step>\s*<alter>-1<\/alter>\s*<octave>4<\/octave>/u);
    expect(xml.match(/<chord><\/chord>|<chord\/>/gu)).toHaveLength(1);
  });
});

describe("chords named from MIDI", () => {
  const file = (bars: readonly (readonly number[])[], length = 4) =>
    writeMidi({
      title: "Gate",
      tempos: [{ at: 0, tempo: 96 }],
      parts: [
        {
          name: "Keys",
          program: 4,
          notes: bars.flatMap((midis, at) => midis.map((midi) => ({ midi, at: at * length, length }))),
        },
        { name: "Drums", program: undefined, notes: [{ midi: 37, at: 0, length: 1 }] },
      ],
    });

  it("go by bars, with the lowest note as bass", async () => {
    const { value, problems } = await readMidiChords(
      await file([
        [40, 55, 59, 62, 66],
        [45, 55, 61, 64, 66],
        [41, 60, 64, 67],
      ]),
    );
    expect(problems).toEqual([]);
    expect(value.title).toBe("Gate");
    expect(value.text).toBe("| Em9 | A7add13 | C/F |");
  });

  it("part a bar where the notes change in the middle", async () => {
    const { value } = await readMidiChords(
      await file(
        [
          [48, 52, 55],
          [43, 47, 50],
          [41, 45, 48],
          [43, 47, 53],
        ],
        2,
      ),
    );
    expect(value.text).toBe("| C G | F G7no5 |");
  });

  it("are spelled in the key that sounds", async () => {
    const { value } = await readMidiChords(
      await file([
        [51, 55, 58],
        [56, 60, 63],
        [46, 50, 53, 56],
      ]),
    );
    expect(value.text).toBe("| Eb | Ab | Bb7 |");
    const sharp = await readMidiChords(
      await file([
        [54, 57, 61],
        [56, 59, 62],
        [49, 53, 56, 59],
      ]),
    );
    expect(sharp.value.text).toBe("| F#m | G#dim | C#7 |");
  });

  it("are none in silence, in drums alone, and in what is no MIDI", async () => {
    expect((await readMidiChords(await file([]))).problems[0]?.code).toBe("no-notes");
    expect((await readMidiChords(strToU8("nothing"))).problems[0]?.code).toBe("midi-unread");
  });
});
