import { describe, expect, it } from "vitest";
import { readChart, transposeChart } from "../chord";
import { fifthsOf, soundOf } from "../pitch";
import { analyses } from ".";

/** Charts whose home is easily missed, as a teacher names it, with the mode where that is beyond dispute. */
const ROWS: readonly (readonly [chords: string, home: string, mode?: string])[] = [
  // Turnarounds whose last chord leads round to the first; home itself need not be heard.
  ["Fm7 Bb7 Gm7 C7", "Eb", "ionian"],
  ["Dm7 G7 Em7 A7", "C", "ionian"],
  ["Dm7 G7 Em7 Am7", "C", "ionian"],
  // Major chords on the notes of a minor pentatonic: the first is home.
  ["E G A C", "E"],
  ["D F G Bb", "D"],
  // ♭II before the dominant is the Neapolitan of minor; back and forth it is Phrygian.
  ["Cm Db/F G7 Cm", "C", "harmonic-minor"],
  ["Am Bb E7 Am", "A", "harmonic-minor"],
  ["Em F B7 Em", "E", "harmonic-minor"],
  ["Em F Em F", "E", "phrygian"],
  ["C Db G7 C", "C", "ionian"],
  // A borrowed iv makes no rare scale.
  ["C Fm C Fm", "C", "ionian"],
  ["C Fm6 C G7", "C", "ionian"],
  ["Dm7 G7 Cmaj7 A7", "C", "ionian"],
  ["Dm7 G7 Cmaj7 A7 Dm7 G7 Cmaj7 A7", "C", "ionian"],
  ["Cmaj7 Am7 Dm7 Db7", "C", "ionian"],
  ["Bbmaj7 Gm7 Cm7 B7", "Bb", "ionian"],
  ["Em7 A7 Dmaj7 B7", "D", "ionian"],
  // A suspended dominant keeps its major third.
  ["G7sus4", "G", "mixolydian"],
  ["Gsus4 G7sus4 Gsus4 G7sus4", "G", "mixolydian"],
  // i–ii–♭III–ii.
  ["Gm7 Am7 | Bbmaj7 Am7", "G", "dorian"],
  ["Gm7 Am7 | Bbmaj7 Am7 | Gm7 Am7 | Bbmaj7 Am7", "G", "dorian"],
  // Walking basses.
  ["C C/B Am C/G", "C", "ionian"],
  ["Am Am/G Am/G# Am/G", "A"],
  ["Dm Dm/C Dm/B Dm/Bb", "D"],
  // The borrowed iv.
  ["C Fm C Fm", "C"],
  ["Amaj7 Dm6 Amaj7 Dm6", "A", "ionian"],
  // ♭VI–♭VII–I, wherever the loop begins.
  ["Ab Bb C", "C"],
  ["Ab Bb C Ab Bb C", "C"],
  ["Bb C Ab", "C"],
  // The flamenco cadence.
  ["Am G F E F E", "E"],
  // And what must stay as it is beside them.
  ["Dm7 G7 Dm7 G7", "D", "dorian"],
  ["C F G Am F G C", "C", "ionian"],
  ["Am F G Am", "A", "aeolian"],
  ["C D/C C D/C", "C", "lydian"],
  ["F G/F F G/F", "F", "lydian"],
];

describe("a home that is easily missed", () => {
  it.each(ROWS.map(([text, home, mode = ""]) => [text, home, mode] as const))(
    "of %s is %s",
    (text, home, mode) => {
      // In easy keys and in odd ones.
      for (const by of [0, 6, -6, 7]) {
        const [best] = analyses(readChart(transposeChart(text, by)).value)["one-mode"];
        const { homeMode } = best!.segments[0]!;
        expect(soundOf(homeMode.home), `${by} fifths away`).toBe(soundOf(fifthsOf(home) + by));
        if (mode !== "") expect(homeMode.mode.id).toBe(mode);
      }
    },
  );
});
