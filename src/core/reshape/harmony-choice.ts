/** Where chords are taken from: all those of the mode, its vamp, or two chords that make the mode between them. */
export const HARMONY_SOURCES = ["mode", "vamp", "pair"] as const;
type HarmonySource = (typeof HARMONY_SOURCES)[number];

/** How often the chord changes; by phrase it stays for as long as the melody lets it, and changes freely where a phrase begins. */
export const HARMONY_RHYTHMS = ["half-bar", "bar", "two-bars", "phrase"] as const;
export type HarmonyRhythm = (typeof HARMONY_RHYTHMS)[number];

/** How chords are found for a melody. */
export interface HarmonyChoice {
  readonly source: HarmonySource;
  readonly rhythm: HarmonyRhythm;
  /** Home is held in the bass. */
  readonly hasPedal: boolean;
  /** The characteristic note is sought in the chords, wherever the melody leaves room. */
  readonly seeksCharacteristic: boolean;
  /** Chords have their sevenths, or are triads wherever these hold the melody; left out, as in the chords that the tune comes with. */
  readonly hasSevenths?: boolean | undefined;
}
