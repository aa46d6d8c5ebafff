import { soundOf } from "../pitch";
import { type HomeMode, type Mode, type PitchClassSet, soundsOn } from "../scale";
import type { DeclaredKey } from "../tune";
import type { Expectation } from "./expectation";
import type { Hearing } from "./hearing";
import { melodyScore, type MelodyTerms, melodyTerms, type ScoredMode, scoredMode } from "./melody-score";
import { COUNTED_TUNES, MODE_BIAS } from "./tune-evidence";
import { chordsScore, voicesBias, voicesScore, type VoicesTerms, voicesTerms } from "./voices-score";

/**
 * Modes are not as rare among the tunes that players ask about as in old collections, where 95 of 100 are in major or minor: what
 * was counted is divided by the count to this power. On the tunes that the numbers were fitted for, 0.12 costs 4 in 1,000 and
 * finds more of the rare modes; "modal" all but leaves out what was counted.
 */
const PRIOR_POWER: Readonly<Record<Expectation, number>> = { "major-minor": 0, mixed: 0.12, modal: 0.7 };

/** Each mode counts a few tunes more than were counted, so that one with none has a number. */
const UNCOUNTED = 15;

/** The other families are rarer than any of the seven: what they have in their favour, beside harmonic minor and its fifth mode. */
const RARE_BIAS = -2;
const COMMON_RARE: Readonly<Record<string, number>> = {
  "harmonic-minor": 0.5,
  "phrygian-dominant": 0.5,
  "melodic-minor": -0.5,
  "lydian-dominant": -0.5,
  "blues-minor": 1,
  "blues-major": -0.5,
  "whole-tone": 1,
};

/** What a mode has in its favour before a note is heard. */
function biasOf({ id }: Mode, expects: Expectation = "mixed"): number {
  const counted = MODE_BIAS[id];
  if (counted === undefined) return COMMON_RARE[id] ?? RARE_BIAS;
  return counted - PRIOR_POWER[expects] * Math.log((COUNTED_TUNES[id] ?? 0) + UNCOUNTED);
}

const scored = new Map<string, ScoredMode>();
/** A mode made ready for scoring; once a mode. */
function ready(mode: Mode): ScoredMode {
  const known = scored.get(mode.id) ?? scoredMode(mode);
  scored.set(mode.id, known);
  return known;
}

/**
 * The logarithm of the odds of one mode on a home (a sounding pitch class). Several voices are told by what all of them sound and
 * by their bass; one voice by its line, and by the chords written over it.
 */
export function scoreOf(hearing: Hearing, mode: Mode, home: number, expects?: Expectation): number {
  const { voices } = hearing;
  return likelihoodOf(hearing, mode, home) + (voices ? voicesBias(mode, expects) : biasOf(mode, expects));
}

/** The same without what the mode has in its favour before a note is heard. */
export function likelihoodOf(
  { melody, voices, chords, sounding }: Hearing,
  mode: Mode,
  home: number,
): number {
  if (voices) return voicesScore(voices, mode, home);
  if (!chords) return melodyScore(melody, ready(mode), home);
  return melodyScore(melody, ready(mode), home, sounding) + chordsScore(chords, mode, home);
}

/**
 * Logarithms of how likely each of some states is by its mode alone, as tunes of one voice are expected or pieces of several; a state
 * is a home and mode, so that all modes have as many.
 */
export function priorsOf(modes: readonly Mode[], expects: Expectation | "voices"): readonly number[] {
  const bias = (mode: Mode) => (expects === "voices" ? voicesBias(mode) : biasOf(mode, expects));
  const all = Math.log([...new Set(modes)].reduce((sum, mode) => sum + Math.exp(bias(mode)), 0));
  return modes.map((mode) => bias(mode) - all);
}

/** What a declared key says for the same notes, and for the same home besides. */
const KEY = { notes: 1.5, home: 1 };

/**
 * What a declared key says for a set of sounds with a home; a signature alone says nothing of home.
 *
 * @param more what it says besides for the same notes
 */
export function keySays(key: DeclaredKey, sounds: PitchClassSet, home: number, more = 0): number {
  return soundsOn(key) === sounds ? KEY.notes + more + keySaysHome(key, sounds, home) : 0;
}

/** What it says for home alone. */
export const keySaysHome = (key: DeclaredKey, sounds: PitchClassSet, home: number): number =>
  soundsOn(key) === sounds && home === soundOf(key.home) && key.isSignature !== true ? KEY.home : 0;

/** What the chord symbols say for a home and mode; nought where there are none. */
export const chordsScoreOf = ({ chords }: Hearing, { home, mode }: HomeMode): number =>
  chords ? chordsScore(chords, mode, soundOf(home)) : 0;

/** What the melody says for a home and mode, reason by reason. */
export const melodyTermsOf = ({ melody, chords, sounding }: Hearing, { home, mode }: HomeMode): MelodyTerms =>
  melodyTerms(melody, ready(mode), soundOf(home), chords ? sounding : undefined);

/** What several voices say for a home and mode, reason by reason; undefined where there is one voice. */
export const voicesTermsOf = ({ voices }: Hearing, { home, mode }: HomeMode): VoicesTerms | undefined =>
  voices && voicesTerms(voices, mode, soundOf(home));

/** A line of as many notes is a tune; a shorter one is a fragment, that may be cut out of anything, and says less than it seems to. */
const FRAGMENT = { notes: 24, least: 0.25 };

/** How much of the score of a fragment counts, from a quarter to all. */
export const sureness = ({ notes }: Hearing): number =>
  Math.min(1, FRAGMENT.least + (1 - FRAGMENT.least) * (notes / FRAGMENT.notes));
