/** A note as it was played: times in quarters, near the beat but not on it. */
export interface Played {
  readonly midi: number;
  readonly onset: number;
  readonly duration: number;
}

/** Divisions of a quarter that are written: sixteenths, and triplets where the notes of a beat come nearer to them. */
const GRIDS = [4, 3] as const;
/** How much nearer the triplets must come. */
const TRIPLET_GAIN = 0.6;
/** A triplet must have notes inside the beat; a single late sixteenth makes none. */
const LEAST_INSIDE = 2;

const away = (time: number, grid: number) => Math.abs(time * grid - Math.round(time * grid)) / grid;

/**
 * Puts played notes on the beat: each quarter by itself in sixteenths or in triplets, whichever its notes come nearer to. A note
 * lasts to the next one where it was let go just before, and never less than a sixteenth. Notes that were written on the grid
 * stay where they are.
 *
 * @example quantised([{ midi: 60, onset: 0.02, duration: 0.93 }]) // onset 0, duration 1
 */
export function quantised(notes: readonly Played[]): readonly Played[] {
  const byBeat = new Map<number, Played[]>();
  for (const note of notes) {
    const at = Math.floor(note.onset + LATE);
    const inBeat = byBeat.get(at);
    if (inBeat) inBeat.push(note);
    else byBeat.set(at, [note]);
  }
  const grids = new Map(
    [...byBeat].map(([at, inBeat]) => {
      const error = (grid: number) => inBeat.reduce((sum, { onset }) => sum + away(onset - at, grid), 0);
      const inside = inBeat.filter(({ onset }) => away(onset, 1) > LATE).length;
      const isTriplet = inside >= LEAST_INSIDE && error(GRIDS[1]) < TRIPLET_GAIN * error(GRIDS[0]);
      return [at, isTriplet ? GRIDS[1] : GRIDS[0]];
    }),
  );
  const snap = (time: number) => {
    const at = Math.floor(time + LATE);
    const grid = grids.get(at) ?? GRIDS[0];
    return at + Math.round((time - at) * grid) / grid;
  };
  const placed = notes
    .map((note) => ({ ...note, at: snap(note.onset) }))
    .sort((a, b) => a.at - b.at || a.midi - b.midi);
  const onsets = [...new Set(placed.map(({ at }) => at))];
  const places = new Map(onsets.map((onset, at) => [onset, at]));
  return placed.map(({ midi, at, onset, duration }): Played => {
    const end = snap(onset + duration);
    const next = onsets[(places.get(at) ?? 0) + 1] ?? Infinity;
    const isLegato = end < next && next - end <= (duration + HELD) * RELEASE;
    return { midi, onset: at, duration: Math.max(SHORTEST, (isLegato ? next : end) - at) };
  });
}

/** A sixteenth, in quarters. */
const SHORTEST = 0.25;
/** A note may come this much of a beat early and still belong to the next beat. */
const LATE = 0.11;
/** A gap up to this share of the note (and a little) is the hand coming off, no rest. */
const RELEASE = 0.3;
const HELD = 0.05;
