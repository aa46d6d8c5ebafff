import { type Fifths, letterOf, soundOf } from "../pitch";
import {
  accidentalCost,
  bestHome,
  type HomeMode,
  holds,
  holdsAll,
  notesOf,
  parentOf,
  relatives,
  SEVEN,
  soundsOn,
  soundSet,
  transpose,
} from "../scale";
import type { Tune } from "../tune";
import type { Hearing } from "./hearing";
import { type Profile, PROFILES } from "./profiles";
import { score } from "./score";

/** A home and mode with its share of the belief; all shares add up to 1. */
export interface Candidate {
  readonly homeMode: HomeMode;
  readonly weight: number;
}

/** What a declared key adds: for the same notes, and for the same home besides. */
const KEY = { notes: 1.5, home: 1 };

/** C major is also what is written where nothing is meant: it counts only so much. */
const UNMARKED = 0.3;

/** A tune of fewer notes may circle a home that is not heard. */
const FEW_NOTES = 12;

/** A note with a larger share than this must be in a rare scale, if that is to be looked at. */
const STRONG = 0.015;

const isDeclared = ({ keys: [key] = [] }: Tune, { mode }: Profile, sound: number): boolean =>
  key?.mode === mode && soundOf(key.home) === sound;

const SEVEN_PROFILES = PROFILES.filter(({ mode }) => mode.family === "major");
const RARE_PROFILES = PROFILES.filter(({ mode }) => mode.family !== "major");
const EVERY_SOUND = Array.from({ length: 12 }, (_, sound) => sound);

/** Shares below this are not worth a row. */
const LEAST_WEIGHT = 0.0005;

/**
 * Every (home, mode) with its weight, the likeliest first. A home set by hand leaves only the modes on it.
 */
export function candidates(tune: Tune, hearing: Hearing, home?: Fifths): readonly Candidate[] {
  const heard = EVERY_SOUND.filter((sound) => hearing.names[sound] !== undefined);
  const likely = hearing.notes < FEW_NOTES ? EVERY_SOUND : heard;
  const sounds = home === undefined ? likely : [soundOf(home)];
  const strong = soundSet(EVERY_SOUND.filter((sound) => (hearing.sounding[sound] ?? 0) > STRONG));
  const fits = ({ mode }: Profile, sound: number) => holdsAll(transpose(mode.sounds, sound), strong);
  // Rare scales are looked at where they hold what one of the seven does not.
  const isPlain = SEVEN_PROFILES.some((profile) => sounds.some((sound) => fits(profile, sound)));
  const bonus = keyBonus(tune, hearing);
  const scoredOn = (profile: Profile, own: readonly number[]) =>
    own.map((sound) => ({
      profile,
      sound,
      score: score(hearing, profile, sound) + bonus(profile, sound),
    }));
  const rareOn = (profile: Profile) =>
    sounds.filter((sound) => (!isPlain && fits(profile, sound)) || isDeclared(tune, profile, sound));
  const isRareKey = tune.keys?.[0] !== undefined && tune.keys[0].mode.family !== "major";
  const rare = isPlain && !isRareKey ? [] : RARE_PROFILES;
  const scored = [
    ...SEVEN_PROFILES.flatMap((profile) => scoredOn(profile, sounds)),
    ...rare.flatMap((profile) => scoredOn(profile, rareOn(profile))),
  ];
  const best = scored.reduce((most, each) => Math.max(most, each.score), -Infinity);
  const whole = scored.reduce((sum, each) => sum + Math.exp(each.score - best), 0);
  return scored
    .map((each) => ({ ...each, weight: Math.exp(each.score - best) / whole }))
    .sort((a, b) => b.weight - a.weight)
    .filter(({ weight }, at) => weight >= LEAST_WEIGHT || at === 0)
    .map(({ profile, sound, weight }) => ({
      homeMode: { home: spelledHome(tune, hearing, sound, profile, home), mode: profile.mode },
      weight,
    }));
}

/**
 * The home under the name that the tune gives it, or else the declared parent's side, unless that would need more
 * accidentals than a key has, and the tune does not write them; otherwise the fewest accidentals.
 */
function spelledHome(tune: Tune, hearing: Hearing, sound: number, { mode }: Profile, home?: Fifths): Fifths {
  if (home !== undefined) return home;
  const named = hearing.names[sound] ?? declaredNote(tune, sound);
  if (named === undefined) return bestHome(sound, mode);
  const homeMode = { home: named, mode };
  const isKey = accidentalCost(homeMode) <= MOST_ACCIDENTALS || isSpelledSo(hearing, homeMode);
  return isKey ? named : bestHome(sound, mode);
}

/** Whether every note of a mode that is heard goes by the mode's own name for it. */
const isSpelledSo = ({ names }: Hearing, homeMode: HomeMode): boolean =>
  notesOf(homeMode).every((note) => (names[soundOf(note)] ?? note) === note);

/** Past seven sharps or flats, a home is called by its other name. */
const MOST_ACCIDENTALS = 7;

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
  { names }: Hearing,
): (profile: Profile, sound: number) => number {
  const isWritten = (letter: string) => names.some((name) => name !== undefined && letterOf(name) === letter);
  const holdsSo =
    key && notesOf(key).every((note) => names[soundOf(note)] !== undefined || !isWritten(letterOf(note)));
  if (!key || !holdsSo) return () => 0;
  const sounds = soundsOn(key);
  const home = soundOf(key.home);
  const counts = key.home === 0 && key.mode === SEVEN[0] ? UNMARKED : 1;
  return ({ mode }, sound) =>
    transpose(mode.sounds, sound) === sounds ? counts * (KEY.notes + (sound === home ? KEY.home : 0)) : 0;
}

/** The count up from the parent to a mode, every relative in order of the parent's degrees. */
export function countUp(homeMode: HomeMode): readonly HomeMode[] {
  const { family, tonic } = parentOf(homeMode);
  return relatives(family, tonic);
}

/** Whether a heard pitch class belongs to a mode on its home. */
export const belongs = (homeMode: HomeMode, sound: number): boolean => holds(soundsOn(homeMode), sound);
