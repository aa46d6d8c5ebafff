import { atom, computed, type ReadableAtom } from "nanostores";
import { type Fifths, soundOf } from "@/core/pitch";
import { type Chord, chordNotes, printChord } from "@/core/chord";
import { bestVamp } from "@/core/progression";
import { colourOn, colourSwap, type HomeMode, type Telling } from "@/core/scale";
import { modeScore, risingChordScore, type Score, vampScore } from "@/audio";
import { type Selection, toggle } from "@/session";
import { chordText, listText, numberText } from "@/words";

/** A chord of the mode, or several that go together, held in the hand: heard, shown on the stage, kept. */
export interface Held {
  readonly chords: readonly [Chord, ...Chord[]];
  /** Its notes as they are voiced, rising, where that matters: a stack of fourths. */
  readonly voiced?: readonly Fifths[];
}

/** More chords than these are named by the first and the last. */
const NAMED = 3;

/** "Dm and G"; "D7sus4 to Cmaj7sus4, seven chords". */
export function heldText({ chords }: Held): string {
  const last = chords.at(-1) ?? chords[0];
  return chords.length > NAMED
    ? `${chordText(chords[0])} to ${chordText(last)}, ${numberText(chords.length)} chords`
    : listText(chords.map(chordText));
}

/** Plays the vamp that shows a mode best; started again, it stops. */
export function playVamp(homeMode: HomeMode): void {
  const vamp = bestVamp(homeMode);
  if (vamp) toggle("vamp", vampScore(vamp));
}

/** A chord's notes from its bass up. */
function fromBass(chord: Chord): readonly Fifths[] {
  const notes = chordNotes(chord);
  if (chord.bass === undefined) return notes;
  const bass = soundOf(chord.bass);
  return [chord.bass, ...notes.filter((note) => soundOf(note) !== bass)];
}

/** One chord note by note and then together; several one after another, round and round. */
export function heldScore({ chords, voiced }: Held): Score {
  return chords.length > 1 ? vampScore({ chords }) : risingChordScore(voiced ?? fromBass(chords[0]));
}

/** Every note of what is held, once. */
export const heldNotes = ({ chords }: Held): readonly Fifths[] => [...new Set(chords.flatMap(chordNotes))];

/** A line of chords that a chart and the Shelf can read back. */
export const heldLine = ({ chords }: Pick<Held, "chords">): string =>
  `| ${chords.map((chord) => printChord(chord)).join(" | ")} |`;

/** What the stage is about where a mode is in hand and perhaps a chord of it, or several. */
export const heldSelection = (
  homeMode: HomeMode,
  held: Held | undefined,
  telling: Telling,
  drone: boolean,
): Selection => ({
  homeMode,
  lit: colourOn(homeMode, telling),
  unknown: [],
  targets: held ? heldNotes(held) : [],
  chord: held?.chords[0],
  swap: colourSwap(homeMode.mode, telling),
  play: held ? { code: "held", score: heldScore(held) } : { code: "mode", score: modeScore(homeMode, drone) },
});

/** What is held of a mode, or of several in turn: it is let go when the mode changes. */
export function holding<T extends Held>($homeMode: ReadableAtom<HomeMode>) {
  const $holding = atom<{ readonly held: T; readonly of: HomeMode } | undefined>();
  return {
    $held: computed([$holding, $homeMode], (now, homeMode) => (now?.of === homeMode ? now.held : undefined)),
    hold: (held: T) => $holding.set({ held, of: $homeMode.get() }),
    letGo: () => $holding.set(undefined),
  };
}
