import {
  COMFORTABLE_STRETCH,
  ENSEMBLES,
  type EnsemblePart,
  laidOutFor,
  parallel,
  unresolved,
} from "../instrument";
import { midiOf, type Pitch } from "../pitch";
import { characteristicOn, type HomeMode } from "../scale";
import { soundingAt, type Tune, type TuneNote, type TuneVoice } from "../tune";

import type { Arrangement } from "./arrangement";
import { type GuitarGrip, guitarGrips, underMelody } from "./guitar";

/** A rule of voice leading that was broken, from one chord to the next. */
export interface PartFault {
  readonly code:
    | "parallel-fifths"
    | "parallel-octaves"
    | "above-melody"
    | "seventh"
    | "leading-tone"
    | "wide-stretch"
    | "no-grip";
  /** Place of the bar in which it happens. */
  readonly bar: number;
  /** The voices, from 0, the melody. */
  readonly voices: readonly [number, number];
}

/** A tune with its chords written out for those who play them. */
export interface Arranged {
  readonly tune: Tune;
  readonly faults: readonly PartFault[];
  /** How a guitarist holds each chord under the melody. */
  readonly grips?: readonly GuitarGrip[];
}

/** Half steps that a part keeps at least between its lowest and highest note, however low the melody goes. */
const LEAST_SPAN = 14;

/** The same for the hand that plays chords: room for three notes to go their ways. */
const HAND_SPAN = 21;

/** Hands reach below where they usually play, under a low melody; as far as chords are clear (C3), as a MIDI number. */
const LOWEST_HAND = 48;

/** The parts under a melody, none of them above its lowest notes where they have room below. */
function partsUnder(melody: readonly TuneNote[], arrangement: Exclude<Arrangement, "none" | "guitar">) {
  const lowest = melody.reduce((low, { pitch }) => Math.min(low, midiOf(pitch)), Infinity);
  const all: readonly EnsemblePart[] =
    arrangement === "keyboard" ? ENSEMBLES.keyboard : ENSEMBLES.strings.slice(1);
  return all.map((part) => {
    const high = Math.min(part.high, lowest - 1);
    const low =
      part.id === "right-hand" ? Math.min(part.low, Math.max(LOWEST_HAND, high - HAND_SPAN)) : part.low;
    return { ...part, low, high: Math.max(low + LEAST_SPAN, high) };
  });
}

/**
 * The chords of a tune written out under its melody, led from one to the next: no part leaves its range, sevenths and leading
 * tones resolve, there are no parallel fifths and octaves. What could not be avoided is listed.
 *
 * @param homeMode its characteristic notes aren’t left out where a chord has them
 * @example arrange(tune, "strings").tune.voices // melody, violin 2, viola, cello
 */
export function arrange(tune: Tune, arrangement: Arrangement, homeMode?: HomeMode): Arranged {
  const { chords = [], notes } = tune;
  if (arrangement === "none" || chords.length === 0 || notes.length === 0) return { tune, faults: [] };
  if (arrangement === "guitar") return onGuitar(tune);
  const parts = partsUnder(notes, arrangement);
  const laid = laidOutFor(
    chords.map(({ chord }) => chord),
    parts,
    chords.map(({ onset }) => soundingAt(notes, onset)?.pitch),
    new Set(homeMode && characteristicOn(homeMode)),
  );
  const beneath = chords.flatMap(({ onset, duration, bar }, nth): readonly TuneNote[] => {
    const pitches = laid[nth] ?? [];
    let at = 0;
    return parts.flatMap((part, voice) => {
      const partPitches = pitches.slice(at, at + part.voices);
      at += part.voices;
      return partPitches.map((pitch) => ({ pitch, onset, duration, bar, from: 0, to: 0, voice: voice + 1 }));
    });
  });
  const voices: readonly TuneVoice[] = [
    { name: "", clef: "treble", staff: 0 },
    ...parts.map(({ clef }, nth): TuneVoice => ({ name: "", clef, staff: nth + 1 })),
  ];
  return {
    tune: { ...tune, beneath, voices },
    faults: faultsIn(tune, laid),
  };
}

/** Melody and chords on one guitar, on one staff; wide stretches and chords without a grip are told. */
function onGuitar(tune: Tune): Arranged {
  const { chords = [] } = tune;
  const grips = guitarGrips(tune);
  const gripOnsets = new Set(grips.map(({ onset }) => onset));
  return {
    tune: {
      ...tune,
      beneath: grips.flatMap((grip) => {
        const { onset, duration, bar } = grip;
        return underMelody(grip).map((pitch) => ({ pitch, onset, duration, bar, from: 0, to: 0, voice: 1 }));
      }),
      voices: [
        { name: "", clef: "treble-8", staff: 0 },
        { name: "", clef: "treble-8", staff: 0 },
      ],
    },
    grips,
    faults: [
      ...grips.flatMap(({ stretchMm, bar }): PartFault[] =>
        stretchMm > COMFORTABLE_STRETCH ? [{ code: "wide-stretch", bar, voices: [0, 1] }] : [],
      ),
      ...chords.flatMap(({ onset, bar }): PartFault[] =>
        gripOnsets.has(onset) ? [] : [{ code: "no-grip", bar, voices: [0, 1] }],
      ),
    ],
  };
}

function faultsIn(
  { notes, chords = [] }: Tune,
  laid: readonly (readonly Pitch[] | undefined)[],
): readonly PartFault[] {
  const faults: PartFault[] = [];
  let before: readonly (number | undefined)[] = [];
  for (const [nth, { onset, bar, chord }] of chords.entries()) {
    const melody = soundingAt(notes, onset);
    const now = [melody && midiOf(melody.pitch), ...(laid[nth] ?? []).map(midiOf)];
    for (const [high, upper] of now.entries())
      for (const [low, lower] of now.entries()) {
        if (low <= high || upper === undefined || lower === undefined) continue;
        if (high === 0 && lower > upper) faults.push({ code: "above-melody", bar, voices: [high, low] });
        const [was, wasLow] = [before[high], before[low]];
        if (was === undefined || wasLow === undefined) continue;
        const found = parallel([was, wasLow], [upper, lower]);
        if (found) faults.push({ code: `parallel-${found}`, bar, voices: [high, low] });
      }
    const was = chords[nth - 1];
    for (const [part, pitch] of (laid[nth - 1] ?? []).entries()) {
      const next = laid[nth]?.[part];
      // The melody is above them all.
      const pull = was && next && unresolved(pitch, midiOf(next) - midiOf(pitch), was.chord, chord, false);
      if (pull) faults.push({ code: pull, bar, voices: [part + 1, part + 1] });
    }
    before = now;
  }
  return faults;
}
