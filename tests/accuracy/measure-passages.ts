import { type Identification, identify } from "../../src/core/identify";
import { soundOf } from "../../src/core/pitch";
import type { Tune } from "../../src/core/tune";
import { readNotes } from "../../src/formats";
import { contradictions } from "./contradictions";
import { type Label, makeTune, pick, seeded } from "./model";
import { makeChanging, type MadePassages, makeStaying, STAYING } from "./passages-model";
import { makePiece } from "./voices-model";

const read = (notes: string): Tune => readNotes(notes).value;
const seedsFrom = (first: number, count: number) => Array.from({ length: count }, (_, at) => first + at);
const share = (count: number, of: number) => (of === 0 ? 0 : count / of);

const isIn = ({ homeMode }: { readonly homeMode: Identification["homeMode"] }, label: Label) =>
  soundOf(homeMode.home) === soundOf(label.home) && homeMode.mode.id === label.mode;

/** Of tunes that stay in their mode, how many are told to change, by kind and in all. */
export function falseChanges(seeds: readonly number[]) {
  const told = seeds.map((seed) => {
    const made = makeStaying(seed);
    return { kind: made.kind, isFalse: identify(read(made.notes))?.changes === true };
  });
  const of = (some: typeof told) => share(some.filter(({ isFalse }) => isFalse).length, some.length);
  return {
    all: of(told),
    byKind: STAYING.map((kind) => ({ kind, share: of(told.filter((each) => each.kind === kind)) })),
  };
}

/** Whether each part sounds all notes of its mode, so that the mode can be told. */
function isTellable(tune: Tune, { parts = [] }: MadePassages): boolean {
  return parts.every(({ fromBar }, at) => {
    const to = parts[at + 1]?.fromBar ?? Infinity;
    const own = tune.notes.filter(({ bar }) => bar + 1 >= fromBar && bar + 1 < to);
    return new Set(own.map(({ pitch }) => soundOf(pitch.name))).size === 7;
  });
}

/** Of tunes that change their mode and play all its notes, how many are found with the mode of each part: on the same home, and on another. */
export function foundChanges(seeds: readonly number[]) {
  const told = seeds.flatMap((seed) => {
    const made = makeChanging(seed);
    const tune = read(made.notes);
    if (!isTellable(tune, made)) return [];
    const passages = identify(tune)?.passages ?? [];
    const parts = made.parts ?? [];
    const isFound =
      passages.length === parts.length &&
      parts.every((part, at) => isIn(passages[at] as (typeof passages)[number], part));
    return [{ isSameHome: made.kind.startsWith("same home"), isFound }];
  });
  const of = (some: typeof told) => share(some.filter(({ isFound }) => isFound).length, some.length);
  return {
    tunes: told.length,
    sameHome: of(told.filter(({ isSameHome }) => isSameHome)),
    elsewhere: of(told.filter(({ isSameHome }) => !isSameHome)),
  };
}

/** A tune stopped in the middle of a phrase, after three fifths of it at least, with its signs for sections; and one that is played twice and begun again. */
function stopped(notes: string, seed: number): { readonly cut: string; readonly round: string } {
  const random = seeded(seed);
  const pieces = notes
    .trim()
    .split(/(\|\|?)/u)
    .map((piece) => piece.trim());
  const bars = pieces.filter((piece) => piece !== "" && !piece.startsWith("|"));
  let whole = Math.floor(bars.length * (0.6 + 0.35 * random()));
  while (whole % 4 === 0) whole -= 1;
  const stoppedBar = (bars[whole] ?? "").split(" ");
  const part = stoppedBar.slice(0, Math.max(1, Math.floor(stoppedBar.length * random()))).join(" ");
  let seen = 0;
  const kept = pieces.filter((piece) => {
    if (piece !== "" && !piece.startsWith("|")) seen += 1;
    return seen <= whole && piece !== "";
  });
  const all = bars.join(" | ");
  return { cut: `${kept.join(" ")} ${part}`, round: `${all} | ${all} | ${bars.slice(0, 2).join(" | ")}` };
}

/** How often home is right of whole tunes that end on it, of the same stopped in mid-phrase, and played round. */
export function stoppedScore(seeds: readonly number[]) {
  const tunes = seeds.map(makeTune).filter(({ kind, ending }) => kind === "plain" && ending === "home");
  const isRight = (notes: string, label: Label) => {
    const [first] = identify(read(notes), { expects: "modal" })?.whole ?? [];
    return first !== undefined && soundOf(first.homeMode.home) === soundOf(label.home);
  };
  const of = (notes: (tune: (typeof tunes)[number], at: number) => string) =>
    share(tunes.filter((tune, at) => isRight(notes(tune, at), tune)).length, tunes.length);
  return {
    tunes: tunes.length,
    whole: of(({ notes }) => notes),
    cut: of(({ notes }, at) => stopped(notes, at).cut),
    round: of(({ notes }, at) => stopped(notes, at).round),
  };
}

/** A tune with a chord symbol on each bar, a triad on one of the notes of its mode: some have what no note plays. */
function withChords(tune: Tune, seed: number): Tune {
  const random = seeded(seed * 17 + 3);
  const roots = tune.notes.map(({ pitch }) => pitch.name);
  const chords = tune.bars.map(({ start, length }, bar) => {
    const third = random() < 0.5 ? 4 : -3;
    return {
      chord: { root: pick(random, roots), tones: [0, third, 1], optional: [] },
      onset: start,
      duration: length,
      bar,
    };
  });
  return { ...tune, chords };
}

/** A tune in which one note is played a quarter tone away wherever it stands. */
function withQuarters(tune: Tune, seed: number): Tune {
  const random = seeded(seed * 19 + 5);
  const name = pick(random, tune.notes).pitch.name;
  const quarter = random() < 0.5 ? 1 : -1;
  return {
    ...tune,
    notes: tune.notes.map((note) => (note.pitch.name === name ? { ...note, quarter } : note)),
  };
}

/** How many tunes of all kinds are told something that their notes contradict. */
export function contradicted(seeds: readonly number[]): {
  readonly tunes: number;
  readonly contradicted: readonly string[];
} {
  const tunes = seeds.flatMap((seed) => [
    read(makeTune(seed).notes),
    read(makeStaying(seed).notes),
    read(makeChanging(seed).notes),
    makePiece(seed).tune,
    withChords(read(makeTune(seed).notes), seed),
    withQuarters(read(makeStaying(seed).notes), seed),
  ]);
  const found = tunes.flatMap((tune) => {
    const answer = identify(tune);
    return answer ? contradictions(tune, answer).slice(0, 1) : [];
  });
  return { tunes: tunes.length, contradicted: found };
}

const three = (number: number) => number.toFixed(3);

/** What `npm run accuracy` prints of passages, of tunes that stop, and of sentences. */
export function passagesReport(): readonly string[] {
  const stays = falseChanges(seedsFrom(20_000, 800));
  const changes = foundChanges(seedsFrom(20_000, 800));
  const stops = stoppedScore(seedsFrom(20_160, 900));
  const said = contradicted(seedsFrom(20_000, 2_500));
  return [
    "Changes of mode: tunes that lean elsewhere in a part and stay, and tunes that change",
    `  told to change though they stay: ${three(stays.all)} (${stays.byKind.map(({ kind, share: own }) => `${kind} ${three(own)}`).join(", ")})`,
    `  of ${changes.tunes} that change and play all notes, found with every mode: on the same home ${three(changes.sameHome)}, on another ${three(changes.elsewhere)}`,
    `Home of ${stops.tunes} tunes: whole ${three(stops.whole)}, stopped in mid-phrase ${three(stops.cut)}, played round and begun again ${three(stops.round)}`,
    `Sentences of ${said.tunes} tunes that contradict their notes: ${said.contradicted.length}`,
  ];
}
