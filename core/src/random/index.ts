/** A source of randomness that is passed in: numbers from 0 to below 1. */
export type Random = () => number;

/** A source that also fills rows, several times as fast as number by number. */
export interface SeededRandom {
  (): number;
  /** Fills a row with the next numbers, in their order. */
  fill(row: Float64Array): Float64Array;
}

const STEP = 0x6d2b79f5;

/** The number that belongs to a state (mulberry32). */
function mixed(state: number): number {
  let bits = Math.imul(state ^ (state >>> 15), state | 1);
  bits ^= bits + Math.imul(bits ^ (bits >>> 7), bits | 61);
  return ((bits ^ (bits >>> 14)) >>> 0) / 2 ** 32;
}

/** A seeded source: the same seed gives the same numbers. Good for drawings and drills, not for secrets. */
export function seeded(seed: number): SeededRandom {
  // In an array of whole numbers: a variable of its own would be boxed at each call.
  const kept = Int32Array.of(seed);
  const next = () => mixed((kept[0] = ((kept[0] as number) + STEP) | 0));
  const fill = (row: Float64Array) => {
    let state = kept[0] as number;
    for (let index = 0; index < row.length; index += 1) {
      state = (state + STEP) | 0;
      row[index] = mixed(state);
    }
    kept[0] = state;
    return row;
  };
  return Object.assign(next, { fill });
}

/** A standard normal number (Box and Muller 1958). */
export function normal(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
