import { type Fifths, soundOf, spellSound } from "../pitch";
import { allNotes, timeBySound, type Tune, type TuneNote } from "../tune";
import { type ChordsHearing, hearChords, timeAsked } from "./chords-hearing";
import { hearMelody, type MelodyHearing } from "./melody-hearing";
import { shareOut } from "./shares";
import { hearVoices, type VoicesHearing } from "./voices-hearing";

/** What a tune puts into the ear, by sounding pitch class (0 is C). */
export interface Hearing {
  /** Share of sounding time, all voices and chord symbols; adds up to 1. */
  readonly sounding: readonly number[];
  /** Notes of all voices. */
  readonly notes: number;
  /** How the tune spells each pitch class, where it sounds. */
  readonly names: readonly (Fifths | undefined)[];
  readonly melody: MelodyHearing;
  /** Where other voices sound beneath the melody. */
  readonly voices?: VoicesHearing | undefined;
  /** Where chord symbols stand over a melody of one voice. */
  readonly chords?: ChordsHearing | undefined;
}

/** Tones of a chord symbol count less than notes: they are what may be played, not what is. */
const CHORD_SHARE = 0.3;

/** Listens to a tune; undefined where its melody has no notes. */
export function hear(tune: Tune): Hearing | undefined {
  const melody = hearMelody(tune);
  if (!melody) return undefined;
  const all = allNotes(tune);
  const asked = timeAsked(tune.chords ?? []);
  const time = timeBySound(all).map((quarters, sound) => quarters + CHORD_SHARE * (asked[sound] ?? 0));
  const voices = hearVoices(tune);
  return {
    sounding: shareOut(time),
    notes: all.length,
    names: namesOf(all, tune.chords ?? []),
    melody,
    voices,
    chords: voices ? undefined : hearChords(tune),
  };
}

/** How each sound is spelled, by the name that sounds longest; notes before chord symbols. */
function namesOf(
  notes: readonly TuneNote[],
  chords: NonNullable<Tune["chords"]>,
): readonly (Fifths | undefined)[] {
  const names = new Array<Fifths | undefined>(12).fill(undefined);
  for (const { chord } of chords)
    for (const tone of chord.tones) names[soundOf(chord.root + tone)] = chord.root + tone;
  const byName = new Map<Fifths, number>();
  for (const { pitch, duration } of notes) byName.set(pitch.name, (byName.get(pitch.name) ?? 0) + duration);
  for (const [name] of [...byName].sort((a, b) => a[1] - b[1])) names[soundOf(name)] = name;
  return names;
}

/** The name of a pitch class as the tune spells it, or the simplest near `towards` where it never sounds. */
export const heardName = (hearing: Hearing, sound: number, towards: Fifths): Fifths =>
  hearing.names[sound] ?? spellSound(sound, towards);
