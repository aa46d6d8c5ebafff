import { hear } from "../../src/core/identify/hearing";
import { melodyTerms, type ScoredMode, scoredMode } from "../../src/core/identify/melody-score";
import { MELODY_NUMBERS, type MelodyNumbers, MODE_BIAS } from "../../src/core/identify/tune-evidence";
import { SEVEN } from "../../src/core/scale";
import type { Tune } from "../../src/core/tune";
import { calibrationError } from "../../tests/accuracy/calibration";

/** A tune with the home (a sounding pitch class) and mode, by its id, that its editor gives it. */
export interface LabelledTune {
  readonly tune: Tune;
  readonly home: number;
  readonly mode: string;
}

/** The numbers of the identifier of one voice: what its terms are multiplied by, and what each mode has in its favour. */
export interface Fitted extends MelodyNumbers {
  readonly bias: Readonly<Record<string, number>>;
  readonly tunes: Readonly<Record<string, number>>;
}

/** How often the likeliest home, and home and mode, are right, and how far what is told lies from what is right over tens of weights. */
export interface FitScore {
  readonly tunes: number;
  readonly home: number;
  readonly mode: number;
  readonly calibration: number;
}

const MODES: readonly ScoredMode[] = SEVEN.map(scoredMode);

type Table = keyof MelodyNumbers["tables"];
type Flag = keyof MelodyNumbers["flags"];
const TABLES = Object.keys(MELODY_NUMBERS.tables) as readonly Table[];
const FLAGS = Object.keys(MELODY_NUMBERS.flags) as readonly Flag[];
const THIRDS = ["major", "minor"] as const;
const DEGREES = 8;

/** Where each number stands in a row of all: the tables, the triads, the flags, the modes. */
const PLACE = {
  table: (table: number, third: number, degree: number) => (table * 2 + third) * DEGREES + degree,
  triad: (degree: number) => TABLES.length * 2 * DEGREES + degree,
  flag: (flag: number) => TABLES.length * 2 * DEGREES + DEGREES + flag,
  mode: (mode: number) => TABLES.length * 2 * DEGREES + DEGREES + FLAGS.length + mode,
};
const COUNT = PLACE.mode(SEVEN.length);

/** A row of all numbers as the identifier takes them. */
function numbersOf(row: ArrayLike<number>): MelodyNumbers {
  const degrees = (from: number) =>
    Array.from({ length: DEGREES }, (_, at) => row[from + at] ?? 0) as unknown as MelodyNumbers["triads"];
  return {
    tables: Object.fromEntries(
      TABLES.map((name, table) => [
        name,
        { major: degrees(PLACE.table(table, 0, 0)), minor: degrees(PLACE.table(table, 1, 0)) },
      ]),
    ) as MelodyNumbers["tables"],
    triads: degrees(PLACE.triad(0)),
    flags: Object.fromEntries(
      FLAGS.map((name, flag) => [name, row[PLACE.flag(flag)] ?? 0]),
    ) as MelodyNumbers["flags"],
  };
}

/** The numbers in use, as a row. */
export function rowInUse(): Float64Array {
  const row = new Float64Array(COUNT);
  for (const [table, name] of TABLES.entries())
    for (const [third, which] of THIRDS.entries())
      for (const [degree, number] of MELODY_NUMBERS.tables[name][which].entries())
        row[PLACE.table(table, third, degree)] = number;
  for (const [degree, number] of MELODY_NUMBERS.triads.entries()) row[PLACE.triad(degree)] = number;
  for (const [flag, name] of FLAGS.entries()) row[PLACE.flag(flag)] = MELODY_NUMBERS.flags[name];
  for (const [mode, { id }] of SEVEN.entries()) row[PLACE.mode(mode)] = MODE_BIAS[id] ?? 0;
  return row;
}

/** What every candidate of a tune has of each number, and which candidate is right. */
export interface Case {
  readonly homes: readonly number[];
  readonly modes: readonly number[];
  readonly right: number;
  /** Candidate by candidate: what each number is multiplied by. */
  readonly features: readonly Float64Array[];
}

/** Each number by itself, 1, all others 0: the score is a sum, so that this gives what it is multiplied by. */
const PROBES = Array.from({ length: PLACE.mode(0) }, (_, at) =>
  numbersOf(Float64Array.from({ length: COUNT }, (_each, place) => (place === at ? 1 : 0))),
);

/** The cases of labelled tunes; without those whose home never sounds, whose mode is none of the seven, or in several voices. */
export function casesOf(tunes: readonly LabelledTune[]): readonly Case[] {
  return tunes.flatMap(({ tune, home, mode }) => {
    const hearing = hear({ ...tune, keys: [], chords: [], beneath: [] });
    if (!hearing) return [];
    const homes: number[] = [];
    const modes: number[] = [];
    const features: Float64Array[] = [];
    for (let sound = 0; sound < 12; sound += 1) {
      if (hearing.names[sound] === undefined) continue;
      for (const [at, scored] of MODES.entries()) {
        homes.push(sound);
        modes.push(at);
        features.push(featuresOf(hearing.melody, scored, sound, at));
      }
    }
    const right = homes.findIndex((sound, at) => sound === home && SEVEN[modes[at] ?? -1]?.id === mode);
    return right < 0 ? [] : [{ homes, modes, right, features }];
  });
}

function featuresOf(
  melody: Parameters<typeof melodyTerms>[0],
  scored: ScoredMode,
  home: number,
  mode: number,
): Float64Array {
  const row = new Float64Array(COUNT);
  const other = scored.isMajor ? 1 : 0;
  for (const [at, probe] of PROBES.entries()) {
    // Rows of the other third say nothing of this mode.
    if (at < PLACE.triad(0) && Math.floor(at / DEGREES) % 2 === other) continue;
    let sum = 0;
    for (const term of Object.values(melodyTerms(melody, scored, home, melody.sounding, probe))) sum += term;
    row[at] = sum;
  }
  row[PLACE.mode(mode)] = 1;
  return row;
}

/** Chances of the candidates of a case. */
function chances({ features }: Case, row: Float64Array): Float64Array {
  const scores = Float64Array.from(features, (each) => {
    let sum = 0;
    for (let at = 0; at < COUNT; at += 1) sum += (each[at] ?? 0) * (row[at] ?? 0);
    return sum;
  });
  const most = scores.reduce((best, each) => Math.max(best, each), -Infinity);
  let all = 0;
  for (const [at, score] of scores.entries()) all += scores[at] = Math.exp(score - most);
  return scores.map((each) => each / all);
}

/** How the numbers are found: steps of gradient ascent with momentum of two kinds (Adam, Kingma and Ba 2015), each number held towards 0. */
const FIT = { steps: 400, rate: 0.05, first: 0.9, second: 0.999, ridge: 0.002 };

/**
 * The numbers under which the labels are likeliest (conditional logit: the probability of a candidate is the softmax of its sum), from
 * nothing, each number held towards 0 a little. The same cases give the same numbers.
 */
export function fitted(cases: readonly Case[]): Float64Array {
  const row = new Float64Array(COUNT);
  const [first, second] = [new Float64Array(COUNT), new Float64Array(COUNT)];
  for (let step = 1; step <= FIT.steps; step += 1) {
    const slope = new Float64Array(COUNT);
    for (const each of cases) {
      const shares = chances(each, row);
      for (const [at, features] of each.features.entries()) {
        const more = (at === each.right ? 1 : 0) - (shares[at] ?? 0);
        if (Math.abs(more) < 1e-6) continue;
        for (let place = 0; place < COUNT; place += 1)
          slope[place] = (slope[place] ?? 0) + more * (features[place] ?? 0);
      }
    }
    for (let at = 0; at < COUNT; at += 1) {
      const up = (slope[at] ?? 0) / (cases.length || 1) - FIT.ridge * (row[at] ?? 0);
      const [one, other] = [
        (first[at] = FIT.first * (first[at] ?? 0) + (1 - FIT.first) * up),
        (second[at] = FIT.second * (second[at] ?? 0) + (1 - FIT.second) * up * up),
      ];
      row[at] =
        (row[at] ?? 0) +
        (FIT.rate * (one / (1 - FIT.first ** step))) / (Math.sqrt(other / (1 - FIT.second ** step)) + 1e-8);
    }
  }
  return row;
}

/** How well a row of numbers tells some cases. */
export function scoreOf(cases: readonly Case[], row: Float64Array): FitScore {
  const told = cases.map((each) => {
    const shares = chances(each, row);
    const best = shares.reduce((most, share, at) => (share > (shares[most] ?? 0) ? at : most), 0);
    const isHome = each.homes[best] === each.homes[each.right];
    return { weight: shares[best] ?? 0, isRight: best === each.right, isHome };
  });
  const share = (some: readonly unknown[]) => some.length / (cases.length || 1);
  return {
    tunes: cases.length,
    home: share(told.filter(({ isHome }) => isHome)),
    mode: share(told.filter(({ isRight }) => isRight)),
    calibration: calibrationError(told),
  };
}

/** What is told of held-out tunes: each fifth by numbers that were fitted on the other four. */
export function heldOut(
  cases: readonly Case[],
  folds = 5,
): { readonly fitted: FitScore; readonly inUse: FitScore } {
  const parts = Array.from({ length: folds }, (_, fold) => ({
    own: cases.filter((_each, at) => at % folds === fold),
    others: cases.filter((_each, at) => at % folds !== fold),
  })).filter(({ own, others }) => own.length > 0 && others.length > 0);
  const scores = parts.map(({ own, others }) => scoreOf(own, fitted(others)));
  const sum = (of: (score: FitScore) => number) =>
    scores.reduce((all, score) => all + of(score) * score.tunes, 0) / (cases.length || 1);
  return {
    fitted: {
      tunes: cases.length,
      home: sum(({ home }) => home),
      mode: sum(({ mode }) => mode),
      calibration: sum(({ calibration }) => calibration),
    },
    inUse: scoreOf(cases, rowInUse()),
  };
}

const three = (number: number) => Number(number.toFixed(3));

/** The module of constants with a row of numbers in place of its own, as the source text of `tune-evidence.ts`. */
export function withNumbers(
  source: string,
  row: Float64Array,
  cases: readonly Case[],
  on: string,
  score: FitScore,
): string {
  const { tables, triads, flags } = numbersOf(row);
  const degrees = (numbers: readonly number[]) => `[${numbers.map(three).join(", ")}]`;
  const counts = (mode: number) => cases.filter(({ modes, right }) => modes[right] === mode).length;
  const put = (text: string, name: string, value: string): string => {
    const found = new RegExp(`(export const ${name}[^=]*= )(?:\\{[\\s\\S]*?\\n\\}|\\[[^\\]]*\\])`, "u");
    if (!found.test(text)) throw new Error(`${name} isn’t where it was.`);
    return text.replace(found, (_, head: string) => head + value);
  };
  const tableText = `{\n${TABLES.map((name) => `  ${name}: {\n    major: ${degrees(tables[name].major)},\n    minor: ${degrees(tables[name].minor)},\n  },`).join("\n")}\n}`;
  const flagText = `{\n${FLAGS.map((name) => `  ${name}: ${three(flags[name])},`).join("\n")}\n}`;
  const modeText = (of: (mode: number) => number) =>
    `{\n${SEVEN.map(({ id }, mode) => `  ${id}: ${three(of(mode))},`).join("\n")}\n}`;
  const filled = [
    ["DEGREE_TABLES", tableText],
    ["TRIAD_ROW", degrees(triads)],
    ["FLAGS", flagText],
    ["MODE_BIAS", modeText((mode) => row[PLACE.mode(mode)] ?? 0)],
    ["COUNTED_TUNES", modeText(counts)],
  ].reduce((text, [name = "", value = ""]) => put(text, name, value), source);
  const told = `Fitted on ${on} on ${cases.length} labelled tunes by \`npm run fit\`. Held out by fifths home is right in ${three(score.home)}, home and mode in ${three(score.mode)}; what is told lies ${three(score.calibration)} from what is right.`;
  return filled.replace(/ \* Fitted (?:in|on) [\s\S]*?To do it\n \* again/u, ` * ${told} To do it\n * again`);
}
