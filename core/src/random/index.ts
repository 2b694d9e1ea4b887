/** A source of randomness that is passed in: numbers from 0 to below 1. */
export type Random = () => number;

/** A seeded source (mulberry32): the same seed gives the same numbers. Good for drawings and drills, not for secrets. */
export function seeded(seed: number): Random {
  // In an array of whole numbers: a variable of its own would be boxed at each call.
  const kept = Int32Array.of(seed);
  return () => {
    const state = (kept[0] = ((kept[0] as number) + 0x6d2b79f5) | 0);
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** A standard normal number (Box and Muller 1958). */
export function normal(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
