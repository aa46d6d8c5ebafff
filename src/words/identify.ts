import { type Pitch, pitchAt, spellSound } from "@/core/pitch";
import type { Expectation, KeyCheck } from "@/core/identify";
import { type HomeMode, parentOf } from "@/core/scale";
import { type BarRange, type Tune, type TuneNote, type TuneVoice, voiceNotes } from "@/core/tune";
import type { TuneOrigin, TuneSource } from "@/formats";
import { SOURCE_TEXT } from "./source";
import {
  capital,
  countText,
  figureText,
  homeModeText,
  listText,
  noteText,
  parentText,
  shortName,
} from "./names";

/** What the key field says beside what is heard: "D major: the same notes with another home". */
export function keyText({ declared, agrees, against }: KeyCheck): string {
  const key = homeModeText(declared);
  if (agrees === "same") return `${key}, as heard`;
  if (agrees === "other-home") return `${key}: the same notes, another home`;
  const heard = listText(against.map(noteText));
  return against.length === 0
    ? `${key}: other notes`
    : `${key}, but ${heard} ${against.length === 1 ? "is" : "are"} heard`;
}

/** "16 bars, 84 notes, from ABC"; "10 bars, 4 voices". */
export function tuneCountText(tune: Tune, source: TuneSource, origin?: TuneOrigin): string {
  const bars = tune.bars.filter(({ lead }) => lead === 0).length;
  const voices = tune.voices?.length ?? 1;
  const counted = (count: number, one: string) => `${figureText(count)} ${one}${count === 1 ? "" : "s"}`;
  if (voices > 1) return `${counted(bars, "bar")}, ${counted(voices, "voice")}`;
  const came = origin ? ORIGIN_TEXT[origin] : SOURCE_TEXT[source];
  return [counted(bars, "bar"), counted(tune.notes.length, "note"), came].join(", ");
}

const ORIGIN_TEXT: Readonly<Record<TuneOrigin, string>> = { played: "played in", recorded: "recorded" };

/** "94%"; never quite all, and below one "under 1%". */
export function weightText(weight: number): string {
  const share = Math.round(weight * 100);
  return share < 1 ? "under 1%" : `${Math.min(share, 99)}%`;
}

/** "D major shapes, resting on A". */
export function playItFromText(homeMode: HomeMode): string {
  const { tonic, family, degree } = parentOf(homeMode);
  if (degree === 1) return `${parentText(tonic, family)} as it stands`;
  return `${parentText(tonic, family)} shapes, resting on ${noteText(homeMode.home)}`;
}

export const passageText = (homeMode: HomeMode): string =>
  `${noteText(homeMode.home)} ${shortName(homeMode.mode)}`;

/** "C♯5": a pitch with its octave. */
export const pitchText = ({ name, octave }: Pitch): string => `${noteText(name)}${octave}`;

/** A key by its sound: "C4", "C♯4". */
export const keyName = (midi: number): string => pitchText(pitchAt(midi, spellSound(midi % 12, KEY_NAMES)));
/** Black keys are named as they stand most often: C♯, E♭, F♯, G♯, B♭. */
const KEY_NAMES = 3;

/** Where a recording has come to, or why there is none. */
export function recordText(
  state:
    | { readonly at: "idle" | "recording" | "heard" }
    | { readonly at: "listening"; readonly share: number }
    | {
        readonly at: "refused";
        readonly why: "no-microphone" | "not-audio" | "nothing-heard";
        readonly name: string;
      },
): string {
  switch (state.at) {
    case "idle":
      return "One voice at a time: whistle, sing, bow or pick.";
    case "recording":
      return "Recording; five minutes at most.";
    case "listening":
      return `Listening to it: ${Math.round(state.share * 100)}%.`;
    case "heard":
      return "The line is the pitch that was heard, over the notes it became.";
    case "refused":
      switch (state.why) {
        case "no-microphone":
          return "The microphone could not be opened. Allow it in the browser, or open a recording.";
        case "not-audio":
          return `“${state.name}” isn’t a recording this browser can play. Try WAV, MP3 or Ogg.`;
        case "nothing-heard":
          return `${state.name === "" ? "The recording" : `“${state.name}”`} has no clear pitch in it. Record one voice, close to the microphone.`;
      }
  }
}

/** Rows of a collection of one kind, as they are chosen. */
export const ONLY_TEXT = {
  undecided: "a degree undecided",
  key: "key field says otherwise",
  passages: "change mode",
  unsure: "not sure",
  none: "no answer",
} as const;

/** How far a collection has been gone through. */
export function collectionText({
  state,
  rows,
  done,
  of,
}: {
  readonly state: "reading" | "done" | "cancelled";
  readonly rows: readonly unknown[];
  readonly done: number;
  readonly of: number;
}): string {
  const share = of === 0 ? 0 : Math.round((done / of) * 100);
  const count = capital(countText(rows.length, "tune"));
  if (state === "reading") return `${count} so far, ${share}% of the files.`;
  if (state === "cancelled")
    return `Called off after ${countText(rows.length, "tune")}, ${share}% of the files.`;
  return rows.length === 0 ? "No tune was found in these files." : `${count}, all of them read.`;
}

/** What a voice is called: its own name, or its number from the top. */
export const voiceText = ({ name }: TuneVoice, at: number): string => name || `Voice ${at + 1}`;

/** What kind of tunes are expected, as it is chosen. */
export const EXPECTATION_TEXT: Readonly<Record<Expectation, string>> = {
  "major-minor": "major or minor",
  mixed: "any mode",
  modal: "modal tunes",
};

/**
 * A tune bar by bar, each with its notes in order, in every voice: "Bar 1: D, F, A." Chords beneath are told where nothing else is.
 *
 * @example barByBarText(readNotes("D4 F | A:2 ||").value) // ["Bar 1: D, F.", "Bar 2: A."]
 */
export function barByBarText(tune: Tune): readonly string[] {
  const voices = tune.voices && tune.voices.length > 1 ? tune.voices : undefined;
  const inBars = (notes: readonly TuneNote[]) => {
    const bars = tune.bars.map((): string[] => []);
    for (const { bar, pitch } of notes) bars[bar]?.push(noteText(pitch.name));
    return bars;
  };
  const parts = voices
    ? voices.map((voice, at) => ({ name: `${voiceText(voice, at)}: `, bars: inBars(voiceNotes(tune, at)) }))
    : [{ name: "", bars: inBars(tune.notes) }];
  return tune.bars.map((bar, at) => {
    const said = parts.map(({ name, bars }) => {
      const notes = bars[at] ?? [];
      return `${name}${notes.length === 0 ? "rest" : notes.join(", ")}`;
    });
    return `Bar ${bar.number}: ${said.join("; ")}.`;
  });
}

/** "bars 1 to 8", by their printed numbers. */
export function barRangeText({ bars }: Pick<Tune, "bars">, { from, to }: BarRange): string {
  const [first, last] = [bars[from]?.number ?? from + 1, bars[to]?.number ?? to + 1];
  return first === last ? `bar ${first}` : `bars ${first} to ${last}`;
}

/** Which bars of a long tune are on the staff, as in "Bars 17 to 32 are on the staff". */
export const shownBarsText = (tune: Pick<Tune, "bars">, { from, to }: BarRange): string =>
  `${capital(barRangeText(tune, { from, to }))} on the staff.`;

export const EXPORT_SAYS =
  "As it is read here: notes, chords, repeats. WAV is a recording of it at the tempo of the stage.";

export const IDENTIFY_ASKS = "Which mode is this tune in?";

/** While a long tune is worked on beside the page. */
export const LISTENING = "Listening to a long piece…";

export const ALL_LEFT_OUT = "Every note is left out.";

/** Names the list of keys on the way. */
export const KEY_PASSAGES = "Keys on the way";

export const LOOK_AT_PASSAGE = "Look at this passage by itself";

export const ONLY_THESE_BARS = "Only these bars are heard; drag over the staff for others.";

export const CHOOSE_TO_CORRECT = "Choose a note to correct it.";

export const PLAY_IN_SAYS = "Play, or click notes on the stage below.";

export const TOO_FEW_NOTES = "Too few notes to be sure.";

export const OPENS_FILES =
  "ABC, MusicXML, MIDI, recordings; one tune or many. Or drop files or a folder anywhere on this view";

export const EMPTY_IDENTIFY =
  "Open or drop files (ABC, MusicXML, MIDI, a recording), paste ABC, type note names, play or record; or try a tune from the demo:";

/** The staff of a tune, to those who do not see it. */
export const engravedText = (title: string, notes: number, phrases: number): string =>
  `${title || "Tune"}, engraved: ${countText(notes, "note")} in ${countText(phrases, "phrase")}, characteristic notes notched, phrase ends barred below`;
