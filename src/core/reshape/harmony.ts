import type { Chord } from "../chord";
import { type Fifths, soundOf } from "../pitch";
import { kindOf } from "../progression";
import { type HomeMode, holds, size, soundsOn } from "../scale";
import { EPSILON, feltBeat, firstPlace, phraseEnds, type Tune, type TuneChord } from "../tune";
import { type Candidate, candidatesOf } from "./harmony-chords";
import type { HarmonyChoice } from "./harmony-choice";
import { halved, type Heard, heardIn, partedAt, type Span, spansOf } from "./harmony-stretches";

/** A chord of a harmony, and why it stands there. */
export interface HarmonyStep extends TuneChord {
  /** Notes of the melody on strong beats, each once: all of them are in the chord, apart from those outside the mode. */
  readonly strong: readonly Fifths[];
  /** Notes on strong beats that the chord hasn’t, since no chord of the mode has them. */
  readonly outside: readonly Fifths[];
  /** Characteristic notes that it has. */
  readonly characteristic: readonly Fifths[];
  /** None of the chords that were asked for holds the melody here, so that another chord of the mode does. */
  readonly isOther: boolean;
  /** Where a phrase closes on home: the chord that leads there. */
  readonly cadenceFrom?: Chord | undefined;
}

/** A harmony for a melody; the least cost is the best. */
export interface Harmony {
  readonly steps: readonly HarmonyStep[];
  readonly cost: number;
}

const fits = (heard: Heard, candidate: Candidate): boolean => (heard.required & ~candidate.sounds) === 0;

const fitAny = (candidates: readonly Candidate[], heard: Heard): boolean =>
  candidates.some((candidate) => fits(heard, candidate));

/** What a chord costs under what sounds over it: notes that aren't in it, more where they lie a half step above a tone of it. */
function restingCost({ shares, passing }: Heard, { sounds, cost, isAsked }: Candidate): number {
  let sum = cost + (isAsked ? 0 : OTHER) + PASSING * size(passing & ~sounds);
  for (const [sound, share] of shares.entries()) {
    if (share === 0 || ((sounds >> sound) & 1) === 1) continue;
    const isAvoided = ((sounds >> ((sound + 11) % 12)) & 1) === 1;
    sum += share * (isAvoided ? 1.4 : 0.7);
  }
  return sum;
}

/** What it costs that a chord hasn't a passing note on a strong beat. */
const PASSING = 0.5;

/** What it costs to leave the chords that were asked for. */
const OTHER = 4;

/** What it costs to leave a chord within a phrase, where it is to stay as long as it can. */
const LEAVING = 2;

/**
 * What a step from one chord to the next costs: the same again is dull, fifths and steps go well.
 *
 * @param stays the chord is to stay for as long as the melody lets it
 */
function changeCost(from: Candidate, to: Candidate, stays: boolean): number {
  if (stays) return from === to ? 0 : LEAVING + changeCost(from, to, false);
  if (from.chord.root === to.chord.root)
    return from.chord.tones.length === to.chord.tones.length ? 0.35 : 0.5;
  const by = Math.abs(to.chord.root - from.chord.root);
  // A dominant seventh that goes where it pulls makes that chord the home.
  const pulls = kindOf(from.chord) === "7" && to.chord.root === from.chord.root - 1;
  return (by === 1 ? 0 : by === 2 ? 0.1 : 0.25) + (pulls && !to.isHome ? 1.5 : 0);
}

/** Harmonies that are told of at most, and ways into each chord that are gone on with. */
const MOST = 3;

interface Way {
  readonly cost: number;
  readonly at: number;
  readonly before: Way | undefined;
}

/**
 * Chords under a melody, out of the mode that it is in: every note on a strong beat that doesn't only pass is in its chord, the first and
 * the last chord are home where the melody lets them, and phrases close on home from a chord that the mode has for it: the other one of its vamp, or one with its
 * characteristic note a step or a fourth away, never one that leads to another home. The best harmonies, the least cost first, found
 * exactly: each chord for itself and each change add up. Where no chord holds all strong beats of a stretch, it is parted at them;
 * a note that no chord of the mode has, as in a pentatonic, is told with those outside.
 *
 * @returns none where the tune has no whole bar
 * @example harmonise(orchardGate, { home: E, mode: dorian }, choice)[0]?.steps[0]?.chord // Em
 */
export function harmonise(tune: Tune, homeMode: HomeMode, choice: HarmonyChoice): readonly Harmony[] {
  const candidates = candidatesOf(homeMode, {
    ...choice,
    hasSevenths: choice.hasSevenths ?? hasSevenths(tune.chords ?? []),
  });
  const stretches = stretchesOf(tune, homeMode, choice, candidates);
  const [opening] = stretches;
  const closing = stretches.at(-1);
  if (!opening || !closing) return [];
  const homes = candidates.filter(({ isHome }) => isHome);
  const mustBeHome = new Set([opening, closing].filter((each) => fitAny(homes, each)));
  const closes = closings(tune, stretches);
  let ways: readonly Way[] = [];
  for (const [nth, each] of stretches.entries()) {
    const mustHold = fitAny(candidates, each);
    const stays = choice.rhythm === "phrase" && !closes.has(nth - 1);
    const next: Way[] = [];
    for (const [at, candidate] of candidates.entries()) {
      if (mustHold && !fits(each, candidate)) continue;
      if (candidate.triad !== undefined && (each.required & ~candidate.triad) === 0) continue;
      if (mustBeHome.has(each) && !candidate.isHome) continue;
      const cost =
        restingCost(each, candidate) -
        (closes.has(nth) && candidate.isHome ? CLOSED : 0) -
        (candidate.isVamp ? 0.3 : 0);
      const led = (from: Candidate) => (closes.has(nth) && candidate.isHome ? from.cadence : 0);
      const reached: Way[] =
        nth === 0
          ? [{ cost: cost, at, before: undefined }]
          : ways.map((before) => {
              const from = candidates[before.at] ?? candidate;
              return {
                cost: before.cost + cost + changeCost(from, candidate, stays) - led(from),
                at,
                before,
              };
            });
      next.push(...reached.toSorted((a, b) => a.cost - b.cost).slice(0, MOST));
    }
    ways = next;
  }
  return ways
    .toSorted((a, b) => a.cost - b.cost)
    .slice(0, MOST)
    .map((way) => {
      const steps = stepsOf(way, stretches, candidates, tune.bars, closes);
      return { cost: way.cost, steps: choice.rhythm === "phrase" ? joined(steps, stretches, closes) : steps };
    });
}

/** The stretches that have a chord each: parted at strong beats where no chord holds them all, and where home can only begin or end so. */
function stretchesOf(
  tune: Tune,
  homeMode: HomeMode,
  { rhythm }: HarmonyChoice,
  candidates: readonly Candidate[],
): readonly Heard[] {
  const sounds = soundsOn(homeMode);
  const longest = tune.notes.reduce((most, { duration }) => Math.max(most, duration), 0);
  const halfBeat = feltBeat(tune.meter) / 2;
  const starts = new Set(tune.bars.map(({ start }) => start));
  const begins = (beat: number) => starts.has(beat);
  const heard = (span: Span) => heardIn(span, tune.notes, sounds, longest, halfBeat, begins);
  const isHeld = (each: Heard) => fitAny(candidates, each);
  const homes = candidates.filter(({ isHome }) => isHome);
  const mayBeHome = (each: Heard) => fitAny(homes, each);
  const lastSound = soundOf(tune.notes.at(-1)?.pitch.name ?? homeMode.home);
  const restsHome = homes.some((candidate) => holds(candidate.sounds, lastSound));
  const spans = spansOf(tune, rhythm).filter(
    (span, at) => at === 0 || heard(span).shares.some((share) => share > 0),
  );
  return spans.flatMap((span, at) => {
    const whole = heard(span);
    const halves = halved(span);
    const [opening] = halves;
    // It begins on home where its first strong beat lets it, and ends there where its last note does.
    const isParted =
      !isHeld(whole) ||
      (at === 0 && !mayBeHome(whole) && opening !== undefined && mayBeHome(heard(opening))) ||
      (at === spans.length - 1 && restsHome && !mayBeHome(whole));
    const parts = isParted ? halves : [span];
    return (
      at === spans.length - 1 ? restingAtEnd(parts, tune, (part) => mayBeHome(heard(part))) : parts
    ).map(heard);
  });
}

/** The last parts of a tune, so that its last note has a chord of its own where it rests on home and what comes before it doesn't. */
function restingAtEnd(
  parts: readonly Span[],
  { notes }: Tune,
  mayBeHome: (part: Span) => boolean,
): readonly Span[] {
  const last = parts.at(-1);
  const { onset = 0 } = notes.at(-1) ?? {};
  if (!last || mayBeHome(last) || onset < last.start + EPSILON) return parts;
  const parted = partedAt(last, onset);
  return parted.every((part, at) => at === 0 || mayBeHome(part)) ? [...parts.slice(0, -1), ...parted] : parts;
}

/** Share of chords with a seventh or more, home's dominant apart, from which a tune is taken to have them. */
const SEVENTHS_FROM = 1 / 3;

/** Whether chords have their sevenths as a matter of style: dominants have them anywhere. */
export function hasSevenths(chords: readonly TuneChord[]): boolean {
  const others = chords.filter(({ chord }) => kindOf(chord) !== "7");
  const rich = others.filter(({ chord }) => [5, -2].some((seventh) => chord.tones.includes(seventh)));
  return others.length > 0 && rich.length >= SEVENTHS_FROM * others.length;
}

/** A chord that stays within a phrase is one step, for all of its bars. */
function joined(
  steps: readonly HarmonyStep[],
  stretches: readonly Heard[],
  closes: ReadonlySet<number>,
): readonly HarmonyStep[] {
  const firsts = new Set([...closes].map((nth) => stretches[nth + 1]?.span.start));
  const all: HarmonyStep[] = [];
  for (const step of steps) {
    const last = all.at(-1);
    if (last?.chord !== step.chord || firsts.has(step.onset)) all.push(step);
    else
      all[all.length - 1] = {
        ...last,
        duration: last.duration + step.duration,
        strong: [...new Set([...last.strong, ...step.strong])],
        outside: [...new Set([...last.outside, ...step.outside])],
      };
  }
  return all;
}

/** What it is worth that a phrase ends on home. */
const CLOSED = 0.4;

/** The stretches in which a phrase ends, by their places; the last one always. */
function closings(tune: Tune, stretches: readonly Heard[]): ReadonlySet<number> {
  const ends = phraseEnds(tune).map((at) => {
    const onset = tune.notes[at]?.onset ?? 0;
    return firstPlace(stretches, ({ span }) => span.start > onset + EPSILON) - 1;
  });
  return new Set([...ends, stretches.length - 1]);
}

function stepsOf(
  last: Way,
  stretches: readonly Heard[],
  candidates: readonly Candidate[],
  bars: Tune["bars"],
  closes: ReadonlySet<number>,
): readonly HarmonyStep[] {
  const steps: HarmonyStep[] = [];
  let way: Way | undefined = last;
  let next = Infinity;
  for (let nth = stretches.length - 1; nth >= 0; nth -= 1) {
    const { span, strong, outside } = stretches[nth] as Heard;
    const candidate = candidates[way?.at ?? 0];
    if (!candidate) break;
    const from = candidates[way?.before?.at ?? -1];
    const isCadence = closes.has(nth) && candidate.isHome && from !== undefined && from.cadence > 0;
    const isIn = (note: Fifths) => ((candidate.sounds >> soundOf(note)) & 1) === 1;
    steps.unshift({
      chord: candidate.chord,
      onset: span.start,
      // Over bars in which nothing sounds it goes on.
      duration: (next === Infinity ? span.end : next) - span.start,
      // A stretch of two bars that was parted has its second chord in the second.
      bar: firstPlace(bars, ({ start }) => start > span.start + EPSILON) - 1,
      strong: strong.filter(isIn),
      outside: [...outside, ...strong.filter((note) => !isIn(note))],
      characteristic: candidate.characteristic,
      isOther: !candidate.isAsked,
      ...(isCadence ? { cadenceFrom: from.chord } : {}),
    });
    way = way?.before;
    next = span.start;
  }
  return steps;
}
