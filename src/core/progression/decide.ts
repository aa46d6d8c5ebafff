import { type Fifths, type Interval, modulo, soundOf } from "../pitch";
import { type ChartChord, chordNotes, chordSounds } from "../chord";
import {
  type HomeMode,
  holds,
  type Mode,
  mode,
  notesOf,
  SEVEN,
  size,
  soundsOn,
  thirdOf,
  USUAL_MODES,
} from "../scale";
import { oneModeAnalyses, type Segment } from "./analyses";
import type { Analyses } from "./chart-analyses";
import { arrives } from "./cadence";
import { chordFunctions } from "./chord-function";
import { heardAs } from "./home";
import { isWithoutThirds } from "./plain-mode";
import { rarityOf, type AnalysisChoice } from "./states";

/** A chord that holds a note in which two modes differ, and what the note is in that chord. */
interface Holder {
  readonly at: number;
  readonly note: Fifths;
  readonly role: Interval;
}

/** What decides between two modes over a chart. */
export interface Decision {
  readonly between: readonly [HomeMode, HomeMode];
  /**
   * `notes`: a chord holds a note that only one has. `home`: same notes, so only the home tells. `cadence`: the same chords lead to either
   * home. `open`: nothing decides.
   */
  readonly by: "notes" | "home" | "cadence" | "open";
  /** Chords that speak for the first, and for the second. */
  readonly first: readonly Holder[];
  readonly second: readonly Holder[];
  /** The notes in which the two differ: those of the first, those of the second. */
  readonly differ: readonly [readonly Fifths[], readonly Fifths[]];
}

/** Notes of one mode that the other does not sound. */
export function notesOnlyIn(one: HomeMode, other: HomeMode): readonly Fifths[] {
  return notesOf(one).filter((note) => !holds(soundsOn(other), soundOf(note)));
}

function holders(notes: readonly Fifths[], chords: readonly ChartChord[], first: number): readonly Holder[] {
  return chords.flatMap(({ chord }, n) =>
    chord
      ? chordNotes(chord)
          .filter((tone) => notes.some((note) => soundOf(note) === soundOf(tone)))
          .map((note) => ({ at: n + first, note, role: note - chord.root }))
      : [],
  );
}

/**
 * What decides between two modes over chords: the notes in which they differ and the chords that hold them.
 *
 * @param from the place of the first of the chords in its chart
 * @example whatDecides([E Dorian, E Aeolian], chart "| Em9 | A13 |") // C♯, the third of A13
 */
export function whatDecides(
  between: readonly [HomeMode, HomeMode],
  chords: readonly ChartChord[],
  from = 0,
): Decision {
  const [one, other] = between;
  const differ = [notesOnlyIn(one, other), notesOnlyIn(other, one)] as const;
  const first = holders(differ[0], chords, from);
  const second = holders(differ[1], chords, from);
  const same = differ[0].length === 0 && differ[1].length === 0;
  return {
    between,
    by: same ? "home" : first.length + second.length > 0 ? "notes" : "open",
    first,
    second,
    differ,
  };
}

/** How much each further note in which two modes differ takes a rival back, and that it is none of the seven, in the costs of rarity. */
const FURTHER = 0.5;

const unusual = (mode: Mode) => (SEVEN.includes(mode) ? 0 : FURTHER);

/** Rivals on the segment's own home, and on other homes, that are worth compared with it from. */
const RIVALS = { sameHome: 1, otherHome: 1 };

/**
 * What decides between a segment's mode and its rivals over the same chords: first on the same home the most usual mode that is near
 * it, then the nearest rival on another, the seven before rarer modes.
 *
 * @example decisions(A Dorian, chart "| Am7 | D7 |")[0] // against A Aeolian, by the F♯ of D7
 */
export function decisions(
  { from, to, homeMode }: Segment,
  chords: readonly ChartChord[],
  choice: AnalysisChoice = {},
): readonly Decision[] {
  const range = chords.slice(from, to + 1).map((each) => ({ ...each, lock: undefined }));
  const chart = { chords: range, bars: [] };
  const isHere = (other: HomeMode) => soundOf(other.home) === soundOf(homeMode.home);
  const elsewhere =
    choice.home === undefined
      ? oneModeAnalyses(chart, { ...choice, most: 12 })
          .flatMap(({ segments: [only], cost }) =>
            only ? { ...only.homeMode, cost: cost + unusual(only.homeMode.mode) } : [],
          )
          .filter((other) => !isHere(other))
          .sort((a, b) => a.cost - b.cost)
          .map(({ home, mode }) => ({ home, mode }))
      : [];
  const sameHome = usualRivals(homeMode.mode, choice.scales).map((mode) => ({ home: homeMode.home, mode }));
  return [...sameHome.slice(0, RIVALS.sameHome), ...elsewhere.slice(0, RIVALS.otherHome)].map((rival) =>
    whatDecides([homeMode, rival], range, from),
  );
}

/** The modes that one is taken for on the same home, the most usual first: those with the same third, a note away before others. */
function usualRivals(own: Mode, scales: readonly Mode[] = USUAL_MODES): readonly Mode[] {
  const cost = (mode: Mode) =>
    rarityOf(mode) +
    FURTHER * (size(mode.sounds ^ own.sounds) / 2 - 1) +
    (thirdOf(mode) === thirdOf(own) ? 0 : 1) +
    unusual(mode);
  return scales
    .filter((mode) => mode.sounds !== own.sounds)
    .map((mode) => ({ mode, cost: cost(mode) }))
    .sort((a, b) => a.cost - b.cost)
    .map(({ mode }) => mode);
}

/** Analyses whose costs lie no further apart are equal within what chords can tell. */
const EQUAL = 0.4;

/**
 * Where the best two analyses by one mode cannot be told apart: what would decide between them; undefined where the first is clear, or
 * where one mode is no analysis of the chart.
 *
 * @example openBetween(analyses(chart "| Am | F | C | G |"), chords) // A Aeolian or C Ionian: only the home tells
 */
export function openBetween(
  { "one-mode": [first, second], "fewest-changes": [fewest] }: Pick<Analyses, "one-mode" | "fewest-changes">,
  chords: readonly ChartChord[],
): Decision | undefined {
  const [one, other] = [first?.segments, second?.segments];
  if (!first || one?.length !== 1 || !one[0] || fewest?.segments.length !== 1) return undefined;
  const { homeMode } = one[0];
  const andalusian = openAndalusian(homeMode, chords);
  if (andalusian) return andalusian;
  if (isBare(chords)) {
    const rivals = usualRivals(homeMode.mode, SEVEN).map((mode) => ({ home: homeMode.home, mode }));
    return rivals.map((rival) => whatDecides([homeMode, rival], chords)).find(({ by }) => by === "open");
  }
  if (!second || other?.length !== 1 || !other[0] || second.cost - first.cost > EQUAL) return undefined;
  const rival = other[0].homeMode;
  const decision = whatDecides([homeMode, rival], chords);
  // Where the chords speak for one of the two alone, they have decided; so has a cadence. A rare scale that nothing speaks for is none.
  const isDecided =
    decision.by === "notes"
      ? decision.first.length === 0 || decision.second.length === 0
      : decision.by === "home"
        ? hasCadence(homeMode.home, chords) && !hasCadence(rival.home, chords)
        : unusual(rival.mode) > unusual(homeMode.mode);
  return isDecided ? undefined : decision;
}

/** Whether chords leave open what the mode is: none has a third, or they are all one. */
function isBare(chords: readonly ChartChord[]): boolean {
  const read = chords.flatMap(({ chord }) => (chord ? [`${chord.root} ${chordSounds(chord)}`] : []));
  return read.length > 0 && (isWithoutThirds(chords) || new Set(read).size === 1);
}

/** Whether a home is arrived at by its dominant, or at the end by ♭II as in flamenco. */
function hasCadence(home: Fifths, chords: readonly ChartChord[]): boolean {
  const heard = chords.flatMap(({ chord }) => (chord ? [heardAs(chord)] : []));
  const root = soundOf(home);
  const [before, last] = heard.slice(-2);
  const isPhrygian = last?.root === root && before?.kind === "M" && modulo(before.root - root, 12) === 1;
  return isPhrygian || heard.some((_, at) => arrives(root, heard, at));
}

/** An Andalusian cadence alone, round and round, rests on its first chord or on its last. */
function openAndalusian(first: HomeMode, chords: readonly ChartChord[]): Decision | undefined {
  const roots = [...new Set(chords.flatMap(({ chord }) => (chord ? [soundOf(chord.root)] : [])))];
  const start = chords.findIndex(({ chord }) => chord && soundOf(chord.root) === soundOf(first.home));
  const order = chords.map((_, at) => at);
  const isLine =
    roots.length === 4 &&
    start >= 0 &&
    chords.at(-1)?.chord?.root === first.home + 1 &&
    chordFunctions({ chords, order }, start, first).some(({ code }) => code === "andalusian");
  if (!isLine) return undefined;
  const rival = { home: first.home + 1, mode: mode("phrygian-dominant") };
  return { ...whatDecides([first, rival], chords), by: "cadence" };
}
