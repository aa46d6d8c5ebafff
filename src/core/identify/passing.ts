import { type Fifths, midiOf, soundOf } from "../pitch";
import { type HomeMode, holds, pitchClassSet, thirdOf } from "../scale";
import { allNotes, phraseEnds, type Tune, type TuneNote } from "../tune";
import { belongs } from "./candidates";
import type { Hearing } from "./hearing";
import { LEADING_TONE, MOSTLY, neighboursInVoice, stepBetween } from "./lines";
import { bassAt } from "./voices-hearing";

/**
 * What a note outside the mode does where it does not speak against it: it belongs to a key on the way; it leads up a half step to the note that follows in its
 * voice; it is the seventh of minor, raised; the third of a chord on which a phrase ends, raised; the third of the dominant of the
 * chord that comes next; it leans on the note above from below; it is over at once.
 */
type PassingRole = "key" | "leading" | "raised-seventh" | "raised-third" | "dominant" | "neighbour" | "brief";

/** A heard note that the mode does not have. */
export interface OutsideNote {
  readonly note: Fifths;
  /** Of sounding time. */
  readonly share: number;
  /** What it does where it only passes; undefined where it speaks against the mode. */
  readonly role?: PassingRole | undefined;
  /** The note that it leads to, or leans on; of a dominant, the root of the chord that comes next. */
  readonly to?: Fifths | undefined;
  /** Places of the notes. */
  readonly notes: readonly number[];
}

/** A note that is over at once takes no more of the time than this: less where it ever stands on the first beat of a bar. */
const BRIEF = { offBeat: 0.06, onBeat: 0.03 };

/** A note that sounds as much as this is the mode's business, whatever it does. */
const MAX_SHARE = 0.1;

/** The raised seventh of minor sounds as much as this in its dominant, and minor it stays. */
const MAX_RAISED = 0.15;

/** Every heard note that a mode on its home does not have, with what it does. */
export function outsideNotes(tune: Tune, hearing: Hearing, homeMode: HomeMode): readonly OutsideNote[] {
  const outside = hearing.sounding.flatMap((share, sound) =>
    share > 0 && !belongs(homeMode, sound) ? [{ share, sound }] : [],
  );
  if (outside.length === 0) return [];
  const all = allNotes(tune);
  const { before, after } = neighboursInVoice(all);
  const isMinor = thirdOf(homeMode.mode) === MINOR_THIRD;
  const isRaised = raisedThird(tune, hearing, all);
  const isDominant = thirdOfDominant(tune, all);
  return outside.flatMap(({ share, sound }): readonly OutsideNote[] => {
    const notes = all.flatMap(({ pitch }, at) => (soundOf(pitch.name) === sound ? [at] : []));
    // What only a chord symbol asks for is played by nobody yet.
    if (notes.length === 0) return [];
    const passing = { note: spelledAs(notes.map((at) => (all[at] as TuneNote).pitch.name)), share, notes };
    const rises = (at: number, to: number | undefined) => stepBetween(all, at, to) === 1;
    const leads = notes.filter((at) => rises(at, after[at]));
    const leans = leads.filter((at) => rises(at, before[at]));
    const thirds = notes.filter((at) => !leads.includes(at) && isRaised(at));
    const isMostly = (count: number) => share <= MAX_SHARE && count >= MOSTLY * notes.length;
    const to = all[after[leads[0] ?? -1] ?? -1]?.pitch.name;
    if (isMostly(leans.length)) return [{ ...passing, role: "neighbour", to }];
    if (isMostly(leads.length + thirds.length))
      return [
        leads.length >= thirds.length
          ? { ...passing, role: "leading", to }
          : { ...passing, role: "raised-third" },
      ];
    if (isMinor && share <= MAX_RAISED && (sound + 1) % 12 === soundOf(homeMode.home))
      return [
        {
          ...passing,
          note: asSeventh(
            notes.map((at) => all[at] as TuneNote),
            homeMode.home,
          ),
          role: "raised-seventh",
        },
      ];
    const next = hearing.names[(sound + 1) % 12];
    if (isMostly(notes.filter(isDominant).length)) return [{ ...passing, role: "dominant", to: next }];
    const isOnBeat = (hearing.melody.downbeats[sound] ?? 0) > 0;
    return [share <= (isOnBeat ? BRIEF.onBeat : BRIEF.offBeat) ? { ...passing, role: "brief" } : passing];
  });
}

/** The name that most of some notes of one sound are written with. */
function spelledAs(names: readonly Fifths[]): Fifths {
  const counts = new Map<Fifths, number>();
  for (const name of names) counts.set(name, (counts.get(name) ?? 0) + 1);
  return [...counts].reduce((most, each) => (each[1] > most[1] ? each : most))[0];
}

/** The raised seventh by its own letter where it is ever written so: D sharp of E minor, though E flats stand in the score as well. */
function asSeventh(notes: readonly TuneNote[], home: Fifths): Fifths {
  const names = notes.map(({ pitch }) => pitch.name);
  return names.find((name) => name === home + LEADING_TONE) ?? spelledAs(names);
}

/**
 * Whether a note is the third of a dominant: its bar has the root below it, with fifth or seventh, and in the next bar in which it
 * does not sound any more comes the note a half step above, the root of the chord that it leads to.
 */
function thirdOfDominant(tune: Tune, all: readonly TuneNote[]): (at: number) => boolean {
  const inBar = tune.bars.map((): number[] => []);
  for (const { pitch, bar } of all) inBar[bar]?.push(soundOf(pitch.name));
  const sets = inBar.map(pitchClassSet);
  return (at) => {
    const { pitch, bar } = all[at] as TuneNote;
    const third = soundOf(pitch.name);
    const barSounds = sets[bar] ?? 0;
    const isChord =
      holds(barSounds, third - 4) && (holds(barSounds, third + 3) || holds(barSounds, third + 6));
    const next = sets.findIndex((set, place) => place > bar && !holds(set, third));
    return isChord && next >= 0 && holds(sets[next] ?? 0, third + 1);
  };
}

/** Whether a note stands a major third (octaves apart or not) above the bass of a chord on which a phrase ends. */
function raisedThird(tune: Tune, { voices }: Hearing, all: readonly TuneNote[]): (at: number) => boolean {
  if (!voices) return () => false;
  const ends = phraseEnds(tune).map((at) => {
    const { onset, duration } = tune.notes[at] as TuneNote;
    return onset + duration - MOMENT;
  });
  return (at) => {
    const { onset, duration, pitch } = all[at] as TuneNote;
    const end = ends.find((moment) => moment >= onset && moment <= onset + duration);
    const bass = end === undefined ? undefined : bassAt(voices.line, end);
    return bass !== undefined && (midiOf(pitch) - midiOf(bass.note.pitch)) % 12 === 4;
  };
}

/** On the line of fifths. */
const MINOR_THIRD = -3;

/** Just before a note ends, in quarters. */
const MOMENT = 1e-3;
