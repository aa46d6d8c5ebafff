import { type Fifths, modulo, soundOf } from "../pitch";
import { type ChartChord, type Chord, chordNotes, chordSounds } from "../chord";
import {
  compareRanks,
  type HomeMode,
  holds,
  holdsAll,
  type Mode,
  notesOf,
  SEVEN,
  size,
  soundsOn,
  USUAL_MODES,
} from "../scale";

/** What a chord with notes outside the mode might be. */
export type OutsideReason =
  /** The dominant of a chord: of the next one, where it resolves, or of a degree of the mode where it does not. */
  | { readonly code: "secondary-dominant"; readonly of: Fifths; readonly resolves: boolean }
  /** A dominant a half step above the chord that it goes to. */
  | { readonly code: "half-step-dominant"; readonly of: Fifths }
  /** A diminished chord a half step below the chord that it leads to. */
  | { readonly code: "leading-diminished"; readonly of: Fifths }
  /** Taken from another mode on the same home, that holds all of it and changes fewest notes. */
  | { readonly code: "borrowed"; readonly from: Mode }
  /** Heard for no more than half a bar between chords of the mode. */
  | { readonly code: "passing" };

/**
 * What a chord with notes outside the mode might be, the likeliest first; empty where nothing is outside.
 *
 * @example outsideReasons(chart "| C | E7 | Am |", 1, C Ionian)[0] // the dominant of A, and it resolves
 */
export function outsideReasons(
  chords: readonly ChartChord[],
  at: number,
  homeMode: HomeMode,
  scales: readonly Mode[] = USUAL_MODES,
): readonly OutsideReason[] {
  const place = chords[at];
  const chord = place?.chord;
  if (!chord || isWithin(chord, homeMode)) return [];
  const next = chords.slice(at + 1).find((each) => each.chord)?.chord;
  const before = chords.slice(0, at).findLast((each) => each.chord)?.chord;
  return [
    ...dominants(chord, next, homeMode),
    ...leading(chord, next),
    ...borrowed(chord, homeMode, scales),
    ...(place.length <= 0.5 && before && next && isWithin(before, homeMode) && isWithin(next, homeMode)
      ? [{ code: "passing" } as const]
      : []),
  ];
}

const isWithin = (chord: Chord, homeMode: HomeMode) => holdsAll(soundsOn(homeMode), chordSounds(chord));

/** How many half steps the next root lies above this one. */
const rise = (chord: Chord, next: Chord) => modulo(soundOf(next.root) - soundOf(chord.root), 12);

/** Only a chord whose own third is foreign to the mode, or that has a seventh to resolve, leads anywhere. */
function dominants(chord: Chord, next: Chord | undefined, homeMode: HomeMode): readonly OutsideReason[] {
  const isDominant = chord.tones.includes(4) && !chord.tones.includes(5);
  if (!isDominant) return [];
  const of = chord.root - 1;
  const sounds = soundsOn(homeMode);
  const third = !holds(sounds, soundOf(chord.root + 4));
  if (next && rise(chord, next) === 5) return [{ code: "secondary-dominant", of: next.root, resolves: true }];
  if (next && rise(chord, next) === 11 && chord.tones.includes(-2))
    return [{ code: "half-step-dominant", of: next.root }];
  return third && chord.tones.includes(-2) && holds(sounds, soundOf(of))
    ? [{ code: "secondary-dominant", of, resolves: false }]
    : [];
}

function leading(chord: Chord, next: Chord | undefined): readonly OutsideReason[] {
  const isDiminished = chord.tones.includes(-3) && chord.tones.includes(-6);
  return isDiminished && next && rise(chord, next) === 1
    ? [{ code: "leading-diminished", of: next.root }]
    : [];
}

/** The nearest of the seven that has the chord, as it is spelled, and the nearest of the other scales. */
function borrowed(chord: Chord, { home, mode }: HomeMode, scales: readonly Mode[]): readonly OutsideReason[] {
  const rank = (other: Mode, order: number) => {
    const names = notesOf({ home, mode: other });
    return [
      chordNotes(chord).filter((note) => !names.includes(note)).length,
      size(other.sounds ^ mode.sounds),
      order,
    ];
  };
  const nearest = (modes: readonly Mode[]) =>
    modes
      .filter((other) => other !== mode && isWithin(chord, { home, mode: other }))
      .map((from, order) => ({ from, rank: rank(from, order) }))
      .sort((a, b) => compareRanks(a.rank, b.rank))
      .slice(0, 1);
  return [...nearest(SEVEN), ...nearest(scales.filter((other) => !SEVEN.includes(other)))].map(
    ({ from }) => ({
      code: "borrowed",
      from,
    }),
  );
}
