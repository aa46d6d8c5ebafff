/** Amounts as shares of their sum; nought stays nought. */
export function shareOut(amounts: readonly number[]): readonly number[] {
  const whole = amounts.reduce((a, b) => a + b, 0);
  return whole === 0 ? amounts : amounts.map((amount) => amount / whole);
}

/** Logarithms of odds as logarithms of shares that add up to 1, however large they are. */
export function shareLogs(scores: readonly number[]): readonly number[] {
  const most = scores.reduce((best, each) => Math.max(best, each), -Infinity);
  const all = most + Math.log(scores.reduce((sum, each) => sum + Math.exp(each - most), 0));
  return scores.map((each) => each - all);
}

/** Half steps of a sounding pitch class above home. */
export const above = (sound: number, home: number): number =>
  sound < home ? sound - home + 12 : sound - home;
