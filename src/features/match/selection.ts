import { atom, computed } from "nanostores";
import { type Chart, type Chord, chordNotes, modesOverBass } from "@/core/chord";
import { GUITAR } from "@/core/instrument";
import type { Fifths } from "@/core/pitch";
import { type ChartAnalysis, type Decision, guideTonesOf, targetNotes } from "@/core/progression";
import { characteristicOn, characteristicSwap, type HomeMode, type ReferenceChoice } from "@/core/scale";
import { chartScore } from "@/audio";
import { $mark, $placeMode, $playing, $settings, $tuning, type Selection, selects } from "@/session";
import { chordShape } from "@/shell/shape/shape-document";
import { chartDocument } from "./chart-document";
import { type SelectedChords, selectionOf, selecting } from "@/shell/selected";
import { shapeTones } from "@/shell/shape";
import { chartAnswerText, chordPlaceText } from "@/words";
import { $selected } from "./selected";
import { $analysed, $answerState, $open } from "./analysed";
import { $matchShow, MATCH } from "./route";

/** Chords for a mode that are selected, and the line of the chart that they would be. */
export const written = selecting<SelectedChords & { readonly line: string }>($placeMode);

/** A place of the shape that is selected. */
export const overBass = selecting($placeMode);

/** The name under which the modes over a bass are played. */
export const WALK = "bassModes";

/** The seven modes that the shape makes over the bass. */
export const $bassModes = computed([$placeMode, chordShape.$value, $tuning], ({ home }, { text }, tuning) =>
  modesOverBass(home, shapeTones(text, tuning ?? GUITAR)),
);

/** The one that sounds while they are played in a row. */
export const $heardMode = computed([$bassModes, $playing, $mark], (bassModes, playing, mark) =>
  playing === WALK && mark !== undefined ? bassModes[mark] : undefined,
);

/** An arpeggio that is shown in place of the tones of a chord in a chart. */
const $standIn = atom<{ readonly chart: Chart; readonly at: number; readonly chord: Chord } | undefined>();

export function showArpeggio(chord: Chord | undefined): void {
  const { chosen: at } = $selected.get();
  $standIn.set(chord && { chart: $analysed.get().chart, at, chord });
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
  [$analysed, $selected, $standIn],
  ({ chart }, { chosen: at, segment }, standIn): OnChart | undefined => {
    if (!segment) return undefined;
    const { homeMode } = segment;
    const arpeggio = standIn?.chart === chart && standIn.at === at ? standIn.chord : undefined;
    return { chart, at, homeMode, targets: targetNotes(chart, at, homeMode), arpeggio };
  },
);

function chartSelection(
  { chart, at, homeMode, targets, arpeggio }: OnChart,
  conventions: ReferenceChoice,
  title: string,
  analysis: ChartAnalysis | undefined,
  open: Decision | undefined,
): Selection {
  const chord = chart.chords[at]?.chord;
  const before = chart.chords.slice(0, at).findLast((each) => each.chord)?.chord;
  return {
    homeMode,
    characteristic: characteristicOn(homeMode),
    unknown: [],
    chordTones: arpeggio ? chordNotes(arpeggio) : chord ? chordNotes(chord) : [],
    targetNotes: targets.slice(0, 1),
    way: chord && before ? { from: guideTonesOf(before), to: guideTonesOf(chord) } : undefined,
    chord,
    swap: characteristicSwap(homeMode.mode, conventions),
    play: { code: "chords", score: chartScore(chart), meter: chart.bars[0]?.meter },
    subject: title === "" ? undefined : title,
    said: [
      ...(analysis ? [chartAnswerText(analysis, chart, open)] : []),
      chordPlaceText(chart.chords[at], homeMode),
    ],
  };
}

const $writtenSelection = computed(
  [$placeMode, written.$selectedChords, $settings],
  (homeMode, selected, settings) => selectionOf(homeMode, selected, settings, settings.drone),
);

const $bassSelection = computed(
  [$placeMode, overBass.$selectedChords, $heardMode, $settings],
  (homeMode, selected, heard, settings): Selection => {
    const selection = selectionOf(homeMode, selected, settings, settings.drone);
    if (!heard) return selection;
    // While the modes are walked through, the stage shows the one that sounds.
    const chord = heard.place?.name;
    return {
      ...selectionOf(heard.homeMode, undefined, settings, settings.drone),
      chordTones: chord ? chordNotes(chord) : [],
      chord,
      play: selection.play,
    };
  },
);

const $title = computed(chartDocument.$value, ({ title }) => title);
const $analysis = computed($selected, ({ analysis }) => analysis);

const $chartSelection = computed(
  [$onChart, $placeMode, $settings, $title, $analysis, $open, $answerState],
  (on, homeMode, settings, title, analysis, open, answer): Selection => ({
    ...(on
      ? chartSelection(on, settings, title, analysis, open)
      : selectionOf(homeMode, undefined, settings, settings.drone)),
    answer,
  }),
);

selects(
  MATCH,
  computed(
    [$matchShow, $chartSelection, $writtenSelection, $bassSelection],
    (show, chart, ofMode, ofBass) => ({ chart, write: ofMode, "over-bass": ofBass })[show],
  ),
);
