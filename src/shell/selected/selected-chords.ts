import { atom, computed, type ReadableAtom } from "nanostores";
import { type Fifths, soundOf } from "@/core/pitch";
import { type Chord, chordNotes, printChord } from "@/core/chord";
import { characteristicOn, characteristicSwap, type HomeMode, type ReferenceChoice } from "@/core/scale";
import { modeScore, risingChordScore, type Score, vampScore } from "@/audio";
import { type Selection } from "@/session";
import { chordText, listText, numberText } from "@/words";

/** A chord of the mode, or several that go together: heard, shown on the stage, saved. */
export interface SelectedChords {
  readonly chords: readonly [Chord, ...Chord[]];
  /** Its notes as they are voiced, rising, where that matters: a stack of fourths. */
  readonly voiced?: readonly Fifths[];
}

/** More chords than these are named by the first and the last. */
const NAMED = 3;

/** "Dm and G"; "D7sus4 to Cmaj7sus4, seven chords". */
export function selectedText({ chords }: SelectedChords): string {
  const last = chords.at(-1) ?? chords[0];
  return chords.length > NAMED
    ? `${chordText(chords[0])} to ${chordText(last)}, ${numberText(chords.length)} chords`
    : listText(chords.map(chordText));
}

/** A chord's notes from its bass up. */
function fromBass(chord: Chord): readonly Fifths[] {
  const notes = chordNotes(chord);
  if (chord.bass === undefined) return notes;
  const bass = soundOf(chord.bass);
  return [chord.bass, ...notes.filter((note) => soundOf(note) !== bass)];
}

/** One chord note by note and then together; several one after another, round and round. */
function selectedScore({ chords, voiced }: SelectedChords): Score {
  return chords.length > 1 ? vampScore({ chords }) : risingChordScore(voiced ?? fromBass(chords[0]));
}

/** Every note of the selected chords, once. */
export const selectedNotes = ({ chords }: SelectedChords): readonly Fifths[] => [
  ...new Set(chords.flatMap(chordNotes)),
];

/** A line of chords that a chart and the Shelf can read back. */
export const selectedLine = ({ chords }: Pick<SelectedChords, "chords">): string =>
  `| ${chords.map((chord) => printChord(chord)).join(" | ")} |`;

/** What the stage is about where a mode is selected and perhaps a chord of it, or several. */
export const selectionOf = (
  homeMode: HomeMode,
  selected: SelectedChords | undefined,
  conventions: ReferenceChoice,
  drone: boolean,
): Selection => ({
  homeMode,
  characteristic: characteristicOn(homeMode),
  unknown: [],
  chordTones: selected ? selectedNotes(selected) : [],
  targetNotes: [],
  chord: selected?.chords[0],
  swap: characteristicSwap(homeMode.mode, conventions),
  play: selected
    ? { code: "selected", score: selectedScore(selected) }
    : { code: "mode", score: modeScore(homeMode, drone) },
});

/** What is held of a mode, or of several in turn: it is let go when the mode changes. */
export function selecting<T extends SelectedChords>($homeMode: ReadableAtom<HomeMode>) {
  const $selecting = atom<{ readonly selected: T; readonly of: HomeMode } | undefined>();
  return {
    $selectedChords: computed([$selecting, $homeMode], (now, homeMode) =>
      now?.of === homeMode ? now.selected : undefined,
    ),
    select: (selected: T) => $selecting.set({ selected, of: $homeMode.get() }),
    deselect: () => $selecting.set(undefined),
  };
}
