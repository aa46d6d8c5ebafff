import { midiOf } from "../pitch";
import {
  allNotes,
  EPSILON,
  feltBeat,
  firstPlace,
  phraseEnds,
  sectionEnds,
  timeBySound,
  type Tune,
  type TuneNote,
} from "../tune";
import { soundAt } from "./bars-heard";
import { shareOut } from "./shares";
import { type VoicesViews, voicesViews } from "./voices-views";

/** The lowest note that sounds in one beat, and when it is heard there. */
export interface BassNote {
  readonly onset: number;
  readonly sound: number;
  readonly note: TuneNote;
}

/** Where the bass comes to rest at the end of a section: its last note there, and the other note before it. */
export interface BassCadence {
  readonly from: BassNote | undefined;
  readonly to: BassNote;
}

/** What several voices put into the ear together, by sounding pitch class (0 is C). */
export interface VoicesHearing {
  /** Notes of all voices. */
  readonly notes: number;
  /** Shares of sounding time. */
  readonly sounding: readonly number[];
  /** The bass, beat by beat. */
  readonly line: readonly BassNote[];
  /** What is taken of each view of it. */
  readonly views: VoicesViews;
  /** Sharps of the key signature that it begins with, flats below nought; undefined where none is declared or kept to. */
  readonly signature: number | undefined;
  /** Shares of the beats, by what is lowest in them. */
  readonly bass: readonly number[];
  readonly first: BassNote;
  readonly last: BassCadence;
  /** The ends of the sections before the last. */
  readonly cadences: readonly BassCadence[];
}

/** Other voices that sound for less than this share of the melody's time are a note here and there, and no voices. */
const LEAST_BENEATH = 0.3;

const timeOf = (notes: readonly TuneNote[]) => notes.reduce((sum, { duration }) => sum + duration, 0);

/** How often the bass is listened to for what is counted of it, in quarters. */
const LISTENED = 0.5;

/**
 * Listens to all voices of a tune together; undefined where there is only one.
 *
 * @param signature sharps of the key signature, flats below nought, where one is declared and kept to
 */
export function hearVoices(tune: Tune, signature?: number): VoicesHearing | undefined {
  const { beneath = [] } = tune;
  if (timeOf(beneath) < LEAST_BENEATH * timeOf(tune.notes) || beneath.length === 0) return undefined;
  const all = allNotes(tune);
  const line = bassLine(tune);
  const [first] = line;
  const last = first && cadenceAt(line, line.length - 1);
  if (!first || !last) return undefined;
  const counts = new Array<number>(12).fill(0);
  for (const { sound } of line) counts[sound] = (counts[sound] ?? 0) + 1;
  const ends = phraseCadences(tune).map((at) => (tune.notes[at + 1] as TuneNote).onset);
  return {
    notes: all.length,
    views: voicesViews(
      tune,
      bassLine(tune, LISTENED).map(({ sound }) => sound),
      signature,
    ),
    signature,
    sounding: shareOut(timeBySound(all)),
    line,
    bass: shareOut(counts),
    first,
    last,
    cadences: ends.flatMap((onset) => cadenceAt(line, placeBefore(line, onset)) ?? []),
  };
}

/** Where the melody comes to the end of a section or a marked phrase before the last note. */
const phraseCadences = (tune: Tune): readonly number[] => {
  const isMarked = (tune.phraseMarks?.length ?? 0) > 1;
  return (isMarked ? phraseEnds(tune) : sectionEnds(tune)).filter((at) => at < tune.notes.length - 1);
};

/** What lies more than this many half steps above the low notes of the bass is a chord over it, or a voice while the bass rests. */
const BASS_REACH = 12;

/** A sound that is held without any change is heard out for so many beats: hours of it tell no more. */
const MAX_HELD = 256;

/** Low notes of the bass are those under which this share of the beats lies. */
const LOW = 0.2;

/**
 * The bass of a piece: the lowest note that sounds in each beat, but for those beats in which the bass rests. Chords after the beat, as in
 * a waltz or a march, are no bass.
 *
 * @param beat how often it is listened to, in quarters
 */
export function bassLine(
  tune: Pick<Tune, "notes" | "beneath" | "meter">,
  beat = feltBeat(tune.meter),
): readonly BassNote[] {
  const sorted = allNotes(tune).toSorted((a, b) => a.onset - b.onset);
  const line: { readonly onset: number; readonly note: TuneNote; readonly height: number }[] = [];
  let sounding: TuneNote[] = [];
  let next = 0;
  let heldBeats = 0;
  for (let onset = 0; next < sorted.length || sounding.length > 0; onset += beat) {
    const before = sounding.length;
    sounding = sounding.filter((note) => note.onset + note.duration > onset + EPSILON);
    if (sounding.length === 0) {
      const first = sorted[next];
      if (!first) break;
      // Beats in which nothing sounds are passed over.
      onset = Math.max(onset, Math.floor(first.onset / beat + EPSILON) * beat);
    }
    const from = next;
    for (; (sorted[next]?.onset ?? Infinity) < onset + beat - EPSILON; next += 1)
      sounding.push(sorted[next] as TuneNote);
    heldBeats = next === from && sounding.length === before ? heldBeats + 1 : 0;
    if (heldBeats > MAX_HELD) {
      const ends = sounding.reduce((end, note) => Math.min(end, note.onset + note.duration), Infinity);
      const goesOn = Math.min(ends, sorted[next]?.onset ?? Infinity);
      onset = Math.max(onset, Math.floor(goesOn / beat - EPSILON) * beat - beat);
      heldBeats = 0;
    }
    const end = onset + beat - EPSILON;
    const low = sounding.reduce<TuneNote | undefined>(
      (least, note) => (!least || midiOf(note.pitch) < midiOf(least.pitch) ? note : least),
      undefined,
    );
    if (low)
      line.push({ onset: Math.min(Math.max(onset, low.onset), end), note: low, height: midiOf(low.pitch) });
  }
  const heights = line.map(({ height }) => height).sort((a, b) => a - b);
  const reach = (heights[Math.floor(heights.length * LOW)] ?? 0) + BASS_REACH;
  return line
    .filter(({ height }) => height <= reach)
    .map(({ onset, note }) => ({ onset, sound: soundAt(note), note }));
}

/** The place of the last bass note that begins before a moment. */
const placeBefore = (bass: readonly BassNote[], moment: number): number =>
  firstPlace(bass, ({ onset }) => onset >= moment - EPSILON) - 1;

/** The bass at a moment. */
export const bassAt = (bass: readonly BassNote[], moment: number): BassNote | undefined =>
  bass[placeBefore(bass, moment)];

function cadenceAt(bass: readonly BassNote[], at: number): BassCadence | undefined {
  const to = bass[at];
  if (!to) return undefined;
  let before = at - 1;
  while (before >= 0 && bass[before]?.sound === to.sound) before -= 1;
  return { from: bass[before], to };
}
