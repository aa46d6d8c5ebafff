import { type Fifths, soundOf } from "../pitch";
import { type HomeMode, notesOf, size, type PitchClassSet, soundsOn, pitchClassSet } from "../scale";
import {
  allNotes,
  type BarRange,
  partOf,
  PHRASE_BARS,
  phraseEnds,
  type PhraseMark,
  type Rounds,
  roundsOf,
  stopsShort,
  type Tune,
  type TuneNote,
} from "../tune";
import { belongs, type Candidate, candidates } from "./candidates";
import { type Called, calledOf } from "./called";
import { type HomeEvidence, homeEvidence } from "./evidence";
import { hear, type Hearing } from "./hearing";
import { type Profile, profileOf } from "./profile";
import { type OutsideNote, outsideNotes } from "./passing";
import { type Undecided, undecidedOf } from "./undecided";
import { neutralDegrees } from "./neutral";
import { inKeyPassage, type KeyPassage } from "./key-passages";
import type { Passage } from "./passage";
import { type Passages, passages } from "./passages";
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
  /** The part that the answer and its reasons are about, where a tune changes its mode or moves it. */
  readonly about?: Passage | undefined;
  /** The bars that the reasons are about, where it is not all of them. */
  readonly bars?: BarRange | undefined;
  readonly hearing: Hearing;
  readonly evidence: readonly HomeEvidence[];
  /** Degrees that never sound and would decide between modes on this home. */
  readonly undecided?: Undecided | undefined;
  /** Another home or mode that what is heard can hardly tell from this one. */
  readonly rival?: Rival | undefined;
  readonly outside: readonly OutsideNote[];
  /** What a player calls it, where that is not just the mode. */
  readonly called: Called;
  /** Too little to be sure of anything: fewer than five different notes, or than ten in all. */
  readonly isShort: boolean;
  readonly key?: KeyCheck | undefined;
  /** What one writes of it under its mode; undefined of several voices. */
  readonly profile?: Profile | undefined;
  /** It goes round every so many bars. */
  readonly round?: number | undefined;
  /** It stops in the middle of a phrase, so that its last note says little. */
  readonly stopsShort: boolean;
  /** One where the mode stays. */
  readonly passages: readonly Passage[];
  /** Keys that it goes through while it stays in its mode: beneath the answer, no change of mode. */
  readonly keyPassages: readonly KeyPassage[];
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
  const isPart = choice.bars !== undefined;
  const heard = partOf(tune, choice.bars ?? { from: 0, to: tune.bars.length - 1 }, choice.without);
  const sounding = withoutQuarters(heard);
  const rounds = isPart || heard.beneath?.length ? undefined : fullRounds(sounding);
  const heardTune = rounds?.full ?? sounding;
  const hearing = hear(heardTune, isPart);
  if (!hearing) return undefined;
  const ranked = candidates(heardTune, hearing, choice);
  const homeMode = choice.about ?? ranked[0]?.homeMode;
  if (!homeMode) return undefined;
  const isByHand = choice.about !== undefined || choice.home !== undefined;
  const { passages: found, keys, first } = isPart ? NO_PASSAGES : passages(heard, hearing, homeMode);
  const changes = !isByHand && found.length > 1;
  const parts = { passages: found, keyPassages: keys, changes, isByHand };
  const about = isByHand ? undefined : (first ?? (changes ? found[0] : undefined));
  if (about) {
    const part = identify(tune, { ...choice, bars: about.bars, about: about.homeMode });
    // A tune that moves its mode is told by its first part; one that changes it keeps the ranking of all of it.
    if (part) return { ...part, ...parts, about, ...(changes ? { rival: undefined, whole: ranked } : {}) };
  }
  const placed = placesIn(tune, heard);
  const outside = outsideNotes(heard, hearing, homeMode).map((each) => inKeyPassage(heard, each, keys));
  const sounds = heardSounds(hearing);
  const key = checkKey(heard, hearing, homeMode);
  const neutral = neutralDegrees(heard.notes, homeMode.home);
  const undecided = undecidedOf(
    sounds,
    homeMode,
    neutral.map(({ number }) => number),
  );
  return {
    ...parts,
    whole: ranked,
    candidates: ranked,
    homeMode,
    hearing,
    evidence: homeEvidence(heardTune, hearing, homeMode, otherHome(ranked, homeMode)).map(
      placesIn(tune, sounding),
    ),
    undecided,
    rival: rivalOf(ranked, homeMode, undecided),
    outside: outside.map(placed),
    called: calledOf({ tune: heard, hearing, homeMode, sounds, outside, undecided, neutral }),
    isShort: size(sounds) < FEW_SOUNDS || hearing.notes < FEW_NOTES,
    key: key && placed(key),
    profile: hearing.voices || heard !== tune ? undefined : profileOf(tune, homeMode, outside),
    round: rounds?.bars,
    stopsShort: !hearing.voices && (hearing.melody.stopsShort || (rounds?.more ?? 0) > 0),
    bars: choice.bars,
  };
}

/** Of bars that are chosen, no passages are looked for. */
const NO_PASSAGES: Passages = { passages: [], keys: [] };

/** Fewer different notes, and fewer in all, are too little. */
const [FEW_SOUNDS, FEW_NOTES] = [5, 10];

/** A tune without its quarter tones, which no mode of twelve half steps has; its phrases end where they did, and not before each gap. */
function withoutQuarters(tune: Tune): Tune {
  const quarters = tune.notes.flatMap(({ quarter }, at) => (quarter ? [at] : []));
  if (quarters.length === 0 || quarters.length === tune.notes.length) return tune;
  const ends = phraseEnds(tune).map((at): PhraseMark => ({
    onset: tune.notes[at]?.onset ?? 0,
    sign: "breath",
  }));
  const rest = partOf(tune, { from: 0, to: tune.bars.length - 1 }, new Set(quarters));
  return { ...rest, phraseMarks: tune.phraseMarks?.length ? tune.phraseMarks : ends };
}

/**
 * The rounds of a tune that is played round: one that is broken off says nothing new. Undefined where what comes after the last is an ending of its own, the first
 * part once more.
 */
function fullRounds(tune: Tune): Rounds | undefined {
  const rounds = roundsOf(tune);
  const isEnding = rounds && rounds.more > 0 && rounds.more % PHRASE_BARS === 0 && !stopsShort(tune);
  return isEnding ? undefined : rounds;
}

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
