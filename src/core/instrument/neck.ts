import { type Interval, midiOf, modulo, type Pitch, pitchAt, soundOf } from "../pitch";
import { type HomeMode, notesOf } from "../scale";

/** A stringed instrument as tuned: open strings from low to high, frets, scale length in millimetres. */
export interface Tuning {
  readonly id: string;
  readonly strings: readonly Pitch[];
  readonly frets: number;
  readonly scaleLength: number;
}

/** Six strings, E A D G B E, and the frets that the stage shows. */
export const GUITAR: Tuning = Object.freeze({
  id: "guitar",
  strings: Object.freeze([
    { name: 4, octave: 2 },
    { name: 3, octave: 2 },
    { name: 2, octave: 3 },
    { name: 1, octave: 3 },
    { name: 5, octave: 3 },
    { name: 4, octave: 4 },
  ]),
  frets: 15,
  scaleLength: 648,
});

/** A note of a mode where it lies on the neck. String 1 is the highest. */
export interface NeckNote {
  readonly string: number;
  readonly fret: number;
  readonly pitch: Pitch;
  readonly interval: Interval;
}

/**
 * Distance of a fret from the nut, as a share of the scale length: 1 - 2^(-n/12), equal temperament.
 *
 * @example fretAt(12) // 0.5
 */
export function fretAt(fret: number): number {
  return 1 - 2 ** (-fret / 12);
}

/** Every place of a mode's notes on a neck, from the lowest string up, fret by fret. */
export function neckNotes(tuning: Tuning, homeMode: HomeMode): readonly NeckNote[] {
  const bySound = new Map(notesOf(homeMode).map((note) => [soundOf(note), note]));
  return tuning.strings.flatMap((open, at) =>
    Array.from({ length: tuning.frets + 1 }, (_, fret) => fret).flatMap((fret) => {
      const midi = midiOf(open) + fret;
      const name = bySound.get(modulo(midi, 12));
      if (name === undefined) return [];
      const string = tuning.strings.length - at;
      return [{ string, fret, pitch: pitchAt(midi, name), interval: name - homeMode.home }];
    }),
  );
}

/** Frets from the index finger's to the little finger's, both counted; one more is reached by stretching. */
const HAND = 4;

/**
 * One position: every pitch of the mode once, from the index finger's fret over four frets, one fret lower (or, where the
 * hand could not otherwise go on, one higher) by a stretch. In playing order, lowest first.
 *
 * @example position(GUITAR, D Dorian, 5) // string 6: 5 7 8; string 5: 5 7 8; string 4: 5 7; string 3: 4 5 7 …
 */
export function position(tuning: Tuning, homeMode: HomeMode, fret: number): readonly NeckNote[] {
  const all = neckNotes(tuning, homeMode);
  const taken: NeckNote[] = [];
  for (let string = tuning.strings.length; string >= 1; string -= 1) {
    const here = all.filter((note) => note.string === string);
    const last = taken.at(-1);
    const above = (note: NeckNote) => !last || midiOf(note.pitch) > midiOf(last.pitch);
    const reach = here.filter((note) => note.fret >= fret && note.fret < fret + HAND && above(note));
    const below = here.find((note) => note.fret === fret - 1 && above(note));
    taken.push(...(below && last ? [below, ...reach] : reach));
    if (!leadsOn(all, taken, string, fret)) {
      const stretched = here.find((note) => note.fret === fret + HAND);
      if (stretched) taken.push(stretched);
    }
  }
  return taken;
}

/** Whether the next note of the mode lies under the hand on the next string (or there is no next string). */
function leadsOn(
  all: readonly NeckNote[],
  taken: readonly NeckNote[],
  string: number,
  fret: number,
): boolean {
  const last = taken.at(-1);
  if (string === 1 || !last) return true;
  const next = Math.min(...all.map((note) => midiOf(note.pitch)).filter((midi) => midi > midiOf(last.pitch)));
  return all.some(
    (note) =>
      note.string === string - 1 &&
      midiOf(note.pitch) === next &&
      note.fret >= fret - 1 &&
      note.fret < fret + HAND,
  );
}

/** Frets at which a position can begin: those of the mode's notes on the lowest string, up to the octave. */
export function positionFrets(tuning: Tuning, homeMode: HomeMode): readonly number[] {
  return neckNotes(tuning, homeMode)
    .filter(
      (note) =>
        note.string === tuning.strings.length && note.fret <= 12 && note.fret + HAND <= tuning.frets + 1,
    )
    .map((note) => note.fret);
}
