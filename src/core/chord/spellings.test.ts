import { describe, expect, it, test } from "vitest";
import { printDegree, printName } from "../pitch";
import { chordNotes, readSymbol } from ".";

/** Tones, and every spelling that has them: charts are written in many hands. A low line stands for a space. */
const SPELLINGS: readonly (readonly [tones: string, spellings: string])[] = [
  ["1 3 5", "C Cmaj CMaj CMAJ Cma CMa CM Cmajor CMajor c"],
  ["1 b3 5", "Cm Cmin CMin CMIN Cmi CMi CMI C- Cminor CMinor cm c-"],
  ["1 b3 b5", "Cdim CDim CDIM C° Cº Co Cm(b5) Cm-5 Cmin(♭5) C-(b5) Cmb5"],
  ["1 3 #5", "Caug CAug C+ C+5 C(#5) C(♯5) Cmaj#5 CM+5 C(+5)"],
  ["1 3 b5", "C(b5) C(♭5) C-5 C(-5) Cmaj(b5) CMb5"],
  ["1 5", "C5 Cno3 C(no3) Cno3rd C(no3rd) C(no_3) Comit3 C(omit3) C(omit_3rd)"],
  ["1 3", "Cno5 C(no5) C(omit5) Comit5"],
  ["1 5 4", "Csus CSus Csus4 CSUS4 C(sus4) C(sus) C4"],
  ["1 5 2", "Csus2 C(sus2)"],
  ["1 5 2 4", "Csus24 Csus2sus4 Csus4sus2 Csus2/4 Csus4/2 Csus4add9 Csus4(add9) C(sus4add9)"],
  ["1 5 #4", "Csus#4 Csus♯4"],
  ["1 5 b2", "Csusb2"],
  ["1 3 5 2", "Cadd9 C(add9) Cadd2 C2 C(9) C/9 C(add_9) Cmajadd9 CMadd9 CMAdd9 CADD9 CMaadd9 Cma(add9)"],
  ["1 3 5 4", "Cadd4 Cadd11 C(add11) C/11"],
  ["1 3 5 #4", "Cadd#11 C(add♯11) C(#11) Cmaj#11 C(♯4)"],
  ["1 3 5 b2", "Caddb9 C(addb9) C(b9) C(♭9) Caddb2"],
  ["1 3 5 b6", "Caddb6 C(b6) Cadd♭13 C(b13)"],
  ["1 b3 5 2", "Cmadd9 Cm(add9) Cmin(add9) C-add9 Cm(9) Cm/9 Cmadd2 Cm(add2) Cminadd9 Cmi(add9)"],
  ["1 b3 5 4", "Cmadd11 Cm(add11) Cm(add4) Cmadd4 Cm(11)"],
  ["1 b3 5 b6", "Cmb6 Cm(b6) Cm♭6 Cmin(b13)"],
  ["1 3 5 6", "C6 Cmaj6 CM6 Cma6 Cadd6 C(add6) C(6) Cadd13"],
  ["1 b3 5 6", "Cm6 Cmin6 Cmi6 C-6 Cm(6) Cm(add6) Cmadd13"],
  ["1 3 5 2 6", "C6/9 C69 C6add9 C6(add9) C6(9) CM6/9 Cmaj6/9 C6_9"],
  ["1 b3 5 2 6", "Cm6/9 Cm69 C-6/9 Cmin69 Cm6(9) Cm6add9"],
  ["1 3 5 2 #4 6", "C6/9#11 C69(#11) C6/9(♯11)"],
  ["1 5 4 6", "C6sus4 C6sus Csus4add6 C6(sus4)"],
  ["1 3 5 b7", "C7 Cdom7 C(7) C⁷ c7"],
  [
    "1 3 5 7",
    "Cmaj7 CMaj7 CMAJ7 Cma7 CMa7 CMA7 CM7 CΔ CΔ7 C△ C△7 C^ C^7 Cj7 Cmajor7 C7M C7maj C∆ C∆7 C▲7 Cmaj(7) C(maj7) C(M7) Cmaj⁷",
  ],
  ["1 b3 5 b7", "Cm7 Cmin7 CMin7 CMIN7 Cmi7 CMi7 CMI7 C-7 Cminor7 Cm(7) C−7 C–7 C—7 C‑7 C-⁷ c-7"],
  [
    "1 b3 5 7",
    "Cm(maj7) CmM7 CmMaj7 Cmmaj7 Cminmaj7 Cmin(maj7) Cm7M C-maj7 C-M7 C-Δ C-Δ7 CmΔ CmΔ7 Cm(M7) Cm/maj7 Cm/M7 Cm(Δ7) Cm#7 Cm(#7) Cm+7 Cm(ma7)",
  ],
  [
    "1 b3 b5 b7",
    "Cm7b5 Cm7(b5) Cm7♭5 Cm7-5 Cm7(-5) Cmin7b5 Cmi7(♭5) C-7b5 C-7(b5) Cø Cø7 CØ CØ7 Chalfdim Chalfdim7 Chalf-dim7 Chdim7 Ch7 C∅ C⌀7",
  ],
  ["1 b3 b5 bb7", "Cdim7 C°7 Cº7 Co7 Cdim(7)"],
  ["1 b3 b5 7", "Cdim(maj7) C°(maj7) C°M7 C°maj7 CdimM7 CoM7"],
  ["1 b3 b5 bb7 2", "Cdim9 C°9 C°7add9 Cdim7(add9)"],
  ["1 3 #5 b7", "C7#5 C7(#5) C7♯5 C7+5 C+7 Caug7 C7aug C7+ C7(+5)"],
  ["1 3 #5 7", "Cmaj7#5 Cmaj7(#5) CM7#5 CΔ#5 CΔ7♯5 C+maj7 C+M7 Caugmaj7 Cmaj7+5 C+(maj7)"],
  ["1 3 b5 b7", "C7b5 C7(b5) C7♭5 C7-5 C7(-5)"],
  ["1 3 b5 7", "Cmaj7b5 Cmaj7(b5) CM7♭5 CΔ7b5 Cmaj7-5"],
  ["1 5 b7 4", "C7sus4 C7sus C7(sus4) C7(sus) Csus7 C7sus(4)"],
  ["1 5 b7 2", "C7sus2 C7(sus2)"],
  ["1 5 b7 2 4", "C9sus4 C9sus C9(sus4) Csus9 C7sus4(9) C7sus4add9 C7sus2sus4"],
  ["1 5 b7 2 4 6", "C13sus4 C13sus Csus13 C13(sus4)"],
  ["1 5 b7 b2 4", "C7sus4b9 C7susb9 C7b9sus4 C7b9sus C7(b9)sus4 C7sus4(b9) Csus7b9"],
  ["1 3 5 b7 2", "C9 C7add9 C7(9) C7/9 Cdom9 C⁹ C7(add9)"],
  ["1 3 5 7 2", "Cmaj9 C9M CMaj9 Cma9 CM9 CΔ9 C△9 C^9 Cj9 Cmaj7(9) Cmaj7add9 Cmaj7/9 Cmaj(9)maj7"],
  ["1 b3 5 b7 2", "Cm9 Cmin9 Cmi9 C-9 Cm7(9) Cm7add9 Cm7/9 Cminor9"],
  ["1 b3 5 7 2", "Cm(maj9) CmM9 CmMaj9 C-Δ9 Cm9(maj7) Cmin(maj9) Cm(maj7)add9"],
  ["1 b3 b5 b7 2", "Cm9b5 Cm9(b5) Cø9 C-9b5 Cm7b5(9) Cm7b5add9"],
  ["1 3 #5 b7 2", "C9#5 C9(#5) C+9 Caug9 C9+5"],
  ["1 3 b5 b7 2", "C9b5 C9(b5) C9-5"],
  ["1 5 b7 2 4", "C11no3 C11(no3)"],
  ["1 b3 5 b7 2 4", "Cm11 Cmin11 Cmi11 C-11 Cm9(11) Cm9add11"],
  ["1 3 5 7 2 4", "Cmaj11 CM11 CΔ11 Cma11"],
  ["1 b3 b5 b2 4", "Cm(11b5b9)"],
  ["1 b3 5 b7 4", "Cm7add11 Cm7(11) Cm7(add11) Cm7add4 Cm7/11 C-7(11)"],
  ["1 b3 b5 b7 2 4", "Cø11 Cm11b5 Cm11(b5)"],
  ["1 3 5 b7 2 6", "C13 Cdom13 C9(13) C9add13 C9/13 C9/6"],
  ["1 3 5 b7 6", "C7add13 C7(13) C7/13 C7/6 C7add6 C13no9"],
  ["1 3 5 7 2 6", "Cmaj13 CM13 CΔ13 Cma13 Cmaj9(13) Cmaj9add13"],
  ["1 b3 5 b7 2 6", "Cm13 Cmin13 C-13 Cm9(13)"],
  ["1 3 5 7 #4", "Cmaj7#11 Cmaj7(#11) Cmaj7♯11 CM7#11 CΔ#11 CΔ7(♯11) Cmaj7+11 Cmaj7#4 Cmaj7add#11"],
  ["1 3 5 7 2 #4", "Cmaj9#11 Cmaj9(#11) CM9♯11 Cmaj7(9,#11) CΔ9#11"],
  ["1 3 5 7 2 #4 6", "Cmaj13#11 Cmaj13(#11) CM13♯11"],
  ["1 3 5 b7 #4", "C7#11 C7(#11) C7♯11 C7+11 C7(+11)"],
  ["1 3 5 b7 2 #4", "C9#11 C9(#11) C9♯11 C9+11"],
  ["1 3 5 b7 2 #4 6", "C13#11 C13(#11) C13♯11"],
  ["1 3 5 b7 b2", "C7b9 C7(b9) C7♭9 C7-9 C7(-9) C7/b9 C7addb9"],
  ["1 3 5 b7 #2", "C7#9 C7(#9) C7♯9 C7+9 C7(+9)"],
  ["1 3 5 b7 b6", "C7b13 C7(b13) C7♭13 C7-13"],
  ["1 3 5 b7 b2 #2", "C7b9#9 C7(b9,#9) C7#9b9 C7(b9#9)"],
  ["1 3 5 b7 b2 b6", "C7b9b13 C7(b9,b13) C7(b9b13) C7♭9♭13 C7(b9)(b13) C7b13b9"],
  ["1 3 5 b7 #2 b6", "C7#9b13 C7(#9,b13) C7♯9♭13 C7(#9b13)"],
  ["1 3 5 b7 b2 #4", "C7b9#11 C7(b9,#11) C7(b9,_#11) C7#11b9"],
  ["1 3 b5 b7 b2", "C7b5b9 C7(b5,b9) C7b9b5 C7(b5b9)"],
  ["1 3 #5 b7 b2", "C7#5b9 C7b9#5 C+7b9 C7+5-9 Caug7b9"],
  ["1 3 #5 b7 #2", "C7#5#9 C7#9#5 C+7#9 C7(#5,#9) C7+5+9"],
  ["1 3 b5 b7 #2", "C7b5#9 C7#9b5"],
  ["1 3 5 b7 b2 6", "C13b9 C13(b9) C13♭9"],
  ["1 3 5 b7 #2 6", "C13#9 C13(#9)"],
  ["1 3 5 b7 2 4 6", "C13add11 C13(add11)"],
  ["1 3 b7 b2 #2 b6", "C7alt Calt C7(alt) Calt. C7alt."],
  ["1 3 b5 b7 b6", "C7b5#5 C7(b5#5)"],
  ["1 3 b7", "C7no5 C7(no5) C7omit5"],
  ["1 5 b7", "C7no3 C7(no3) C7omit3"],
  ["1 b3 b7", "Cm7no5 Cm7(no5)"],
  ["1 b3 5 b7 b6", "Cm7b13 Cm7(b13)"],
  ["1 b3 5 b7 b2", "Cm7b9 Cm7(b9)"],
  ["1 3 7 #4", "Cmaj7#11no5"],
];

const ROWS = SPELLINGS.flatMap(([tones, spellings]) =>
  spellings.split(" ").map((spelling) => [spelling.replaceAll("_", " "), tones] as const),
);

const read = (text: string): string => {
  const reading = readSymbol(text);
  return "chord" in reading ? reading.chord.tones.map((tone) => printDegree(tone)).join(" ") : "unread";
};

describe("spellings of chord symbols", () => {
  test.each(ROWS)("%s is %s", (symbol, tones) => expect(read(symbol)).toBe(tones));

  it("are more than 300, none of them twice", () => {
    expect(ROWS.length).toBeGreaterThanOrEqual(300);
    expect(new Set(ROWS.map(([spelling]) => spelling)).size).toBe(ROWS.length);
  });

  it("mean the same on every root, spelled from it", () => {
    for (const root of ["F#", "Gb", "C#", "Cb", "D#", "Abb", "B♭", "F♯", "e", "bb"]) {
      // Two flats before a fifth are one and an alteration: A♭♭5 has to be written A♭(♭5) or A𝄫5. “do” and “go” are words.
      for (const [spelling, tones] of ROWS.filter(
        ([each]) =>
          each.startsWith("C") && !(root === "Abb" && each === "C5") && !(root === "e" && each === "Co"),
      ))
        expect([root, spelling, read(root + spelling.slice(1))]).toEqual([root, spelling, tones]);
    }
  });

  test.each([
    ["C/E", "C E G", "E"],
    ["C/Bb", "C E G Bb", "Bb"],
    ["D7/F#", "D F# A C", "F#"],
    ["Em7/D", "E G B D", "D"],
    ["F/G", "F A C G", "G"],
    ["G#m7b5/F#", "G# B D F#", "F#"],
    ["Am7(b5)/Eb", "A C Eb G", "Eb"],
    ["C#7b9/E#", "C# E# G# B D", "E#"],
    ["Gbmaj7/Bb", "Gb Bb Db F", "Bb"],
    ["C6/9/E", "C E G D A", "E"],
    ["Cm/maj7/G", "C Eb G B", "G"],
    ["c/e", "C E G", "E"],
    ["C7/b", "C E G Bb B", "B"],
    ["D♯m9/A♯", "D# F# A# C# E#", "A#"],
    ["Cb6/9", "Cb Eb Gb Db Ab", ""],
    ["Cb9", "Cb Eb Gb Bbb Db", ""],
    ["Bbb7", "Bbb Db Fb Abb", ""],
    ["F##dim7", "F## A# C# E", ""],
  ])("%s is %s over %s", (symbol, notes, bass) => {
    const reading = readSymbol(symbol);
    if (!("chord" in reading)) throw new Error(symbol);
    expect(
      chordNotes(reading.chord)
        .map((note) => printName(note))
        .join(" "),
    ).toBe(notes);
    expect(reading.chord.bass === undefined ? "" : printName(reading.chord.bass)).toBe(bass);
  });
});

describe("what looks like another chord", () => {
  test.each([
    ["b5", "root"],
    ["b9", "root"],
    ["b7", "root"],
    ["H7", "root"],
    ["dim7", "root"],
    ["add9", "root"],
    ["alt", "root"],
    ["Dimin", "quality"],
    ["Aug", "quality"],
    ["Add9", "quality"],
    ["C3", "quality"],
    ["C8", "quality"],
    ["Cfoo", "quality"],
    ["C/G7", "bass"],
    ["Em-Am", "quality"],
    ["foo", "root"],
    ["do", "root"],
    ["good", "root"],
    ["be", "quality"],
  ])("%s is not read as one: a %s is missing", (symbol, expected) => {
    const reading = readSymbol(symbol);
    expect("unread" in reading && reading.unread.expected).toBe(expected);
  });

  test.each([
    ["Bbb5", "Bb D Fb"],
    ["Ebb9", "Ebb Gb Bbb Dbb Fb"],
    ["Bbb7", "Bbb Db Fb Abb"],
    ["Eb5", "Eb Bb"],
    ["bb", "Bb D F"],
    ["b", "B D# F#"],
    ["bm7", "B D F# A"],
  ])("%s is %s", (symbol, notes) => expect(spelled(symbol)).toBe(notes));

  test.each([
    ["H7", "B D# F# A"],
    ["Hm", "B D F#"],
    ["B", "Bb D F"],
    ["Bm7", "Bb Db F Ab"],
    ["Fism", "F# A C#"],
    ["Es7", "Eb G Bb Db"],
    ["Esus", "E B A"],
    ["As", "Ab C Eb"],
    ["Asus4", "A E D"],
    ["Cis7/Gis", "C# E# G# B"],
    ["C/H", "C E G B"],
    ["F#m7", "F# A C# E"],
    ["Dm7b5", "D F Ab C"],
    // Small letters are minor.
    ["a", "A C E"],
    ["d7", "D F A C"],
    ["h", "B D F#"],
    ["b", "Bb Db F"],
    ["fis7", "F# A C# E"],
    ["es", "Eb Gb Bb"],
    ["as/ces", "Ab Cb Eb"],
    ["cis6", "C# E G# A#"],
    ["am", "A C E"],
    ["dsus4", "D A G"],
    ["edim7", "E G Bb Db"],
    ["amaj7", "A C# E G#"],
    ["g5", "G D"],
    ["E7", "E G# B D"],
  ])("in German %s is %s", (symbol, notes) => expect(spelled(symbol, "german")).toBe(notes));
});

function spelled(symbol: string, naming?: "german"): string {
  const reading = readSymbol(symbol, naming);
  return "chord" in reading
    ? chordNotes(reading.chord)
        .map((note) => printName(note))
        .join(" ")
    : "unread";
}
