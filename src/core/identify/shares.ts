/** Amounts as shares of their sum; nought stays nought. */
export function shareOut(amounts: readonly number[]): readonly number[] {
  const whole = amounts.reduce((a, b) => a + b, 0);
  return whole === 0 ? amounts : amounts.map((amount) => amount / whole);
}
