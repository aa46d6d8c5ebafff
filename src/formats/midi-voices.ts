import type { Header } from "@tonejs/midi";
import type { Fifths } from "@/core/pitch";
import type { Problem } from "@/core/problem";
import { wholeMidi } from "./midi-bytes";

/** A note of a MIDI file, in quarters from the start. */
export interface MidiNote {
  readonly midi: number;
  readonly onset: number;
  readonly duration: number;
}

/** A channel of a track that sounds pitches. */
export interface MidiVoice {
  readonly name: string;
  readonly notes: readonly MidiNote[];
}

/** The channel on which General MIDI has its drums, counted from 0. */
export const PERCUSSION = 9;

/**
 * The voices of a MIDI file in quarters, drums left out, and how many notes the drums have. Throws where the bytes are no
 * MIDI file, as the library does; the library is loaded when it is first needed.
 */
export async function midiVoices(bytes: Uint8Array): Promise<{
  readonly header: Header;
  readonly voices: readonly MidiVoice[];
  readonly drums: number;
  /** Tracks of which what came after a damaged place was left out. */
  readonly torn: number;
}> {
  const { default: library } = await import("@tonejs/midi");
  const whole = wholeMidi(bytes);
  if (!whole) throw new RangeError("no MIDI file");
  const { header, tracks } = new library.Midi(whole.bytes);
  // Files that count in frames of film instead of quarters say nothing of beats.
  if (!(header.ppq > 0)) throw new RangeError("no quarters");
  const isDrum = ({ channel }: { channel: number }) => channel === PERCUSSION;
  const voices = tracks
    .filter((track) => !isDrum(track) && track.notes.length > 0)
    .map(({ name, notes }): MidiVoice => ({
      name,
      notes: notes.map(({ midi, ticks, durationTicks }) => ({
        midi,
        onset: ticks / header.ppq,
        duration: durationTicks / header.ppq,
      })),
    }));
  const drums = tracks.filter(isDrum).reduce((sum, { notes }) => sum + notes.length, 0);
  return { header, voices, drums, torn: whole.torn };
}

/** What is said of tracks that are damaged. */
export const tornProblems = (torn: number): readonly Problem[] =>
  torn === 0 ? [] : [{ code: "tracks-torn", offset: 0, length: 0, found: String(torn) }];

const MAJOR_KEYS = ["Cb", "Gb", "Db", "Ab", "Eb", "Bb", "F", "C", "G", "D", "A", "E", "B", "F#", "C#"];

/** The middle of the notes of a declared key; C stands in most files because nobody set another, and says nothing. */
export function midiKey(key: string | undefined): Fifths | undefined {
  const at = key === undefined ? -1 : MAJOR_KEYS.indexOf(key);
  return at < 0 || key === "C" ? undefined : at - MAJOR_KEYS.indexOf("C") + 2;
}
