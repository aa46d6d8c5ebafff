import { type Chord, printChord } from "../chord";
import { type Fifths, halfSteps, type Interval, modulo, printDegree, printName, soundOf } from "../pitch";
import { bestVamp, type Vamp } from "../progression";
import {
  characteristicSwap,
  type HomeMode,
  maybeMode,
  type Neighbour,
  oneNoteAway,
  type Mode,
  mode as modeById,
  notesOf,
  parentOf,
  reference,
  characteristicOf,
  type Swap,
  thirdOf,
} from "../scale";
import type { QuestionKind, Texture } from "./card";
import type { Asked, Exam } from "./exam";
import { type HeardNote, phraseIn } from "./phrase";
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
type HeardBy = Pick<Exam, "modes" | "octaves" | "way" | "tunes">;

/** What is answered where a mode differs in nothing from plain major or minor. */
export const NOTHING = "none";

/**
 * Whether a question about a mode has one answer: a swap needs a note to swap, two choices need another mode, the chord with the target
 * note must be one of the two.
 */
export function asksAbout(question: QuestionKind, mode: Mode, among: readonly string[]): boolean {
  switch (question) {
    case "third":
      return thirdOf(mode) === 4 || thirdOf(mode) === -3;
    case "mode":
    case "two":
      return among.length > 1;
    case "swap":
      return characteristicSwap(mode) !== undefined;
    case "characteristic":
    case "find":
      return characteristicOf(mode).length > 0;
    case "moves":
      return knownNeighbour(mode) !== undefined;
    case "target-chord":
      return targetChord({ home: 0, mode }) !== undefined;
    case "chords-mode":
    case "mode-chords":
      return among.length > 1 && bestVamp({ home: 0, mode }) !== undefined;
    // Of other scales it is what they leave out that differs.
    case "differs":
      return mode.intervals.length === 7;
    case "interval":
    case "spell":
    case "parent":
    case "echo":
    case "home":
      return true;
  }
}

/** How a mode differs from plain major or minor, as an answer: "6", "b2 b5", or nothing. */
export function differsBy(mode: Mode): string {
  const { moved, added } = reference(mode, "by-third");
  const all = [...moved.map(({ to }) => to), ...added];
  return all.length === 0 ? NOTHING : all.map((interval) => printDegree(interval)).join(" ");
}

/** The modes that players know first, in the order in which a fingering is taken from them. */
const KNOWN = ["ionian", "aeolian", "mixolydian", "dorian", "phrygian", "lydian", "locrian"];

/**
 * A mode of the seven that is one note away, the one that players know best, and the note that is moved to come from it.
 *
 * @example knownNeighbour(mode("dorian")) // Aeolian, ♭6 to 6
 */
function knownNeighbour(mode: Mode): Neighbour | undefined {
  const near = [...oneNoteAway(mode, "brighter"), ...oneNoteAway(mode, "darker")];
  for (const id of KNOWN) {
    const found = near.find((each) => each.mode.id === id);
    // Told from the known mode: what is moved there is the other way round.
    if (found) return { mode: found.mode, from: found.to, to: found.from };
  }
  return undefined;
}

/** Which chord of the best vamp has a characteristic note that the other lacks. */
function targetChord(homeMode: HomeMode): { readonly vamp: Vamp; readonly at: 0 | 1 } | undefined {
  const vamp = bestVamp(homeMode);
  if (!vamp) return undefined;
  const holds = ({ root, tones }: Chord) =>
    characteristicOf(homeMode.mode).some((interval) =>
      tones.some((tone) => soundOf(root + tone) === soundOf(homeMode.home + interval)),
    );
  const [first, second] = vamp.chords.map(holds);
  return first === second ? undefined : { vamp, at: first ? 0 : 1 };
}

const vampText = ({ chords }: Vamp): string => chords.map((chord) => printChord(chord)).join(" ");

/**
 * A question made from how it is set: the same every time, so that a row of them can be gone on with later.
 *
 * @throws RangeError where the mode of its card isn't known.
 * @example questionOf({ card: { question: "third", mode: "dorian", texture: "drone" }, home: 2, seed: 1 }, exam).right // ["b3"]
 */
export function questionOf(asked: Asked, exam: HeardBy): Question {
  const { card, home, seed } = asked;
  const random = seeded(seed);
  const mode = modeById(card.mode);
  const homeMode: HomeMode = { home, mode };
  const modes = exam.modes.flatMap((id) => maybeMode(id) ?? []);
  const heard = (): HeardQuestion => heardAs(homeMode, card.texture ?? "drone", exam, seed);
  const made = (part: Omit<Question, "asked" | "homeMode">): Question => ({ asked, homeMode, ...part });
  switch (card.question) {
    case "third":
      return made({ heard: heard(), choices: ["3", "b3"], right: [thirdOf(mode) === 4 ? "3" : "b3"] });
    case "mode":
      return made({ heard: heard(), choices: modes.map(({ id }) => id), right: [mode.id] });
    case "two": {
      const others = modes.filter((other) => other !== mode);
      const other = others.length > 0 ? oneOf(random, others as [Mode, ...Mode[]]) : mode;
      return made({
        heard: heard(),
        choices: modes.filter((each) => each === mode || each === other).map(({ id }) => id),
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
      return made({
        heard: { ...heard(), line: [], vamp: target?.vamp },
        choices: ["first", "second"],
        right: [target?.at === 1 ? "second" : "first"],
      });
    }
    case "echo": {
      const line = echoLine(mode, random);
      return made({
        heard: { line, beats: 8, hasDrone: true },
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
      const own = bestVamp(homeMode);
      return made({
        heard: undefined,
        choices: [...new Set(texts)].toSorted(),
        right: own ? [vampText(own)] : [],
      });
    }
  }
}

const nothingFirst = (a: string, b: string): number =>
  Number(b === NOTHING) - Number(a === NOTHING) || a.length - b.length || (a < b ? -1 : 1);

const byLetter = (a: Fifths, b: Fifths): number => modulo(a * 4, 7) - modulo(b * 4, 7) || a - b;

/** Notes that are played back: home, then four more by steps and small leaps, one of them characteristic. */
function echoLine(mode: Mode, random: Random): readonly HeardNote[] {
  const scale = mode.intervals.map(halfSteps).toSorted((a, b) => a - b);
  const telling = characteristicOf(mode).map((interval) => scale.indexOf(halfSteps(interval)));
  const aim = telling.length > 0 ? oneOf(random, telling as [number, ...number[]]) : 2;
  // From home towards the note that tells it, and on from there.
  const places = [0, Math.max(1, aim - 1 - Math.floor(random() * 2)), aim];
  while (places.length < 5) {
    const from = places.at(-1) ?? 0;
    const next = from + oneOf(random, [-2, -1, -1, 1]);
    places.push(next < 0 || next >= scale.length ? from - 1 : next);
  }
  return places.map((place, at) => ({
    step: scale[Math.max(0, place)] ?? 0,
    at,
    length: at === places.length - 1 ? 8 - at : 1,
  }));
}

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
  { octaves, way, tunes, modes }: HeardBy,
  seed: number,
): HeardQuestion {
  const { mode } = homeMode;
  const [tune, ...others] = texture === "tune" ? tunesFor(mode, modes, tunes) : [];
  if (tune) {
    const chosen = oneOf(seeded(seed + 2), [tune, ...others]);
    return { line: tuneIn(chosen, mode), beats: chosen.beats, hasDrone: false };
  }
  if (texture === "phrase" || texture === "vamp" || texture === "tune") {
    const line = phraseIn(mode, seeded(seed + 1));
    const vamp = texture === "vamp" ? bestVamp(homeMode) : undefined;
    return { line, beats: 16, hasDrone: texture === "vamp" && !vamp, vamp };
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
