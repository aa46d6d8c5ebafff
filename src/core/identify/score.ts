import { holds } from "../scale";
import type { Ending, Hearing } from "./hearing";
import type { Profile, Row } from "./profiles";

/**
 * How much each kind of evidence counts for home and mode. Kinds depend on one another, so each counts as far less than it
 * would alone. Fitted by likelihood on tunes of the seven modes (softmax over homes and modes), then rounded; that the shares
 * which come of them are right about as often as they say is what `npm run accuracy` prints.
 */
const WEIGHTS = {
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
  /** Every note of the mode is heard, and no other. */
  exact: 3,
  firstDownbeat: 0.6,
  lowest: 0.4,
  bass: 1.5,
};
type Evidence = keyof typeof WEIGHTS;

/** A tune of as many notes as this counts in full; a shorter one less. */
const FULL_NOTES = 40;

/**
 * A note that the mode does not have speaks against it even in a short tune, where shares of time say little: in full
 * from this share of the sounding time on, less for a note that only visits.
 */
const OUTSIDE_SHARE = 0.05;

/** The note a half step below home, that minor modes borrow on their way up to it, counts only so much as outside. */
const LEADING = 0.3;

/** The mean of something over several of a kind; nought where there are none. */
function mean<T>(all: readonly T[], of: (each: T) => number): number {
  let sum = 0;
  for (const each of all) sum += of(each);
  return all.length === 0 ? 0 : sum / all.length;
}

/** Shares by sound, held against what a mode on a home expects of each. */
function over(expected: readonly number[], shares: readonly number[], home: number): number {
  let sum = 0;
  for (let sound = 0; sound < 12; sound += 1) {
    const share = shares[sound] ?? 0;
    if (share > 0) sum += share * (expected[sound < home ? sound - home + 12 : sound - home] ?? 0);
  }
  return sum;
}

function outside({ sounding }: Hearing, { mode }: Profile, home: number): number {
  let sum = 0;
  for (let sound = 0; sound < 12; sound += 1) {
    const share = sounding[sound] ?? 0;
    if (share === 0 || holds(mode.sounds, sound - home)) continue;
    const leads = (sound - home + 12) % 12 === 11 && holds(mode.sounds, 3);
    sum -= Math.min(1, share / OUTSIDE_SHARE) * (leads ? LEADING : 1);
  }
  return sum;
}

/** What is added where the sections before the last rest on the same home. */
const SECTIONS_TOO = 0.6;

/** How far every note belongs, from 0 to 1, where the tune rests on this home at the end; notes that only lean count as belonging. */
function closedOn({ last, sounding, leans }: Hearing, { mode }: Profile, home: number): number {
  if (last.rest === 0 || last.sound !== home) return 0;
  let strange = 0;
  for (let sound = 0; sound < 12; sound += 1)
    if (leans[sound] !== true && !holds(mode.sounds, sound - home)) strange += sounding[sound] ?? 0;
  return Math.max(0, 1 - strange / STRANGE);
}

/** With a larger share of notes that do not belong, an end on home says no more than any other. */
const STRANGE = 0.03;

const isExact = ({ names, leans }: Hearing, { mode }: Profile, home: number): boolean =>
  names.every((name, sound) =>
    // A note that only leans on another is no sign of either.
    holds(mode.sounds, sound - home)
      ? name !== undefined && leans[sound] !== true
      : name === undefined || leans[sound] === true,
  );

/** Downbeats of which no more say anything. */
const MOST_DOWNBEATS = 8;

/** What each kind of evidence says for one home and mode, as the logarithm of a chance. */
function evidenceFor(hearing: Hearing, profile: Profile, home: number): Readonly<Record<Evidence, number>> {
  const { rows } = profile;
  const at = (row: Row, sound: number) => rows[row][sound < home ? sound - home + 12 : sound - home] ?? 0;
  const rested = (row: Row, ends: readonly Ending[]) =>
    mean(ends, ({ rest, sound }) => rest * at(row, sound));
  const { sectionEnds, cadences, openings, downbeats, last, bass } = hearing;
  const counted = downbeats.reduce((all, each) => all + each, 0);
  const runsOn = ({ rest, sound }: Ending) => (1 - rest) * at("runOn", sound);
  return {
    outside: outside(hearing, profile, home),
    sounding: Math.min(1, hearing.notes / FULL_NOTES) * over(rows.sounding, hearing.sounding, home),
    downbeats: counted === 0 ? 0 : over(rows.downbeat, downbeats, home) / Math.max(counted, MOST_DOWNBEATS),
    restedLast: last.rest * at("last", last.sound),
    restedSections: rested("sectionEnd", sectionEnds),
    runOn: (runsOn(last) + sectionEnds.reduce((sum, end) => sum + runsOn(end), 0)) / (1 + sectionEnds.length),
    cadences: rested("last", cadences),
    openings: mean(openings, (time) => over(rows.opening, time, home)),
    closed:
      closedOn(hearing, profile, home) *
      (1 + SECTIONS_TOO * mean(sectionEnds, ({ rest, sound }) => (sound === home ? rest : 0))),
    exact: isExact(hearing, profile, home) ? 1 : 0,
    firstDownbeat: at("firstDownbeat", hearing.firstDownbeat),
    lowest: at("lowest", hearing.lowest),
    bass: bass ? at("last", bass.last) + 0.5 * at("last", bass.first) : 0,
  };
}

const KINDS = Object.keys(WEIGHTS) as Evidence[];

/** The logarithm of how well one home and mode explain what was heard. */
export function score(hearing: Hearing, profile: Profile, home: number): number {
  const said = evidenceFor(hearing, profile, home);
  let sum = profile.prior;
  for (const kind of KINDS) sum += WEIGHTS[kind] * said[kind];
  return sum * EVENNESS;
}

/** Evidence that still counts double is taken back: all of it is drawn together by this before it is shared out. */
const EVENNESS = 0.85;
