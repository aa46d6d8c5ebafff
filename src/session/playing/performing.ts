import {
  accented,
  barCount,
  betweenMarks,
  countIn,
  type Playing,
  type Score,
  soundEngine,
  swapped,
  withClick,
} from "@/audio";
import { $settings } from "../settings/settings";
import { arranged, octavesApart } from "./arranged";
import { $partSounds } from "./part-sounds";
import {
  $isSwapped,
  $lineNote,
  $mark,
  $missingSounds,
  $movedOctaves,
  $round,
  $sounding,
  $swappedRounds,
  $tempo,
  type Heard,
  tellSound,
  tempoOf,
} from "./sounding";

export { followedScore } from "./main-score";

/** What makes sound; fetched before it is first needed. */
export const engine = soundEngine({
  onState: tellSound,
  onSounding: (midis, nth) => {
    $sounding.set(midis);
    // Between two notes of a line the hand is still on its way from the last one.
    if (nth !== undefined) $lineNote.set(nth);
  },
  onMark: (mark) => $mark.set(mark),
  onRound: (round) => $round.set(round),
  onMissing: (sounds) => $missingSounds.set(sounds),
});

$partSounds.subscribe((sounds) => engine.setSounds(sounds));
$tempo.listen((tempo) => engine.setTempo(tempo));
$settings.subscribe(({ volume, parts }, before) => {
  if (volume !== before?.volume) engine.setVolume(volume);
  if (parts !== before?.parts) engine.setPartVolumes(parts);
});

/** A performance of what a function gives for each round: with the metronome, count-in and swap that are set then. */
export function playingOf(heard: () => Heard, onSwapped?: (round: number) => void): Playing {
  return {
    tempo: (round) => tempoOf($settings.get(), round),
    before: beforeIt(heard().score),
    round: (round) => {
      const { score: now, swapping } = heard();
      const { loop } = $settings.get();
      if (round > 0 && !now.loops && !loop && !$isSwapped.get()) return undefined;
      const isSwapped = $isSwapped.get() && swapping !== undefined;
      if (isSwapped) onSwapped?.(round);
      const arrangedScore = arranged(now);
      $movedOctaves.set(now.isFree ? 0 : octavesApart(now, arrangedScore));
      return performed(isSwapped ? swapped(arrangedScore, swapping) : arrangedScore, round * barCount(now));
    },
  };
}

/** A score with its accents and the metronome that is set, after so many bars of it. */
function performed(score: Score, barsBefore: number): Score {
  const { click, clickParts, fives, sevens, silentClicks } = $settings.get();
  const grouping = { fives, sevens };
  const isAlone = isClickAlone(score);
  const played = isAlone ? { ...score, notes: [] } : accented(score, grouping);
  if (!click && !isAlone) return played;
  const [silent, of] = silentClicks.split(" of ").map(Number);
  const silentBars = silent && of ? { silent, of } : undefined;
  return withClick(played, { parts: clickParts, grouping, silentBars, barsBefore });
}

/** The count-in, where one is set. */
const beforeIt = (score: Score): Score | undefined => {
  const bars = $settings.get().countIn;
  return bars > 0 ? countIn(bars, score) : undefined;
};

/** Whether a score is the metronome by itself. */
const isClickAlone = ({ notes, chords = [] }: Score): boolean =>
  chords.length === 0 && notes.every(({ part }) => part === "click");

/** What a function gives for each round, with the rounds told in which the swapped note is heard. */
export const roundsOf = (heard: () => Heard): Playing =>
  playingOf(heard, (round) => $swappedRounds.set(new Set([...$swappedRounds.get(), round])));

/** A score from one of its marks to the next, so that another with the same marks can take its place from the next one on. */
export function barsOf(heard: () => Score): Playing {
  const count = () => Math.max(1, heard().marks?.length ?? 0);
  return {
    tempo: (round) => tempoOf($settings.get(), Math.floor(round / count())),
    before: beforeIt(heard()),
    round: (round) => {
      if (round >= count() && !$settings.get().loop) return undefined;
      // The whole of it is arranged, so that it stays in one register.
      return performed(betweenMarks(arranged(heard()), round % count()), round);
    },
  };
}
