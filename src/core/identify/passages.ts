import { soundOf } from "../pitch";
import {
  holds,
  isMinorMode,
  type HomeMode,
  mode as modeById,
  type Mode,
  type PitchClassSet,
  soundsOn,
} from "../scale";
import { allNotes, type BarRange, excerptOf, timeBySound, type Tune, type TuneNote } from "../tune";
import { soundAt } from "./bars-heard";
import { spelledHome } from "./candidates";
import { hear, type Hearing } from "./hearing";
import { cadencedKeys, type KeyPassage, keyPassage, keysNear } from "./key-passages";
import { type Passage, passageAt } from "./passage";
import { heardIn, likeliestPath, type State, statesFor } from "./passage-path";
import { type HeardUnit, heardUnits } from "./passage-units";
import { above } from "./shares";
import { expectedSounding } from "./voices-score";

/** Units that follow one another in one state. */
interface Run extends BarRange {
  readonly state: State;
  /** A repeat sign, double bar or declared key stands before it. */
  readonly isMarked: boolean;
  /** Places of its first and last unit. */
  readonly units: BarRange;
}

/**
 * How much likelier a change of mode has to be than the whole's mode, or that moved to a neighbouring key, as a logarithm of odds. Chosen in December 2026 on the made
 * tunes of `npm run accuracy` (`tests/accuracy/passages-model.ts`), so that few that stay are told to change.
 */
const CLEAR = 2;

/** A change of mode lasts as many bars as this, and its home sounds in as much of it. */
const LASTS = { bars: 7, home: 0.06 };

/** Where the mode of a tune changes, and the keys that it goes through while it stays. */
export interface Passages {
  /** One where the mode doesn’t change. */
  readonly passages: readonly Passage[];
  readonly keys: readonly KeyPassage[];
  /** Of a tune that moves its one mode from home to home: the bars in its first, which tell more than all together. */
  readonly first?: Passage | undefined;
}

/**
 * Where the mode changes: the likeliest path over all sections at once, each listened to by itself with its
 * endings and its opening, long ones in units of eight bars. A change is told only where it is clearly more than the whole’s own mode or that mode in a
 * neighbouring key, lasts, and comes to rest on its home. A tune that stays in its mode is one passage.
 */
export function passages(tune: Tune, hearing: Hearing, main: HomeMode): Passages {
  const whole = [passageAt(tune, { from: 0, to: tune.bars.length - 1 }, main)];
  const stays = (runs: readonly Run[] = []): Passages => ({
    passages: whole,
    keys: keysOf(tune, hearing, main, runs),
  });
  const units = heardUnits(tune);
  if (units.length < 2) return stays();
  const states = statesFor(hearing, main);
  const heard = heardIn(tune, states, units);
  const path = likeliestPath(tune, states, units, heard);
  const runs = joined(path.map((state, at) => ({ state: states[state] as State, ...unitRun(units, at) })));
  if (runs.length < 2) return stays();
  const moved = movedFrom(tune, hearing, main, runs, { states, heard });
  if (moved) return moved;
  const base = runs.find(({ state }) => isState(state, main))?.state ?? longest(runs).state;
  const clear = runs.filter((run) => run.state === base || isChange(tune, run, base, { states, heard }));
  // What is no change itself goes on in the base, or in what is clear beside it.
  const likest = (run: Run, at: number): Run => {
    const near = [runs[at - 1], runs[at + 1]].flatMap((other) =>
      other && clear.includes(other) ? [other.state] : [],
    );
    const sumOf = (state: State) => sumIn(run, states.indexOf(state), heard);
    return { ...run, state: near.reduce((best, state) => (sumOf(state) > sumOf(best) ? state : best), base) };
  };
  const changes = joined(runs.map((run, at) => (clear.includes(run) ? run : likest(run, at))));
  const isClear = changes.every(
    (run, at) =>
      run.state !== base ||
      changes.every((other, there) => Math.abs(at - there) !== 1 || isTurned(tune, run, other.state)),
  );
  if (changes.length < 2 || !isClear) return stays(runs);
  const cut: { from: number; to: number; state: State }[] = changes.map(({ from, to, state }) => ({
    from,
    to,
    state,
  }));
  for (const [at, run] of cut.entries()) {
    const before = cut[at - 1];
    if (!before || changes[at]?.isMarked) continue;
    run.from = bestCut(tune, before, run);
    before.to = run.from - 1;
  }
  return {
    passages: cut.map(({ from, to, state: { mode, home } }) =>
      passageAt(tune, { from, to }, { home: spelledHome(tune, hearing, home, mode), mode }),
    ),
    keys: [],
  };
}

/**
 * A tune that moves its mode to another home, each part clearly on its own: up a step for the last verse. All of it together would be told by a home and mode that none of its
 * parts has; where its keys are declared, the first is its own. Undefined where one of its parts is the whole’s and nothing is declared.
 */
function movedFrom(
  tune: Tune,
  hearing: Hearing,
  main: HomeMode,
  runs: readonly Run[],
  { states, heard }: Heard,
): Passages | undefined {
  const [first, ...others] = runs;
  const at = states.findIndex((state) => isState(state, main));
  const { keys = [] } = tune;
  const isDeclared = ({ from, state }: Run) =>
    keys.length > 1 && keys.some((key) => key.bar === from && soundsOn(key) === state.sounds);
  const isClear = (run: Run) =>
    !isState(run.state, main) &&
    sumIn(run, states.indexOf(run.state), heard) - sumIn(run, at, heard) >= CLEAR;
  const isMoved =
    runs.every((run) => run.state.mode === first?.state.mode && lasts(tune, run)) &&
    (runs.every(isDeclared) || runs.every(isClear));
  if (!first || !isMoved) return undefined;
  const homeMode = ({ state: { mode, home } }: Run): HomeMode => ({
    home: spelledHome(tune, hearing, home, mode),
    mode,
  });
  const own = homeMode(first);
  return {
    passages: [passageAt(tune, { from: 0, to: tune.bars.length - 1 }, own)],
    keys: others.flatMap((run) =>
      run.state.home === first.state.home ? [] : [keyPassage(tune, own, run, homeMode(run))],
    ),
    first: passageAt(tune, first, own),
  };
}

/**
 * The keys of a tune that keeps its mode: whole parts that are heard in a neighbouring key and rest there, and phrases that have a cadence of
 * their own.
 */
function keysOf(tune: Tune, hearing: Hearing, main: HomeMode, runs: readonly Run[]): readonly KeyPassage[] {
  const near = keysNear(main);
  const parts = runs.flatMap((run) => {
    const { mode, home } = run.state;
    const isNear = near.some((key) => key.mode === mode && soundOf(key.home) === home);
    const isMoved = mode === main.mode && home !== soundOf(main.home);
    return (isNear || isMoved) && lasts(tune, run)
      ? [keyPassage(tune, main, run, { home: spelledHome(tune, hearing, home, mode), mode })]
      : [];
  });
  const phrases = cadencedKeys(tune, hearing, main).filter(
    ({ bars }) => !parts.some((part) => part.bars.from <= bars.to && bars.from <= part.bars.to),
  );
  return [...parts, ...phrases].sort((a, b) => a.bars.from - b.bars.from);
}

const unitRun = (units: readonly HeardUnit[], at: number): Omit<Run, "state"> => {
  const { from, to, isMarked } = units[at] as HeardUnit;
  return { from, to, isMarked, units: { from: at, to: at } };
};

/** Runs that follow one another in the same state, as one. */
function joined(runs: readonly Run[]): readonly Run[] {
  const found: Run[] = [];
  for (const run of runs) {
    const last = found.at(-1);
    if (last?.state === run.state)
      found[found.length - 1] = { ...last, to: run.to, units: { from: last.units.from, to: run.units.to } };
    else found.push(run);
  }
  return found;
}

const isState = (state: State, { home, mode }: HomeMode) =>
  state.mode === mode && state.home === soundOf(home);

const longest = (runs: readonly Run[]): Run =>
  runs.reduce((most, run) => (run.to - run.from > most.to - most.from ? run : most));

/** What each unit says for each state. */
interface Heard {
  readonly states: readonly State[];
  readonly heard: readonly (readonly number[])[];
}

/** What all units of a run say for a state. */
const sumIn = ({ units }: Run, state: number, heard: Heard["heard"]): number =>
  heard.slice(units.from, units.to + 1).reduce((all, shares) => all + (shares[state] ?? 0), 0);

/** Whether a run is in another mode than the base, and no more than the base moved to a neighbouring key. */
function isChange(tune: Tune, run: Run, base: State, { states, heard }: Heard): boolean {
  const { state } = run;
  // The same mode on another home is a change of key.
  if (state.mode === base.mode && state.home !== base.home) return false;
  const sum = (at: number) => sumIn(run, at, heard);
  const usual = usualKeys(base, state);
  const others = states.flatMap(({ mode, home }, at) =>
    usual.some((each) => each.mode === mode && each.home === home) ? [sum(at)] : [],
  );
  const clear = sum(states.indexOf(state)) - Math.max(...others);
  return clear >= CLEAR && isTurned(tune, run, base) && lasts(tune, run);
}

/** The base itself and, for a run on another home, the keys that tunes in its mode go through: dominant, subdominant, relative and parallel. */
function usualKeys({ mode, home }: State, { home: there }: State): readonly Pick<State, "mode" | "home">[] {
  if (there === home) return [{ mode, home }];
  const isMinor = isMinorMode(mode);
  const [plain, relative, parallel] = [
    isMinor ? "aeolian" : "ionian",
    isMinor ? "ionian" : "aeolian",
    isMinor ? "ionian" : "aeolian",
  ].map(modeById) as [Mode, Mode, Mode];
  const keys: readonly (readonly [Mode, number])[] = [
    [mode, 0],
    [mode, 5],
    [mode, 7],
    [plain, 5],
    [plain, 7],
    [relative, isMinor ? 3 : 9],
    [parallel, 0],
  ];
  return keys.map(([each, steps]) => ({ mode: each, home: (home + steps) % 12 }));
}

/**
 * Whether the notes that two modes have in other forms have changed: those of the run sound in it, and those of the base hardly any more. A tune in which both
 * sound throughout plays a degree in two ways.
 */
function isTurned(tune: Tune, { from, to, state }: Run, base: State): boolean {
  const [own, other] = [state.sounds & ~base.sounds, base.sounds & ~state.sounds];
  if (own === 0 && other === 0) return true;
  const middle = from + Math.floor((to - from + 1) / 2);
  const halves = [
    { from, to: middle - 1 },
    { from: middle, to },
  ].map((bars) => {
    const part = excerptOf(tune, bars);
    const time = timeBySound(allNotes(part));
    const timeOf = (sounds: PitchClassSet) =>
      time.reduce((sum, each, sound) => sum + (holds(sounds, sound) ? each : 0), 0);
    const last = part.notes.at(-1);
    return { own: timeOf(own), other: timeOf(other), end: last && soundAt(last) };
  });
  const all = halves.reduce((sum, half) => sum + half.own, 0);
  return (
    all > 0 &&
    halves.every((half) => half.other <= (MIXED / 2) * all) &&
    // A raised note that is heard in one half alone, and led up from at its end, was the leading tone of a cadence.
    (halves.every((half) => half.own > 0) ||
      halves.every((half) => half.own === 0 || half.end === undefined || !holds(own, half.end - 1)))
  );
}

/** A note that has changed sounds in its old form at most so long, by the time of the new one. */
const MIXED = 0.2;

/** Whether a run goes on for long enough, its home sounds in it, and it ends there; of several voices, whether a phrase rests on it. */
function lasts(tune: Tune, { from, to, state }: Run): boolean {
  if (to - from + 1 < LASTS.bars) return false;
  const part = excerptOf(tune, { from, to });
  const heard = hear(part, true);
  if (!heard || (heard.sounding[state.home] ?? 0) < LASTS.home) return false;
  const { voices } = heard;
  return voices
    ? [...voices.cadences, voices.last].some((cadence) => cadence.to.sound === state.home)
    : soundAt(part.notes.at(-1) as TuneNote) === state.home;
}

/** Bars before and after the end of a unit between which a change may lie. */
const REACH = 4;

/** What a cut after eight bars has in its favour. */
const USUAL_CUT = 2.5;

/** The bar from which the second of two states suits the notes better, between the middles of their runs. */
function bestCut(
  tune: Tune,
  before: BarRange & { readonly state: State },
  after: BarRange & { readonly state: State },
): number {
  const from = Math.max(before.from + 1, after.from - REACH);
  const to = Math.min(after.to, after.from + REACH);
  const [one, other] = [before.state, after.state].map(({ mode, home }) => {
    const row = expectedSounding(mode);
    return (sound: number) => row[above(sound, home)] ?? 0;
  });
  const notes = allNotes(tune);
  let [sum, best] = [0, { bar: after.from, sum: -Infinity }];
  for (let bar = from; bar <= to; bar += 1) {
    // Eight bars are the usual length: another has to be clearly better.
    const gain = sum + (bar === after.from ? USUAL_CUT : 0);
    if (gain > best.sum) best = { bar, sum: gain };
    const time = timeBySound(notes.filter((note) => note.bar === bar));
    for (const [sound, quarters] of time.entries())
      if (quarters > 0) sum += quarters * ((one?.(sound) ?? 0) - (other?.(sound) ?? 0));
  }
  return best.bar;
}
