import { describe, expect, test } from "vitest";
import { readChart, transposeChart } from "../chord";
import { fifthsOf, printName } from "../pitch";
import { mode } from "../scale";
import { chordFunctions } from ".";

/**
 * What a teacher says of a chord in its place: the chart, the key, the place of the chord, the answer. An answer that names a note has it
 * after "of".
 */
const TAUGHT: readonly (readonly [chart: string, home: string, mode: string, at: number, said: string])[] = [
  ["| C | E7 | Am | F |", "C", "ionian", 1, "secondary-dominant of A"],
  ["| C | E7 | F | G |", "C", "ionian", 1, "secondary-dominant of A, elsewhere"],
  ["| C | D7 | G7 | C |", "C", "ionian", 1, "secondary-dominant of G"],
  ["| C | D7 | F | C |", "C", "ionian", 1, "secondary-dominant of G, elsewhere"],
  ["| C | C7 | F | G7 |", "C", "ionian", 1, "secondary-dominant of F"],
  ["| C | A7 | D7 | G7 |", "C", "ionian", 1, "secondary-dominant of D"],
  ["| C | A7 | D7 | G7 |", "C", "ionian", 3, ""],
  ["| C | Bm7b5 | E7 | Am |", "C", "ionian", 1, ""],
  // Round and round: what follows the last chord is the first.
  ["| Dm7 | G7 | Cmaj7 | A7 |", "C", "ionian", 3, "secondary-dominant of D"],
  ["|: Am | F | C | E7 :| Dm | G | C | C |", "C", "ionian", 3, "secondary-dominant of A"],
  ["| C | A7 A7 | Dm | G7 |", "C", "ionian", 1, "secondary-dominant of D"],
  ["| C | A7 A7 | Dm | G7 |", "C", "ionian", 2, "secondary-dominant of D"],
  // A dominant of minor is no borrowed chord, with its seventh or without.
  ["| Am | Dm | E7 | Am |", "A", "aeolian", 2, "minor-dominant"],
  ["| Am | Dm | E | Am |", "A", "aeolian", 2, "minor-dominant"],
  ["| Am | E7 | F | Dm |", "A", "aeolian", 1, "minor-dominant"],
  ["| Dm7 | G7 | A7 | Dm7 |", "D", "dorian", 2, "minor-dominant"],
  ["| Am | E7 | Am | E7 |", "A", "harmonic-minor", 1, ""],
  // ii before it.
  ["| C | Gm7 | C7 | F |", "C", "ionian", 1, "secondary-two of F"],
  ["| C | Gm7 | C7 | F |", "C", "ionian", 2, "secondary-dominant of F"],
  ["| C | F#m7b5 | B7 | Em |", "C", "ionian", 1, "secondary-two of E"],
  ["| C | Dm7 | G7 | C |", "C", "ionian", 1, ""],
  // Home by the back door, and by a half step from above.
  ["| Cmaj7 | Fm7 | Bb7 | Cmaj7 |", "C", "ionian", 2, "backdoor"],
  ["| Cmaj7 | Fm7 | Bb7 | Cmaj7 |", "C", "ionian", 1, "borrowed-iv"],
  ["| C | Bb7 | Eb | C |", "C", "ionian", 1, "secondary-dominant of Eb"],
  ["| Dm7 | Db7 | Cmaj7 | Cmaj7 |", "C", "ionian", 1, "tritone-substitute of C"],
  ["| C | Eb7 | D7 | G7 |", "C", "ionian", 1, "tritone-substitute of D"],
  // iv in major, and what else is borrowed.
  ["| C | F | Fm | C |", "C", "ionian", 2, "borrowed-iv"],
  ["| C | F | Fm6 | C |", "C", "ionian", 2, "borrowed-iv"],
  ["| Amaj7 | Dm6 | Amaj7 | Dm6 |", "A", "ionian", 1, "borrowed-iv"],
  ["| C | Ab | Bb | C |", "C", "ionian", 1, "borrowed aeolian"],
  ["| C | Ab | Bb | C |", "C", "ionian", 2, "borrowed mixolydian"],
  ["| C | Cm | C | G7 |", "C", "ionian", 1, "borrowed dorian"],
  ["| Em9 | Cmaj7 | Em9 | A13 |", "E", "dorian", 1, "borrowed aeolian"],
  ["| C G7 | Cm F |", "C", "ionian", 2, "borrowed dorian"],
  ["| Am | D | A |", "A", "aeolian", 2, "picardy"],
  ["| Am | A | Dm | Am |", "A", "aeolian", 1, "secondary-dominant of D"],
  // The Neapolitan goes to the dominant.
  ["| Cm | Db/F | G7 | Cm |", "C", "aeolian", 1, "neapolitan"],
  ["| C | Db | G7 | C |", "C", "ionian", 1, "neapolitan"],
  ["| Cm | Db | G7 | Cm |", "C", "harmonic-minor", 1, "neapolitan"],
  ["| C | Db | C | Db |", "C", "ionian", 1, "borrowed phrygian"],
  // Down to the dominant, in minor and in flamenco.
  ["| Am | G | F | E |", "A", "aeolian", 0, "andalusian"],
  ["| Am | G | F | E7 |", "A", "aeolian", 3, "andalusian / minor-dominant"],
  ["| Am | G | F | E |", "E", "phrygian-dominant", 2, "andalusian"],
  ["| G | F | E | Am |", "A", "aeolian", 0, "andalusian"],
  ["| Am | G | F | G |", "A", "aeolian", 2, ""],
  // A line over a chord that stays.
  ["| Am | Am(maj7) | Am7 | Am6 |", "A", "aeolian", 1, "line-cliche A G# G F#"],
  ["| Am | Am/G# | Am/G | Am/F# |", "A", "aeolian", 2, "line-cliche A G# G F#"],
  ["| C | Cmaj7 | C7 | F |", "C", "ionian", 2, "line-cliche C B Bb / secondary-dominant of F"],
  ["| C | C+ | C6 | C7 |", "C", "ionian", 1, "line-cliche G G# A Bb"],
  ["| Am | Am | Am | E7 |", "A", "aeolian", 1, ""],
  ["| C | Cmaj7 | C | Cmaj7 |", "C", "ionian", 1, ""],
  // Diminished chords lead, share a note, or pass.
  ["| C | C#dim7 | Dm7 | G7 |", "C", "ionian", 1, "leading-diminished of D"],
  ["| C | Cdim7 | C | G7 |", "C", "ionian", 1, "common-tone-diminished of C"],
  ["| C | D#dim7 | C | G7 |", "C", "ionian", 1, "common-tone-diminished of C"],
  ["| Em7 | Ebdim7 | Dm7 | G7 |", "C", "ionian", 1, "passing-diminished"],
  ["| F | F#dim7 | C/G | G7 |", "C", "ionian", 1, "common-tone-diminished of C"],
  // Short, strange and between plain chords.
  ["| C Ebm | C | F | G |", "C", "lydian", 1, "borrowed locrian"],
  ["| C | F | C |", "C", "ionian", 1, ""],
];

const answerOf = (text: string, home: string, id: string, at: number) =>
  chordFunctions(readChart(text).value, at, { home: fifthsOf(home), mode: mode(id) })
    .map((each) =>
      each.code === "borrowed"
        ? `borrowed ${each.from.id}`
        : each.code === "line-cliche"
          ? `line-cliche ${each.line.map((note) => printName(note)).join(" ")}`
          : "of" in each
            ? `${each.code} of ${printName(each.of)}${"resolves" in each && !each.resolves ? ", elsewhere" : ""}`
            : each.code,
    )
    // A chord may be borrowed from a rarer scale as well.
    .filter((each, n) => !(each.startsWith("borrowed ") && n > 0))
    .join(" / ");

describe("what a chord does in its key", () => {
  test.each(TAUGHT)("%s in %s %s, chord %i: %s", (chart, home, id, at, said) => {
    expect(answerOf(chart, home, id, at)).toBe(said);
  });

  test.each([-6, 6, 4, -5])("is the same %i fifths away", (by) => {
    const moved = (names: string) =>
      names.replaceAll(/[A-G][#b]*/gu, (note) => printName(fifthsOf(note) + by));
    for (const [chart, home, id, at, said] of TAUGHT)
      expect(`${chart}: ${answerOf(transposeChart(chart, by), moved(home), id, at)}`).toBe(
        `${chart}: ${moved(said)}`,
      );
  });
});
