import {
  degreeNumber,
  type Fifths,
  type Interval,
  letterOf,
  midiOf,
  modulo,
  type Pitch,
  soundOf,
} from "../pitch";
import { type HomeMode, notesOf } from "../scale";
import type { OutsideNote } from "./passing";
import { timeBySound, type Tune, type TuneNote } from "../tune";
import { soundAt } from "./bars-heard";

/** A note of a tune, with the places where it sounds. */
interface PointedNote {
  readonly pitch: Pitch;
  readonly notes: readonly number[];
}

/** A degree that is heard in more than one form, the commoner first. */
interface InflectedDegree {
  readonly number: number;
  readonly forms: readonly { readonly note: Fifths; readonly notes: readonly number[] }[];
}

/** What one writes of a tune under its mode. */
export interface Profile {
  /** The last note. */
  readonly final: PointedNote;
  readonly lowest: PointedNote;
  readonly highest: PointedNote;
  /**
   * Authentic: the tune lies above its home, with a note below at most. Plagal: home lies in its middle, from a fourth below to a fifth above. Undefined where it
   * does neither.
   */
  readonly ambitus: "authentic" | "plagal" | undefined;
  /** The note that sounds longest besides home, where it is heard for a fifth of the time. */
  readonly reciting: PointedNote | undefined;
  readonly inflected: readonly InflectedDegree[];
}

/** A reciting note takes so much of the time. */
const RECITING = 0.2;

/** How far tunes reach, in half steps from the home that lies in them or at their foot. */
const REACH = { authentic: { below: 2, above: 9, most: 16 }, plagal: { below: 4, least: 7, above: 12 } };

/**
 * What one writes of a tune of one voice under its mode: final, range, ambitus, reciting note, degrees in two forms. Undefined without notes. (Ambitus as in
 * chant: authentic from the final to its octave, plagal from the fourth below to the fifth above.)
 *
 * @param outside notes that the mode lacks: those that only pass make no second form of a degree
 */
export function profileOf(
  { notes }: Tune,
  homeMode: HomeMode,
  outside: readonly OutsideNote[],
): Profile | undefined {
  const last = notes.at(-1);
  if (!last) return undefined;
  const height = ({ pitch }: TuneNote) => midiOf(pitch);
  const lowest = notes.reduce((low, note) => (height(note) < height(low) ? note : low));
  const highest = notes.reduce((high, note) => (height(note) > height(high) ? note : high));
  const placesOf = (is: (note: TuneNote) => boolean) => notes.flatMap((note, at) => (is(note) ? [at] : []));
  const pointed = (one: TuneNote): PointedNote => ({
    pitch: one.pitch,
    notes: placesOf((note) => height(note) === height(one)),
  });
  return {
    final: { pitch: last.pitch, notes: [notes.length - 1] },
    lowest: pointed(lowest),
    highest: pointed(highest),
    ambitus: ambitusOf(height(lowest), height(highest), soundOf(homeMode.home)),
    reciting: recitingOf(notes, soundOf(homeMode.home), pointed),
    inflected: inflectedDegrees(notes, homeMode, outside),
  };
}

function ambitusOf(low: number, high: number, home: number): Profile["ambitus"] {
  const { authentic, plagal } = REACH;
  // The lowest home from which the tune may rise, and how far it lies above the lowest note.
  const below = modulo(home - low, 12);
  const rise = high - (low + below);
  if (below <= authentic.below && rise >= authentic.above && rise <= authentic.most) return "authentic";
  // A fourth below, or a fifth: what lies lower is another home’s.
  return below >= plagal.below && below <= plagal.least && rise >= plagal.below && rise < plagal.above
    ? "plagal"
    : undefined;
}

function recitingOf(
  notes: readonly TuneNote[],
  home: number,
  pointed: (note: TuneNote) => PointedNote,
): PointedNote | undefined {
  const time = timeBySound(notes);
  const all = time.reduce((sum, each) => sum + each, 0);
  const sound = time.reduce(
    (most, each, at) => (at !== home && each > (time[most] ?? 0) ? at : most),
    home === 0 ? 1 : 0,
  );
  if ((time[sound] ?? 0) < RECITING * all) return undefined;
  const repeated = notes.filter((note) => soundAt(note) === sound);
  // Of its octaves the one that sounds longest.
  const octaves = new Map<number, number>();
  for (const { pitch, duration } of repeated)
    octaves.set(midiOf(pitch), (octaves.get(midiOf(pitch)) ?? 0) + duration);
  const [commonest] = [...octaves].sort((a, b) => b[1] - a[1]);
  const note = repeated.find(({ pitch }) => midiOf(pitch) === commonest?.[0]);
  return note && pointed(note);
}

/** Degrees of a mode that are heard in more than one form, by letter: "7 is both G and G sharp". */
function inflectedDegrees(
  notes: readonly TuneNote[],
  homeMode: HomeMode,
  outside: readonly OutsideNote[],
): readonly InflectedDegree[] {
  const passing = new Set(
    outside.flatMap(({ note, role }) => (role && role !== "raised-seventh" ? [soundOf(note)] : [])),
  );
  const places = new Map<Fifths, number[]>();
  for (const [at, { pitch }] of notes.entries()) {
    const known = places.get(pitch.name);
    if (known) known.push(at);
    else places.set(pitch.name, [at]);
  }
  return notesOf(homeMode).flatMap((note, at): readonly InflectedDegree[] => {
    const forms = [...places]
      .filter(([name]) => letterOf(name) === letterOf(note) && !passing.has(soundOf(name)))
      .map(([name, own]) => ({ note: name, notes: own }))
      .sort((a, b) => b.notes.length - a.notes.length);
    const interval: Interval = homeMode.mode.intervals[at] ?? 0;
    return forms.length > 1 ? [{ number: degreeNumber(interval), forms }] : [];
  });
}
