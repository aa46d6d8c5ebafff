import { type Chord, chordPairs, chordSounds, diatonicChords, dominantHome } from "../chord";
import { type Fifths, type Interval, soundOf } from "../pitch";
import { bestVamp, isNear, kindOf, leadsAway } from "../progression";
import { characteristicOn, type HomeMode, type PitchClassSet } from "../scale";
import type { HarmonyChoice } from "./harmony-choice";

/** A chord that may be chosen, with what it costs wherever it stands. */
export interface Candidate {
  readonly chord: Chord;
  readonly sounds: PitchClassSet;
  readonly characteristic: readonly Fifths[];
  readonly cost: number;
  readonly isHome: boolean;
  readonly isVamp: boolean;
  /** What it is worth just before home where a phrase closes: nothing for home itself, and for a chord that leads elsewhere. */
  readonly cadence: number;
  /** The triad that stands in its place wherever it holds the melody: that of a seventh chord where chords are triads. */
  readonly triad?: PitchClassSet | undefined;
  /** It is among the chords that were asked for. */
  readonly isAsked: boolean;
}

/** Extra cost of a seventh where a triad would do as well, or of a triad where chords have their sevenths; of a diminished chord. */
const [SEVENTH, DIMINISHED] = [0.5, 1.6];

/** The same for home's own chord: diminished it is home all the same, and with a minor seventh over a major third it wants to move. */
const [DIMINISHED_HOME, DOMINANT_HOME] = [0.3, 0.9];

/** What a chord is worth before home at the end of a phrase: of the vamp; a step or a fourth away with the characteristic note, and without. */
const [BY_VAMP, BY_TELLING, BY_NEAR] = [0.8, 0.6, 0.3];

/** What a characteristic note in a chord is worth, and what it is worth where it is sought; what home is worth anywhere. */
const [TELLING, SOUGHT, HOME] = [0.25, 0.7, 0.2];

/** The chords that may stand under a melody, those that were asked for first. */
export function candidatesOf(
  homeMode: HomeMode,
  { source, hasPedal, seeksCharacteristic, hasSevenths = false }: HarmonyChoice,
) {
  const { home } = homeMode;
  const characteristic = characteristicOn(homeMode);
  const vamp = bestVamp(homeMode);
  // The characteristic note is sought in sevenths too, and dominants have theirs in any style.
  const isPlain = !hasSevenths && !seeksCharacteristic;
  const isVamp = (chord: Chord) => vamp?.chords.some((each) => each.root === chord.root) === true;
  const asked = source === "vamp" ? vamp?.chords : source === "pair" ? pairWithHome(homeMode) : undefined;
  const isDominantMode = dominantHome(homeMode.mode) !== undefined;
  const made = (chord: Chord, cost: number, isAsked: boolean): Candidate => {
    const sounds = chordSounds(chord);
    const contained = characteristic.filter((note) => ((sounds >> soundOf(note)) & 1) === 1);
    const isBroken = !chord.tones.some((tone) => soundOf(tone) === 7);
    const isHome = chord.root === home;
    const isRestless = isHome && kindOf(chord) === "7" && !isDominantMode;
    const kindCost = isHome
      ? (isBroken ? DIMINISHED_HOME : 0) + (isRestless ? DOMINANT_HOME : 0) - HOME
      : isBroken
        ? DIMINISHED
        : 0;
    const isTelling = contained.length > 0 && !isRestless;
    return {
      chord: hasPedal && chord.root !== home ? { ...chord, bass: home } : chord,
      sounds,
      characteristic: contained,
      cost: cost + kindCost - (isTelling ? (seeksCharacteristic ? SOUGHT : TELLING) : 0),
      isHome,
      isVamp: isVamp(chord),
      cadence: cadenceWorth(chord, chord.root - home, isVamp(chord), contained.length > 0),
      isAsked,
    };
  };
  const all = diatonicChords(homeMode).flatMap(({ chords: { triad, seventh } }) => [
    ...(triad ? [made(triad, hasSevenths ? SEVENTH : 0, asked === undefined)] : []),
    ...(seventh && !pullsElsewhere(seventh, seventh.root - home)
      ? [
          {
            ...made(seventh, hasSevenths ? 0 : SEVENTH, asked === undefined),
            triad: isPlain && triad && kindOf(seventh) !== "7" ? chordSounds(triad) : undefined,
          },
        ]
      : []),
  ]);
  const first = (asked ?? []).map((chord) => made(chord, 0, true));
  const isFirst = ({ chord, sounds }: Candidate) =>
    first.some((each) => each.chord.root === chord.root && each.sounds === sounds);
  return [...first, ...all.filter((each) => !isFirst(each))];
}

/**
 * Whether a seventh chord makes another note the home: a dominant seventh that is neither home's own dominant nor the IV7 that players
 * of Dorian take with a minor home (II7 in Lydian, ♭VII7 in Aeolian). Its triad may stand.
 */
const pullsElsewhere = (chord: Chord, degree: Interval): boolean =>
  kindOf(chord) === "7" && degree !== 0 && degree !== -1 && leadsAway(chord, degree);

/** What a chord on a degree is worth just before home. */
function cadenceWorth(chord: Chord, degree: Interval, isVamp: boolean, isTelling: boolean): number {
  if (degree === 0 || leadsAway(chord, degree)) return 0;
  if (isVamp) return BY_VAMP;
  if (!isNear(degree)) return 0;
  return isTelling ? BY_TELLING : BY_NEAR;
}

/** Two chords that make the mode between them, home one of them. */
function pairWithHome(homeMode: HomeMode): readonly Chord[] | undefined {
  const pairs = chordPairs(homeMode, Infinity);
  return (pairs.find(({ chords }) => chords.some(({ root }) => root === homeMode.home)) ?? pairs[0])?.chords;
}
