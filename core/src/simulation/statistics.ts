import { accept, refuse, type Length, type Result } from '../units';
import type { WallGrid } from './grid';

export interface FilmLimits {
  /** Least wet film wanted. */
  readonly minimum: Length;
  readonly sagLimit: Length;
}

/** A spot the fan missed. */
export interface Holiday {
  /** Middle of the spot, m from the left and from the bottom. */
  readonly x: number;
  readonly y: number;
  readonly area: number;
}

export interface FilmStatistics {
  readonly mean: number;
  readonly least: number;
  readonly most: number;
  /** Standard deviation over mean. */
  readonly variation: number;
  readonly shareUnderMinimum: number;
  readonly shareOverSag: number;
  /** Missed spots, largest first. */
  readonly holidays: readonly Holiday[];
  readonly cells: number;
}

/** Film under this share of the minimum is a miss, and so is a spot of it from this size, m². */
const HOLIDAY = { share: 0.4, area: 1e-4 } as const;

/**
 * Mean, spread and faults of the film on a piece.
 * @param mask 1 for cells of the piece; all cells where missing
 */
export function filmStatistics(
  grid: WallGrid,
  limits: FilmLimits,
  mask?: Uint8Array,
): Result<FilmStatistics> {
  if (!(limits.minimum > 0 && limits.sagLimit >= limits.minimum)) {
    return refuse('film.limits', 'sagLimit', 'The least film is above zero and not over the sag limit.');
  }
  const { film } = grid;
  let cells = 0;
  let sum = 0;
  let squares = 0;
  let least = Infinity;
  let most = 0;
  let under = 0;
  let over = 0;
  const rounding = 1e-12;
  for (let index = 0; index < film.length; index += 1) {
    if (mask && mask[index] === 0) continue;
    const one = film[index] as number;
    cells += 1;
    sum += one;
    squares += one * one;
    if (one < least) least = one;
    if (one > most) most = one;
    if (one < limits.minimum - rounding) under += 1;
    if (one > limits.sagLimit + rounding) over += 1;
  }
  if (cells === 0) return refuse('film.empty', 'piece', 'No cell of the wall lies on the piece.');
  const mean = sum / cells;
  const variance = Math.max(0, squares / cells - mean * mean);
  return accept({
    mean,
    least,
    most,
    variation: mean > 0 ? Math.sqrt(variance) / mean : 0,
    shareUnderMinimum: under / cells,
    shareOverSag: over / cells,
    holidays: holidaysOf(grid, HOLIDAY.share * limits.minimum, mask),
    cells,
  });
}

/** Connected spots thinner than a film, by flooding from each unseen thin cell. */
function holidaysOf(grid: WallGrid, thin: number, mask: Uint8Array | undefined): readonly Holiday[] {
  const { columns, rows, cell, film } = grid;
  const seen = new Uint8Array(film.length);
  const missed = (index: number) =>
    seen[index] === 0 && (!mask || mask[index] === 1) && (film[index] ?? 0) < thin;
  const found: Holiday[] = [];
  const queue: number[] = [];
  for (let start = 0; start < film.length; start += 1) {
    if (!missed(start)) continue;
    let size = 0;
    let x = 0;
    let y = 0;
    queue.push(start);
    seen[start] = 1;
    for (let index = queue.pop(); index !== undefined; index = queue.pop()) {
      const column = index % columns;
      const row = (index - column) / columns;
      size += 1;
      x += column + 0.5;
      y += row + 0.5;
      const visit = (next: number) => {
        if (!missed(next)) return;
        seen[next] = 1;
        queue.push(next);
      };
      if (column > 0) visit(index - 1);
      if (column < columns - 1) visit(index + 1);
      if (row > 0) visit(index - columns);
      if (row < rows - 1) visit(index + columns);
    }
    const area = size * cell * cell;
    if (area >= HOLIDAY.area) found.push({ x: (x / size) * cell, y: (y / size) * cell, area });
  }
  return found.sort((a, b) => b.area - a.area);
}
