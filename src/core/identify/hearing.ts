import { type Fifths, midiOf, soundOf, spellSound } from "../pitch";
import { isDownbeat, phraseEnds, sectionEnds, stressOf, type Tune } from "../tune";

/** What a tune puts into the ear, by sounding pitch class (0 is C). */
export interface Hearing {
  /** Share of sounding time; adds up to 1. */
  readonly sounding: readonly number[];
  /** The same, weighed by metric stress as well. */
  readonly weight: readonly number[];
  /** Counts of notes on downbeats, of section ends and of phrase ends. */
  readonly downbeats: readonly number[];
  readonly sectionEnds: readonly number[];
  readonly phraseEnds: readonly number[];
  readonly last: number;
  readonly firstDownbeat: number;
  readonly lowest: number;
  readonly notes: number;
  /** How the tune spells each pitch class, where it sounds. */
  readonly names: readonly (Fifths | undefined)[];
}

const twelve = () => new Array<number>(12).fill(0);

function count(sounds: readonly number[]): readonly number[] {
  const counts = twelve();
  for (const sound of sounds) counts[sound] = (counts[sound] ?? 0) + 1;
  return counts;
}

function shareOut(amounts: readonly number[]): readonly number[] {
  const whole = amounts.reduce((a, b) => a + b, 0);
  return amounts.map((amount) => amount / whole);
}

/** Listens to a tune; undefined where it has no notes. */
export function hear(tune: Tune): Hearing | undefined {
  const first = tune.notes[0];
  const last = tune.notes.at(-1);
  if (!first || !last) return undefined;
  const sounds = tune.notes.map(({ pitch }) => soundOf(pitch.name));
  const at = (indices: readonly number[]) => indices.map((index) => sounds[index] ?? 0);
  const time = twelve();
  const weight = twelve();
  const names: (Fifths | undefined)[] = new Array<undefined>(12).fill(undefined);
  const byName = new Map<Fifths, number>();
  for (const [index, note] of tune.notes.entries()) {
    const sound = sounds[index] ?? 0;
    time[sound] = (time[sound] ?? 0) + note.duration;
    weight[sound] = (weight[sound] ?? 0) + note.duration * stressOf(tune, note);
    const total = (byName.get(note.pitch.name) ?? 0) + note.duration;
    byName.set(note.pitch.name, total);
    const known = names[sound];
    if (known === undefined || total > (byName.get(known) ?? 0)) names[sound] = note.pitch.name;
  }
  const downbeats = tune.notes.filter((note) => isDownbeat(tune, note));
  const opening = downbeats.find((note) => tune.bars[note.bar]?.lead === 0) ?? first;
  const lowest = tune.notes.reduce((low, note) => (midiOf(note.pitch) < midiOf(low.pitch) ? note : low));
  return {
    sounding: shareOut(time),
    weight: shareOut(weight),
    downbeats: count(downbeats.map(({ pitch }) => soundOf(pitch.name))),
    sectionEnds: count(at(sectionEnds(tune))),
    phraseEnds: count(at(phraseEnds(tune))),
    last: soundOf(last.pitch.name),
    firstDownbeat: soundOf(opening.pitch.name),
    lowest: soundOf(lowest.pitch.name),
    notes: tune.notes.length,
    names,
  };
}

/** The name of a pitch class as the tune spells it, or the simplest near `towards` where it never sounds. */
export const heardName = (hearing: Hearing, sound: number, towards: Fifths): Fifths =>
  hearing.names[sound] ?? spellSound(sound, towards);
