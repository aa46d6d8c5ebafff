import { type Fifths, letterOf, soundOf, spellSound } from "../pitch";
import { type HomeMode, notesOf, type PitchClassSet, pitchClassSet, signedKey } from "../scale";
import { allNotes, timeBySound, type Tune, type TuneNote } from "../tune";
import { type ChordsHearing, hearChords, timeAsked } from "./chords-hearing";
import { type DoubleTonic, doubleTonicOf } from "./double-tonic";
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
  /** What chord symbols ask for and no note plays. */
  readonly chordsOnly: PitchClassSet;
  readonly melody: MelodyHearing;
  /** Where one voice alternates between two neighbouring triads. */
  readonly doubleTonic?: DoubleTonic | undefined;
  /** Where other voices sound beneath the melody. */
  readonly voices?: VoicesHearing | undefined;
  /** Where chord symbols stand over a melody of one voice. */
  readonly chords?: ChordsHearing | undefined;
}

/** Tones of a chord symbol count less than notes: they are what may be played, not what is. */
const CHORD_SHARE = 0.3;

/**
 * Listens to a tune; undefined where its melody has no notes.
 *
 * @param isPart these are bars taken out of a longer tune, which ends elsewhere
 */
export function hear(tune: Tune, isPart = false): Hearing | undefined {
  const melody = hearMelody(tune, isPart);
  if (!melody) return undefined;
  const all = allNotes(tune);
  const asked = timeAsked(tune.chords ?? []);
  const played = timeBySound(all);
  const time = played.map((quarters, sound) => quarters + CHORD_SHARE * (asked[sound] ?? 0));
  const names = namesOf(all, tune.chords ?? []);
  const [key] = tune.keys ?? [];
  const voices = hearVoices(tune, key && keepsSignature(key, names) ? signedKey(key)?.tonic : undefined);
  return {
    sounding: shareOut(time),
    notes: all.length,
    names,
    chordsOnly: pitchClassSet(
      names.flatMap((name, sound) => (name !== undefined && played[sound] === 0 ? [sound] : [])),
    ),
    melody,
    doubleTonic: voices ? undefined : doubleTonicOf(melody),
    voices,
    chords: voices ? undefined : hearChords(tune),
  };
}

/**
 * Whether a tune keeps to the signature of a key: where it alters one of its notes throughout, the signature was not meant to say
 * anything.
 */
export function keepsSignature(key: HomeMode, names: Hearing["names"]): boolean {
  const isWritten = (letter: string) => names.some((name) => name !== undefined && letterOf(name) === letter);
  return notesOf(key).every((note) => names[soundOf(note)] !== undefined || !isWritten(letterOf(note)));
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
