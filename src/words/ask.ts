import { spellSound } from "@/core/pitch";
import type { Claim, Condition, Dropped } from "@/core/chord";
import { type HomeMode, members, type PitchClassSet, size } from "@/core/scale";
import type { Settings } from "@/storage";
import { countText, homeModeText, listText, noteText, numberText } from "./names";
import { wording } from "./wording";

/** What a claim says of a mode. */
export const CLAIM_TEXT: Readonly<Record<Claim, string>> = {
  "major-third": "a major third",
  "minor-third": "a minor third",
  "perfect-fifth": "a perfect fifth",
  "fifths-perfect": "a home chord with only perfect fifths",
  "no-tritone": "no tritone anywhere",
  "no-half-step": "no half step",
  "no-half-steps-together": "no two half steps in a row",
  "own-transposition": "the same notes again when moved",
};

/** "F♯, G and A": sounding notes by their plainest names. */
const soundsText = (sounds: PitchClassSet): string =>
  listText(members(sounds).map((sound) => noteText(spellSound(sound))));

/** "1 of 462 modes." */
export function foundText(found: number, asked: number): string {
  if (found === asked) return `All ${asked} modes.`;
  return found === 0 ? `None of ${asked} modes.` : `${found} of ${asked} modes.`;
}

/** Why nothing was found where it was the notes: "These need eight different notes: …, more than seven." */
export function neededText(needed: PitchClassSet, among: "named" | number): string {
  const count = size(needed);
  const much = typeof among === "number" && count > among ? `, more than ${numberText(among)}` : "";
  return `What you ask for needs ${countText(count, "different note")}${much}: ${soundsText(needed)}.`;
}

const CONDITION_TEXT: Readonly<Record<Exclude<Condition["code"], "claim">, string>> = {
  holds: "the notes it contains",
  lacks: "the notes it is without",
  chords: "the chords",
  near: "one note away",
  home: "this home",
};

/** "Drop “a major third”: 12 modes"; what to leave out of a question that no mode answers. */
export function dropText({ conditions, found }: Dropped): string {
  const named = conditions.map((each) =>
    each.code === "claim" ? CLAIM_TEXT[each.claim] : CONDITION_TEXT[each.code],
  );
  return `Drop ${listText(named.map((name) => `“${name}”`))}: ${found} ${found === 1 ? "mode" : "modes"}`;
}

/** Where not even three conditions fewer would do. */
export const NOTHING_TO_DROP = "Take out several of these conditions, or search among more modes.";

/**
 * What a field says of what it cannot read.
 *
 * @example unreadText("Q", "a note", "Try C F♯ B♭") // "“Q” isn’t a note. Try C F♯ B♭."
 */
const unreadText = (typed: string, what: string, instead: string): string =>
  `“${typed.length > 30 ? `${typed.slice(0, 30)}…` : typed}” isn’t ${what}. ${instead}.`;

const HOME_EXAMPLE: Readonly<Record<Settings["noteNames"], string>> = {
  english: "Try a letter from A to G with # or b, as in Eb",
  german: "Try a letter from A to H with # or b, as in Es or F#",
  "fixed-do": "Try a name such as Do, Ré♭ or Fa#",
};

/** What the field of a home says of what it cannot read, in the note names that are set. */
export function homeRefusedText(typed: string): string {
  const instead = HOME_EXAMPLE[wording().noteNames];
  return typed.trim() === "" ? `${instead}.` : unreadText(typed, "a note", instead);
}

export const notesRefusedText = (typed: string): string =>
  unreadText(typed, "a note or a degree", "Try C F♯ B♭, or 3 ♯4");

export const modeRefusedText = (typed: string): string =>
  unreadText(typed, "a mode I know", "Try a name such as E Phrygian, degrees or notes");

export const scaleRefusedText = (typed: string): string =>
  unreadText(typed, "a scale I know", "Try degrees such as 1 2 b3 #4, notes such as E F G# A B, or a name");

/** For a neck of so many strings. */
export const shapeRefusedText = (typed: string, strings: number): string =>
  unreadText(
    typed,
    "a chord shape",
    `Try a kind of chord such as m7 or maj9, or ${countText(strings, "fret")} such as x 7 5 7 7 x on a guitar`,
  );

/** "E Phrygian comes nearest: only F♯ is outside." */
export const comesNearestText = (homeMode: HomeMode, outside: PitchClassSet): string =>
  `${homeModeText(homeMode)} comes nearest: only ${soundsText(outside)} ${size(outside) > 1 ? "are" : "is"} outside.`;
