import { fifthsOf, printName } from "../../src/core/pitch";
import { seeded } from "../../src/core/training";

/** A key as a musician marks it over a chart: "A", "F#m". */
interface MarkedKey {
  readonly home: string;
  readonly isMinor: boolean;
}

/** A chart that changes key, a key for each chord. */
export interface KeyChart {
  readonly name: string;
  readonly chords: readonly string[];
  readonly keys: readonly MarkedKey[];
  /** The key that it begins in comes back. */
  readonly returns: boolean;
}

/**
 * Charts written by hand: a word with ">" is a key from there on. A dominant, or ii–V, that leads to the new key belongs to it, as one marks it
 * on the page; what is only tonicised stays.
 */
const WRITTEN: readonly (readonly [name: string, line: string])[] = [
  ["dominant in the middle", "C> C F G7 C C F G7 C G> G C D7 G C> C F G7 C C F G7 C"],
  ["dominant, with its relatives", "G> G C D7 G G Em D7 G D> D G A7 D G> G C D7 G"],
  ["subdominant trio", "F> F Bb C7 F F Dm Gm C7 F Bb> Bb Eb F7 Bb Bb Gm Cm F7 Bb F> F Bb C7 F"],
  [
    "verse in minor, chorus in its relative",
    "Am> Am Dm E7 Am Am Dm E7 Am C> C F G7 C C F G7 C Am> Am Dm E7 Am",
  ],
  ["chorus in the relative minor", "C> C F G7 C C F G7 C Am> Am Dm E7 Am Am Dm E7 Am C> C F G7 C"],
  [
    "bridge a fourth up by ii–V",
    "Bb> Bbmaj7 Gm7 Cm7 F7 Bbmaj7 Gm7 Cm7 F7 Bbmaj7 Eb> Fm7 Bb7 Ebmaj7 Cm7 Fm7 Bb7 Ebmaj7 Ebmaj7 Bb> Cm7 F7 Bbmaj7 Gm7 Cm7 F7 Bbmaj7",
  ],
  ["last chorus a half step up", "C> C Am Dm G7 C Am Dm G7 C Db> Ab7 Db Bbm Ebm Ab7 Db Bbm Ebm Ab7 Db"],
  ["last chorus a whole step up", "D> D G A7 D Bm Em A7 D E> B7 E A B7 E C#m F#m B7 E"],
  ["a third up and back", "D> Dmaj7 Bm7 Em7 A7 Dmaj7 F> Gm7 C7 Fmaj7 Dm7 Gm7 C7 Fmaj7 D> Em7 A7 Dmaj7 Dmaj7"],
  ["down by whole steps", "F> Gmaj7 Gmaj7 Gm7 C7 Fmaj7 Fmaj7 Eb> Fm7 Bb7 Ebmaj7 Ebmaj7"],
  [
    "minor to its relative and back",
    "Cm> Cm Fm G7 Cm Cm Fm G7 Cm Eb> Eb Ab Bb7 Eb Eb Ab Bb7 Eb Cm> Cm Fm G7 Cm",
  ],
  [
    "minor to the minor dominant",
    "Em> Em Am B7 Em Em Am B7 Em Bm> Bm Em F#7 Bm Bm Em F#7 Bm Em> Em Am B7 Em",
  ],
  ["a major third up", "C> C F G C C F G C E> E A B7 E E A B7 E C> C F G C"],
  [
    "a major third down",
    "C> Cmaj7 Am7 Dm7 G7 Cmaj7 Ab> Bbm7 Eb7 Abmaj7 Fm7 Bbm7 Eb7 Abmaj7 C> Dm7 G7 Cmaj7 Cmaj7",
  ],
  ["minor to the relative, stays", "Dm> Dm Gm A7 Dm Dm Gm A7 Dm F> F Bb C7 F Dm Gm C7 F"],
  ["folk tune, second part in the dominant", "D> D G D A D G A7 D A> A D E7 A A D E7 A D> D G A7 D"],
  ["hymn, third line in the dominant", "F> F C Dm Bb F C F C> C G Am F C G C F> F C Dm Bb F C F"],
  [
    "relative by its own ii–V",
    "Eb> Ebmaj7 Cm7 Fm7 Bb7 Ebmaj7 Ebmaj7 Cm> Dm7b5 G7 Cm7 Cm7 Dm7b5 G7 Cm7 Cm7 Eb> Fm7 Bb7 Ebmaj7 Ebmaj7",
  ],
  [
    "bridge in the minor of the second degree",
    "C> C Am F G C Am F G Dm> Dm Gm A7 Dm Dm Gm A7 Dm C> C Am F G C",
  ],
  ["loops, the chorus a whole step up", "G> Em C G D Em C G D Em C G D A> A E F#m D A E F#m D A E F#m D A"],
  [
    "loops without a dominant, up a third and back",
    "D> D G D G D G D A D F> F Bb F Bb F Bb C F D> D G D G D A D",
  ],
  [
    "rock verse in minor, chorus in the parallel of its relative",
    "Em> Em D C D Em D C D Em D C D Em G> G D C G G D C D G Em> Em D C D Em",
  ],
  ["waltz with a trio a fourth up", "C> C G7 G7 C C G7 G7 C F> F C7 C7 F F C7 C7 F C> C G7 G7 C"],
  [
    "bridge in the subdominant, back by its dominant",
    "C> C Am F G C Am F G C F> Gm7 C7 F F Gm7 C7 F Bb C> D7 G7 C Am F G C",
  ],
  [
    "minor song, bridge in the major of its sixth degree",
    "Am> Am G F E7 Am G F E7 Am F> F C7 F Bb F C7 F Am> Am G F E7 Am",
  ],
  [
    "ballad, bridge by ii–V to the third degree",
    "Eb> Ebmaj7 Cm7 Fm7 Bb7 Ebmaj7 G> Am7 D7 Gmaj7 Em7 Am7 D7 Gmaj7 Eb> Fm7 Bb7 Ebmaj7 Cm7 Fm7 Bb7 Ebmaj7",
  ],
  ["four keys round", "C> C F G7 C Eb> Bb7 Eb Ab Bb7 Eb Gb> Db7 Gb Cb Db7 Gb A> E7 A D E7 A"],
];

const MAJOR = [
  "0 5 7:7 0",
  "0 9:m 2:m 7:7 0",
  "0 5 0 7 0 5 7:7 0",
  "0:maj7 9:m7 2:m7 7:7 0:maj7",
  "2:m7 7:7 0:maj7 0:maj7",
  "0 7 9:m 5 0 7 0",
  "0 4:m 5 7:7 0",
  "5 7:7 0 9:m 2:m 7:7 0",
  "0 9:7 2:m 7:7 0",
] as const;
const MINOR = [
  "0:m 5:m 7:7 0:m",
  "0:m 8 10 0:m 5:m 7:7 0:m",
  "0:m 5:m 0:m 7:7 0:m",
  "2:m7b5 7:7 0:m7 0:m7",
] as const;

/** Where charts go: half steps up, and whether the new key is minor. */
const WAYS: readonly (readonly [up: number, isMinor: boolean])[] = [
  [7, false],
  [5, false],
  [9, true],
  [2, false],
  [3, false],
  [4, false],
  [1, false],
  [8, false],
  [2, true],
];

/** Names of the twelve homes; the black keys by either. */
const HOMES = ["C", "Db", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"];
const ODD: Readonly<Record<number, string>> = { 1: "C#", 6: "Gb", 3: "D#", 8: "G#", 11: "Cb" };

/** A chord so far above a home, on its own letter. */
function chordOn(home: string, token: string): string {
  const [above = "0", kind = ""] = token.split(":");
  const INTERVALS = [0, -5, 2, -3, 4, -1, -6, 1, -4, 3, -2, 5];
  return printName(fifthsOf(home) + (INTERVALS[Number(above)] ?? 0)) + kind;
}

/** Charts made of phrases, in forms that come back and forms that don't. */
export function madeKeyCharts(count: number, seed: number): readonly KeyChart[] {
  const random = seeded(seed);
  const one = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;
  return Array.from({ length: count }, (_, nth): KeyChart => {
    const isMinor = random() < 0.3;
    const at = Math.floor(random() * 12);
    const isOdd = random() < 0.3;
    const nameOf = (sound: number) => (isOdd ? ODD[sound] : undefined) ?? HOMES[sound] ?? "C";
    const ways = isMinor
      ? ([
          [3, false],
          [7, true],
          [5, true],
          [10, false],
        ] as const)
      : WAYS;
    const [up, toMinor] = one<readonly [number, boolean]>(ways);
    const first = { home: nameOf(at), isMinor };
    const second = { home: nameOf((at + up) % 12), isMinor: toMinor };
    const phrase = (key: MarkedKey) => {
      const own = one(key.isMinor ? MINOR : MAJOR);
      return own.split(" ").map((token) => ({ chord: chordOn(key.home, token), key }));
    };
    const [a, b] = [phrase(first), phrase(second)];
    const form = one(["AABA", "AABBA", "ABA", "AAB", "AABB", "AABBAA"] as const);
    const places = [...form].flatMap((part) => (part === "A" ? a : b));
    return {
      name: `${form} ${nth}`,
      chords: places.map(({ chord }) => chord),
      keys: places.map(({ key }) => key),
      returns: form.endsWith("A"),
    };
  });
}

const keyOf = (word: string): MarkedKey => ({
  home: word.replace(/m?>$/u, ""),
  isMinor: word.endsWith("m>"),
});

export const WRITTEN_KEY_CHARTS: readonly KeyChart[] = WRITTEN.map(([name, line]) => {
  const places: { chord: string; key: MarkedKey }[] = [];
  let key: MarkedKey = { home: "C", isMinor: false };
  for (const word of line.split(" "))
    if (word.endsWith(">")) key = keyOf(word);
    else places.push({ chord: word, key });
  return {
    name,
    chords: places.map(({ chord }) => chord),
    keys: places.map((each) => each.key),
    returns: places[0]?.key.home === places.at(-1)?.key.home,
  };
});

/** A chart as it is written with so many chords a bar. */
export function writtenOut({ chords }: Pick<KeyChart, "chords">, perBar: number): string {
  const bars = Array.from({ length: Math.ceil(chords.length / perBar) }, (_, at) =>
    chords.slice(at * perBar, at * perBar + perBar).join(" "),
  );
  return `| ${bars.join(" | ")} |`;
}

/** Charts that stay in one key, whatever they lean towards: secondary dominants, borrowed chords, chains of fifths, loops, blues. */
export const STAYING_CHARTS: readonly (readonly [chords: string, home: string])[] = [
  ["Bb G7 Cm7 F7 Bb G7 Cm7 F7 Fm7 Bb7 Eb Ebm Bb F7 Bb D7 D7 G7 G7 C7 C7 F7 F7 Bb G7 Cm7 F7 Bb", "Bb"],
  ["C C E7 E7 A7 A7 Dm Dm E7 Am D7 D7 Dm7 G7 C C", "C"],
  ["G B7 Em G7 C Cm G D7 G B7 Em G7 C D7 G G", "G"],
  ["F A7 Dm F7 Bb Bbm F C7 F", "F"],
  ["C C7 F Fm C A7 D7 G7 C", "C"],
  ["E7 E7 A7 A7 D7 D7 G G E7 E7 A7 A7 D7 D7 G G", "G"],
  ["Am Dm G C F Dm E7 Am Am Dm G C F E7 Am Am", "A"],
  ["Am7 D7 Gmaj7 Cmaj7 F#m7b5 B7 Em Em Am7 D7 Gmaj7 Cmaj7 F#m7b5 B7 Em Em", "E"],
  ["C Em F Fm C Em F Fm C G Am F C G C C", "C"],
  ["D F#7 Bm D7 G Gm D A7 D", "D"],
  ["A C#7 F#m A7 D Dm A E7 A", "A"],
  ["C G/B Am Em F C Dm G C G/B Am Em F C G C", "C"],
  ["Em G D A Em G D A Em G D A Em", "E"],
  ["Am F C G Am F C G Am F C G Am", "A"],
  ["D A Bm F#m G D G A D A Bm F#m G D G A D", "D"],
  ["Ab Fm Db Eb7 Ab Fm Bb7 Eb7 Ab", "Ab"],
  ["C Bb F C C Bb F C C Bb F C", "C"],
  ["Dm Bb F C Dm Bb F C Dm Bb F C Dm", "D"],
  ["Gm F Eb D7 Gm F Eb D7 Gm Cm D7 Gm", "G"],
  ["Cm Ab Eb Bb Cm Ab Eb Bb Cm", "C"],
  ["F Dm Gm C7 F D7 Gm C7 F Dm Gm C7 F", "F"],
  ["G Em A7 D7 G Em A7 D7 G E7 A7 D7 G", "G"],
  ["C F C G7 C F C G7 C C7 F Fm C G7 C", "C"],
  ["Bm G D A Bm G D A Bm Em F#7 Bm", "B"],
  ["E A E B7 E C#7 F#7 B7 E", "E"],
  ["Ebmaj7 Ebm7 Ab7 Ebmaj7 Fm7 Bb7 Ebmaj7", "Eb"],
  ["Cmaj7 Ebdim7 Dm7 G7 Cmaj7 Ebdim7 Dm7 G7 Cmaj7", "C"],
  ["Am E7 Am E7 Am A7 Dm Am E7 Am", "A"],
  ["F#m D A E F#m D A E F#m", "F#"],
  ["G D/F# Em G/D C G/B Am D7 G", "G"],
  ["A7 D7 A7 A7 D7 D7 A7 A7 E7 D7 A7 E7", "A"],
  ["Dm7 Em7 Fmaj7 Em7 Dm7 Em7 Fmaj7 Em7 Dm7", "D"],
  ["Gb Ebm Cb Db7 Gb Eb7 Abm Db7 Gb", "Gb"],
  ["C# A#m D#m G#7 C# A#7 D#m G#7 C#", "C#"],
];
