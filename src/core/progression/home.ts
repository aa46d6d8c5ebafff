import { modulo, soundOf } from "../pitch";
import type { Chord } from "../chord";
import { type HomeRow, isCountedMinor, isMinorRow, kindOf, type KindOfChord, tokenOf } from "./home-rows";

/**
 * How a chord is heard: by its root, or by a bass that is no tone of it, as one chord over that bass. F/G is a suspended G, Cmaj7/A
 * an Am9.
 */
export interface Heard {
  /** Sounding root, 0 is C. */
  readonly root: number;
  readonly kind: KindOfChord;
  /** It has a minor seventh: as a suspended chord it may be a dominant. */
  readonly seventh: boolean;
  readonly isTriad: boolean;
  /** It stands over a bass that is no tone of it. */
  readonly isOver: boolean;
}

export function heardAs(chord: Chord): Heard {
  const root = soundOf(chord.root);
  const bass = chord.bass === undefined ? root : soundOf(chord.bass);
  const has = (from: number, up: number) =>
    chord.tones.some((tone) => modulo(root + soundOf(tone) - from, 12) === up);
  const isTriad = chord.tones.length === 3;
  // A bass that is the seventh walks on from the root: Am/G, Am/G♯, C/B. G/F stays what it is over a held F.
  const below = modulo(bass - root, 12);
  const isWalking = isTriad && (below === 11 || (below === 10 && kindOf(chord) === "m"));
  if (has(bass, 0) || isWalking)
    return {
      root,
      kind: kindOf(chord),
      seventh: has(root, 10) || (isWalking && below === 10),
      isTriad: isTriad && !isWalking,
      isOver: false,
    };
  const seventh = has(bass, 10);
  const kind = has(bass, 4) ? (seventh ? "7" : "M") : has(bass, 3) ? (has(bass, 7) ? "m" : "d") : "s";
  return { root: bass, kind, seventh, isTriad: false, isOver: true };
}

/**
 * Chances of what no row holds, each with its explanation: see `chordFunctions` for the same by name. These and the other numbers of this
 * file were chosen by hand in November 2026 against the first 94 charts of `tests/accuracy/charts.ts`; the other 50, written down before they
 * were read, check them (`npm run accuracy`).
 */
const EXPLAINED = {
  /** The dominant of the chord that comes next, or the chord before such a dominant. */
  applied: 0.03,
  appliedTwo: 0.014,
  /** A dominant of another degree whose chord does not come. */
  unresolved: 0.006,
  /** A dominant a half step above its goal; a diminished chord a half step below it; one that passes. */
  halfStep: 0.03,
  leading: 0.015,
  passing: 0.005,
  none: 0.0015,
};

/** How many counts the chances of a chord by itself weigh against what was seen to follow the one before. */
const SMOOTHING = 12;

/** Songs have changes that chorales have not: so much of a chance comes from what was seen to follow, the rest from the chord by itself. */
const SEEN = 0.6;

/** The home is the root of the chord that a dominant seventh goes to by fifth: in nats. */
const RESOLVED = 1.6;
/** Where a dominant goes, in half steps up: to its first degree, and to the sixth and third that stand for it. */
const GOALS: readonly number[] = [5, 2, 9];
/** A minor chord with its dominant a fifth above the next root, ii–V, in nats for the home that it asks for. */
const TWO_FIVE = 2;

/** A chord of a progression with what it comes from and goes to: other chords than itself. */
export interface ChordContext {
  readonly chord: Heard;
  readonly before: Heard | undefined;
  readonly next: Heard | undefined;
  readonly third: Heard | undefined;
  /** Two roots in all, back and forth: nothing leads anywhere. */
  readonly isVamp: boolean;
}

export const isSame = (a: Heard | undefined, b: Heard | undefined) =>
  a?.root === b?.root && a?.kind === b?.kind;

/**
 * Each chord of a progression with its neighbours as it is first played; a chord that is struck again is one chord.
 *
 * @param order the places of the chords as they are played, repeats among them
 */
export function chordContexts(
  heard: readonly Heard[],
  order: readonly number[] = [...heard.keys()],
): readonly ChordContext[] {
  const isVamp = isTwoChords(heard);
  const runs: Heard[] = [];
  const runAt = new Map<number, number>();
  for (const at of order) {
    const chord = heard[at];
    if (!chord) continue;
    if (!isSame(runs.at(-1), chord)) runs.push(chord);
    if (!runAt.has(at)) runAt.set(at, runs.length - 1);
  }
  // Two chords back and forth go round: the last one leads to the first as each other does.
  const isRound = goesBack(runs);
  const runOf = (run: number) => runs[isRound && Number.isFinite(run) ? modulo(run, runs.length) : run];
  return heard.map((chord, at) => {
    const run = runAt.get(at) ?? Infinity;
    return {
      chord: runs[run] ?? chord,
      before: runOf(run - 1),
      next: runOf(run + 1),
      third: runOf(run + 2),
      isVamp,
    };
  });
}

/** What tells a context from others wherever it stands: contexts that differ in their key alone have the same. */
export function contextKey({ chord, before, next, third, isVamp }: ChordContext): string {
  const of = (heard: Heard | undefined) =>
    heard
      ? `${modulo(heard.root - chord.root, 12)}${heard.kind}${Number(heard.seventh)}${Number(heard.isTriad)}${Number(heard.isOver)}`
      : "-";
  return [...[chord, before, next, third].map(of), String(isVamp)].join(" ");
}

/** How a chord behaves in a home. */
export interface Behaviour {
  /** How unlikely it is there after the chord before it and before the next ones, in nats. */
  readonly cost: number;
  /**
   * How far its notes outside a mode are no reason to leave that home: "all" where it leads where such chords lead, its triad
   * (and the seventh of a dominant) where it is known to be borrowed, none of it otherwise.
   */
  readonly known: "all" | "core" | "none";
}

/** A row knows a chord from this chance on. */
const KNOWN = 0.004;

/** A minor seventh on home is what modal tunes and jazz rest on, in nats against minor as it was counted: the plain triad. */
const RESTING_SEVENTH = 0.5;

/** A suspended dominant as a minor home, in nats against a home that has its major third. */
const SUSPENDED_MINOR = 2;

/**
 * How a chord of a progression behaves in a home of one row.
 *
 * @example behaviour(turnings([C, Fm, C])[1], 0, rowFor(ionian)).known // "core": iv is borrowed
 */
export function behaviour(turning: ChordContext, home: number, row: HomeRow): Behaviour {
  const { chord, before, next, isVamp } = turning;
  const above = modulo(chord.root - home, 12);
  const counted = chanceAfter(row, chord, above, isVamp ? undefined : before, home);
  const cause = story(turning, above, row);
  let nats = Math.log(Math.max(counted, cause.chance));
  const fall = before ? modulo(before.root - chord.root, 12) : -1;
  if (above === 0 && before?.kind === "7" && (fall === 7 || fall === 1) && !isDominant(chord))
    nats += RESOLVED;
  // Where the minor chord comes back the two are a vamp, and where the next chord is none that a dominant goes to they are no ii–V.
  const goes = next === undefined || GOALS.includes(modulo(next.root - chord.root, 12));
  const isTwoFive = chord.kind === "7" && before !== undefined && isTwo(before) && fall === 7;
  if (isTwoFive && goes && !isVamp && !isSame(before, next))
    nats += above === 7 ? TWO_FIVE : above === 5 ? -TWO_FIVE : 0;
  if (above === 0 && chord.kind === "m" && chord.seventh && isCountedMinor(row)) nats -= RESTING_SEVENTH;
  // A dominant that is suspended keeps its major third, where no minor one is heard.
  if (above === 0 && chord.kind === "s" && isMinorRow(row))
    nats -= chord.seventh ? SUSPENDED_MINOR : SUSPENDED_MINOR / 2;
  // Minor comes to rest on its major triad, and has it nowhere else.
  const isArrival = fall === 7 && chord.isTriad;
  const isOddHome = above === 0 && (isVamp || (next !== undefined && !isArrival));
  const isTold = cause.explains && cause.chance >= counted;
  return {
    cost: -nats,
    known: isTold ? "all" : counted >= KNOWN && !isOddHome && !chord.isOver ? "core" : "none",
  };
}

/** A dominant seventh, or a suspended one. */
const isDominant = ({ kind, seventh }: Heard) => kind === "7" || (kind === "s" && seventh);

export const isTwo = ({ kind, seventh }: Heard) => (kind === "m" && seventh) || kind === "d";

/** What a chord may count as: a suspended one has no third to tell. */
const kindsOf = ({ kind, seventh }: Heard): readonly KindOfChord[] =>
  kind === "s" ? (seventh ? SUSPENDED.seventh : SUSPENDED.triad) : ALONE[kind];

const SUSPENDED: Readonly<Record<"seventh" | "triad", readonly KindOfChord[]>> = {
  seventh: ["7", "m", "M"],
  triad: ["M", "m"],
};
const ALONE: Readonly<Record<KindOfChord, readonly KindOfChord[]>> = {
  M: ["M"],
  m: ["m"],
  7: ["7"],
  d: ["d"],
  o: ["o"],
  "+": ["+"],
  s: ["s"],
};

/** How likely a chord so far above home is there after the one before it, as the likeliest of what it may count as. */
function chanceAfter(
  row: HomeRow,
  chord: Heard,
  above: number,
  before: Heard | undefined,
  home: number,
): number {
  const from =
    before && row.follows[tokenOf(modulo(before.root - home, 12), kindsOf(before)[0] ?? before.kind)];
  let likeliest = 0;
  for (const kind of kindsOf(chord)) {
    const token = tokenOf(above, kind);
    const alone = row.alone[token] ?? 0;
    const seen = from && ((from.counts[token] ?? 0) + SMOOTHING * alone) / (from.all + SMOOTHING);
    likeliest = Math.max(likeliest, seen === undefined ? alone : SEEN * seen + (1 - SEEN) * alone);
  }
  return likeliest;
}

/** Whether a row knows a chord on a root so far above home, of any kind. */
const knows = ({ usualRoots }: HomeRow, above: number) => (usualRoots & (1 << above)) !== 0;

/** What a chord that no row holds is doing there, and whether that explains its notes. */
interface Story {
  readonly chance: number;
  readonly explains: boolean;
}

const explained = (chance: number): Story => ({ chance, explains: true });
const untold = (chance: number): Story => ({ chance, explains: false });

/** Each is one and the same object: a chart asks for them a hundred thousand times. */
const STORIES = {
  applied: explained(EXPLAINED.applied),
  appliedTwo: explained(EXPLAINED.appliedTwo),
  halfStep: explained(EXPLAINED.halfStep),
  leading: explained(EXPLAINED.leading),
  passing: explained(EXPLAINED.passing),
  unresolved: untold(EXPLAINED.unresolved),
  none: untold(EXPLAINED.none),
};

const leadsOn = (chord: Heard | undefined) => chord?.kind === "7" || chord?.kind === "M";

function story({ chord, next, third }: ChordContext, above: number, row: HomeRow): Story {
  const rise = next ? modulo(next.root - chord.root, 12) : -1;
  const goes = (up: number) => rise === up && knows(row, modulo(above + up, 12));
  const leads = chord.kind === "7" || chord.kind === "M" || chord.kind === "+";
  if (leads && goes(5)) return STORIES.applied;
  if (chord.kind === "7" && goes(11)) return STORIES.halfStep;
  // The Neapolitan goes to the dominant.
  if (chord.kind === "M" && above === 1 && rise === 6 && leadsOn(next)) return STORIES.applied;
  // ♭VII7 that goes up to home, and the minor fourth degree before it.
  if (chord.kind === "7" && above === 10 && rise === 2) return STORIES.applied;
  if (
    isTwo(chord) &&
    above === 5 &&
    rise === 5 &&
    next?.kind === "7" &&
    third &&
    modulo(third.root - next.root, 12) === 2
  )
    return STORIES.applied;
  if (isTwo(chord) && rise === 5 && next?.kind === "7") {
    const goal = third && modulo(third.root - next.root, 12) === 5;
    if (goal && knows(row, modulo(above + 10, 12))) return STORIES.appliedTwo;
  }
  if ((chord.kind === "d" || chord.kind === "o") && goes(1)) return STORIES.leading;
  if (chord.kind === "o") return STORIES.passing;
  if (chord.kind === "7" && knows(row, modulo(above + 5, 12))) return STORIES.unresolved;
  return STORIES.none;
}

/** Two roots in all: a vamp. */
export const isTwoChords = (heard: readonly Heard[]) => new Set(heard.map(({ root }) => root)).size <= 2;

/** Whether two chords go back and forth, twice at least, and end on the second: then the first follows the last. */
export function goesBack(heard: readonly Heard[]): boolean {
  const runs = heard.filter((each, at) => !isSame(each, heard[at - 1]));
  return isTwoChords(heard) && runs.length >= 4 && !isSame(heard[0], heard.at(-1));
}
