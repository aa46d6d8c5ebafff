/** The weight of an answer, and whether it is right. */
export interface Told {
  readonly weight: number;
  readonly isRight: boolean;
}

/** What is told of each ten of weights: how many tunes, the mean weight, how many were right. */
export function calibration(told: readonly Told[]) {
  return Array.from({ length: 10 }, (_, at) => {
    const own = told.filter(({ weight }) => Math.min(9, Math.floor(weight * 10)) === at);
    const mean = own.reduce((sum, { weight }) => sum + weight, 0) / (own.length || 1);
    const right = own.filter(({ isRight }) => isRight).length / (own.length || 1);
    return { from: at / 10, tunes: own.length, mean, right };
  }).filter(({ tunes }) => tunes > 0);
}

/** How far what is told lies from what is right, over all answers. */
export function calibrationError(all: readonly Told[]): number {
  const tunes = all.length || 1;
  return calibration(all).reduce(
    (sum, { tunes: own, mean, right }) => sum + (own / tunes) * Math.abs(mean - right),
    0,
  );
}
