import { type Fifths, modulo, soundOf } from "../pitch";
import {
  type HomeMode,
  holds,
  holdsAll,
  isNamed,
  LISTED,
  type Mode,
  modeOf,
  type PitchClassSet,
  size,
  soundsOn,
  transpose,
} from "../scale";
import type { Tune } from "../tune";
import { heardName, type Hearing } from "./hearing";
import type { NeutralDegree } from "./neutral";
import type { OutsideNote } from "./passing";
import type { Undecided } from "./undecided";

/**
 * What a player calls a tune, beside the mode that fits it: the scale that its five notes are; its home and third where six notes leave a degree
 * open; two tonics in alternation; or that no centre is heard.
 */
export type Called =
  | { readonly kind: "mode" }
  /** Five notes: by name where they have one. */
  | { readonly kind: "five-notes"; readonly scale: Mode; readonly isNamed: boolean }
  /** Six notes, of which one degree of the mode never sounds. */
  | { readonly kind: "six-notes"; readonly scale: Mode; readonly isMinor: boolean; readonly without: number }
  | {
      readonly kind: "double-tonic";
      readonly upper: Fifths;
      readonly lower: Fifths;
      readonly isMinor: boolean;
    }
  /** A degree lies between its two forms, so that no mode of twelve half steps has it. */
  | { readonly kind: "neutral"; readonly degrees: readonly NeutralDegree[] }
  | { readonly kind: "no-centre"; readonly why: "whole-tone" | "chromatic" | "twelve-tone" };

/** A whole-tone scale from C, and from C sharp. */
const WHOLE_TONES: readonly PitchClassSet[] = [0b010101010101, 0b101010101010];

/** Where so many different notes sound and the likeliest mode has only so much of the time, no centre is heard. */
const CHROMATIC = { sounds: 10, share: 0.72 };

/** A row of twelve notes is over before one of them comes again; two that come early are let pass. */
const ROW = { notes: 12, sounds: 11 };

/** What is known of the answer, before it has a name. */
interface Answered {
  readonly tune: Tune;
  readonly hearing: Hearing;
  readonly homeMode: HomeMode;
  /** Everything that sounds, 0 is C. */
  readonly sounds: PitchClassSet;
  readonly outside: readonly OutsideNote[];
  readonly undecided: Undecided | undefined;
  readonly neutral: readonly NeutralDegree[];
}

/** What a player calls an answer. */
export function calledOf(answered: Answered): Called {
  const { hearing, homeMode, sounds, outside, undecided, neutral } = answered;
  if (neutral.length > 0) return { kind: "neutral", degrees: neutral };
  const why = noCentre(answered);
  if (why) return { kind: "no-centre", why };
  const { doubleTonic } = hearing;
  const home = soundOf(homeMode.home);
  if (doubleTonic?.upper === home) {
    const lower = heardName(hearing, doubleTonic.lower, homeMode.home - 2);
    return { kind: "double-tonic", upper: homeMode.home, lower, isMinor: doubleTonic.isMinor };
  }
  if (outside.some(({ role }) => role === undefined)) return { kind: "mode" };
  const heardOfMode = sounds & soundsOn(homeMode);
  if (!holds(heardOfMode, home) || (size(heardOfMode) !== 5 && size(heardOfMode) !== 6))
    return { kind: "mode" };
  const scale = modeOf(transpose(heardOfMode, -home));
  if (size(heardOfMode) === 5)
    return { kind: "five-notes", scale, isNamed: isNamed(scale) || LISTED.includes(scale) };
  const [without, more] = undecided?.degrees ?? [];
  const isOpen = without !== undefined && without !== THIRD && more === undefined;
  const third = [3, 4].find((steps) => holds(heardOfMode, home + steps));
  return isOpen && third !== undefined
    ? { kind: "six-notes", scale, isMinor: third === 3, without }
    : { kind: "mode" };
}

/** The degree that says major or minor. */
const THIRD = 3;

function noCentre({
  tune: { notes },
  hearing: { sounding, voices },
  homeMode,
  sounds,
}: Answered): Extract<Called, { kind: "no-centre" }>["why"] | undefined {
  if (voices) return undefined;
  if (size(sounds) >= 5 && WHOLE_TONES.some((set) => holdsAll(set, sounds))) return "whole-tone";
  if (size(sounds) < CHROMATIC.sounds) return undefined;
  const set = soundsOn(homeMode);
  const share = sounding.reduce((sum, each, sound) => sum + (holds(set, sound) ? each : 0), 0);
  if (share >= CHROMATIC.share) return undefined;
  const row = new Set(notes.slice(0, ROW.notes).map(({ pitch }) => soundOf(pitch.name)));
  const isByStep = notes.slice(1, ROW.notes).every(({ pitch }, at) => {
    const apart = modulo(soundOf(pitch.name) - soundOf(notes[at]?.pitch.name ?? 0), 12);
    return apart === 1 || apart === 11;
  });
  return row.size >= ROW.sounds && !isByStep ? "twelve-tone" : "chromatic";
}
