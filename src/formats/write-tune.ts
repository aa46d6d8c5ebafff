import { parentOf } from "@/core/scale";
import { barLength, feltBeat, type Tune, type TuneNote } from "@/core/tune";
import { writeMidi } from "./midi";
import { midiNotes } from "./midi-tune";
import { piecesByBar } from "./pieces";
import {
  chordXml,
  closing,
  DIVISIONS,
  type Element,
  element,
  noteXml,
  opening,
  scoreXml,
} from "./write-musicxml";

/** Flute and strings: what lies beneath is heard under the melody, not over it. */
const PROGRAMS = { melody: 73, beneath: 48 };

/**
 * A tune as MusicXML: the melody with its bars, meter, chord symbols, repeats and endings, and what lies beneath it as a
 * second part. Notes are tied over bar lines; one that sounds on while the next begins is written as far as that one.
 *
 * @source MusicXML 4.0, W3C Community Group report
 */
export async function writeTuneXml(tune: Tune): Promise<string> {
  const parts = [
    { name: "Melody", notes: tune.notes, hasChords: true },
    ...(tune.beneath ? [{ name: "Beneath", notes: tune.beneath, hasChords: false }] : []),
  ];
  return scoreXml(
    tune.title,
    parts.map(({ name, notes, hasChords }) => ({ name, measures: measuresOf(tune, notes, hasChords) })),
  );
}

const NO_SIGNS = { opens: false, times: 1, endings: [] };

function measuresOf(tune: Tune, notes: readonly TuneNote[], hasChords: boolean): readonly Element[] {
  const { bars, meter, chords = [], keys: [key] = [] } = tune;
  const byBar = piecesByBar({ notes, bars });
  return bars.map((bar, at) => {
    const signs = bar.signs ?? NO_SIGNS;
    const whole = barLength(meter);
    let time = bar.start;
    const sounding = (byBar[at] ?? []).flatMap(({ notes: struck, at: onset, length, isTied, goesOn }) => {
      const gap = onset - time > 1e-6 ? noteXml({ pitches: [], length: onset - time }) : [];
      time = onset + length;
      const ties = [...(goesOn ? (["stop"] as const) : []), ...(isTied ? (["start"] as const) : [])];
      return [...gap, ...noteXml({ pitches: struck.map(({ pitch }) => pitch), length, ties })];
    });
    const left = bar.start + bar.length - time;
    const isShort = Math.abs(bar.length - whole) > 1e-6;
    const ends = bar.endsSection && signs.times === 1;
    return element(
      "measure",
      [
        ...opening(signs, bars[at - 1]?.signs),
        ...(at === 0 ? [attributesXml(tune, key)] : []),
        ...chords
          .filter(({ bar: place }) => hasChords && place === at)
          .map(({ chord, onset }) => chordXml(chord, onset - bar.start)),
        ...sounding,
        ...(left > 1e-6 ? noteXml({ pitches: [], length: left }) : []),
        ...closing(signs, bars[at + 1]?.signs),
        ...(ends ? [element("barline", [element("bar-style", "light-light")], { location: "right" })] : []),
      ],
      { number: bar.number, ...(isShort ? { implicit: "yes" } : {}) },
    );
  });
}

function attributesXml({ meter }: Tune, key: NonNullable<Tune["keys"]>[number] | undefined): Element {
  return element("attributes", [
    element("divisions", DIVISIONS),
    ...(key && key.mode.family === "major"
      ? [element("key", [element("fifths", parentOf(key).tonic), element("mode", key.mode.id)])]
      : []),
    element("time", [element("beats", meter.beats), element("beat-type", meter.unit)]),
    element("clef", [element("sign", "G"), element("line", 2)]),
  ]);
}

/**
 * A tune as a MIDI file: the melody on one track, what lies beneath it on another. Repeats are not played.
 *
 * @param tempo felt beats a minute, three eighths each in 6/8
 */
export const writeTuneMidi = (tune: Tune, tempo: number): Promise<Uint8Array<ArrayBuffer>> =>
  writeMidi({
    title: tune.title,
    tempos: [{ at: 0, tempo: tempo * feltBeat(tune.meter) }],
    meters: [{ at: 0, ...tune.meter }],
    parts: [
      { name: "Melody", program: PROGRAMS.melody, notes: midiNotes(tune.notes) },
      ...(tune.beneath
        ? [{ name: "Beneath", program: PROGRAMS.beneath, notes: midiNotes(tune.beneath) }]
        : []),
    ],
  });
