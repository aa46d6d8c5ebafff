import { useStore } from "@nanostores/react";
import { useEffect } from "react";
import { type Chart, type Chord, chordNotes } from "@/core/chord";
import type { Fifths } from "@/core/pitch";
import { guideTonesOf } from "@/core/progression";
import { colourOn, colourSwap, type HomeMode } from "@/core/scale";
import { chartScore } from "@/audio";
import { $heardPlaces, $mark, $playing, $ready, $selection, MAIN, setPlace } from "@/session";
import { useSchools } from "@/session/useSchools";

interface OnStage {
  readonly chart: Chart;
  readonly text: string;
  readonly chosen: number;
  readonly homeMode: HomeMode | undefined;
  readonly targets: readonly Fifths[];
  /** An arpeggio that is shown in place of the chord's own tones. */
  readonly arpeggio: Chord | undefined;
}

/** Puts the chord in hand on the stage: its mode, its targets, the way to them from the chord before; the address follows. */
export function useOnStage({ chart, text, chosen, homeMode, targets, arpeggio }: OnStage): void {
  const isReady = useStore($ready);
  const schools = useSchools();
  const chord = chart.chords[chosen]?.chord;
  useEffect(() => {
    if (!isReady || !homeMode) return;
    const before = chart.chords.slice(0, chosen).findLast((each) => each.chord)?.chord;
    $selection.set({
      homeMode,
      lit: targets.length > 0 ? targets.slice(0, 1) : colourOn(homeMode, schools),
      unknown: [],
      targets: arpeggio ? chordNotes(arpeggio) : chord ? chordNotes(chord) : [],
      way: chord && before ? { from: guideTonesOf(before), to: guideTonesOf(chord) } : undefined,
      chord,
      swap: colourSwap(homeMode.mode, schools),
      play: { code: "chords", score: chartScore(chart) },
    });
  }, [isReady, homeMode, chart, chosen, chord, targets, arpeggio, schools]);
  useEffect(() => {
    if (!isReady || !homeMode) return undefined;
    const timer = setTimeout(() => setPlace({ ...homeMode, chords: text }), 250);
    return () => clearTimeout(timer);
  }, [isReady, homeMode, text]);
}

/** While the chart is heard, or a stretch of it, the chord that sounds is taken in hand. */
export function useFollowing(
  isOn: boolean,
  { order }: Chart,
  choose: (at: number, extends_: boolean) => void,
): void {
  useEffect(() => {
    if (!isOn) return undefined;
    return $mark.listen((mark) => {
      const places = $playing.get() === MAIN ? order : $heardPlaces.get();
      const next = mark === undefined ? undefined : places[mark];
      if (next !== undefined) choose(next, false);
    });
  }, [isOn, order, choose]);
}
