import { type Fifths, type Interval, modulo, soundOf } from "../pitch";
import type { Chord } from "./chord";

/** Tones as a symbol spells them, and how far the symbol is from a plain one. */
interface Spelled {
  readonly tones: readonly Interval[];
  readonly cost: number;
}

/** What a name costs: the weights only order the names that one set of notes can have. */
const COST = {
  alteration: 1,
  added: 1,
  noThird: 4,
  sus: 1.2,
  noFifth: 1.5,
  twoSevenths: 6,
  avoided: 2,
  slash: 2.5,
  /** A bass that is no tone of the chord over it. */
  foreignBass: 0.9,
  /** What nobody writes: a suspended chord that is altered or has a major seventh, a second with all of a 13, two ninths. */
  odd: 4,
};

/**
 * Spells sounds above a root as the tones of a chord symbol: the lower third as ♯9 where there are two, the tritone as ♭5
 * or ♯11, the minor sixth as ♯5 or ♭13, the major sixth as 6, 13 or ♭♭7, as the other tones ask.
 *
 * @example tonesFromSounds([0, 3, 4, 7, 10]).tones // 1 3 5 ♭7 ♯9
 */
export function tonesFromSounds(sounds: readonly number[]): Spelled {
  const has = (sound: number) => sounds.includes(sound);
  const major = has(4);
  const minor = has(3) && !major;
  const flatFifth = has(6) && !has(7) && (minor || !has(8));
  const sharpFifth = has(8) && !has(7) && !flatFifth && major;
  const diminishedSeventh = minor && flatFifth && has(9) && !has(10) && !has(11);
  const seventh = has(10) || has(11) || diminishedSeventh;
  const names: Readonly<Record<number, Interval>> = {
    0: 0,
    1: -5,
    2: 2,
    3: minor ? -3 : 9,
    4: 4,
    5: -1,
    6: flatFifth ? -6 : 6,
    7: 1,
    8: sharpFifth ? 8 : -4,
    9: diminishedSeventh ? -9 : 3,
    10: -2,
    11: 5,
  };
  const order = [0, 3, 4, 7, 6, 8, 10, 11, 9, 1, 2, 5];
  const tones = order
    .filter((sound) => has(sound) && (sound !== 3 || minor))
    .map((sound) => names[sound] ?? 0);
  if (has(3) && major) tones.push(9);
  const hung = !major && !minor;
  const fifth = has(7) || flatFifth || sharpFifth;
  const altered = tones.filter((tone) => [-5, 9, 6, -4].includes(tone)).length;
  const upper = [2, 5, 9].filter(
    (sound) => has(sound) && !(hung && sound !== 9) && !(sound === 9 && diminishedSeventh),
  );
  const isOdd =
    (hung &&
      (altered > 0 ||
        flatFifth ||
        sharpFifth ||
        has(6) ||
        has(11) ||
        (has(2) && !has(5) && seventh && has(9)))) ||
    (has(1) && has(2));
  const cost =
    altered * COST.alteration +
    (flatFifth || sharpFifth ? COST.alteration / 2 : 0) +
    (seventh ? 0 : Math.max(0, upper.length - (has(9) ? 1 : 0)) * COST.added) +
    (seventh ? 0 : altered * COST.added) +
    (hung ? (has(5) || has(2) ? COST.sus : COST.noThird) : 0) +
    (fifth ? 0 : hung ? 2 * COST.noFifth : COST.noFifth) +
    (has(10) && has(11) ? COST.twoSevenths : 0) +
    (major && has(5) ? COST.avoided : 0) +
    (minor && (has(1) || has(8)) ? COST.alteration : 0) +
    (isOdd ? COST.odd : 0);
  return { tones: tones.toSorted((a, b) => toneOrder(a) - toneOrder(b)), cost };
}

const TONES: readonly Interval[] = [0, -3, 4, -6, 1, 8, -9, -2, 5, -5, 2, 9, -1, 6, -4, 3];
const toneOrder = (tone: Interval) => TONES.indexOf(tone);

/**
 * The names that a set of notes over a bass can have, best first: each note is tried as root; plain qualities before altered
 * ones, the bass as root before a slash.
 *
 * @example chordNames([A, C, E, G, B, D], A)[0] // Am11
 */
export function chordNames(notes: readonly Fifths[], bass: Fifths | undefined = notes[0]): readonly Chord[] {
  const isBass = (note: Fifths) => bass !== undefined && soundOf(note) === soundOf(bass);
  const over = notes.filter((note) => !isBass(note));
  const spelled = (root: Fifths, all: readonly Fifths[]) =>
    tonesFromSounds(all.map((note) => modulo(soundOf(note) - soundOf(root), 12)));
  const named = notes.flatMap((root) => {
    const { tones, cost } = spelled(root, notes);
    if (bass === undefined || isBass(root)) return [{ chord: { root, tones, optional: [] }, cost }];
    const upper = spelled(root, over);
    return [
      { chord: { root, tones, optional: [], bass }, cost: cost + COST.slash },
      ...(over.length < 3
        ? []
        : [
            {
              chord: { root, tones: upper.tones, optional: [], bass },
              cost: upper.cost + COST.slash + COST.foreignBass,
            },
          ]),
    ];
  });
  return named.sort((a, b) => a.cost - b.cost).map(({ chord }) => chord);
}
