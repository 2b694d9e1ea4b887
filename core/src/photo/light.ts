import type { GreyPicture } from './picture';

/** Log brightness of every pixel below that of a bare card in the same light: 0 on the card, more where there is paint. */
export interface Darkness {
  readonly width: number;
  readonly height: number;
  readonly values: Float64Array;
  /** Spread of it on the bare card. */
  readonly noise: number;
}

/** Outer share of the picture to each side that is taken for bare card at first. */
const MARGIN = 0.1;
const ROUNDS = 5;
/** Darker than so many spreads is paint. */
const PAINT = 3;
const DARKEST = 2;

type Terms = readonly number[];
/** Light on a card changes slowly: a plane and its squares in log brightness. */
const termsAt = (x: number, y: number, full: boolean): Terms =>
  full ? [1, x, y, x * x, x * y, y * y] : [1, x, y, y * y];

/** Solves the normal equations by Gauss with the diagonal held up a hair, so that few pixels do not break it. */
function solve(matrix: number[][], right: number[]): number[] {
  const n = right.length;
  for (let i = 0; i < n; i += 1) (matrix[i] as number[])[i] = ((matrix[i] as number[])[i] as number) + 1e-9;
  for (let i = 0; i < n; i += 1) {
    const pivot = matrix[i] as number[];
    for (let j = i + 1; j < n; j += 1) {
      const row = matrix[j] as number[];
      const factor = (row[i] as number) / (pivot[i] as number);
      for (let k = i; k < n; k += 1) row[k] = (row[k] as number) - factor * (pivot[k] as number);
      right[j] = (right[j] as number) - factor * (right[i] as number);
    }
  }
  for (let i = n - 1; i >= 0; i -= 1) {
    const row = matrix[i] as number[];
    let sum = right[i] as number;
    for (let k = i + 1; k < n; k += 1) sum -= (row[k] as number) * (right[k] as number);
    right[i] = sum / (row[i] as number);
  }
  return right;
}

/** How dark each pixel is against the card around it: uneven light is fitted on what is bare, and taken off. */
export function darknessOf({ width, height, grey }: GreyPicture): Darkness {
  const log = Float64Array.from(grey, (value) => Math.log(Math.max(value, DARKEST)));
  const margin = Math.max(2, Math.round(MARGIN * width));
  let bare = (index: number) => {
    const x = index % width;
    return x < margin || x >= width - margin;
  };
  const at = (index: number, full: boolean) =>
    termsAt((index % width) / width - 0.5, Math.floor(index / width) / height - 0.5, full);
  const values = new Float64Array(width * height);
  let noise = 0;
  for (let round = 0; round < ROUNDS; round += 1) {
    const full = round > 1;
    const size = full ? 6 : 4;
    const matrix = Array.from({ length: size }, () => Array.from({ length: size }, () => 0));
    const right = Array.from({ length: size }, () => 0);
    // Every third pixel tells as much of slow light as all of them.
    for (let index = 0; index < log.length; index += 3) {
      if (!bare(index)) continue;
      const terms = at(index, full);
      for (let i = 0; i < size; i += 1) {
        const row = matrix[i] as number[];
        right[i] = (right[i] as number) + (terms[i] as number) * (log[index] as number);
        for (let j = 0; j < size; j += 1)
          row[j] = (row[j] as number) + (terms[i] as number) * (terms[j] as number);
      }
    }
    const fit = solve(matrix, right);
    let squares = 0;
    let count = 0;
    for (let index = 0; index < log.length; index += 1) {
      const terms = at(index, full);
      let card = 0;
      for (let i = 0; i < size; i += 1) card += (fit[i] as number) * (terms[i] as number);
      const dark = card - (log[index] as number);
      values[index] = dark;
      if (bare(index)) {
        squares += dark * dark;
        count += 1;
      }
    }
    noise = Math.max(1e-3, Math.sqrt(squares / Math.max(1, count)));
    const limit = PAINT * noise;
    const kept = values;
    bare = (index) => Math.abs(kept[index] as number) < limit;
  }
  return { width, height, values, noise };
}
