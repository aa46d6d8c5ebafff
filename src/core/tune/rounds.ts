import { midiOf } from "../pitch";
import { longestBar } from "./bars";
import { EPSILON, type Tune, type TuneBar } from "./tune";

/** A tune that is played round. */
export interface Rounds {
  /** How long a round is, in bars. */
  readonly bars: number;
  /** Its full rounds, each of which ends a section; a pickup into the next stands in a bar of its own. Notes are those of the tune, in order. */
  readonly full: Tune;
  /** Whole bars after the last full round. */
  readonly more: number;
}

/** A round is as long as this at least, and what comes after the first as this, in bars. */
const LEAST = { round: 4, again: 2 };

/** Pieces of more bars aren't looked through: it takes their square of time. */
const MOST_BARS = 2048;

/** So many of the bars that come again may be played differently, as second endings are. */
const DIFFERENT = 0.15;

/**
 * Whether a tune of one voice without repeat signs goes round: from some bar on it is what it was from the beginning, to its last note. A pickup
 * belongs to the round that it leads into. Undefined where it doesn’t, so that a tune which only ends as it begins is none.
 *
 * @example roundsOf(sixteen bars, twice, and two bars more) // { bars: 16, full: thirty-two bars, more: 2 }
 */
export function roundsOf(tune: Tune): Rounds | undefined {
  const { notes, bars } = tune;
  if (bars.length > MOST_BARS) return undefined;
  const signs = bars.map((): string[] => []);
  for (const { pitch, onset, duration, bar } of notes) {
    const at = onset - (bars[bar]?.start ?? 0) + (bars[bar]?.lead ?? 0);
    signs[bar]?.push(`${midiOf(pitch)} ${at.toFixed(3)} ${duration.toFixed(3)}`);
  }
  const played = signs.map((each) => each.join());
  const first = bars[0]?.lead ? 1 : 0;
  const last = played.length - 1;
  // The last bar may have been stopped in the middle, or its last note held.
  const isBegun = (at: number, before: number) => {
    const [own, other] = [signs[at] ?? [], signs[before] ?? []];
    return own.every((note, nth) => note === other[nth] || nth === own.length - 1);
  };
  for (let round = LEAST.round; first + round + LEAST.again <= played.length; round += 1) {
    const allowed = Math.floor((played.length - first - round) * DIFFERENT);
    let different = 0;
    for (let at = first + round; at <= last && different <= allowed; at += 1)
      if (played[at] !== played[at - round] && !(at === last && isBegun(at, at - round))) different += 1;
    // A round has notes of its own: one bar that is struck again and again goes round in no time.
    const isVaried = new Set(played.slice(first, first + round)).size > 1;
    if (different > allowed || !isVaried) continue;
    const count = Math.floor((played.length - first) / round);
    const ends = Array.from({ length: count }, (_, nth) => first + (nth + 1) * round - 1);
    return { bars: round, full: endedAt(tune, ends), more: last - (ends.at(-1) ?? last) };
  }
  return undefined;
}

/** A tune to the last of some bars, each of which ends a section where the pickup into the next begins. */
function endedAt(tune: Tune, ends: readonly number[]): Tune {
  const pickup = tune.bars[0]?.lead ? tune.bars[0].length : 0;
  const last = ends.at(-1) ?? tune.bars.length - 1;
  const places: number[] = [];
  const bars: TuneBar[] = [];
  for (const [at, bar] of tune.bars.slice(0, last + 1).entries()) {
    places.push(bars.length);
    if (!ends.includes(at)) {
      bars.push(bar);
      continue;
    }
    // A bar that is filled to its end holds the next pickup.
    const whole = bar.length + bar.lead;
    const isShared = pickup > 0 && at + 1 < tune.bars.length && bar.length >= longestBar(tune.bars) - EPSILON;
    const length = isShared ? bar.length - pickup : bar.length;
    bars.push({ ...bar, length, endsSection: true });
    if (isShared && at < last)
      bars.push({
        ...bar,
        start: bar.start + length,
        length: pickup,
        lead: whole - pickup,
        endsSection: false,
      });
  }
  const end = (bars.at(-1)?.start ?? 0) + (bars.at(-1)?.length ?? 0);
  const placed = <T extends { readonly bar: number; readonly onset: number }>(
    all: readonly T[],
  ): readonly T[] =>
    all
      .filter(({ onset }) => onset < end - EPSILON)
      .map((each) => {
        const from = places[each.bar] ?? each.bar;
        const next = bars[from + 1];
        const bar = ends.includes(each.bar) && next && each.onset >= next.start - EPSILON ? from + 1 : from;
        return bar === each.bar ? each : { ...each, bar };
      });
  return {
    ...tune,
    bars,
    notes: placed(tune.notes),
    chords: tune.chords && placed(tune.chords),
    keys: tune.keys?.flatMap((key) => (key.bar <= last ? [{ ...key, bar: places[key.bar] ?? key.bar }] : [])),
    phraseMarks: tune.phraseMarks?.filter(({ onset }) => onset < end - EPSILON),
  };
}
