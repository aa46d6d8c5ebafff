import { atom, computed, onMount, type ReadableAtom } from "nanostores";
import type { Chord } from "@/core/chord";
import type { Voicing } from "@/core/instrument";
import type { Fifths, Interval } from "@/core/pitch";
import { mode as modeById, type HomeMode } from "@/core/scale";
import type { Meter } from "@/core/tune";
import type { Score } from "@/audio";
import type { AnswerState } from "../records/answering";

/** What the stage is about: a mode, the notes lit in it, the chord tones to aim for, and what Play plays. */
export interface Selection {
  readonly homeMode: HomeMode;
  /** Characteristic notes: amber and notched. */
  readonly characteristic: readonly Fifths[];
  /** Notes never heard, whose form in the mode is open: shown with open stripes. */
  readonly unknown: readonly Fifths[];
  /** Chord tones, with an outline inside; none where no chord is selected. */
  readonly chordTones: readonly Fifths[];
  /** Notes that are new in the selected chord, with an outline outside. */
  readonly targetNotes: readonly Fifths[];
  /** The guide tones of the chord before and of this one: the stage shows the nearest way between them. */
  readonly way?: { readonly from: readonly Fifths[]; readonly to: readonly Fifths[] } | undefined;
  /** The chord that is selected: its voicings are what the stage offers. */
  readonly chord?: Chord | undefined;
  /** How the selected chord is held on the guitar, where the view in front says so. */
  readonly fingered?: Voicing | undefined;
  /** The characteristic note and its ordinary neighbour, to be swapped while it sounds. */
  readonly swap?: { readonly from: Interval; readonly to: Interval } | undefined;
  readonly play: Playable;
  /** Where the view’s answer is: what plays, prints or saves it waits while it is coming. */
  readonly answer?: AnswerState;
  /** The stage shows nothing of it: it would tell what is asked. */
  readonly isHidden?: boolean | undefined;
  /** What the page's title says before the view: a chart's or a tune's title; otherwise the mode. */
  readonly subject?: string | undefined;
  /** The answer in short sentences, for those who cannot see it change. */
  readonly said?: readonly string[] | undefined;
}

/** Something that the stage can start: a mode, a tune, the bars of a chart, a chord or two. */
export interface Playable {
  readonly code: "mode" | "tune" | "chords" | "selected" | "question";
  readonly score: Score;
  /** What it is written in, where that is known: "bpm" counts its beats. */
  readonly meter?: Meter | undefined;
  /** Whether there is nothing to play, where that is known without making the score. */
  readonly isSilent?: boolean | undefined;
  /** How the view in front starts it, where it counts how often it is heard. */
  readonly start?: (() => void) | undefined;
}

const EMPTY: Score = { notes: [], beats: 0, loops: false };

/** A mode with nothing more selected. */
export const plainSelection = (homeMode: HomeMode): Selection => ({
  homeMode,
  characteristic: [],
  unknown: [],
  chordTones: [],
  targetNotes: [],
  play: { code: "mode", score: EMPTY },
});

/** What is selected in the view in front: the stage shows it and knows no view. It follows at once, and no view sets it. */
export const $selection = atom<Selection>(plainSelection({ home: 2, mode: modeById("dorian") }));

/** Whether the stage shows nothing, so that it doesn't tell what is asked. */
export const $isHidden = computed($selection, ({ isHidden }) => isHidden === true);

/** What each view has selected, by its id: computed from its documents and its place. A view says so when it loads. */
const $sources = atom<ReadonlyMap<string, ReadableAtom<Selection | undefined>>>(new Map());

export function selects(view: string, $selected: ReadableAtom<Selection | undefined>): void {
  $sources.set(new Map([...$sources.get(), [view, $selected]]));
}

/** The view in front; the place tells it. */
export const $front = atom<string | undefined>(undefined);

/** What is selected where the view in front hasn't loaded yet. */
export const BEFORE = "";

const $source = computed([$front, $sources], (front, sources) =>
  front === undefined ? undefined : (sources.get(front) ?? sources.get(BEFORE)),
);

onMount($selection, () => {
  let stop: (() => void) | undefined;
  const unbind = $source.subscribe(($selected) => {
    stop?.();
    stop = $selected?.subscribe((selected) => {
      if (selected) $selection.set(selected);
    });
  });
  return () => {
    unbind();
    stop?.();
  };
});
