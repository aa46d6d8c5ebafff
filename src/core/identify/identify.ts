import { type Fifths, soundOf } from "../pitch";
import {
  type HomeMode,
  type Mode,
  modeOfSounds,
  notesOf,
  size,
  type PitchClassSet,
  soundsOn,
  pitchClassSet,
  transpose,
} from "../scale";
import { allNotes, type BarRange, partOf, type Tune, type TuneNote } from "../tune";
import { belongs, type Candidate, candidates } from "./candidates";
import { type HomeEvidence, homeEvidence } from "./evidence";
import { hear, type Hearing } from "./hearing";
import { type OutsideNote, outsideNotes } from "./passing";
import { type Undecided, undecidedOf } from "./undecided";
import { type Passage, passages } from "./passages";
import type { Expectation } from "./expectation";

/** What the source says of the key, compared with what is heard. */
export interface KeyCheck {
  readonly declared: HomeMode;
  /** The answer's own; the same notes on another home; other notes. */
  readonly agrees: "same" | "other-home" | "other-notes";
  /** Heard names that the declared key has otherwise. */
  readonly against: readonly Fifths[];
  readonly notes: readonly number[];
}

/** An answer nearly as likely as the first. */
interface Rival extends Candidate {
  /** Notes of the rival that the answer lacks, and the other way round: they would decide. Both are empty where only home differs. */
  readonly its: readonly Fifths[];
  readonly ours: readonly Fifths[];
}

/** The answer for one tune: ranked, with its reasons. Places of notes are those of the whole tune, whatever was left out. */
export interface Identification {
  readonly candidates: readonly Candidate[];
  /** What follows is about the likeliest candidate, or the one chosen by hand; of a tune in passages, about the first. */
  readonly homeMode: HomeMode;
  /** The bars that the reasons are about, where it is not all of them. */
  readonly bars?: BarRange | undefined;
  readonly hearing: Hearing;
  readonly evidence: readonly HomeEvidence[];
  /** Degrees that never sound and would decide between modes on this home. */
  readonly undecided?: Undecided | undefined;
  /** Another home or mode that what is heard can hardly tell from this one. */
  readonly rival?: Rival | undefined;
  readonly outside: readonly OutsideNote[];
  /** What the heard notes are by themselves, where they are fewer than seven and all belong: "minor pentatonic". */
  readonly gapped?: Mode | undefined;
  /** Too little to be sure of anything: fewer than five different notes, or than ten in all. */
  readonly isShort: boolean;
  readonly key?: KeyCheck | undefined;
  readonly passages: readonly Passage[];
  /** Its mode changes: no one home and mode holds for all of it. */
  readonly changes: boolean;
  /** Home or mode was set by hand: what is told is about all that is heard, not about its first passage. */
  readonly isByHand: boolean;
  /** The ranking for all of it where its mode changes; otherwise the same as above. */
  readonly whole: readonly Candidate[];
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
 * left undecided, the notes that only pass, what the key field says, and the passages. Undefined where nothing is left to hear.
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
  const isByHand = choice.about !== undefined || choice.home !== undefined;
  const found = choice.bars ? [] : passages(heard, hearing, homeMode);
  const [first] = found;
  const changes = !isByHand && found.some(({ kind }) => kind === "mode");
  if (found.length > 1 && !isByHand && first) {
    const about = identify(tune, { ...choice, bars: first.bars, about: first.homeMode });
    if (about)
      return changes
        ? { ...about, passages: found, changes, isByHand, rival: undefined, whole: ranked }
        : { ...about, passages: found, isByHand };
  }
  const placed = placesIn(tune, heard);
  const outside = outsideNotes(heard, hearing, homeMode);
  const sounds = heardSounds(hearing);
  const own = sounds & soundsOn(homeMode);
  const isWhole = outside.every(({ role }) => role !== undefined) && size(own) < 7;
  const key = checkKey(heard, hearing, homeMode);
  const undecided = undecidedOf(sounds, homeMode);
  return {
    candidates: ranked,
    homeMode,
    hearing,
    evidence: homeEvidence(heard, hearing, homeMode, otherHome(ranked, homeMode)).map(placed),
    undecided,
    rival: rivalOf(ranked, homeMode, undecided),
    outside: outside.map(placed),
    gapped: isWhole ? modeOfSounds(transpose(own, -soundOf(homeMode.home))) : undefined,
    isShort: size(sounds) < FEW_SOUNDS || hearing.notes < FEW_NOTES,
    key: key && placed(key),
    passages: found,
    changes,
    isByHand,
    whole: ranked,
    bars: choice.bars,
  };
}

/** Fewer different notes, and fewer in all, are too little. */
const [FEW_SOUNDS, FEW_NOTES] = [5, 10];

/** Puts the places that reasons point at where they are in the whole tune, whatever of it was heard. */
function placesIn(tune: Tune, heard: Tune) {
  const places = heard === tune ? undefined : new Map(allNotes(tune).map((note, at) => [note, at]));
  const all = allNotes(heard);
  return <T extends { readonly notes: readonly number[] }>(found: T): T =>
    places ? { ...found, notes: found.notes.map((at) => places.get(all[at] as TuneNote) ?? at) } : found;
}

const heardSounds = ({ names }: Hearing): PitchClassSet =>
  pitchClassSet(names.flatMap((name, sound) => (name === undefined ? [] : [sound])));

/** The likeliest candidate on another home. */
const otherHome = (ranked: readonly Candidate[], { home }: HomeMode): HomeMode | undefined =>
  ranked.find(({ homeMode }) => soundOf(homeMode.home) !== soundOf(home))?.homeMode;

/** The second is a rival where it has this share of the weight of the first: the evidence cannot tell them apart. */
const NEARLY = 0.5;

/** What is nearly as likely as the answer, beside the modes on the same home between which nothing heard decides. */
function rivalOf(
  ranked: readonly Candidate[],
  homeMode: HomeMode,
  undecided: Undecided | undefined,
): Rival | undefined {
  const [first, ...others] = ranked;
  const isOpen = ({ home, mode }: HomeMode) =>
    home === homeMode.home && undecided?.modes.some((each) => each.mode === mode) === true;
  const second = others.find((each) => !isOpen(each.homeMode));
  const isFirst = first?.homeMode.mode === homeMode.mode && first.homeMode.home === homeMode.home;
  if (!first || !second || !isFirst || second.weight < NEARLY * first.weight) return undefined;
  const lacking = (one: HomeMode, other: HomeMode) =>
    notesOf(one).filter((note) => !belongs(other, soundOf(note)));
  return {
    ...second,
    its: lacking(second.homeMode, homeMode),
    ours: lacking(homeMode, second.homeMode),
  };
}

function checkKey(tune: Tune, hearing: Hearing, homeMode: HomeMode): KeyCheck | undefined {
  const declared = tune.keys?.[0];
  if (!declared) return undefined;
  const sameNotes = soundsOn(declared) === soundsOn(homeMode);
  const isSame =
    sameNotes && (declared.isSignature === true || soundOf(declared.home) === soundOf(homeMode.home));
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
