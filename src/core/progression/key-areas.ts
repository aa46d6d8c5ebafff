import { modulo } from "../pitch";
import { mode } from "../scale";
import { arrives, isTwoOf, leadsTo, rests } from "./cadence";
import { chordContexts, type Heard, heardAs } from "./home";
import { type HomeRow, type KindOfChord, rowFor, tokenOf } from "./home-rows";
import { keyPosterior, type KeyPosterior } from "./key-posterior";
import { type ReadableChart, soundingChords } from "./sounding";

/** A stretch of a chart in one key: its first and its last chord by their places in the chart. */
export interface KeyArea {
  readonly from: number;
  readonly to: number;
  /** Sounding home, 0 is C. */
  readonly home: number;
  readonly isMinor: boolean;
  /** It has a cadence with a dominant seventh or a diminished chord; otherwise it goes round. */
  readonly isCadenced: boolean;
}

const [MAJOR, MINOR] = [rowFor(mode("ionian")), rowFor(mode("aeolian"))];

/** A chord this likely in a key is usual there. */
const USUAL = 0.012;

/** Whether a chord is usual in major or in minor, so many half steps above home. */
export function isUsualIn(isMinor: boolean, above: number, kind: KindOfChord): boolean {
  const { alone }: HomeRow = isMinor ? MINOR : MAJOR;
  return (alone[tokenOf(above, kind)] ?? 0) > USUAL || (kind === "7" && above === 7);
}

/** A chord as it is heard once, however often it is struck again: from one place in the chart to another. */
interface Event {
  readonly heard: Heard;
  readonly from: number;
  to: number;
  readonly begins: boolean;
}

/** Events in one key, by their numbers. */
interface Run {
  from: number;
  to: number;
  home: number;
}

/** A chart as its keys are found from it. */
interface Heardwise {
  readonly events: readonly Event[];
  readonly heard: readonly Heard[];
  readonly posterior: KeyPosterior;
}

function heardwise(chart: ReadableChart): Heardwise {
  const starts = new Set(chart.bars.flatMap(({ from, section }) => (section ? [from] : [])));
  const events: Event[] = [];
  for (const { at, chord } of soundingChords(chart)) {
    const heard = heardAs(chord);
    const last = events.at(-1);
    const isAgain = last?.heard.root === heard.root && last.heard.kind === heard.kind;
    if (last && isAgain && !starts.has(at)) last.to = at;
    else events.push({ heard, from: at, to: at, begins: starts.has(at) });
  }
  const heard = events.map((each) => each.heard);
  const begins = new Set(events.flatMap(({ begins: isStart }, at) => (isStart ? [at] : [])));
  return { events, heard, posterior: keyPosterior(chordContexts(heard), begins) };
}

const chanceOf = ({ homes }: KeyPosterior, at: number, home: number): number => homes[at * 12 + home] ?? 0;

/** The chance of a home over all events of a run. */
function massOf({ posterior }: Heardwise, { from, to }: Pick<Run, "from" | "to">, home: number): number {
  let sum = 0;
  for (let at = from; at <= to; at += 1) sum += chanceOf(posterior, at, home);
  return sum;
}

function isMinorRun(read: Heardwise, run: Run): boolean {
  let minor = 0;
  for (let at = run.from; at <= run.to; at += 1) minor += read.posterior.minor[at * 12 + run.home] ?? 0;
  return minor > massOf(read, run, run.home) / 2;
}

/**
 * Where the key is, as a musician marks it over a chart. The key of each chord is the home that is likeliest there from all chords before and
 * after it; a key has a cadence of its own and more than that, otherwise it is only tonicised and belongs to the keys around it. Whoever bars
 * the chart otherwise or strikes a chord again gets the same answer.
 *
 * @example keyAreas(readChart("C F G7 C G C D7 G C F G7 C").value).map(({ home }) => home) // [0, 7, 0]
 */
export function keyAreas(chart: ReadableChart): readonly KeyArea[] {
  const read = heardwise(chart);
  const { events } = read;
  if (events.length === 0) return [];
  const runs = settled(read, withTwos(read, likeliest(read)));
  return earned(read, runs).map((run) => ({
    from: events[run.from]?.from ?? 0,
    to: events[run.to]?.to ?? 0,
    home: run.home,
    isMinor: isMinorRun(read, run),
    isCadenced: read.heard.some(
      (_, at) =>
        at > run.from &&
        at <= run.to &&
        arrives(run.home, read.heard, at) &&
        read.heard[at - 1]?.kind !== "M",
    ),
  }));
}

/** Runs of the likeliest home. */
function likeliest({ events, posterior }: Heardwise): readonly Run[] {
  return joined(
    events.map((_, at) => {
      let home = 0;
      for (let other = 1; other < 12; other += 1)
        if (chanceOf(posterior, at, other) > chanceOf(posterior, at, home)) home = other;
      return { from: at, to: at, home };
    }),
  );
}

function joined(runs: readonly Run[]): readonly Run[] {
  const found: Run[] = [];
  for (const run of runs) {
    const last = found.at(-1);
    if (last?.home === run.home) last.to = run.to;
    else found.push({ ...run });
  }
  return found;
}

/** What leads to the first dominant of a key belongs to it. */
function withTwos({ heard }: Heardwise, runs: readonly Run[]): readonly Run[] {
  for (const [at, run] of runs.entries()) {
    const before = runs[at - 1];
    const isTwo = isTwoOf(run.home, heard[run.from - 1]) && leadsTo(run.home, heard[run.from]);
    if (!before || before.to === before.from || !isTwo) continue;
    run.from -= 1;
    before.to -= 1;
  }
  return runs;
}

/** Runs with each that hasn't earned its key given to the neighbour that fits better. The key of the whole needs no cadence where no key has one. */
function settled(read: Heardwise, all: readonly Run[]): readonly Run[] {
  let runs = all;
  const count = read.events.length;
  const masses = Array.from({ length: 12 }, (_, home) => massOf(read, { from: 0, to: count - 1 }, home));
  const massAt = ({ home }: Run) => masses[home] ?? 0;
  const known = new Map<number, boolean>();
  const isOwn = (run: Run): boolean => {
    const key = (run.from * count + run.to) * 12 + run.home;
    const is = known.get(key) ?? isEarned(read, run);
    known.set(key, is);
    return is;
  };
  while (runs.length > 1) {
    const cadencing = new Set(runs.filter(isOwn));
    const main = [...(cadencing.size > 0 ? cadencing : runs)].reduce((best, run) =>
      massAt(run) > massAt(best) ? run : best,
    ).home;
    const bad = runs
      .filter((run) => run.home !== main && !cadencing.has(run))
      .reduce<Run | undefined>(
        (least, run) => (least && least.to - least.from <= run.to - run.from ? least : run),
        undefined,
      );
    if (!bad) break;
    const at = runs.indexOf(bad);
    const [before, after] = [runs[at - 1], runs[at + 1]];
    const fit = (run: Run | undefined) => (run ? logFit(read, bad, run.home) : -Infinity);
    bad.home = (fit(before) >= fit(after) ? before : after)?.home ?? main;
    runs = joined(runs);
  }
  return runs;
}

function logFit({ posterior }: Heardwise, { from, to }: Run, home: number): number {
  let sum = 0;
  for (let at = from; at <= to; at += 1) sum += Math.log(chanceOf(posterior, at, home) + 1e-9);
  return sum;
}

/** Whether a run has a cadence of its own that comes to rest, and more of its key than that. */
function isEarned(read: Heardwise, run: Run): boolean {
  const { heard } = read;
  const { from, to, home } = run;
  const chords = heard.slice(from, to + 1);
  const cadences = chords.filter((_, at) => at > 0 && arrives(home, chords, at)).length;
  if (cadences === 0) return isLoop(read, run);
  const isMinor = isMinorRun(read, run);
  const hasOthers = chords.some(({ root, kind }) => {
    const above = modulo(root - home, 12);
    return above !== 0 && above !== 7 && isUsualIn(isMinor, above, kind);
  });
  if (!hasOthers && cadences < 2) return false;
  // A home that is left at once as the second degree of the next one was none.
  const [next, third] = [heard[to + 1], heard[to + 2]];
  const isFourth = (chord: Heard | undefined) => chord?.kind === "7" && modulo(chord.root - home, 12) === 5;
  const isPivot = rests(home, heard[to]) && (isFourth(next) || (next?.root === home && isFourth(third)));
  return cadences > 1 || !isPivot;
}

/** Events from which on a loop without a cadence makes a key, and how likely that is all through it. */
const LOOP = { events: 6, likely: 0.9 };

/** Whether a run goes round its home long enough to be in that key without a cadence. */
function isLoop(read: Heardwise, run: Run): boolean {
  const length = run.to - run.from + 1;
  const returns = read.heard.slice(run.from, run.to + 1).filter((each) => rests(run.home, each)).length;
  return length >= LOOP.events && returns >= 2 && massOf(read, run, run.home) / length >= LOOP.likely;
}

/** A key is left once it was last arrived at, as far as what follows belongs to the next one and begins at its home. */
function earned(read: Heardwise, runs: readonly Run[]): readonly Run[] {
  const { heard } = read;
  for (const [nth, run] of runs.entries()) {
    const before = runs[nth - 1];
    if (!before) continue;
    const isMinor = isMinorRun(read, run);
    let start = run.from;
    for (let at = run.from - 1; at > before.from; at -= 1) {
      const chord = heard[at];
      if (!chord || !isUsualIn(isMinor, modulo(chord.root - run.home, 12), chord.kind)) break;
      if (!arrives(before.home, heard, at - 1)) continue;
      if (chord.root === run.home) start = at;
      // Beyond a cadence with a dominant seventh a key isn't left.
      if (heard[at - 2]?.kind !== "M") break;
    }
    if (start === run.from) continue;
    before.to = start - 1;
    run.from = start;
  }
  return runs;
}
