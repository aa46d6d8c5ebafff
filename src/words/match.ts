import { type Fifths, letterOf, soundOf } from "@/core/pitch";
import { type Chart, type ChartChord, type Chord, chordNotes, chordSounds } from "@/core/chord";
import type { EnsemblePart } from "@/core/instrument";
import {
  chordBefore,
  type Fit,
  type GuideTone,
  type ChordFunction,
  type SimpleScale,
  type StandIn,
  type Writing,
} from "@/core/progression";
import { type HomeMode, holds, notesOf, soundsOn } from "@/core/scale";
import { chordText, degreeText, homeModeText, modeText, listText, noteText, type Phrase } from "./names";

/** "C♯ and F♯". */
export const listedNotes = (notes: readonly Fifths[]) => listText(notes.map(noteText));

/** "A13 in bar 2, E Dorian." */
export const chordPlaceText = (place: ChartChord | undefined, homeMode: HomeMode): string =>
  `${symbolText(place?.symbol ?? "")} in bar ${place?.bar ?? 0}, ${homeModeText(homeMode)}.`;

const ROLES: Readonly<Record<string, string>> = {
  "1": "root",
  "♭3": "third",
  "3": "third",
  "4": "fourth",
  "♭5": "fifth",
  "5": "fifth",
  "♯5": "fifth",
  "6": "sixth",
  "♭7": "seventh",
  "7": "seventh",
  "2": "ninth",
  "♭2": "flat ninth",
  "♯2": "sharp ninth",
  "♯4": "sharp eleventh",
  "♭6": "flat thirteenth",
};

/** "third" for ♭3 and 3; the degree itself where it has no such name. */
export const roleText = (role: number): string => ROLES[degreeText(role)] ?? degreeText(role);

/** What is new in a chord and what to do with it, in the wording of both conventions. */
export function targetSentence(
  chart: Chart,
  at: number,
  targets: readonly Fifths[],
  homeMode: HomeMode,
): readonly Phrase[] {
  const chord = chart.chords[at]?.chord;
  const place = chordBefore(chart, at);
  const before = chart.chords[place ?? -1];
  const [first, ...rest] = targets;
  if (!chord) return ["This can’t be read as a chord. The analyses go round it."];
  if (place === undefined || !before?.chord)
    return ["The only chord so far. Add another one to hear what changes."];
  const from = symbolText(before.symbol);
  if (first === undefined)
    return [
      chordSounds(before.chord) === chordSounds(chord)
        ? `The same notes as ${from}: nothing says that the chord has changed.`
        : `Shares all its notes with ${from}, so the bass has to mark the change.`,
    ];
  const isRound = chart.order.indexOf(place) > chart.order.indexOf(at);
  const lacks =
    rest.length === 0
      ? `${from} doesn’t have it`
      : `${from} doesn’t have it (nor ${listText(rest.map(noteText), "or")})`;
  return [
    { term: "Target note" },
    ": ",
    { target: noteText(first) },
    `, its ${roleText(first - chord.root)}. ${isRound ? `Coming round again, ${lacks}` : lacks}, so it marks the change. ${whereToUse(first, homeMode)}`,
  ];
}

/** "Save it for here, or use it throughout for E Dorian.", or for a note outside the mode which one it has instead. */
function whereToUse(target: Fifths, homeMode: HomeMode): string {
  const name = homeModeText(homeMode);
  if (holds(soundsOn(homeMode), soundOf(target)))
    return `Save it for here, or use it throughout for ${name}.`;
  const instead = notesOf(homeMode).find((note) => letterOf(note) === letterOf(target));
  return `Save it for here: ${name} ${instead === undefined ? "doesn’t have it" : `has ${noteText(instead)} instead`}.`;
}

/** Chord symbols as typed, with real accidentals. */
export const symbolText = (symbol: string): string =>
  symbol.replaceAll("#", "♯").replaceAll(/(?<=[A-Ga-g])b|b(?=\d)/g, "♭");

/** "bar 2", "bars 2 and 4", "5 bars". */
export function barsText(bars: readonly number[]): string {
  const all = [...new Set(bars)];
  if (all.length > 4) return `${all.length} bars`;
  return `${all.length === 1 ? "bar" : "bars"} ${listText(all.map(String))}`;
}

/** "A C♯ E G, with B and F♯ above". */
export function tonesText(chord: NonNullable<ChartChord["chord"]>): string {
  const notes = chordNotes(chord);
  const seventh = notes.slice(0, 4).map(noteText).join(" ");
  const above = notes.slice(4);
  return above.length === 0 ? seventh : `${seventh}, with ${listedNotes(above)} above`;
}

/** "D, a half step over the third". */
export function avoidNotesText({ avoidNotes }: Fit, chord: NonNullable<ChartChord["chord"]>): string {
  if (avoidNotes.length === 0) return "none";
  return avoidNotes
    .map((avoid) => {
      const under = chordNotes(chord).find((tone) => soundOf(tone + 7) === soundOf(avoid)) ?? chord.root;
      return `${noteText(avoid)}, a half step over the ${roleText(under - chord.root)}`;
    })
    .join("; ");
}

export const outsideText = ({ outside }: Fit): string =>
  outside.length === 0 ? "none" : listedNotes(outside);

/** What a chord does in its key: "the dominant of Am, and it goes there", "borrowed from C Aeolian". */
export function functionText(what: ChordFunction, { home }: Pick<HomeMode, "home">): string {
  switch (what.code) {
    case "minor-dominant":
      return `the dominant of ${noteText(home)} minor, with the raised 7 of harmonic minor`;
    case "secondary-dominant":
      return soundOf(what.of) === soundOf(home)
        ? `the dominant of ${noteText(home)}`
        : `a secondary dominant: the dominant of ${noteText(what.of)}, ${what.resolves ? "and it goes there" : "but it goes elsewhere"}`;
    case "secondary-two":
      return `the ii of ${noteText(what.of)}, before its V`;
    case "tritone-substitute":
      return `a tritone substitute: it stands for the dominant of ${noteText(what.of)}`;
    case "backdoor":
      return `the backdoor dominant: ♭VII7, home to ${noteText(home)}`;
    case "leading-diminished":
      return `a diminished chord that leads up to ${noteText(what.of)}`;
    case "common-tone-diminished":
      return `a common-tone diminished chord: it shares ${noteText(what.of)} with the next`;
    case "passing-diminished":
      return "a passing diminished chord, a half step down to the next";
    case "neapolitan":
      return `the Neapolitan: the major chord on ♭2 before the dominant`;
    case "andalusian":
      return "part of an Andalusian cadence";
    case "line-cliche":
      return `part of a line cliché: ${what.line.map(noteText).join(" ")}`;
    case "picardy":
      return `a Picardy third: the major chord of ${noteText(home)} at the end`;
    case "borrowed-iv":
      return "the minor iv, borrowed from the minor key";
    case "borrowed":
      return `borrowed from ${homeModeText({ home, mode: what.from })}`;
    case "passing":
      return "passing, between chords of the mode";
  }
}

/** The way of a guide line: "G stays", "D falls to C♯, a half step", "E begins the line". */
export function guideText({ note, role, move }: GuideTone, before: GuideTone | undefined): string {
  const noteAndRole = `${noteText(note)}, the ${roleText(role)}`;
  if (move === undefined || !before) return noteAndRole;
  if (move === 0) return `${noteAndRole}, stays`;
  const far =
    Math.abs(move) === 1
      ? "a half step"
      : Math.abs(move) === 2
        ? "a whole step"
        : `${Math.abs(move)} half steps`;
  return `${noteText(before.note)} ${move < 0 ? "falls" : "rises"} ${far} to ${noteAndRole}`;
}

/** "E minor pentatonic, bars 1 to 8; add C♯ and F♯ here for all of E Dorian". */
export function simpleScaleText(
  { scale, from, to, within, add, isBlues }: SimpleScale,
  chords: readonly ChartChord[],
): string {
  const [first, last] = [chords[from]?.bar ?? 0, chords[to]?.bar ?? 0];
  const where = first === last ? `bar ${first}` : `bars ${first} to ${last}`;
  const name = homeModeText(scale);
  if (isBlues)
    return `${name} or ${noteText(scale.home)} blues, ${where}, against the major third of the chords`;
  return `${name}, ${where}${add.length === 0 ? "" : `; add ${listedNotes(add)} here for all of ${homeModeText(within)}`}`;
}

/** "Am7, adds G": an arpeggio that stands in for a chord. */
export const standInText = ({ chord, added, avoid }: StandIn): string =>
  [
    chordText(chord),
    ...(added.length === 0 ? [] : [`adds ${listedNotes(added)}`]),
    ...(avoid.length === 0 ? [] : [`${listedNotes(avoid)} only in passing`]),
  ].join(", ");

/** A place of a chart for those who cannot see it: "Bar 2, A13, IV, in E Dorian". */
export function placeInChartText(
  { bar, symbol, chord }: ChartChord,
  roman: string,
  homeMode: HomeMode | undefined,
): string {
  const read = chord || symbol === "N.C." ? roman : "not read";
  const within = chord && homeMode ? `in ${homeModeText(homeMode)}` : "";
  return [`Bar ${bar}`, symbolText(symbol), read, within].filter((part) => part !== "").join(", ");
}

/** What is set by hand: "E Dorian", "home E", "Dorian on any home". */
export function lockText({ home, mode }: NonNullable<ChartChord["lock"]>): string {
  if (home !== undefined && mode) return homeModeText({ home, mode });
  if (home !== undefined) return `home ${noteText(home)}`;
  return mode ? `${modeText(mode)} on any home` : "nothing";
}

/** The ways to write chords for a mode. */
export const WRITING_TEXT: Readonly<Record<Writing, string>> = {
  vamp: "Back and forth",
  pedal: "Over a home pedal",
  full: "The mode as one chord",
  "chord-pairs": "Two chords that make the mode",
  fourths: "Fourths up the scale, for comping over the whole neck",
};

/** "all of the mode", "without E and C". */
export const missingText = (missing: readonly Fifths[]): string =>
  missing.length === 0 ? "all of the mode" : `without ${listedNotes(missing)}`;

/** "D at fret 5: 5 5 5": a chord and the frets it is taken at, unplayed strings left out. */
export function fretsText({ root }: Chord, frets: readonly (number | null)[]): string {
  const played = frets.filter((fret) => fret !== null);
  return `${noteText(root)}: ${played.join(" ")}`;
}

/** What a chart is saved as. */
export const SAVED_AS_TEXT = {
  chordpro: "ChordPro",
  text: "Plain text",
  musicxml: "MusicXML",
  midi: "MIDI",
} as const;

/** Who a chart is written out for. */
export const WRITTEN_FOR_TEXT = {
  chords: "the chords alone",
  keyboard: "a keyboard",
  strings: "four bowed strings",
} as const;

/** The parts of an ensemble. */
export const ENSEMBLE_PART_TEXT: Readonly<Record<EnsemblePart["id"], string>> = {
  "right-hand": "Right hand",
  "left-hand": "Left hand",
  "violin-1": "Violin 1",
  "violin-2": "Violin 2",
  viola: "Viola",
  cello: "Cello",
};

export const ANALYSIS_SAYS =
  "What is shown under the chords, and the scales that modes are taken from. What you set by hand always counts.";

export const NO_CHORD_YET = "No chord can be read yet. The line under the chart says what would work.";

export const NO_MODE_ON_ROOT = "no mode in the catalogue on this root";

export const EMPTY_CHART =
  "Type chords as you would write them: bars between bar lines, or each chord a bar of its own; repeats, endings, slash beats and sections as on paper. Try one:";

export const CHART_FILES_SAY =
  "Open a chart from a file, or save this one as a file. The chart you have here stays under Recent.";

export const CHART_FILES_OPEN =
  "ChordPro, plain text, MusicXML with chord symbols, or MIDI: its chords are named from its notes. Or drop a file on the view.";

export const WRITTEN_OUT_SAYS = "The same chords, voiced for others inside their ranges.";

export const CHORDS_FOR_MODE_SAY =
  "Press chords to hear them, see them on the stage and put them into the chart. What is missing of the mode stands beside them.";

/** What a chord shape over a bass that stays comes to. */
export const bassStaysText = (home: Fifths): string =>
  `The bass stays on ${noteText(home)}. Each place of the chord shape above it brings out another mode, from bright to dark.`;

/** While two modes alternate: the one that sounds. */
export const nowHeardText = (homeMode: HomeMode): string => `Now ${homeModeText(homeMode)}`;

/** Of a chart in numerals. */
export const NUMERALS_ASK = "These are numerals. They count from";
export const NUMERALS_TAKE = "Write them as chords";
