import type { Chord } from "../chord";
import { printDegree, soundOf } from "../pitch";
import { bestVamp, type Vamp } from "../progression";
import {
  characteristicOf,
  characteristicSwap,
  type HomeMode,
  type Mode,
  type Neighbour,
  oneNoteAway,
  reference,
  thirdOf,
} from "../scale";
import type { QuestionKind } from "./card";

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
    case "pair":
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
export function knownNeighbour(mode: Mode): Neighbour | undefined {
  const near = [...oneNoteAway(mode, "brighter"), ...oneNoteAway(mode, "darker")];
  for (const id of KNOWN) {
    const found = near.find((each) => each.mode.id === id);
    // Told from the known mode: what is moved there is the other way round.
    if (found) return { mode: found.mode, from: found.to, to: found.from };
  }
  return undefined;
}

/** Which chord of the best vamp has a characteristic note that the other lacks. */
export function targetChord(homeMode: HomeMode): { readonly vamp: Vamp; readonly at: 0 | 1 } | undefined {
  const vamp = bestVamp(homeMode);
  if (!vamp) return undefined;
  const holds = ({ root, tones }: Chord) =>
    characteristicOf(homeMode.mode).some((interval) =>
      tones.some((tone) => soundOf(root + tone) === soundOf(homeMode.home + interval)),
    );
  const [first, second] = vamp.chords.map(holds);
  return first === second ? undefined : { vamp, at: first ? 0 : 1 };
}
