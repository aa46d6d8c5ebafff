import { atom, computed } from "nanostores";
import { bestVamp } from "@/core/progression";
import { type Chord, printChord } from "@/core/chord";
import { heardOf, openSounds, playingOrder, type Tuning, voicings } from "@/core/instrument";
import { midiOf, type Pitch } from "@/core/pitch";
import {
  accompanied,
  betweenMarks,
  clickScore,
  countIn,
  droneScore,
  keyRange,
  type Layout,
  lineScore,
  modeScore,
  onBowedStrings,
  onKeyboard,
  type PartSounds,
  pedalScore,
  placed,
  type Playing,
  type Score,
  type Sound,
  soundEngine,
  type SoundState,
  swapped,
  type Swapping,
  USUAL_SOUNDS,
  vampScore,
  voicingScore,
  withClick,
  withoutDrone,
} from "@/audio";
import type { Settings } from "@/storage";
import { $front, $selection } from "./selection";
import { $settings } from "./settings";
import { $chord, $division, $instrument, $line, $position, $tuning, fingeredNotes } from "./stage";
import { $voicing } from "./voicings";

/** What the engine is doing. */
export const $sound = atom<SoundState>({ at: "silent" });

/** MIDI numbers of the line's notes that sound at this moment. */
export const $sounding = atom<readonly number[]>([]);

/** Which note of the line was struck last, from 0, while a line is played. */
export const $lineNote = atom<number | undefined>(undefined);

/** Which of several things that follow one another is heard now, from 0. */
export const $mark = atom<number | undefined>(undefined);

/** The name under which what the stage shows is played. */
export const MAIN = "main";

/** What was started last, by the name that its button goes by; undefined when silent. */
export const $playing = atom<string | undefined>(undefined);

/** The places of a chart whose chords the marks stand for, where not all of it is played. */
export const $heardPlaces = atom<readonly number[]>([]);

/** The round that is heard, from 0. */
export const $round = atom<number | undefined>(undefined);

/** Whether the characteristic note gives way to its neighbour from the next round on. */
export const $isSwapped = atom(false);

/** The name under which a mode or tune is played with its characteristic note and with its neighbour, alternating. */
export const SWAP = "swap";

/** Rounds of what is played in which the neighbour takes the characteristic note's place. */
const swappedRounds = new Set<number>();

/** Whether the neighbour of the characteristic note is heard in its place at this moment. */
export const $isSwapHeard = computed([$playing, $mark, $round], (playing, mark, round) =>
  playing === SWAP ? mark === 1 : playing === MAIN && round !== undefined && swappedRounds.has(round),
);

/** Instruments whose recordings could not be had. */
export const $missingSounds = atom<readonly Sound[]>([]);

const engine = soundEngine({
  onState: (state) => {
    $sound.set(state);
    if (state.at !== "starting" && state.at !== "playing") {
      $playing.set(undefined);
      $lineNote.set(undefined);
      $isSwapped.set(false);
    }
  },
  onSounding: (midis, nth) => {
    $sounding.set(midis);
    // Between two notes of a line the hand is still on its way from the last one.
    if (nth !== undefined) $lineNote.set(nth);
  },
  onMark: (mark) => $mark.set(mark),
  onRound: (round) => $round.set(round),
  onMissing: (sounds) => $missingSounds.set(sounds),
});

/** What each instrument of the stage sounds like; a guitar as the settings say. */
const SOUND_OF: Readonly<Record<string, Sound>> = {
  bass: "bass",
  "bass-5": "bass",
  "bass-6": "bass",
  ukulele: "ukulele",
  mandolin: "mandolin",
  fiddle: "fiddle",
  "tenor-banjo": "banjo",
  keyboard: "piano",
};

export const $lineSound = computed(
  [$instrument, $settings],
  ({ id }, { guitarSound }): Sound => SOUND_OF[id] ?? guitarSound,
);

/** Strings on which chords are taken. */
const CHORD_STRINGS = 4;

/** Whether the instrument of the stage plays chords: it has frets and strings enough, and is no bass. */
const playsChords = (tuning: Tuning | undefined, line: Sound): tuning is Tuning =>
  tuning !== undefined && tuning.isFretted && tuning.strings.length >= CHORD_STRINGS && line !== "bass";

/** Who plays the chords: the stage's instrument where it can, otherwise a keyboard. */
const $chordTuning = computed([$tuning, $lineSound, $settings], (tuning, line, { chordsOn }) =>
  chordsOn === "instrument" && playsChords(tuning, line) ? tuning : undefined,
);

/** Which instrument plays each part. */
export const $partSounds = computed(
  [$lineSound, $chordTuning, $settings],
  (line, tuning, { backing, chordsOn }): PartSounds => ({
    ...USUAL_SOUNDS,
    line,
    chord: chordsOn === "strings" ? "strings" : backing === "pad" ? "harmonium" : tuning ? line : "piano",
  }),
);
$partSounds.subscribe((sounds) => engine.setSounds(sounds));

/** Frets above the capo up to which chords are looked for when they are played. */
const CHORD_FRETS = 9;

const grips = new Map<string, readonly number[]>();
let gripsOf: Tuning | undefined;

/** The keys of a chord as it is first taken on a neck; none where there is no room for it. */
function gripOf(tuning: Tuning, chord: Chord): readonly number[] {
  if (gripsOf !== tuning) grips.clear();
  gripsOf = tuning;
  const name = printChord(chord);
  const known = grips.get(name);
  if (known) return known;
  const [first] = voicings(tuning, { chord, toFret: tuning.capo + CHORD_FRETS });
  const keys = first ? heardOf(tuning, first) : [];
  grips.set(name, keys);
  return keys;
}

/** More different chords than these take too long to look for while somebody waits to hear them: they are laid out as on a keyboard. */
const MOST_GRIPS = 24;

/** Chords on the strings of the stage: the one that is shown as it is shown there, others as they are first taken. */
const onStrings =
  (tuning: Tuning): Layout =>
  (chords) => {
    if (new Set(chords.map((chord) => printChord(chord))).size > MOST_GRIPS) return onKeyboard(chords);
    const shown = $division.get() === "voicing" ? $voicing.get() : undefined;
    const shownChord = shown && printChord($chord.get());
    return chords.map((chord) =>
      shown && printChord(chord) === shownChord ? heardOf(tuning, shown) : gripOf(tuning, chord),
    );
  };

/** Octaves by which what is heard was moved to lie on the instrument: below 0 downwards. */
export const $movedOctaves = atom(0);

/** What a score is arranged by: where none of it has changed the arrangement is the same. */
type Arranging = readonly [Score, ...unknown[]];
let lastArranged: { readonly by: Arranging; readonly score: Score } | undefined;

/** A score as it is played here: on the instrument of the stage, in its register, with chords as they are set. */
export function arranged(score: Score): Score {
  const tuning = $tuning.get();
  const chordTuning = $chordTuning.get();
  const { backing, chordsOn } = $settings.get();
  const { home } = $selection.get().homeMode;
  const sound = $lineSound.get();
  const shown = $division.get() === "voicing" ? $voicing.get() : undefined;
  const by: Arranging = [score, tuning, chordTuning, backing, chordsOn, home, sound, shown];
  if (lastArranged && by.every((each, at) => each === lastArranged?.by[at])) return lastArranged.score;
  const low = tuning ? Math.min(...openSounds(tuning)) : LOW_KEY;
  const own = placed(score, low < SMALL ? low + ABOVE_LOWEST : low, keyRange(sound));
  const layout = chordsOn === "strings" ? onBowedStrings : chordTuning ? onStrings(chordTuning) : onKeyboard;
  const made = accompanied(own, { layout, backing, home });
  lastArranged = { by, score: made };
  return made;
}

/** Where free lines begin: on a small instrument its lowest string, on a large one a fourth above; on keys about G3. */
const [SMALL, ABOVE_LOWEST, LOW_KEY] = [55, 5, 55];

/** The tempo of a round: the one that is set, or as far as it has climbed. */
export function tempoOf({ tempo, climb }: Pick<Settings, "tempo" | "climb">, round: number): number {
  if (!climb.isOn) return tempo;
  return Math.max(tempo, Math.min(climb.to, tempo + climb.by * Math.floor(round / climb.every)));
}

/** Beats a minute now. */
export const $tempo = computed([$settings, $round], (settings, round) => tempoOf(settings, round ?? 0));

$tempo.listen((tempo) => engine.setTempo(tempo));
$settings.listen(({ volume, parts }, before) => {
  if (volume !== before?.volume) engine.setVolume(volume);
  if (parts !== before?.parts) engine.setPartVolumes(parts);
});

/** A score with the note of its mode that may be swapped in it. */
export interface Heard {
  readonly score: Score;
  readonly swapping?: Swapping | undefined;
}

/** A performance of what a function gives for each round: with the metronome, count-in and swap that are set then. */
function playingOf(heard: () => Heard, onSwapped?: (round: number) => void): Playing {
  return {
    tempo: (round) => tempoOf($settings.get(), round),
    before: $settings.get().countIn > 0 ? countIn($settings.get().countIn, heard().score) : undefined,
    round: (round) => {
      const { score: now, swapping } = heard();
      const { loop, click, clickParts } = $settings.get();
      if (round > 0 && !now.loops && !loop && !$isSwapped.get()) return undefined;
      const isSwapped = $isSwapped.get() && swapping !== undefined;
      if (isSwapped) onSwapped?.(round);
      const own = arranged(now);
      $movedOctaves.set(now.isFree ? 0 : octavesApart(now, own));
      const played = isSwapped ? swapped(own, swapping) : own;
      return click && !isClickAlone(now) ? withClick(played, clickParts) : played;
    },
  };
}

/** Octaves from the line of one score to that of another. */
const octavesApart = (one: Score, other: Score): number => {
  const [from, to] = [one, other].map(({ notes }) => notes.find(({ part }) => part === "line")?.midi);
  return from === undefined || to === undefined ? 0 : Math.round((to - from) / 12);
};

/** Whether a score is the metronome by itself. */
const isClickAlone = ({ notes, chords = [] }: Score): boolean =>
  chords.length === 0 && notes.every(({ part }) => part === "click");

const begin = (name: string, heard: () => Heard): void =>
  perform(
    name,
    playingOf(heard, (round) => swappedRounds.add(round)),
  );

function perform(name: string, playing: Playing): void {
  const { volume, parts } = $settings.get();
  engine.setVolume(volume);
  engine.setPartVolumes(parts);
  $isSwapped.set(false);
  swappedRounds.clear();
  void engine.play(playing);
  $playing.set(name);
}

/** Starts a score under a name; started again under the same name while it sounds, it stops. Only at the user's act. */
export function toggle(name: string, score: Score): void {
  if ($playing.get() === name) engine.stop();
  else begin(name, () => ({ score }));
}

/**
 * Starts a score that is played from one of its marks to the next, so that another with the same marks can take its place from the next
 * one on without losing the beat. After the last it begins again where a loop is set.
 *
 * @param heard the score as it is then; a mark stands at the start of each bar
 */
export function playBars(name: string, heard: () => Score): void {
  if ($playing.get() === name) {
    engine.stop();
    return;
  }
  const count = () => Math.max(1, heard().marks?.length ?? 0);
  perform(name, {
    tempo: (round) => tempoOf($settings.get(), Math.floor(round / count())),
    before: $settings.get().countIn > 0 ? countIn($settings.get().countIn, heard()) : undefined,
    round: (round) => {
      const { loop, click, clickParts } = $settings.get();
      if (round >= count() && !loop) return undefined;
      // The whole of it is arranged, so that it stays in one register.
      const bar = betweenMarks(arranged(heard()), round % count());
      return click ? withClick(bar, clickParts) : bar;
    },
  });
}

/** The name under which a single note is heard. */
export const NOTE = "note";

/** Lets one note be heard, in place of what sounded before. Only at the user's act. */
export function hearNote(midi: number): void {
  const note: Score = { notes: [{ part: "line", midi, at: 0, length: 1 }], beats: 1, loops: false };
  perform(NOTE, { tempo: () => NOTE_TEMPO, round: (round) => (round === 0 ? note : undefined) });
}

/** A single note sounds for a second, whatever the tempo. */
const NOTE_TEMPO = 60;

export const stop = (): void => engine.stop();

/** What the stage shows, as it is played; undefined where it shows the whole of the mode, or nothing that has room. */
function shownScore(): Score | undefined {
  const { homeMode } = $selection.get();
  const { rhythm, order, easier } = $settings.get();
  const inLine = (pitches: readonly Pitch[]) => lineScore(pitches.map(midiOf), rhythm, homeMode.home);
  switch ($division.get()) {
    case "whole":
      return undefined;
    case "position": {
      const position = $position.get();
      if (!position) return undefined;
      const notes = fingeredNotes(position, easier);
      return inLine(playingOrder(notes, order).flatMap((at) => notes[at]?.pitch ?? []));
    }
    case "line": {
      const line = $line.get();
      return line && inLine(line.map(({ pitch }) => pitch));
    }
    case "voicing": {
      const voicing = $voicing.get();
      const tuning = $tuning.get();
      return voicing && tuning && voicingScore(heardOf(tuning, voicing));
    }
  }
}

/** What Play plays now: what the view has chosen, which of a mode is what the stage shows, or the texture that is set. */
export function mainScore(): Score {
  const { homeMode, play } = $selection.get();
  const { texture, drone } = $settings.get();
  const shown = () => {
    const score = shownScore() ?? modeScore(homeMode, true);
    return drone ? score : withoutDrone(score);
  };
  switch (texture) {
    case "chosen":
      return play.code === "mode" ? shown() : play.score;
    case "shown":
      return shown();
    case "mode":
      return modeScore(homeMode, drone);
    case "drone":
      return droneScore(homeMode.home);
    case "click":
      return clickScore(play.score, $settings.get().clickParts);
    case "pedal":
    case "vamp": {
      const vamp = bestVamp(homeMode);
      if (!vamp) return droneScore(homeMode.home);
      return texture === "vamp" ? vampScore(vamp) : pedalScore(homeMode.home, vamp);
    }
  }
}

/**
 * What Play plays, asked for again and again: it follows every change in the view where it was begun, and stays as it is
 * when another view comes to the front.
 */
export function followedScore(): () => Heard {
  const view = $front.get();
  let last = mainHeard();
  return () => {
    if ($front.get() === view) last = mainHeard();
    return last;
  };
}

/** What Play plays, with the note that may be swapped in it: the one of the view where it is played. */
function mainHeard(): Heard {
  const { homeMode, swap } = $selection.get();
  return { score: mainScore(), swapping: swap && { home: homeMode.home, ...swap } };
}

/** Plays what the stage shows; where anything sounds already, stops it. */
export function playOrStop(): void {
  const { start } = $selection.get().play;
  if ($playing.get() !== undefined) stop();
  else if (start) start();
  else begin(MAIN, followedScore());
}

/**
 * While what the stage shows is heard, swaps the characteristic note in it, from the next round on, or puts it back; then true. False
 * where something else or nothing is heard, or there is no note to swap.
 */
export function swapLive(): boolean {
  if ($playing.get() !== MAIN || !$selection.get().swap) return false;
  $isSwapped.set(!$isSwapped.get());
  return true;
}

/** What would be heard from the start, for files. */
export const mainPlaying = (): Playing => playingOf(mainHeard);

/** Loudness of what sounds now, in decibels. */
export const level = (): number => engine.level();
