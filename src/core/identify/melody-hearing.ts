import { midiOf, modulo } from "../pitch";
import { holds, type PitchClassSet, pitchClassSet } from "../scale";
import { phraseEnds, stopsShort, timeBySound, type Tune, type TuneNote } from "../tune";
import { type HeardBar, hearBars, isAtBarline, isOnBeat, lowestWith, soundAt } from "./bars-heard";
import { shareOut } from "./shares";

/** A note on which a tune or a section comes to its end. */
export interface Ending {
  readonly sound: number;
  /**
   * How much the tune rests on it, from 0 to 1: a note longer than its fellows is a rest; a short one runs on into what
   * comes round again, and says little of home.
   */
  readonly rest: number;
  /** Place in the tune's notes. */
  readonly note: number;
}

/** A triad that a bar outlines. */
interface OutlinedTriad {
  /** Sounding pitch class of its root. */
  readonly root: number;
  readonly sounds: PitchClassSet;
  /** Places of the bar's notes that are in it. */
  readonly notes: readonly number[];
}

/** What the melody of a tune puts into the ear, by sounding pitch class (0 is C). */
export interface MelodyHearing {
  readonly notes: number;
  /** Shares of sounding time; they add up to 1. */
  readonly sounding: readonly number[];
  /** Sounds that are only ever heard as lower neighbours of the note above. */
  readonly leans: readonly boolean[];
  /**
   * The last note, of several struck together the lowest; where the tune stops in the middle of a phrase, the end of its last whole section or
   * the last phrase that rests, if there is one.
   */
  readonly last: Ending | undefined;
  /** It stops in the middle of a phrase. */
  readonly stopsShort: boolean;
  /** The last notes of the sections before that. */
  readonly sectionEnds: readonly Ending[];
  /** The phrases before the last that come to a full rest. */
  readonly restingPhrases: readonly Ending[];
  /** Shares of the first whole bar of each section, weighed by stress; all sections together. */
  readonly opening: readonly number[];
  /** Places of the notes in those bars. */
  readonly openingNotes: readonly number[];
  /** Place of the first note of the first whole bar. */
  readonly firstDownbeat: number;
  readonly firstDownbeatSound: number;
  /** Place of the lowest note. */
  readonly lowest: number;
  readonly lowestSound: number;
  readonly run: Run | undefined;
  readonly triads: readonly OutlinedTriad[];
  /** Roots of the triads that sections open with. */
  readonly openingRoots: readonly number[];
  /** Bars that are no pickups. */
  readonly wholeBars: number;
  /** How often each sound stands at a barline. */
  readonly downbeats: readonly number[];
}

/** Bars of a strain, where no sign marks its end. */
const EIGHT = 8;

/** How much longer than its fellows a note must be to be a full rest, and what standing on a beat adds. */
const RESTS = { from: 0.8, over: 0.8, onBeat: 0.4 };

/**
 * Listens to the melody of a tune; undefined where it has no notes.
 *
 * @param isPart these are bars taken out of a longer tune: they stop where they were cut, and not in the middle of a phrase
 */
export function hearMelody(tune: Tune, isPart = false): MelodyHearing | undefined {
  const { notes } = tune;
  if (notes.length === 0) return undefined;
  const { bars, stress, sections } = hearBars(tune);
  const lengths = notes.map(({ duration }) => duration).sort((a, b) => a - b);
  const usual = lengths[Math.floor(lengths.length / 2)] ?? 1;
  const ending = (at: number): Ending => {
    const note = lowestWith(notes, at);
    const long = Math.max(0, (note.duration / usual - RESTS.from) / RESTS.over);
    const onBeat = isOnBeat(stress[at]) ? RESTS.onBeat : 0;
    return { sound: soundAt(note), rest: Math.min(1, long + onBeat), note: at };
  };
  const sharesOf = ({ notes: places }: HeardBar) =>
    shareOut(
      timeBySound(
        places.map((at) => notes[at] as TuneNote),
        (_, at) => stress[places[at] ?? -1] ?? 0,
      ),
    );
  const openings = sections.flatMap(
    (section) => section.find(({ isPickup }) => !isPickup) ?? section[0] ?? [],
  );
  const triadOf = new Map(bars.map((bar) => [bar, outlined(notes, bar, sharesOf(bar))]));
  const whole = bars.filter(({ isPickup }) => !isPickup);
  const last = notes.length - 1;
  const [firstDownbeat, lowest] = [openings[0]?.notes[0] ?? 0, lowestPlace(notes)];
  const isShort = !isPart && stopsShort(tune);
  const ends = sections.flatMap((section) => section.at(-1)?.notes.at(-1) ?? []);
  const phrases = phraseEnds(tune).filter((at) => at !== last);
  const resting = phrases.map(ending).filter(({ rest }) => rest === 1);
  const eighths = new Set(whole.filter((_, at) => at % EIGHT === EIGHT - 1).map(({ bar }) => bar));
  const eighth = phrases.findLast((at) => eighths.has((notes[at] as TuneNote).bar));
  const closing = isShort ? (ends.findLast((at) => at !== last) ?? eighth ?? resting.at(-1)?.note) : last;
  return {
    notes: notes.length,
    sounding: shareOut(timeBySound(notes)),
    leans: leaningSounds(notes, stress),
    last: closing === undefined ? undefined : ending(closing),
    stopsShort: isShort,
    sectionEnds: ends.filter((at) => at !== last && at !== closing).map(ending),
    restingPhrases: resting.filter(({ note }) => note !== closing),
    opening: meanShares(openings.map(sharesOf)),
    openingNotes: openings.flatMap((bar) => bar.notes),
    firstDownbeat,
    firstDownbeatSound: soundAt(notes[firstDownbeat] as TuneNote),
    lowest,
    lowestSound: soundAt(notes[lowest] as TuneNote),
    run: runOf(notes),
    triads: whole.flatMap((bar) => triadOf.get(bar) ?? []),
    openingRoots: openings.flatMap((bar) => triadOf.get(bar)?.root ?? []),
    wholeBars: whole.length,
    downbeats: countDownbeats(notes, stress),
  };
}

/** A whole tune that is one run: the note that it leaves and comes back to, and whether it reaches the octave by step. */
interface Run {
  /** Sounding pitch class. */
  readonly home: number;
  readonly isScale: boolean;
}

/** Steps of a scale are no wider than this many half steps; a run may skip a note. */
const WIDEST_STEP = 3;
const WIDEST_SKIP = 4;

/**
 * What players type or play to ask for the mode of a scale: a line that goes one way and turns once to come back to where it began, or a
 * scale that goes one way to the octave.
 */
function runOf(notes: readonly TuneNote[]): Run | undefined {
  const heights = notes.map(({ pitch }) => midiOf(pitch));
  const [first = 0] = heights;
  const steps = heights.slice(1).map((height, at) => height - (heights[at] ?? 0));
  const way = Math.sign(steps[0] ?? 0);
  const turns = steps.findIndex((step) => Math.sign(step) !== way);
  const isOneRun = steps.every((step, at) => Math.sign(step) === (turns < 0 || at < turns ? way : -way));
  const widest = steps.reduce((most, step) => Math.max(most, Math.abs(step)), 0);
  const far = heights[turns < 0 ? heights.length - 1 : turns] ?? 0;
  const isBack = turns >= 0 && heights.at(-1) === first;
  const isScale = Math.abs(far - first) === 12 && (turns < 0 || isBack) && widest <= WIDEST_STEP;
  // Down and up again may as well come from the fifth; only a low note is left and come back to as home is.
  const isFromBelow = isBack && way > 0 && widest <= WIDEST_SKIP && notes.length >= SHORTEST_RUN;
  return way !== 0 && isOneRun && (isScale || isFromBelow) ? { home: modulo(first, 12), isScale } : undefined;
}

/** A run of fewer notes is a fragment. */
const SHORTEST_RUN = 7;

const meanShares = (all: readonly (readonly number[])[]): readonly number[] =>
  Array.from({ length: 12 }, (_, sound) =>
    all.length === 0 ? 0 : all.reduce((sum, shares) => sum + (shares[sound] ?? 0), 0) / all.length,
  );

function countDownbeats(notes: readonly TuneNote[], stress: readonly number[]): readonly number[] {
  const counts = new Array<number>(12).fill(0);
  for (const [at, note] of notes.entries())
    if (isAtBarline(stress[at])) counts[soundAt(note)] = (counts[soundAt(note)] ?? 0) + 1;
  return counts;
}

function lowestPlace(notes: readonly TuneNote[]): number {
  let low = 0;
  for (const [at, { pitch }] of notes.entries())
    if (midiOf(pitch) < midiOf((notes[low] as TuneNote).pitch)) low = at;
  return low;
}

/**
 * Whether a note only leans on the one before and after it from a half step below, as D C♯ D does: such a note is borrowed as
 * often as it is the scale's own.
 */
function isLeaning(notes: readonly TuneNote[], at: number, stress: number): boolean {
  const [before, note, after] = [notes[at - 1], notes[at], notes[at + 1]];
  if (!before || !note || !after || isAtBarline(stress) || note.duration > 1) return false;
  const low = midiOf(note.pitch);
  return midiOf(before.pitch) === low + 1 && midiOf(after.pitch) === low + 1;
}

function leaningSounds(notes: readonly TuneNote[], stress: readonly number[]): readonly boolean[] {
  const [heard, stands] = [new Set<number>(), new Set<number>()];
  for (const [at, note] of notes.entries()) {
    heard.add(soundAt(note));
    if (!isLeaning(notes, at, stress[at] ?? 0)) stands.add(soundAt(note));
  }
  return Array.from({ length: 12 }, (_, sound) => heard.has(sound) && !stands.has(sound));
}

/** What each tone of a triad counts, and how much of a bar it must be for the bar to outline it. */
const TRIAD = { root: 1.2, third: 1, fifth: 1, least: 0.75 };

/** The major or minor triad that a bar outlines: root and third sound in it, and most of its time is the triad's. */
function outlined(
  notes: readonly TuneNote[],
  bar: HeardBar,
  shares: readonly number[],
): OutlinedTriad | undefined {
  let root = -1;
  let isMajor = true;
  let most: number = TRIAD.least - 1e-12;
  for (let sound = 0; sound < 12; sound += 1) {
    const share = shares[sound] ?? 0;
    if (share === 0) continue;
    const base = TRIAD.root * share + TRIAD.fifth * (shares[(sound + 7) % 12] ?? 0);
    const [major, minor] = [shares[(sound + 4) % 12] ?? 0, shares[(sound + 3) % 12] ?? 0];
    if (major > 0 && base + TRIAD.third * major > most + 1e-12) {
      most = base + TRIAD.third * major;
      [root, isMajor] = [sound, true];
    }
    if (minor > 0 && base + TRIAD.third * minor > most + 1e-12) {
      most = base + TRIAD.third * minor;
      [root, isMajor] = [sound, false];
    }
  }
  if (root < 0) return undefined;
  const sounds = pitchClassSet([root, root + (isMajor ? 4 : 3), root + 7]);
  return {
    root,
    sounds,
    notes: bar.notes.filter((at) => holds(sounds, soundAt(notes[at] as TuneNote))),
  };
}
