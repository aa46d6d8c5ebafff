/**
 * Tunes with what a good fiddler, singer or chant scholar says of them: mostly the home and mode, or what it is called instead. `|` parts bars, and lengths are in
 * quarters; see `readNotes`. All are written for this.
 */
export interface HeardTune {
  readonly about: string;
  readonly notes: string;
  /** The headline, or its beginning. */
  readonly headline: RegExp;
  /** What is said, or must not be said, besides. */
  readonly says?: RegExp | undefined;
  readonly never?: RegExp | undefined;
}

const DORIAN = "D4:1 F A G | F E D:2 | E:1 G B A | G F E:2 | F:1 A D5 C | B4 A G F | E:1 G F E | D:4";
const IONIAN = "C4:1 E G E | F A G:2 | E:1 G C5 B4 | A G F:2 | E:1 D E F | G A B C5 | B4 G A B | C5:4";
const MIXO = "G4:1 B D5 B4 | A F G:2 | B:1 D5 E D | C B4 A:2 | G:1 A B C5 | D C B4 A | F A G F | G:4";
const AEOLIAN = "A4:1 C5 E D | C B4 A:2 | F:1 A C5 B4 | A G E:2 | A:1 B C5 D | E F E D | C:1 B4 G B | A:4";
const PHRYGIAN = "E4:1 F G F | E D E:2 | G:1 A B A | G F E:2 | B:1 C5 B4 A | G A F G | E F D F | E:4";
const LYDIAN = "F4:1 A C5 B4 | A G F:2 | G:1 B D5 C | B4 A G:2 | F:1 G A B | C5 D C B4 | A:1 G E G | F:4";

/** A tune moved up by half steps, its names respelled: the twin of an easy key in an odd one. */
export const HEARD_TUNES: readonly HeardTune[] = [
  // What stays in its mode, with the textbook's signs.
  { about: "Dorian, ending home", notes: `${DORIAN} ||`, headline: /^D Dorian$/u },
  { about: "Ionian, ending home", notes: `${IONIAN} ||`, headline: /^C Ionian$/u },
  { about: "Mixolydian with its low seventh at the close", notes: `${MIXO} ||`, headline: /^G Mixolydian$/u },
  { about: "Aeolian", notes: `${AEOLIAN} ||`, headline: /^A Aeolian$/u },
  { about: "Phrygian", notes: `${PHRYGIAN} ||`, headline: /^E Phrygian$/u },
  { about: "Lydian", notes: `${LYDIAN} ||`, headline: /^F Lydian$/u },

  // The headline follows the whole.
  {
    about: "a part on the dominant with its own leading tone: a key on the way",
    notes: `${IONIAN} || G4:1 B D5 B4 | C5 A D:2 | G4:1 A B C5 | D B4 G:2 | E5:1 D C A4 | F# A D5 C | B4 G A F# | G:4 || ${IONIAN} ||`,
    headline: /^C Ionian$/u,
    says: /Bars 9 to 16 cadence in G major/u,
    never: /The mode changes/u,
  },
  {
    about: "four bars in the dominant and back",
    notes: `${IONIAN} || C4:1 E G E | D F# A C5 | B4 A F# A | G:4 | F4:1 A C5 A | G F E D | B3:1 D4 F D | C:4 ||`,
    headline: /^C Ionian$/u,
    says: /cadence in G major/u,
  },
  {
    about:
      "a raised note that leads on in the middle of a phrase, whose last short note leads on as well: no key on the way",
    notes: `${DORIAN} || A4:1 D5 D C | A4 G E:0.5 F# G:1 | B A C5 A4 | D5 C A4:1.5 G:0.5 | C5:1 A4 F G | A G F E | D F E C | D:4 ||`,
    headline: /^D Dorian$/u,
    never: /cadence in|change of key/u,
  },
  {
    about: "a part in the relative minor",
    notes: `${IONIAN} || ${AEOLIAN} || ${IONIAN} ||`,
    headline: /^C Ionian$/u,
    says: /A minor/u,
    never: /The mode changes/u,
  },
  {
    about: "parts that end on the fifth and run on",
    notes: `${IONIAN} || G4:1 E C E | F D G:2 | A:1 G F E | D E F D | G:1 E C5 G4 | A F G E | F:1 E D B3 | C4:4 ||`,
    headline: /^C Ionian$/u,
    never: /The mode changes/u,
  },
  {
    about: "one passing raised fourth",
    notes:
      "G4:1 B D5 B4 | A C5 B4:2 | C5:1 C#:0.5 D D:2 | B4:1 A G:2 | A:1 B C5 A | B4 G D5 B4 | A:1 F# A F# | G:4 ||",
    headline: /^G Ionian$/u,
    never: /Lydian/u,
  },
  {
    about: "changes mode on the same home",
    notes: `${DORIAN} || ${DORIAN.replaceAll("F", "F#").replaceAll("C", "C#")} ||`,
    headline: /^D Dorian, then D Ionian$/u,
    says: /The mode changes/u,
  },
  {
    about: "Mixolydian, then Dorian on the same home",
    notes: `${MIXO} || ${MIXO.replaceAll("B", "Bb")} ||`,
    headline: /^G Mixolydian, then G Dorian$/u,
  },
  {
    about: "Aeolian, then Phrygian on the same home, in an odd key",
    notes:
      "D#4:1 F# A# G# | F# E# D#:2 | B:1 A# G# F# | E# G# D#:2 | F#:1 A# D#5 C# | B4 A# G# F# | E#:1 C# E# F# | D#:4 || D#4:1 F# A# G# | F# E D#:2 | B:1 A# G# F# | E G# D#:2 | F#:1 A# D#5 C# | B4 A# G# F# | E:1 C# E F# | D#:4 ||",
    headline: /^D♯ Aeolian, then D♯ Phrygian$/u,
  },
  {
    about: "changes and comes back",
    notes: `${LYDIAN} || ${LYDIAN.replaceAll("B", "Bb")} || ${LYDIAN} ||`,
    headline: /^F Lydian, then F Ionian, then F Lydian$/u,
  },
  {
    about: "another mode on another home for eight bars",
    notes: `${DORIAN} || E4:1 G# B A | G# F# E:2 | C#5:1 B4 A G# | F# A# G#:2 | E:1 F# G# A# | B C#5 B4 A# | G#:1 F# D# F# | E:4 ||`,
    headline: /^D Dorian, then E (?:Lydian|Ionian)$/u,
  },
  {
    about: "one degree two ways throughout is no change",
    notes:
      "D4:1 F A G | F E D:2 | E:1 G Bb A | G F E:2 | F:1 A D5 C | B4 A G F | E:1 G F E | D:4 || D4:1 F A B | A G F:2 | Bb:1 A G F | E G A:2 | F:1 A D5 C | Bb4 A B A | G:1 E F E | D:4 ||",
    headline: /^D (?:Aeolian|Dorian)$/u,
    says: /6 is both/u,
    never: /The mode changes|No 6 is heard/u,
  },

  // What is never heard is checked against the notes.
  {
    about: "harmonic minor with its seventh raised throughout",
    notes:
      "E4:1 G B D#5 | E:1 D# B4 G | A C5 B4 A | G F# E:2 | E:1 F# G A | B D#5 C B4 | A:1 F# G D# | E:4 ||",
    headline: /^E harmonic minor$/u,
    never: /No 7 is heard|No 6 or 7/u,
  },
  {
    about: "minor with a raised seventh at its cadences",
    notes:
      "A4:1 C5 E D | C B4 A:2 | F:1 A G E | D E C5:2 | A4:1 B C5 D | E D C B4 | A:1 C5 B4 G# | A:4 || E5:1 D C B4 | A G F:2 | G:1 A B C5 | D C B4:2 | C5:1 B4 A E | F E D C5 | B4:1 E G# B | A:4 ||",
    headline: /^A Aeolian$/u,
    says: /G♯/u,
    never: /No 7 is heard/u,
  },
  {
    about: "melodic minor both ways",
    notes:
      "A4:1 B C5 D | E F# G# A | A:1 G F E | D C B4:2 | C5:1 E A E | F# G# A:2 | G:1 F E D | C B4 A:2 ||",
    headline: /^A (?:Aeolian|harmonic minor|melodic minor|Dorian)/u,
    never: /No [67]/u,
  },
  {
    about: "Dorian in which every third is minor and every sixth natural",
    notes:
      "B3:1 D4 F# G# | A G# F#:2 | E:1 F# G# F# | E D C#:2 | B:1 C#4 D E | F# G# A G# | F#:1 D C# A3 | B:4 ||",
    headline: /^B Dorian$/u,
    never: /is heard\./u,
  },

  // Stopped in the middle, and played round.
  {
    about: "a Dorian tune played round and stopped two bars into the next turn",
    notes: `${DORIAN} | ${DORIAN} | ${DORIAN.split(" | ").slice(0, 2).join(" | ")} ||`,
    headline: /^D Dorian$/u,
    says: /goes round every eight bars/u,
  },
  {
    about: "ten rounds, stopped in a bar",
    notes: `${Array.from({ length: 10 }, () => MIXO).join(" | ")} | G4:1 B D5 B4 | A F ||`,
    headline: /^G Mixolydian$/u,
    says: /goes round every eight bars/u,
  },
  {
    about: "cut in mid-phrase",
    notes: `${IONIAN} || C4:1 E G E | F A G:2 | E:1 G C5 B4 | A G F:2 | E:1 D E F | G A ||`,
    headline: /^C Ionian$/u,
    says: /It stops in the middle of a phrase, so its last note says little\./u,
    never: /the last note is/u,
  },
  {
    about: "a Phrygian line cut in mid-phrase",
    notes: `${PHRYGIAN} || ${PHRYGIAN.split(" | ").slice(0, 5).join(" | ")} | G4:1 A F ||`,
    headline: /^E Phrygian$/u,
    says: /stops in the middle/u,
  },
  {
    about: "a first part once more at the end is an ending",
    notes: `${DORIAN} || F4:1 A C5 A | B G A:2 | D5:1 C A4 G | F E D:2 | F:1 A C5 A | B G A:2 | G:1 F E C | D:4 || ${DORIAN} ||`,
    headline: /^D Dorian$/u,
    never: /goes round|stops in the middle/u,
  },
  {
    about: "a whole tune with a short last note is no fragment",
    notes:
      "G4:0.5 B D5 B4 G B D5 G | F#5 D A4 D5 F# D A4 C5 | B4 G D5 B4 C5 A4 F# A | G B A F# G D G:0.5 z:0.5 | B4 D5 G D B4 D5 G B | A F# D F# A F# D C | B4 G D5 B4 C5 A4 F# A | G B A F# G:2 ||",
    headline: /^G Ionian$/u,
    never: /stops in the middle/u,
  },

  // A pickup belongs to the round that it leads into.
  ...["A3:1", "G#3:1"].map((pickup, odd): HeardTune => {
    const line = odd
      ? "C#4:1 D# E F# | G#4:1 F# E D# | C#:1 B3 C#4 D# | E:3 PICKUP | C#4:1 D# E F# | G# A# B G# | F#:1 E D# B3"
      : "D4:1 E F G | A4:1 G F E | D:1 C D E | F:3 PICKUP | D4:1 E F G | A B C5 A4 | G:1 F E C";
    const round = line.replace("PICKUP", pickup);
    const home = odd ? "C#4" : "D4";
    return {
      about: `a pickup into each round, stopped in the third, on ${home}`,
      notes: `${pickup} | ${round} | ${home}:3 ${pickup} | ${round} | ${home}:3 ${pickup} | ${line.split(" | ").slice(0, 1).join("")} | ${odd ? "G#4:1 F#" : "A4:1 G"} ||`,
      headline: odd ? /^C♯ Dorian$/u : /^D Dorian$/u,
      says: /goes round every eight bars/u,
    };
  }),
  {
    about: "up a step for the last verse is a change of key and not of mode",
    notes: `${IONIAN} || ${IONIAN} || D4:1 F# A F# | G B A:2 | F#:1 A D5 C# | B4 A G:2 | F#:1 E F# G | A B C#5 D | C# A4 B C#5 | D:4 ||`,
    headline: /^C Ionian$/u,
    says: /Bars 17 to 24 move to D Ionian\. That’s a change of key, and the mode stays Ionian\./u,
    never: /The mode changes/u,
  },
  {
    about: "the same from G flat",
    notes: `Gb4:1 Bb Db5 Bb4 | Cb5 Eb Db:2 | Bb4:1 Db5 Gb F | Eb Db Cb:2 | Bb4:1 Ab Bb Cb5 | Db Eb F Gb | F Db Eb F | Gb:4 || Ab4:1 C5 Eb C | Db F Eb:2 | C:1 Eb Ab G | F Eb Db:2 | C:1 Bb4 C5 Db | Eb F G Ab | G Eb F G | Ab:4 ||`,
    headline: /^G♭ Ionian$/u,
    says: /move to A♭ Ionian/u,
    never: /The mode changes/u,
  },

  // Five and six notes.
  {
    about: "minor pentatonic",
    notes: "A4:1 C5 D E | G E D C | A4 G A C5 | D C A4:2 | E5:1 G A G | E D C D | E:1 D C G4 | A:4 ||",
    headline: /^A minor pentatonic$/iu,
    says: /would fit/u,
  },
  {
    about: "major pentatonic",
    notes: "G4:1 A B D5 | E D B4 A | G B A E | D:2 G:2 | B:1 D5 E G | E D B4:2 | A:1 B A E | G:4 ||",
    headline: /^G major pentatonic$/iu,
  },
  {
    about: "suspended pentatonic",
    notes:
      "D4:2 E:1 G | A C5 A:2 | G:1 E D:2 | C5:1 A4 G A | D5:2 C5:1 A4 | G E D:2 | E:1 G A C5 | A4 G E:1 D | D:4 ||",
    headline: /^D suspended pentatonic$/iu,
  },
  {
    about: "in-scale pentatonic",
    notes: "D4:2 Eb:1 G | A Bb A:2 | G:1 Eb D:2 | D5:2 Bb4:1 A | G A Eb:2 | D:1 G A Bb | A:1 G Eb G | D:4 ||",
    headline: /^D Kumoijoshi$/iu,
  },
  {
    about: "minor pentatonic in an odd key",
    notes:
      "Eb4:1 Gb Ab Bb | Db5 Bb4 Ab Gb | Eb Db Eb Gb | Ab Gb Eb:2 | Bb:1 Db5 Eb Db | Bb4 Ab Gb Ab | Bb:1 Ab Gb Db | Eb:4 ||",
    headline: /^E♭ minor pentatonic$/iu,
  },
  {
    about: "six notes, no 6",
    notes: "D4 F A | G F E | F A C5 | A:2 G:1 | C5 A G | A F E | D:3 ||",
    headline: /^D minor without a 6$/u,
    says: /Aeolian or Dorian would fit/u,
    never: /No 6 is heard, too/u,
  },
  {
    about: "six notes, no 7",
    notes: "G4:1 B D5 C | B4 A G:2 | E:1 G A B | C5 B4 A:2 | G:1 B D5 E | D C B4 A | B:1 G A E | G:4 ||",
    headline: /^G major without a 7$/u,
    says: /Ionian or Mixolydian would fit/u,
  },
  {
    about: "six notes, no 2, minor",
    notes: "E4:1 G A B | C5 B4 A G | E D E:2 | G:1 A B D5 | C B4 A:2 | G:1 A B G | A:1 G D G | E:4 ||",
    headline: /^E minor without a 2$/u,
  },
  {
    about: "six notes, no 4",
    notes: "F4:1 A C5 D | C A4 G:2 | E:1 G A C5 | A4 G F:2 | D5:1 C A4 G | A F G:2 | F:1 A G E | F:4 ||",
    headline: /^F major without a 4$/u,
    says: /Ionian or Lydian would fit/u,
  },

  {
    about: "the first five notes of Phrygian, which have no name",
    notes: "E4:2 F | G A | B:2 A | G F | E:2 G | F E | F:2 E | E:4 ||",
    headline: /^E minor, five notes$/u,
    says: /Phrygian would fit/u,
  },

  // Double tonics, drones, blues.
  {
    about: "A minor and G alternating",
    notes:
      "A4:0.5 E A C5 E D C A4 | G4 D G B D5 C B4 G | A4 E A C5 E D C A4 | B4 G F# G A:2 | E5:0.5 D C A4 C5 A4 E A | D5 B4 G B D5 B4 G B | C5 A4 E A C5 D E C | B4 G D G A:2 ||",
    headline: /^Double tonic, A minor and G$/u,
    says: /A Dorian/u,
  },
  {
    about: "E major and D alternating",
    notes:
      "E4:0.5 G# B G# E G# B E5 | D5 A4 F# A D F# A D5 | E4 G# B E5 G# E B4 G# | A4 F# D F# E:2 | B4:0.5 E5 G# E B4 G# B E5 | A4 D5 F# D A4 F# A D5 | B4 G# E G# B E5 D C# | B4 A F# D E:2 ||",
    headline: /^Double tonic, E major and D$/u,
    says: /E Mixolydian/u,
  },
  {
    about: "two chords a fourth apart are no double tonic",
    notes:
      "G4:0.5 B D5 B4 G B D5 G | C5 E G E C E G C | G4 B D5 B4 G B D5 B4 | C5 A4 F# A G:2 | G4:0.5 B D5 B4 G B D5 G | C5 E G E C E G C | B4 D5 G D C A4 F# A | G:2 G:2 ||",
    headline: /^G Ionian$/u,
  },
  {
    about: "blues with its flat fifth",
    notes: "A4:1 C5 D Eb | E D C A4 | G A C5:2 | E5:1 Eb D C | A4 G E G | A:4 ||",
    headline: /^A blues(?: minor)?$|^A Minor blues$/iu,
  },
  {
    about: "blues with passing notes stays blues",
    notes:
      "A4:1 C5 D:0.5 Eb E:1 | G:0.5 F# E:1 D:0.5 Eb D C | A4:1 C5 C#:0.5 E:0.5 D:1 | C A4 G A | E5:1 Eb:0.5 D C:1 A4 | G A C5 A4 | D5:0.5 Eb D C A4:1 G | A:4 ||",
    headline: /^A (?:blues|minor blues)/iu,
  },

  // Rare scales only where their notes are structural.
  {
    about: "neighbour notes make no bebop scale",
    notes:
      "G4:1 A B D5 | E D B4 G | A G F# G | D5:0.5 C# D:1 E:2 | D5:0.5 D# E:1 D B4 | A G A B | C5 B4 A F# | G:4 ||",
    headline: /^G Ionian$/u,
    never: /bebop/iu,
  },
  {
    about: "a strain in A minor is no Ionian ♯5",
    notes: "A4:1 B C5 D | E F E D | C B4 A G# | A B C5 E | D C B4 A | G# A B:2 | C5:1 B4 A G# | A:4 ||",
    headline: /^A (?:harmonic minor|Aeolian)$/u,
    never: /♯5/u,
  },
  {
    about: "Phrygian dominant whose third and second are structural",
    notes: "E4:1 F G# A | B A G# F | E D F E | G#:2 B:2 | A:1 G# F E | C5 B4 A G# | F:1 E D F | E:4 ||",
    headline: /^E Phrygian dominant$/u,
  },

  // No centre.
  {
    about: "a chromatic run",
    notes: "C4:0.5 C# D D# E F F# G | G# A A# B C5:2 B4:0.5 Bb | A Ab G Gb F E Eb D | Db:2 C:2 ||",
    headline: /^No centre is heard$/u,
    never: /Home is/u,
  },
  {
    about: "a row of twelve notes",
    notes: "C4:1 G# D5 F4 | B Eb5 A4 C# | F#4 E5 Bb4 G | D5 Bb4 E G5 | C#4 F#5 A4 Eb | B4 F5 G#4 C5 ||",
    headline: /^No centre is heard$/u,
    says: /all twelve notes/u,
  },
  {
    about: "whole tones",
    notes: "C4 D E F# | G# A# C5 A# | G# F# E D | E:2 G#:2 | F#:1 A# G# E | D E C:2 ||",
    headline: /^No centre is heard$/u,
    says: /whole-tone/u,
  },

  // Endings that mislead.
  {
    about: "a major song that ends on its third",
    notes:
      "F4:1 A C5 A | Bb A G:2 | C5:1 A4 F A | G:2 F:2 | F:1 A C5 F | D C Bb4:2 | C5:1 Bb4 G E | F:2 A:2 ||",
    headline: /^F Ionian$/u,
    never: /A Phrygian/u,
  },
  {
    about: "the same on its fifth",
    notes:
      "F4:1 A C5 A | Bb A G:2 | C5:1 A4 F A | G:2 F:2 | F:1 A C5 F | D C Bb4:2 | A:1 F G E | F:1 A C5:2 ||",
    headline: /^F Ionian$/u,
  },
  {
    about: "it opens on the fifth and home comes last",
    notes: "A4:1 A D5 D | C D A4:2 | G:1 A F E | D:2 A:2 | A:1 B C5 D | C A4 G:2 | F:1 G E C | D:4 ||",
    headline: /^D Dorian$/u,
  },
  {
    about: "the first note is not home",
    notes: "B4:1 G D5 B4 | A F# G:2 | E5:1 D C B4 | A:4 | B:1 D5 G D | E C D:2 | C5:1 A4 F# A | G:4 ||",
    headline: /^G Ionian$/u,
  },

  // Odd keys: the same, told by their own names.
  {
    about: "Locrian that rests on its home, with its flat fifth",
    notes:
      "F#4:1 G A C5 | B4 A F#:2 | G:1 A C5 B4 | A G F#:2 | F#:1 A C5 D | C5 B4 A G | E:1 G A G | F#:4 ||",
    headline: /^F♯ Locrian$/u,
  },
  {
    about: "G♭ Mixolydian",
    notes:
      "Gb4:1 Bb Db5 Bb4 | Ab Fb Gb:2 | Bb:1 Db5 Eb Db | Cb5 Bb4 Ab:2 | Gb:1 Ab Bb Cb5 | Db Cb Bb4 Ab | Fb:1 Ab Gb Fb | Gb:4 ||",
    headline: /^G♭ Mixolydian$/u,
  },
  {
    about: "C♯ Dorian",
    notes:
      "C#4:1 E G# F# | E D# C#:2 | D#:1 F# A# G# | F# E D#:2 | E:1 G# C#5 B4 | A# G# F# E | D#:1 F# E D# | C#:4 ||",
    headline: /^C♯ Dorian$/u,
  },
  {
    about: "D♯ minor pentatonic",
    notes:
      "D#4:1 F# G# A# | C#5 A#4 G# F# | D# C# D# F# | G# F# D#:2 | A#:1 C#5 D# C# | A#4 G# F# G# | A#:1 G# F# C# | D#:4 ||",
    headline: /^D♯ minor pentatonic$/iu,
  },
  {
    about: "A♭ minor and G♭ alternating",
    notes:
      "Ab4:0.5 Eb Ab Cb5 Eb Db Cb Ab4 | Gb4 Db Gb Bb Db5 Cb Bb4 Gb | Ab4 Eb Ab Cb5 Eb Db Cb Ab4 | Bb4 Gb F Gb Ab:2 | Eb5:0.5 Db Cb Ab4 Cb5 Ab4 Eb Ab | Db5 Bb4 Gb Bb Db5 Bb4 Gb Bb | Cb5 Ab4 Eb Ab Cb5 Db Eb Cb | Bb4 Gb Db Gb Ab:2 ||",
    headline: /^Double tonic, A♭ minor and G♭$/u,
  },
  {
    about: "F♯ Lydian, then F♯ Mixolydian",
    notes:
      "F#4:1 A# C#5 B# | A#4 G# F#:2 | G#:1 B# D#5 C# | B#4 A# G#:2 | F#:1 G# A# B# | C#5 D# C# B#4 | A#:1 G# E# G# | F#:4 || F#4:1 A# C#5 B4 | A# G# F#:2 | G#:1 B D#5 C# | B4 A# G#:2 | F#:1 G# A# B | C#5 E C# B4 | A#:1 G# E G# | F#:4 ||",
    headline: /^F♯ Lydian, then F♯ Mixolydian$/u,
  },

  // Little, and messy.
  { about: "three notes say little", notes: "D4 A4 D4", headline: /./u, says: /Too few notes/iu },
  {
    about: "a pickup and a repeat in the middle",
    notes:
      "D4:1 | G:1 A B C5 | D:2 B4:2 | C5:1 B4 A F# | G:3 || D5:1 | E:1 D C B4 | A:2 D:2 | E:1 F# A F# | G:3 ||",
    headline: /^G Ionian$/u,
    never: /stops in the middle/u,
  },
  {
    about: "five beats to the bar",
    notes:
      "A4:1 B C5 D E | C:2 A4:1 B:2 | G:1 A B D5 B4 | A:3 E:2 | A:1 B C5 D E | G5:2 E:1 D:2 | C:1 B4 A G B | A:5 ||",
    headline: /^A (?:Aeolian|minor without a 6)$/u,
  },
  {
    about: "a lone raised fourth and lowered seventh in one tune",
    notes: "G4:1 B D5 B4 | C#5 D E:2 | D:1 B4 A F | G A B:2 | G:1 B D5 E | F5 E D C# | D:1 B4 A F | G:4 ||",
    headline: /^G /u,
    never: /No [47]/u,
  },
];
