import { PERCUSSION } from "./midi-voices";

/** A part of a MIDI file: a track with its General MIDI program. Times are in beats. */
export interface MidiPart {
  readonly name: string;
  /** General MIDI program, 0 to 127; undefined for percussion. */
  readonly program: number | undefined;
  readonly notes: readonly { readonly midi: number; readonly at: number; readonly length: number }[];
}

/** What is written: parts, and the tempo from each beat on. */
export interface MidiWritten {
  readonly title: string;
  readonly tempos: readonly { readonly at: number; readonly tempo: number }[];
  /** Four beats to the bar where none is given. */
  readonly meter?: { readonly beats: number; readonly unit: number } | undefined;
  readonly parts: readonly MidiPart[];
}

const VELOCITY = 0.8;

/**
 * Parts as a standard MIDI file, a track each. The library is loaded when it is first needed; it
 * is CommonJS, so the class stands on its default export in a bundle and on the module in Node.
 *
 * @example await writeMidi({ title: "D Dorian", tempos: [{ at: 0, tempo: 96 }], parts })
 */
export async function writeMidi({
  title,
  tempos,
  meter,
  parts,
}: MidiWritten): Promise<Uint8Array<ArrayBuffer>> {
  const { default: library } = await import("@tonejs/midi");
  const file = new library.Midi();
  const { header } = file;
  const ticks = (beats: number) => Math.round(beats * header.ppq);
  header.name = title;
  header.tempos = tempos.map(({ at, tempo }) => ({ ticks: ticks(at), bpm: tempo }));
  header.timeSignatures = [{ ticks: 0, timeSignature: [meter?.beats ?? 4, meter?.unit ?? 4] }];
  header.update();
  for (const [at, { name, program, notes }] of parts.entries()) {
    const track = file.addTrack();
    track.name = name;
    track.channel = program === undefined ? PERCUSSION : at < PERCUSSION ? at : at + 1;
    if (program !== undefined) track.instrument.number = program;
    for (const note of notes) {
      track.addNote({
        midi: note.midi,
        ticks: ticks(note.at),
        durationTicks: Math.max(1, ticks(note.length)),
        velocity: VELOCITY,
      });
    }
  }
  return new Uint8Array(file.toArray());
}
