import { printChord } from "../chord";
import { type Fifths, halfSteps, type Interval, modulo, printDegree, printName } from "../pitch";
import { bestVamp, type Vamp } from "../progression";
import {
  characteristicOf,
  characteristicSwap,
  type HomeMode,
  maybeMode,
  type Neighbour,
  type Mode,
  mode as modeById,
  notesOf,
  parentOf,
  type Swap,
  thirdOf,
} from "../scale";
import { differsBy, knownNeighbour, NOTHING, targetChord } from "./asks";
import type { Texture } from "./card";
import { PHRASE_BEATS } from "./contour";
import type { Asked, Exam } from "./exam";
import { ECHO_BEATS, echoLine, type HeardNote, phraseIn } from "./phrase";
import { oneOf, type Random, seeded, shuffled } from "./random";
import { tuneIn, tunesFor } from "./tune-texture";

/** What is played: a line in half steps above home, what is under it, and how long it lasts. Times are in beats. */
export interface HeardQuestion {
  readonly line: readonly HeardNote[];
  readonly beats: number;
  /** Home is held below. */
  readonly hasDrone: boolean;
  /** Two chords, two bars each in turn. */
  readonly vamp?: Vamp | undefined;
}

/** A question with what may be answered. Answers are ids: of modes, degrees, note names, chords; what the screen calls them is its own matter. */
export interface Question {
  readonly asked: Asked;
  readonly homeMode: HomeMode;
  /** Undefined where nothing is heard. */
  readonly heard: HeardQuestion | undefined;
  /** In the order in which they are shown; none where the answer is written. */
  readonly choices: readonly string[];
  /** Every answer that is right. */
  readonly right: readonly string[];
  /** The note that may have been swapped, where that is asked. */
  readonly swap?: Swap | undefined;
  /** The mode that a fingering is known of, and the note to be moved. */
  readonly known?: Neighbour | undefined;
}

/** What of an exam says how a question is heard. */
type HeardBy = Pick<Exam, "octaves" | "way" | "tunes">;

const vampText = ({ chords }: Vamp): string => chords.map((chord) => printChord(chord)).join(" ");

/**
 * A question made from how it is set: the same every time, so that a row of them can be gone on with later.
 *
 * @throws RangeError where the mode of its card isn't known.
 * @example questionOf({ card: { question: "third", mode: "dorian", texture: "drone" }, home: 2, seed: 1 }, exam).right // ["b3"]
 */
export function questionOf(asked: Asked, exam: HeardBy & Pick<Exam, "modes">): Question {
  const { card, home, seed } = asked;
  const random = seeded(seed);
  const mode = modeById(card.mode);
  const homeMode: HomeMode = { home, mode };
  const settings = { ...exam, octaves: asked.octaves ?? exam.octaves };
  const modes = (asked.choices ?? exam.modes).flatMap((id) => maybeMode(id) ?? []);
  const heard = (among: readonly Mode[] = modes): HeardQuestion =>
    heardAs(homeMode, card.texture ?? "drone", settings, seed, among);
  const made = (part: Omit<Question, "asked" | "homeMode">): Question => ({ asked, homeMode, ...part });
  switch (card.question) {
    case "third":
      return made({ heard: heard(), choices: ["3", "b3"], right: [thirdOf(mode) === 4 ? "3" : "b3"] });
    case "mode":
      return made({ heard: heard(), choices: modes.map(({ id }) => id), right: [mode.id] });
    case "two":
    case "pair": {
      const pair = pairWith(mode, modes, random);
      const alone = (each: Mode) => heardAs({ home, mode: each }, "drone", settings, seed, pair);
      return made({
        heard: card.question === "two" ? heard(pair) : inTurn([...pair, mode].map(alone)),
        choices: pair.map(({ id }) => id),
        right: [mode.id],
      });
    }
    case "differs":
      return made({
        heard: heard(),
        choices: [...new Set([...modes, mode].map(differsBy))].toSorted(nothingFirst),
        right: [differsBy(mode)],
      });
    case "swap": {
      const swap = characteristicSwap(mode);
      const isSwapped = swap !== undefined && random() < 0.5;
      const choices = swap ? [printDegree(swap.from), printDegree(swap.to)] : [];
      return made({
        heard: isSwapped ? swappedIn(heard(), swap) : heard(),
        choices,
        right: choices.slice(isSwapped ? 1 : 0, isSwapped ? 2 : 1),
        swap,
      });
    }
    case "interval": {
      const others = mode.intervals.filter((interval) => interval !== 0);
      const chosen = others[Math.floor(random() * others.length)] ?? 0;
      return made({
        heard: {
          line: [0, halfSteps(chosen)].map((step, at) => ({ step, at: at * 2, length: 2 })),
          beats: 4,
          hasDrone: true,
        },
        choices: others.map((interval) => printDegree(interval)),
        right: [printDegree(chosen)],
      });
    }
    case "target-chord": {
      const target = targetChord(homeMode);
      // Either chord may begin, so that its place says nothing.
      const isTurned = random() < 0.5;
      return made({
        heard: { ...heard(), line: [], vamp: target && (isTurned ? turned(target.vamp) : target.vamp) },
        choices: ["first", "second"],
        right: [(target?.at === 1) !== isTurned ? "second" : "first"],
      });
    }
    case "echo": {
      const line = echoLine(mode, random);
      return made({
        heard: { line, beats: ECHO_BEATS, hasDrone: true },
        choices: [],
        right: [line.map(({ step }) => modulo(step, 12)).join(" ")],
      });
    }
    case "home":
      return made({ heard: heard(), choices: [], right: ["0"] });
    case "spell":
      return made({
        heard: undefined,
        choices: [],
        right: [
          notesOf(homeMode)
            .map((note) => printName(note))
            .join(" "),
        ],
      });
    case "parent": {
      const { tonic } = parentOf(homeMode);
      const near = shuffled(random, [-2, -1, 1, 2]).slice(0, 3);
      const tonics = [tonic, ...near.map((by) => tonic + by)].toSorted(byLetter);
      return made({
        heard: undefined,
        choices: tonics.map((note) => printName(note)),
        right: [printName(tonic)],
      });
    }
    case "characteristic":
      return made({
        heard: undefined,
        choices: notesOf(homeMode)
          .slice(1)
          .map((note) => printName(note)),
        right: characteristicOf(mode).map((interval) => printName(home + interval)),
      });
    case "find": {
      const [first = 0, ...others] = characteristicOf(mode);
      return made({
        heard: undefined,
        choices: [],
        right: [printName(home + oneOf(random, [first, ...others]))],
      });
    }
    case "moves": {
      const known = knownNeighbour(mode);
      return made({
        heard: undefined,
        choices: [],
        right: known ? [printName(home + known.to)] : [],
        known,
      });
    }
    case "chords-mode":
      return made({ heard: undefined, choices: modes.map(({ id }) => id), right: [mode.id] });
    case "mode-chords": {
      const texts = modes.flatMap((each) => {
        const vamp = bestVamp({ home, mode: each });
        return vamp ? [vampText(vamp)] : [];
      });
      const best = bestVamp(homeMode);
      return made({
        heard: undefined,
        choices: [...new Set(texts)].toSorted(),
        right: best ? [vampText(best)] : [],
      });
    }
  }
}

const nothingFirst = (a: string, b: string): number =>
  Number(b === NOTHING) - Number(a === NOTHING) || a.length - b.length || (a < b ? -1 : 1);

const byLetter = (a: Fifths, b: Fifths): number => modulo(a * 4, 7) - modulo(b * 4, 7) || a - b;

/** A mode and another one of some, in the order in which they stand there. */
function pairWith(mode: Mode, modes: readonly Mode[], random: Random): readonly Mode[] {
  const [first, ...others] = modes.filter((each) => each !== mode);
  if (!first) return [mode];
  const other = oneOf(random, [first, ...others]);
  return modes.filter((each) => each === mode || each === other);
}

/** The same two chords, the other one first. */
const turned = ({ chords: [first, second], degrees: [one, other] }: Vamp): Vamp => ({
  chords: [second, first],
  degrees: [other, one],
});

/** Several things that are heard, one after another. */
const inTurn = (parts: readonly HeardQuestion[]): HeardQuestion => ({
  line: parts.flatMap(({ line, beats }, nth) => line.map((note) => ({ ...note, at: note.at + nth * beats }))),
  beats: parts.reduce((sum, { beats }) => sum + beats, 0),
  hasDrone: parts.some(({ hasDrone }) => hasDrone),
});

/** A line with its characteristic note swapped. */
const swappedIn = (heard: HeardQuestion, { from, to }: Swap): HeardQuestion => ({
  ...heard,
  line: heard.line.map((note) =>
    modulo(note.step, 12) === halfSteps(from) ? { ...note, step: note.step + nearestStep(from, to) } : note,
  ),
});

const nearestStep = (from: Interval, to: Interval): number =>
  modulo(halfSteps(to) - halfSteps(from) + 6, 12) - 6;

/** A mode as it is heard in a texture. */
function heardAs(
  homeMode: HomeMode,
  texture: Texture,
  { octaves, way, tunes }: HeardBy,
  seed: number,
  among: readonly Mode[],
): HeardQuestion {
  const { mode } = homeMode;
  const [tune, ...others] = texture === "tune" ? tunesFor(among, tunes) : [];
  if (tune) {
    const chosen = oneOf(seeded(seed + 2), [tune, ...others]);
    return { line: tuneIn(chosen, mode), beats: chosen.beats, hasDrone: false };
  }
  if (texture === "phrase" || texture === "vamp" || texture === "tune") {
    const line = phraseIn(mode, among, seeded(seed + 1));
    const vamp = texture === "vamp" ? bestVamp(homeMode) : undefined;
    return { line, beats: PHRASE_BEATS, hasDrone: texture === "vamp" && !vamp, vamp };
  }
  const steps = scaleSteps(mode, octaves, way);
  const beats = Math.ceil((steps.length + 3) / 2 / 4) * 4;
  const line = steps.map((step, at) => ({
    step,
    at: at / 2,
    length: at === steps.length - 1 ? beats - at / 2 : 0.5,
  }));
  return { line, beats, hasDrone: texture === "drone" };
}

/** Half steps of a mode over one octave or two, up, down, or up and down again. */
function scaleSteps(mode: Mode, octaves: 1 | 2, way: Exam["way"]): readonly number[] {
  const one = mode.intervals.map(halfSteps).toSorted((a, b) => a - b);
  const up = [
    ...Array.from({ length: octaves }, (_, octave) => one.map((step) => step + 12 * octave)).flat(),
    12 * octaves,
  ];
  const down = up.toReversed();
  return way === "up" ? up : way === "down" ? down : [...up, ...down.slice(1)];
}
