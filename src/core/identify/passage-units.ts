import { type BarRange, excerptOf, type Tune } from "../tune";
import { hear, type Hearing } from "./hearing";

/** Bars of a unit that is not marked off, and the fewest that are listened to by themselves. */
const UNIT = { unmarked: 8, least: 3 };

/** In a piece of more bars, unmarked units are longer, so that they are not too many. */
const MANY_BARS = 400;

/** Bars that are listened to by themselves. */
interface Unit extends BarRange {
  /** A repeat sign, double bar or declared key stands before it. */
  readonly isMarked: boolean;
}

/** Bars that are listened to by themselves, with what is heard in them. */
export interface HeardUnit extends Unit {
  readonly hearing: Hearing;
}

/** Sections, cut where a key is declared; a long one without a mark in units; ends of a bar or two go with what is before. */
function unitsOf(tune: Tune): readonly Unit[] {
  const last = tune.bars.length - 1;
  const keyed = new Set(tune.keys?.slice(1).map(({ bar }) => bar));
  const starts = tune.bars.flatMap((_, bar) =>
    bar === 0 || tune.bars[bar - 1]?.endsSection === true || keyed.has(bar) ? [bar] : [],
  );
  const units: Unit[] = [];
  const usual = UNIT.unmarked * Math.ceil(tune.bars.length / MANY_BARS);
  for (const [at, from] of starts.entries()) {
    const to = (starts[at + 1] ?? last + 1) - 1;
    const before = units.at(-1);
    if (before && to - from + 1 < UNIT.least) {
      units[units.length - 1] = { ...before, to };
      continue;
    }
    for (let start = from; start <= to; start += usual) {
      // What is left over at the end stays with the unit before it.
      const isLast = to - start + 1 < usual + UNIT.least;
      units.push({ from: start, to: isLast ? to : start + usual - 1, isMarked: start === from });
      if (isLast) break;
    }
  }
  const [first, second] = units;
  return first && second && first.to - first.from + 1 < UNIT.least
    ? [{ ...second, from: first.from }, ...units.slice(2)]
    : units;
}

/** The units in which the melody sounds; what is silent goes with the unit before it, or after it at the start. */
export function heardUnits(tune: Tune): readonly HeardUnit[] {
  const units: HeardUnit[] = [];
  let from: number | undefined;
  for (const unit of unitsOf(tune)) {
    const hearing = hear(excerptOf(tune, unit), true);
    const before = units.at(-1);
    if (hearing) units.push({ ...unit, from: from ?? unit.from, hearing });
    else if (before) units[units.length - 1] = { ...before, to: unit.to };
    from = hearing || before ? undefined : (from ?? unit.from);
  }
  return units;
}
