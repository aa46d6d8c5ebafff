import { halfSteps } from "../pitch";
import { type Difference, type Mode, reference, SEVEN, signedKey } from "../scale";
import type { ChordsHearing } from "./chords-hearing";
import type { Expectation } from "./expectation";
import { above } from "./shares";
import { VOICES_COUNTS, VOICES_TABLES, VOICES_WEIGHTS, type VoicesView } from "./voices-evidence";
import type { VoicesHearing } from "./voices-hearing";

/** What several voices say for one home and mode, view by view, as logarithms of chances: their sum is the score. */
export type VoicesTerm = VoicesView | "signature";
export type VoicesTerms = Readonly<Record<VoicesTerm, number>>;

const VIEWS = Object.keys(VOICES_TABLES) as readonly VoicesView[];

/**
 * What a key signature takes from a mode that is not written with it. In the pieces that were counted it nearly always agrees, and a table of
 * them would rule all else out; signatures that are missing or one accidental off are met with, and have to leave the notes their say.
 */
const OTHER_SIGNATURE = -2.5;

/** Movements that are added to those counted of each mode, and to all. */
const UNCOUNTED = { each: 3, all: 18 };

const ALL_COUNTED = Object.values(VOICES_COUNTS).reduce((sum, each) => sum + each, 0);

/** Modes that are none of the seven are rarer. */
const RARE_FAMILY = -2;

const eachView = <T>(of: (view: VoicesView) => T): Readonly<Record<VoicesView, T>> =>
  Object.fromEntries(VIEWS.map((view) => [view, of(view)])) as Record<VoicesView, T>;

type Rows = Readonly<Record<VoicesView, readonly number[]>>;

const rowsOf = new Map<string, Rows>();

/** Logarithms of the shares of a mode, view by view; of a mode that was not counted, those of its nearest with the degrees that move swapped. */
function rows(mode: Mode): Rows {
  const known = rowsOf.get(mode.id);
  if (known) return known;
  const made = eachView((view) => shares(view, mode).map((share) => Math.log(share)));
  rowsOf.set(mode.id, made);
  return made;
}

function shares(view: VoicesView, mode: Mode): readonly number[] {
  const table: Readonly<Record<string, readonly number[]>> = VOICES_TABLES[view];
  const known = table[mode.id];
  if (known) return known;
  const { mode: nearest, moved } = reference(mode, "nearest");
  return swapped(shares(view, nearest), moved);
}

/** Shares by half steps above home, with the degrees that two modes have in different forms changed places. */
function swapped(row: readonly number[], moved: Difference["moved"]): readonly number[] {
  const found = [...row];
  for (const { from, to } of moved) {
    found[halfSteps(from)] = row[halfSteps(to)] ?? 0;
    found[halfSteps(to)] = row[halfSteps(from)] ?? 0;
  }
  return found;
}

function over(row: readonly number[], amounts: readonly number[], home: number): number {
  let sum = 0;
  for (let sound = 0; sound < 12; sound += 1) {
    const amount = amounts[sound] ?? 0;
    if (amount > 0) sum += amount * (row[above(sound, home)] ?? 0);
  }
  return sum;
}

/**
 * What sounds counts for so much more where no signature tells the set: the weights were fitted beside signatures, which leave it little to say. The
 * last bass counts for more as well: music of later ages hardly ever ends away from home. Both by judgement, on the made pieces of
 * `npm run accuracy`.
 */
const UNSIGNED = 12;
const LAST_BASS = 1.5;

function weightOf(view: VoicesView, signature: number | undefined): number {
  const more =
    view === "sounding" && signature === undefined ? UNSIGNED : view === "lastBass" ? LAST_BASS : 1;
  return more * VOICES_WEIGHTS[view];
}

/** What several voices say for a mode on a home (a sounding pitch class). */
export function voicesTerms({ views, signature }: VoicesHearing, mode: Mode, home: number): VoicesTerms {
  const expected = rows(mode);
  const terms = eachView((view) => weightOf(view, signature) * over(expected[view], views[view], home));
  return { ...terms, signature: VOICES_WEIGHTS.signature * signatureSays(signature, mode, home) };
}

function signatureSays(signature: number | undefined, mode: Mode, home: number): number {
  if (signature === undefined) return 0;
  const modeSignature = home * FIFTH + (signedKey({ home: 0, mode })?.tonic ?? 0);
  return (signature - modeSignature) % 12 === 0 ? 0 : OTHER_SIGNATURE;
}

/** As many half steps make a fifth: so far apart on the line of fifths are sounds a half step apart, octaves of twelve left out. */
const FIFTH = 7;

/** What major and natural minor have in their favour where they are expected. */
const MAJOR_MINOR = 2;

/** What a mode has in its favour before a note is heard, in pieces of several voices. */
export function voicesBias(mode: Mode, expects?: Expectation): number {
  const isPlain = mode.id === "ionian" || mode.id === "aeolian";
  const count = VOICES_COUNTS[mode.id] ?? 0;
  const counted = Math.log((count + UNCOUNTED.each) / (ALL_COUNTED + UNCOUNTED.all));
  return (
    VOICES_WEIGHTS.prior * counted +
    (SEVEN.includes(mode) ? 0 : RARE_FAMILY) +
    (expects === "major-minor" && isPlain ? MAJOR_MINOR : 0)
  );
}

/** How much of the time each sound is expected to sound, as logarithms of shares by half steps above home. */
export const expectedSounding = (mode: Mode): readonly number[] => rows(mode).sounding;

/** The sum of all terms. */
export function voicesScore({ views, signature }: VoicesHearing, mode: Mode, home: number): number {
  const expected = rows(mode);
  let sum = VOICES_WEIGHTS.signature * signatureSays(signature, mode, home);
  for (const view of VIEWS) sum += weightOf(view, signature) * over(expected[view], views[view], home);
  return sum;
}

/** Chord symbols say as much of the whole as this: they are one player's reading of it. */
const CHORD_WEIGHTS = { tones: 16, last: 0.8, first: 0.4 };

/** What the chord symbols over a melody say for a mode on a home, beside the melody itself. */
export function chordsScore({ tones, first, last, sure }: ChordsHearing, mode: Mode, home: number): number {
  const expected = rows(mode);
  return (
    sure *
    (CHORD_WEIGHTS.tones * over(expected.sounding, tones, home) +
      CHORD_WEIGHTS.last * (expected.lastBass[above(last, home)] ?? 0) +
      CHORD_WEIGHTS.first * (expected.firstBass[above(first, home)] ?? 0))
  );
}
