import { describe, expect, it } from "vitest";
import { type Chord, readSymbol } from "../chord";
import { COMFORTABLE_STRETCH, fingersFor, maybeTuning, printFingering } from "../instrument";
import { maybePitch, midiOf, modulo, soundOf } from "../pitch";
import { evenTune, type Tune } from "../tune";
import { arrange } from "./arrange";
import { gripVoicing, guitarGrips, underMelody } from "./guitar";

const OPENS = maybeTuning("guitar")!.strings.map(midiOf);

const chordOf = (symbol: string): Chord => {
  const reading = readSymbol(symbol);
  if (!("chord" in reading)) throw new Error(symbol);
  return reading.chord;
};

/** A melody of even quarters, a chord to each bar of four. */
function tuneOf(notes: string, chords: string): Tune {
  const tune = evenTune(
    notes.split(" ").map((note) => maybePitch(note)!),
    1,
  );
  return {
    ...tune,
    chords: chords
      .split(" ")
      .map((symbol, bar) => ({ chord: chordOf(symbol), onset: bar * 4, duration: 4, bar })),
  };
}
const grips = (notes: string, chords: string) =>
  guitarGrips(tuneOf(notes, chords)).map(({ frets }) => printFingering(frets));

describe("a grip as a voicing", () => {
  it("sounds what its strings sound, and says which tones of the chord it leaves out", () => {
    const [em] = guitarGrips(tuneOf("E4 G4 B4 E4", "Em7"));
    const voicing = gripVoicing({ ...em!, frets: [0, null, null, 0, 0, 0] });
    expect(voicing.sounds).toEqual([40, 55, 59, 64]);
    // E, G and B: the seventh, D, is left out.
    expect(voicing.omitted).toEqual([-2]);
    expect(gripVoicing({ ...em!, frets: [0, 2, 0, 0, 0, 0] })).toMatchObject({ omitted: [] });
  });
});

describe("chords under a melody on one guitar", () => {
  it("are those that a player finds first", () => {
    // Em under the open first string, Am under C on the second, F over its root.
    expect(grips("E4 G4 B4 E4", "Em")[0]).toMatch(/^0 . . 0 . 0$|^0 x .* 0$/u);
    expect(grips("C4 E4 C4 E4", "Am")[0]).toMatch(/^x 0 .* 1 x$/u);
    expect(grips("D4 A4 D5 D4", "D")[0]).toMatch(/ 3 x$/u);
  });

  it("have the melody on top, the bass at the bottom, chord tones between, and a hand that can hold them", () => {
    const tunes = [
      ["E4 G4 B4 E5 F4 A4 C5 E4 B4 G4 F4 E4", "Em F Em"],
      ["D5 C5 A4 F4 G4 B4 D5 B4 A4 G4 F4 D4", "Dm G Dm7"],
      ["A4 C#5 E5 F#5 G5 E5 D5 C#5 A4 B4 C#5 A4", "A G A/E"],
      ["Bb4 Db5 F5 Gb5 Ab4 Cb5 Eb5 Gb5", "Bbm Abm7"],
      ["G#4 B4 D#5 F#5 C#5 E5 G#5 B5", "G#m C#m7"],
    ] as const;
    for (const [notes, chords] of tunes) {
      const tune = tuneOf(notes, chords);
      const found = guitarGrips(tune);
      expect(
        found.map(({ bar }) => bar),
        notes,
      ).toEqual(tune.chords!.map(({ bar }) => bar));
      for (const { chord, frets, onset, melodyString, stretchMm } of found) {
        const melody = midiOf(tune.notes.find((note) => note.onset === onset)!.pitch);
        const sounds = frets.flatMap((fret, string) => (fret === null ? [] : [OPENS[string]! + fret]));
        expect(sounds.at(-1)).toBe(melody);
        expect(frets[melodyString!]! + OPENS[melodyString!]!).toBe(melody);
        expect([...sounds].sort((a, b) => a - b)).toEqual(sounds);
        expect(sounds.length).toBeGreaterThan(1);
        expect(modulo(sounds[0]!, 12)).toBe(soundOf(chord.bass ?? chord.root));
        const tones = chord.tones.map((tone) => soundOf(chord.root + tone));
        for (const sound of sounds.slice(1, -1)) expect(tones).toContain(modulo(sound, 12));
        expect(fingersFor(frets, 0)).toBeDefined();
        expect(stretchMm).toBeLessThan(COMFORTABLE_STRETCH + 20);
      }
    }
  });

  it("are written under the melody on one staff, each by its name in the chord", () => {
    const { tune, faults, grips: held = [] } = arrange(tuneOf("E4 G4 B4 E4 A4 C5 F4 A4", "Em F"), "guitar");
    expect(faults).toEqual([]);
    expect(tune.voices?.map(({ staff, clef }) => [staff, clef])).toEqual([
      [0, "treble-8"],
      [0, "treble-8"],
    ]);
    expect(tune.beneath?.length).toBe(held.flatMap(underMelody).length);
    expect(tune.beneath?.every(({ voice, duration }) => voice === 1 && duration === 4)).toBe(true);
  });

  it("say where the melody lies too low for a chord, and have none while there is no melody to play", () => {
    const low = arrange(tuneOf("E2 F2 G2 E2 A4 C5 F4 A4", "Em F"), "guitar");
    expect(low.faults.map(({ code, bar }) => [code, bar])).toEqual([["no-grip", 0]]);
    expect(low.grips).toHaveLength(1);
    const rest = tuneOf("E4 G4 B4 E4", "Em C");
    expect(guitarGrips(rest)[1]?.melodyString).toBeUndefined();
    expect(guitarGrips({ ...rest, chords: [] })).toEqual([]);
  });

  it("is quick over a long tune: a chord under a note is looked for once", () => {
    const notes = Array.from({ length: 400 }, (_, at) => ["E4", "G4", "B4", "E5"][at % 4]).join(" ");
    const chords = Array.from({ length: 100 }, (_, at) => (at % 2 === 0 ? "Em" : "Am")).join(" ");
    expect(grips(notes, chords)).toHaveLength(100);
  });
});
