import { type Fifths, soundOf } from "../pitch";
import {
  accidentalCost,
  bestHome,
  CATALOGUE,
  type HomeMode,
  holds,
  holdsAll,
  type Mode,
  notesOf,
  parentOf,
  relatives,
  SEVEN,
  size,
  type PitchClassSet,
  soundsOn,
  pitchClassSet,
  transpose,
} from "../scale";
import { allNotes, type Tune } from "../tune";
import type { DoubleTonic } from "./double-tonic";
import { type Hearing, keepsSignature } from "./hearing";
import { chromaticSteps, leadingSounds } from "./lines";
import type { Expectation } from "./expectation";
import { keySays, keySaysHome, scoreOf, sureness } from "./score";
import { shareLogs } from "./shares";

/** A home and mode with its share of the belief; all shares add up to 1. */
export interface Candidate {
  readonly homeMode: HomeMode;
  readonly weight: number;
}

/** Where some of its notes are never heard, only the signature of a declared key decides them, and it counts for more. */
const KEY_DECIDES = 2.5;

/** C major is also what is written where nothing is meant: it counts only so much. */
const UNMARKED = 0.3;

/** A note with a larger share than this must be in a rare scale, if that is to be looked at. */
const STRONG = 0.015;

/** A scale of fewer or more than seven notes is considered only where each of its notes has this share of the time and no other note sounds. */
const STANDS = 0.025;

/** A note that leads and sounds more than this is more than a leading tone. */
const LEADS = 0.1;

const EVERY_SOUND = Array.from({ length: 12 }, (_, sound) => sound);
const OUTSIDE_SEVEN = CATALOGUE.filter(({ family, intervals }) => family !== "major" && intervals.length > 5);
const RARE = OUTSIDE_SEVEN.filter(({ intervals }) => intervals.length === 7);
const OTHER_SIZES = OUTSIDE_SEVEN.filter(({ intervals }) => intervals.length !== 7);

/** Scales of the blues, and how much of the time their own notes take in one that has others between. */
const BLUES: readonly string[] = ["blues-minor", "blues-major"];
const BLUES_SHARE = 0.85;

/** Shares below this are not worth a row. */
const LEAST_WEIGHT = 0.0005;

/** What may be set by hand for the ranking. */
export interface Asked {
  readonly home?: Fifths | undefined;
  readonly expects?: Expectation | undefined;
}

/**
 * Every (home, mode) with its weight, the likeliest first. A home set by hand leaves only the modes on it; otherwise every sound
 * that is heard may be home.
 */
export function candidates(
  tune: Tune,
  hearing: Hearing,
  { home, expects }: Asked = {},
): readonly Candidate[] {
  const heard = EVERY_SOUND.filter((sound) => hearing.names[sound] !== undefined);
  const sounds = home === undefined ? heard : [soundOf(home)];
  const bonus = keyBonus(tune, hearing);
  // Which mode a few notes are in hangs on what is expected, not on what is heard.
  const expected = heard.length <= FEW ? "modal" : expects;
  const scored = [
    ...SEVEN.map((mode) => ({ mode, on: sounds })),
    ...rareModes(tune, hearing, sounds),
  ].flatMap(({ mode, on }) =>
    on.map((sound) => ({
      mode,
      sound,
      score:
        sureness(hearing) * scoreOf(hearing, mode, sound, expected) +
        bonus(mode, sound) +
        doubleTonicSays(hearing.doubleTonic, mode, sound),
    })),
  );
  const shares = shareLogs(scored.map(({ score }) => score));
  return scored
    .map((each, at) => ({ ...each, weight: Math.exp(shares[at] ?? -Infinity) }))
    .sort((a, b) => b.weight - a.weight)
    .filter(({ weight }, at) => weight >= LEAST_WEIGHT || at === 0)
    .map(({ mode, sound, weight }) => ({
      homeMode: { home: spelledHome(tune, hearing, sound, mode, home), mode },
      weight,
    }));
}

/** So many different notes leave two degrees open. */
const FEW = 5;

/** What two alternating triads say for the upper: it is home, with the triad on it and the lower one in the mode. */
const DOUBLE_TONIC = 2.5;

function doubleTonicSays(double: DoubleTonic | undefined, mode: Mode, home: number): number {
  if (!double || double.upper !== home) return 0;
  const both = pitchClassSet([0, double.isMinor ? 3 : 4, 7, 10, 2, 5]);
  return holdsAll(mode.sounds, both) ? DOUBLE_TONIC : 0;
}

/** Scales outside the seven, each with the homes on which it is looked at: only where they hold what none of the seven does. */
function rareModes(
  tune: Tune,
  { sounding }: Hearing,
  sounds: readonly number[],
): readonly { readonly mode: Mode; readonly on: readonly number[] }[] {
  const above = (share: number) =>
    pitchClassSet(EVERY_SOUND.filter((sound) => (sounding[sound] ?? 0) > share));
  const strong = above(STRONG);
  const fits = (mode: Mode, sound: number, set: PitchClassSet) =>
    holdsAll(transpose(mode.sounds, sound), set);
  const isPlain = (set: PitchClassSet) =>
    SEVEN.some((mode) => EVERY_SOUND.some((sound) => fits(mode, sound, set)));
  const [key] = tune.keys ?? [];
  const isDeclared = (mode: Mode, sound: number) => key?.mode === mode && soundOf(key.home) === sound;
  const isStrongPlain = isPlain(strong);
  if (isStrongPlain && (!key || SEVEN.includes(key.mode))) return [];
  const notes = allNotes(tune);
  const [standing, all] = [above(STANDS), above(0)];
  // A raised seventh that only leads up to home makes no other scale of minor.
  const leads = leadingSounds(notes);
  const leading = EVERY_SOUND.filter((sound) => leads[sound] === true && (sounding[sound] ?? 0) < LEADS);
  const takesSeven = !isPlain(strong & ~pitchClassSet(leading));
  // Scales with three half steps in a row are played through them; otherwise two scales are mixed.
  const chromatic = chromaticSteps(notes);
  const isThreaded = EVERY_SOUND.every(
    (sound) => !holdsAll(all, pitchClassSet([sound - 1, sound, sound + 1])) || chromatic[sound] === true,
  );
  const isExact = (mode: Mode, sound: number) =>
    !isStrongPlain && standing === all && isThreaded && transpose(mode.sounds, sound) === all;
  // Blues is sung and played with notes between: its own six stand, and the rest passes.
  const isBlues = (mode: Mode, sound: number) => {
    const scaleSounds = transpose(mode.sounds, sound);
    const time = EVERY_SOUND.reduce(
      (sum, each) => sum + (holds(scaleSounds, each) ? (sounding[each] ?? 0) : 0),
      0,
    );
    return BLUES.includes(mode.id) && holdsAll(standing, scaleSounds) && time >= BLUES_SHARE;
  };
  return [
    ...RARE.map((mode) => ({
      mode,
      on: sounds.filter((sound) => isDeclared(mode, sound) || (takesSeven && fits(mode, sound, strong))),
    })),
    ...OTHER_SIZES.filter(({ sounds: own, id }) => size(own) === size(all) || BLUES.includes(id)).map(
      (mode) => ({
        mode,
        on: sounds.filter((sound) => isDeclared(mode, sound) || isExact(mode, sound) || isBlues(mode, sound)),
      }),
    ),
  ].filter(({ on }) => on.length > 0);
}

/**
 * The home under the name that the tune gives it, or else the declared parent's side, unless that would need more
 * accidentals than a key has, and the tune does not write them; otherwise the fewest accidentals.
 */
export function spelledHome(tune: Tune, hearing: Hearing, sound: number, mode: Mode, home?: Fifths): Fifths {
  if (home !== undefined) return home;
  const named = hearing.names[sound] ?? declaredNote(tune, sound);
  if (named === undefined) return bestHome(sound, mode);
  const homeMode = { home: named, mode };
  const isKey = accidentalCost(homeMode) <= MAX_ACCIDENTALS || isSpelledSo(hearing, homeMode);
  return isKey ? named : bestHome(sound, mode);
}

/** Whether every note of a mode that is heard goes by the mode's own name for it. */
const isSpelledSo = ({ names }: Hearing, homeMode: HomeMode): boolean =>
  notesOf(homeMode).every((note) => (names[soundOf(note)] ?? note) === note);

/** Past seven sharps or flats, a home is called by its other name. */
const MAX_ACCIDENTALS = 7;

/** A note of the declared key's own scale that sounds so. */
function declaredNote({ keys: [key] = [] }: Tune, sound: number): Fifths | undefined {
  return key && notesOf(key).find((note) => soundOf(note) === sound);
}

/**
 * A declared key counts as far as its signature holds: where the tune alters one of its notes throughout, the signature was
 * not meant to say anything.
 */
function keyBonus(
  { keys: [key] = [] }: Tune,
  { names, voices }: Hearing,
): (mode: Mode, sound: number) => number {
  if (!key || !keepsSignature(key, names)) return () => 0;
  // Of several voices the signature is heard with all the rest: here only the home that the key is said to have.
  if (voices) return (mode, sound) => keySaysHome(key, transpose(mode.sounds, sound), sound);
  const counts = key.home === 0 && key.mode === SEVEN[0] ? UNMARKED : 1;
  const isWhole = notesOf(key).every((note) => names[soundOf(note)] !== undefined);
  return (mode, sound) =>
    counts * keySays(key, transpose(mode.sounds, sound), sound, isWhole ? 0 : KEY_DECIDES);
}

/** The count up from the parent to a mode, every relative in order of the parent's degrees. */
export function countUp(homeMode: HomeMode): readonly HomeMode[] {
  const { family, tonic } = parentOf(homeMode);
  return relatives(family, tonic);
}

/** Whether a heard pitch class belongs to a mode on its home. */
export const belongs = (homeMode: HomeMode, sound: number): boolean => holds(soundsOn(homeMode), sound);
