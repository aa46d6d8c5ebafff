import { midiOf, soundOf } from "@/core/pitch";
import { COMFORTABLE_STRETCH, printFingering } from "@/core/instrument";
import {
  type Arrangement,
  type GuitarGrip,
  type Harmony,
  type HarmonyStep,
  type ChromaticRule,
  type MissingRule,
  type NoteChange,
  type PartFault,
  relativeHome,
  type Reshaped,
  type Rung,
} from "@/core/reshape";
import { type HomeMode, holdsAll, soundsOn, thirdOf } from "@/core/scale";
import type { Meter, OddBar, Tune, TuneChord } from "@/core/tune";
import { pitchText } from "./identify";
import {
  capital,
  chordText,
  countText,
  degreeText,
  homeModeText,
  listText,
  modeText,
  noteText,
} from "./names";

export const RESHAPE_ASKS = "Which tune, and into which mode?";

/** A file with nothing in it to reshape. */
export const NO_NOTES_IN_FILE = "I can’t find notes in this file. What you have here stays as it is.";

export const EMPTY_RESHAPE = "Write it on the staff or as text, open a file, or take one of these:";

/** What the versions are called. */
export const versionName = (at: number): string => (at < 0 ? "Original" : String.fromCharCode(65 + at));

export const MISSING_TEXT = {
  nearest: "nearest note",
  drop: "left out",
  hold: "held over",
} as const;

export const CHROMATIC_TEXT = {
  distance: "keep their distance",
  sound: "keep their sound",
  mode: "become the mode’s notes",
} as const satisfies Record<ChromaticRule, string>;

export const CHORDS_TEXT = { rebuilt: "found for it", carried: "carried along", none: "none" } as const;

export const ARRANGEMENT_TEXT = {
  none: "symbols only",
  guitar: "one guitar",
  keyboard: "two hands",
  strings: "four strings",
} as const;

const FAULT_TEXT = {
  "parallel-fifths": "parallel fifths",
  "parallel-octaves": "parallel octaves",
  "above-melody": "a part above the melody",
  seventh: "a seventh that doesn’t fall",
  "leading-tone": "a leading tone that doesn’t rise",
  "wide-stretch": "a wide stretch",
  "no-grip": "no grip that has the melody and its chord",
} as const;

export const NO_CHORDS_FOUND = "This mode has no triads or sevenths to put under it.";

/** Where the parts break a rule, in a sentence. */
export function faultsSentence(
  faults: readonly PartFault[],
  tune: Pick<Tune, "bars">,
  parts: Arrangement,
): string {
  if (faults.length === 0 && parts === "guitar") return "Every chord fits under the melody in one hand.";
  if (faults.length === 0)
    return "The parts have no parallel fifths or octaves, none goes above the melody, and sevenths and leading tones resolve.";
  const byCode = new Map<PartFault["code"], Set<number>>();
  for (const { code, bar } of faults) byCode.set(code, new Set(byCode.get(code)).add(barOf(tune, bar)));
  return capital(
    `${listText([...byCode].map(([code, bars]) => `${FAULT_TEXT[code]} in ${bars.size === 1 ? "bar" : "bars"} ${listText([...bars].slice(0, 8).map(String))}`))}.`,
  );
}

export const SOURCE_OF_CHORDS = {
  mode: "all of the mode",
  vamp: "its vamp",
  pair: "two chords that make the mode",
} as const;

export const HARMONY_RHYTHM_TEXT = {
  "half-bar": "two a bar",
  bar: "one a bar",
  "two-bars": "every two bars",
  phrase: "by phrase",
} as const;

/** "B → B♭ (6 → ♭6)": degrees that became others, each once. */
export function changedText({ changes, to }: Reshaped, from: HomeMode): string {
  const moved = new Map<string, string>();
  for (const { before, after, isChromatic } of changes) {
    if (after === undefined || isChromatic) continue;
    const [was, is] = [before.name - from.home, after.name - to.home];
    if (was !== is) moved.set(`${was} ${is}`, `${degreeText(was)} → ${degreeText(is)}`);
  }
  return [...moved.values()].join(", ");
}

/** What became of the tune, in a sentence. */
export function reshapedSentence(reshaped: Reshaped, from: HomeMode): string {
  const { changes, to } = reshaped;
  const moved = changes.filter(({ isMoved }) => isMoved).length;
  if (moved === 0)
    return to.home === from.home && to.mode === from.mode
      ? `It is in ${homeModeText(from)} already.`
      : `No note of this tune changes: it never has the notes that tell ${modeText(from.mode)} from ${modeText(to.mode)}.`;
  if (to.home !== from.home) {
    const degrees = changedText(reshaped, from);
    const isAlong = relativeHome(from, to.mode) === to.home;
    return `It goes from ${noteText(from.home)} to ${noteText(to.home)} as home${isAlong ? ", step for step along the scale" : degrees === "" ? "" : `, and degrees change: ${degrees}`}.`;
  }
  return `${capital(countText(moved, "note"))} of ${changes.length} change: ${changedText(reshaped, from)}.`;
}

/** The number of a bar as it is printed. */
const barOf = ({ bars }: Pick<Tune, "bars">, at: number): number => bars[at]?.number ?? at + 1;

/** Chromatic notes that are told, and bars of each. */
const MAX_MOVES = 4;

/** What became of notes outside the mode, the first few with their bars: "Two chromatic notes: G♯ stays in bars 2, 6. Press a note …" */
export function chromaticSentence(
  changes: readonly NoteChange[],
  barOfPlace: (place: number) => number,
): string | undefined {
  const kept = changes.filter(({ isChromatic, isByHand }) => isChromatic && !isByHand);
  if (kept.length === 0) return undefined;
  const byMove = new Map<string, Set<number>>();
  for (const { before, after, place } of kept) {
    const isSame = after?.name === before.name;
    const moved = isSame
      ? `${noteText(before.name)} stays`
      : `${noteText(before.name)} → ${after ? noteText(after.name) : "left out"}`;
    byMove.set(moved, new Set(byMove.get(moved)).add(barOfPlace(place)));
  }
  const named = [...byMove].slice(0, MAX_MOVES).map(([moved, bars]) => {
    const numbers = [...bars].slice(0, MAX_MOVES).map(String);
    const more = bars.size > numbers.length ? ["more"] : [];
    return `${moved} in ${bars.size === 1 ? "bar" : "bars"} ${listText([...numbers, ...more])}`;
  });
  const rest = byMove.size > MAX_MOVES ? "; and others" : "";
  return `${capital(countText(kept.length, "chromatic note"))}: ${named.join("; ")}${rest}. Press a note to set it by hand.`;
}

/** What becomes of one note, or of several, whose degree the new mode lacks. */
const FATE: Readonly<Record<MissingRule, readonly [one: string, several: string]>> = {
  nearest: ["It goes to the nearest note it has.", "Each goes to the nearest note it has."],
  drop: ["It’s left out.", "They’re left out."],
  hold: ["The note before is held instead.", "The notes before them are held instead."],
};

/** Notes whose degree the new mode lacks: "Minor pentatonic has no degree for three notes. Each goes to the nearest note it has." */
export function missingSentence(
  changes: readonly NoteChange[],
  { mode }: HomeMode,
  rule: MissingRule,
): string | undefined {
  const missing = changes.filter(({ isMissing }) => isMissing).length;
  if (missing === 0) return undefined;
  return `${capital(modeText(mode))} has no degree for ${countText(missing, "note")}. ${FATE[rule][missing === 1 ? 0 : 1]}`;
}

/** What was done to keep it within the instrument. */
export function rangeSentence(ranged: Reshaped["ranged"]): string | undefined {
  if (!ranged) return undefined;
  const { octaves, folded, outside } = ranged;
  const said = [
    ...(octaves === 0
      ? []
      : [`All of it is ${countText(Math.abs(octaves), "octave")} ${octaves < 0 ? "lower" : "higher"}.`]),
    ...(folded.length === 0
      ? []
      : [`${capital(countText(folded.length, "note is", "notes are"))} an octave away from the rest.`]),
    ...(outside.length === 0
      ? []
      : [
          `${capital(countText(outside.length, "note lies", "notes lie"))} outside the instrument in every octave.`,
        ]),
  ];
  return said.length === 0 ? "All of it lies within the instrument." : said.join(" ");
}

/** A mode without its plain fifth or without a third is hard to rest on. */
export function restSentence({ home, mode }: HomeMode): string | undefined {
  if (!mode.intervals.includes(1))
    return `${capital(modeText(mode))} has no perfect fifth above ${noteText(home)}, so the home chord doesn’t rest.`;
  return thirdOf(mode) === undefined
    ? `${capital(modeText(mode))} has no third: the home chord is open.`
    : undefined;
}

/**
 * What the new melody is heard as by itself, where that isn't the mode that was asked for. Nothing where what is heard has every note of
 * that mode, as Aeolian has every note of the minor pentatonic.
 */
export function heardAsSentence(heard: HomeMode, to: HomeMode, hasChords: boolean): string | undefined {
  if (soundOf(heard.home) === soundOf(to.home) && holdsAll(soundsOn(heard), soundsOn(to))) return undefined;
  const first = `By itself the melody is heard as ${homeModeText(heard)}`;
  return hasChords
    ? `${first}; the chords have to say that it’s ${homeModeText(to)}.`
    : `${first}, not as ${homeModeText(to)}.`;
}

/** Why a chord stands where it does. */
export function stepSentence(
  { chord, strong, outside, characteristic, isOther, cadenceFrom, bar }: HarmonyStep,
  tune: Pick<Tune, "bars">,
): string {
  const sounding =
    strong.length === 0
      ? "nothing sounds on the strong beats"
      : `has ${listText(strong.map(noteText))} on the strong ${strong.length === 1 ? "beat" : "beats"}`;
  const telling = characteristic.filter((note) => !strong.includes(note));
  const said = [
    sounding,
    ...(telling.length > 0
      ? [
          `contains ${listText(telling.map(noteText))}, ${telling.length === 1 ? "a characteristic note" : "characteristic notes"}`,
        ]
      : []),
    ...(outside.length > 0
      ? [`${listText(outside.map(noteText))} ${outside.length === 1 ? "isn’t" : "aren’t"} in the chord`]
      : []),
    ...(cadenceFrom ? [`cadence from ${chordText(cadenceFrom)}`] : []),
    ...(isOther ? ["none of the chords you chose fits"] : []),
  ];
  return `Bar ${barOf(tune, bar)}, ${chordText(chord)}: ${said.join("; ")}.`;
}

/** Chords of a harmony that are told in a line. */
const MAX_IN_LINE = 16;

/**
 * A harmony in a line: its chords, or those from where it goes another way than the best.
 *
 * @example harmonyText(all[1], all[0], tune) // "from bar 5: Am Em D"
 */
export function harmonyText({ steps }: Harmony, best: Harmony, tune: Pick<Tune, "bars">): string {
  const same = steps.findIndex(
    ({ chord, onset }, at) =>
      onset !== best.steps[at]?.onset || chordText(chord) !== chordText(best.steps[at].chord),
  );
  const from = Math.max(0, same);
  const chordTexts = steps.slice(from, from + MAX_IN_LINE).map(({ chord }) => chordText(chord));
  const where = from === 0 ? "" : `from bar ${barOf(tune, steps[from]?.bar ?? 0)}: `;
  return `${where}${chordTexts.join(" ")}${steps.length > from + MAX_IN_LINE ? " …" : ""}`;
}

/** The selected note: what it was and is. */
export function noteSentence(
  { before, after, isByHand, isChromatic }: NoteChange,
  bar: number,
  from: HomeMode,
  to: HomeMode,
): string {
  const was = `${pitchText(before)} (${degreeText(before.name - from.home)})`;
  if (!after) return `Bar ${bar}: ${was} is left out.`;
  const is = `${pitchText(after)} (${degreeText(after.name - to.home)})`;
  const same = midiOf(before) === midiOf(after) && before.name === after.name;
  const how = isByHand ? ", set by hand" : isChromatic ? ", a chromatic note" : "";
  return `Bar ${bar}: ${same ? `${was} stays` : `${was} → ${is}`}${how}.`;
}

/** What changed from the row before in the ladder. */
export const rungText = ({ changed }: Rung): string =>
  changed.map(({ from, to }) => `${noteText(from)} → ${noteText(to)}`).join(", ");

/** Whether a tune tells all modes apart, and what it lacks for that. */
export const modelTuneText = (missing: readonly number[]): string =>
  missing.length === 0
    ? "This tune has every degree, so it sounds different in each mode. It makes a good model tune: know it by heart, then sing it in each."
    : `This tune never has its ${listText(missing.map(String))}, so some modes sound the same in it. A model tune needs every degree.`;

/** How one sings along. */
export const SING_SAYS = "Home is held and the first note is given. Sing each syllable as it is marked.";

export const LADDER_TEXT = {
  parallel: "bright to dark",
  fifths: "by fifths",
  steps: "by step",
} as const;

export const RESHAPE_SHEET = "Lead sheet";

/** The staff in words. */
export const reshapedStaffText = (title: string, homeMode: HomeMode, notes: number): string =>
  `${title || "Tune"} in ${homeModeText(homeMode)}, engraved: ${countText(notes, "note")}, those that changed framed, characteristic notes notched`;

export const noRelativeText = (from: HomeMode, to: HomeMode): string =>
  `${capital(modeText(to.mode))} isn’t a mode of the same parent scale as ${modeText(from.mode)}, so home stays.`;

export const METER_TEXT = ({ beats, unit }: Meter): string => `${beats}/${unit}`;

export const NOTE_VALUE_TEXT = {
  "1": "whole",
  "2": "half",
  "4": "quarter",
  "8": "eighth",
  "6": "16th",
} as const;

export const WRITE_HELP =
  "On the staff, A to G write notes and Z a rest; 1 2 4 8 6 set the note value, a period the dot, 3 triplets. ← → move, ↑ ↓ change the note, # and - raise and lower it. The stage and a keyboard write too.";

/** A staff that is written on, in words. */
export const WRITE_STAFF_TEXT = (notes: number, key: string | undefined): string =>
  `The tune as you write it: ${countText(notes, "note")}${key === undefined ? "" : `, key of ${key}`}`;

export const SEVERAL_TO_WRITE =
  "This text has several tunes. Change them in the text; the first one is reshaped.";

export const tooLongToWrite = (bars: number): string =>
  `The staff can be written on up to ${bars} bars. Change this tune in the text.`;

/** A bar that doesn't add up, in beats of the meter. */
export function oddBarText({ number, length, whole }: OddBar, meter: Meter): string {
  const beats = (quarters: number) => {
    const count = Math.round(((quarters * meter.unit) / 4) * 100) / 100;
    return `${count} ${count === 1 ? "beat" : "beats"}`;
  };
  return `Bar ${number} has ${beats(length)}. The meter ${METER_TEXT(meter)} asks for ${beats(whole)}.`;
}

/** The user's model tune among others. */
export const modelTuneName = (title: string): string => `${title || "Tune"} (your model tune)`;

/** A chord under the melody as a guitarist holds it: "Bar 3, F: x x 3 2 x 5, fingers 2 1 4." */
export function gripSentence(
  { chord, frets, fingers, stretchMm, bar }: GuitarGrip,
  tune: Pick<Tune, "bars">,
): string {
  const used = fingers.filter((finger) => finger !== null && finger > 0);
  const fingersText =
    used.length === 0 ? "open strings" : `${used.length === 1 ? "finger" : "fingers"} ${used.join(" ")}`;
  const wide = stretchMm > COMFORTABLE_STRETCH ? `, ${stretchMm} mm wide` : "";
  return `Bar ${barOf(tune, bar)}, ${chordText(chord)}: ${printFingering(frets)}, ${fingersText}${wide}.`;
}

/** "E7 in bar 7", "E7 in bar 7 and F in bar 8", at most four of them. */
function placedChords(chords: readonly Pick<TuneChord, "chord" | "bar">[], tune: Pick<Tune, "bars">): string {
  const places = chords.slice(0, 4).map(({ chord, bar }) => `${chordText(chord)} in bar ${barOf(tune, bar)}`);
  const more = chords.length > places.length ? [`${chords.length - places.length} more`] : [];
  return capital(listText([...places, ...more]));
}

/** Chords that couldn't go along. */
export function stayedSentence(
  chords: readonly Pick<TuneChord, "chord" | "bar">[],
  tune: Pick<Tune, "bars">,
): string | undefined {
  if (chords.length === 0) return undefined;
  return `${placedChords(chords, tune)} ${chords.length === 1 ? "stays as it is: its root has" : "stay as they are: their roots have"} no place in the new mode.`;
}

/** Chords that went along with their root alone, by the names they had: "E7 in bar 7 has notes outside A Dorian: only its root moves." */
export function borrowedSentence(
  chords: readonly Pick<TuneChord, "chord" | "bar">[],
  tune: Pick<Tune, "bars">,
  from: HomeMode,
): string | undefined {
  if (chords.length === 0) return undefined;
  return `${placedChords(chords, tune)} ${chords.length === 1 ? "has" : "have"} notes outside ${homeModeText(from)}: only ${chords.length === 1 ? "its root moves" : "their roots move"}.`;
}
