import type { WallGrid } from '../simulation';

interface CutPoint {
  /** Way along the cut, m. */
  readonly at: number;
  readonly film: number;
}

/** Film along any straight cut, read between the cells (bilinear); nothing outside the grid. */
export function filmAlong(
  grid: WallGrid,
  from: { readonly x: number; readonly y: number },
  to: { readonly x: number; readonly y: number },
  points = 200,
): readonly CutPoint[] {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  const count = Math.max(2, Math.floor(points));
  return Array.from({ length: count }, (_, index) => {
    const share = index / (count - 1);
    const x = (from.x + share * (to.x - from.x)) / grid.cell - 0.5;
    const y = (from.y + share * (to.y - from.y)) / grid.cell - 0.5;
    return { at: share * length, film: bilinear(grid, x, y) };
  });
}

function bilinear({ columns, rows, film }: WallGrid, x: number, y: number): number {
  if (!(x >= -0.5 && x <= columns - 0.5 && y >= -0.5 && y <= rows - 0.5)) return 0;
  const column = Math.min(columns - 1, Math.max(0, x));
  const row = Math.min(rows - 1, Math.max(0, y));
  const [c, r] = [Math.min(columns - 1, Math.floor(column)), Math.min(rows - 1, Math.floor(row))];
  const [c1, r1] = [Math.min(columns - 1, c + 1), Math.min(rows - 1, r + 1)];
  const [p, q] = [column - c, row - r];
  const at = (one: number, other: number) => film[other * columns + one] ?? 0;
  return (1 - q) * ((1 - p) * at(c, r) + p * at(c1, r)) + q * ((1 - p) * at(c, r1) + p * at(c1, r1));
}
