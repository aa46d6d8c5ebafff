/** Numbers from 0 up to 1, the same row of them for the same seed. */
export type Random = () => number;

/**
 * A row of random numbers from a seed: mulberry32, by Tommy Ettinger, in the public domain.
 *
 * @param seed a whole number; what lies beyond 32 bits is left out
 * @example seeded(7)() === seeded(7)() // true
 */
export function seeded(seed: number): Random {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** One of several. */
export const oneOf = <T>(random: Random, all: readonly [T, ...T[]]): T =>
  all[Math.floor(random() * all.length)] ?? all[0];

/** The same things in another order (Fisher and Yates). */
export function shuffled<T>(random: Random, all: readonly T[]): readonly T[] {
  const left = [...all];
  return Array.from(all, () => left.splice(Math.floor(random() * left.length), 1)[0] as T);
}
