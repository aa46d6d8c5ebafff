import { useStore } from "@nanostores/react";
import { useMemo } from "react";
import {
  type Instrument,
  type Move,
  movesFrom,
  namesOf,
  nearestWays,
  type Moves,
  type NeckNote,
  neckNotes,
  pitchesOfVoicing,
  type Place,
  type Position,
  type Tuning,
  type Voicing,
  withMode,
} from "@/core/instrument";
import { type Chord, chordNotes } from "@/core/chord";
import { type Interval, midiOf, modulo, type Pitch, pitchAt, soundOf } from "@/core/pitch";
import { type HomeMode, mode as modeById, reference, type Swap, withSwapped } from "@/core/scale";
import {
  $chord,
  $division,
  $instrument,
  $isSwapHeard,
  $line,
  $position,
  $selection,
  $settings,
  $tuning,
  $voicings,
  fingeredNotes,
} from "@/session";
import type { Settings } from "@/storage";
import { type NeckMarker, type NeckView, soundAt, viewOf } from "@/kit/neck";
import { useConventions } from "@/session/settings/useConventions";
import { chordText, degreeText, homeModeText, noteText, type Conventions, solfegeNote } from "@/words";

/** A note that the stage shows, in playing order; on a keyboard or a staff without a place on a neck. */
export interface ShownNote {
  readonly pitch: Pitch;
  readonly interval: Interval;
  readonly finger?: number | undefined;
  readonly place?: Place | undefined;
}

/** What the stage shows, whatever it shows it on. */
export interface Shown {
  readonly title: string;
  readonly instrument: Instrument;
  readonly tuning: Tuning | undefined;
  readonly homeMode: HomeMode;
  readonly notes: readonly ShownNote[];
  readonly markers: readonly NeckMarker[];
  readonly silent: readonly number[];
  readonly position: Position | undefined;
  readonly moves: Moves | undefined;
  /** The nearest ways to the tones of the selected chord from those of the one before. */
  readonly ways: readonly Move[];
  /** The neck is too short for the line that is asked for. */
  readonly hasNoRoom: boolean;
}

const NONE: readonly never[] = [];

/** What stands on a marker. */
export function labelOf(
  { pitch, interval, finger }: Pick<ShownNote, "pitch" | "interval" | "finger">,
  homeMode: HomeMode,
  labels: Settings["labels"],
  conventions: Conventions,
): string {
  switch (labels) {
    case "notes":
      return noteText(pitch.name);
    case "degrees":
      return degreeText(interval);
    case "syllables":
      return solfegeNote(pitch.name, homeMode, conventions.syllables);
    case "fingers":
      return finger === undefined ? "" : String(finger);
    case "none":
      return "";
  }
}

/** An octave of the mode from a home in the middle of the instrument, home again at the top. */
function octaveOf({ home, mode }: HomeMode, from: number): readonly ShownNote[] {
  const low = from + modulo(soundOf(home) - from, 12);
  const up = mode.intervals.map((interval): ShownNote => {
    const above = modulo(soundOf(home + interval) - soundOf(home), 12);
    return { pitch: pitchAt(low + above, home + interval), interval };
  });
  return [...up, { pitch: pitchAt(low + 12, home), interval: 0 }];
}

/** Keys on which the whole of a mode is shown: four octaves round the middle. */
const WHOLE_KEYS = [36, 83] as const;

/** Every note of a mode on the keys. */
export function wholeOnKeys(homeMode: HomeMode): readonly ShownNote[] {
  const named = namesOf(homeMode);
  return Array.from({ length: WHOLE_KEYS[1] - WHOLE_KEYS[0] + 1 }, (_, at) => WHOLE_KEYS[0] + at).flatMap(
    (midi) => {
      const pitch = named(midi);
      return pitch ? [{ pitch, interval: pitch.name - homeMode.home }] : [];
    },
  );
}

/** Where the octave on a keyboard and a staff begins: C4, or C2 for a bass. */
const octaveFrom = ({ clef }: Instrument): number => (clef === "bass" ? 36 : 60);

const isSamePlace = (one: Place) => (other: Place) => one.string === other.string && one.fret === other.fret;

/** Markers for the selected notes; for a mode the rest of the neck too. */
function markersFor(
  shown: readonly ShownNote[],
  rest: readonly NeckNote[],
  label: (note: ShownNote) => string,
  marks: (note: ShownNote) => Pick<NeckMarker, "isInner" | "isShift">,
): readonly NeckMarker[] {
  const hand = new Map<string, NeckMarker>();
  for (const note of shown) {
    if (!note.place) continue;
    const { string, fret } = note.place;
    const key = `${string}/${fret}`;
    const isShift = hand.get(key)?.isShift === true || marks(note).isShift;
    hand.set(key, {
      string,
      fret,
      pitch: note.pitch,
      interval: note.interval,
      label: label(note),
      selected: true,
      ...marks(note),
      isShift,
    });
  }
  const others = rest
    .filter(({ string, fret }) => !hand.has(`${string}/${fret}`))
    .map((note): NeckMarker => ({ ...note, label: label({ ...note, finger: undefined }), selected: false }));
  return [...others, ...hand.values()];
}

/** The notes of a voicing by name, from the string that lies lowest. */
function voicingNotes(voicing: Voicing, chord: Chord, homeMode: HomeMode): readonly ShownNote[] {
  const strings = voicing.frets.flatMap((fret, at) =>
    fret === null
      ? []
      : [{ place: { string: voicing.frets.length - at, fret }, finger: voicing.fingers[at] ?? 0 }],
  );
  return pitchesOfVoicing(withMode(chord, homeMode), voicing).map((pitch, at): ShownNote => ({
    pitch,
    interval: pitch.name - homeMode.home,
    ...strings[at],
  }));
}

/** A chord close together from its bass up, for instruments without strings. */
function closeChord(
  names: readonly number[],
  bass: number,
  home: number,
  from: number,
): readonly ShownNote[] {
  const low = from + modulo(soundOf(bass) - from, 12);
  return names
    .map((name) => ({ name, midi: low + modulo(soundOf(name) - soundOf(bass), 12) }))
    .sort((a, b) => a.midi - b.midi)
    .map(({ name, midi }) => ({ pitch: pitchAt(midi, name), interval: name - home }));
}

/** Frets that are drawn beside the hand, and the most that it may reach over to be drawn alone. */
const BESIDE = 1;
const WIDEST = 8;

/** The part of the neck that the hand covers, drawn as wide as is asked; undefined where it is no hand's. */
export function nearView({ tuning, markers }: Shown, isLeft: boolean, width: number): NeckView | undefined {
  const frets = markers.flatMap(({ selected, fret }) => (selected ? [fret] : []));
  const [low, high] = [Math.min(...frets), Math.max(...frets)];
  if (!tuning || frets.length === 0 || high - low > WIDEST) return undefined;
  return viewOf(tuning, low - BESIDE, high + BESIDE, isLeft, width);
}

/** What the stage shows now: follows selection, instrument and settings, and the swap while it sounds. */
export function useShown(): Shown {
  const { swap } = useStore($selection);
  const isSwapHeard = useStore($isSwapHeard);
  const { labels } = useStore($settings);
  const conventions = useConventions();
  const shown = useUnswapped();
  return useMemo(
    () =>
      isSwapHeard && swap
        ? withSwapShown(shown, swap, (note, homeMode) => labelOf(note, homeMode, labels, conventions))
        : shown,
    [isSwapHeard, swap, shown, labels, conventions],
  );
}

/** A place for a note a half step away: on its string, or where an open string can't be lowered, on the string below. */
function placeBeside({ string, fret }: Place, by: number, tuning: Tuning): Place {
  if (fret + by >= tuning.capo) return { string, fret: fret + by };
  const below = string + 1;
  return {
    string: below,
    fret: soundAt(tuning, { string, fret }) + by - soundAt(tuning, { string: below, fret: 0 }),
  };
}

/** What is shown with one note of the mode swapped for its neighbour, wherever it stands. */
export function withSwapShown(
  shown: Shown,
  { from, to }: Pick<Swap, "from" | "to">,
  label: (note: ShownNote, homeMode: HomeMode) => string,
): Shown {
  const { home, mode } = shown.homeMode;
  const homeMode: HomeMode = { home, mode: withSwapped(mode, { from, to }) };
  const by = Math.round((to - from) / 7);
  const beside = <T extends Pick<ShownNote, "pitch" | "interval">>(note: T): T =>
    note.interval === from
      ? { ...note, pitch: pitchAt(midiOf(note.pitch) + by, home + to), interval: to }
      : note;
  const { tuning } = shown;
  return {
    ...shown,
    title: `${shown.title}, ${noteText(home + to)} for ${noteText(home + from)}`,
    homeMode,
    moves: undefined,
    ways: NONE,
    notes: shown.notes.map((note) =>
      note.interval !== from || !note.place || !tuning
        ? beside(note)
        : { ...beside(note), finger: undefined, place: placeBeside(note.place, by, tuning) },
    ),
    markers: shown.markers.map((marker) => {
      if (marker.interval !== from || !tuning) return marker;
      const moved = { ...beside(marker), ...placeBeside(marker, by, tuning) };
      return { ...moved, label: label(moved, homeMode) };
    }),
  };
}

function useUnswapped(): Shown {
  const { homeMode, way } = useStore($selection);
  const settings = useStore($settings);
  const instrument = useStore($instrument);
  const tuning = useStore($tuning);
  const position = useStore($position);
  const line = useStore($line);
  const selected = useStore($chord);
  const voicings = useStore($voicings);
  const division = useStore($division);
  const conventions = useConventions();
  const { labels, easier, known } = settings;
  const chord = voicings?.chord ?? selected;
  const voicing = voicings?.shown;

  return useMemo((): Shown => {
    const base = {
      instrument,
      tuning,
      homeMode,
      silent: [],
      position: undefined,
      moves: undefined,
      ways: NONE,
      hasNoRoom: false,
    };
    const label = (note: ShownNote) => labelOf(note, homeMode, labels, conventions);
    const plain = () => ({});
    const all = tuning ? neckNotes(tuning, homeMode) : [];
    const title = homeModeText(homeMode);
    if (division === "voicing") {
      const names = chordNotes(chord);
      if (!tuning) {
        const notes = closeChord(names, chord.bass ?? chord.root, homeMode.home, octaveFrom(instrument));
        return { ...base, title: chordText(chord), notes, markers: [] };
      }
      const notes = voicing ? voicingNotes(voicing, chord, homeMode) : [];
      const silent =
        voicing?.frets.flatMap((fret, at) => (fret === null ? [voicing.frets.length - at] : [])) ?? [];
      return {
        ...base,
        title: chordText(chord),
        notes,
        silent,
        markers: markersFor(notes, [], label, plain),
      };
    }
    if (division === "line") {
      const notes = (line ?? []).map(({ pitch, finger, place }): ShownNote => ({
        pitch,
        interval: pitch.name - homeMode.home,
        finger,
        place,
      }));
      const shifts = (note: ShownNote) => ({
        isShift: line?.some(
          ({ place }) =>
            place?.isShift === true && note.place !== undefined && isSamePlace(note.place)(place),
        ),
      });
      return {
        ...base,
        title,
        notes,
        markers: markersFor(notes, all, label, shifts),
        hasNoRoom: line === undefined,
      };
    }
    if (division === "position" && tuning && position) {
      const notes = fingeredNotes(position, easier);
      const from =
        known === "none"
          ? undefined
          : known === "reference"
            ? reference(homeMode.mode, conventions.reference).mode
            : modeById(known);
      const shown = notes.map((note): ShownNote => ({ ...note, place: note }));
      const marks = (note: ShownNote) => {
        const sameNote = notes.find((each) => note.place !== undefined && isSamePlace(note.place)(each));
        return { isInner: sameNote?.isFrame === false, isShift: sameNote?.isShift };
      };
      return {
        ...base,
        title,
        position,
        notes: shown,
        markers: markersFor(shown, all, label, marks),
        moves: from && from !== homeMode.mode ? movesFrom(tuning, from, homeMode, notes) : undefined,
        ways: way ? nearestWays(notes, way.from, way.to) : NONE,
      };
    }
    const hasPosition = division === "position" && tuning !== undefined;
    return {
      ...base,
      title,
      notes: octaveOf(homeMode, octaveFrom(instrument)),
      markers: all.map((note) => ({ ...note, label: label(note), selected: !hasPosition })),
      hasNoRoom: hasPosition,
    };
  }, [
    homeMode,
    way,
    instrument,
    tuning,
    position,
    line,
    chord,
    voicing,
    conventions,
    division,
    labels,
    easier,
    known,
  ]);
}
