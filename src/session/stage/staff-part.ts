import { allNotes, type BarRange, excerptOf, firstPlace, type Tune } from "@/core/tune";
import { type AbcTune, writeAbc } from "@/formats";

/** What of a tune is on the staff: all of it, or so many bars of a long one, with its notes placed in the ABC that is engraved. */
export interface StaffPart {
  readonly tune: Tune;
  readonly abc: string;
  readonly engraved: Tune;
  /** The first bar that is engraved; undefined where all are. */
  readonly from: number | undefined;
}

/** Bars that are engraved of one voice at once; of a longer tune no more than can be drawn between two frames. */
const [MAX_ENGRAVED, A_PART] = [160, 16];

/** The same for a tune: each voice takes its room. */
export function mostEngraved({ voices = [], bars }: Tune): number {
  const share = 1 / Math.min(4, Math.max(1, voices.length));
  return Math.floor((bars.length > MAX_ENGRAVED * share ? A_PART : MAX_ENGRAVED) * share);
}

/**
 * A tune made ready for the staff: the part of a long one that has a bar in it, or its end where it has no such bar.
 *
 * @param write how a tune, or a part of it, is written
 * @example staffPart(tune, 20, writeAbc).from // 16, where the tune has more than 160 bars
 */
export function staffPart(
  tune: Tune,
  bar: number,
  write: (tune: Tune, isPart: boolean) => AbcTune,
): StaffPart {
  const most = mostEngraved(tune);
  if (tune.bars.length <= most) {
    const whole = write(tune, false);
    return { tune, abc: whole.engraving, engraved: whole.tune, from: undefined };
  }
  const from = Math.floor(Math.min(bar, tune.bars.length - 1) / most) * most;
  const part = write(excerptOf(tune, { from, to: from + most - 1 }), true);
  // A part that isn't the end has no closing bar line.
  const isEnd = from + most >= tune.bars.length;
  const abc = isEnd ? part.engraving : part.engraving.replaceAll("|]", "| ");
  return { tune, abc, engraved: part.tune, from };
}

/** How many notes stand before what is engraved: of the melody, and of what lies beneath it. */
function before({ tune, from = 0 }: StaffPart): readonly [melody: number, beneath: number] {
  const isIn = ({ bar }: { readonly bar: number }) => bar >= from;
  return [firstPlace(tune.notes, isIn), firstPlace(tune.beneath ?? [], isIn)];
}

/** Places of a tune's notes as places of those that are engraved; others are left out. */
export function onStaff(shown: StaffPart, places: readonly number[]): readonly number[] {
  const { tune, engraved, from } = shown;
  if (from === undefined) return places;
  const [melody, beneath] = before(shown);
  const [count, melodyNotes] = [tune.notes.length, engraved.notes.length];
  const all = allNotes(engraved).length;
  return places.flatMap((place) => {
    const isMelody = place < count;
    const at = isMelody ? place - melody : place - count - beneath + melodyNotes;
    return at >= (isMelody ? 0 : melodyNotes) && at < (isMelody ? melodyNotes : all) ? [at] : [];
  });
}

/** The place in the tune of a note that is engraved. */
export function fromStaff(shown: StaffPart, place: number): number {
  const { tune, engraved, from } = shown;
  if (from === undefined) return place;
  const [melody, beneath] = before(shown);
  const melodyCount = engraved.notes.length;
  return place < melodyCount ? place + melody : place - melodyCount + tune.notes.length + beneath;
}

/** Bars by places on the staff, which may begin later than the tune, and back. */
export const barsFrom = ({ from, to }: BarRange, first: number): BarRange => ({
  from: from + first,
  to: to + first,
});

/** More bars are not printed at once: they would be a book. */
const MAX_PRINTED = 640;

/** What is printed as ABC, and which bars that is where it isn't all: of a very long tune what is on the staff. */
export function printedText(
  { from, tune, abc, engraved }: StaffPart,
  write: (tune: Tune) => AbcTune = writeAbc,
): { readonly text: string; readonly bars?: BarRange } {
  if (from === undefined) return { text: abc };
  return tune.bars.length <= MAX_PRINTED
    ? { text: write(tune).engraving }
    : { text: abc, bars: { from, to: from + engraved.bars.length - 1 } };
}
