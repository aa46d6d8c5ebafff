import { midiOf, type Pitch, printPitch } from "@/core/pitch";
import { atom, computed } from "nanostores";
import { type Chord, diatonicChords, printChord, readSymbol, reducedChord } from "@/core/chord";
import {
  type Fingering,
  type Instrument,
  instrumentOf,
  INSTRUMENTS,
  type LineNote,
  lineOn,
  lineOnKeys,
  maybeTuning,
  ownTuning,
  type Position,
  type PositionNote,
  positions,
  readStrings,
  type Tuning,
  tuningOf,
} from "@/core/instrument";
import type { HomeMode } from "@/core/scale";
import type { Division, Settings } from "@/storage";
import { $selection, type Selection } from "../place/selection";
import { $settings, changeSettings } from "../settings/settings";

/** The id that a tuning made by hand is chosen by. */
export const ownTuningId = (name: string): string => `own/${name}`;

/** What of the settings makes the neck. */
type NeckSettings = Pick<Settings, "instrument" | "tuning" | "ownTunings" | "capo">;

/**
 * The tuning that the settings name: a common one, one made by hand, or the instrument's usual one where there is none
 * such; with the capo as far as it leaves a hand's width of frets. Undefined for a keyboard.
 */
export function tuningFor({ instrument, tuning, ownTunings, capo }: NeckSettings): Tuning | undefined {
  const usual = maybeTuning(instrument);
  if (!usual) return undefined;
  const made = ownTunings.find((own) => own.instrument === instrument && ownTuningId(own.name) === tuning);
  const base = made
    ? {
        ...ownTuning(readStrings(made.strings).value, { ...made, capo: 0 }, usual),
        id: tuning,
        name: made.name,
      }
    : tuning.startsWith(`${instrument}/`)
      ? (maybeTuning(tuning) ?? usual)
      : usual;
  return capo === 0 ? base : { ...base, capo: Math.min(capo, base.frets - 4) };
}

/** The selected instrument. */
export const $instrument = computed($settings, ({ instrument }): Instrument => instrumentOf(instrument));
const FIRST = instrumentOf("guitar");

let lastNeck: { key: string; tuning: Tuning | undefined } | undefined;

/** Its tuning; the same object for as long as the settings name the same one. */
export const $tuning = computed($settings, (settings) => {
  const { instrument, tuning, ownTunings, capo } = settings;
  const key = JSON.stringify([instrument, tuning, ownTunings, capo]);
  if (lastNeck?.key !== key) lastNeck = { key, tuning: tuningFor(settings) };
  return lastNeck.tuning;
});

/** Where the hand is: the index finger's fret, and which of the positions there, since octave pairs have two. */
interface HandPlace {
  readonly fret: number;
  readonly nth: number;
}

/** Where the user has stepped; until then the neck opens where a player would begin. */
export const $hand = atom<HandPlace | undefined>();

const $system = computed($settings, ({ system }) => system);
const $stretch = computed($settings, ({ stretch }) => stretch);
const $homeMode = computed($selection, ({ homeMode }) => homeMode);

/** The positions of the mode on the neck, from the nut up; none on a keyboard. */
export const $positions = computed(
  [$tuning, $homeMode, $system, $stretch],
  (tuning, homeMode, system, stretch): readonly Position[] =>
    tuning ? positions(tuning, homeMode, system, stretch) : [],
);

/**
 * The position at or above a place of the hand, otherwise the last. Without a place the first where positions are numbered, as on a
 * fiddle; elsewhere the one that begins on home, or has fewest notes below it. Undefined where there is none.
 */
export function positionAt(all: readonly Position[], place: HandPlace | undefined): Position | undefined {
  if (place) {
    const near = all.find(({ hand }) => hand >= place.fret) ?? all.at(-1);
    const there = all.filter(({ hand }) => hand === near?.hand);
    return there[place.nth] ?? near;
  }
  const below = ({ notes }: Position) => {
    const home = notes.findIndex(({ interval }) => interval === 0);
    return home < 0 ? Infinity : home;
  };
  const [first, ...others] = all;
  if (first?.name.code === "position") return first;
  return first && others.reduce((best, each) => (below(each) < below(best) ? each : best), first);
}

/**
 * The surface in view: what is set, or keys where an instrument has no neck.
 */
export const $surface = computed([$settings, $tuning], ({ surface }, tuning) =>
  tuning || surface !== "neck" ? surface : "keys",
);

/** What of the mode is shown: what is set; on keys never a position of the hand, which is a neck's. */
export const $division = computed(
  [$settings, $surface, $tuning],
  ({ division }, surface, tuning): Division =>
    division === "position" && (surface === "keys" || !tuning) ? "whole" : division,
);

/** The selected position. */
export const $position = computed([$positions, $hand], positionAt);

/** Its notes with the fingers that are wished for. */
export const fingeredNotes = ({ notes, easier }: Position, wantsEasier: boolean): readonly PositionNote[] =>
  (wantsEasier ? easier?.notes : undefined) ?? notes;

/** Steps to the position above or below; it stays at the ends. */
export function stepPosition(way: 1 | -1): void {
  const all = $positions.get();
  const position = positionAt(all, $hand.get());
  const next = position && all[all.indexOf(position) + way];
  if (!next) return;
  const there = all.filter(({ hand }) => hand === next.hand);
  $hand.set({ fret: next.hand, nth: there.indexOf(next) });
}

const $lineAsked = computed($settings, ({ figure, octaves, stretch }) => `${figure} ${octaves} ${stretch}`);

/** The line to practise, with its fingering; undefined where the neck is too short for it. */
export const $line = computed(
  [$tuning, $homeMode, $hand, $lineAsked],
  (tuning, homeMode, hand): readonly LineNote[] | undefined => {
    const { figure, octaves, stretch } = $settings.get();
    const near = positionAt($positions.get(), hand)?.hand;
    const asked = { figure, octaves, limit: stretch, ...(near === undefined ? {} : { near }) };
    return tuning ? lineOn(tuning, homeMode, asked) : lineOnKeys(homeMode, asked);
  },
);

/** A voicing from the Shelf, and the mode and chord that were selected when it was taken. */
interface TakenVoicing {
  readonly chord: Chord;
  readonly frets: Fingering;
  readonly over: Pick<Selection, "homeMode" | "chord">;
}

/** A voicing that was taken from the Shelf: it is shown until something else is selected. */
export const $takenVoicing = atom<TakenVoicing | undefined>();

/** The instrument and neck that sheets are drawn for: those of the stage, a guitar's where that is a keyboard. */
export const $sheetNeck = computed([$instrument, $tuning], ({ id }, tuning) =>
  tuning ? { instrument: id, tuning } : { instrument: FIRST.id, tuning: tuningOf(FIRST.id) },
);

/** The name of a tuning made for a voicing whose strings are those of no instrument here. */
const VOICING_STRINGS = "Strings of a voicing";

/** What has to be set for the stage to have these strings: nothing where it has them. */
function settingsFor(strings: readonly Pitch[]): Partial<Settings> {
  const sounds = strings.map(midiOf).join(" ");
  const isThis = (tuning: Tuning | undefined) => tuning?.strings.map(midiOf).join(" ") === sounds;
  if (strings.length === 0 || isThis($tuning.get())) return {};
  const { ownTunings } = $settings.get();
  for (const { id, tunings } of INSTRUMENTS) {
    const found = tunings.find(isThis);
    if (found) return { instrument: id, tuning: found.id, capo: 0 };
  }
  const made = ownTunings.find((own) => readStrings(own.strings).value.map(midiOf).join(" ") === sounds) ?? {
    name: VOICING_STRINGS,
    instrument: FIRST.id,
    strings: strings.map((pitch) => printPitch(pitch)).join(" "),
    frets: 22,
    scaleLength: 648,
  };
  return {
    instrument: made.instrument,
    tuning: ownTuningId(made.name),
    capo: 0,
    ownTunings: [...ownTunings.filter(({ name }) => name !== made.name), made],
  };
}

/**
 * Takes a voicing to the stage, on the strings that it was found on; a symbol that cannot be read changes nothing.
 *
 * @param strings open strings as they were saved, "G4 C4 E4 A4"; those of the stage where none are given
 */
export function takeVoicing(symbol: string, frets: Fingering, strings = ""): void {
  const reading = readSymbol(symbol);
  if (!("chord" in reading)) return;
  changeSettings({ surface: "neck", division: "voicing", ...settingsFor(readStrings(strings).value) });
  $takenVoicing.set({ chord: reading.chord, frets, over: $selection.get() });
}

/** Shows how the selected chord is held on a guitar in standard tuning. */
export const showOnGuitar = (): void =>
  changeSettings({
    surface: "neck",
    division: "voicing",
    ...settingsFor(maybeTuning("guitar")?.strings ?? []),
  });

/** The chord that stands for a mode where none is selected: its seventh, or what of it four fingers hold. */
export function homeChord(homeMode: HomeMode): Chord {
  const [first] = diatonicChords(homeMode);
  const chord = first?.chords.seventh ?? first?.chords.triad;
  return chord ?? { root: homeMode.home, tones: reducedChord(homeMode.mode, 4), optional: [] };
}

let lastChord: Chord | undefined;

/** The chord whose voicings are offered; the same object for as long as it is the same chord. */
export const $chord = computed([$selection, $takenVoicing], (selection, taken): Chord => {
  const { homeMode, chord } = selection;
  const isTaken = taken?.over.homeMode === homeMode && taken.over.chord === chord;
  const next = isTaken ? taken.chord : (chord ?? homeChord(homeMode));
  if (!lastChord || printChord(lastChord) !== printChord(next)) lastChord = next;
  return lastChord;
});
