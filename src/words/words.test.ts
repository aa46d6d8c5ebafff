import { afterEach, describe, expect, it, test } from "vitest";
import { degreeOf, fifthsOf } from "@/core/pitch";
import { readChart, shapesOver } from "@/core/chord";
import { tuningOf } from "@/core/instrument";
import { identify } from "@/core/identify";
import {
  decisions,
  fitOf,
  guideLines,
  oneModeAnalyses,
  openBetween,
  chordFunctions,
  simpleScale,
  analyses,
  targetNotes,
  changesOf,
  whatDecides,
} from "@/core/progression";
import {
  CATALOGUE,
  characteristicSwap,
  type HomeMode,
  mode,
  characteristicOf,
  holdsAll,
  SEVEN,
  soundsOf,
  thirdOf,
} from "@/core/scale";
import { readNotes } from "@/formats";
import {
  backupProblemText,
  backwardsText,
  chordSentence,
  chordText,
  distinguishingText,
  foundText,
  intervalsText,
  intervalText,
  neededText,
  placeText,
  rightPlacesText,
  setWording,
  symmetryText,
  barsText,
  brightnessText,
  countReason,
  countSentence,
  countText,
  decisionText,
  homeChordText,
  homeModeText,
  headlineText,
  homeReason,
  ladderText,
  listText,
  notesReason,
  noticeText,
  orText,
  type Phrase,
  plainText,
  playItFromText,
  problemText,
  analysisText,
  roleText,
  avoidNotesText,
  shortName,
  targetSentence,
  stepsText,
  solfegeText,
  swappedText,
  symbolText,
  comparedReason,
  tonesText,
  tuneCountText,
  vampText,
  weightText,
  whatItIs,
  guideText,
  lockText,
  modesText,
  chartAnswerText,
  functionText,
  openText,
  simpleScaleText,
  changeText,
  inTitle,
  modeText,
  systemText,
} from ".";

const USUAL = { reference: "by-third", comparison: "usual", syllables: "home" } as const;

const at = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });

/** A sentence as it is read; what is lit stands in brackets, and so does a target note. */
const plain = (phrases: readonly Phrase[]) =>
  plainText(
    phrases.map((phrase) => {
      if (typeof phrase === "string") return phrase;
      if ("lit" in phrase) return `[${phrase.lit}]`;
      return "target" in phrase ? `[${phrase.target}]` : phrase;
    }),
  ).trim();

describe("names", () => {
  test.each([
    ["D", "dorian", "D Dorian"],
    ["C#", "lydian", "C♯ Lydian"],
    ["Bb", "melodic-minor", "B♭ melodic minor"],
    ["F", "lydian-dominant", "F Lydian dominant"],
    ["Ebb", "altered", "E𝄫 altered"],
  ])("%s %s is %s", (home, id, text) => expect(homeModeText(at(home, id))).toBe(text));

  it("of the ways to divide a neck are those of the instrument", () => {
    expect(["guitar", "fiddle"].map((id) => systemText("five-positions", tuningOf(id)))).toEqual([
      "Five positions",
      "Positions",
    ]);
  });

  it("are short where room is", () => {
    expect(CATALOGUE.slice(0, 7).map(shortName).join(" ")).toBe(
      "Ionian Dorian Phryg. Lydian Mixol. Aeol. Locr.",
    );
    expect(shortName(mode("phrygian-dominant"))).toBe("Phr. dom.");
    expect(CATALOGUE.every((each) => shortName(each).length <= 16)).toBe(true);
  });

  test.each([
    [3, "+3"],
    [0, "±0"],
    [-2, "−2"],
    [0.8, "+0.8"],
  ])("brightness %f is %s", (value, text) => expect(brightnessText(value)).toBe(text));

  it("lists and counts in words", () => {
    expect([listText([]), listText(["A"]), listText(["A", "B"]), listText(["A", "B", "C"], "or")]).toEqual([
      "",
      "A",
      "A and B",
      "A, B or C",
    ]);
    expect([
      countText(0, "chord"),
      countText(1, "chord"),
      countText(2, "chord"),
      countText(14, "chord"),
    ]).toEqual(["no chords", "one chord", "two chords", "14 chords"]);
    expect([barsText([2]), barsText([2, 2, 4]), barsText([1, 2, 3, 4, 5])]).toEqual([
      "bar 2",
      "bars 2 and 4",
      "5 bars",
    ]);
  });

  test.each([
    ["Bbmaj7#11", "B♭maj7♯11"],
    ["C7b9", "C7♭9"],
    ["F#m7b5", "F♯m7♭5"],
    ["Bsus4", "Bsus4"],
    ["Gadd9", "Gadd9"],
  ])("%s is shown as %s", (symbol, text) => expect(symbolText(symbol)).toBe(text));
});

describe("the wording that is chosen", () => {
  afterEach(() => setWording({ noteNames: "english", majorNames: "modes" }));

  it("names notes, chords and the two plain modes", () => {
    setWording({ noteNames: "german", majorNames: "plain" });
    expect([homeModeText(at("B", "aeolian")), homeModeText(at("Bb", "ionian"))]).toEqual([
      "H natural minor",
      "B major",
    ]);
    expect(vampText(at("E", "dorian"))).toBe("Em and A, back and forth");
    expect(chordText({ root: 5, tones: [0, -3, -6, -2], optional: [], bass: -2 })).toBe("Hm7♭5/B");
    setWording({ noteNames: "fixed-do", majorNames: "modes" });
    expect(homeModeText(at("Eb", "lydian"))).toBe("Mi♭ Lydian");
    expect(vampText(at("D", "dorian"))).toBe("Rém and Sol, back and forth");
  });
});

describe("what all modes answer", () => {
  it("counts, and says what would be needed", () => {
    expect([foundText(462, 462), foundText(1, 462), foundText(0, 12)]).toEqual([
      "All 462 modes.",
      "1 of 462 modes.",
      "None of 12 modes.",
    ]);
    expect(neededText(0b11111111, 7)).toBe(
      "What you ask for needs eight different notes, more than seven: C, D♭, D, E♭, E, F, F♯ and G.",
    );
    expect(neededText(0b10010001, "named")).toBe("What you ask for needs three different notes: C, E and G.");
  });

  it("of a chord in a mode: what it tells, or what falls outside", () => {
    const am9 = { root: 3, tones: [0, -3, 1, -2, 2], optional: [] };
    expect(plain(chordSentence(am9, at("D", "dorian")))).toBe("Contains [B], the characteristic note.");
    expect(plain(chordSentence({ ...am9, tones: [0, -3, 1] }, at("D", "dorian")))).toContain(
      "without a characteristic note",
    );
    expect(plain(chordSentence({ ...am9, tones: [0, 4, 1] }, at("D", "dorian")))).toBe(
      "C♯ falls outside D Dorian.",
    );
    expect(plain(chordSentence({ root: 2, tones: [0, 4, -1], optional: [] }, at("D", "ionian")))).toContain(
      "C♯ is missing",
    );
    const places = shapesOver(3, [0, 4, 1, 5], mode("dorian"));
    expect(rightPlacesText(places, at("A", "dorian"))).toBe("From C and G all of it is in A Dorian.");
    expect(placeText(places[2]!)).toBe("D♯ A♯ outside");
  });
});

describe("what a mode is, in a sentence", () => {
  test.each([
    [
      at("D", "dorian"),
      "The natural minor with its sixth raised: [B] in place of B♭. The natural 6 ([B]) is its characteristic note: none of the other minor modes of the major scale has it.",
    ],
    [
      at("C", "ionian"),
      "The major scale itself. The 4 ([F]) and 7 ([B]) are its characteristic notes: none of the other major modes of the major scale has both.",
    ],
    [
      at("C#", "melodic-minor"),
      "The natural minor with its sixth and seventh raised: [A♯] in place of A and [B♯] in place of B. Nearer still: Dorian with 7. The natural 6 ([A♯]) and natural 7 ([B♯]) are its characteristic notes: none of the minor modes of the major scale has both.",
    ],
    [
      at("Gb", "phrygian"),
      "The natural minor with its second lowered: [A𝄫] in place of A♭. The ♭2 ([A𝄫]) is its characteristic note; Locrian (with ♭5) has it too.",
    ],
    [
      at("D#", "aeolian"),
      "The natural minor itself. The ♭6 ([B]) is its characteristic note; Phrygian (with ♭2) and Locrian (with ♭2 and ♭5) have it too.",
    ],
    [
      at("C#", "altered"),
      "The natural minor with its second, fourth and fifth lowered: D in place of D♯, [F] in place of F♯ and [G] in place of G♯. Nearer still: Locrian with ♭4. The ♭4 ([F]) and ♭5 ([G]) are its characteristic notes: none of the minor modes of the major scale has both. Played as a dominant chord, it has the tensions ♭9, ♯9, ♯11 and ♭13.",
    ],
  ])("%#", (homeMode, text) => expect(plain(whatItIs(homeMode, USUAL))).toBe(text));

  it("claims nothing that the modes refute: who has the characteristic notes too is named, all of them and no other", () => {
    for (const each of CATALOGUE.filter(({ intervals }) => intervals.length === 7)) {
      const said = plain(whatItIs(at("D", each.id), USUAL));
      const needed = soundsOf(characteristicOf(each));
      const sharing = SEVEN.filter(
        (other) => other !== each && thirdOf(other) === thirdOf(each) && holdsAll(other.sounds, needed),
      ).map((other) => inTitle(modeText(other)));
      const [, named = ""] =
        /characteristic notes?; (.*?) ha(?:s|ve) (?:it|both|them all) too/u.exec(said) ?? [];
      expect(SEVEN.map((other) => inTitle(modeText(other))).filter((name) => named.includes(name))).toEqual(
        sharing,
      );
      expect(said.includes("none of the")).toBe(sharing.length === 0);
    }
  });

  it("lists every set that distinguishes, under Working", () => {
    expect(distinguishingText(at("E", "phrygian-dominant"), USUAL)).toBe("♭2 and ♭7 · ♭2 and 4 · ♭2 and 5");
    expect(distinguishingText(at("E", "minor-pentatonic"), USUAL)).toContain(
      "another of them has all its notes",
    );
  });

  it.each([
    [
      "minor-pentatonic",
      "The natural minor without its second and sixth. No single note identifies this scale: Dorian, Phrygian and Aeolian have all its notes. What’s missing does: it has no 2 and no 6.",
    ],
    ["blues-minor", "The natural minor without its second and sixth, with ♭5 besides. "],
    [
      "major-pentatonic",
      "No single note identifies this scale: Ionian, Lydian and Mixolydian have all its notes. What’s missing does: it has no 4 and no 7.",
    ],
    [
      "dominant-diminished",
      "The major scale with its fourth raised and its second and seventh lowered, with ♭3 besides: ",
    ],
    ["1-b2-b3-sharp4-5-6-b7", "Not in the catalogue. Nearest: D Dorian ♭2 with G♯ for G. "],
    ["locrian-double-flat3-double-flat7", "are its characteristic notes: none of the modes"],
  ])("of other sizes: %s", (id, text) =>
    expect(plain(whatItIs(at("D", id), USUAL)).replaceAll(/[[\]]/g, "")).toContain(text),
  );

  it("follows the conventions", () => {
    const dorian = at("D", "dorian");
    expect(plain(whatItIs(dorian, { ...USUAL, reference: "major" }))).toContain(
      "The major scale with its third and seventh lowered: F in place of F♯ and C in place of C♯.",
    );
    expect(plain(whatItIs(at("D", "phrygian-dominant"), { ...USUAL, reference: "nearest" }))).toContain(
      "Phrygian with its third raised",
    );
    expect(distinguishingText(dorian, { ...USUAL, comparison: "parent" })).toBe("6");
    expect(solfegeText(dorian, "parent")).toBe("re mi fa sol la ti do");
    expect(solfegeText(dorian, "numbers")).toBe("1 2 ♭3 4 5 6 ♭7");
    expect(solfegeText(dorian, "none")).toBe("");
  });

  it("says why a scale has fewer modes than notes", () => {
    expect(symmetryText(at("C", "whole-tone"))).toBe(
      "Two half steps up it is the same notes again, so its six notes make one mode only, each at home on six of them.",
    );
    expect(symmetryText(at("C", "diminished"))).toContain("eight notes make two modes");
    expect(symmetryText(at("C", "dorian"))).toBe("");
  });

  it("counts backwards", () => {
    expect(backwardsText(at("G", "lydian"))).toBe("G Lydian: the fourth note of D; so D major.");
    expect(backwardsText(at("D#", "aeolian"))).toBe("D♯ Aeolian: the sixth note of F♯; so F♯ major.");
    expect(intervalsText(at("F", "lydian-augmented"))).toBe(
      "major second, major third, augmented fourth, augmented fifth, major sixth, major seventh",
    );
    expect(intervalText(-9)).toBe("diminished seventh");
    expect(intervalText(-16)).toBe("doubly diminished seventh");
  });

  it("says both ways in which a degree may move", () => {
    expect(plain(whatItIs(at("C", "lydian-dominant"), USUAL))).toContain(
      "The major scale with its fourth raised and its seventh lowered: [F♯] in place of F and [B♭] in place of B.",
    );
  });

  it("never leaves a hole, for any mode and home", () => {
    for (const each of [...CATALOGUE, mode("set-15"), mode("set-4095"), mode("set-3"), mode("set-2925")]) {
      for (const home of [-8, -6, 0, 2, 7, 10]) {
        const homeMode = { home, mode: each };
        const texts = [
          plain(whatItIs(homeMode, USUAL)),
          countSentence(homeMode),
          stepsText(homeMode),
          solfegeText(homeMode, "home"),
          homeChordText(homeMode),
          backwardsText(homeMode),
          intervalsText(homeMode),
          distinguishingText(homeMode, USUAL),
          playItFromText(homeMode),
        ];
        for (const text of texts) expect(text).not.toMatch(/undefined|null|NaN|^\s*$| {2}/);
      }
    }
  });

  it("counts, steps, sings and stacks", () => {
    const dorian = at("D", "dorian");
    expect(countSentence(dorian)).toBe("Count up from C: C 1, D 2.");
    expect(countSentence(at("Gb", "ionian"))).toBe("The parent scale itself, counted from its first note.");
    expect(stepsText(at("A", "harmonic-minor"))).toBe(
      "whole half whole whole half 1½ half (2\u00A01\u00A02\u00A02\u00A01\u00A03\u00A01)",
    );
    expect(solfegeText(dorian, "home")).toBe("do re me fa sol la te");
    expect(homeChordText(dorian)).toBe("Dm7, in full Dm13 (every fifth perfect)");
    expect(homeChordText(at("F", "lydian"))).toBe("Fmaj7, in full Fmaj13♯11 (5 of 6 fifths perfect)");
    expect(vampText(dorian)).toBe("Dm and G, back and forth");
    expect(ladderText(dorian, "parallel")).toBe("The modes of the major scale on D, from bright to dark");
    expect(ladderText(dorian, "relative")).toBe("The modes of C major, from bright to dark");
  });
});

describe("what is said about chords", () => {
  const chart = readChart("| Em9 | A13 | Em9 | A13 | Cmaj7 | D6 | Em9 | B7sus4 |").value;
  const { chords } = chart;
  const [analysis] = oneModeAnalyses(chart);
  const dorian = { home: fifthsOf("E"), mode: mode("dorian") };

  it("the analysis and what lies outside it", () => {
    expect(analysis && analysisText(analysis)).toBe("E Dorian throughout; C is outside in one chord");
    const [clean] = oneModeAnalyses(readChart("Em9 A13").value);
    expect(clean && analysisText(clean)).toBe("E Dorian throughout; nothing outside");
  });

  it("changes, and what changes at them", () => {
    const [changes] = analyses(chart)["fewest-changes"];
    expect(changes && analysisText(changes)).toBe("one change; nothing outside");
    expect(changes && modesText(changes)).toBe("E Dorian, E Aeolian");
    expect(changes && changesOf(changes).map(changeText)).toEqual(["C♯ → C"]);
    const [far] = analyses(readChart("| Dm7 | % | Ebm7 | % |").value)["fewest-changes"];
    expect(far && changesOf(far).map(changeText)).toEqual(["5 notes"]);
    const each = analyses(chart)["chord-by-chord"][0];
    expect(each && analysisText(each)).toBe("every chord its own home; nothing outside");
  });

  it("what a chord does in its key, guide tones, the plain way, what is set", () => {
    const doubt = readChart("| C | E7 | Am | Fm | C |").value;
    const ionian = at("C", "ionian");
    const functionsAt = (place: number) =>
      chordFunctions(doubt, place, ionian).map((each) => functionText(each, ionian));
    expect(functionsAt(1)).toEqual(["a secondary dominant: the dominant of A, and it goes there"]);
    expect(functionsAt(3)).toEqual(["the minor iv, borrowed from the minor key"]);
    const [first, second] = guideLines(chords.map(({ chord }) => chord));
    expect(second?.map((tone, line) => guideText(tone, first?.[line]))).toEqual([
      "G, the seventh, stays",
      "D falls a half step to C♯, the third",
    ]);
    const [changes] = analyses(chart)["fewest-changes"];
    const way = changes && simpleScale(changes, chart, 1);
    expect(way && simpleScaleText(way, chords)).toBe(
      "E minor pentatonic, bars 1 to 8; add C♯ and F♯ here for all of E Dorian",
    );
    expect(lockText(dorian)).toBe("E Dorian");
    expect(lockText({ home: fifthsOf("Eb") })).toBe("home E♭");
    expect(lockText({ mode: mode("lydian") })).toBe("Lydian on any home");
  });

  it("the target note in the wording of both conventions", () => {
    const said = (text: string, at: number) => {
      const read = readChart(text).value;
      return plain(targetSentence(read, at, targetNotes(read, at), dorian));
    };
    expect(said("| Em9 | A13 |", 1)).toBe(
      "Target note: [C♯], its third. Em9 doesn’t have it (nor A), so it marks the change. Save it for here, or use it throughout for E Dorian.",
    );
    expect(said("| Em9 | A13 |", 0)).toMatch(
      /^Target note: \[D\], its seventh. Coming round again, A13 doesn’t have it/,
    );
    expect(said("| Em | B7 |", 1)).toMatch(/marks the change\. Save it for here: E Dorian has D instead\.$/);
    expect(said("Em7 Em", 1)).toBe("Shares all its notes with Em7, so the bass has to mark the change.");
    expect(said("Am7 C6", 1)).toBe("The same notes as Am7: nothing says that the chord has changed.");
    expect(said("Em", 0)).toMatch(/^The only chord so far/);
    expect(said("??? Em", 0)).toMatch(/^This can’t be read as a chord/);
  });

  // What stands at the head, and what would decide: cadences that keep the mode.
  const open = (text: string) => {
    const read = readChart(text).value;
    const all = analyses(read);
    const [best] = all["fewest-changes"];
    const between = openBetween(all, read.chords);
    return [best && chartAnswerText(best, read, between), between && openText(between, read.chords)];
  };
  test.each([
    ["Am F C G", "A Aeolian or C Ionian: the home is open.", "G to Am, or G7 to C."],
    ["D#m B F# C#", "D♯ Aeolian or F♯ Ionian: the home is open.", "C♯ to D♯m, or C♯7 to F♯."],
    [
      "E5 G5 A5 E5",
      "E Aeolian or E Dorian: no chord decides.",
      "No chord has C or C♯, the notes that would decide.",
    ],
    [
      "Db5 Fb5 Gb5 Db5",
      "D♭ Aeolian or D♭ Dorian: no chord decides.",
      "B𝄫 or B♭, the notes that would decide.",
    ],
    ["E5 D5 E5 D5", "E Mixolydian or E Dorian: no chord decides.", "No chord has G♯ or G"],
    ["A5 A5", "A Ionian or A Mixolydian: no chord decides.", "No chord has G♯ or G"],
    ["D | D", "D Ionian or D Mixolydian: no chord decides.", "No chord has C♯ or C"],
    ["Ebm | Ebm", "E♭ Aeolian or E♭ Dorian: no chord decides.", "No chord has C♭ or C"],
    ["A7sus4 A7sus4", "A Mixolydian or A Dorian: no chord decides.", "No chord has C♯ or C"],
    ["Em D Em D", "E Aeolian or E Dorian: no chord decides.", "No chord has C or C♯"],
    [
      "Am G F E",
      "A Aeolian or E Phrygian dominant: the home is open.",
      "The line down from A to E may rest on either",
    ],
    [
      "Gm F Eb D7",
      "G Aeolian or D Phrygian dominant: the home is open.",
      "The line down from G to D may rest on either",
    ],
  ])("what is open in %s", (text, head, decides) => {
    const [said, why] = open(text);
    expect(said).toBe(head);
    expect(why).toContain(decides);
  });

  test.each([
    ["A7sus4 A7 D D", "D Ionian throughout."],
    ["Db7sus4 Db7 Gb Gb", "G♭ Ionian throughout."],
    ["E7 E7", "E Mixolydian throughout."],
    ["Am G F E F E", "E Phrygian dominant throughout."],
    ["Cm Bb Ab G Ab G", "G Phrygian dominant throughout."],
    ["Am7 D7 Am7 D7", "A Dorian throughout."],
    ["C G Am F", "C Ionian throughout."],
  ])("what is decided in %s", (text, head) => expect(open(text)).toEqual([head, undefined]));

  it("what decides: a note, only the home, or nothing yet", () => {
    expect(decisions(analysis!.segments[0]!, chords).map((each) => decisionText(each, chords))).toEqual([
      "C♯, the third of A13 in bars 2 and 4, makes it Dorian; C in bar 5 leans towards Aeolian",
      "D Ionian has the same notes; only the home tells them apart",
    ]);
    const two = readChart("| Dm7 | G7 | Cmaj7 |").value.chords;
    expect(decisionText(whatDecides([at("C", "ionian"), at("C", "mixolydian")], two), two)).toBe(
      "B, the third of G7 in bar 2 and the seventh of Cmaj7 in bar 3, makes it Ionian; B♭ would make it Mixolydian",
    );
    const minor = readChart("| F#m7b5 | B7 | Em |").value.chords;
    expect(decisionText(whatDecides([at("E", "harmonic-minor"), at("B", "aeolian")], minor), minor)).toBe(
      "C and D♯ in bars 1 and 2 make it E harmonic minor; C♯ and D would make it B Aeolian",
    );
    const open = readChart("Am7 D7").value.chords;
    expect(decisionText(whatDecides([at("A", "dorian"), at("A", "dorian-flat2")], open), open)).toBe(
      "Nothing here decides against A Dorian ♭2: B would make it Dorian, B♭ Dorian ♭2",
    );
  });

  it("tones, avoid notes and roles", () => {
    const { chord } = chords[1]!;
    const fit = fitOf(chord!, dorian);
    expect(tonesText(chord!)).toBe("A C♯ E G, with B and F♯ above");
    expect(avoidNotesText(fit, chord!)).toBe("D, a half step over the third");
    expect(["b3", "#5", "b2", "b7", "bb7"].map((degree) => roleText(degreeOf(degree)))).toEqual([
      "third",
      "fifth",
      "flat ninth",
      "seventh",
      "𝄫7",
    ]);
  });
});

describe("the reasons for a tune", () => {
  const about = (text: string) => identify(readNotes(text).value)!;
  const stair = about("A4 C#5 B4 D5 | C#5 E5 D5 B4 | A4 C#5 B4 G4 | F#4 G4 A4:2 ||");
  const pears = about("D4 F A | G F E | F A C5 | A:2 G | C5 A G | A F E | D4:3 ||");

  it("home, notes, count and what tells it", () => {
    expect(plain(homeReason(stair))).toMatch(/^Home is A\. The only phrase ends on A/);
    expect(plain(notesReason(stair, () => [0]))).toBe(
      "The notes are D major’s: D E F♯ G A B C♯. All seven are used.",
    );
    expect(plain(countReason(stair, () => [0]))).toBe(
      "Count up from D: Ionian D, Dorian E, Phrygian F♯, Lydian G, Mixolydian A.",
    );
    expect(plain(comparedReason(stair, () => [0]))).toBe(
      "What makes it that mode: a major third, C♯, with [G] over it. With G♯ it would be plain A major.",
    );
    expect([orText(stair), playItFromText(stair.homeMode)]).toEqual([
      undefined,
      "D major shapes, resting on A",
    ]);
  });

  it("a note that never occurs", () => {
    expect(plain(notesReason(pears, () => [0]))).toContain(
      "Six of the seven are used. The sixth above D is never heard.",
    );
    expect(plain(notesReason(about("G#4 B4 C#5 D#5 E5 G#4"), () => [0]))).toContain(
      "Five of the seven are used. The second and seventh above G♯ are never heard.",
    );
    expect(plain(comparedReason(pears, () => [0]))).toBe(
      "What would decide: No 6 is heard. It would be D Aeolian with B♭ or D Dorian with B.",
    );
    expect([headlineText(pears), orText(pears)]).toEqual([
      "D minor without a 6",
      "Aeolian or Dorian would fit",
    ]);
    expect(orText(about("A4"))).toBe("or one of six more");
  });

  it("what a swap makes", () => {
    const made = (home: string, id: string) => swappedText(at(home, id), characteristicSwap(mode(id))!);
    expect(made("A", "mixolydian")).toBe("plain A major");
    expect(made("Eb", "dorian")).toBe("plain E♭ minor");
    expect(made("B", "locrian")).toBe("B Phrygian");
  });

  it("counts and weights", () => {
    const tune = readNotes("A4 B4 | C5").value;
    expect(tuneCountText(tune, "notes")).toBe("2 bars, 3 notes, typed");
    expect([0.999, 0.94, 0.004].map(weightText)).toEqual(["99%", "94%", "under 1%"]);
  });
});

describe("what could not be read", () => {
  test.each([
    ["| Em9 | qqq |", "At 9: “qqq” isn’t a chord. Begin with a letter from A to G."],
    [
      "| Em9 |\n| Aqq |",
      "Line 2, column 4: “qq” isn’t a chord symbol I can read. Try m7, maj7, 7sus4, 13 or ♭9.",
    ],
    ["| G/H |", "At 5: write a note from A to G after the slash, not “H”."],
    ["| G/ |", "At 5: write a note from A to G after the slash."],
    ["| % |", "At 3: there is no bar before this one to repeat."],
  ])("%j", (text, said) => expect(problemText(readChart(text).problems[0]!, text)).toBe(said));

  test.each([
    [
      "A4 xx",
      "At 4: “xx” isn’t a note. Write a letter from A to G with # or b, an octave and a length, as in C#5:2.",
    ],
    ["A4:0", "At 4: “0” isn’t a length. Write quarters, such as 1, 0.5 or 3/2."],
    ["", "There are no notes in it yet."],
  ])("%j", (text, said) => expect(problemText(readNotes(text).problems[0]!, text)).toBe(said));

  it("says what stands in for what an address named", () => {
    expect(noticeText({ code: "mode-unknown", asked: "doriann", found: "dorian" })).toBe(
      "There is no mode “doriann”. Shown is Dorian, the nearest name.",
    );
    expect(noticeText({ code: "home-unknown", asked: "H", found: "B" })).toContain(
      "“H” is no note name. Home is B;",
    );
  });

  it("says why a file was not taken", () => {
    expect(backupProblemText({ code: "not-json", found: "x" })).toContain("it is not JSON");
    expect(backupProblemText({ code: "not-a-backup", found: "x" })).toContain("isn’t a Shade backup");
    expect(backupProblemText({ code: "newer-version", found: "7" })).toContain("is version 7");
    expect(backupProblemText({ code: "record-unread", record: 3, found: "{}" })).toContain("Entry 3");
  });
});
