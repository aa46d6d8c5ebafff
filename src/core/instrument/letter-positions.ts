import { type Fifths, midiOf, type Pitch, staffPlace } from "../pitch";
import { type HomeMode, notesOf } from "../scale";
import type { Place } from "./neck";
import type { UnfingeredPosition } from "./position";
import { LETTERS } from "./taught-fingers";
import { runStrings, type Tuning } from "./tuning";

/** Letters under the four fingers. */
const FINGERS = 4;

/** A note of a mode where the letters of a string have it. */
interface Lettered extends Place {
  readonly midi: number;
}

/** The notes of a mode that have a letter, as pitches: one for most modes. */
const pitchesOn = (notes: readonly Fifths[], letters: number): readonly Pitch[] =>
  notes.flatMap((name) => {
    const octave = Math.floor(letters / LETTERS);
    return staffPlace({ name, octave }) === letters ? [{ name, octave }] : [];
  });

/**
 * The positions of an instrument in fifths, as players number them: in the first the open strings and the three letters above each, with
 * a fourth on the highest; in the others four letters on every string, from the second letter above the open string on, from the third,
 * and so on up the neck.
 *
 * @example letterPositions(FIDDLE, D Dorian)[0] // G A B C | D E F G | A B C D | E F G A B
 */
export function letterPositions(tuning: Tuning, homeMode: HomeMode): readonly UnfingeredPosition[] {
  const positions: UnfingeredPosition[] = [];
  for (let number = 1; ; number += 1) {
    const places = lettersAt(tuning, homeMode, number);
    if (!places) return positions;
    if (places.length > 0) {
      const hand = Math.min(...places.map(({ fret }) => fret).filter((fret) => fret > tuning.capo));
      positions.push({
        places,
        hand: number === 1 ? tuning.capo : hand,
        stays: true,
        name: { code: "position", number },
      });
    }
  }
}

/** The first position alone, with the open strings. */
export function firstPosition(tuning: Tuning, homeMode: HomeMode): UnfingeredPosition | undefined {
  return letterPositions(tuning, homeMode)[0];
}

/** The places of a position, rising; undefined past the end of the neck. */
function lettersAt(tuning: Tuning, homeMode: HomeMode, number: number): readonly Place[] | undefined {
  const notes = notesOf(homeMode);
  const strings = runStrings(tuning);
  const found = new Map<number, Lettered>();
  for (const [at, { string, open }] of strings.entries()) {
    const openPitch = tuning.strings[tuning.strings.length - string];
    if (!openPitch) continue;
    const from = staffPlace(openPitch) + (number === 1 ? 0 : number);
    const isTop = at === strings.length - 1;
    const count = FINGERS + (number === 1 && isTop ? 1 : 0);
    for (let up = 0; up < count; up += 1)
      for (const pitch of pitchesOn(notes, from + up)) {
        const fret = tuning.capo + midiOf(pitch) - open;
        if (fret > tuning.frets) return undefined;
        // A flat of the open string's own letter is a fourth finger on the string below.
        const below = strings[at - 1];
        if (fret >= tuning.capo) found.set(midiOf(pitch), { string, fret, midi: midiOf(pitch) });
        else if (below)
          found.set(midiOf(pitch), {
            string: below.string,
            fret: tuning.capo + midiOf(pitch) - below.open,
            midi: midiOf(pitch),
          });
      }
  }
  return [...found.values()].sort((a, b) => a.midi - b.midi).map(({ string, fret }) => ({ string, fret }));
}
