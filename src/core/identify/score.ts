import { holds } from "../scale";
import type { Ending, Hearing } from "./hearing";
import type { Profile, Row } from "./profiles";

/**
 * How much each kind of evidence counts for home and mode. Kinds depend on one another, so each counts as far less than it
 * would alone; together the weights are such that the shares that come of them are right about as often as they say.
 */
export const WEIGHTS = {
  /** Notes that the mode does not have. */
  outside: 3.5,
  /** How long each note sounds. */
  sounding: 10,
  downbeats: 6,
  /** The last note, as far as the tune rests on it; and the ends of sections before it. */
  restedLast: 0.5,
  restedSections: 0.7,
  /** Ends that run on into what comes round again. */
  runOn: 0.5,
  /** Where a last bar comes to rest before it runs on. */
  cadences: 0.3,
  /** The first bar of each section, held against the home chord. */
  openings: 2.4,
  /** The tune rests on home at the end and every note belongs: then it is hardly ever anything else. */
  closed: 1.5,
  firstDownbeat: 0.6,
  lowest: 0.4,
  bass: 1.5,
};
export type Evidence = keyof typeof WEIGHTS;

/** A tune of as many notes as this counts in full; a shorter one less. */
export const FULL_NOTES = 40;

/**
 * A note that the mode does not have speaks against it even in a short tune, where shares of time say little: in full
 * from this share of the sounding time on, less for a note that only visits.
 */
const OUTSIDE_SHARE = 0.05;

/** The note a half step below home, that minor modes borrow on their way up to it, counts only so much as outside. */
const LEADING = 0.3;

const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);

/** The mean of something over several of a kind; nought where there are none. */
const mean = (values: readonly number[]) => (values.length === 0 ? 0 : sum(values) / values.length);

function outside(hearing: Hearing, { mode }: Profile, home: number): number {
  return -sum(
    hearing.sounding.map((share, sound) => {
      if (share === 0 || holds(mode.sounds, sound - home)) return 0;
      const leads = (sound - home + 12) % 12 === 11 && holds(mode.sounds, 3);
      return Math.min(1, share / OUTSIDE_SHARE) * (leads ? LEADING : 1);
    }),
  );
}

/** What is added where the sections before the last rest on the same home. */
const SECTIONS_TOO = 0.6;

const isClosed = ({ last, sounding }: Hearing, { mode }: Profile, home: number): boolean =>
  last.rest > 0 &&
  last.sound === home &&
  sounding.every((share, sound) => share === 0 || holds(mode.sounds, sound - home));

/** What each kind of evidence says for one home and mode, as the logarithm of a chance. */
export function evidenceFor(
  hearing: Hearing,
  profile: Profile,
  home: number,
): Readonly<Record<Evidence, number>> {
  const { rows } = profile;
  const at = (row: Row, sound: number) => rows[row][(sound - home + 12) % 12] ?? 0;
  const over = (row: Row, shares: readonly number[]) =>
    sum(shares.map((share, sound) => (share === 0 ? 0 : share * at(row, sound))));
  const counted = (row: Row, counts: readonly number[], most: number) => {
    const all = sum(counts);
    return all === 0 ? 0 : (Math.min(all, most) / all) * (over(row, counts) / most);
  };
  const rested = (row: Row, ends: readonly Ending[]) =>
    mean(ends.map(({ rest, sound }) => rest * at(row, sound)));
  const { sectionEnds, cadences, openings, downbeats, last, bass } = hearing;
  return {
    outside: outside(hearing, profile, home),
    sounding: Math.min(1, hearing.notes / FULL_NOTES) * over("sounding", hearing.sounding),
    downbeats: counted("downbeat", downbeats, 8),
    restedLast: rested("last", [last]),
    restedSections: rested("sectionEnd", sectionEnds),
    runOn: mean([last, ...sectionEnds].map(({ rest, sound }) => (1 - rest) * at("runOn", sound))),
    cadences: rested("last", cadences),
    openings: mean(openings.map((time) => over("opening", time))),
    closed: isClosed(hearing, profile, home)
      ? 1 + SECTIONS_TOO * mean(sectionEnds.map(({ rest, sound }) => (sound === home ? rest : 0)))
      : 0,
    firstDownbeat: at("firstDownbeat", hearing.firstDownbeat),
    lowest: at("lowest", hearing.lowest),
    bass: bass ? at("last", bass.last) + 0.5 * at("last", bass.first) : 0,
  };
}

/** The logarithm of how well one home and mode explain what was heard. */
export function score(hearing: Hearing, profile: Profile, home: number): number {
  const said = evidenceFor(hearing, profile, home);
  return (Object.keys(WEIGHTS) as Evidence[]).reduce(
    (all, kind) => all + WEIGHTS[kind] * said[kind],
    profile.prior,
  );
}
