import { type Chart, quartersOf } from "@/core/chord";
import { type Ensemble, ENSEMBLES, laidOut, soundRow } from "@/core/instrument";
import { midiOf } from "@/core/pitch";
import { type MidiPart, writeChordPro, writeMidi, writeMusicXml, type WrittenPart } from "@/formats";
import { beatOf, chartScore, partInQuarters } from "@/audio";
import { $partSounds, arranged } from "@/session";
import { ENSEMBLE_PART_TEXT, PART_TEXT } from "@/words";

/** Endings of files that charts are read from. */
export const CHART_FILES = ".cho,.crd,.chopro,.chordpro,.pro,.txt,.musicxml,.mxl,.xml,.mid,.midi";

/** What a chart is saved as. */
export const SAVED_AS = ["chordpro", "text", "musicxml", "midi"] as const;
export type SavedAs = (typeof SAVED_AS)[number];

/** What is written out beside the symbols: nothing, or parts for others. */
export type WrittenFor = "chords" | Ensemble;

/** A file to be saved. */
export interface ChartFile {
  readonly name: string;
  readonly content: string | Uint8Array<ArrayBuffer>;
  readonly type: string;
}

/** The chart as a file of a kind, for those who play from it. */
export async function chartFile(
  chart: Chart,
  text: string,
  title: string,
  as: SavedAs,
  writtenFor: WrittenFor,
  tempo: number,
): Promise<ChartFile> {
  const base =
    title
      .trim()
      .toLowerCase()
      .replaceAll(/[^\p{L}\p{N}]+/gu, "-")
      .replaceAll(/^-|-$/gu, "") || "chart";
  const name = writtenFor === "chords" || as === "chordpro" || as === "text" ? base : `${base}-${writtenFor}`;
  switch (as) {
    case "chordpro":
      return { name: `${name}.cho`, content: writeChordPro(chart, title), type: "text/plain" };
    case "text": {
      const head = title === "" || text.startsWith(`# ${title}`) ? "" : `# ${title}\n`;
      return { name: `${name}.txt`, content: `${head}${text.trimEnd()}\n`, type: "text/plain" };
    }
    case "musicxml":
      return {
        name: `${name}.musicxml`,
        content: await writeMusicXml(
          chart,
          title,
          writtenFor === "chords" ? [] : writtenParts(chart, writtenFor),
        ),
        type: "application/vnd.recordare.musicxml+xml",
      };
    case "midi":
      return {
        name: `${name}.mid`,
        content: await chartMidi(chart, title, writtenFor, tempo),
        type: "audio/midi",
      };
  }
}

/** The parts of an ensemble over the bars as they are written. */
export function writtenParts(chart: Chart, ensemble: Ensemble): readonly WrittenPart[] {
  const places = chart.chords.map((_, at) => at);
  return partsOver(chart, ensemble, places).map(({ id, clef, notes }) => ({
    name: ENSEMBLE_PART_TEXT[id],
    clef,
    notes: notes.map(({ pitches, at, length }) => ({ pitches, at, length })),
  }));
}

/** The parts over some places one after another: pitches of each chord from the highest, times in quarters. */
function partsOver(chart: Chart, ensemble: Ensemble, places: readonly number[]) {
  const ways = laidOut(
    places.map((at) => chart.chords[at]?.chord),
    ensemble,
  );
  const lengths = places.map((at) => {
    const place = chart.chords[at];
    const bar = place && chart.bars[place.bar - 1];
    return bar ? place.length * quartersOf(bar.meter) : 0;
  });
  let voice = 0;
  return ENSEMBLES[ensemble].map((part) => {
    const [from, to] = [voice, voice + part.voices];
    voice = to;
    let at = 0;
    const notes = ways.map((way, n) => {
      const length = lengths[n] ?? 0;
      const begins = at;
      at += length;
      return { pitches: way?.slice(from, to) ?? [], at: begins, length };
    });
    return { ...part, notes };
  });
}

async function chartMidi(
  chart: Chart,
  title: string,
  writtenFor: WrittenFor,
  tempo: number,
): Promise<Uint8Array<ArrayBuffer>> {
  const parts: readonly MidiPart[] =
    writtenFor === "chords"
      ? heardParts(chart)
      : partsOver(chart, writtenFor, chart.order).map(({ id, program, notes }) => ({
          name: ENSEMBLE_PART_TEXT[id],
          program,
          notes: notes.flatMap(({ pitches, at, length }) =>
            pitches.map((pitch) => ({ midi: midiOf(pitch), at, length })),
          ),
        }));
  return writeMidi({
    title,
    // The tempo counts the beats that are felt, three eighths each in 6/8; files count quarters.
    tempos: [{ at: 0, tempo: tempo * beatOf(chart) }],
    meters: [{ at: 0, ...(chart.bars[0]?.meter ?? { beats: 4, unit: 4 }) }],
    parts,
  });
}

/** Chords and bass as they are heard here. */
function heardParts(chart: Chart): readonly MidiPart[] {
  const { notes } = arranged(chartScore(chart));
  const beat = beatOf(chart);
  const sounds = $partSounds.get();
  return (["chord", "bass"] as const).map((part) => ({
    name: PART_TEXT[part],
    program: soundRow(sounds[part]).program,
    notes: partInQuarters(notes, part, beat),
  }));
}
