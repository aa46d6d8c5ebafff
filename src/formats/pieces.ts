import type { Tune, TuneBar, TuneNote } from "@/core/tune";

/** Notes struck together, or the part of them that falls into one bar. */
export interface Piece {
  readonly notes: readonly TuneNote[];
  readonly at: number;
  readonly length: number;
  /** It goes on in the next bar. */
  readonly isTied: boolean;
  /** It began in a bar before. */
  readonly goesOn: boolean;
}

/** What the notes of a tune come to in each bar: those struck together as one, cut where a bar ends. */
export function piecesByBar({ notes, bars }: Pick<Tune, "notes" | "bars">): readonly (readonly Piece[])[] {
  const byBar = bars.map((): Piece[] => []);
  const last = bars.at(-1);
  const tuneEnd = last ? last.start + last.length : 0;
  for (let at = 0; at < notes.length;) {
    const onset = notes[at]?.onset ?? 0;
    let next = at + 1;
    while (Math.abs((notes[next]?.onset ?? Infinity) - onset) < 1e-6) next += 1;
    const group = notes.slice(at, next);
    const longest = group.reduce((most, { duration }) => Math.max(most, duration), 0);
    const end = Math.min(onset + longest, notes[next]?.onset ?? tuneEnd, tuneEnd);
    let time = onset;
    for (let bar = group[0]?.bar ?? 0; time < end - 1e-6 && bar < bars.length; bar += 1) {
      const { start, length: whole } = bars[bar] as TuneBar;
      const until = Math.min(end, start + whole);
      if (until > time + 1e-6)
        byBar[bar]?.push({
          notes: group,
          at: time,
          length: until - time,
          isTied: until < end - 1e-6,
          goesOn: time > onset,
        });
      time = Math.max(time, until);
    }
    at = next;
  }
  return byBar;
}
