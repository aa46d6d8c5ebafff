import { midiOf } from "../pitch";
import { allNotes, EPSILON, timeBySound, type Tune, type TuneNote } from "../tune";
import { soundAt } from "./bars-heard";
import { shareOut } from "./shares";
import { VOICES_CAPS, type VoicesView } from "./voices-evidence";

/** What is taken of each view, by pitch class; each as `voices-evidence.ts` says. */
export type VoicesViews = Readonly<Record<VoicesView, readonly number[]>>;

/** A note longer than this counts no more as the end of a phrase, in quarters. */
const LONGEST_END = 4;

/** A note that is led to begins on one of these, in quarters, and counts for more where the note before has a sharp that is written. */
const LED = { every: 2, sharp: 2.5 };

/** A piece of as many notes is heard in full. */
const FULL_NOTES = 60;

/**
 * What is taken of a piece in several voices, view by view.
 *
 * @param bass the lowest sound of each moment, in order
 * @param signature sharps of the key signature, or flats below nought
 */
export function voicesViews(tune: Tune, bass: readonly number[], signature?: number): VoicesViews {
  const all = allNotes(tune);
  const voices = voicesOf(all);
  const byHeight = [...voices].sort((a, b) => meanHeight(a) - meanHeight(b));
  const highest = byHeight.at(-1) ?? [];
  const tenor = byHeight[1] ?? [];
  const last = bass.at(-1);
  const full = Math.min(1, all.length / FULL_NOTES);
  return {
    sounding: scaled(timeBySound(all), VOICES_CAPS.sounding * full),
    bass: scaled(counts(bass), VOICES_CAPS.bass * full),
    lastBass: counts(bass.slice(-1)),
    firstBass: counts(bass.slice(0, 1)),
    phraseEnds: scaled(endsIn(voices), VOICES_CAPS.phraseEnds * full),
    phraseBegins: scaled(beginsIn(voices), VOICES_CAPS.phraseBegins * full),
    ledTo: atMost(ledIn(voices, signature), VOICES_CAPS.ledTo),
    tenorLowest: counts(extreme(tenor, (a, b) => a < b)),
    sopranoHighest: counts(extreme(highest, (a, b) => a > b)),
    bassBeforeLast: counts([bass.findLast((sound) => sound !== last)].flatMap((sound) => sound ?? [])),
    sopranoLast: counts(highest.slice(-1).map(soundAt)),
  };
}

/** The notes of each voice, in order; of notes struck together in one voice all are its own. */
function voicesOf(all: readonly TuneNote[]): readonly (readonly TuneNote[])[] {
  const voices = new Map<number, TuneNote[]>();
  for (const note of all) {
    const known = voices.get(note.voice ?? 0);
    if (known) known.push(note);
    else voices.set(note.voice ?? 0, [note]);
  }
  return [...voices.values()];
}

const meanHeight = (voice: readonly TuneNote[]): number =>
  voice.reduce((sum, { pitch }) => sum + midiOf(pitch), 0) / (voice.length || 1);

/** The sound of the note of a voice that lies beyond all others. */
function extreme(voice: readonly TuneNote[], isBeyond: (a: number, b: number) => boolean): readonly number[] {
  const [first, ...rest] = voice;
  if (!first) return [];
  return [
    soundAt(
      rest.reduce((most, note) => (isBeyond(midiOf(note.pitch), midiOf(most.pitch)) ? note : most), first),
    ),
  ];
}

function counts(sounds: readonly number[], amounts?: readonly number[]): number[] {
  const found = new Array<number>(12).fill(0);
  for (const [at, sound] of sounds.entries()) found[sound] = (found[sound] ?? 0) + (amounts?.[at] ?? 1);
  return found;
}

const sumOf = (amounts: readonly number[]) => amounts.reduce((sum, each) => sum + each, 0);

const scaled = (amounts: readonly number[], to: number): readonly number[] =>
  shareOut(amounts).map((share) => share * to);

const atMost = (amounts: readonly number[], most: number): readonly number[] =>
  sumOf(amounts) > most ? scaled(amounts, most) : amounts;

const endOf = ({ onset, duration }: TuneNote) => onset + duration;

/** Notes before a rest or at the end, by their length. */
function endsIn(voices: readonly (readonly TuneNote[])[]): readonly number[] {
  const ends = voices.flatMap((voice) =>
    voice.filter((note, at) => (voice[at + 1]?.onset ?? Infinity) > endOf(note) + EPSILON),
  );
  return counts(
    ends.map(soundAt),
    ends.map(({ duration }) => Math.min(LONGEST_END, duration)),
  );
}

/** Notes after a rest or at the beginning. */
const beginsIn = (voices: readonly (readonly TuneNote[])[]): readonly number[] =>
  counts(
    voices.flatMap((voice) =>
      voice.flatMap((note, at) => {
        const before = voice[at - 1];
        return !before || note.onset > endOf(before) + EPSILON ? [soundAt(note)] : [];
      }),
    ),
  );

/** Notes that are reached from a half step below. */
function ledIn(voices: readonly (readonly TuneNote[])[], signature = 0): readonly number[] {
  const led = voices.flatMap((voice) =>
    voice.flatMap((note, at) => {
      const before = voice[at - 1];
      const isLed =
        before !== undefined &&
        midiOf(note.pitch) - midiOf(before.pitch) === 1 &&
        note.duration >= before.duration - EPSILON &&
        Math.abs(note.onset / LED.every - Math.round(note.onset / LED.every)) < EPSILON;
      return isLed ? [{ note, isRaised: before.pitch.name > NATURAL + Math.max(0, signature) }] : [];
    }),
  );
  return counts(
    led.map(({ note }) => soundAt(note)),
    led.map(({ isRaised }) => (isRaised ? LED.sharp : 1)),
  );
}

/** The sharpest note without an accidental, B, on the line of fifths. */
const NATURAL = 5;
