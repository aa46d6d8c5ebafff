import { type Fifths, soundOf } from "../pitch";
import { bestHome, type HomeMode, holds, parentOf, relatives, SEVEN, transpose } from "../scale";
import type { Tune } from "../tune";
import type { Hearing } from "./hearing";
import { type Profile, PROFILES, type Row } from "./profiles";

/** A home and mode with its share of the belief; all shares add up to 1. */
export interface Candidate {
  readonly homeMode: HomeMode;
  readonly weight: number;
}

/**
 * How much each row of evidence counts. Notes of a tune depend on one another, so a tune counts as far fewer
 * independent notes than it has; an ending counts once, however often the tune goes round.
 */
const COUNT = {
  sounding: 26,
  soundingShort: 2,
  downbeat: 6,
  sectionEnd: 1.1,
  last: 1.1,
  firstDownbeat: 0.5,
  lowest: 0.6,
};

/** Section ends after the second say little that the first two did not. */
const MOST_SECTION_ENDS = 2;

/** What a declared key adds: for the same notes, and for the same home besides. */
const KEY = { notes: 1.2, home: 0.6 };

const dot = (counts: readonly number[], logs: readonly number[], home: number) =>
  counts.reduce(
    (sum, count, sound) => sum + (count === 0 ? 0 : count * (logs[(sound - home + 12) % 12] ?? 0)),
    0,
  );

/**
 * A note that the mode does not have speaks against it even in a short tune, where shares of time say little: in full
 * from `share` of the sounding time on, less for a note that only visits.
 */
const OUTSIDE = { most: 4, share: 0.05 };

function outsidePenalty(hearing: Hearing, { mode }: Profile, home: number): number {
  return hearing.sounding.reduce(
    (sum, share, sound) =>
      holds(mode.sounds, sound - home) ? sum : sum + OUTSIDE.most * Math.min(1, share / OUTSIDE.share),
    0,
  );
}

/** The logarithm of how well one home and mode explain what was heard. */
export function score(hearing: Hearing, profile: Profile, home: number): number {
  const { rows, prior } = profile;
  const at = (row: Row, sound: number) => rows[row][(sound - home + 12) % 12] ?? 0;
  const effective = Math.min(COUNT.sounding, hearing.notes / COUNT.soundingShort);
  const downbeats = hearing.downbeats.reduce((a, b) => a + b, 0);
  const ends = hearing.sectionEnds.reduce((a, b) => a + b, 0);
  return (
    prior -
    outsidePenalty(hearing, profile, home) +
    effective * dot(hearing.sounding, rows.sounding, home) +
    (downbeats &&
      (Math.min(COUNT.downbeat, downbeats) / downbeats) * dot(hearing.downbeats, rows.downbeat, home)) +
    (ends &&
      ((COUNT.sectionEnd * Math.min(MOST_SECTION_ENDS, ends)) / ends) *
        dot(hearing.sectionEnds, rows.sectionEnd, home)) +
    COUNT.last * at("last", hearing.last) +
    COUNT.firstDownbeat * at("firstDownbeat", hearing.firstDownbeat) +
    COUNT.lowest * at("lowest", hearing.lowest)
  );
}

/** Evidence still counted double is taken back: weights are drawn together by this before they are shared out. */
const TEMPER = 0.75;

/** Shares below this are not worth a row. */
const LEAST_WEIGHT = 0.0005;

/**
 * Every (home, mode) with its weight, the likeliest first. A home set by hand leaves only the modes on it.
 */
export function candidates(tune: Tune, hearing: Hearing, home?: Fifths): readonly Candidate[] {
  const scored = PROFILES.flatMap((profile) =>
    Array.from({ length: 12 }, (_, sound) => ({ profile, sound })).filter(
      ({ sound }) => home === undefined || soundOf(home) === sound,
    ),
  ).map(({ profile, sound }) => {
    const name = spelledHome(tune, hearing, sound, profile, home);
    const homeMode = { home: name, mode: profile.mode };
    return { homeMode, score: score(hearing, profile, sound) + keyBonus(tune, homeMode) };
  });
  const best = Math.max(...scored.map((each) => each.score));
  const raw = scored.map((each) => Math.exp((each.score - best) * TEMPER));
  const whole = raw.reduce((a, b) => a + b, 0);
  return scored
    .map(({ homeMode }, at) => ({ homeMode, weight: (raw[at] ?? 0) / whole }))
    .sort((a, b) => b.weight - a.weight)
    .filter(({ weight }, at) => weight >= LEAST_WEIGHT || at === 0);
}

/**
 * The home under the name that the tune gives it, where that lets every other heard note keep its name too; otherwise
 * the declared parent's side; otherwise the fewest accidentals.
 */
function spelledHome(tune: Tune, hearing: Hearing, sound: number, { mode }: Profile, home?: Fifths): Fifths {
  return home ?? hearing.names[sound] ?? (tune.key && declaredHome(tune.key, sound)) ?? bestHome(sound, mode);
}

/** A note of the declared key's own scale that sounds so. */
function declaredHome(key: NonNullable<Tune["key"]>, sound: number): Fifths | undefined {
  const mode = SEVEN.find(({ id }) => id === key.mode);
  return mode?.intervals.map((interval) => key.tonic + interval).find((note) => soundOf(note) === sound);
}

function keyBonus({ key }: Tune, homeMode: HomeMode): number {
  const declared = key && SEVEN.find(({ id }) => id === key.mode);
  if (!declared) return 0;
  const sameNotes =
    transpose(declared.sounds, soundOf(key.tonic)) ===
    transpose(homeMode.mode.sounds, soundOf(homeMode.home));
  if (!sameNotes) return 0;
  return KEY.notes + (soundOf(key.tonic) === soundOf(homeMode.home) ? KEY.home : 0);
}

/** The count up from the parent to a mode, every relative in order of the parent's degrees. */
export function countUp(homeMode: HomeMode): readonly HomeMode[] {
  const { family, tonic } = parentOf(homeMode);
  return relatives(family, tonic);
}

/** Whether a heard pitch class belongs to a mode on its home. */
export const belongs = ({ home, mode }: HomeMode, sound: number): boolean =>
  holds(transpose(mode.sounds, soundOf(home)), sound);
