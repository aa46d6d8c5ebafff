import { type Fifths, midiOf, soundOf, spellSound } from "../pitch";
import {
  allNotes,
  isDownbeat,
  OFF_BEAT,
  sectionEnds,
  stressOf,
  timeBySound,
  type Tune,
  type TuneNote,
} from "../tune";

/** A note on which a section comes to its end. */
export interface Ending {
  readonly sound: number;
  /**
   * How much the tune rests on it, from 0 to 1: a note longer than its fellows is a rest; a short one runs on into what
   * comes round again, and says little of home.
   */
  readonly rest: number;
  /** Place in the tune's notes. */
  readonly note: number;
}

/** What a tune puts into the ear, by sounding pitch class (0 is C). */
export interface Hearing {
  /** Share of sounding time, all voices; adds up to 1. */
  readonly sounding: readonly number[];
  /** Counts of the melody's notes on downbeats. */
  readonly downbeats: readonly number[];
  /** Where sections end, the last note of the tune not among them. */
  readonly sectionEnds: readonly Ending[];
  /** The last note; of several struck together the lowest. */
  readonly last: Ending;
  /** The note on which the last bar of each section comes to rest, where its last note runs on. */
  readonly cadences: readonly Ending[];
  /** Shares of sounding time in the first whole bar of each section. */
  readonly openings: readonly (readonly number[])[];
  readonly firstDownbeat: number;
  readonly lowest: number;
  /** Where something sounds beneath the melody, or chord symbols stand over it: the bass at the end and at the start. */
  readonly bass?: { readonly first: number; readonly last: number } | undefined;
  readonly notes: number;
  /** Sounds that are never heard but as lower neighbours of the note above. */
  readonly leans: readonly boolean[];
  /** How the tune spells each pitch class, where it sounds. */
  readonly names: readonly (Fifths | undefined)[];
}

function count(sounds: readonly number[]): readonly number[] {
  const counts = new Array<number>(12).fill(0);
  for (const sound of sounds) counts[sound] = (counts[sound] ?? 0) + 1;
  return counts;
}

function shareOut(amounts: readonly number[]): readonly number[] {
  const whole = amounts.reduce((a, b) => a + b, 0);
  return whole === 0 ? amounts : amounts.map((amount) => amount / whole);
}

const soundAt = ({ pitch }: TuneNote) => soundOf(pitch.name);

/** Tones of a chord symbol count less than notes: they are what may be played, not what is. */
const CHORD_SHARE = 0.3;

/** What a lower neighbour counts of its time. */
const NEIGHBOUR_SHARE = 0.3;

/** Sections after these say nothing new. */
const MOST_SECTIONS = 12;

/** How much longer than its fellows a note must be to be a full rest, and what standing on a beat adds. */
const RESTS = { from: 0.8, full: 1.6, onBeat: 0.4 };

/** Listens to a tune; undefined where it has no notes. */
export function hear(tune: Tune): Hearing | undefined {
  const [first] = tune.notes;
  const end = tune.notes.length - 1;
  if (!first) return undefined;
  const all = allNotes(tune);
  const stands = new Set<number>();
  const time = timeBySound(all, (note, at) => {
    if (isNeighbour(tune, at)) return NEIGHBOUR_SHARE;
    stands.add(soundAt(note));
    return 1;
  });
  for (const { chord, duration } of tune.chords ?? []) {
    for (const tone of chord.tones) {
      const sound = soundOf(chord.root + tone);
      time[sound] = (time[sound] ?? 0) + (duration * CHORD_SHARE) / chord.tones.length;
    }
  }
  const lengths = tune.notes.map(({ duration }) => duration).sort((a, b) => a - b);
  const usual = lengths[Math.floor(lengths.length / 2)] ?? 1;
  const ending = (at: number): Ending => {
    const note = lowestWith(tune.notes, at);
    const long = Math.max(0, (note.duration / usual - RESTS.from) / (RESTS.full - RESTS.from));
    const onBeat = stressOf(tune, note) > OFF_BEAT ? RESTS.onBeat : 0;
    return { sound: soundAt(note), rest: Math.min(1, long + onBeat), note: at };
  };
  const sections = sectionEnds(tune).slice(0, MOST_SECTIONS);
  const downbeats = tune.notes.filter((note) => isDownbeat(tune, note));
  const opening = downbeats.find((note) => tune.bars[note.bar]?.lead === 0) ?? first;
  const lowest = tune.notes.reduce((low, note) => (midiOf(note.pitch) < midiOf(low.pitch) ? note : low));
  return {
    sounding: shareOut(time),
    downbeats: count(downbeats.map(soundAt)),
    sectionEnds: sections.filter((at) => at !== end).map(ending),
    last: ending(end),
    cadences: sections.flatMap((at) => cadenceBefore(tune, at, ending) ?? []),
    openings: openingsOf(tune),
    firstDownbeat: soundAt(opening),
    lowest: soundAt(lowest),
    bass: bassOf(tune),
    notes: tune.notes.length,
    leans: time.map((_, sound) => !stands.has(sound)),
    names: namesOf(all),
  };
}

/**
 * Whether a note of the melody only leans on the one before and after it from a half step below, as D C♯ D does: such a
 * note is borrowed as often as it is the scale's own.
 */
function isNeighbour({ notes, bars }: Tune, at: number): boolean {
  const [before, note, after] = [notes[at - 1], notes[at], notes[at + 1]];
  if (!before || !note || !after) return false;
  const [from, low, to] = [before, note, after].map(({ pitch }) => midiOf(pitch)) as [number, number, number];
  return (
    from === to && low === to - 1 && note.onset > (bars[note.bar]?.start ?? 0) + 1e-6 && note.duration <= 1
  );
}

/** Of the notes struck together with one, the lowest. */
function lowestWith(notes: readonly TuneNote[], at: number): TuneNote {
  let low = notes[at] as TuneNote;
  for (let before = at - 1; notes[before]?.onset === low.onset; before -= 1) {
    const other = notes[before] as TuneNote;
    if (midiOf(other.pitch) < midiOf(low.pitch)) low = other;
  }
  return low;
}

/**
 * Where the last whole bar of a section comes to rest before it runs on: its longest note, the weightier of several;
 * undefined where that is the last note itself.
 */
function cadenceBefore(tune: Tune, at: number, ending: (at: number) => Ending): Ending | undefined {
  const bar = tune.notes[at]?.bar;
  let best = at;
  for (let each = at; tune.notes[each]?.bar === bar && each >= 0; each -= 1) {
    const [note, other] = [tune.notes[each], tune.notes[best]];
    if (!note || !other) break;
    const rank = (one: TuneNote) => one.duration + 0.5 * stressOf(tune, one);
    if (rank(note) > rank(other) + 1e-6) best = each;
  }
  return best === at ? undefined : ending(best);
}

/** The first whole bar of each section: its sounding time, weighed by metric stress. */
function openingsOf(tune: Tune): readonly (readonly number[])[] {
  const byBar = new Map<number, TuneNote[]>();
  let opens = true;
  for (const [at, { lead, endsSection }] of tune.bars.entries()) {
    if (lead > 0) continue;
    if (opens && byBar.size < MOST_SECTIONS) byBar.set(at, []);
    opens = endsSection;
  }
  for (const note of tune.notes) byBar.get(note.bar)?.push(note);
  return [...byBar.values()]
    .filter((notes) => notes.length > 0)
    .map((notes) => shareOut(timeBySound(notes, (note) => stressOf(tune, note))));
}

/** The bass where the tune begins and where it ends: of what lies beneath, otherwise of the chord symbols. */
function bassOf({ beneath = [], chords = [] }: Tune): Hearing["bass"] {
  const at = (onset: number) =>
    beneath
      .filter((note) => note.onset <= onset + 1e-6 && note.onset + note.duration > onset + 1e-6)
      .reduce<TuneNote | undefined>(
        (low, note) => (!low || midiOf(note.pitch) < midiOf(low.pitch) ? note : low),
        undefined,
      );
  const ends = beneath.reduce((end, { onset, duration }) => Math.max(end, onset + duration), 0);
  const [first, last] = beneath[0] ? [at(beneath[0].onset), at(ends - 1e-3)] : [];
  if (first && last) return { first: soundAt(first), last: soundAt(last) };
  const rootOf = (at: number) => chords.at(at)?.chord.root;
  const [opening, closing] = [rootOf(0), rootOf(-1)];
  return opening === undefined || closing === undefined
    ? undefined
    : { first: soundOf(opening), last: soundOf(closing) };
}

/** How each sound is spelled, by the name that sounds longest. */
function namesOf(notes: readonly TuneNote[]): readonly (Fifths | undefined)[] {
  const byName = new Map<Fifths, number>();
  for (const { pitch, duration } of notes) byName.set(pitch.name, (byName.get(pitch.name) ?? 0) + duration);
  const names = new Array<Fifths | undefined>(12).fill(undefined);
  for (const [name] of [...byName].sort((a, b) => a[1] - b[1])) names[soundOf(name)] = name;
  return names;
}

/** The name of a pitch class as the tune spells it, or the simplest near `towards` where it never sounds. */
export const heardName = (hearing: Hearing, sound: number, towards: Fifths): Fifths =>
  hearing.names[sound] ?? spellSound(sound, towards);
