import { midiOf } from "../pitch";
import { allNotes, phraseEnds, sectionEnds, timeBySound, type Tune, type TuneNote } from "../tune";
import { soundAt } from "./bars-heard";
import { shareOut } from "./shares";

/** The lowest note that sounds from one moment on. */
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
  /** Shares of the moments at which something strikes, by what is lowest then. */
  readonly bass: readonly number[];
  readonly first: BassNote;
  readonly last: BassCadence;
  /** The ends of the sections before the last. */
  readonly cadences: readonly BassCadence[];
}

/** A moment's worth of rounding. */
const EPSILON = 1e-6;

/** Other voices that sound for less than this share of the melody's time are a note here and there, and no voices. */
const LEAST_BENEATH = 0.3;

const timeOf = (notes: readonly TuneNote[]) => notes.reduce((sum, { duration }) => sum + duration, 0);

/** Listens to all voices of a tune together; undefined where there is only one. */
export function hearVoices(tune: Tune): VoicesHearing | undefined {
  const { beneath = [] } = tune;
  if (timeOf(beneath) < LEAST_BENEATH * timeOf(tune.notes) || beneath.length === 0) return undefined;
  const all = allNotes(tune);
  const bass = bassLine(all);
  const [first] = bass;
  const last = first && cadenceAt(bass, bass.length - 1);
  if (!first || !last) return undefined;
  const counts = new Array<number>(12).fill(0);
  for (const { sound } of bass) counts[sound] = (counts[sound] ?? 0) + 1;
  const ends = phraseCadences(tune).map((at) => (tune.notes[at + 1] as TuneNote).onset);
  return {
    notes: all.length,
    sounding: shareOut(timeBySound(all)),
    bass: shareOut(counts),
    first,
    last,
    cadences: ends.flatMap((onset) => cadenceAt(bass, placeBefore(bass, onset)) ?? []),
  };
}

/** Where the melody comes to the end of a section or a marked phrase before the last note. */
const phraseCadences = (tune: Tune): readonly number[] => {
  const isMarked = (tune.phraseMarks?.length ?? 0) > 1;
  return (isMarked ? phraseEnds(tune) : sectionEnds(tune)).filter((at) => at < tune.notes.length - 1);
};

/** The lowest note at each moment at which any voice strikes, in order. */
export function bassLine(notes: readonly TuneNote[]): readonly BassNote[] {
  const sorted = [...notes].sort((a, b) => a.onset - b.onset);
  const line: BassNote[] = [];
  let sounding: TuneNote[] = [];
  for (let at = 0; at < sorted.length;) {
    const { onset } = sorted[at] as TuneNote;
    sounding = sounding.filter((note) => note.onset + note.duration > onset + EPSILON);
    const before = at;
    while (at < sorted.length && (sorted[at] as TuneNote).onset < onset + EPSILON) {
      sounding.push(sorted[at] as TuneNote);
      at += 1;
    }
    const low = sounding.reduce((least, note) => (midiOf(note.pitch) < midiOf(least.pitch) ? note : least));
    line.push({ onset, sound: soundAt(low), note: low });
    if (at === sorted.length && at - before === 1) {
      const root = brokenFrom(sorted, low);
      if (root) line[line.length - 1] = { onset, sound: soundAt(root), note: root };
    }
  }
  return line;
}

/** A chord that is broken has as many notes as this, none of them before the last longer than a quarter. */
const BROKEN = { notes: 3, longest: 1 };

/** The lowest note of a chord that is broken upwards into the last note, in its own voice and bar; undefined where none is. */
function brokenFrom(notes: readonly TuneNote[], top: TuneNote): TuneNote | undefined {
  const own = notes.filter(({ voice, bar }) => voice === top.voice && bar === top.bar);
  let first = own.indexOf(top);
  for (let at = first - 1; at >= 0; at -= 1) {
    const [note, next] = [own[at] as TuneNote, own[at + 1] as TuneNote];
    const isJoined = Math.abs(note.onset + note.duration - next.onset) < EPSILON;
    if (!isJoined || note.duration > BROKEN.longest || midiOf(note.pitch) >= midiOf(next.pitch)) break;
    first = at;
  }
  return own.indexOf(top) - first + 1 >= BROKEN.notes ? own[first] : undefined;
}

/** The place of the last bass note that begins before a moment. */
const placeBefore = (bass: readonly BassNote[], onset: number): number => {
  let [low, high] = [0, bass.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((bass[middle]?.onset ?? 0) < onset - EPSILON) low = middle + 1;
    else high = middle;
  }
  return low - 1;
};

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
