import { type Fifths, soundOf } from "../pitch";
import { type ChartChord, chordNotes } from "../chord";
import {
  bestHome,
  USUAL_MODES,
  compareRanks,
  FAMILIES,
  type HomeMode,
  holds,
  type Mode,
  transpose,
} from "../scale";
import { type ChartHome, chartHomes } from "./home";

/** One mode for the whole chart. */
export interface OneModeReading {
  readonly homeMode: HomeMode;
  /** Notes outside, each with the place in the chart of the chord that has it. */
  readonly outside: readonly { readonly at: number; readonly note: Fifths }[];
  /** Notes outside, weighed by the length of their chords in bars. */
  readonly cost: number;
  readonly home: ChartHome;
}

/** What may be set by hand: the home, the scales to choose from, how many readings. */
export interface ReadingChoice {
  readonly home?: Fifths | undefined;
  readonly scales?: readonly Mode[] | undefined;
  readonly most?: number | undefined;
}

/**
 * The readings of a chart by one mode throughout, best first: least outside, weighed by length; then the home that the
 * chart speaks for; then the more usual scale. Empty where no chord could be read.
 *
 * @example oneModeReadings(readChart("| Em9 | A13 |").value)[0] // E Dorian, cost 0
 */
export function oneModeReadings(
  chords: readonly ChartChord[],
  choice: ReadingChoice = {},
): readonly OneModeReading[] {
  const sounding = chords.flatMap(({ chord, length }, at) =>
    chord ? [{ notes: chordNotes(chord), length, at }] : [],
  );
  if (sounding.length === 0) return [];
  const roots = new Map(
    chords.flatMap(({ chord }) => (chord ? [[soundOf(chord.root), chord.root] as const] : [])),
  );
  const readings = possibleHomes(chords, choice.home).flatMap((home) =>
    (choice.scales ?? USUAL_MODES).map((mode): OneModeReading => {
      const sounds = transpose(mode.sounds, home.sound);
      const outside = sounding.flatMap(({ notes, at }) =>
        notes.filter((note) => !holds(sounds, soundOf(note))).map((note) => ({ at, note })),
      );
      const cost = outside.reduce((sum, { at }) => sum + (chords[at]?.length ?? 0), 0);
      const name = choice.home ?? roots.get(home.sound) ?? bestHome(home.sound, mode);
      return { homeMode: { home: name, mode }, outside, cost, home };
    }),
  );
  const rank = (reading: OneModeReading) => [
    Math.round(reading.cost * 1e6),
    -reading.home.weight,
    FAMILIES.findIndex(({ id }) => id === reading.homeMode.mode.family),
    homeChordsMissed(reading, chords),
  ];
  const ranked = readings.map((reading) => ({ reading, rank: rank(reading) }));
  ranked.sort((a, b) => compareRanks(a.rank, b.rank));
  return ranked.slice(0, choice.most ?? 5).map(({ reading }) => reading);
}

/** The home set by hand; otherwise the homes that the chart speaks for at all, a chord's root each. */
function possibleHomes(chords: readonly ChartChord[], set: Fifths | undefined): readonly ChartHome[] {
  const homes = chartHomes(chords);
  if (set !== undefined) return homes.filter(({ sound }) => soundOf(set) === sound);
  return homes.filter(({ evidence }) => evidence.length > 0);
}

/** How many of the chords on home have a tone that the mode spells otherwise: among equals the fewest wins. */
function homeChordsMissed({ homeMode }: OneModeReading, chords: readonly ChartChord[]): number {
  const homes = chords.filter(({ chord }) => chord && soundOf(chord.root) === soundOf(homeMode.home));
  return homes.filter(({ chord }) => chord?.tones.some((tone) => !homeMode.mode.intervals.includes(tone)))
    .length;
}
