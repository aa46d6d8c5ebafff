import { type Fifths, modulo, pitchAt, type Pitch, spellSound } from "../pitch";
import { compareRanks } from "../scale";

/** A note by its sounding height alone, and how long it sounds. */
interface Sounded {
  /** MIDI number. */
  readonly midi: number;
  readonly duration: number;
}

/**
 * Where on the line of fifths the names of some sounds lie: the middle of the seven notes in a row that hold most of what
 * sounds, nearest to C among equals.
 *
 * @example namesAround([{ midi: 66, duration: 1 }, { midi: 67, duration: 1 }, …]) // 3: G major's notes lie around A
 */
export function namesAround(notes: readonly Sounded[]): Fifths {
  const time = new Array<number>(12).fill(0);
  for (const { midi, duration } of notes) time[modulo(midi, 12)] = (time[modulo(midi, 12)] ?? 0) + duration;
  const tonics = Array.from({ length: 12 }, (_, at) => at - 5).map((tonic) => {
    const inKey = MAJOR.reduce((sum, up) => sum + (time[modulo((tonic + up) * 7, 12)] ?? 0), 0);
    return { tonic, rank: [-inKey, Math.abs(tonic)] };
  });
  tonics.sort((a, b) => compareRanks(a.rank, b.rank));
  return (tonics[0]?.tonic ?? 0) + MIDDLE;
}

/** The notes of a major scale from its tonic, and the one in their middle. */
const MAJOR = [-1, 0, 1, 2, 3, 4, 5];
const MIDDLE = 2;

/**
 * Names for sounding heights, each the nearest to where the names of all of them lie. Halfway between two, a note that goes
 * down a half step is the higher letter lowered, any other the lower one raised: A♭ before G, otherwise G♯, as minor has it.
 */
export function spelledInContext(notes: readonly Sounded[]): readonly Pitch[] {
  const towards = namesAround(notes);
  return notes.map(({ midi }, at) => {
    const near = spellSound(modulo(midi, 12), towards);
    const isHalfway = Math.abs(near - towards) === HALFWAY;
    const falls = notes[at + 1]?.midi === midi - 1;
    const raised = near < towards ? near + 12 : near;
    return pitchAt(midi, isHalfway ? (falls ? raised - 12 : raised) : near);
  });
}

/** So many fifths from the middle, both names of a sound are equally near. */
const HALFWAY = 6;
