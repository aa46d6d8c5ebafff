import { halfSteps, soundOf } from "../pitch";
import { type Chord, diatonicChords } from "../chord";
import { distinguishing, type Mode } from "../scale";
import { COUNTED } from "./chord-counts";

/** How a chord counts in a home: sevenths with their triads, dominant sevenths and diminished sevenths by themselves. */
const CHORD_KINDS = ["M", "m", "7", "d", "o", "+", "s"] as const;
export type KindOfChord = (typeof CHORD_KINDS)[number];

/**
 * The kind of a chord from its third, fifth and seventh; "s" where a third is missing.
 *
 * @example kindOf(Bm7♭5) // "d"
 */
export function kindOf({ tones }: Pick<Chord, "tones">): KindOfChord {
  const sounds = new Set(tones.map(halfSteps));
  if (sounds.has(4)) return sounds.has(10) ? "7" : sounds.has(8) && !sounds.has(7) ? "+" : "M";
  if (!sounds.has(3)) return "s";
  if (sounds.has(7) || !sounds.has(6)) return "m";
  return tones.includes(-9) ? "o" : "d";
}

const KINDS = CHORD_KINDS.length;
const KIND_AT = new Map(CHORD_KINDS.map((kind, at) => [kind, at]));

/** The place of a chord in a row: twelve roots above home, each with every kind. */
export const tokenOf = (above: number, kind: KindOfChord): number => above * KINDS + (KIND_AT.get(kind) ?? 0);

/** What was seen to follow a chord: counts by token, and all of them. */
interface Followed {
  readonly counts: Float64Array;
  readonly all: number;
}

/** How likely each chord is in one kind of home, by itself and after another. */
export interface HomeRow {
  /** By token, adding up to 1. */
  readonly alone: Float64Array;
  /** By the token before; of most there is nothing. */
  readonly follows: readonly (Followed | undefined)[];
  /** The roots above home on which a chord of some kind is usual, home as bit 0. */
  readonly usualRoots: number;
}

/** A chord this likely is usual. */
const USUAL = 0.008;

const ENTRY = /^(\d{1,2})([Mm7do+s])=(\d+)$/u;

function readEntries(text: string): readonly (readonly [token: number, count: number])[] {
  return text.split(" ").flatMap((entry) => {
    const [, above = "", kind = "M", count = ""] = ENTRY.exec(entry) ?? [];
    return above === "" ? [] : [[tokenOf(Number(above), kind as KindOfChord), Number(count)] as const];
  });
}

function rowOf(texts: readonly string[], follows: readonly string[] = []): HomeRow {
  const alone = new Float64Array(12 * KINDS);
  for (const [token, count] of texts.flatMap(readEntries)) alone[token] = (alone[token] ?? 0) + count;
  const sum = alone.reduce((all, count) => all + count, 0);
  const pairs: (Followed | undefined)[] = Array.from({ length: 12 * KINDS });
  for (const line of follows) {
    const [before = "", after = ""] = line.split(": ");
    const [from] = readEntries(`${before}=1`);
    if (!from) continue;
    const counts = pairs[from[0]]?.counts ?? new Float64Array(12 * KINDS);
    for (const [token, count] of readEntries(after)) counts[token] = (counts[token] ?? 0) + count;
    pairs[from[0]] = { counts, all: counts.reduce((all, count) => all + count, 0) };
  }
  const chances = alone.map((count) => count / sum);
  let usualRoots = 0;
  for (const [token, chance] of chances.entries())
    if (chance > USUAL) usualRoots |= 1 << Math.floor(token / KINDS);
  return { alone: chances, follows: pairs, usualRoots };
}

/**
 * What the analyses of chorales do not have and songs, blues and jazz do, in the same counts: borrowed chords, plagal changes, sevenths
 * that stay.
 */
const SONGS = {
  major: "0M=400 5M=200 9m=90 2m=60 4m=40 10M=26 3M=10 8M=16 5m=50 77=160 7m=6 1o=8 6o=6 2d=5",
  minor: "0m=500 10M=280 8M=230 3M=80 7m=120 5m=60 2d=25 77=150 5M=10",
};

/**
 * Modal homes in hundredths, as players use them: the home chord, the chord that has the characteristic note, what lies beside.
 * What comes after what is told only where a change is typical: the double plagal change in Mixolydian, for one.
 */
const MODAL: Readonly<Record<string, HomeRow>> = {
  mixolydian: rowOf(
    ["0M=34 07=10 10M=20 5M=16 7m=6 2m=4 9m=3 4d=1 57=4 77=3 7M=2 3M=1"],
    [
      "10M: 5M=10 0M=14",
      "5M: 0M=12 10M=5",
      "0M: 10M=16 5M=6",
      "07: 57=12 10M=6 5M=4",
      "57: 07=14 77=2",
      "77: 57=5 07=5",
    ],
  ),
  dorian: rowOf(
    ["0m=38 5M=12 57=12 10M=10 7m=7 2m=8 3M=6 9d=1 77=2 7M=1"],
    ["0m: 57=12 5M=12", "57: 0m=16", "5M: 0m=14"],
  ),
  lydian: rowOf(["0M=40 2M=24 27=3 7M=9 9m=6 4m=6 11m=5 6d=2"], ["0M: 2M=14", "2M: 0M=14"]),
  phrygian: rowOf(["0m=38 1M=25 10m=9 3M=7 8M=5 5m=5 37=2 7d=2"], ["0m: 1M=14", "1M: 0m=14"]),
  "phrygian-dominant": rowOf(
    ["0M=32 07=10 1M=25 5m=9 10m=9 8+=2 4d=2 3M=1"],
    ["0M: 1M=14", "07: 1M=14", "1M: 0M=14 07=8"],
  ),
  locrian: rowOf(["0d=36 1M=15 3m=9 5m=8 6M=9 8M=7 10m=9 87=3"]),
};

const MAJOR = rowOf([COUNTED.major.chords, SONGS.major], COUNTED.major.follows);
const MINOR = rowOf([COUNTED.minor.chords, SONGS.minor], COUNTED.minor.follows);

const GIVEN: Readonly<Record<string, HomeRow>> = {
  ...MODAL,
  ionian: MAJOR,
  "harmonic-major": MAJOR,
  aeolian: MINOR,
  "harmonic-minor": MINOR,
  "melodic-minor": rowOf([COUNTED.minor.chords, SONGS.minor, "57=90 5M=90"], COUNTED.minor.follows),
};

/** Whether the home chord of a row is minor. */
export const isMinorRow = ({ alone }: HomeRow): boolean =>
  (alone[tokenOf(0, "m")] ?? 0) > (alone[tokenOf(0, "M")] ?? 0);

/** Whether a row is that of minor as it was counted. */
export const isCountedMinor = (row: HomeRow): boolean => row === MINOR;

/**
 * Hundredths of a mode for which nobody has counted: its home chord, and what the other degrees share; and how much of a degree is its
 * dominant seventh, which is seldom a place to rest, and not its triad.
 */
const SHARE = { home: 30, others: 70, dominant: 0.35 };
/** A chord that holds a characteristic note is wanted more, one without a perfect fifth less. */
const WANTED = { characteristic: 2, imperfect: 0.4 };

/** The row of a mode, made once: as counted, as players use it, or from its own chords. */
export function rowFor(mode: Mode): HomeRow {
  const known = GIVEN[mode.id] ?? MADE.get(mode);
  if (known) return known;
  const made = rowFromChords(mode);
  MADE.set(mode, made);
  return made;
}

const MADE = new WeakMap<Mode, HomeRow>();

function rowFromChords(mode: Mode): HomeRow {
  const [telling = []] = distinguishing(mode);
  const chords = diatonicChords({ home: 0, mode }).flatMap(({ degree, chords: { triad, seventh } }) => {
    const tones = new Set([triad, seventh].flatMap((chord) => (chord ? [kindOf(chord)] : [])));
    const isTelling = [...((seventh ?? triad)?.tones ?? [])].some((tone) => telling.includes(tone + degree));
    const shareOf = (kind: KindOfChord) =>
      tones.size === 1 ? 1 : kind === "7" ? SHARE.dominant : 1 - SHARE.dominant;
    return [...tones].map((kind) => ({ above: soundOf(degree), kind, isTelling, share: shareOf(kind) }));
  });
  const weigh = ({ above, kind, isTelling, share }: (typeof chords)[number]) =>
    above === 0
      ? 0
      : share *
        (isTelling ? WANTED.characteristic : 1) *
        (kind === "M" || kind === "m" || kind === "7" ? 1 : WANTED.imperfect);
  const sum = chords.reduce((all, chord) => all + weigh(chord), 0) || 1;
  return rowOf([
    chords
      .map((chord) => {
        const weight = chord.above === 0 ? SHARE.home * chord.share : (SHARE.others * weigh(chord)) / sum;
        return `${chord.above}${chord.kind}=${Math.round(weight * 10)}`;
      })
      .join(" "),
  ]);
}
