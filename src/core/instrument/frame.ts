import { halfSteps, type Interval, modulo } from "../pitch";
import { type HomeMode, intervalAt, type Mode, modeOf, soundsOf, thirdOf } from "../scale";
import { shapeRound } from "./boxes";
import { regionAt } from "./layout";
import { soundsBetween } from "./layout";
import { layOut, type Layout } from "./layout";
import type { Place } from "./neck";
import type { UnfingeredPosition } from "./position";
import { runStrings, type Tuning } from "./tuning";

/** Degrees of the five-note frame under a minor third and under a major one: those of the two pentatonics. */
const MINOR_FRAME = [1, 3, 4, 5, 7];
const MAJOR_FRAME = [1, 2, 3, 5, 6];
const FRAME_SIZE = 5;

/**
 * The five notes that a mode is filled in from: the degrees of the minor pentatonic where its third is minor, of the major
 * one otherwise, each in the form that the mode has (the plain fifth where there are two). Where a mode has no such degree,
 * the note farthest from those already there stands in. At most five, rising.
 *
 * @example frame(dorian) // 1 ♭3 4 5 ♭7
 */
export function frame(mode: Mode): readonly Interval[] {
  const degrees = thirdOf(mode) === -3 ? MINOR_FRAME : MAJOR_FRAME;
  const form = (degree: number) =>
    degree === 5 && mode.intervals.includes(1)
      ? 1
      : degree === 3
        ? thirdOf(mode)
        : intervalAt(mode.intervals, degree);
  const chosen = new Set(degrees.flatMap((degree) => form(degree) ?? []));
  const away = (interval: Interval) =>
    Math.min(
      ...[...chosen].map((other) => {
        const up = modulo(halfSteps(interval) - halfSteps(other), 12);
        return Math.min(up, 12 - up);
      }),
    );
  while (chosen.size < Math.min(FRAME_SIZE, mode.intervals.length)) {
    const rest = mode.intervals.filter((interval) => !chosen.has(interval));
    chosen.add(rest.reduce((best, each) => (away(each) > away(best) ? each : best)));
  }
  return mode.intervals.filter((interval) => chosen.has(interval));
}

/**
 * The five-note frame under the hand, begun on each of its notes of the lowest string, and the mode's other notes between
 * them on the strings where the hand reaches them best.
 */
export function pentatonicFrame(tuning: Tuning, homeMode: HomeMode): readonly UnfingeredPosition[] {
  const five: HomeMode = { home: homeMode.home, mode: modeOf(soundsOf(frame(homeMode.mode))) };
  const [first] = runStrings(tuning);
  if (!first) return [];
  const starts = soundsBetween(five, first.open, first.open + tuning.frets - tuning.capo);
  return starts.flatMap((start, at): UnfingeredPosition[] => {
    const fretOf = (midi: number) => tuning.capo + midi - first.open;
    const fret = fretOf(start);
    // The hand stands no lower than past the frame's note before, which begins a frame of its own.
    const before = at === 0 ? tuning.capo - 1 : fretOf(starts[at - 1] ?? start);
    const best = Array.from({ length: tuning.hand }, (_, back) => fret - back)
      .filter((hand) => hand > before && (hand === tuning.capo || hand + tuning.hand - 1 <= tuning.frets))
      .flatMap((hand) => {
        const laid = framedFrom(tuning, five, start, hand);
        return laid ? [{ hand, ...laid }] : [];
      })
      .reduce<(Layout & { hand: number; top: number }) | undefined>(
        (least, each) => (!least || each.cost < least.cost ? each : least),
        undefined,
      );
    if (!best) return [];
    const framed = soundsBetween(five, start, best.top);
    const bound = new Map(
      framed.map((midi, at): [number, Place] => [midi, best.places[at] ?? { string: 1, fret: 0 }]),
    );
    const filled = layOut(regionAt(tuning, best.hand), soundsBetween(homeMode, start, best.top), bound);
    if (!filled) return [];
    const name = shapeRound(tuning, homeMode, filled.places);
    return [{ places: filled.places, hand: best.hand, stays: true, ...(name && { name }) }];
  });
}

/** The frame from a sound on the lowest string to the last one that the hand covers on the highest. */
function framedFrom(
  tuning: Tuning,
  five: HomeMode,
  start: number,
  hand: number,
): (Layout & { top: number }) | undefined {
  const ground = regionAt(tuning, hand);
  const last = ground.strings.at(-1);
  if (!last) return undefined;
  const sounds = soundsBetween(
    five,
    start,
    last.open + Math.min(hand + ground.reach - 1, tuning.frets) - tuning.capo,
  );
  const laid = sounds.length > 0 ? layOut(ground, sounds) : undefined;
  return laid && { ...laid, top: sounds.at(-1) ?? start };
}
