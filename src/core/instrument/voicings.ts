import { ALTERED_CHORD, type Chord, chordNotes } from "../chord";
import { halfSteps, type Interval, modulo, soundOf } from "../pitch";
import { size } from "../scale";
import type { Fingering } from "./fingering";
import { usualGrips } from "./grips";
import type { Voicing } from "./voicing";
import { FINGERS, fingersFor } from "./voicing-fingers";
import { type VoicingKind, voicingKind } from "./voicing-kind";
import { COMFORTABLE_STRETCH } from "./hand";
import { betweenFrets } from "./neck";
import { openSounds, type Tuning } from "./tuning";

/** What voicings are asked for. */
export interface VoicingsAsked {
  readonly chord: Chord;
  readonly fromFret?: number;
  readonly toFret?: number;
  /** Millimetres that the hand may open. */
  readonly limit?: number;
  /** Only voicings that are built so. */
  readonly kind?: VoicingKind | undefined;
  /** So many of the easiest; all of them unless said. */
  readonly most?: number | undefined;
  /** The voicing before, from which the hand comes. */
  readonly near?: Fingering | undefined;
}

/** How far the search has come, from 0 to 1. Answering false ends it with what was found so far. */
export type OnProgress = (share: number) => boolean;

const HAND = 5;
const MAX_FRET = 15;

/**
 * Every way to finger a chord with four fingers: the grips that players have in the hand first, then the others by ease; after `near`
 * the ones that lie near come first. A barre takes one finger. The fifth may be left out of four notes and more, the 9th and 11th under a higher tone, and, where there
 * are more tones than strings, the root; an altered chord takes any of its forms; the bass must be lowest, unless the instrument's lowest string is not its lowest
 * sounding one. At most one string between played ones is silent.
 *
 * @example voicings(GUITAR, { chord: C major })[0]?.frets // [null, 3, 2, 0, 1, 0]
 */
export function voicings(tuning: Tuning, asked: VoicingsAsked, onProgress?: OnProgress): readonly Voicing[] {
  const search = prepared(tuning, asked);
  const found: Voicing[] = [];
  const grips = usualGrips(tuning, asked.chord);
  const { fromFret = tuning.capo, toFret = MAX_FRET, most = Infinity } = asked;
  /** What costs more than this is none of the easiest. */
  let dearest = Infinity;
  const low = Math.max(fromFret, tuning.capo);
  const high = Math.min(toFret, tuning.frets);
  for (let lowest = low; lowest <= high; lowest += 1) {
    fretsFrom(search, lowest, high, (tried) => {
      const voicing = taken(search, tried, grips, dearest);
      if (!voicing || (asked.kind !== undefined && voicing.kind !== asked.kind)) return;
      if (found.push(voicing) < 2 * most) return;
      found.sort(byEase).length = most;
      dearest = found.at(-1)?.cost ?? Infinity;
    });
    if (onProgress?.((lowest - low + 1) / (high - low + 1)) === false) break;
  }
  return found.sort(byEase).slice(0, most);
}

/** The easiest first; among equals by their frets from the lowest-lying string on, a silent one last. */
function byEase(a: Voicing, b: Voicing): number {
  if (a.cost !== b.cost) return a.cost - b.cost;
  const at = a.frets.findIndex((fret, string) => fret !== b.frets[string]);
  return at < 0 ? 0 : (a.frets[at] ?? SILENT) - (b.frets[at] ?? SILENT);
}

/** Where a silent string stands among frets. */
const SILENT = 99;

interface Search {
  readonly tuning: Tuning;
  readonly opens: readonly number[];
  readonly asked: VoicingsAsked;
  readonly limit: number;
  /** By pitch class: the tone's bit, 0 where it is none. */
  readonly bits: readonly number[];
  readonly tones: readonly { readonly bit: number; readonly interval: Interval; readonly mayGo: boolean }[];
  readonly needed: number;
  /** At least one of these tones has to be there: the alterations of an altered chord. */
  readonly oneOf: number;
  readonly bass: number;
  readonly bassCounts: boolean;
  readonly fewest: number;
  /** By pitch class: whether it is a third of the chord, or a ninth of it. */
  readonly isThird: readonly boolean[];
  readonly isNinth: readonly boolean[];
}

/** Frets that are tried, with what sounds on them from the lowest-lying string on and the bits of the tones that are there. */
interface Tried {
  readonly frets: Fingering;
  readonly sounds: readonly number[];
  readonly have: number;
}

function prepared(tuning: Tuning, asked: VoicingsAsked): Search {
  const { chord } = asked;
  const opens = openSounds(tuning);
  const isAltered =
    chord.tones.length === ALTERED_CHORD.length && ALTERED_CHORD.every((tone) => chord.tones.includes(tone));
  const notes = [...chordNotes(chord), ...(isAltered ? chord.optional.map((tone) => chord.root + tone) : [])];
  const bits: number[] = Array.from({ length: 12 }, () => 0);
  for (const [at, note] of notes.entries()) bits[soundOf(note)] = 1 << at;
  const highest = Math.max(...chord.tones.map((tone) => extension(tone)));
  const isCrowded = notes.length > opens.length;
  const tones = notes.map((note, at) => {
    const interval = note - chord.root;
    const isTone = at < chord.tones.length;
    const plainFifth = interval === 1 && chord.tones.length >= 4;
    const lowerExtension =
      (interval === 2 || interval === -1) && extension(interval) < highest && highest > 0;
    const crowdedRoot = interval === 0 && isCrowded;
    const isAlteration = isAltered && ![0, 4, -2].includes(interval);
    return {
      bit: 1 << at,
      interval,
      mayGo: isAlteration || (isTone && (plainFifth || lowerExtension || crowdedRoot)),
    };
  });
  const oneOf = isAltered
    ? tones.reduce((all, { bit, interval }) => ([0, 4, -2].includes(interval) ? all : all | bit), 0)
    : 0;
  return {
    tuning,
    opens,
    asked,
    limit: asked.limit ?? COMFORTABLE_STRETCH,
    bits,
    tones,
    needed: tones.reduce((all, { bit, mayGo }) => (mayGo ? all : all | bit), 0),
    oneOf,
    bass: soundOf(chord.bass ?? chord.root),
    bassCounts: opens[0] === Math.min(...opens) && !isCrowded,
    fewest: Math.min(3, notes.length, opens.length),
    isThird: soundsOf(chord, [4, -3]),
    isNinth: soundsOf(
      chord,
      [2, -5, 9].filter((tone) => chord.tones.includes(tone)),
    ),
  };
}

/** By pitch class: whether it lies one of these intervals above a chord's root. */
function soundsOf({ root }: Chord, intervals: readonly Interval[]): readonly boolean[] {
  const sounds = intervals.map((interval) => soundOf(root + interval));
  return Array.from({ length: 12 }, (_, sound) => sounds.includes(sound));
}

/** 9, 11 and 13 for tones above the seventh; 0 for the others, and for a second or a fourth without a seventh below it. */
function extension(interval: Interval): number {
  const half = halfSteps(interval);
  if (interval === 3) return 13;
  if (interval === -1 || interval === 6) return 11;
  return half === 2 || interval === -5 || interval === 9 ? 9 : 0;
}

/**
 * Tries frets for each string with the lowest pressed fret given (at the nut: open strings alone), every string silent, open, or pressed
 * within the hand. What can no longer have every tone that is needed, has a pitch twice, or asks for more than four fingers, is left as
 * soon as that is so.
 *
 * @param visit given every way that is left; what it is given is changed after
 */
function fretsFrom(search: Search, lowest: number, highest: number, visit: (tried: Tried) => void): void {
  const { tuning, opens, needed } = search;
  const { capo } = tuning;
  const options = optionsFrom(search, lowest, highest);
  const frets: (number | null)[] = [];
  const sounds: number[] = [];
  /**
   * @param have tones that are there
   * @param silent silent strings since the last played one, and `gaps` those before it that lie between played ones
   * @param above strings pressed above the lowest fret, and the fingers (`runs`) that they take at least: neighbours at a fret may share
   * @param atLowest strings pressed at the lowest fret, which one finger may lie across (`canBar`) where no open one follows
   */
  const next = (
    at: number,
    have: number,
    silent: number,
    gaps: number,
    above: number,
    runs: number,
    atLowest: number,
    canBar: boolean,
  ): void => {
    if (size(needed & ~have) > opens.length - at) return;
    if (at === opens.length) {
      if (lowest === capo || atLowest > 0) visit({ frets, sounds, have });
      return;
    }
    const before = frets.at(-1);
    frets.push(null);
    next(at + 1, have, have > 0 ? silent + 1 : 0, gaps, above, runs, atLowest, canBar);
    frets.pop();
    if (gaps + silent > 1) return;
    for (const { fret, bit, sound } of options[at] ?? []) {
      const isAbove = fret > lowest;
      const ups = above + (isAbove ? 1 : 0);
      const fingers = runs + (isAbove && before !== fret ? 1 : 0);
      const lows = atLowest + (fret === lowest && fret > capo ? 1 : 0);
      const bars = canBar && !(fret === capo && atLowest > 0);
      if (ups > FINGERS || fingers + (bars ? Math.min(1, lows) : lows) > FINGERS) continue;
      if (sounds.includes(sound)) continue;
      frets.push(fret);
      sounds.push(sound);
      next(at + 1, have | bit, 0, gaps + silent, ups, fingers, lows, bars);
      frets.pop();
      sounds.pop();
    }
  };
  next(0, 0, 0, 0, 0, 0, 0, true);
}

/** Frets of each string that have a tone, open or within the hand, with the tone's bit. */
function optionsFrom(
  { tuning, opens, bits, limit }: Search,
  lowest: number,
  highest: number,
): readonly (readonly { readonly fret: number; readonly bit: number; readonly sound: number }[])[] {
  const { capo } = tuning;
  const reached = Array.from({ length: lowest === capo ? 0 : HAND }, (_, up) => lowest + up).filter(
    (fret) => fret <= highest && betweenFrets(tuning, lowest, fret) <= limit,
  );
  return opens.map((open) =>
    [capo, ...reached].flatMap((fret) => {
      const sound = open + fret - capo;
      const bit = bits[modulo(sound, 12)] ?? 0;
      return bit > 0 ? [{ fret, bit, sound }] : [];
    }),
  );
}

/**
 * The voicing that frets make, or undefined where tones are missing, the bass is wrong, the fingers do not suffice, or it costs more than
 * others of which there are enough.
 */
function taken(
  search: Search,
  { frets, sounds, have }: Tried,
  grips: ReadonlyMap<string, number>,
  dearest: number,
): Voicing | undefined {
  const { tuning, tones, oneOf, bass, bassCounts, fewest, asked } = search;
  if (sounds.length < fewest || (oneOf > 0 && (have & oneOf) === 0)) return undefined;
  const isInverted = bassCounts && modulo(Math.min(...sounds), 12) !== bass;
  if (isInverted && asked.chord.bass !== undefined) return undefined;
  const hand = fingersFor(frets, tuning.capo);
  if (!hand) return undefined;
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > tuning.capo);
  const [low, high] = [Math.min(...pressed), Math.max(...pressed)];
  const stretchMm = pressed.length > 0 ? betweenFrets(tuning, low, high) : 0;
  const omitted = tones.filter(({ bit }) => (have & bit) === 0).map(({ interval }) => interval);
  const place = grips.size > 0 ? grips.get(frets.map((fret) => fret ?? "x").join(" ")) : undefined;
  const difficulty =
    blurred(search, frets, sounds, low) +
    hand.used * 0.5 +
    hand.barres * 1.1 +
    hand.lateBarres * 1.4 +
    (stretchMm / search.limit) * 2 +
    silentBetween(frets) * 1.3 +
    (frets.length - sounds.length) * 0.8 +
    (pressed.length > 0 ? (low - tuning.capo) * 0.12 : 0) +
    (isInverted ? 3 : 0) +
    omitted.length * 0.6 +
    (omitted.includes(0) ? 1.5 : 0) +
    (high > tuning.capo + 5 && pressed.length < sounds.length ? 1.2 : 0);
  const ease = place === undefined ? UNUSUAL + difficulty : place * USUAL;
  const cost = asked.near ? ease * 0.5 + movement(search, asked.near, frets, sounds) : ease;
  if (cost > dearest) return undefined;
  const kind = voicingKind(asked.chord, frets, sounds, { capo: tuning.capo, barres: hand.barres });
  return { frets: [...frets], fingers: hand.fingers, sounds: [...sounds], stretchMm, omitted, kind, cost };
}

/** The grips that players have in the hand, one after another; any other comes after all of them. */
const USUAL = 0.4;
const UNUSUAL = 8;

/** What sounds muddy or unclear: open strings among frets far up, a ninth below the third. */
function blurred(
  { tuning, isThird, isNinth }: Search,
  frets: Fingering,
  sounds: readonly number[],
  low: number,
): number {
  let opens = 0;
  for (const fret of frets) if (fret === tuning.capo) opens += 1;
  let [third, ninth] = [Infinity, Infinity];
  for (const sound of sounds) {
    if (isThird[sound % 12] === true) third = Math.min(third, sound);
    else if (isNinth[sound % 12] === true) ninth = Math.min(ninth, sound);
  }
  const isFarUp = low > tuning.capo + 4;
  return (isFarUp ? opens * 1.2 : 0) + (ninth < third && third < Infinity ? 2 : 0);
}

/** How far voices and hand go from one voicing to the next: half steps a voice, and frets of the hand. */
function movement(
  { opens, tuning }: Search,
  near: Fingering,
  frets: Fingering,
  sounds: readonly number[],
): number {
  const before = near.flatMap((fret, at) => (fret === null ? [] : [(opens[at] ?? 0) + fret - tuning.capo]));
  if (before.length === 0) return 0;
  const voices = sounds.reduce(
    (sum, sound) => sum + Math.min(...before.map((other) => Math.abs(other - sound))),
    0,
  );
  const handAt = (of: Fingering) =>
    Math.min(...of.filter((fret): fret is number => fret !== null && fret > tuning.capo));
  const [from, to] = [handAt(near), handAt(frets)];
  const hand = Number.isFinite(from) && Number.isFinite(to) ? Math.abs(to - from) : 0;
  return voices * 0.4 + hand * 0.5;
}

function silentBetween(frets: Fingering): number {
  const first = frets.findIndex((fret) => fret !== null);
  const last = frets.findLastIndex((fret) => fret !== null);
  return frets.slice(first, last + 1).filter((fret) => fret === null).length;
}
