import { degreeNumber, type Fifths, type Interval, soundOf } from "../pitch";
import { familyOf, type HomeMode, holdsAll, intervalAt, type Mode, SEVEN, soundSet } from "../scale";
import { phraseEnds, type Tune } from "../tune";
import { belongs, type Candidate, candidates } from "./candidates";
import { hear, heardName, type Hearing } from "./hearing";
import { type Passage, passages } from "./passages";

/** What speaks for the home, with the notes of the tune that say so. */
export interface HomeEvidence {
  readonly code: "last-note" | "phrase-ends" | "longest" | "first-downbeat" | "lowest" | "declared-key";
  readonly note: Fifths;
  /** Phrase ends on home, and all of them. */
  readonly count?: number;
  readonly of?: number;
  /** Indices into the tune's notes. */
  readonly notes: readonly number[];
}

/** A degree that is never heard, and the modes on the same home that it would decide between. */
export interface OpenDegree {
  readonly interval: Interval;
  readonly modes: readonly { readonly mode: Mode; readonly interval: Interval }[];
}

/** The answer for one tune: ranked, with its reasons. */
export interface Identification {
  readonly candidates: readonly Candidate[];
  /** What follows is about the likeliest candidate, or the one chosen by hand. */
  readonly homeMode: HomeMode;
  readonly hearing: Hearing;
  readonly evidence: readonly HomeEvidence[];
  readonly open: readonly OpenDegree[];
  /** Heard notes that the mode does not have, with their share of sounding time. */
  readonly visiting: readonly { readonly note: Fifths; readonly share: number }[];
  readonly passages: readonly Passage[];
}

/** What may be set by hand. */
export interface IdentifyChoice {
  readonly home?: Fifths | undefined;
  /** Reason about this candidate instead of the likeliest. */
  readonly about?: HomeMode | undefined;
}

/**
 * Which mode a tune is in: every (home, mode) with its weight and, for the likeliest, the evidence for home, the degrees
 * left open, the notes that only visit, and the passages. Undefined where the tune has no notes.
 *
 * @example identify(tune)?.candidates[0] // { homeMode: { home: 3 (A), mode: mixolydian }, weight: 0.94 }
 */
export function identify(tune: Tune, choice: IdentifyChoice = {}): Identification | undefined {
  const hearing = hear(tune);
  if (!hearing) return undefined;
  const ranked = candidates(tune, hearing, choice.home);
  const homeMode = choice.about ?? ranked[0]?.homeMode;
  if (!homeMode) return undefined;
  return {
    candidates: ranked,
    homeMode,
    hearing,
    evidence: homeEvidence(tune, hearing, homeMode),
    open: openDegrees(hearing, homeMode),
    visiting: visitingNotes(hearing, homeMode),
    passages: passages(tune, homeMode, ranked),
  };
}

function homeEvidence(tune: Tune, hearing: Hearing, { home }: HomeMode): readonly HomeEvidence[] {
  const sound = soundOf(home);
  const isHome = (at: number) => soundOf(tune.notes[at]?.pitch.name ?? NaN) === sound;
  const allHome = tune.notes.flatMap((_, at) => (isHome(at) ? [at] : []));
  const ends = phraseEnds(tune);
  const endsHome = ends.filter(isHome);
  const most = hearing.sounding.indexOf(Math.max(...hearing.sounding));
  const evidence: HomeEvidence[] = [];
  if (endsHome.length > 0) {
    evidence.push({
      code: "phrase-ends",
      note: home,
      count: endsHome.length,
      of: ends.length,
      notes: endsHome,
    });
  }
  if (hearing.last === sound)
    evidence.push({ code: "last-note", note: home, notes: [tune.notes.length - 1] });
  if (most === sound) evidence.push({ code: "longest", note: home, notes: allHome });
  if (hearing.firstDownbeat === sound) {
    evidence.push({ code: "first-downbeat", note: home, notes: allHome.slice(0, 1) });
  }
  if (hearing.lowest === sound) evidence.push({ code: "lowest", note: home, notes: [] });
  if (tune.key && soundOf(tune.key.tonic) === sound)
    evidence.push({ code: "declared-key", note: home, notes: [] });
  return evidence;
}

/** The modes that hold everything heard of a mode, on the same home: among the seven and the mode's own family. */
function stillPossible(hearing: Hearing, homeMode: HomeMode): readonly Mode[] {
  const home = soundOf(homeMode.home);
  const heard = soundSet(
    hearing.sounding.flatMap((share, sound) => (share > 0 && belongs(homeMode, sound) ? [sound - home] : [])),
  );
  const all = new Set([...SEVEN, ...familyOf(homeMode.mode).modes]);
  return [...all].filter((mode) => holdsAll(mode.sounds, heard));
}

function openDegrees(hearing: Hearing, homeMode: HomeMode): readonly OpenDegree[] {
  const { home, mode } = homeMode;
  const possible = stillPossible(hearing, homeMode);
  return mode.intervals
    .filter((interval) => (hearing.sounding[soundOf(home + interval)] ?? 0) === 0)
    .map((interval) => ({
      interval,
      modes: possible.flatMap((other) => {
        const theirs = intervalAt(other.intervals, degreeNumber(interval));
        return theirs === undefined ? [] : [{ mode: other, interval: theirs }];
      }),
    }))
    .filter(({ modes }) => new Set(modes.map(({ interval }) => interval)).size > 1);
}

function visitingNotes(hearing: Hearing, homeMode: HomeMode): Identification["visiting"] {
  return hearing.sounding.flatMap((share, sound) =>
    share > 0 && !belongs(homeMode, sound) ? [{ note: heardName(hearing, sound, homeMode.home), share }] : [],
  );
}
