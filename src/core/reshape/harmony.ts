import { type Chord, chordPairs, chordSounds, diatonicChords, dominantHome } from "../chord";
import { type Fifths, type Interval, soundOf } from "../pitch";
import { bestVamp } from "../progression";
import { characteristicOn, type HomeMode, type PitchClassSet, pitchClassSet, soundsOn } from "../scale";
import {
  EPSILON,
  feltBeat,
  firstPlace,
  phraseEnds,
  type Tune,
  type TuneBar,
  type TuneChord,
  type TuneNote,
} from "../tune";

/** Where chords are taken from: all those of the mode, its vamp, or two chords that make the mode between them. */
export const HARMONY_SOURCES = ["mode", "vamp", "pair"] as const;
export type HarmonySource = (typeof HARMONY_SOURCES)[number];

/** How often the chord changes; by phrase it stays for as long as the melody lets it, and changes freely where a phrase begins. */
export const HARMONY_RHYTHMS = ["half-bar", "bar", "two-bars", "phrase"] as const;
export type HarmonyRhythm = (typeof HARMONY_RHYTHMS)[number];

/** How chords are found for a melody. */
export interface HarmonyChoice {
  readonly source: HarmonySource;
  readonly rhythm: HarmonyRhythm;
  /** Home is held in the bass. */
  readonly hasPedal: boolean;
  /** The characteristic note is sought in the chords, wherever the melody leaves room. */
  readonly seeksCharacteristic: boolean;
}

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

/** A stretch of the tune with one chord. */
interface Span {
  readonly start: number;
  readonly end: number;
  readonly bar: number;
  /** Times of its strong beats. */
  readonly beats: readonly number[];
}

/** A chord that may be chosen, with what it costs wherever it stands. */
interface Candidate {
  readonly chord: Chord;
  readonly sounds: PitchClassSet;
  readonly characteristic: readonly Fifths[];
  readonly cost: number;
  readonly isHome: boolean;
  readonly isVamp: boolean;
  /** What it is worth just before home where a phrase closes: nothing for home itself, and for a chord that leads elsewhere. */
  readonly cadence: number;
  /** It is among the chords that were asked for. */
  readonly isAsked: boolean;
}

/** The first beat of a bar, and its middle where its felt beats fall into so many: four for strong beats, two for halves. */
const beatsOf = ({ start, length }: TuneBar, beat: number, into: 2 | 4): readonly number[] =>
  Math.round(length / beat) % into === 0 ? [start, start + length / 2] : [start];

/** The stretches that have a chord each; a pickup has none. */
function spansOf({ bars, meter }: Pick<Tune, "bars" | "meter">, rhythm: HarmonyRhythm): readonly Span[] {
  const beat = feltBeat(meter);
  const whole = bars.flatMap((bar, at): Span[] =>
    bar.lead > 0
      ? []
      : [
          {
            start: bar.start,
            end: bar.start + bar.length,
            bar: at,
            // Two felt beats, as in 6/8, have one strong one; each half has a chord of its own where that is asked for.
            beats: beatsOf(bar, beat, rhythm === "half-bar" ? 2 : 4),
          },
        ],
  );
  if (rhythm === "half-bar") return whole.flatMap(halved);
  if (rhythm === "bar" || rhythm === "phrase") return whole;
  const pairs: Span[] = [];
  for (const span of whole) {
    const last = pairs.at(-1);
    // A pair ends with its section.
    const isOpen = last?.bar === span.bar - 1 && bars[last.bar]?.endsSection !== true;
    if (last && isOpen && Math.abs(last.end - span.start) < EPSILON)
      pairs[pairs.length - 1] = {
        ...last,
        end: span.end,
        beats: [...last.beats, ...span.beats],
        bar: last.bar,
      };
    else pairs.push(span);
  }
  return pairs;
}

/** A stretch parted at each of its strong beats. */
const halved = (span: Span): readonly Span[] =>
  span.beats.map((start, at) => ({
    ...span,
    start,
    end: span.beats[at + 1] ?? span.end,
    beats: [start],
  }));

/** Extra cost of each kind of chord where a plain triad would do as well; a dominant seventh that isn't home's own leads elsewhere. */
const [SEVENTH, DIMINISHED, LEADS_AWAY] = [0.5, 1.6, 0.7];

/** The same for home's own chord: diminished it is home all the same, and with a minor seventh over a major third it wants to move. */
const [DIMINISHED_HOME, DOMINANT_HOME] = [0.3, 0.9];

/** What a chord is worth before home at the end of a phrase: of the vamp; a step or a fourth away with the characteristic note, and without. */
const [BY_VAMP, BY_TELLING, BY_NEAR] = [0.8, 0.6, 0.3];

/** Roots a fifth, a step or a half step from home, either way. */
const NEAR: readonly Interval[] = [1, -1, 2, -2, 5, -5];

const isDominant = ({ tones }: Chord) => tones.includes(4) && tones.includes(-2);

/** What a characteristic note in a chord is worth, and what it is worth where it is sought; what home is worth anywhere. */
const [TELLING, SOUGHT, HOME] = [0.25, 0.7, 0.2];

function candidatesOf(homeMode: HomeMode, { source, hasPedal, seeksCharacteristic }: HarmonyChoice) {
  const { home } = homeMode;
  const characteristic = characteristicOn(homeMode);
  const vamp = bestVamp(homeMode);
  const isVamp = (chord: Chord) => vamp?.chords.some((each) => each.root === chord.root) === true;
  const asked = source === "vamp" ? vamp?.chords : source === "pair" ? pairWithHome(homeMode) : undefined;
  const isDominantMode = dominantHome(homeMode.mode) !== undefined;
  const made = (chord: Chord, cost: number, isAsked: boolean): Candidate => {
    const sounds = chordSounds(chord);
    const own = characteristic.filter((note) => ((sounds >> soundOf(note)) & 1) === 1);
    const isBroken = !chord.tones.some((tone) => soundOf(tone) === 7);
    const isHome = chord.root === home;
    const restless = isHome && isDominant(chord) && !isDominantMode;
    const leads = !isHome && isDominant(chord) && chord.root !== home + 1;
    const kindCost = isHome
      ? (isBroken ? DIMINISHED_HOME : 0) + (restless ? DOMINANT_HOME : 0) - HOME
      : (isBroken ? DIMINISHED : 0) + (leads ? LEADS_AWAY : 0);
    const isTelling = own.length > 0 && !restless;
    return {
      chord: hasPedal && chord.root !== home ? { ...chord, bass: home } : chord,
      sounds,
      characteristic: own,
      cost: cost + kindCost - (isTelling ? (seeksCharacteristic ? SOUGHT : TELLING) : 0),
      isHome,
      isVamp: isVamp(chord),
      cadence:
        isHome || isBroken || leads
          ? 0
          : isVamp(chord)
            ? BY_VAMP
            : NEAR.includes(chord.root - home)
              ? own.length > 0
                ? BY_TELLING
                : BY_NEAR
              : 0,
      isAsked,
    };
  };
  const all = diatonicChords(homeMode).flatMap(({ chords: { triad, seventh } }) => [
    ...(triad ? [made(triad, 0, asked === undefined)] : []),
    ...(seventh ? [made(seventh, SEVENTH, asked === undefined)] : []),
  ]);
  const first = (asked ?? []).map((chord) => made(chord, 0, true));
  const isFirst = ({ chord, sounds }: Candidate) =>
    first.some((each) => each.chord.root === chord.root && each.sounds === sounds);
  return [...first, ...all.filter((each) => !isFirst(each))];
}

/** Two chords that make the mode between them, home one of them. */
function pairWithHome(homeMode: HomeMode): readonly Chord[] | undefined {
  const pairs = chordPairs(homeMode, Infinity);
  return (pairs.find(({ chords }) => chords.some(({ root }) => root === homeMode.home)) ?? pairs[0])?.chords;
}

/** What of a melody sounds in a stretch: what must be in the chord, and how long each note sounds. */
interface Heard {
  readonly span: Span;
  readonly strong: readonly Fifths[];
  readonly outside: readonly Fifths[];
  readonly required: PitchClassSet;
  /** Share of the stretch for which each pitch class sounds. */
  readonly shares: readonly number[];
}

function heardIn(span: Span, notes: readonly TuneNote[], sounds: PitchClassSet, longest: number): Heard {
  const from = firstPlace(notes, ({ onset }) => onset > span.start - longest - EPSILON);
  const to = firstPlace(notes, ({ onset }) => onset > span.end - EPSILON);
  const sounding = notes
    .slice(from, to)
    .filter(({ onset, duration }) => onset + duration > span.start + EPSILON);
  const names = new Set<Fifths>();
  for (const beat of span.beats)
    for (const { pitch, onset, duration } of sounding)
      if (onset < beat + EPSILON && onset + duration > beat + EPSILON) names.add(pitch.name);
  const isIn = (name: Fifths) => ((sounds >> soundOf(name)) & 1) === 1;
  const strong = [...names].filter(isIn);
  const shares = new Array<number>(12).fill(0);
  for (const { pitch, onset, duration } of sounding) {
    const time = Math.min(onset + duration, span.end) - Math.max(onset, span.start);
    const sound = soundOf(pitch.name);
    shares[sound] = (shares[sound] ?? 0) + time / (span.end - span.start);
  }
  return {
    span,
    strong,
    outside: [...names].filter((name) => !isIn(name)),
    required: pitchClassSet(strong.map(soundOf)),
    shares,
  };
}

const fits = (heard: Heard, candidate: Candidate): boolean => (heard.required & ~candidate.sounds) === 0;

/** What a chord costs under what sounds over it: notes that aren't in it, more where they lie a half step above a tone of it. */
function restingCost({ shares }: Heard, { sounds, cost, isAsked }: Candidate): number {
  let sum = cost + (isAsked ? 0 : OTHER);
  for (const [sound, share] of shares.entries()) {
    if (share === 0 || ((sounds >> sound) & 1) === 1) continue;
    const isAvoided = ((sounds >> ((sound + 11) % 12)) & 1) === 1;
    sum += share * (isAvoided ? 1.4 : 0.7);
  }
  return sum;
}

/** What it costs to leave the chords that were asked for. */
const OTHER = 4;

/** What it costs to leave a chord within a phrase, where it is to stay as long as it can. */
const LEAVING = 2;

/**
 * What a step from one chord to the next costs: the same again is dull, fifths and steps go well.
 *
 * @param isHeld the chord stays for as long as the melody lets it
 */
function changeCost(from: Candidate, to: Candidate, isHeld: boolean): number {
  if (isHeld) return from === to ? 0 : LEAVING + changeCost(from, to, false);
  if (from.chord.root === to.chord.root)
    return from.chord.tones.length === to.chord.tones.length ? 0.35 : 0.5;
  const by = Math.abs(to.chord.root - from.chord.root);
  const pulls =
    // A dominant seventh that goes where it pulls makes that chord the home.
    from.chord.tones.includes(4) && from.chord.tones.includes(-2) && to.chord.root === from.chord.root - 1;
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
 * Chords under a melody, out of the mode that it is in: every note on a strong beat is in its chord, the last chord is home where the
 * melody lets it, and phrases close on home from a chord that the mode has for it: the other one of its vamp, or one with its
 * characteristic note a step or a fourth away, never one that leads to another home. The best harmonies, the least cost first, found exactly: each
 * chord for itself and each change add up. Where no chord holds all strong beats of a stretch, it is parted at them;
 * a note that no chord of the mode has, as in a pentatonic, is told with those outside.
 *
 * @returns none where the tune has no whole bar
 * @example harmonise(orchardGate, { home: E, mode: dorian }, choice)[0]?.steps[0]?.chord // Em
 */
export function harmonise(tune: Tune, homeMode: HomeMode, choice: HarmonyChoice): readonly Harmony[] {
  const candidates = candidatesOf(homeMode, choice);
  const sounds = soundsOn(homeMode);
  const longest = tune.notes.reduce((most, { duration }) => Math.max(most, duration), 0);
  const heard = (span: Span) => heardIn(span, tune.notes, sounds, longest);
  const isHeld = (each: Heard) => candidates.some((candidate) => fits(each, candidate));
  const endsHome = (each: Heard) => candidates.some((candidate) => candidate.isHome && fits(each, candidate));
  const stretches = spansOf(tune, choice.rhythm).flatMap((span, at, all) => {
    const whole = heard(span);
    // Of two bars at the end, one may be home where both together can't.
    const mayStay = choice.rhythm !== "two-bars" || at < all.length - 1 || endsHome(whole);
    // While nothing sounds, the chord before goes on.
    if (at > 0 && whole.shares.every((share) => share === 0)) return [];
    return (isHeld(whole) && mayStay) || span.beats.length === 1 ? [whole] : halved(span).map(heard);
  });
  if (stretches.length === 0) return [];
  const closes = closings(tune, stretches);
  let ways: readonly Way[] = [];
  for (const [nth, each] of stretches.entries()) {
    const isLast = nth === stretches.length - 1;
    const mustHold = isHeld(each);
    const next: Way[] = [];
    for (const [at, candidate] of candidates.entries()) {
      if (mustHold && !fits(each, candidate)) continue;
      const own =
        restingCost(each, candidate) +
        (nth === 0 && !candidate.isHome ? 1.5 : 0) +
        (isLast && !candidate.isHome ? 3 : 0) -
        (closes.has(nth) && candidate.isHome ? CLOSED : 0) -
        (candidate.isVamp ? 0.3 : 0);
      const led = (from: Candidate) => (closes.has(nth) && candidate.isHome ? from.cadence : 0);
      const reached: Way[] =
        nth === 0
          ? [{ cost: own, at, before: undefined }]
          : ways.map((before) => {
              const from = candidates[before.at] ?? candidate;
              const isHeld = choice.rhythm === "phrase" && !closes.has(nth - 1);
              return {
                cost: before.cost + own + changeCost(from, candidate, isHeld) - led(from),
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
