/** What is the same of a sound wherever it is made: in the page, in a file of notes, on a sheet. */
interface SoundRow {
  /** As it stands in a sentence: "nylon-string guitar". */
  readonly name: string;
  /** Its program in General MIDI, counted from 0; percussion has none. */
  readonly program: number | undefined;
  /** The lowest and the highest key that it is played on, as MIDI numbers. */
  readonly range: readonly [number, number];
}

const ROWS = {
  nylon: { name: "nylon-string guitar", program: 24, range: [28, 93] },
  steel: { name: "steel-string guitar", program: 25, range: [28, 93] },
  clean: { name: "electric guitar", program: 27, range: [28, 93] },
  bass: { name: "bass", program: 33, range: [21, 72] },
  ukulele: { name: "ukulele", program: 24, range: [48, 96] },
  mandolin: { name: "mandolin", program: 25, range: [48, 100] },
  fiddle: { name: "fiddle", program: 110, range: [48, 103] },
  banjo: { name: "banjo", program: 105, range: [40, 93] },
  piano: { name: "piano", program: 0, range: [21, 108] },
  harmonium: { name: "harmonium", program: 20, range: [31, 96] },
  strings: { name: "bowed strings", program: 48, range: [36, 96] },
  click: { name: "metronome", program: undefined, range: [75, 77] },
} as const satisfies Readonly<Record<string, SoundRow>>;

/** What a part can sound like. */
export type Sound = keyof typeof ROWS;

/** Every sound. */
export const SOUNDS = Object.keys(ROWS) as readonly Sound[];

/** A sound's row. @example soundRow("bass").program // 33 */
export const soundRow = (sound: Sound): SoundRow => ROWS[sound];
