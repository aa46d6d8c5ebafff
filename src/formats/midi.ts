import type { MidiData, MidiEvent } from "midi-file";
import type { Fifths } from "@/core/pitch";
import { PERCUSSION } from "./midi-voices";

/** A note that is written. Times are in quarters from the start. */
export interface MidiWrittenNote {
  readonly midi: number;
  readonly at: number;
  readonly length: number;
  /** How hard it is struck, from 0 to 1; 0.8 where nothing is said. */
  readonly loud?: number | undefined;
}

/** A part of a MIDI file: a track with its General MIDI program. */
export interface MidiPart {
  readonly name: string;
  /** General MIDI program, 0 to 127; undefined for percussion. */
  readonly program: number | undefined;
  /** Decibels beside full volume. */
  readonly level?: number;
  readonly notes: readonly MidiWrittenNote[];
}

interface MidiMeter {
  readonly at: number;
  readonly beats: number;
  readonly unit: number;
}

/** What is written: parts, and the tempo, in quarters a minute, from each quarter on. */
export interface MidiWritten {
  readonly title: string;
  readonly tempos: readonly { readonly at: number; readonly tempo: number }[];
  /** Four quarters to the bar where none is given; several where the meter changes or a pickup comes first. */
  readonly meters?: readonly MidiMeter[];
  /** The key signature: the major tonic of its sharps or flats as a place on the line of fifths, and whether it is told as minor. */
  readonly key?: { readonly tonic: Fifths; readonly isMinor: boolean } | undefined;
  readonly parts: readonly MidiPart[];
}

/** Ticks to the quarter: divisible by what music divides beats into. */
const TICKS = 480;
const VELOCITY = 0.8;

/** The controller of a channel's volume; General MIDI hears it as 40 decibels to each factor of ten. */
const VOLUME = 7;
const volumeOf = (decibels: number) => Math.max(0, Math.min(127, Math.round(127 * 10 ** (decibels / 40))));

/** Text as the file has it: bytes of UTF-8, each handed over as a letter. */
const utf8 = (text: string) => String.fromCharCode(...new TextEncoder().encode(text));

const SIGNS: Readonly<Record<string, string>> = { "♭": "b", "♯": "#", "♮": "", "𝄫": "bb", "𝄪": "##" };

/** A title that every reader shows: ASCII, with b and # for the accidentals. */
const ascii = (text: string) =>
  Array.from(text.normalize("NFKD"), (letter) => SIGNS[letter] ?? (letter <= "~" ? letter : "")).join("");

/** An event with its tick, and what comes first of those on one tick: ends of notes before their beginnings. */
interface Placed {
  readonly tick: number;
  readonly order: number;
  readonly event: object;
}

/**
 * Parts as a standard MIDI file, a track each after one for tempo, meter and key. Parts without notes are left out. The title stands in
 * ASCII as the file's name, and as it is, in UTF-8, as text. The library is loaded when it is first needed.
 *
 * @example await writeMidi({ title: "D Dorian", tempos: [{ at: 0, tempo: 96 }], parts })
 */
export async function writeMidi({
  title,
  tempos,
  meters = [{ at: 0, beats: 4, unit: 4 }],
  key,
  parts,
}: MidiWritten): Promise<Uint8Array<ArrayBuffer>> {
  const { writeMidi: write } = await import("midi-file");
  const ticks = (quarters: number) => Math.round(quarters * TICKS);
  const meta = (tick: number, event: object): Placed => ({
    tick,
    order: 0,
    event: { meta: true, ...event },
  });
  const first = [
    meta(0, { type: "trackName", text: ascii(title) }),
    ...(ascii(title) === title ? [] : [meta(0, { type: "text", text: utf8(title) })]),
    ...meters.map(({ at, beats, unit }) =>
      meta(ticks(at), {
        type: "timeSignature",
        numerator: beats,
        denominator: unit,
        metronome: unit === 8 && beats % 3 === 0 ? 36 : 96 / unit,
        thirtyseconds: 8,
      }),
    ),
    ...(key ? [meta(0, { type: "keySignature", key: key.tonic, scale: key.isMinor ? 1 : 0 })] : []),
    ...tempos.map(({ at, tempo }) =>
      meta(ticks(at), { type: "setTempo", microsecondsPerBeat: Math.round(60_000_000 / tempo) }),
    ),
  ];
  let free = 0;
  const tracks = parts
    .filter(({ notes }) => notes.length > 0)
    .map(({ name, program, level = 0, notes }): readonly Placed[] => {
      if (free === PERCUSSION) free += 1;
      const channel = program === undefined ? PERCUSSION : free++ % 16;
      const voice = (tick: number, order: number, event: object): Placed => ({
        tick,
        order,
        event: { channel, ...event },
      });
      return [
        meta(0, { type: "trackName", text: utf8(name) }),
        // The program first: readers part a track where it changes.
        ...(program === undefined ? [] : [voice(0, 0, { type: "programChange", programNumber: program })]),
        voice(0, 0, { type: "controller", controllerType: VOLUME, value: volumeOf(level) }),
        ...notes.flatMap(({ midi, at, length, loud = VELOCITY }) => {
          const from = ticks(at);
          const to = Math.max(from + 1, ticks(at + length));
          const velocity = Math.max(1, Math.min(127, Math.round(loud * 127)));
          return [
            voice(from, 2, { type: "noteOn", noteNumber: midi, velocity }),
            voice(to, 1, { type: "noteOff", noteNumber: midi, velocity: 0 }),
          ];
        }),
      ];
    });
  const file = {
    header: { format: 1, numTracks: tracks.length + 1, ticksPerBeat: TICKS },
    tracks: [first, ...tracks].map(inOrder),
  } as MidiData;
  return Uint8Array.from(write(file));
}

/** Events of a track in their order, each with the ticks since the one before, and the track's end. */
function inOrder(events: readonly Placed[]): MidiEvent[] {
  let last = 0;
  const track = events
    .toSorted((a, b) => a.tick - b.tick || a.order - b.order)
    .map(({ tick, event }) => {
      const deltaTime = tick - last;
      last = tick;
      return { deltaTime, ...event } as unknown as MidiEvent;
    });
  return [...track, { deltaTime: 0, meta: true, type: "endOfTrack" }];
}
