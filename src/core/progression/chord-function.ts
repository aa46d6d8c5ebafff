import { type Chart, type Chord, chordNotes, chordSounds } from "../chord";
import { type Fifths, modulo, soundOf } from "../pitch";
import {
  compareRanks,
  type HomeMode,
  holds,
  isMinorMode,
  type Mode,
  notesOf,
  SEVEN,
  size,
  soundsOn,
  USUAL_MODES,
} from "../scale";
import { isWithin } from "./fit";
import { kindOf } from "./home-rows";

/** What a chord does in its key, as musicians name it. */
export type ChordFunction =
  /** The dominant of minor with its raised 7, which is harmonic minor's. */
  | { readonly code: "minor-dominant" }
  /** The dominant of a chord: of the next one, where it resolves, or of a degree of the key where it doesn’t. */
  | { readonly code: "secondary-dominant"; readonly of: Fifths; readonly resolves: boolean }
  /** The second degree of a chord that isn’t home, before that chord’s dominant. */
  | { readonly code: "secondary-two"; readonly of: Fifths }
  /** A dominant a half step above the chord that it goes to, in place of that chord’s dominant. */
  | { readonly code: "tritone-substitute"; readonly of: Fifths }
  /** ♭VII7 that goes home, alone or after iv. */
  | { readonly code: "backdoor" }
  /** A diminished chord a half step below the chord that it leads to. */
  | { readonly code: "leading-diminished"; readonly of: Fifths }
  /** A diminished seventh that has the root of the chord that it goes to. */
  | { readonly code: "common-tone-diminished"; readonly of: Fifths }
  /** A diminished seventh between two chords, a half step above the one that it goes to. */
  | { readonly code: "passing-diminished" }
  /** The major chord on ♭2 before the dominant. */
  | { readonly code: "neapolitan" }
  /** Minor, then down by a whole step, a whole step and a half step to a major chord, as i ♭VII ♭VI V. */
  | { readonly code: "andalusian" }
  /** One voice moves by half steps over a chord that stays. */
  | { readonly code: "line-cliche"; readonly line: readonly Fifths[] }
  /** The major chord of home at the end in minor. */
  | { readonly code: "picardy" }
  /** iv in major. */
  | { readonly code: "borrowed-iv" }
  /** Taken from another mode on the same home, that holds all of it and changes fewest notes. */
  | { readonly code: "borrowed"; readonly from: Mode }
  /** Heard for no more than half a bar between chords of the mode. */
  | { readonly code: "passing" };

/** A chord in its place: those that sound before and after it in the order in which the chart is played, round and round. */
interface Place {
  readonly chord: Chord;
  readonly length: number;
  readonly before: readonly Chord[];
  readonly after: readonly Chord[];
  /** Chords that come next, where it is played more than once. */
  readonly next: readonly Chord[];
  readonly isLast: boolean;
}

/** Chords on either side that are looked at: those of an Andalusian cadence or a line. */
const AROUND = 3;

/**
 * What a chord does in its key, the surest name first; empty for a plain chord of it. What has notes outside the mode and no such name is
 * borrowed from another mode on the same home, or passing.
 *
 * @param homeMode the key that it stands in, by its home and mode
 * @example chordFunctions(chart "| C | E7 | Am |", 1, C Ionian)[0] // the dominant of A, and it resolves
 * @example chordFunctions(chart "| Fmaj7 | Bb7 | Cmaj7 |", 1, C Ionian)[0] // backdoor
 */
export function chordFunctions(
  chart: Pick<Chart, "chords" | "order">,
  at: number,
  homeMode: HomeMode,
  scales: readonly Mode[] = USUAL_MODES,
): readonly ChordFunction[] {
  const place = placeOf(chart, at);
  if (!place) return [];
  const named = [
    ...andalusian(place),
    ...lines(place),
    ...dominants(place, homeMode),
    ...twoOf(place, homeMode),
    ...diminished(place),
    ...ofHome(place, homeMode),
  ];
  if (named.length > 0 || isWithin(place.chord, homeMode)) return named;
  const from = borrowed(place.chord, homeMode, scales);
  return from.length > 0 ? from : passing(place, homeMode);
}

/** A chart without an order, as when some chords are looked at alone, is played as it is written. */
function placeOf({ chords, order }: Pick<Chart, "chords" | "order">, at: number): Place | undefined {
  const current = chords[at];
  if (!current?.chord) return undefined;
  const played = (order.length > 0 ? order : chords.map((_, place) => place)).filter(
    (place) => chords[place]?.chord,
  );
  // A chord that is struck again goes on.
  const line = played.filter(
    (place, n) => n === 0 || !isSame(chords[place]?.chord, chords[played[n - 1] ?? -1]?.chord),
  );
  const struck = (place: number) =>
    line.findLastIndex(
      (other) => other === place || (other < place && isSame(chords[other]?.chord, chords[place]?.chord)),
    );
  const places = line.flatMap((place, n) => (place === at ? [n] : []));
  const all = places.length > 0 ? places : [struck(at)].filter((n) => n >= 0);
  const chordAt = (n: number) => chords[line[modulo(n, line.length)] ?? -1]?.chord;
  const [first = 0] = all;
  const around = (by: 1 | -1) =>
    Array.from({ length: Math.min(AROUND, line.length - 1) }, (_, n) =>
      chordAt(first + by * (n + 1)),
    ).flatMap((chord) => (chord ? [chord] : []));
  return {
    chord: current.chord,
    length: current.length,
    before: around(-1),
    after: around(1),
    next: all.flatMap((n) => (line.length > 1 ? (chordAt(n + 1) ?? []) : [])),
    isLast: all.includes(line.length - 1),
  };
}

const isSame = (one: Chord | undefined, other: Chord | undefined) =>
  one !== undefined &&
  other !== undefined &&
  one.root === other.root &&
  one.bass === other.bass &&
  chordSounds(one) === chordSounds(other);

/** How many half steps the next root lies above this one. */
const rise = (chord: Chord, next: Chord) => modulo(soundOf(next.root) - soundOf(chord.root), 12);

/** How many half steps a chord's root lies above home. */
const above = ({ root }: Chord, home: Fifths) => modulo(soundOf(root) - soundOf(home), 12);

const hasThird = ({ tones }: Chord) => tones.includes(4) || tones.includes(-3);
const isMajor = ({ tones }: Chord) => tones.includes(4) && !tones.includes(5);

/** Steps down of an Andalusian cadence, in half steps from its first chord. */
const ANDALUSIAN = [0, 2, 4, 5];

function andalusian({ chord, before, after }: Place): readonly ChordFunction[] {
  const line = [...before.toReversed(), chord, ...after];
  const place = before.length;
  for (let start = Math.max(0, place - 3); start <= place && start + 3 < line.length; start += 1) {
    const four = line.slice(start, start + 4);
    const [first, , , last] = four;
    if (!first || !last) continue;
    const isDown = four.every((each, n) => rise(each, first) === ANDALUSIAN[n]);
    if (isDown && kindOf(first) === "m" && hasThird(last) && kindOf(last) !== "m" && last.tones.includes(4))
      return [{ code: "andalusian" }];
  }
  return [];
}

/** Voices that move over a chord that stays: the octave or the seventh that falls, the fifth that rises. */
const LINE_TONES = new Set([0, 11, 10, 9, 8, 7]);

/** The tone of a chord that moves: its bass where that isn't the root, or the one above the triad. */
function movingTones(chord: Chord): ReadonlySet<number> {
  const bass = chord.bass === undefined ? [] : [modulo(soundOf(chord.bass) - soundOf(chord.root), 12)];
  return new Set(
    [...chord.tones.map((tone) => soundOf(tone)), ...bass].filter((tone) => LINE_TONES.has(tone)),
  );
}

/** A line by half steps through three chords or more on one root, each of which has one note of it that the others haven’t. */
function lines({ chord, before, after }: Place): readonly ChordFunction[] {
  const onRoot = (each: Chord) => soundOf(each.root) === soundOf(chord.root) && hasThirdOf(each, chord);
  const until = (all: readonly Chord[]) => {
    const end = all.findIndex((each) => !onRoot(each));
    return end < 0 ? all : all.slice(0, end);
  };
  const earlier = until(before).toReversed();
  const run = [...earlier, chord, ...until(after)];
  const tones = run.map(movingTones);
  const place = earlier.length;
  for (let length = run.length; length >= 3; length -= 1)
    for (
      let start = Math.max(0, place - length + 1);
      start <= place && start + length <= run.length;
      start += 1
    )
      for (const [first, by] of LINES) {
        const line = Array.from({ length }, (_, n) => first + by * n);
        if (isMoving(line) && line.every((tone, n) => tones[start + n]?.has(modulo(tone, 12)) === true))
          return [
            { code: "line-cliche", line: line.map((tone, n) => nameIn(run[start + n] ?? chord, tone)) },
          ];
      }
  return [];
}

/** Where a line begins above the root, and which way it goes: down from the octave or the seventh, up from the fifth. */
const LINES = [
  [12, -1],
  [11, -1],
  [7, 1],
] as const;

const hasThirdOf = (one: Chord, other: Chord) => one.tones.includes(4) === other.tones.includes(4);

/** After its first two notes a line has left root and fifth, which every chord has. */
const isMoving = (line: readonly number[]): boolean =>
  line.every((tone, n) => n < 2 || ![0, 7].includes(modulo(tone, 12)));

/** A sound above a chord's root by the name that the chord has for it. */
function nameIn(chord: Chord, tone: number): Fifths {
  const notes = [...chordNotes(chord), ...(chord.bass === undefined ? [] : [chord.bass])];
  const sound = modulo(soundOf(chord.root) + tone, 12);
  return notes.find((note) => soundOf(note) === sound) ?? chord.root;
}

/** Only a chord whose own third is foreign to the mode, or that has a seventh to resolve, leads anywhere. */
function dominants({ chord, next }: Place, homeMode: HomeMode): readonly ChordFunction[] {
  if (!isMajor(chord)) return [];
  const { home } = homeMode;
  const sounds = soundsOn(homeMode);
  const isForeign = !holds(sounds, soundOf(chord.root + 4));
  const isSeventh = chord.tones.includes(-2);
  const goal = next.find((each) => rise(chord, each) === 5);
  if (above(chord, home) === 7 && isForeign && isMinorMode(homeMode.mode))
    return [{ code: "minor-dominant" }];
  if (
    above(chord, home) === 10 &&
    isSeventh &&
    next.some((each) => above(each, home) === 0 && hasThird(each))
  )
    return isMinorMode(homeMode.mode) ? [] : [{ code: "backdoor" }];
  const isOutside = !isWithin(chord, homeMode);
  if (!isOutside) return [];
  if (goal && (isForeign || isSeventh) && above(goal, home) !== 0)
    return [{ code: "secondary-dominant", of: goal.root, resolves: true }];
  const below = next.find((each) => rise(chord, each) === 11);
  if (below && isSeventh) return [{ code: "tritone-substitute", of: below.root }];
  if (goal) return [{ code: "secondary-dominant", of: goal.root, resolves: true }];
  const of = chord.root - 1;
  return isForeign && isSeventh && holds(sounds, soundOf(of))
    ? [{ code: "secondary-dominant", of, resolves: false }]
    : [];
}

/** ii before the V of a chord that isn't home. */
function twoOf({ chord, next, after }: Place, homeMode: HomeMode): readonly ChordFunction[] {
  const kind = kindOf(chord);
  const five = next.find((each) => rise(chord, each) === 5 && kindOf(each) === "7");
  if (!five || (kind !== "m" && kind !== "d") || isWithin(chord, homeMode)) return [];
  const of = five.root - 1;
  // With ♭VII7 that goes home it is iv before the backdoor.
  const isBackdoor = above(five, homeMode.home) === 10 && after[1] && above(after[1], homeMode.home) === 0;
  return soundOf(of) === soundOf(homeMode.home) || isBackdoor ? [] : [{ code: "secondary-two", of }];
}

function diminished({ chord, before, next }: Place): readonly ChordFunction[] {
  const kind = kindOf(chord);
  if (kind !== "d" && kind !== "o") return [];
  const up = next.find((each) => rise(chord, each) === 1);
  if (up) return [{ code: "leading-diminished", of: up.root }];
  if (kind !== "o") return [];
  const common = next.find((each) => holds(chordSounds(chord), soundOf(each.root)) && hasThird(each));
  if (common) return [{ code: "common-tone-diminished", of: common.root }];
  const isBetween = next.some((each) => rise(chord, each) === 11) && before.length > 0;
  return isBetween ? [{ code: "passing-diminished" }] : [];
}

/** What has its name from its place in the key alone: the Neapolitan, iv in major, the major home at the end of minor. */
function ofHome({ chord, after, isLast }: Place, homeMode: HomeMode): readonly ChordFunction[] {
  const { home } = homeMode;
  if (isWithin(chord, homeMode)) return [];
  const isMinor = isMinorMode(homeMode.mode);
  const place = above(chord, home);
  const kind = kindOf(chord);
  if (
    place === 1 &&
    kind === "M" &&
    after.slice(0, 2).some((each) => above(each, home) === 7 && isMajor(each))
  )
    return [{ code: "neapolitan" }];
  if (place === 5 && kind === "m" && !isMinor && isIv(chord)) return [{ code: "borrowed-iv" }];
  return place === 0 && kind === "M" && isMinor && isLast ? [{ code: "picardy" }] : [];
}

/** A minor chord as iv: a triad, with its sixth or with a seventh. */
const isIv = ({ tones }: Chord) => tones.every((tone) => [0, -3, 1, 3, -2, 5, 2].includes(tone));

const passing = ({ length, before, next }: Place, homeMode: HomeMode): readonly ChordFunction[] =>
  length <= 0.5 && [before[0], next[0]].every((each) => each && isWithin(each, homeMode))
    ? [{ code: "passing" }]
    : [];

/** The nearest of the seven that has the chord, as it is spelled, and the nearest of the other scales. */
function borrowed(chord: Chord, { home, mode }: HomeMode, scales: readonly Mode[]): readonly ChordFunction[] {
  const rank = (other: Mode, order: number) => {
    const names = notesOf({ home, mode: other });
    return [
      chordNotes(chord).filter((note) => !names.includes(note)).length,
      size(other.sounds ^ mode.sounds),
      order,
    ];
  };
  const nearest = (modes: readonly Mode[]) =>
    modes
      .filter((other) => other !== mode && isWithin(chord, { home, mode: other }))
      .map((from, order) => ({ from, rank: rank(from, order) }))
      .sort((a, b) => compareRanks(a.rank, b.rank))
      .slice(0, 1);
  return [...nearest(SEVEN), ...nearest(scales.filter((other) => !SEVEN.includes(other)))].map(
    ({ from }): ChordFunction => ({ code: "borrowed", from }),
  );
}
