import { type Fifths, soundOf } from "../pitch";
import { type HomeMode } from "../scale";
import { type Chord, chordNotes, printChord, fourthStacks, fullChord, chordPairs } from "../chord";
import { vamps } from "./vamps";

/** Ways to write chords for a mode. */
export const WRITINGS = ["vamp", "pedal", "full", "chord-pairs", "fourths"] as const;
export type Writing = (typeof WRITINGS)[number];

/** Chords that say a mode, a bar each. */
export interface Written {
  readonly chords: readonly Chord[];
  /** Notes of the mode that none of them has. */
  readonly missing: readonly Fifths[];
}

/** How many notes the fourths are stacked of, where nothing else is asked: what three neighbouring strings hold. */
const STACK = 3;

const MOST = 4;

/**
 * Progressions that say a mode, best first: its vamps, the same over its held home note, its home chord in full, two easy
 * chords that share its notes out, its stacks of fourths from home up the scale.
 *
 * @param fourths how many notes a stack of fourths has
 * @example writtenFor(D Dorian, "pedal")[0] // Dm, G/D
 */
export function writtenFor(homeMode: HomeMode, way: Writing, fourths = STACK): readonly Written[] {
  return chordsFor(homeMode, way, fourths)
    .slice(0, MOST)
    .map((chords) => {
      const sounds = new Set(chords.flatMap((chord) => chordNotes(chord).map(soundOf)));
      const notes = homeMode.mode.intervals.map((interval) => homeMode.home + interval);
      return { chords, missing: notes.filter((note) => !sounds.has(soundOf(note))) };
    });
}

function chordsFor(homeMode: HomeMode, way: Writing, count: number): readonly (readonly Chord[])[] {
  const { home, mode } = homeMode;
  switch (way) {
    case "vamp":
      return vamps(homeMode).map(({ chords }) => chords);
    case "pedal":
      return vamps(homeMode).map(({ chords }) =>
        chords.map((chord) => (soundOf(chord.root) === soundOf(home) ? chord : { ...chord, bass: home })),
      );
    case "full":
      return [[{ root: home, tones: fullChord(mode).named, optional: [] }]];
    case "chord-pairs":
      return chordPairs(homeMode, MOST).map(({ chords }) => chords);
    case "fourths": {
      const stacks = fourthStacks(mode, count).map(({ notes }): Chord => {
        const [degree = 0] = notes;
        return { root: home + degree, tones: notes.map((note) => note - degree), optional: [] };
      });
      return stacks.length === 0 ? [] : [stacks];
    }
  }
}

/**
 * The same as a line of a chart, a bar each, in symbols that are read back to the same notes; those that a symbol leaves to the
 * player may go unsaid.
 *
 * @example writtenText({ chords: [Dm, G], missing: [] }) // "| Dm | G |"
 */
export const writtenText = ({ chords }: Pick<Written, "chords">): string =>
  `| ${chords.map((chord) => printChord(chord)).join(" | ")} |`;
