import { spellSound } from "@/core/pitch";
import type { Claim, Condition, Dropped } from "@/core/chord";
import { members, type PitchClassSet, size } from "@/core/scale";
import { countText, listText, noteText, numberText } from "./names";

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
export const soundsText = (sounds: PitchClassSet): string =>
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
