export interface Meter {
  readonly beats: number;
  /** Note value of a beat: 4 a quarter, 8 an eighth. */
  readonly unit: number;
}

/** Length of a whole bar in quarters. */
export const barLength = ({ beats, unit }: Meter): number => (beats * 4) / unit;

/** The beat that players feel, in quarters: a dotted quarter in 6/8, 9/8 and 12/8, otherwise the unit. */
export function feltBeat({ beats, unit }: Meter): number {
  return unit === 8 && beats % 3 === 0 ? 1.5 : 4 / unit;
}

/** Into how many parts a felt beat falls: three in 6/8, two in 4/4; an eighth in 7/8 is felt undivided. */
export const beatParts = (meter: Meter): 1 | 2 | 3 => {
  const beat = feltBeat(meter);
  return beat === 1.5 ? 3 : beat < 1 ? 1 : 2;
};
