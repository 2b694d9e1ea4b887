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

/** Terms of the light on a card, which changes slowly: a plane and its squares in log brightness. */
const TERMS = { plane: 4, full: 6 } as const;
/** Writes the terms of a pixel: with `plane` of them x² and xy are left out, which the margins alone cannot tell. */
function termsInto(row: Float64Array, x: number, y: number): void {
  row[0] = 1;
  row[1] = x;
  row[2] = y;
  row[3] = y * y;
  row[4] = x * x;
  row[5] = x * y;
}

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
  const logs = Float64Array.from({ length: 256 }, (_, value) => Math.log(Math.max(value, DARKEST)));
  const margin = Math.max(2, Math.round(MARGIN * width));
  const bare = new Uint8Array(width * height);
  const values = new Float64Array(width * height);
  const terms = new Float64Array(TERMS.full);
  for (let index = 0; index < bare.length; index += 1) {
    const x = index % width;
    bare[index] = x < margin || x >= width - margin ? 1 : 0;
  }
  let noise = 0;
  for (let round = 0; round < ROUNDS; round += 1) {
    const fit = lightOn({ width, height, grey }, bare, logs, terms, round > 1 ? TERMS.full : TERMS.plane);
    let squares = 0;
    let count = 0;
    for (let y = 0, index = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1, index += 1) {
        termsInto(terms, x / width - 0.5, y / height - 0.5);
        let card = 0;
        for (let i = 0; i < fit.length; i += 1) card += (fit[i] as number) * (terms[i] as number);
        const dark = card - (logs[grey[index] as number] as number);
        values[index] = dark;
        if (bare[index] === 1) {
          squares += dark * dark;
          count += 1;
        }
      }
    noise = Math.max(1e-3, Math.sqrt(squares / Math.max(1, count)));
    const limit = PAINT * noise;
    for (let index = 0; index < bare.length; index += 1) {
      const dark = values[index] as number;
      bare[index] = dark < limit && dark > -limit ? 1 : 0;
    }
  }
  return { width, height, values, noise };
}

/** Least squares of the light on the bare pixels; every third tells as much of slow light as all of them. */
function lightOn(
  { width, height, grey }: GreyPicture,
  bare: Uint8Array,
  logs: Float64Array,
  terms: Float64Array,
  size: number,
): number[] {
  const matrix = Array.from({ length: size }, () => Array.from({ length: size }, () => 0));
  const right = Array.from({ length: size }, () => 0);
  for (let y = 0; y < height; y += 1)
    for (let x = y % 3; x < width; x += 3) {
      const index = y * width + x;
      if (bare[index] === 0) continue;
      termsInto(terms, x / width - 0.5, y / height - 0.5);
      for (let i = 0; i < size; i += 1) {
        const row = matrix[i] as number[];
        right[i] = (right[i] as number) + (terms[i] as number) * (logs[grey[index] as number] as number);
        for (let j = 0; j < size; j += 1)
          row[j] = (row[j] as number) + (terms[i] as number) * (terms[j] as number);
      }
    }
  return solve(matrix, right);
}
