import { expect, test } from "vitest";
import { printName } from "../pitch";
import { readChart } from "../chord";
import { analyses } from ".";

/** The scale of each chord in turn; a chord whose scale is not looked at has a dot. */
test.each([
  ["G7alt Cm", "G altered ."],
  ["Calt Fm(maj7)", "C altered, F melodic-minor"],
  ["Dm7 Db7 Cmaj7", "D dorian, Db lydian-dominant, C ionian"],
  ["Gb13 F", "Gb lydian-dominant ."],
  ["Dm7b5 G7 Cm", "D locrian, G phrygian-dominant ."],
  ["D#m7b5 G#7 C#m", "D# locrian, G# phrygian-dominant ."],
  ["Bm7b5 E7b9 Am", "B locrian, E phrygian-dominant, A harmonic-minor"],
  ["Gm F Eb D7", "G aeolian, F mixolydian, Eb lydian, D phrygian-dominant"],
  ["Am E7", "A harmonic-minor, E phrygian-dominant"],
  ["Cmaj7 Am7 Dm7 Db7", "C ionian, A aeolian, D dorian, Db lydian-dominant"],
  ["G7sus4 Cmaj7", "G mixolydian, C ionian"],
  ["F/G C", "G mixolydian ."],
  ["G7sus4b9 C", "G phrygian ."],
  ["Cmaj7 C#dim7 Dm7", "C ionian, C# diminished, D dorian"],
  ["Cmaj7 Fmaj7 G7 C", "C ionian, F lydian, G mixolydian, C ionian"],
  ["Cmaj7 Am7 Dm7 G7", "C ionian, A aeolian, D dorian, G mixolydian"],
  ["Cmaj7 Em7 F G C", "C ionian, E phrygian, F lydian, G mixolydian, C ionian"],
  ["Cmaj7 Fm7 Bb7 Cmaj7", "C ionian, F dorian, Bb lydian-dominant, C ionian"],
  [
    "Cm7 F7 Bbmaj7 Ebmaj7 Am7b5 D7 Gm",
    "C dorian, F mixolydian, Bb ionian, Eb lydian, A locrian, D phrygian-dominant .",
  ],
  ["C E7 Am D7 G7 C", "C ionian, E phrygian-dominant, A aeolian, D mixolydian, G mixolydian, C ionian"],
  ["A7 D7 A7 E7 D7 A7", "A mixolydian, D mixolydian, A mixolydian, E mixolydian, D mixolydian, A mixolydian"],
  ["Dm7 G7 Dm7 G7", "D dorian, G mixolydian, D dorian, G mixolydian"],
  ["C13b9 Fmaj7", "C dominant-diminished ."],
  ["C7#9 F7", "C dominant-diminished ."],
  ["C7#5#9 Fm", "C altered ."],
  ["C9#11 Fm", "C lydian-dominant ."],
  ["C9#5 Fmaj7", "C whole-tone ."],
  ["C7b9 Fm", "C phrygian-dominant ."],
  ["Cmaj7#11 Bm7", "C lydian ."],
  ["Cmaj7#5 Am", "C lydian-augmented ."],
  ["Cm(maj7) Cm6", "C melodic-minor ."],
  ["C Ab Bb C", "C ionian, Ab lydian ."],
  ["C/E F C", "C ionian, F lydian, C ionian"],
  ["G/F F", "F lydian ."],
  [
    "| Em9 | A13 | Em9 | A13 | Cmaj7 | D6 |",
    "E dorian, A mixolydian, E dorian, A mixolydian, C lydian, D mixolydian",
  ],
])("over %s: %s", (text, expected) => {
  const { chords } = readChart(text).value;
  const [first] = analyses({ ...readChart(text).value })["chord-by-chord"];
  const scales = chords.map((_, at) => {
    const here = first?.segments.find(({ from, to }) => at >= from && at <= to)?.homeMode;
    return here ? `${printName(here.home)} ${here.mode.id}` : "";
  });
  const wanted = expected.replace(/ \.$/u, "").split(", ");
  expect(scales.slice(0, wanted.length)).toEqual(wanted);
});
