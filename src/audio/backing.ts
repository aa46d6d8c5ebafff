import type { Chord } from "@/core/chord";
import { laidOut } from "@/core/instrument";
import { type Fifths, midiOf, soundOf } from "@/core/pitch";
import type { Backing } from "@/storage";
import { type BeatGrouping, beatGroups, groupStarts, USUAL_GROUPING } from "./beat-groups";
import { atOrAbove, BASS_FROM, type Score, type ScoreChord, type ScoreNote, strummed, USUAL } from "./score";

/** Lays chords out for who plays them, in their order: keys from the lowest to the highest, none where there is no way to play one. */
export type Layout = (chords: readonly Chord[]) => readonly (readonly number[])[];

/** Four bowed strings, each voice led to the next; the cello has the bass. */
export const onBowedStrings: Layout = (chords) =>
  laidOut(chords, "strings").map((pitches) => (pitches ?? []).map(midiOf).reverse());

/** The right hand on a keyboard, each chord led from the one before; the bass is below it. */
export const onKeyboard: Layout = (chords) =>
  laidOut(chords, "keyboard").map((pitches) => (pitches ?? []).slice(0, -1).map(midiOf).reverse());

/** The lowest note of the bass: E1, the open string of a bass guitar. */
const BASS_LOWEST = 28;

/** The bass of a chord where a bass plays it. */
const bassKey = ({ root, bass }: Chord): number => {
  const sound = soundOf(bass ?? root);
  return BASS_LOWEST + ((sound - BASS_LOWEST + 120) % 12);
};

/**
 * Chords of a score with whoever plays them: the chords in the way that is chosen, and a bass below them that walks from root to fifth,
 * unless one of those who play them has it. In place of them all the home note can be held.
 *
 * @example accompanied(vampScore(vamp), { layout: onKeyboard, backing: "pad" })
 */
export function accompanied(
  score: Score,
  {
    layout,
    backing,
    home,
    grouping = USUAL_GROUPING,
  }: {
    readonly layout: Layout;
    readonly backing: Backing;
    readonly home?: Fifths | undefined;
    readonly grouping?: BeatGrouping;
  },
): Score {
  const { chords = [], ...rest } = score;
  if (chords.length === 0) return score;
  if (backing === "drone") {
    const midi = atOrAbove(BASS_FROM, soundOf(home ?? chords[0]?.chord.root ?? 0));
    const drone: ScoreNote = { part: "drone", midi, at: 0, length: score.beats };
    const isHeld = score.notes.some(({ part }) => part === "drone" || part === "bass");
    return isHeld ? { ...rest } : { ...rest, notes: [...score.notes, drone] };
  }
  const laid = layout(chords.map(({ chord }) => chord));
  const played = chords.flatMap((each, at) => {
    const keys = laid[at] ?? [];
    return [
      ...(keys.length > 0 ? inBacking(each, keys, { backing, grouping }) : []),
      ...(each.isOverBass || layout === onBowedStrings ? [] : bassLine(each, grouping)),
    ];
  });
  return { ...rest, notes: [...score.notes, ...played] };
}

function inBacking(
  { at, length, pulse, parts }: ScoreChord,
  keys: readonly number[],
  { backing, grouping }: { readonly backing: Exclude<Backing, "drone">; readonly grouping: BeatGrouping },
): readonly ScoreNote[] {
  switch (backing) {
    case "pad":
      return keys.map((midi) => ({ part: "chord", midi, at, length, loud: USUAL * 0.8 }));
    case "strum":
      return strokes({ length, pulse, parts, grouping }).flatMap(({ from, to, way, loud }) =>
        // An up-stroke catches the high strings alone.
        strummed(way === "up" ? keys.slice(-4) : keys, {
          part: "chord",
          at: at + from,
          length: to - from,
          way,
          loud,
        }),
      );
    case "arpeggio": {
      const each = pulse / parts;
      const round = [...keys, ...keys.slice(1, -1).reverse()];
      return Array.from({ length: Math.max(1, Math.round(length / each)) }, (_, n): ScoreNote => ({
        part: "chord",
        midi: round[n % round.length] ?? keys[0] ?? 60,
        at: at + n * each,
        length: Math.min(each * 2, length - n * each),
      }));
    }
  }
}

interface Stroke {
  readonly from: number;
  readonly to: number;
  readonly way: "down" | "up";
  readonly loud: number;
}

interface Strumming extends Pick<ScoreChord, "length" | "pulse" | "parts"> {
  readonly grouping: BeatGrouping;
}

/**
 * A plain strum: down on every beat, the first one harder, and up before every second one; five beats and seven in their groups. Where the
 * felt beat is short, as in 7/8, the hand goes down at each group and up on its last beat. Each rings until the next.
 */
function strokes({ length, pulse, parts, grouping }: Strumming): readonly Stroke[] {
  const found: { from: number; way: "down" | "up"; loud: number }[] = [];
  const count = Math.max(1, Math.round(length / pulse));
  const groups = beatGroups(count, grouping);
  const starts = new Set(groupStarts(groups));
  for (let beat = 0; beat < count; beat += 1) {
    const isLast = starts.has(beat + 1) || beat === count - 1;
    const loud = beat === 0 ? 1 : starts.has(beat) ? 0.9 : 0.8;
    if (parts > 1 || starts.has(beat)) found.push({ from: beat * pulse, way: "down", loud });
    if (parts === 1) {
      if (isLast && !starts.has(beat)) found.push({ from: beat * pulse, way: "up", loud: 0.65 });
      continue;
    }
    const isBeforeSecond = count === 5 || count === 7 ? isLast : beat % 2 === 1 || count === 1;
    const up = (beat + (parts - 1) / parts) * pulse;
    if (isBeforeSecond && up < length) found.push({ from: up, way: "up", loud: 0.65 });
  }
  return found.map((each, at) => ({ ...each, to: found[at + 1]?.from ?? length }));
}

/** The bass of a chord: its root, and in the middle of a longer chord its fifth, below the root where that lies low enough. */
function bassLine({ chord, at, length, pulse }: ScoreChord, grouping: BeatGrouping): readonly ScoreNote[] {
  const low = bassKey(chord);
  const fifth = chord.bass === undefined ? chord.tones.find((tone) => FIFTHS.includes(tone)) : undefined;
  const count = Math.round(length / pulse);
  const middle = groupStarts(beatGroups(count, grouping)).find((start) => start >= Math.floor(count / 2));
  const half = (count % 2 === 1 && middle !== undefined ? middle : Math.floor(length / pulse / 2)) * pulse;
  if (fifth === undefined || length / pulse < 4) return [{ part: "bass", midi: low, at, length }];
  const above = low + ((fifth * 7 + 120) % 12);
  const key = above - 12 >= BASS_LOWEST ? above - 12 : above;
  return [
    { part: "bass", midi: low, at, length: half },
    { part: "bass", midi: key, at: at + half, length: length - half, loud: USUAL * 0.9 },
  ];
}

/** The fifths that chords have, perfect, diminished and augmented, as places on the line of fifths. */
const FIFTHS: readonly number[] = [1, -6, 8];
