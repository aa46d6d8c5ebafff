import { atom, computed } from "nanostores";
import { type Chart, type Chord, chordNotes, coloursOver } from "@/core/chord";
import { GUITAR } from "@/core/instrument";
import type { Fifths } from "@/core/pitch";
import { guideTonesOf, targetNotes } from "@/core/progression";
import { colourOn, colourSwap, type HomeMode, type Telling } from "@/core/scale";
import { chartScore } from "@/audio";
import {
  $mark,
  $placeMode,
  $playing,
  $schools,
  $settings,
  $tuning,
  chordShape,
  type Selection,
  selects,
} from "@/session";
import { type Held, heldSelection, holding } from "@/shell/held";
import { shapeTones } from "@/shell/shape";
import { $inHand } from "./in-hand";
import { $charted } from "./read";
import { $matchShow, MATCH } from "./route";

/** Chords for a mode that are selected, and the line of the chart that they would be. */
export const written = holding<Held & { readonly line: string }>($placeMode);

/** A place of the shape that is selected. */
export const overBass = holding($placeMode);

/** The name under which the colours over a bass are played. */
export const WALK = "colours";

/** The seven colours that the shape makes over the bass. */
export const $colours = computed([$placeMode, chordShape.$value, $tuning], ({ home }, { text }, tuning) =>
  coloursOver(home, shapeTones(text, tuning ?? GUITAR)),
);

/** The colour that sounds while they are played in a row. */
export const $heardColour = computed([$colours, $playing, $mark], (colours, playing, mark) =>
  playing === WALK && mark !== undefined ? colours[mark] : undefined,
);

/** An arpeggio that is shown in place of the tones of a chord in a chart. */
const $standIn = atom<{ readonly chart: Chart; readonly at: number; readonly chord: Chord } | undefined>();

export function showArpeggio(chord: Chord | undefined): void {
  const { chosen: at } = $inHand.get();
  $standIn.set(chord && { chart: $charted.get().chart, at, chord });
}

/** The chord that is selected in a chart, under its mode. */
export interface OnChart {
  readonly chart: Chart;
  readonly at: number;
  readonly homeMode: HomeMode;
  readonly targets: readonly Fifths[];
  /** An arpeggio that is shown in place of the chord's own tones. */
  readonly arpeggio: Chord | undefined;
}

/** What the chart shows as selected. */
export const $onChart = computed(
  [$charted, $inHand, $standIn, $schools],
  ({ chart }, { chosen: at, segment }, standIn, schools): OnChart | undefined => {
    if (!segment) return undefined;
    const { homeMode } = segment;
    const arpeggio = standIn?.chart === chart && standIn.at === at ? standIn.chord : undefined;
    return { chart, at, homeMode, targets: targetNotes(chart, at, homeMode, schools), arpeggio };
  },
);

function chartSelection({ chart, at, homeMode, targets, arpeggio }: OnChart, telling: Telling): Selection {
  const chord = chart.chords[at]?.chord;
  const before = chart.chords.slice(0, at).findLast((each) => each.chord)?.chord;
  return {
    homeMode,
    lit: targets.length > 0 ? targets.slice(0, 1) : colourOn(homeMode, telling),
    unknown: [],
    targets: arpeggio ? chordNotes(arpeggio) : chord ? chordNotes(chord) : [],
    way: chord && before ? { from: guideTonesOf(before), to: guideTonesOf(chord) } : undefined,
    chord,
    swap: colourSwap(homeMode.mode, telling),
    play: { code: "chords", score: chartScore(chart) },
  };
}

const $writtenSelection = computed([$placeMode, written.$held, $settings], (homeMode, held, settings) =>
  heldSelection(homeMode, held, settings, settings.drone),
);

const $bassSelection = computed(
  [$placeMode, overBass.$held, $heardColour, $settings],
  (homeMode, held, heard, settings): Selection => {
    const selection = heldSelection(homeMode, held, settings, settings.drone);
    if (!heard) return selection;
    // While the colours are walked through, the stage shows the one that sounds.
    const chord = heard.place?.name;
    return {
      ...heldSelection(heard.homeMode, undefined, settings, settings.drone),
      targets: chord ? chordNotes(chord) : [],
      chord,
      play: selection.play,
    };
  },
);

const $chartSelection = computed([$onChart, $placeMode, $settings], (on, homeMode, settings) =>
  on ? chartSelection(on, settings) : heldSelection(homeMode, undefined, settings, settings.drone),
);

selects(
  MATCH,
  computed(
    [$matchShow, $chartSelection, $writtenSelection, $bassSelection],
    (show, chart, ofMode, ofBass) => ({ chart, write: ofMode, "over-bass": ofBass })[show],
  ),
);
