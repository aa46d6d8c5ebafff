import { soundOf } from "../pitch";
import { isMinorMode, size, soundsOn, USUAL_MODES } from "../scale";
import {
  type ChartAnalysis,
  type Chartwise,
  chartwise,
  distinct,
  fewestOf,
  MISSPELLED,
  notesAgainst,
  oneMode,
  oneModeAnalyses,
  type Segment,
  segmentAt,
  staysOf,
} from "./analyses";
import type { AnalysisKind } from "./analysis-kind";
import { CHORD_SCALES, chordScales } from "./chord-scale";
import { chordFunctions } from "./chord-function";
import { chordContexts, heardAs } from "./home";
import { type KeyArea, keyAreas } from "./key-areas";
import { type Key, keysOf } from "./keys";
import type { ChangeCosts } from "./paths";
import { beside, type ReadableChart, type Sounding, soundingChords } from "./sounding";
import { type AnalysisChoice, lockAt, ownHome, rarityOf } from "./states";

/** The analyses of each kind, best first, and the keys; empty where no chord could be read. */
export interface Analyses extends Readonly<Record<AnalysisKind, readonly ChartAnalysis[]>> {
  readonly keys: readonly Key[];
}

/** Of a chart without any chord. */
export const NO_ANALYSES: Analyses = { "fewest-changes": [], "one-mode": [], "chord-by-chord": [], keys: [] };

/**
 * The three analyses of a chart, each with its best few: one mode for all of it, the fewest changes of mode, a mode for each
 * chord. What is set by hand for a range is kept to, and the rest adapts.
 *
 * Conventions: a mode is told apart by sound; scales come from the four usual families unless others are chosen; each home
 * is spelled as the chart spells it.
 *
 * @example analyses(readChart("| Em9 | A13 | Cmaj7 |").value)["fewest-changes"][0] // E Dorian, E Aeolian from bar 3
 */
export function analyses(chart: ReadableChart, choice: AnalysisChoice = {}): Analyses {
  const sounding = beside(soundingChords(chart));
  if (sounding.length === 0) return NO_ANALYSES;
  const read = chartwise(chart, choice, sounding);
  const stays = staysOf(read);
  const areas = homesOfLoops(chart, keyAreas(chart));
  const found = fewestOf(read, stays, areas.length > 1 ? areas : []);
  const kept = areas.length > 1 ? undefined : withoutSingleChords(chart, sounding, found[0]?.segments ?? []);
  const fewest = kept ? fewestOf(read, stays, kept) : found;
  const one = oneMode(read, stays);
  return {
    "fewest-changes": fewest,
    "one-mode": one,
    keys: keysOf(chart, areas, fewest[0]?.segments ?? [], one[0]?.segments ?? []),
    "chord-by-chord": chordByChord(chartwise(chart, overChords(choice), sounding), fewest),
  };
}

/** Over one chord the scales that repeat within the octave may be taken too, unless fewer families were chosen than the usual ones. */
function overChords(choice: AnalysisChoice): AnalysisChoice {
  const { scales = USUAL_MODES } = choice;
  return USUAL_MODES.every((each) => scales.includes(each))
    ? { ...choice, scales: [...new Set([...scales, ...CHORD_SCALES])] }
    : choice;
}

/** Bars from which one chord may be a key by itself. */
const LONG_CHORD = 2;

/**
 * The homes of segments as key areas, where a short chord has a home by itself that has a function in the key before it: it stays in that
 * key. Undefined where there is none.
 */
function withoutSingleChords(
  chart: ReadableChart,
  sounding: readonly Sounding[],
  segments: readonly Segment[],
): readonly KeyArea[] | undefined {
  const { chords, order = [] } = chart;
  const areas: KeyArea[] = [];
  let merged = false;
  for (const { from, to, homeMode } of segments) {
    const last = areas.at(-1);
    const covered = sounding.filter(({ at }) => at >= from && at <= to);
    const isShort =
      covered.length === 1 && covered.every(({ bars, place }) => bars < LONG_CHORD && !place.lock);
    const before = last && segments.find((each) => each.from === last.from)?.homeMode;
    const isIn =
      isShort &&
      before !== undefined &&
      !areas.some(({ home }) => home === soundOf(homeMode.home)) &&
      !chords.slice(last?.from, from).some(({ lock }) => lock) &&
      chordFunctions({ chords, order }, covered[0]?.at ?? from, before).some(
        ({ code }) => code !== "passing",
      );
    if (last && isIn) {
      merged = true;
      areas[areas.length - 1] = { ...last, to };
    } else {
      areas.push({
        ...{ from, to, home: soundOf(homeMode.home), isCadenced: false },
        isMinor: isMinorMode(homeMode.mode),
      });
    }
  }
  return merged ? areas : undefined;
}

/** Key areas with the home of each that has no cadence with a dominant: as one mode over its chords alone has it. */
function homesOfLoops(chart: ReadableChart, areas: readonly KeyArea[]): readonly KeyArea[] {
  if (areas.length <= 1) return areas;
  const homed = areas.map((area): KeyArea => {
    // A key that comes back has its home, though it stops on its dominant there.
    const isKnown = areas.some(({ isCadenced, home }) => isCadenced && home === area.home);
    if (isKnown) return area;
    const chords = chart.chords.slice(area.from, area.to + 1);
    const [best] = oneModeAnalyses({ chords, bars: [{ from: 0, section: undefined }] }, { most: 1 });
    const [segment] = best?.segments ?? [];
    if (!segment) return area;
    return {
      ...area,
      home: soundOf(segment.homeMode.home),
      isMinor: isMinorMode(segment.homeMode.mode),
    };
  });
  return homed.reduce<readonly KeyArea[]>((joined, area) => {
    const last = joined.at(-1);
    if (last?.home !== area.home) return [...joined, area];
    return [...joined.slice(0, -1), { ...last, to: area.to, isCadenced: last.isCadenced || area.isCadenced }];
  }, []);
}

/** Every chord has its own home, so a change costs nothing. */
const OWN_HOMES: ChangeCosts = { base: 0, note: 0, home: 0 };

/**
 * Every chord in the scale that a teacher would write over it in its place; where nothing is taught for it, of the modes that hold it on
 * its own home the one nearest to the analysis with fewest changes.
 */
function chordByChord(read: Chartwise, [changes]: readonly ChartAnalysis[]): readonly ChartAnalysis[] {
  const { sounding, choice, chart, all } = read;
  const notes = notesAgainst(read);
  const places = new Map(sounding.map(({ at }, n) => [at, n]));
  const order = chart.order?.flatMap((at) => places.get(at) ?? []) ?? [...sounding.keys()];
  const turning = chordContexts(
    sounding.map(({ chord }) => heardAs(chord)),
    // A chart comes round again: after its last chord its first.
    [...order, ...order.slice(0, 1)],
  );
  const scales = sounding.map((each, n) => {
    const around = changes && segmentAt(changes, each.at)?.homeMode;
    const home = soundOf(lockAt(each.place, choice)?.home ?? ownHome(each.chord));
    const turn = turning[n];
    const taught = turn && chordScales(each.chord, soundOf(ownHome(each.chord)), { turning: turn, around });
    return { home, around: around && soundsOn(around), taught: taught ?? [] };
  });
  const stays = scales.map(({ home, around, taught }, at) => {
    const [against, may] = [notes[at], read.allowed[at]];
    const costs = new Float64Array(all.states.length).fill(Infinity);
    for (const [n, { home: on, mode, sounds }] of all.states.entries()) {
      if (on !== home || may?.[n] !== 1) continue;
      const place = taught.indexOf(mode.id);
      const apart = around === undefined ? 0 : size(around ^ sounds);
      costs[n] =
        OVER.outside * ((against?.outside[n] ?? 0) + (against?.outsideAbove[n] ?? 0)) +
        MISSPELLED * (against?.misspelled[n] ?? 0) +
        OVER.rare * rarityOf(mode) +
        (place >= 0 ? OVER.next * place : OVER.untaught * taught.length + OVER.apart * apart);
    }
    return costs;
  });
  // How seldom a scale is used says nothing of it over one chord, but among equals.
  const equal = all.states.map((state) => ({ ...state, rarity: 0 }));
  return distinct(read, "chord-by-chord", OWN_HOMES, stays, equal);
}

/**
 * Over one chord: a note outside; the second best of what is taught, and anything else; each note in which a mode differs from the
 * chart around it; and how seldom it is used.
 */
const OVER = { outside: 8, next: 0.5, untaught: 3, apart: 0.5, rare: 0.1 };
