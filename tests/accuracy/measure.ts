import { type Identification, identify } from "../../src/core/identify";
import { soundOf } from "../../src/core/pitch";
import { mode as modeById, type Mode, soundsOn } from "../../src/core/scale";
import type { Tune } from "../../src/core/tune";
import { readAbc, readNotes } from "../../src/formats";
import { BASELINES, type Method } from "./baselines";
import { calibration, calibrationError, type Told } from "./calibration";
import { type Label, makeTune, type MadeTune, MODE_NAMES, type ModeName } from "./model";
import { passagesReport } from "./measure-passages";
import { makePiece } from "./voices-model";

/** Tunes that are made: every mode on every home in five kinds, this many times. */
const ROUND = 7 * 12 * 5;
const MADE = ROUND * 3;
/** The first rounds were looked at while the identifier was made; none of them is measured on. */
const FIRST_SEED = ROUND * 10;

/** A tune with what it is in. */
interface Labelled {
  readonly tune: Tune;
  readonly label: Label;
  readonly made?: MadeTune | undefined;
}

const isMode = (id: string): id is ModeName => (MODE_NAMES as readonly string[]).includes(id);
const sameHome = (one: Pick<Label, "home">, other: Pick<Label, "home">) =>
  soundOf(one.home) === soundOf(other.home);
const soundsOf = ({ home, mode }: Label) => soundsOn({ home, mode: modeById(mode) });

/** How often something came out right. */
export interface Score {
  readonly tunes: number;
  readonly home: number;
  readonly parent: number;
  /** Home and mode. */
  readonly mode: number;
}

export function scoreOf(all: readonly Labelled[], find: (each: Labelled) => Label | undefined): Score {
  const right = { home: 0, parent: 0, mode: 0 };
  for (const each of all) {
    const found = find(each);
    if (!found) continue;
    const isHome = sameHome(found, each.label);
    right.home += isHome ? 1 : 0;
    right.parent += soundsOf(found) === soundsOf(each.label) ? 1 : 0;
    right.mode += isHome && found.mode === each.label.mode ? 1 : 0;
  }
  const share = (count: number) => (all.length === 0 ? 0 : count / all.length);
  return { tunes: all.length, home: share(right.home), parent: share(right.parent), mode: share(right.mode) };
}

/** All tunes that are measured on: made by the model, and composed by hand. */
function madeTunes(): readonly Labelled[] {
  return Array.from({ length: MADE }, (_, at) => {
    const made = makeTune(FIRST_SEED + at);
    return { tune: readNotes(made.notes).value, label: made, made };
  });
}

/** The tunes of an ABC text, their key fields taken away for labels. */
export async function composedTunes(abc: string): Promise<readonly Labelled[]> {
  const { value } = await readAbc(abc);
  return value.flatMap(({ tune }) => {
    const [key, ...changes] = tune.keys ?? [];
    return changes.length === 0 && key && isMode(key.mode.id)
      ? [{ tune: { ...tune, keys: [] }, label: { home: key.home, mode: key.mode.id } }]
      : [];
  });
}

const answerOf = (found: Identification | undefined): Label | undefined => {
  const [first] = found?.whole ?? [];
  // A mode that is none of the seven is an answer all the same, and a wrong one here.
  return first && { home: first.homeMode.home, mode: first.homeMode.mode.id as ModeName };
};

const calibrationRows = (of: string, all: readonly Told[]): readonly string[] => [
  `Calibration of ${of} (of answers with such a weight, how many are right); error ${three(calibrationError(all))}`,
  ...calibration(all).map(
    ({ from, tunes, mean, right }) =>
      `  ${from.toFixed(1)} to ${(from + 0.1).toFixed(1)}  ${String(tunes).padStart(5)}  told ${three(mean)}  right ${three(right)}`,
  ),
];

/** Pieces in four voices that are made by rule; none of the first was measured on, which were looked at. */
const PIECES = 600;
const FIRST_PIECE = 10_000;

/** What is printed of pieces in several voices. */
function voicesReport(): readonly string[] {
  const pieces = Array.from({ length: PIECES }, (_, at) => {
    const { tune, home, mode, ending } = makePiece(FIRST_PIECE + at);
    return { tune, label: { home, mode }, ending };
  });
  const found = new Map(pieces.map((piece) => [piece.tune, identify(piece.tune)]));
  const own = ({ tune }: Labelled) => answerOf(found.get(tune));
  const ending = (end: (typeof pieces)[number]["ending"]) => pieces.filter((piece) => piece.ending === end);
  return [
    `${PIECES} pieces in four voices made by rule${"".padEnd(20)} pieces  home  parent mode`,
    row("All", scoreOf(pieces, own)),
    row("  ending on home", scoreOf(ending("home"), own)),
    row("  ending elsewhere", scoreOf(ending("elsewhere"), own)),
    ...BASELINES.map(({ name, find }) =>
      row(
        `  ${name}`,
        scoreOf(pieces, ({ tune }) => find(tune)),
      ),
    ),
    ...confusion("What was found of pieces", pieces, own),
    ...calibrationRows(
      "the home and mode of pieces",
      pieces.flatMap(({ tune, label }) => told(found.get(tune), label, "mode")),
    ),
    `  one passage: ${three(pieces.filter(({ tune }) => found.get(tune)?.passages.length === 1).length / PIECES)}`,
  ];
}

const three = (share: number) => share.toFixed(3);
const row = (name: string, { tunes, home, parent, mode }: Score) =>
  `${name.padEnd(52)} ${String(tunes).padStart(5)}  ${three(home)}  ${three(parent)}  ${three(mode)}`;

/** Modes that were found of tunes in each mode, as a table. */
function confusion(
  name: string,
  all: readonly Labelled[],
  find: (each: Labelled) => Label | undefined,
): readonly string[] {
  const found = all.map((each) => ({ mode: each.label.mode, answer: find(each)?.mode }));
  const columns = [...MODE_NAMES, "other"];
  return [
    `${name} (rows: what it is; columns: the mode that was found, whatever its home)`,
    `${"".padEnd(12)}${columns.map((column) => column.slice(0, 6).padStart(8)).join("")}`,
    ...MODE_NAMES.map((mode) => {
      const own = found.filter((each) => each.mode === mode);
      const count = (column: string) =>
        own.filter(({ answer }) =>
          column === "other" ? answer === undefined || !isMode(answer) : answer === column,
        ).length;
      return `${mode.padEnd(12)}${columns.map((column) => String(count(column)).padStart(8)).join("")}`;
    }),
    "",
  ];
}

/** How many missed homes lie each number of half steps above the right one, from 1 to 11. */
function missedHomes(
  all: readonly Labelled[],
  find: (each: Labelled) => Label | undefined,
): readonly number[] {
  const counts = new Array<number>(11).fill(0);
  for (const each of all) {
    const answer = find(each);
    const above = answer ? soundOf(answer.home - each.label.home) : 0;
    if (above > 0) counts[above - 1] = (counts[above - 1] ?? 0) + 1;
  }
  return counts;
}

/** What is told of the likeliest home, parent or mode: its weight, all that share it added up, and whether it is right. */
function told(
  found: Identification | undefined,
  label: Label,
  what: "home" | "parent" | "mode",
): readonly Told[] {
  const nameOf = ({ home, mode }: { readonly home: number; readonly mode: Mode }): string =>
    what === "home"
      ? String(soundOf(home))
      : what === "parent"
        ? String(soundsOn({ home, mode }))
        : `${soundOf(home)} ${mode.id}`;
  const weights = new Map<string, number>();
  for (const { homeMode, weight } of found?.whole ?? [])
    weights.set(nameOf(homeMode), (weights.get(nameOf(homeMode)) ?? 0) + weight);
  const [first] = [...weights].sort((a, b) => b[1] - a[1]);
  if (!first) return [];
  const right = nameOf({ home: label.home, mode: modeById(label.mode) });
  return [{ weight: Math.min(1, first[1]), isRight: first[0] === right }];
}

/** Everything that `npm run accuracy` prints. */
export async function report(composedAbc: string): Promise<string> {
  const made = madeTunes();
  const composed = await composedTunes(composedAbc);
  const found = new Map<Labelled, Identification | undefined>();
  const unasked = new Map<Labelled, Identification | undefined>();
  const started = performance.now();
  // Every mode is made as often as every other, and that is what is expected of made tunes.
  for (const each of made) found.set(each, identify(each.tune, { expects: "modal" }));
  for (const each of composed) found.set(each, identify(each.tune));
  const each = (performance.now() - started) / found.size;
  for (const one of made) unasked.set(one, identify(one.tune));
  const own = (labelled: Labelled) => answerOf(found.get(labelled));
  const asIs = (labelled: Labelled) => answerOf(unasked.get(labelled));
  const stays = made.filter(({ made: from }) => from?.kind !== "changes mode");
  const turns = made.filter(({ made: from }) => from?.kind === "changes mode");
  const ofKind = (kind: MadeTune["kind"]) => made.filter(({ made: from }) => from?.kind === kind);
  const ending = (end: MadeTune["ending"]) => stays.filter(({ made: from }) => from?.ending === end);
  const whole = stays.filter(
    ({ made: from }) => from?.kind !== "one degree missing" && from?.ending === "home",
  );
  const long = whole.filter(({ tune }) => tune.notes.length >= 40);
  const missing = ofKind("one degree missing");
  const isNamed = (labelled: Labelled) => {
    const answer = found.get(labelled);
    const [first] = answer?.whole ?? [];
    return (
      first !== undefined &&
      sameHome(first.homeMode, labelled.label) &&
      (first.homeMode.mode.id === labelled.label.mode ||
        (answer?.undecided?.modes.some(({ mode }) => mode.id === labelled.label.mode) ?? false))
    );
  };
  const named = missing.filter(isNamed).length / missing.length;
  const head = `${"".padEnd(52)} tunes  home   parent mode`;
  const methods: readonly Method[] = BASELINES;
  const isTurn = (labelled: Labelled) => (found.get(labelled)?.passages.length ?? 1) > 1;
  const isChangeAt = (labelled: Labelled) => {
    const passages = found.get(labelled)?.passages ?? [];
    const [first, second] = passages;
    const { label, made: from } = labelled;
    return (
      passages.length === 2 &&
      first !== undefined &&
      second !== undefined &&
      from?.then !== undefined &&
      Math.abs(second.fromBar - from.then.fromBar) <= 1 &&
      sameHome(first.homeMode, label) &&
      first.homeMode.mode.id === label.mode &&
      sameHome(second.homeMode, from.then) &&
      second.homeMode.mode.id === from.then.mode
    );
  };
  const share = (all: readonly Labelled[], is: (labelled: Labelled) => boolean) =>
    three(all.filter(is).length / all.length);
  return [
    `${MADE} tunes made by a model, ${composed.length} composed by hand. Chance of a home: 0.083, of a mode: 0.012.`,
    "",
    head,
    row("Tunes that stay in their mode", scoreOf(stays, own)),
    row("  all seven notes may sound", scoreOf(ofKind("plain"), own)),
    row("  with passing chromatic notes", scoreOf(ofKind("passing chromatic notes"), own)),
    row("  one degree never sounds", scoreOf(missing, own)),
    row("  ending on home", scoreOf(ending("home"), own)),
    row("  ending on another tone of the home chord", scoreOf(ending("chord tone"), own)),
    row("  running on", scoreOf(ending("runs on"), own)),
    row("  ending on home, no degree missing", scoreOf(whole, own)),
    row("    of 40 notes and more", scoreOf(long, own)),
    row("  where any mode is expected, mostly major and minor", scoreOf(stays, asIs)),
    row("Composed by hand, any mode expected", scoreOf(composed, own)),
    `Of the tunes in which a degree never sounds, the mode is the answer or named as undecided in ${three(named)}.`,
    "",
    "Held against (tunes that stay, then composed):",
    ...methods.flatMap(({ name, find }) => [
      row(
        `  ${name}`,
        scoreOf(stays, ({ tune }) => find(tune)),
      ),
      row(
        "    composed by hand",
        scoreOf(composed, ({ tune }) => find(tune)),
      ),
    ]),
    "",
    "Passages: a tune that stays is one passage; one that changes mode after eight bars",
    `  stays, one passage: ${share(stays, (labelled) => !isTurn(labelled))}`,
    `  changes, more than one: ${share(turns, isTurn)}; both modes, and the bar within one: ${share(turns, isChangeAt)}`,
    "",
    ...confusion("What was found of tunes that stay", stays, own),
    ...methods.flatMap(({ name, find }) => confusion(name, stays, ({ tune }) => find(tune))),
    "Homes that were missed, by how many half steps above the right one what was found lies",
    `  ${Array.from({ length: 11 }, (_, at) => String(at + 1).padStart(5)).join("")}`,
    `  ${missedHomes(stays, own)
      .map((count) => String(count).padStart(5))
      .join("")}`,
    "",
    ...(["home", "parent", "mode"] as const).flatMap((what) =>
      calibrationRows(
        `the ${what === "mode" ? "home and mode" : what}`,
        stays.flatMap((labelled) => told(found.get(labelled), labelled.label, what)),
      ),
    ),
    "",
    ...voicesReport(),
    "",
    ...passagesReport(),
    "",
    `A tune was identified in ${each.toFixed(2)} ms on average.`,
  ].join("\n");
}
