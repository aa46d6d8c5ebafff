import banjo from "./sounds/banjo.bin?url";
import bass from "./sounds/bass.bin?url";
import clean from "./sounds/clean.bin?url";
import click from "./sounds/click.bin?url";
import fiddle from "./sounds/fiddle.bin?url";
import harmonium from "./sounds/harmonium.bin?url";
import nylon from "./sounds/nylon.bin?url";
import piano from "./sounds/piano.bin?url";
import steel from "./sounds/steel.bin?url";
import strings from "./sounds/strings.bin?url";
import { type Sound, soundRow } from "@/core/instrument";

const FILES = { nylon, steel, clean, bass, fiddle, banjo, piano, harmonium, strings, click } as const;
type Recorded = keyof typeof FILES;

/** One recording of an instrument, and the keys that it is played on. */
export interface Recording {
  readonly low: number;
  readonly high: number;
  /** The key that was recorded, and how many cents the recording lies above it. */
  readonly root: number;
  readonly cents: number;
  /** What brings it to the loudness of all others. */
  readonly gain: number;
  /** Seconds between which it goes round as long as the note lasts. */
  readonly loop?: readonly number[];
  /** Seconds before the tone sounds. */
  readonly starts?: number;
  /** Seconds after which it dies away, and by how many decibels a second. */
  readonly hold: number;
  readonly decay: number;
  /** Where it stands in its file. */
  readonly bytes: readonly number[];
}

/** How an instrument is made of recordings. */
export interface Voice {
  readonly of: Recorded;
  /** Half steps that the recordings are taken from below: a smaller body than the one that was recorded. */
  readonly raised: number;
  /** Decibels a second by which it dies away faster than what was recorded. */
  readonly damped: number;
  /** Cents between the two strings of each pair, where strings are in pairs. */
  readonly paired: number;
  /** A bow draws each note, down and up in turn. */
  readonly isBowed: boolean;
  /** Seconds in which a note comes in, and in which it dies away once it is let go. */
  readonly attack: number;
  readonly release: number;
  /** Decibels above the others, where the ear hears it as softer; and once more where it is held under them. */
  readonly trim: number;
  readonly heldTrim: number;
}

const PLUCKED: Omit<Voice, "of"> = {
  raised: 0,
  damped: 0,
  paired: 0,
  isBowed: false,
  attack: 0.001,
  release: 0.12,
  trim: 0,
  heldTrim: 0,
};

/**
 * The instruments. The ukulele is a small nylon-strung guitar and dies away sooner; the mandolin has small steel strings in pairs. What
 * sustains has a slow attack and goes on as long as it is held.
 */
export const VOICES: Readonly<Record<Sound, Voice>> = {
  nylon: { ...PLUCKED, of: "nylon" },
  steel: { ...PLUCKED, of: "steel", release: 0.16 },
  clean: { ...PLUCKED, of: "clean", release: 0.1 },
  bass: { ...PLUCKED, of: "bass", release: 0.09 },
  ukulele: { ...PLUCKED, of: "nylon", raised: 6, damped: 8, release: 0.08, trim: 4 },
  mandolin: {
    ...PLUCKED,
    of: "steel",
    raised: 7,
    damped: 8,
    paired: 5,
    release: 0.08,
    trim: 5,
  },
  banjo: { ...PLUCKED, of: "banjo", damped: 4, release: 0.06, trim: 2.5 },
  fiddle: { ...PLUCKED, of: "fiddle", isBowed: true, attack: 0.03, release: 0.09, heldTrim: -7 },
  piano: { ...PLUCKED, of: "piano", release: 0.2 },
  harmonium: { ...PLUCKED, of: "harmonium", attack: 0.06, release: 0.12 },
  strings: { ...PLUCKED, of: "strings", attack: 0.05, release: 0.15, trim: 6, heldTrim: -6 },
  click: { ...PLUCKED, of: "click", attack: 0, release: 0.05 },
};

/** Whether a sound goes on for as long as it is held. */
export const sustains = (sound: Sound): boolean => VOICES[sound].attack >= SUSTAINED_FROM;
/** What sustains comes in so slowly, in seconds. */
const SUSTAINED_FROM = 0.02;

/** The files of all recordings, those of some instruments first. */
export const soundFiles = (first: readonly Sound[]): readonly string[] => [
  ...new Set([...first.map((sound) => FILES[VOICES[sound].of]), ...Object.values(FILES)]),
];

/** A key moved by octaves until the instrument has it. */
export function keyOn(sound: Sound, midi: number): number {
  const [low, high] = soundRow(sound).range;
  let key = midi;
  while (key < low) key += 12;
  while (key > high) key -= 12;
  return key;
}

/**
 * The recording that an instrument plays a key from, by its place among all that it has, and how much faster than recorded.
 *
 * @example recordingFor("nylon", 40, recordings) // { place: 0, rate: 0.996 }
 */
export function recordingFor(
  sound: Sound,
  midi: number,
  all: readonly Recording[],
): { readonly place: number; readonly rate: number } {
  const from = midi - VOICES[sound].raised;
  const found = all.findIndex(({ high }) => from <= high);
  const place = found < 0 ? all.length - 1 : found;
  const { root = midi, cents = 0 } = all[place] ?? {};
  return { place, rate: 2 ** ((midi - root - cents / 100) / 12) };
}

/** A recording that is ready to be played. */
export interface Decoded {
  readonly recording: Recording;
  readonly buffer: AudioBuffer;
}

/** What decodes: an audio context of the library or of the browser. */
type Decoder = Pick<BaseAudioContext, "decodeAudioData">;

const loading = new Map<Recorded, Promise<readonly Decoded[]>>();
const loaded = new Map<Recorded, readonly Decoded[]>();

/** An instrument's recordings, if they are here already. */
export const loadedSound = (sound: Sound): readonly Decoded[] | undefined => loaded.get(VOICES[sound].of);

/** Loads an instrument's recordings; once, however often it is asked, and again where it failed. */
export function loadSound(sound: Sound, decoder: Decoder): Promise<readonly Decoded[]> {
  const { of } = VOICES[sound];
  const known = loading.get(of);
  if (known) return known;
  const begun = fetchDecoded(of, decoder);
  loading.set(of, begun);
  begun.then(
    (all) => loaded.set(of, all),
    () => loading.delete(of),
  );
  return begun;
}

async function fetchDecoded(of: Recorded, decoder: Decoder): Promise<readonly Decoded[]> {
  // The table of all recordings comes with the first of them.
  const [answer, { default: table }] = await Promise.all([
    fetch(FILES[of]),
    import("./sounds/recordings.json"),
  ]);
  if (!answer.ok) throw new Error(`${answer.status} ${answer.statusText}`);
  const file = await answer.arrayBuffer();
  const all: readonly Recording[] = table[of];
  return Promise.all(
    all.map(async (recording) => {
      const [from, to] = recording.bytes;
      return { recording, buffer: await decoder.decodeAudioData(file.slice(from, to)) };
    }),
  );
}
