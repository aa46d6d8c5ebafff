import { type Fifths, modulo, soundOf } from "../pitch";
import {
  bestHome,
  brightness,
  CATALOGUE,
  compareRanks,
  type HomeMode,
  holds,
  holdsAll,
  isNamed,
  isOneNoteApart,
  type Mode,
  modesOfSize,
  period,
  size,
  type PitchClassSet,
  pitchClassSet,
  thirdOf,
  transpose,
} from "../scale";
import { type Chord, chordSounds } from "./chord";
import { fullChord } from "./full";

/** What can be claimed of a mode, so that a claim can be compared with all of them. */
export const CLAIMS = [
  "major-third",
  "minor-third",
  "perfect-fifth",
  "fifths-perfect",
  "no-tritone",
  "no-half-step",
  "no-half-steps-together",
  "own-transposition",
] as const;
export type Claim = (typeof CLAIMS)[number];

/** A question about all modes. What is left out does not matter. */
export interface Question {
  /** The named modes, or every set of so many notes: 7 asks all 462. */
  readonly among: "named" | number;
  /** The home; undefined tries all twelve where notes or chords are asked for. */
  readonly home?: Fifths | undefined;
  readonly holds?: readonly Fifths[];
  readonly lacks?: readonly Fifths[];
  readonly chords?: readonly Chord[];
  readonly claims?: readonly Claim[];
  /** Only modes that differ from this one by a single note. */
  readonly near?: Mode | undefined;
}

/** What came of it. */
export interface Answer {
  readonly found: readonly HomeMode[];
  /** How many modes were asked, each on every home that was tried. */
  readonly asked: number;
  /** Sounding pitch classes that the notes and chords need together, C as bit 0. */
  readonly needed: PitchClassSet;
  /** Where none was found for want of notes: those that miss least, with what they miss. */
  readonly nearest: readonly { readonly homeMode: HomeMode; readonly missing: PitchClassSet }[];
}

const hasInterval = (sounds: PitchClassSet, halfSteps: number) =>
  (sounds & transpose(sounds, halfSteps)) !== 0;

/** Each claim, compared with a mode by sound. */
const HOLDS_TRUE: Readonly<Record<Claim, (mode: Mode) => boolean>> = {
  "major-third": (mode) => thirdOf(mode) === 4,
  "minor-third": (mode) => thirdOf(mode) === -3,
  "perfect-fifth": ({ sounds }) => holds(sounds, 7),
  "fifths-perfect": (mode) => {
    const { fifths } = fullChord(mode);
    return fifths.length > 0 && fifths.every((off) => off === 0);
  },
  "no-tritone": ({ sounds }) => !hasInterval(sounds, 6),
  "no-half-step": ({ sounds }) => !hasInterval(sounds, 1),
  "no-half-steps-together": ({ sounds }) => (sounds & transpose(sounds, 1) & transpose(sounds, 2)) === 0,
  "own-transposition": ({ sounds }) => period(sounds) < 12,
};

/** Whether a claim is true of a mode. */
export const isTrueOf = (claim: Claim, mode: Mode): boolean => HOLDS_TRUE[claim](mode);

/** How many near misses are told. */
const NEAREST = 3;

/**
 * Holds a question against all modes. Named modes come first, then the most used and the brighter ones.
 *
 * @example askModes({ among: 7, claims: ["fifths-perfect"] }).found // Dorian, and no other
 */
export function askModes(question: Question): Answer {
  const { among, home, holds: wanted = [], lacks = [], chords = [], claims = [], near } = question;
  const every = among === "named" ? CATALOGUE : modesOfSize(among);
  const modes = every.filter(
    (mode) => claims.every((claim) => isTrueOf(claim, mode)) && (!near || isOneNoteApart(mode, near)),
  );
  const needed = chords.reduce((set, chord) => set | chordSounds(chord), pitchClassSet(wanted.map(soundOf)));
  const unwanted = pitchClassSet(lacks.map(soundOf));
  const asksForNotes = (needed | unwanted) !== 0;
  const homes =
    home === undefined && asksForNotes
      ? Array.from({ length: 12 }, (_, sound) => sound)
      : [soundOf(home ?? 0)];
  const all = homes.flatMap((sound) =>
    modes.map((mode) => ({ mode, sound, sounds: transpose(mode.sounds, sound) })),
  );
  const clean = all.filter(({ sounds }) => (sounds & unwanted) === 0);
  const found = clean.filter(({ sounds }) => holdsAll(sounds, needed));
  const named = [...wanted, ...chords.flatMap(({ root, tones }) => tones.map((tone) => root + tone))];
  const homeMode = ({ mode, sound }: (typeof all)[number]): HomeMode => ({
    mode,
    home: home ?? named.find((note) => soundOf(note) === sound) ?? bestHome(sound, mode),
  });
  const place = new Map(CATALOGUE.map((mode, at) => [mode, at]));
  const rank = ({ mode, sound }: (typeof all)[number]) => [
    isNamed(mode) ? 0 : 1,
    place.get(mode) ?? 0,
    -brightness(mode.intervals),
    modulo(sound - soundOf(named[0] ?? home ?? 0), 12),
  ];
  const sorted = <T extends (typeof all)[number]>(
    list: readonly T[],
    before: (each: T) => number = () => 0,
  ) =>
    list
      .map((each) => ({ each, rank: [before(each), ...rank(each)] }))
      .sort((a, b) => compareRanks(a.rank, b.rank))
      .map(({ each }) => each);
  const missing = (sounds: PitchClassSet) => needed & ~sounds;
  const nearest =
    found.length > 0 || needed === 0
      ? []
      : sorted(clean, ({ sounds }) => size(missing(sounds)))
          .slice(0, NEAREST)
          .map((each) => ({ homeMode: homeMode(each), missing: missing(each.sounds) }));
  return { found: sorted(found).map(homeMode), asked: every.length * homes.length, needed, nearest };
}
