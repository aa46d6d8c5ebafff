import { degreeNumber, type Fifths, type Pitch, pitchAt, soundOf, spellSound } from "@/core/pitch";
import { countUp, type HomeEvidence, type Identification, type KeyCheck } from "@/core/identify";
import {
  colourOn,
  colourSwap,
  type HomeMode,
  notesOf,
  parentOf,
  type Swap,
  type Telling,
  thirdOf,
} from "@/core/scale";
import type { Tune } from "@/core/tune";
import type { TuneSource } from "@/formats";
import {
  capital,
  countText,
  homeModeText,
  inTitle,
  numberText,
  listText,
  modeText,
  noteText,
  ordinalText,
  parentText,
  type Phrase,
  shortName,
} from "./names";

/** What each kind of evidence says of home, and the notes that it points at. */
function evidencePhrase(
  { code, count = 0, of = 0, notes }: HomeEvidence,
  home: string,
  hasLast: boolean,
): { readonly says: string; readonly points: readonly number[] } | undefined {
  const said = (says: string) => ({ says, points: notes });
  switch (code) {
    case "phrase-ends": {
      const too = hasLast && of > 1 ? ", the last one too" : "";
      if (of === 1) return said(`the one phrase ends on ${home}`);
      if (count === of) return said(`all ${numberText(of)} phrases end on ${home}`);
      return said(
        `${numberText(count)} of ${numberText(of)} phrases ${count === 1 ? "ends" : "end"} on ${home}${too}`,
      );
    }
    case "last-note":
      return undefined;
    case "cadence":
      return said(
        `${count === 1 ? "a last bar comes" : `${numberText(count)} last bars come`} to rest on ${home}`,
      );
    case "longest":
      return said(`${home} sounds longest`);
    case "first-downbeat":
      return said(`the first downbeat is ${home}`);
    case "leading":
      return said(`a half step leads up to ${home} ${numberText(count)} times`);
    case "bass":
      return said(`the bass ends on ${home}`);
    case "lowest":
      return said(`${home} is the lowest note`);
    case "declared-key":
      return said("the key field says so as well");
  }
}

/** More reasons than these are not read. */
const MOST_REASONS = 4;

/** 1. "Home is A. Seven of eight phrases end on A, the last one too, and A sounds longest." */
export function homeReason({ evidence, homeMode }: Identification): readonly Phrase[] {
  const home = noteText(homeMode.home);
  const hasLast = evidence.some(({ code }) => code === "last-note");
  const hasEnds = evidence.some(({ code }) => code === "phrase-ends");
  const said = evidence
    .flatMap((each) => evidencePhrase(each, home, hasLast && hasEnds) ?? [])
    .slice(0, MOST_REASONS);
  const [first, ...rest] = said;
  const lead: Phrase = { strong: `Home is ${home}.` };
  if (!first) return [lead, " Nothing in particular speaks for it: it is what fits the notes best."];
  return [
    lead,
    " ",
    { ...first, says: capital(first.says) },
    ...rest.flatMap((each, at): readonly Phrase[] => [at === rest.length - 1 ? " and " : ", ", each]),
    ".",
  ];
}

/** The places in the tune at which a note sounds. */
type PlacesOf = (note: Fifths) => readonly number[];

/** Notes in a row, each pointing at where it sounds. */
const pointedNotes = (notes: readonly Fifths[], placesOf: PlacesOf): readonly Phrase[] =>
  notes.flatMap((note): readonly Phrase[] => [" ", { says: noteText(note), points: placesOf(note) }]);

/** 2. "The notes are D major's: D E F♯ G A B C♯. All seven are used." */
export function notesReason(
  { homeMode, outside, hearing, gapped }: Identification,
  placesOf: PlacesOf,
): readonly Phrase[] {
  const { tonic, family } = parentOf(homeMode);
  const [parent] = countUp(homeMode);
  const notes = parent ? notesOf(parent) : [];
  const own = homeMode.mode.intervals;
  const unheard = own.filter((interval) => hearing.names[soundOf(homeMode.home + interval)] === undefined);
  const heardCount = own.length - unheard.length;
  const missing = listText(unheard.map((interval) => ordinalText(degreeNumber(interval))));
  const used =
    unheard.length === 0
      ? `All ${numberText(own.length)} are used.`
      : `${capital(numberText(heardCount))} of the ${numberText(own.length)} ${heardCount === 1 ? "is" : "are"} used; the ${missing} above ${noteText(homeMode.home)} never ${unheard.length === 1 ? "occurs" : "occur"}.`;
  const byThemselves =
    gapped && heardCount >= 5
      ? ` By themselves the ${numberText(heardCount)} are ${inTitle(gapped.name)}.`
      : "";
  const guests = outside.filter(({ visits }) => visits);
  const others = outside.filter(({ visits }) => !visits);
  const pointed = (some: typeof outside, tail: string): readonly Phrase[] =>
    some.length === 0
      ? []
      : [
          " ",
          ...some.flatMap(({ note, notes: points }, at): readonly Phrase[] => [
            at === 0 ? "" : at === some.length - 1 ? " and " : ", ",
            { says: noteText(note), points },
          ]),
          tail,
        ];
  return [
    { strong: `The notes are ${parentText(tonic, family)}’s:` },
    ...pointedNotes(notes, placesOf),
    `. ${used}${byThemselves}`,
    ...pointed(guests, ` only ${guests.length === 1 ? "visits" : "visit"}.`),
    ...pointed(
      others,
      ` ${others.length === 1 ? "is" : "are"} none of them, and more than ${others.length === 1 ? "a visitor" : "visitors"}.`,
    ),
  ];
}

/** 3. "Count up from D: Ionian D, Dorian E, Phrygian F♯, Lydian G, Mixolydian A." */
export function countReason({ homeMode }: Identification, placesOf: PlacesOf): readonly Phrase[] {
  const { tonic, degree } = parentOf(homeMode);
  const counted = countUp(homeMode).slice(0, degree);
  return [
    { strong: `Count up from ${noteText(tonic)}:` },
    ...counted.flatMap(({ home, mode }, at): readonly Phrase[] => [
      at === 0 ? " " : ", ",
      { says: `${modeText(mode)} ${noteText(home)}`, points: placesOf(home) },
    ]),
    ".",
  ];
}

/**
 * 4. "What tells it: a major third, C♯, with G over it. With G♯ it would be plain A major."
 */
export function tellingReason(
  { homeMode, open }: Identification,
  placesOf: PlacesOf,
  schools: Telling = {},
): readonly Phrase[] {
  const { home, mode } = homeMode;
  const third = thirdOf(mode);
  const missing = open[0];
  const lead: Phrase = { strong: "What tells it:" };
  const thirdPhrase: readonly Phrase[] =
    third === undefined
      ? []
      : [
          ` a ${third === 4 ? "major" : "minor"} third, `,
          { says: noteText(home + third), points: placesOf(home + third) },
        ];
  if (missing) {
    const ways = missing.modes.map(({ mode: other, interval }, at) => {
      const makes = at === 0 ? "it would be " : "";
      return `with ${noteText(home + interval)} ${makes}${homeModeText({ home, mode: other })}`;
    });
    const stay = ways.length === 2 ? "both stay open" : "all of them stay open";
    const lacks = `no ${ordinalText(degreeNumber(missing.interval))} is ever heard: ${ways.join(", ")}; ${stay}.`;
    return [lead, ...thirdPhrase, third === undefined ? ` ${lacks}` : `. But ${lacks}`];
  }
  const named = colourOn(homeMode, schools)
    .filter((note) => placesOf(note).length > 0)
    .flatMap((note, at): readonly Phrase[] => [at === 0 ? "" : " and ", { lit: noteText(note) }]);
  const swap = colourSwap(mode, schools);
  const plain = swap ? ` With ${noteText(home + swap.to)} it would be ${swappedText(homeMode, swap)}.` : "";
  if (named.length === 0) return [lead, ...thirdPhrase, `.${plain}`];
  return [lead, ...thirdPhrase, ", with ", ...named, ` over it.${plain}`];
}

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

/** What the swap makes of the mode: "plain A major", "A Dorian", "another mode". */
export function swappedText({ home }: HomeMode, { makes }: Swap): string {
  if (!makes) return "another mode";
  if (makes.id === "ionian") return `plain ${noteText(home)} major`;
  if (makes.id === "aeolian") return `plain ${noteText(home)} minor`;
  return homeModeText({ home, mode: makes });
}

/** How music came in. */
export const SOURCE_TEXT: Readonly<Record<TuneSource, string>> = {
  abc: "from ABC",
  notes: "typed",
  musicxml: "from MusicXML",
  midi: "from MIDI",
};

/** "16 bars, 84 notes, from ABC"; what lies beneath the melody is counted with it. */
export function tuneCountText(tune: Tune, source: TuneSource): string {
  const bars = tune.bars.filter(({ lead }) => lead === 0).length;
  const beneath = tune.beneath?.length ?? 0;
  const under = beneath === 0 ? "" : ` and ${beneath} beneath`;
  const counted = (count: number, one: string) => `${count} ${one}${count === 1 ? "" : "s"}`;
  return `${counted(bars, "bar")}, ${counted(tune.notes.length, "note")}${under}, ${SOURCE_TEXT[source]}`;
}

/** "94 in 100"; below one, "under 1". */
export function weightText(weight: number): string {
  const share = Math.round(weight * 100);
  return share < 1 ? "under 1" : String(Math.min(share, 99));
}

/** "D major shapes, resting on A". */
export function playItFromText(homeMode: HomeMode): string {
  const { tonic, family, degree } = parentOf(homeMode);
  if (degree === 1) return `${parentText(tonic, family)} as it stands`;
  return `${parentText(tonic, family)} shapes, resting on ${noteText(homeMode.home)}`;
}

export const passageText = (homeMode: HomeMode): string =>
  `${noteText(homeMode.home)} ${shortName(homeMode.mode)}`;

/** The other modes that an unheard degree leaves open, for the title: "or Dorian". */
export function orText({ homeMode, open }: Identification): string | undefined {
  const others = new Set(open.flatMap(({ modes }) => modes.map(({ mode }) => mode)));
  others.delete(homeMode.mode);
  if (others.size === 0) return undefined;
  return others.size > 2
    ? `or one of ${numberText(others.size)} more`
    : `or ${listText(
        [...others].map(({ name }) => name),
        "or",
      )}`;
}

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
      return `Listening to it: ${Math.round(state.share * 100)} in 100.`;
    case "heard":
      return "The line is the pitch that was heard, over the notes it became.";
    case "refused":
      switch (state.why) {
        case "no-microphone":
          return "The microphone could not be opened. Allow it in the browser, or open a recording.";
        case "not-audio":
          return `“${state.name}” is no recording that this browser can play; WAV, MP3 and Ogg are.`;
        case "nothing-heard":
          return `${state.name === "" ? "The recording" : `“${state.name}”`} has no clear pitch in it: one voice, close to the microphone, would do.`;
      }
  }
}

/** Rows of a collection of one kind, as they are chosen. */
export const ONLY_TEXT = {
  open: "a degree left open",
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
  if (state === "reading") return `${count} so far, ${share} in 100 of the files.`;
  if (state === "cancelled")
    return `Called off after ${countText(rows.length, "tune")}, ${share} in 100 of the files.`;
  return rows.length === 0 ? "No tune was found in these files." : `${count}, all of them read.`;
}
