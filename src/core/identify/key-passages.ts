import { modulo, soundOf } from "../pitch";
import { type HomeMode, holds, mode as modeById, pitchClassSet, soundsOn } from "../scale";
import { allNotes, type BarRange, EPSILON, feltBeat, phraseEnds, type Tune, type TuneNote } from "../tune";
import { soundAt } from "./bars-heard";
import { belongs, spelledHome } from "./candidates";
import type { Hearing } from "./hearing";
import { LEADING_TONE } from "./lines";
import { type Passage, passageAt } from "./passage";
import type { OutsideNote } from "./passing";
import { bassAt } from "./voices-hearing";

/**
 * Some bars in a key of their own within a tune that keeps its mode: a neighbouring key with a cadence in it, the relative, the same mode moved to another
 * home, or a part that is written in a key of its own.
 */
export interface KeyPassage extends Passage {
  readonly kind: "key" | "relative" | "moved" | "own-key";
}

/** The keys that a piece goes through without leaving its mode: on each degree that carries a major or minor triad. */
export function keysNear({ home, mode }: HomeMode): readonly HomeMode[] {
  const sounds = soundsOn({ home, mode });
  return mode.intervals.slice(1).flatMap((interval) => {
    const root = home + interval;
    const has = (steps: number) => holds(sounds, soundOf(root) + steps);
    if (!has(7)) return [];
    return [
      ...(has(4) ? [{ home: root, mode: modeById("ionian") }] : []),
      ...(has(3) ? [{ home: root, mode: modeById("aeolian") }] : []),
    ];
  });
}

/** A phrase of one voice that is in a key of its own has as many bars as this; in several voices its cadence is enough. */
const FEWEST_BARS = 3;

/**
 * Phrases that come to their own cadence in a neighbouring key: they end on its home, without the other third where there is a bass, and a note that the main mode
 * lacks leads there, which doesn’t turn back to its form in the main mode before the end. Fermatas, double bars and long notes part phrases.
 */
export function cadencedKeys(tune: Tune, hearing: Hearing, main: HomeMode): readonly KeyPassage[] {
  const near = keysNear(main);
  const all = allNotes(tune).toSorted((a, b) => a.onset - b.onset);
  const found: KeyPassage[] = [];
  let next = 0;
  for (const at of phraseEnds(tune)) {
    const [first, last] = [tune.notes[next] as TuneNote, tune.notes[at] as TuneNote];
    next = at + 1;
    const end = last.onset + last.duration;
    const notes = all.filter(({ onset }) => onset >= first.onset - EPSILON && onset < end - EPSILON);
    const bass = hearing.voices && bassAt(hearing.voices.line, end - EPSILON);
    const rest = bass ? bass.sound : soundAt(last);
    const closing = pitchClassSet(
      notes.filter(({ onset, duration }) => onset + duration >= end - 2 * EPSILON).map(soundAt),
    );
    const key = near.find(
      (each) =>
        soundOf(each.home) === rest &&
        (!bass || !holds(closing, rest + (each.mode.id === "ionian" ? 3 : 4))) &&
        isLedTo(notes, each, main),
    );
    const bars = { from: first.bar, to: last.bar };
    const whole = tune.bars.slice(bars.from, bars.to + 1).filter(({ lead }) => lead === 0).length;
    if (!key || (!bass && (whole < FEWEST_BARS || !comesToRest(tune, last)))) continue;
    const home = spelledHome(tune, hearing, rest, key.mode);
    const before = found.at(-1);
    if (
      before &&
      before.homeMode.home === home &&
      before.homeMode.mode === key.mode &&
      before.bars.to >= bars.from - 1
    )
      found[found.length - 1] = keyPassage(
        tune,
        main,
        { from: before.bars.from, to: bars.to },
        before.homeMode,
      );
    else found.push(keyPassage(tune, main, bars, { home, mode: key.mode }));
  }
  return found;
}

/** Whether the last note of a phrase lasts a beat or stands on one: a short one after it leads on. */
function comesToRest({ meter, bars }: Tune, { onset, duration, bar }: TuneNote): boolean {
  const beat = feltBeat(meter);
  const { start = 0, lead = 0 } = bars[bar] ?? {};
  const beats = (onset - start + lead) / beat;
  return duration >= beat - EPSILON || Math.abs(beats - Math.round(beats)) < EPSILON;
}

/** A passage in another key, with what that is to the main mode. */
export function keyPassage(
  tune: Tune,
  main: HomeMode,
  { from, to }: BarRange,
  homeMode: HomeMode,
): KeyPassage {
  const { keys = [] } = tune;
  const isDeclared =
    keys.length > 1 && keys.some((key) => key.bar === from && soundsOn(key) === soundsOn(homeMode));
  const isRelative = soundsOn(homeMode) === soundsOn(main);
  const isNear = keysNear(main).some((key) => key.home === homeMode.home && key.mode === homeMode.mode);
  return {
    ...passageAt(tune, { from, to }, homeMode),
    kind: isDeclared ? "own-key" : isRelative ? "relative" : isNear ? "key" : "moved",
  };
}

/** Whether a note that the main mode lacks and the key has is heard, and its form in the main mode not after it. */
function isLedTo(notes: readonly TuneNote[], key: HomeMode, main: HomeMode): boolean {
  const leading = soundOf(key.home + LEADING_TONE);
  const isNew = (sound: number) => !belongs(main, sound) && (sound === leading || belongs(key, sound));
  const last = notes.findLast((note) => isNew(soundAt(note)));
  if (!last) return false;
  const old = [-1, 1]
    .map((step) => modulo(soundAt(last) + step, 12))
    .filter((sound) => belongs(main, sound) && !belongs(key, sound));
  return notes.every((note) => note.onset <= last.onset || !old.includes(soundAt(note)));
}

/** A note outside the mode that sounds in the bars of a key on the way alone, and belongs to that key, its raised seventh too. */
export function inKeyPassage(tune: Tune, outside: OutsideNote, keys: readonly KeyPassage[]): OutsideNote {
  const all = allNotes(tune);
  const key = keys.find(
    ({ bars, homeMode: { home, mode } }) =>
      (belongs({ home, mode }, soundOf(outside.note)) || outside.note - home === LEADING_TONE) &&
      outside.notes.every((at) => {
        const bar = all[at]?.bar ?? -1;
        return bar >= bars.from && bar <= bars.to;
      }),
  );
  return key ? { ...outside, role: "key", to: key.homeMode.home } : outside;
}
