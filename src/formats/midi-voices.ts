import type { MidiEvent } from "midi-file";
import type { Fifths } from "@/core/pitch";
import { type Problem, wholeProblem } from "@/core/problem";
import { decoded } from "./decode";
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

/** A meter and the quarter that it begins at. */
interface MidiMeterMark {
  readonly at: number;
  readonly beats: number;
  readonly unit: number;
}

/** A MIDI file as it is read: drums left out. */
export interface MidiRead {
  /** The name of the file: its first track's. */
  readonly title: string;
  readonly meters: readonly MidiMeterMark[];
  /** The key that it declares. C stands in most files because nobody set another, and says nothing. */
  readonly key: { readonly tonic: Fifths; readonly isMinor: boolean } | undefined;
  readonly voices: readonly MidiVoice[];
  /** How many notes the drums have. */
  readonly drums: number;
  readonly problems: readonly Problem[];
}

/** A note that is never let go, or only after minutes, sounds so many quarters. */
const MAX_HELD = 1024;

/** Files that count frames of film instead of beats are read at this many quarters a second: 120 a minute. */
const FILM_QUARTERS = 2;

/**
 * The voices of a MIDI file in quarters: a voice for each channel of each track. The patterns of a file of format 2 follow one another.
 * Linear in the bytes. Throws where the bytes are no MIDI file, as the library does; the library is loaded when it is first needed.
 *
 * @source Standard MIDI Files 1.0: format 2, division in frames of film
 */
export async function midiVoices(bytes: Uint8Array): Promise<MidiRead> {
  const { parseMidi } = await import("midi-file");
  const whole = wholeMidi(bytes);
  if (!whole) throw new RangeError("no MIDI file");
  const { header, tracks } = parseMidi(whole.bytes);
  const { format, ticksPerBeat = 0, framesPerSecond = 0, ticksPerFrame = 0 } = header;
  const isFilm = !(ticksPerBeat > 0);
  const quarter = isFilm ? (framesPerSecond * ticksPerFrame) / FILM_QUARTERS : ticksPerBeat;
  if (!(quarter > 0)) throw new RangeError("no quarters");
  let from = 0;
  const read = tracks.map((track) => {
    const found = readTrack(track, from, quarter);
    if (format === 2) from = found.end;
    return found;
  });
  const voices = read.flatMap((track) => track.voices);
  const signature = read.map(({ key }) => key).find((key) => key !== undefined);
  return {
    title: read[0]?.name ?? "",
    meters: read.flatMap((track) => track.meters).sort((a, b) => a.at - b.at),
    key: signature && signature.tonic !== 0 && Math.abs(signature.tonic) <= 7 ? signature : undefined,
    voices: voices.filter(({ channel }) => channel !== PERCUSSION),
    drums: voices
      .filter(({ channel }) => channel === PERCUSSION)
      .reduce((sum, { notes }) => sum + notes.length, 0),
    problems: [
      ...(isFilm ? [wholeProblem("film-time", "")] : []),
      ...(whole.torn === 0 ? [] : [wholeProblem("tracks-torn", String(whole.torn))]),
    ],
  };
}

/** Where the notes of a pitch that still sound began, and which of them ends next. */
interface Sounding {
  readonly channel: number;
  readonly midi: number;
  readonly began: number[];
  next: number;
}

/**
 * One track: ends of notes belong to the beginnings that stand first. A note without an end sounds to the end of its track, as a player
 * of the file would hear it.
 */
function readTrack(track: readonly MidiEvent[], from: number, quarter: number) {
  let tick = from;
  let name: string | undefined;
  let key: { readonly tonic: Fifths; readonly isMinor: boolean } | undefined;
  const meters: MidiMeterMark[] = [];
  const notes = new Map<number, MidiNote[]>();
  const sounding = new Map<number, Sounding>();
  /** The first note of a pitch that sounds ends here; one without length is none. */
  const end = (open: Sounding) => {
    const began = open.began[open.next];
    if (began === undefined) return;
    open.next += 1;
    if (tick <= began) return;
    const note = {
      midi: open.midi,
      onset: began / quarter,
      duration: Math.min(MAX_HELD, (tick - began) / quarter),
    };
    const all = notes.get(open.channel);
    if (all) all.push(note);
    else notes.set(open.channel, [note]);
  };
  for (const event of track) {
    tick += event.deltaTime;
    switch (event.type) {
      case "trackName":
        name ??= decoded(Uint8Array.from(event.text, (letter) => letter.charCodeAt(0))).trim();
        break;
      case "keySignature":
        key ??= { tonic: event.key, isMinor: event.scale === 1 };
        break;
      case "timeSignature":
        if (event.numerator > 0 && event.denominator > 0)
          meters.push({ at: tick / quarter, beats: event.numerator, unit: event.denominator });
        break;
      case "noteOn":
      case "noteOff": {
        const { channel, noteNumber: midi } = event;
        const pitch = channel * 128 + midi;
        const open = sounding.get(pitch) ?? { channel, midi, began: [], next: 0 };
        sounding.set(pitch, open);
        if (event.type === "noteOn") open.began.push(tick);
        else end(open);
      }
    }
  }
  for (const open of sounding.values()) while (open.next < open.began.length) end(open);
  const voices = [...notes]
    .sort(([a], [b]) => a - b)
    .map(([channel, all]) => ({ channel, name: name ?? "", notes: all.sort((a, b) => a.onset - b.onset) }));
  return { name, key, meters, voices, end: tick };
}

/** The middle of the notes of a major scale lies this far above its tonic on the line of fifths. */
const MIDDLE = 2;

/** The middle of the notes of a declared key. */
export const middleOf = (key: MidiRead["key"]): Fifths | undefined => key && key.tonic + MIDDLE;
