import { sliceAt, type Piece, type Polygon } from '../shape';
import { accept, firstRefusal, refuse, within, type Length, type Result, type UnitSystem } from '../units';

/** Film on a wall, cell by cell: row 0 is the bottom, column 0 the left. Metres throughout. */
export interface WallGrid {
  readonly columns: number;
  readonly rows: number;
  /** Side of a square cell. */
  readonly cell: number;
  /** Wet film of each cell, row by row. */
  readonly film: Float64Array;
}

const CELLS_LIMIT = 4_000_000;

/** An unpainted wall. Refuses sizes that are none, and grids beyond four million cells. */
export function createGrid(
  width: Length,
  height: Length,
  cell: Length,
  system: UnitSystem = 'metric',
): Result<WallGrid> {
  const failed = firstRefusal(
    within(width, { min: 0.05, max: 50 }, 'size', system, 'width', 'Width'),
    within(height, { min: 0.05, max: 50 }, 'size', system, 'height', 'Height'),
    within(cell, { min: 0.001, max: 0.1 }, 'fanWidth', system, 'cell', 'Cell'),
  );
  if (failed) return failed;
  const columns = Math.max(1, Math.round(width / cell));
  const rows = Math.max(1, Math.round(height / cell));
  if (columns * rows > CELLS_LIMIT) {
    return refuse('grid.size', 'cell', 'That is more than four million cells. Take a coarser cell.');
  }
  return accept({ columns, rows, cell, film: new Float64Array(columns * rows) });
}

/** Which cells belong to a piece: 1 where the centre of the cell is on it, as `contains` has it, row by row. */
export function maskOf({ columns, rows, cell }: WallGrid, { outline, openings }: Piece): Uint8Array {
  const mask = new Uint8Array(columns * rows);
  const fill = (polygon: Polygon, row: number, value: 0 | 1) => {
    for (const { from, to } of sliceAt(polygon, (row + 0.5) * cell)) {
      // One to spare on each side: what a rounding does not decide, the comparison does.
      const first = Math.max(0, Math.floor(from / cell - 0.5));
      const last = Math.min(columns - 1, Math.ceil(to / cell - 0.5));
      for (let column = first; column <= last; column += 1) {
        const x = (column + 0.5) * cell;
        if (x >= from && x < to) mask[row * columns + column] = value;
      }
    }
  };
  for (let row = 0; row < rows; row += 1) {
    fill(outline, row, 1);
    for (const opening of openings) fill(opening, row, 0);
  }
  return mask;
}
