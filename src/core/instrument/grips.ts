import { type Chord } from "../chord";
import { halfSteps, soundOf } from "../pitch";
import { openSounds, type Tuning } from "./tuning";

/**
 * A grip that players have in the hand, by the frets of its root: `6` and a fret for each string from the low E, offsets from the root's
 * fret on string 6, 5 or 4; x is silent. `late` puts one back that lies lower on the neck and is taken less.
 */
type Grip = readonly [root: 6 | 5 | 4, offsets: string, late?: number];

/**
 * The grips of each kind of chord on a guitar, by its tones in half steps, the commonest first. Where an offset falls on the nut the
 * string is open: "x 0 2 2 2 0" is an open A and, two frets up, the barre of B.
 */
const GRIPS: Readonly<Record<string, readonly Grip[]>> = {
  // Triads.
  "0 4 7": [
    [5, "x 0 -1 -3 -2 -3"],
    [6, "0 2 2 1 0 0"],
    [5, "x 0 2 2 2 0"],
    [4, "x x 0 2 3 2"],
    [6, "0 -1 -3 -3 -3 0"],
    [6, "0 -1 -3 -3 0 0"],
  ],
  "0 3 7": [
    [5, "x 0 2 2 1 0"],
    [6, "0 2 2 0 0 0"],
    [4, "x x 0 2 3 1"],
  ],
  "0 3 6": [
    [5, "x 0 1 2 1 x"],
    [4, "x x 0 1 3 1"],
  ],
  "0 4 8": [
    [5, "x 0 -1 -2 -2 x"],
    [6, "0 3 2 1 1 0"],
    [4, "x x 0 3 3 2"],
  ],
  "0 7": [
    [6, "0 2 2 x x x"],
    [5, "x 0 2 2 x x"],
    [4, "x x 0 2 3 x"],
  ],
  "0 5 7": [
    [5, "x 0 2 2 3 0"],
    [6, "0 2 2 2 0 0"],
    [4, "x x 0 2 3 3"],
    [6, "0 0 -3 -3 -2 0"],
    [5, "x 0 0 -3 -2 -2"],
  ],
  "0 2 7": [
    [5, "x 0 2 2 0 0"],
    [4, "x x 0 2 3 0"],
    [5, "x 0 -3 -3 0 0"],
  ],
  "0 2 4 7": [
    [5, "x 0 -1 -3 0 -3"],
    [5, "x 0 -1 -3 0 0"],
    [6, "0 -1 -3 -1 -3 0"],
    [5, "x 0 2 4 2 0"],
    [6, "0 2 4 1 0 0"],
    [5, "x 0 -1 -3 0 x"],
  ],
  "0 2 3 7": [
    [6, "0 2 4 0 0 0"],
    [5, "x 0 2 4 1 0"],
    [5, "x 0 -2 -3 0 x"],
  ],
  // Sixths.
  "0 4 7 9": [
    [5, "x 0 -1 -1 -2 -3"],
    [5, "x 0 2 2 2 2"],
    [6, "0 x -1 1 0 x"],
    [6, "0 2 2 1 2 0"],
    [4, "x x 0 2 0 2"],
    [6, "0 -1 -3 -3 -3 -3"],
    [5, "x 0 -1 -1 -2 x"],
  ],
  "0 3 7 9": [
    [6, "0 x -1 0 0 x"],
    [5, "x 0 2 2 1 2"],
    [4, "x x 0 2 0 1"],
    [6, "0 2 2 0 2 0"],
    [5, "x 0 x -1 1 0"],
    [5, "x 0 -2 -1 -2 x"],
  ],
  "0 2 4 7 9": [
    [5, "x 0 -1 -1 0 0"],
    [6, "0 -1 -1 -1 0 0"],
    [6, "0 x -1 -1 0 0"],
  ],
  "0 2 3 7 9": [
    [5, "x 0 -2 -1 0 0"],
    [6, "0 x -1 0 0 2"],
  ],
  // Sevenths.
  "0 4 7 10": [
    [5, "x 0 -1 0 -2 -3"],
    [6, "0 2 0 1 0 0"],
    [5, "x 0 2 0 2 0"],
    [4, "x x 0 2 1 2"],
    [6, "0 -1 -3 -3 -3 -2"],
    [5, "x 0 -1 0 -2 0"],
    [6, "0 x 0 1 0 x"],
    [5, "x 0 -1 0 -2 x"],
  ],
  "0 4 7 11": [
    [5, "x 0 -1 -3 -3 -3"],
    [5, "x 0 2 1 2 0"],
    [6, "0 x 1 1 0 x"],
    [4, "x x 0 -1 -2 -3"],
    [4, "x x 0 2 2 2"],
    [6, "0 -1 -3 -3 -3 -1"],
    [6, "0 2 1 1 0 0"],
  ],
  "0 3 7 10": [
    [6, "0 2 0 0 0 0"],
    [5, "x 0 2 0 1 0"],
    [6, "0 x 0 0 0 x"],
    [4, "x x 0 2 1 1"],
    [6, "0 2 2 0 3 0"],
  ],
  "0 3 6 10": [
    [5, "x 0 1 0 1 x"],
    [6, "0 x 0 0 -1 x"],
    [4, "x x 0 1 1 1"],
  ],
  "0 3 6 9": [
    [5, "x 0 1 -1 1 x"],
    [6, "0 x -1 0 -1 x"],
    [4, "x x 0 1 0 1"],
  ],
  "0 3 7 11": [
    [6, "0 x 1 0 0 x"],
    [5, "x 0 2 1 1 0"],
    [6, "0 2 1 0 0 0"],
    [4, "x x 0 2 2 1"],
  ],
  "0 4 8 10": [
    [6, "0 x 0 1 1 x"],
    [5, "x 0 x 0 2 1"],
    [5, "x 0 -1 0 -2 1"],
    [4, "x x 0 3 1 2"],
  ],
  "0 4 6 10": [
    [5, "x 0 1 0 2 x"],
    [6, "0 x 0 1 -1 x"],
    [4, "x x 0 1 1 2"],
  ],
  "0 4 8 11": [
    [6, "0 x 1 1 1 x"],
    [5, "x 0 3 1 2 x"],
    [4, "x x 0 3 2 2"],
  ],
  "0 4 6 11": [
    [5, "x 0 1 1 2 x"],
    [6, "0 x 1 1 -1 x"],
  ],
  "0 5 7 10": [
    [5, "x 0 2 0 3 0"],
    [6, "0 2 0 2 0 0"],
    [4, "x x 0 2 1 3"],
    [6, "0 x 0 2 0 x"],
  ],
  // Ninths and above.
  "0 2 4 7 10": [
    [5, "x 0 -1 0 0 0"],
    [5, "x 0 -1 0 0 x"],
    [6, "0 2 0 1 0 2"],
    [6, "0 x 0 1 0 2"],
    [6, "0 -1 0 -1 0 x"],
  ],
  "0 2 3 7 10": [
    [5, "x 0 2 4 1 3", 0.2],
    [5, "x 0 -2 0 0 0"],
    [5, "x 0 -2 0 0 x"],
    [6, "0 2 0 0 0 2"],
    [6, "0 x 0 0 0 2"],
  ],
  "0 2 4 7 11": [
    [5, "x 0 -1 1 0 x"],
    [5, "x 0 -1 1 0 0"],
    [6, "0 x 1 -1 0 x"],
    [5, "x 0 -1 -3 0 -1"],
    [5, "x 0 -1 -3 -3 -1"],
    [6, "0 2 1 1 0 2"],
  ],
  "0 2 5 7 10": [
    [5, "x 0 0 0 0 0"],
    [5, "x 0 0 0 0 x"],
    [6, "0 x 0 -1 -2 -2"],
    [6, "0 2 0 2 0 2"],
  ],
  "0 2 3 5 7 10": [
    [6, "0 0 0 0 0 0", 0.5],
    [6, "0 x 0 0 -2 x"],
    [5, "x 0 -2 0 0 -2"],
    [5, "x 0 0 0 1 0"],
  ],
  "0 3 5 7 10": [
    [6, "0 0 0 0 0 0", 0.5],
    [6, "0 x 0 0 -2 x"],
    [5, "x 0 0 0 1 0"],
  ],
  "0 2 4 7 9 10": [
    [6, "0 x 0 1 2 x"],
    [6, "0 x 0 1 2 2"],
    [5, "x 0 -1 0 0 2"],
    [6, "0 2 0 1 2 0"],
    [6, "0 2 0 1 2 2"],
  ],
  "0 4 7 9 10": [
    [6, "0 x 0 1 2 x"],
    [6, "0 2 0 1 2 0"],
    [5, "x 0 -1 0 0 2"],
  ],
  "0 2 4 7 9 11": [
    [6, "0 x 1 1 2 x"],
    [6, "0 x -1 1 0 2"],
    [5, "x 0 -1 1 0 2"],
  ],
  "0 2 3 7 9 10": [
    [6, "0 x 0 0 2 x"],
    [6, "0 x 0 0 2 2"],
    [5, "x 0 -2 0 0 2"],
  ],
  "0 2 5 7 9 10": [
    [6, "0 x 0 2 2 x"],
    [5, "x 0 0 0 0 2"],
    [6, "0 2 0 2 2 0"],
  ],
  "0 1 4 7 10": [
    [5, "x 0 -1 0 -1 x"],
    [5, "x 0 -1 0 -1 0"],
    [6, "0 x 0 1 0 1"],
    [6, "0 2 0 1 0 1"],
  ],
  "0 3 4 7 10": [
    [5, "x 0 -1 0 1 x"],
    [5, "x 0 -1 0 1 0"],
    [6, "0 x 0 1 0 3", 1.6],
    [6, "0 2 0 1 3 3", 1.6],
  ],
  "0 3 4 8 10": [
    [5, "x 0 -1 0 1 1"],
    [6, "0 x 0 1 1 3"],
  ],
  "0 1 4 8 10": [
    [5, "x 0 -1 0 -1 1"],
    [6, "0 x 0 1 1 1"],
  ],
  "0 1 4 7 8 10": [
    [6, "0 x 0 1 1 1"],
    [5, "x 0 -1 0 -1 1"],
  ],
  "0 1 4 7 9 10": [
    [6, "0 x 0 1 2 1"],
    [5, "x 0 -1 0 -1 2"],
  ],
  "0 1 3 4 8 10": [
    [5, "x 0 -1 0 1 1"],
    [6, "0 x 0 1 1 3"],
    [6, "0 x 0 1 1 1"],
    [5, "x 0 -1 0 -1 1"],
  ],
  "0 4 6 7 10": [
    [5, "x 0 1 0 2 x"],
    [6, "0 x 0 1 -1 x"],
  ],
  "0 2 4 6 7 10": [
    [5, "x 0 -1 0 0 -1"],
    [6, "0 x 0 1 -1 x"],
  ],
  "0 2 4 6 7 9 10": [
    [6, "0 x 0 1 2 2"],
    [5, "x 0 -1 0 0 -1"],
  ],
  "0 4 6 7 11": [
    [5, "x 0 1 1 2 x"],
    [6, "0 x 1 1 -1 x"],
  ],
  "0 2 4 6 7 11": [
    [5, "x 0 -1 1 0 -1"],
    [5, "x 0 1 1 2 x"],
  ],
  "0 4 7 8 10": [
    [6, "0 x 0 1 1 x"],
    [5, "x 0 -1 0 -2 1"],
  ],
};

const USUAL_STEPS = "5 5 5 4 5";

/** Frets above the capo up to which a grip lies within easy reach. */
const HIGHEST = 12;

/** The tones of a chord as a key of the table: half steps above its root, rising. */
const keyOf = ({ tones }: Chord): string =>
  [...new Set(tones.map(halfSteps))].sort((a, b) => a - b).join(" ");

/** Root, third and seventh on three strings, from string 6 and from string 5; none for chords without them. */
function shellsOf({ tones }: Chord): readonly Grip[] {
  const third = tones.includes(4) ? 1 : tones.includes(-3) ? 0 : undefined;
  const seventh = [3, -2, 5].findIndex((tone) => tones.includes(tone)) - 1;
  if (third === undefined || seventh < -1 || tones.length !== 4) return [];
  return [
    [6, `0 x ${seventh} ${third} x x`],
    [5, `x 0 ${third - 2} ${seventh} x x`],
  ];
}

/**
 * The places that a chord's usual grips have among all of them, by their frets: 0 for the first. Empty on another tuning, over another
 * bass, and for chords that have no usual grip.
 *
 * @example usualGrips(GUITAR, Bm).get("2 4 4 3 2") // x24432 comes first, then 7 9 9 7 7 7
 */
export function usualGrips(tuning: Tuning, chord: Chord): ReadonlyMap<string, number> {
  const opens = openSounds(tuning);
  const steps = opens.slice(1).map((open, at) => open - (opens[at] ?? 0));
  if (steps.join(" ") !== USUAL_STEPS || chord.bass !== undefined) return new Map();
  const root = soundOf(chord.root);
  const found = [...(GRIPS[keyOf(chord)] ?? []), ...shellsOf(chord)].flatMap(
    ([string, offsets, late = 0], order) => {
      const open = opens[6 - string] ?? 0;
      const low = (((root - open) % 12) + 12) % 12;
      return [low, low + 12].flatMap((up) => {
        const frets = offsets
          .split(" ")
          .map((each) => (each === "x" ? null : tuning.capo + up + Number(each)));
        const played = frets.filter((fret) => fret !== null);
        if (Math.min(...played) < tuning.capo || Math.max(...played) > tuning.frets || up > HIGHEST)
          return [];
        const isMoved = Math.min(...played) > tuning.capo;
        const moved =
          isMoved && offsets.includes("-3") ? OPEN_MOVED : isMoved && string === 4 ? FOURTH_MOVED : 0;
        const isOpen = !isMoved && Math.max(...played) <= tuning.capo + 4;
        const cost = order * ORDER + up * UP + late + moved - (isOpen ? OPEN : 0);
        return [{ frets: frets.map((fret) => fret ?? "x").join(" "), cost }];
      });
    },
  );
  const sorted = found.toSorted((a, b) => a.cost - b.cost);
  const places = new Map<string, number>();
  for (const { frets } of sorted) if (!places.has(frets)) places.set(frets, places.size);
  return places;
}

/** A place further down the list counts as much as two frets further up the neck. */
const ORDER = 0.3;
const UP = 0.15;
/** Open chords are taken first; shapes that live on open strings, and those on the four high strings, less where they are moved up. */
const OPEN_MOVED = 1.2;
const OPEN = 1;
const FOURTH_MOVED = 0.5;
