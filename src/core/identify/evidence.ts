import { type Fifths, midiOf, soundOf } from "../pitch";
import type { HomeMode } from "../scale";
import { phraseEnds, type Tune } from "../tune";
import type { Hearing } from "./hearing";

/** What speaks for the home, with the notes of the tune that say so. */
export interface HomeEvidence {
  readonly code:
    | "phrase-ends"
    | "last-note"
    | "cadence"
    | "longest"
    | "first-downbeat"
    | "leading"
    | "bass"
    | "lowest"
    | "declared-key";
  readonly note: Fifths;
  /** Phrase ends on home and all of them; for "leading", how often the note below leads to home. */
  readonly count?: number;
  readonly of?: number;
  /** Places in the tune's notes. */
  readonly notes: readonly number[];
}

/** Everything in a tune that speaks for a home, the strongest first. */
export function homeEvidence(tune: Tune, hearing: Hearing, { home }: HomeMode): readonly HomeEvidence[] {
  const sound = soundOf(home);
  const soundAt = (at: number) => soundOf(tune.notes[at]?.pitch.name ?? NaN);
  const isHome = (at: number) => soundAt(at) === sound;
  const allHome = tune.notes.flatMap((_, at) => (isHome(at) ? [at] : []));
  const ends = phraseEnds(tune);
  const endsHome = ends.filter(isHome);
  const most = hearing.sounding.indexOf(Math.max(...hearing.sounding));
  const leading = tune.notes.flatMap(({ pitch }, at) => {
    const next = tune.notes[at + 1];
    return next && isHome(at + 1) && midiOf(next.pitch) - midiOf(pitch) === 1 ? [at, at + 1] : [];
  });
  const opening = tune.notes.findIndex(({ bar }) => tune.bars[bar]?.lead === 0);
  const found: readonly (HomeEvidence | false)[] = [
    endsHome.length > 0 && {
      code: "phrase-ends",
      note: home,
      count: endsHome.length,
      of: ends.length,
      notes: endsHome,
    },
    hearing.melody.last.sound === sound && { code: "last-note", note: home, notes: [tune.notes.length - 1] },
    most === sound && { code: "longest", note: home, notes: allHome },
    hearing.melody.firstDownbeatSound === sound && {
      code: "first-downbeat",
      note: home,
      notes: [Math.max(0, opening)],
    },
    leading.length >= 4 && { code: "leading", note: home, count: leading.length / 2, notes: leading },
    (hearing.voices?.last.to.sound ?? hearing.chords?.last) === sound && { code: "bass", note: home, notes: [] },
    hearing.melody.lowestSound === sound && { code: "lowest", note: home, notes: lowestOf(tune, sound) },
    tune.keys?.[0] !== undefined &&
      soundOf(tune.keys[0].home) === sound && { code: "declared-key", note: home, notes: [] },
  ];
  return found.filter((each) => each !== false);
}

function lowestOf(tune: Tune, sound: number): readonly number[] {
  const heights = tune.notes.map(({ pitch }) => midiOf(pitch));
  const low = heights.reduce((least, height) => Math.min(least, height), Infinity);
  return low % 12 === sound ? heights.flatMap((height, at) => (height === low ? [at] : [])) : [];
}
