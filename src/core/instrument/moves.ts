import { type Fifths, type Interval, midiOf, soundOf } from "../pitch";
import { compareRanks, differenceFrom, type HomeMode, type Mode } from "../scale";
import { type NeckNote, placesOf, type Place, soundAt } from "./neck";
import type { Tuning } from "./tuning";

/** One note of a known mode that is taken elsewhere: from where, to where. */
export interface Move {
  readonly from: Place;
  readonly to: Place;
  readonly fromInterval: Interval;
  readonly toInterval: Interval;
}

/** What changes on the neck from a known mode on the same home: notes moved, notes left out and notes put in. */
export interface Moves {
  readonly moved: readonly Move[];
  readonly dropped: readonly Interval[];
  readonly added: readonly Interval[];
}

/** Frets that a note may lie from the hand and still be found on its own string. */
const NEAR = 5;

/**
 * How the selected position comes from the same one in a mode that is known. A note is moved along its string; where its
 * old place is off the neck or out of the hand, the nearest place of the same sound is taken.
 *
 * @example movesFrom(GUITAR, mode("aeolian"), D Dorian at fret 5) // B♭ to B: string 6 fret 6 to 7, string 3 fret 3 to 4, …
 */
export function movesFrom(tuning: Tuning, known: Mode, { mode }: HomeMode, hand: readonly NeckNote[]): Moves {
  const { moved, dropped, added } = differenceFrom(known, mode);
  const middle = hand.reduce((sum, { fret }) => sum + fret, 0) / Math.max(1, hand.length);
  return {
    moved: moved.flatMap(({ from, to }) =>
      hand
        .filter(({ interval }) => interval === to)
        .flatMap((note): Move[] => {
          const before = placeBefore(tuning, note, byHalfSteps(from, to), middle);
          return before
            ? [
                {
                  from: before,
                  to: { string: note.string, fret: note.fret },
                  fromInterval: from,
                  toInterval: to,
                },
              ]
            : [];
        }),
    ),
    dropped,
    added,
  };
}

/** Half steps by which a degree is raised, both forms having one letter: ♭6 to 6 is 1. */
const byHalfSteps = (from: Fifths, to: Fifths): number => Math.round((to - from) / 7);

function placeBefore(tuning: Tuning, note: Place, raised: number, middle: number): Place | undefined {
  const sameString = { string: note.string, fret: note.fret - raised };
  const isOn = sameString.fret >= tuning.capo && sameString.fret <= tuning.frets;
  if (isOn && Math.abs(sameString.fret - middle) <= NEAR) return sameString;
  const away = ({ fret }: Place) => Math.abs(fret - middle);
  return placesOf(tuning, soundAt(tuning, sameString)).reduce<Place | undefined>(
    (best, each) => (!best || away(each) < away(best) ? each : best),
    undefined,
  );
}

/**
 * The nearest ways from the guide tones of one chord to those of the next, within what lies under the hand: for each tone
 * that is not held over the shortest move, along one string and in the middle of the neck where there is a choice.
 *
 * @param from the tones before, and `to` the tones now, as names
 * @example nearestWays(E Dorian at fret 7, [G, D], [C♯, G]) // D to C♯, string 3 fret 7 to 6; G is held over
 */
export function nearestWays(
  hand: readonly NeckNote[],
  from: readonly Fifths[],
  to: readonly Fifths[],
): readonly Move[] {
  const sounding = (name: Fifths) => hand.filter(({ pitch }) => soundOf(pitch.name) === soundOf(name));
  const isHeld = (tone: Fifths) => from.some((before) => soundOf(before) === soundOf(tone));
  const middle = hand.reduce((sum, { string }) => sum + string, 0) / Math.max(1, hand.length);
  return to
    .filter((tone) => !isHeld(tone))
    .flatMap((tone) => {
      const pairs = from.flatMap((before) =>
        sounding(before).flatMap((start) =>
          sounding(tone).map((end) => ({
            start,
            end,
            rank: [
              Math.abs(midiOf(end.pitch) - midiOf(start.pitch)),
              Math.abs(end.string - start.string),
              Math.abs(end.string - middle),
            ],
          })),
        ),
      );
      const [best] = pairs.toSorted((a, b) => compareRanks(a.rank, b.rank));
      if (!best) return [];
      const { start, end } = best;
      return [
        {
          from: { string: start.string, fret: start.fret },
          to: { string: end.string, fret: end.fret },
          fromInterval: start.interval,
          toInterval: end.interval,
        },
      ];
    });
}
