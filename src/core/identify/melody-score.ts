import { degreeNumber } from "../pitch";
import { holdsAll, intervalSounding, type Mode, mode as modeById, thirdOf, transpose } from "../scale";
import type { Ending, MelodyHearing } from "./melody-hearing";
import { above } from "./shares";
import { type DegreeTable, MELODY_NUMBERS, type MelodyNumbers } from "./tune-evidence";

/** What each thing heard in a melody says for one home and mode, as logarithms of odds: their sum is the score. */
export type MelodyTerms = Readonly<Record<MelodyTerm, number>>;
const TERMS = [
  "sounding",
  "last",
  "sections",
  "opening",
  "firstDownbeat",
  "lowest",
  "triads",
  "outside",
  "missing",
  "closed",
  "settled",
  "exact",
] as const;
export type MelodyTerm = (typeof TERMS)[number];

/** A tune of as many notes as this counts in full; a shorter one less. */
const FULL_NOTES = 40;

/** A note outside the mode speaks against it in full from this share of the sounding time on, less where it only passes. */
const OUTSIDE_SHARE = 0.05;

/** The half step below home, that minor modes borrow on their way up to it, counts only so much as outside. */
const LEADING = 0.3;

/** Past this share a note outside is counted as one. */
const COUNTED_SHARE = 0.01;

/** Bars that outline triads are shared out over as many as this at least. */
const FEWEST_BARS = 4;

const OUTSIDE = 7;

/** A mode made ready for scoring: by half steps above home, which place of a row each sound has. */
export interface ScoredMode {
  readonly mode: Mode;
  readonly isMajor: boolean;
  /** 0 to 6 for degrees 1 to 7, 7 for a sound outside. */
  readonly places: readonly number[];
}

/** Makes a mode ready for scoring. */
export function scoredMode(mode: Mode): ScoredMode {
  const places = Array.from({ length: 12 }, (_, step) => {
    const interval = intervalSounding(mode, step);
    return interval === undefined ? OUTSIDE : degreeNumber(interval) - 1;
  });
  return Object.freeze({ mode, isMajor: thirdOf(mode) === 4, places });
}

const mean = (all: readonly Ending[], of: (each: Ending) => number): number =>
  all.length === 0 ? 0 : all.reduce((sum, each) => sum + of(each), 0) / all.length;

/**
 * What a melody says for a mode on a home (a sounding pitch class). Each term is one reason; their sum, with the mode's bias, is
 * the logarithm of its odds.
 *
 * @param around shares of everything that sounds, where chord symbols stand over the melody
 * @param numbers what the terms are multiplied by: those that were fitted, unless others are tried
 */
export function melodyTerms(
  heard: MelodyHearing,
  scored: ScoredMode,
  home: number,
  around: readonly number[] = heard.sounding,
  { tables, triads: triadRow, flags }: MelodyNumbers = MELODY_NUMBERS,
): MelodyTerms {
  const { mode, isMajor, places } = scored;
  const { sounding, last, sectionEnds, triads } = heard;
  const third = isMajor ? "major" : "minor";
  const placeOf = (sound: number) => places[above(sound, home)] ?? OUTSIDE;
  const at = (table: DegreeTable, sound: number) => table[third][placeOf(sound)] ?? 0;
  const over = (table: DegreeTable, shares: readonly number[]) => {
    let sum = 0;
    for (let sound = 0; sound < 12; sound += 1)
      if (shares[sound]) sum += (shares[sound] ?? 0) * at(table, sound);
    return sum;
  };
  const { lastResting, lastRunning, sectionsResting, sectionsRunning } = tables;
  const { inMode, missing, strange, outside, outsideCount } = outsideOf(around, heard.leans, scored, home);
  const isLast = last?.sound === home;
  let endsHome = 0;
  for (const { sound } of sectionEnds) if (sound === home) endsHome += 1;
  const isClosed = isLast && last.rest > 0 && !strange;
  const isExact = !strange && inMode === mode.intervals.length;
  let outlined = 0;
  for (const { root, sounds } of triads)
    outlined += triadRow[holdsAll(transpose(mode.sounds, home), sounds) ? placeOf(root) : OUTSIDE] ?? 0;
  const terms = {
    sounding: Math.min(1, heard.notes / FULL_NOTES) * over(tables.sounding, sounding),
    last: last ? last.rest * at(lastResting, last.sound) + (1 - last.rest) * at(lastRunning, last.sound) : 0,
    sections:
      mean(
        sectionEnds,
        ({ rest, sound }) => rest * at(sectionsResting, sound) + (1 - rest) * at(sectionsRunning, sound),
      ) +
      (isLast && endsHome === sectionEnds.length ? flags.everySection : 0) +
      (isLast && endsHome > 0 ? flags.lastAndSection : 0),
    opening: over(tables.openingBars, heard.opening),
    firstDownbeat: at(tables.firstDownbeat, heard.firstDownbeatSound),
    lowest: at(tables.lowest, heard.lowestSound),
    triads: outlined / Math.max(heard.wholeBars, FEWEST_BARS),
    outside: -flags.outside * outside - flags.outsideCount * outsideCount,
    missing: -flags.missing * missing,
    closed: isClosed ? flags.closed : 0,
    settled: 0,
    exact: isExact ? flags.exact : 0,
  };
  if (!isClosed) return terms;
  const settled = flags.settled * settledOn(heard, home);
  return { ...terms, settled: isEndOnThird() ? THIRD.counts * settled : settled };

  /** Major songs that end on their third look settled in Phrygian there: everything but their endings points to the major home. */
  function isEndOnThird(): boolean {
    const begins = heard.firstDownbeatSound === home && heard.lowestSound === home;
    if (mode !== PHRYGIAN || heard.run || begins) return false;
    const open = { ...heard, last: undefined };
    const minor = melodyTerms(open, scored, home, around);
    const major = melodyTerms(open, MAJOR, (home + THIRD.below) % 12, around);
    return pointing(minor) + THIRD.within < pointing(major);
  }
}

/** What a tune says of home apart from where it ends. */
const pointing = ({ sounding, opening, firstDownbeat, lowest, triads }: MelodyTerms): number =>
  sounding + opening + firstDownbeat + lowest + triads;

const PHRYGIAN = modeById("phrygian");
const MAJOR = scoredMode(modeById("ionian"));

/**
 * How much of what looks settled counts where a major song may end on its third, how much that has to point to the major home more, and half
 * steps up to that home. By judgement, on made songs that end on home and on the third.
 */
const THIRD = { counts: 0.3, within: 0, below: 8 };

/**
 * Signs of home that say more together than one by one: where the tune rests on it at the end and every note belongs, and most of
 * them point to it as well, hardly any editor hears another home, however rare the mode. By judgement, since the counted
 * tunes have few rare modes.
 */
const SETTLED = {
  phrases: 6,
  firstDownbeat: 1.5,
  opening: 1,
  longest: 1,
  lowest: 0.5,
  from: 1.5,
  scale: 6,
  run: 4,
};

function settledOn(heard: MelodyHearing, home: number): number {
  const { last, restingPhrases, sounding, opening } = heard;
  const isGreatest = (shares: readonly number[]) => shares.every((share) => share <= (shares[home] ?? 0));
  // Tunes that go round again end away from home, and say so by opening on another chord.
  const opensElsewhere = heard.openingRoots.some((root) => root !== home);
  const signs =
    SETTLED.phrases * mean(restingPhrases, ({ sound }) => (sound === home ? 1 : 0)) +
    (heard.firstDownbeatSound === home ? SETTLED.firstDownbeat : 0) +
    (isGreatest(opening) ? SETTLED.opening : 0) +
    (isGreatest(sounding) ? SETTLED.longest : 0) +
    (heard.lowestSound === home ? SETTLED.lowest : 0);
  return (
    (opensElsewhere ? 0 : Math.max(0, signs - SETTLED.from) * (last?.rest ?? 0)) +
    (heard.run?.home === home ? (heard.run.isScale ? SETTLED.scale : SETTLED.run) : 0)
  );
}

/** What sounds that a mode lacks, and how much of the mode stands in the tune by itself. */
function outsideOf(
  sounding: readonly number[],
  leans: readonly boolean[],
  { isMajor, places }: ScoredMode,
  home: number,
): {
  /** Sounds of the mode that are heard other than by leaning, and those that never sound. */
  readonly inMode: number;
  readonly missing: number;
  /** A sound that does not only lean is none of the mode's. */
  readonly strange: boolean;
  readonly outside: number;
  readonly outsideCount: number;
} {
  let inMode = 0;
  let missing = 0;
  let outside = 0;
  let outsideCount = 0;
  let strange = false;
  for (let sound = 0; sound < 12; sound += 1) {
    const share = sounding[sound] ?? 0;
    const isOwn = places[above(sound, home)] !== OUTSIDE;
    if (share === 0) {
      if (isOwn) missing += 1;
      continue;
    }
    const stands = leans[sound] !== true;
    if (isOwn) {
      if (stands) inMode += 1;
      continue;
    }
    const leads = (sound + 1) % 12 === home && !isMajor;
    if (stands) strange = true;
    outside += Math.min(1, share / OUTSIDE_SHARE) * (leads ? LEADING : 1);
    if (share > COUNTED_SHARE) outsideCount += 1;
  }
  return { inMode, missing, strange, outside, outsideCount };
}

/** The sum of all terms. */
export function melodyScore(...asked: Parameters<typeof melodyTerms>): number {
  const terms = melodyTerms(...asked);
  let sum = 0;
  for (const term of TERMS) sum += terms[term];
  return sum;
}
