import { degreeNumber, type Fifths, type Interval, soundOf } from "../pitch";
import {
  familyOf,
  type HomeMode,
  holdsAll,
  intervalAt,
  type Mode,
  modeOfSounds,
  SEVEN,
  size,
  type SoundSet,
  soundsOn,
  soundSet,
  transpose,
} from "../scale";
import { type BarRange, partOf, type Tune, type TuneNote } from "../tune";
import { belongs, type Candidate, candidates } from "./candidates";
import { type HomeEvidence, homeEvidence } from "./evidence";
import { hear, heardName, type Hearing } from "./hearing";
import { type Passage, passages } from "./passages";
import type { Expectation } from "./score";

/** A degree that is never heard, and the modes on the same home that it would decide between. */
export interface OpenDegree {
  readonly interval: Interval;
  readonly modes: readonly { readonly mode: Mode; readonly interval: Interval }[];
}

/** A heard note that the mode does not have. */
export interface OutsideNote {
  readonly note: Fifths;
  /** Of sounding time. */
  readonly share: number;
  /** So short in all that it only passes. Otherwise it speaks against the mode. */
  readonly visits: boolean;
  /** Places in the tune's notes. */
  readonly notes: readonly number[];
}

/** What the source says of the key, held against what is heard. */
export interface KeyCheck {
  readonly declared: HomeMode;
  /** The answer's own; the same notes on another home; other notes. */
  readonly agrees: "same" | "other-home" | "other-notes";
  /** Heard names that the declared key has otherwise. */
  readonly against: readonly Fifths[];
  readonly notes: readonly number[];
}

/** The answer for one tune: ranked, with its reasons. Places of notes are those of the whole tune, whatever was left out. */
export interface Identification {
  readonly candidates: readonly Candidate[];
  /** What follows is about the likeliest candidate, or the one chosen by hand. */
  readonly homeMode: HomeMode;
  readonly hearing: Hearing;
  readonly evidence: readonly HomeEvidence[];
  readonly open: readonly OpenDegree[];
  readonly outside: readonly OutsideNote[];
  /** What the heard notes are by themselves, where they are fewer than seven and all belong: "minor pentatonic". */
  readonly gapped?: Mode | undefined;
  /** Too little to be sure of anything: fewer than five different notes, or than ten in all. */
  readonly isShort: boolean;
  readonly key?: KeyCheck | undefined;
  readonly passages: readonly Passage[];
}

/** What may be set by hand. */
export interface IdentifyChoice {
  readonly home?: Fifths | undefined;
  /** Reason about this candidate instead of the likeliest. */
  readonly about?: HomeMode | undefined;
  /** Places in the tune's notes that are not to count. */
  readonly without?: ReadonlySet<number> | undefined;
  /** What kind of tunes this is one of; mixed where nothing is said. */
  readonly expects?: Expectation | undefined;
  /** Only these bars, by their places, both ends taken. */
  readonly bars?: BarRange | undefined;
}

/**
 * Which mode a tune is in: every (home, mode) with its weight and, for the likeliest, the evidence for home, the degrees
 * left open, the notes that only visit, what the key field says, and the passages. Undefined where nothing is left to hear.
 *
 * @example identify(tune)?.candidates[0] // { homeMode: { home: 3 (A), mode: mixolydian }, weight: 0.94 }
 */
export function identify(tune: Tune, choice: IdentifyChoice = {}): Identification | undefined {
  const heard = partOf(tune, choice.bars ?? { from: 0, to: tune.bars.length - 1 }, choice.without);
  const hearing = hear(heard);
  if (!hearing) return undefined;
  const ranked = candidates(heard, hearing, choice);
  const homeMode = choice.about ?? ranked[0]?.homeMode;
  if (!homeMode) return undefined;
  const placed = placesIn(tune, heard);
  const outside = outsideNotes(heard, hearing, homeMode);
  const sounds = heardSounds(hearing);
  const isWhole = outside.length === 0 && size(sounds) < 7;
  const key = checkKey(heard, hearing, homeMode);
  return {
    candidates: ranked,
    homeMode,
    hearing,
    evidence: homeEvidence(heard, hearing, homeMode).map(placed),
    open: openDegrees(hearing, homeMode),
    outside: outside.map(placed),
    gapped: isWhole ? modeOfSounds(transpose(sounds, -soundOf(homeMode.home))) : undefined,
    isShort: size(sounds) < FEW_SOUNDS || hearing.notes < FEW_NOTES,
    key: key && placed(key),
    passages: choice.bars ? [] : passages(heard, homeMode, ranked),
  };
}

/** Fewer different notes, and fewer in all, are too little. */
const [FEW_SOUNDS, FEW_NOTES] = [5, 10];

/** Puts the places that reasons point at where they are in the whole tune, whatever of it was heard. */
function placesIn(tune: Tune, heard: Tune) {
  const places = heard === tune ? undefined : new Map(tune.notes.map((note, at) => [note, at]));
  return <T extends { readonly notes: readonly number[] }>(found: T): T =>
    places
      ? { ...found, notes: found.notes.map((at) => places.get(heard.notes[at] as TuneNote) ?? at) }
      : found;
}

const heardSounds = ({ names }: Hearing): SoundSet =>
  soundSet(names.flatMap((name, sound) => (name === undefined ? [] : [sound])));

/** The modes that hold everything heard of a mode, on the same home: among the seven and the mode's own family. */
function stillPossible(hearing: Hearing, homeMode: HomeMode): readonly Mode[] {
  const heard = transpose(heardSounds(hearing) & soundsOn(homeMode), -soundOf(homeMode.home));
  const all = new Set([...SEVEN, ...familyOf(homeMode.mode).modes]);
  return [...all].filter((mode) => holdsAll(mode.sounds, heard));
}

function openDegrees(hearing: Hearing, homeMode: HomeMode): readonly OpenDegree[] {
  const { home, mode } = homeMode;
  const possible = stillPossible(hearing, homeMode);
  return mode.intervals
    .filter((interval) => hearing.names[soundOf(home + interval)] === undefined)
    .map((interval) => ({
      interval,
      modes: possible.flatMap((other) => {
        const theirs = intervalAt(other.intervals, degreeNumber(interval));
        return theirs === undefined ? [] : [{ mode: other, interval: theirs }];
      }),
    }))
    .filter(({ modes }) => new Set(modes.map(({ interval }) => interval)).size > 1);
}

/** A note that visits takes no more of the time than this: less where it ever stands on the first beat of a bar. */
const VISIT = { offBeat: 0.06, onBeat: 0.03 };

function outsideNotes(tune: Tune, hearing: Hearing, homeMode: HomeMode): readonly OutsideNote[] {
  return hearing.sounding.flatMap((share, sound) => {
    if (share === 0 || belongs(homeMode, sound)) return [];
    const notes = tune.notes.flatMap(({ pitch }, at) => (soundOf(pitch.name) === sound ? [at] : []));
    const isOnBeat = (hearing.melody.downbeats[sound] ?? 0) > 0;
    const visits = share <= (isOnBeat ? VISIT.onBeat : VISIT.offBeat);
    return [{ note: heardName(hearing, sound, homeMode.home), share, visits, notes }];
  });
}

function checkKey(tune: Tune, hearing: Hearing, homeMode: HomeMode): KeyCheck | undefined {
  const declared = tune.keys?.[0];
  if (!declared) return undefined;
  const sameNotes = soundsOn(declared) === soundsOn(homeMode);
  const isSame = sameNotes && soundOf(declared.home) === soundOf(homeMode.home);
  const against = hearing.names.flatMap((name, sound) =>
    name !== undefined && !belongs(declared, sound) && belongs(homeMode, sound) ? [name] : [],
  );
  return {
    declared,
    agrees: isSame ? "same" : sameNotes ? "other-home" : "other-notes",
    against,
    notes: tune.notes.flatMap(({ pitch }, at) => (against.includes(pitch.name) ? [at] : [])),
  };
}
