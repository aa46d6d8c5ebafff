import { type Chord, printChord } from "@/core/chord";
import { heardOf, openSounds, soundRow, type Tuning, voicings } from "@/core/instrument";
import {
  accompanied,
  heldAs,
  type Layout,
  onBowedStrings,
  onKeyboard,
  placed,
  type Score,
  sustains,
} from "@/audio";
import type { Settings } from "@/storage";
import { $selection } from "../place/selection";
import { $settings } from "../settings/settings";
import { $chord, $division, $tuning } from "../stage/stage";
import { $voicing } from "../stage/voicings";
import { $chordTuning, $lineSound } from "./part-sounds";

/** Frets above the capo up to which chords are looked for when they are played. */
const CHORD_FRETS = 9;

const grips = new Map<string, readonly number[]>();
let gripsOf: Tuning | undefined;

/** The keys of a chord as it is first taken on a neck; none where there is no room for it. */
function gripOf(tuning: Tuning, chord: Chord): readonly number[] {
  if (gripsOf !== tuning) grips.clear();
  gripsOf = tuning;
  const name = printChord(chord);
  const known = grips.get(name);
  if (known) return known;
  const [first] = voicings(tuning, { chord, toFret: tuning.capo + CHORD_FRETS, most: 1 });
  const keys = first ? heardOf(tuning, first) : [];
  grips.set(name, keys);
  return keys;
}

/** More different chords than these take too long to look for while somebody waits to hear them: they are laid out as on a keyboard. */
const MAX_GRIPS = 24;

/** Chords on the strings of the stage: the one that is shown as it is shown there, others as they are first taken. */
const onStrings =
  (tuning: Tuning): Layout =>
  (chords) => {
    if (new Set(chords.map((chord) => printChord(chord))).size > MAX_GRIPS) return onKeyboard(chords);
    const shown = $division.get() === "voicing" ? $voicing.get() : undefined;
    const shownChord = shown && printChord($chord.get());
    return chords.map((chord) =>
      shown && printChord(chord) === shownChord ? heardOf(tuning, shown) : gripOf(tuning, chord),
    );
  };

/** What a score is arranged by: where none of it has changed the arrangement is the same. */
type Arranging = readonly [Score, ...unknown[]];
let lastArranged: { readonly by: Arranging; readonly score: Score } | undefined;

/** A score as it is played here: on the instrument of the stage, in its register, with chords as they are set. */
export function arranged(score: Score): Score {
  const tuning = $tuning.get();
  const chordTuning = $chordTuning.get();
  const { backing, chordsOn, fives, sevens, droneRegister, droneSound } = $settings.get();
  const { home } = $selection.get().homeMode;
  const sustained = heldNotes();
  const sound = $lineSound.get();
  const shown = $division.get() === "voicing" ? $voicing.get() : undefined;
  const by: Arranging = [
    score,
    tuning,
    chordTuning,
    ...[backing, chordsOn, home, sound, shown],
    ...[fives, sevens, sustained, droneRegister, droneSound],
  ];
  if (lastArranged && by.every((each, at) => each === lastArranged?.by[at])) return lastArranged.score;
  const low = tuning ? Math.min(...openSounds(tuning)) : LOW_KEY;
  const inRegister = placed(score, low < SMALL ? low + ABOVE_LOWEST : low, soundRow(sound).range);
  const layout = chordsOn === "strings" ? onBowedStrings : chordTuning ? onStrings(chordTuning) : onKeyboard;
  const grouping = { fives, sevens };
  const made = heldAs(accompanied(inRegister, { layout, backing, home, grouping }), {
    notes: sustained,
    register: droneRegister,
    diesAway: !sustains(droneSound),
  });
  lastArranged = { by, score: made };
  return made;
}

/**
 * What is held: a mode without a perfect fifth has home and its octave in place of it. So does every question of Ear, where the fifth would
 * tell.
 */
function heldNotes(): Settings["droneNotes"] {
  const { homeMode, play } = $selection.get();
  const { droneNotes } = $settings.get();
  const isClear = play.code !== "question" && homeMode.mode.intervals.includes(PERFECT_FIFTH);
  return droneNotes === "fifth" && !isClear ? "octaves" : droneNotes;
}
const PERFECT_FIFTH = 1;

/** Where free lines begin: on a small instrument its lowest string, on a large one a fourth above; on keys about G3. */
const [SMALL, ABOVE_LOWEST, LOW_KEY] = [55, 5, 55];

/** Octaves from the line of one score to that of another. */
export const octavesApart = (one: Score, other: Score): number => {
  const [from, to] = [one, other].map(({ notes }) => notes.find(({ part }) => part === "line")?.midi);
  return from === undefined || to === undefined ? 0 : Math.round((to - from) / 12);
};
