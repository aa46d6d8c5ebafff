/** A name of a mode: id, name, aliases. */
export type Naming = readonly [id: string, name: string, ...aliases: string[]];

/** A family as it is written down: its parent scale's degrees and the names of its modes by degree, where they have one. */
export interface FamilyRow {
  readonly id: string;
  /** As in "the harmonic minor scale". */
  readonly name: string;
  readonly degrees: string;
  readonly names: Readonly<Record<number, Naming>>;
}

const row = (id: string, name: string, degrees: string, names: readonly Naming[]): FamilyRow => ({
  id,
  name,
  degrees,
  names: Object.fromEntries(names.map((each, at) => [at + 1, each])),
});

/** The seven-note families, the most used first. Names and aliases are those in general use among players. */
export const SEVEN_NOTE_ROWS: readonly FamilyRow[] = [
  row("major", "major", "1 2 3 4 5 6 7", [
    ["ionian", "Ionian", "major"],
    ["dorian", "Dorian"],
    ["phrygian", "Phrygian"],
    ["lydian", "Lydian"],
    ["mixolydian", "Mixolydian"],
    ["aeolian", "Aeolian", "natural minor", "minor"],
    ["locrian", "Locrian"],
  ]),
  row("melodic-minor", "melodic minor", "1 2 b3 4 5 6 7", [
    ["melodic-minor", "Melodic minor", "jazz minor", "minor with a major seventh"],
    ["dorian-flat2", "Dorian ♭2", "Phrygian ♮6"],
    ["lydian-augmented", "Lydian augmented", "Lydian ♯5"],
    ["lydian-dominant", "Lydian dominant", "Lydian ♭7", "Mixolydian ♯4", "acoustic"],
    ["mixolydian-flat6", "Mixolydian ♭6", "Aeolian dominant", "melodic major"],
    ["locrian-natural2", "Locrian ♮2", "half-diminished", "Aeolian ♭5"],
    ["altered", "Altered", "super-Locrian", "diminished whole tone"],
  ]),
  row("harmonic-minor", "harmonic minor", "1 2 b3 4 5 b6 7", [
    ["harmonic-minor", "Harmonic minor", "Aeolian ♮7"],
    ["locrian-natural6", "Locrian ♮6"],
    ["ionian-sharp5", "Ionian ♯5", "Ionian augmented"],
    ["dorian-sharp4", "Dorian ♯4", "Romanian minor", "Ukrainian Dorian"],
    ["phrygian-dominant", "Phrygian dominant", "Phrygian major", "Mixolydian ♭2 ♭6", "freygish"],
    ["lydian-sharp2", "Lydian ♯2"],
    ["ultralocrian", "Ultralocrian", "altered 𝄫7"],
  ]),
  row("harmonic-major", "harmonic major", "1 2 3 4 5 b6 7", [
    ["harmonic-major", "Harmonic major", "Ionian ♭6"],
    ["dorian-flat5", "Dorian ♭5", "Locrian ♮2 ♮6"],
    ["phrygian-flat4", "Phrygian ♭4", "altered ♮5"],
    ["lydian-flat3", "Lydian ♭3", "melodic minor ♯4"],
    ["mixolydian-flat2", "Mixolydian ♭2"],
    ["lydian-augmented-sharp2", "Lydian augmented ♯2", "Lydian ♯2 ♯5"],
    ["locrian-double-flat7", "Locrian 𝄫7"],
  ]),
  row("double-harmonic", "double harmonic", "1 b2 3 4 5 b6 7", [
    ["double-harmonic", "Double harmonic", "double harmonic major", "Byzantine"],
    ["lydian-sharp2-sharp6", "Lydian ♯2 ♯6"],
    ["ultraphrygian", "Ultraphrygian", "Phrygian ♭4 𝄫7"],
    ["double-harmonic-minor", "Double harmonic minor", "Hungarian minor", "harmonic minor ♯4"],
    ["mixolydian-flat2-flat5", "Mixolydian ♭2 ♭5", "oriental"],
    ["ionian-sharp2-sharp5", "Ionian ♯2 ♯5", "Ionian augmented ♯2"],
    ["locrian-double-flat3-double-flat7", "Locrian 𝄫3 𝄫7"],
  ]),
  row("neapolitan-minor", "Neapolitan minor", "1 b2 b3 4 5 b6 7", [
    ["neapolitan-minor", "Neapolitan minor", "Phrygian ♮7", "harmonic minor ♭2"],
    ["lydian-sharp6", "Lydian ♯6"],
    ["mixolydian-sharp5", "Mixolydian ♯5", "Mixolydian augmented"],
    ["aeolian-sharp4", "Aeolian ♯4"],
    ["locrian-natural3", "Locrian ♮3", "Locrian dominant", "Phrygian dominant ♭5"],
    ["ionian-sharp2", "Ionian ♯2"],
    ["ultralocrian-double-flat3", "Ultralocrian 𝄫3", "altered 𝄫3 𝄫7"],
  ]),
  row("neapolitan-major", "Neapolitan major", "1 b2 b3 4 5 6 7", [
    ["neapolitan-major", "Neapolitan major", "Dorian ♭2 ♮7", "melodic minor ♭2"],
    ["lydian-augmented-sharp6", "Lydian augmented ♯6", "leading whole tone"],
    ["lydian-dominant-sharp5", "Lydian dominant ♯5", "Lydian augmented dominant"],
    ["lydian-dominant-flat6", "Lydian dominant ♭6", "Lydian minor"],
    ["major-locrian", "Major Locrian", "Locrian ♮2 ♮3"],
    ["altered-natural2", "Altered ♮2", "Locrian ♮2 ♭4"],
    ["altered-double-flat3", "Altered 𝄫3"],
  ]),
];

/** Families of other sizes: degrees as players write them; modes that have no name of their own are left out. */
export const OTHER_ROWS: readonly FamilyRow[] = [
  row("major-pentatonic", "major pentatonic", "1 2 3 5 6", [
    ["major-pentatonic", "Major pentatonic", "pentatonic"],
    ["suspended-pentatonic", "Suspended pentatonic", "Egyptian", "pentatonic, mode 2"],
    ["minor-pentatonic-flat6", "Minor pentatonic ♭6", "Man Gong", "pentatonic, mode 3"],
    ["suspended-pentatonic-natural6", "Suspended pentatonic ♮6", "Ritusen", "pentatonic, mode 4"],
    ["minor-pentatonic", "Minor pentatonic", "pentatonic, mode 5"],
  ]),
  {
    id: "blues-minor",
    name: "minor blues",
    degrees: "1 b3 4 b5 5 b7",
    names: { 1: ["blues-minor", "Minor blues", "blues"], 2: ["blues-major", "Major blues"] },
  },
  row("whole-tone", "whole-tone", "1 2 3 #4 #5 b7", [["whole-tone", "Whole tone"]]),
  row("diminished", "diminished", "1 2 b3 4 b5 b6 6 7", [
    ["diminished", "Diminished", "whole-half diminished", "octatonic"],
    ["dominant-diminished", "Dominant diminished", "half-whole diminished", "diminished, half step first"],
  ]),
  row("augmented", "augmented", "1 #2 3 5 b6 7", [
    ["augmented", "Augmented", "augmented hexatonic"],
    ["augmented-inverse", "Augmented, half step first", "inverted augmented"],
  ]),
  {
    id: "bebop-dominant",
    name: "dominant bebop",
    degrees: "1 2 3 4 5 6 b7 7",
    names: {
      1: ["bebop-dominant", "Bebop dominant", "bebop Mixolydian"],
      3: ["bebop-locrian", "Bebop Locrian", "bebop half-diminished"],
      5: ["bebop-dorian", "Bebop Dorian", "bebop minor"],
    },
  },
  {
    id: "bebop-major",
    name: "major bebop",
    degrees: "1 2 3 4 5 #5 6 7",
    names: {
      1: ["bebop-major", "Bebop major"],
      7: ["bebop-harmonic-minor", "Bebop harmonic minor", "bebop natural minor"],
    },
  },
  row("bebop-melodic-minor", "melodic minor bebop", "1 2 b3 4 5 #5 6 7", [
    ["bebop-melodic-minor", "Bebop melodic minor"],
  ]),
];

/** Spellings in use that no rotation gives: scales that are their own transposition. */
export const OWN_SPELLING: Readonly<Record<string, string>> = {
  "dominant-diminished": "1 b2 b3 3 #4 5 6 b7",
  "augmented-inverse": "1 b2 3 4 #5 6",
  "bebop-harmonic-minor": "1 2 b3 4 5 b6 b7 7",
  "bebop-dorian": "1 2 b3 3 4 5 6 b7",
  "bebop-locrian": "1 b2 b3 4 b5 5 b6 b7",
  "blues-major": "1 2 b3 3 5 6",
};

/**
 * Six-note scales of tunes: one of the seven with a degree left out. What two of the seven share is named after the more
 * common, the other being an alias.
 */
export const GAPPED_NAMED_AFTER = [
  "ionian",
  "aeolian",
  "dorian",
  "mixolydian",
  "lydian",
  "phrygian",
  "locrian",
];

/** Parents of the six families that leave one note of the major scale out. */
export const GAPPED_PARENTS: readonly (readonly [mode: string, without: number])[] = [
  ["ionian", 7],
  ["ionian", 3],
  ["ionian", 6],
  ["ionian", 2],
  ["ionian", 5],
  ["dorian", 7],
];
