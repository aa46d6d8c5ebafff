import { halfSteps } from "../pitch";
import { type Difference, differenceFrom, maybeMode, type Mode, reference } from "../scale";
import type { ChordsHearing } from "./chords-hearing";
import type { Expectation } from "./expectation";
import { above } from "./shares";
import type { BassCadence, VoicesHearing } from "./voices-hearing";
import { VOICES_STATISTICS, type VoicesStatistics } from "./voices-statistics";

/** What several voices say for one home and mode, as logarithms of chances: their sum is the score. */
export type VoicesTerm = "sounding" | "bass" | "lastBass" | "cadences" | "firstBass" | "frame";
export type VoicesTerms = Readonly<Record<VoicesTerm, number>>;

/**
 * How much each kind counts. Chosen by hand in November 2026, so that `npm run accuracy` finds most homes and modes of its 600 made pieces
 * in four voices while weights stay calibrated (two in a hundred apart at most). Shares of time are worth as many notes as this, not as many as sound, since notes that follow one
 * another depend on each other; bass and voices overlap. Where the last bass rests is one event, and more than the counts say of
 * later music, in which a piece hardly ever ends away from home; a bass that begins and ends on it frames the piece.
 */
const WEIGHTS = { sounding: 45, bass: 20, lastBass: 1.6, cadences: 0.8, firstBass: 0.8, frame: 0.7 };

/** A piece of as many notes counts in full. */
const FULL_NOTES = 60;

/** Added to every share before its logarithm is taken, so that one stray note never rules a mode out. */
const FLOOR = { sounding: 0.008, bass: 0.004, rest: 0.006 };

/** Movements that modes count for which none was counted. */
const UNCOUNTED: Readonly<Record<string, number>> = { lydian: 2, locrian: 0.5 };
const RARE_FAMILY = 0.3;

type Expected = Omit<VoicesStatistics, "movements">;

const counted = (id: string): VoicesStatistics | undefined =>
  (VOICES_STATISTICS as Readonly<Record<string, VoicesStatistics>>)[id];

/** The neighbour on which a counted minor mode leans, so that habits of one age do not tell for another. */
const LEANS_ON: Readonly<Record<string, string>> = {
  dorian: "aeolian",
  aeolian: "dorian",
  phrygian: "aeolian",
};
/** How far it does. */
const LEANING = 0.45;

/** What was counted of a mode, leaning on its neighbour; of a mode that was not counted, what its nearest one leads one to expect. */
function expected(mode: Mode): Expected {
  const own = counted(mode.id);
  if (!own) {
    const { mode: nearest, moved } = reference(mode, "nearest");
    const from = expected(nearest);
    return { ...from, sounding: swappedShares(from.sounding, moved), bass: swappedShares(from.bass, moved) };
  }
  const neighbour = maybeMode(LEANS_ON[mode.id] ?? "");
  const theirs = neighbour && counted(neighbour.id);
  if (!theirs) return own;
  const { moved } = differenceFrom(neighbour, mode);
  const leaning = (row: readonly number[], other: readonly number[]) => {
    const there = swappedShares(other, moved);
    return row.map((share, at) => (1 - LEANING) * share + LEANING * (there[at] ?? 0));
  };
  return {
    ...own,
    sounding: leaning(own.sounding, theirs.sounding),
    bass: leaning(own.bass, theirs.bass),
  };
}

/** Shares by half steps above home, with the degrees that two modes have in different forms changed places. */
function swappedShares(shares: readonly number[], moved: Difference["moved"]): readonly number[] {
  const swapped = [...shares];
  for (const { from, to } of moved) {
    swapped[halfSteps(from)] = shares[halfSteps(to)] ?? 0;
    swapped[halfSteps(to)] = shares[halfSteps(from)] ?? 0;
  }
  return swapped;
}

interface VoicesRows extends Omit<Expected, "lastMotion"> {
  readonly bias: number;
  /** How likely the bass comes to rest on a sound, from another, both above home: rows are where it comes to rest. */
  readonly rests: readonly (readonly number[])[];
}

const rowsOf = new Map<string, VoicesRows>();

/** What a mode leads one to expect of several voices: logarithms of shares, and how often the bass moves so. */
function rows(mode: Mode): VoicesRows {
  const known = rowsOf.get(mode.id);
  if (known) return known;
  const { sounding, bass, lastBass, firstBass, lastMotion } = expected(mode);
  const made: VoicesRows = {
    bias: Math.log(counted(mode.id)?.movements ?? UNCOUNTED[mode.id] ?? RARE_FAMILY),
    sounding: logs(sounding, FLOOR.sounding),
    bass: logs(bass, FLOOR.bass),
    lastBass: logs(lastBass, FLOOR.rest),
    firstBass: logs(firstBass, FLOOR.rest),
    rests: rests(logs(lastBass, FLOOR.rest), lastMotion),
  };
  rowsOf.set(mode.id, made);
  return made;
}

const logs = (shares: readonly number[], floor: number): readonly number[] => {
  const sum = shares.reduce((a, b) => a + b, 0) + 12 * floor;
  return shares.map((share) => Math.log((share + floor) / sum));
};

/** A motion of the bass that was not counted in a mode is as likely as the last bass, spread over this many motions. */
const OTHER_MOTIONS = 12;
/** How much of what is known of the last bass lies in its motion. */
const MOTION_SHARE = 0.5;

function rests(
  lastBass: readonly number[],
  lastMotion: Expected["lastMotion"],
): readonly (readonly number[])[] {
  return lastBass.map((rest, end) =>
    lastBass.map((_, from) => {
      const motion = Math.log((lastMotion[`${from}>${end}`] ?? 0) + Math.exp(rest) / OTHER_MOTIONS);
      return (1 - MOTION_SHARE) * rest + MOTION_SHARE * motion;
    }),
  );
}

/** How likely the bass comes to rest so: where, and by what motion. */
function restOf({ lastBass, rests: known }: VoicesRows, { from, to }: BassCadence, home: number): number {
  const end = above(to.sound, home);
  return (from ? known[end]?.[above(from.sound, home)] : lastBass[end]) ?? 0;
}

function over(row: readonly number[], shares: readonly number[], home: number): number {
  let sum = 0;
  for (let sound = 0; sound < 12; sound += 1) {
    const share = shares[sound] ?? 0;
    if (share > 0) sum += share * (row[above(sound, home)] ?? 0);
  }
  return sum;
}

/** What several voices say for a mode on a home (a sounding pitch class). */
export function voicesTerms(heard: VoicesHearing, mode: Mode, home: number): VoicesTerms {
  const own = rows(mode);
  const full = Math.min(1, heard.notes / FULL_NOTES);
  const cadences = heard.cadences.reduce((sum, each) => sum + restOf(own, each, home), 0);
  return {
    sounding: WEIGHTS.sounding * full * over(own.sounding, heard.sounding, home),
    bass: WEIGHTS.bass * full * over(own.bass, heard.bass, home),
    lastBass: WEIGHTS.lastBass * restOf(own, heard.last, home),
    cadences: heard.cadences.length === 0 ? 0 : (WEIGHTS.cadences * cadences) / heard.cadences.length,
    firstBass: WEIGHTS.firstBass * (own.firstBass[above(heard.first.sound, home)] ?? 0),
    frame: heard.first.sound === home && heard.last.to.sound === home ? WEIGHTS.frame : 0,
  };
}

/** What major and natural minor have in their favour where they are expected. */
const MAJOR_MINOR = 2;

/** What a mode has in its favour before a note is heard, in pieces of several voices. */
export function voicesBias(mode: Mode, expects?: Expectation): number {
  const isPlain = mode.id === "ionian" || mode.id === "aeolian";
  return EVENNESS * rows(mode).bias + (expects === "major-minor" && isPlain ? MAJOR_MINOR : 0);
}

/** How much of the time each sound is expected to sound, as logarithms of shares by half steps above home. */
export const expectedSounding = (mode: Mode): readonly number[] => rows(mode).sounding;

/** The sum of all terms. */
export function voicesScore(heard: VoicesHearing, mode: Mode, home: number): number {
  let sum = 0;
  for (const term of Object.values(voicesTerms(heard, mode, home))) sum += term;
  return sum * EVENNESS;
}

/** What bass, voices and cadences say overlaps: all of it is drawn together by this before it is shared out. */
const EVENNESS = 0.6;

/** Chord symbols say as much of the whole as this: they are one player's reading of it. */
const CHORD_WEIGHTS = { tones: 16, last: 0.8, first: 0.4 };

/** What the chord symbols over a melody say for a mode on a home, beside the melody itself. */
export function chordsScore({ tones, first, last }: ChordsHearing, mode: Mode, home: number): number {
  const own = rows(mode);
  return (
    CHORD_WEIGHTS.tones * over(own.sounding, tones, home) +
    CHORD_WEIGHTS.last * (own.lastBass[above(last, home)] ?? 0) +
    CHORD_WEIGHTS.first * (own.firstBass[above(first, home)] ?? 0)
  );
}
